import { describe, expect, test } from '@jest/globals';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { wantedSaid, type WantedLip } from './wanted-height';

const IN = 25.4;
const block = (inches: number): LiftPart => ({
  kind: 'block',
  thicknessMm: inches * IN,
  replacesMm: 0,
  stopBearsOn: 'axle',
  droopSetBy: 'spring',
});
const lip = (axle: WantedLip['axle'], thenMm: number, wantedMm: number | null, ...parts: LiftPart[]): WantedLip => ({
  axle,
  thenMm,
  wantedMm,
  parts,
});

describe('heights as they are wanted, in inches as a shop says them', () => {
  test('half an inch too high on an inch and a quarter of block: three quarters instead', () => {
    expect(wantedSaid(null, lip('rear', 36.5 * IN, 36 * IN, block(1.25)), null)).toEqual([
      {
        is: 'overshoots',
        axle: 'rear',
        byMm: expect.closeTo(0.5 * IN, 9),
        instead: { kind: 'block', fromMm: 1.25 * IN, toMm: expect.closeTo(0.75 * IN, 9) },
      },
    ]);
  });
  test('a spacer on a strut gives more at the wheel than it is thick: that much less is ordered', () => {
    const spacer: LiftPart = { kind: 'springSpacer', thicknessMm: 1 * IN, motionRatio: 0.5 };
    const [said] = wantedSaid(lip('front', 35 * IN, 36 * IN, spacer), null, null);
    // An inch at the wheel is half an inch of spacer at a ratio of 0.5.
    expect(said).toMatchObject({ is: 'fallsShort', instead: { toMm: expect.closeTo(1.5 * IN, 9) } });
  });
  test('no part with a thickness, or none that would do: only by how much', () => {
    const [said] = wantedSaid(lip('front', 37 * IN, 36 * IN, { kind: 'ride', liftMm: 40 }), null, null);
    expect(said).toMatchObject({ is: 'overshoots', instead: null });
    expect(wantedSaid(lip('front', 38 * IN, 36 * IN, block(1)), null, null)).toMatchObject([{ instead: null }]);
    const starting: LiftPart = { ...block(1), starting: ['thicknessMm'] };
    expect(wantedSaid(lip('front', 35 * IN, 36 * IN, starting), null, null)).toMatchObject([{ instead: null }]);
  });
  test('within what a tape tells it is as wanted; what nobody wants is not said', () => {
    expect(wantedSaid(lip('front', 900, 898), lip('rear', 940, null), null)).toEqual([
      { is: 'asWanted', axle: 'front' },
    ]);
  });
  test('nose-high and tail-high are against the rake wanted', () => {
    const at = (rear: number) => wantedSaid(lip('front', 900, null), lip('rear', rear, null), 25);
    expect(at(925)).toEqual([]);
    expect(at(925 - IN / 4)).toEqual([{ is: 'noseHigh', byMm: expect.closeTo(IN / 4, 9) }]);
    expect(at(935)).toEqual([{ is: 'tailHigh', byMm: expect.closeTo(10, 9) }]);
  });
});
