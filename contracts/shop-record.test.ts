import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import type { LowgapFile } from './lowgap-file';
import { shopRecord } from './shop-record';

const record = (files: readonly LowgapFile[]): ReturnType<typeof shopRecord> =>
  shopRecord(files.map((document, i) => ({ id: `job ${i}`, document })));
const fitted = (): LowgapFile =>
  structuredClone(demoJobs().find(({ title }) => title.startsWith('Lift-line'))!.document);

describe('what the shop’s jobs say together', () => {
  test('promised against measured: where one kind of part alone lifted a corner, against its baseline', () => {
    const { heights } = record([fitted()]);
    // 558, 554 and 587 read, of 524, 519 and 548 before; 40 promised at each: one truck, one measurement.
    expect([...heights.keys()]).toEqual(['ride']);
    expect(heights.get('ride')).toEqual([{ promisedMm: 40, measuredMm: (34 + 35 + 39) / 3 }]);
  });

  test('nothing of a job goes into it unasked', () => {
    const file = fitted();
    delete file.followUp!.inRecord;
    expect(record([file])).toEqual({
      heights: new Map(),
      tires: [],
      hours: [],
      comebacks: new Map(),
      handedOver: 0,
    });
  });

  test('two kinds of part on a corner, or a body lift, say nothing of either', () => {
    const file = fitted();
    for (const round of file.testFits!) {
      round.setup!.parts = [...round.setup!.parts!, { kind: 'springSpacer', thicknessMm: 10, motionRatio: 1 }];
    }
    expect(record([file]).heights.size).toBe(0);
    const raised = fitted();
    for (const round of raised.testFits!) round.setup!.bodyLiftMm = 50;
    expect(record([raised]).heights.size).toBe(0);
  });

  test('the last round of a corner counts, and a borrowed trial that lifts nothing does not', () => {
    const file = fitted();
    const [first] = file.testFits!;
    file.testFits!.push(
      { ...structuredClone(first!), id: 'later', heights: { frontLeft: { hubToLipMm: 560 } } },
      { ...structuredClone(first!), id: 'trial', of: 'borrowed', setup: { ...first!.setup!, parts: [] } },
    );
    expect(record([file]).heights.get('ride')![0]).toEqual({ promisedMm: 40, measuredMm: (36 + 35 + 39) / 3 });
  });

  test('hours, tires and comebacks are counted from what was written down', () => {
    const { hours, comebacks, tires, handedOver } = record(demoJobs().map(({ document }) => document));
    expect(hours).toEqual([{ plannedMinutes: 260, spentMinutes: 265, lostMinutes: 50 }]);
    expect([...comebacks]).toEqual([['noise', 1]]);
    expect(handedOver).toBe(1);
    // 265/70R17 by ISO 4000-1: 431.8 + 2 x 186.
    expect(tires).toContainEqual({ size: '265/70R17', nominalMm: expect.closeTo(803.8, 6), measuredMm: 798 });
  });

  test('a diameter that a test fit estimated is not taken for a measured one', () => {
    const file = fitted();
    file.setup!.tire.measuredDiameterMm = 812;
    expect(record([file]).tires.map(({ measuredMm }) => measuredMm)).toContain(812);
    file.testFits![0]!.learned = { frontLeft: '2026-11-19T08:00:00Z' };
    file.corners.frontLeft!.fitted.tire.measuredDiameterMm = 801.3;
    expect(record([file]).tires.map(({ measuredMm }) => measuredMm)).toEqual([798]);
  });

  test('a vehicle counts once, however many jobs or opened files name it', () => {
    const ofOne = (change: (file: LowgapFile) => void = () => undefined): LowgapFile => {
      const file = fitted();
      file.vehicle.vehicleId = 'one truck';
      change(file);
      return file;
    };
    expect(record([ofOne(), ofOne()])).toEqual(record([ofOne()]));
    // Without the name two files are two vehicles.
    expect(record([fitted(), fitted()]).heights.get('ride')).toHaveLength(2);
    // What one of its jobs estimated is not taken for measured in another.
    const learned = ofOne((file) => {
      file.testFits![0]!.learned = { frontLeft: '2026-11-19T08:00:00Z' };
    });
    const copy = ofOne((file) => {
      file.corners.frontLeft!.fitted.tire.measuredDiameterMm = 801.3;
    });
    expect(record([learned, copy]).tires.map(({ measuredMm }) => measuredMm)).not.toContain(801.3);
    // A second comeback is a second one, though the truck is the same.
    const again = ofOne((file) => file.followUp!.comebacks.push({ date: '2026-12-01', cause: 'rub' }));
    expect(record([ofOne(), again]).comebacks.get('rub')).toBe(1);
    // Twice on one day is two; the same file opened again is still those two.
    const twice = ofOne((file) =>
      file.followUp!.comebacks.push({ date: '2026-12-01', cause: 'rub' }, { date: '2026-12-01', cause: 'rub' }),
    );
    expect(record([twice]).comebacks.get('rub')).toBe(2);
    expect(record([again, twice, twice]).comebacks.get('rub')).toBe(2);
  });
});
