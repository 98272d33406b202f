import { describe, expect, test } from '@jest/globals';
import { dice } from '../../1-base/numeric/dice';
import type { CornerDescription } from '../description/corner-description';
import { usualRoom } from '../walk/usual-room';
import { STEERED_WALK, STRAIGHT_WALK } from '../walk/usual-walk';
import { starterReadings, starterWell, type SurveyedWell } from './starter-well';

const LIP = { thing: 'fender-lip', steer: 'straight' } as const;
const WELD = { thing: 'pinch-weld', steer: 'left' } as const;

const read = (thing: string, gapMm: number, steer: 'straight' | 'left' | 'right' = 'straight') =>
  ({
    id: thing,
    mount: 'body',
    material: 'sheetMetal',
    readings: [{ clock: '12:00', across: 'tread', gapMm, steer, travelMm: 0 }],
  }) as const;
const well = (gapMm: number, key: SurveyedWell['key'] = 'frontLeft'): SurveyedWell => ({
  vehicle: 'pickup',
  key,
  corner: { obstacles: [read('fender-lip', gapMm)] } as unknown as CornerDescription,
});

describe('a well nobody measured', () => {
  test('something is usual at every thing of both walks, and at locks no more than straight ahead', () => {
    for (const { id } of [...STEERED_WALK, ...STRAIGHT_WALK]) {
      const [straight, lock] = [usualRoom('wagon', id, false)!, usualRoom('wagon', id, true)!];
      expect(lock.meanMm).toBeLessThanOrEqual(straight.meanMm);
      expect(usualRoom(null, id, false)!.meanSdMm).toBeGreaterThan(straight.meanSdMm);
    }
    expect(usualRoom('pickup', 'a washer bottle', false)).toBeNull();
    expect(starterWell('pickup', 'frontLeft', []).at({ thing: 'a washer bottle', steer: 'straight' })).toBeNull();
    expect(starterWell('pickup', 'frontLeft', []).chanceOf([])).toBeNull();
  });

  test('alone it is as wide as its parts: variances add', () => {
    const usual = usualRoom('pickup', 'fender-lip', false)!;
    const found = starterWell('pickup', 'frontLeft', []).at(LIP)!;
    expect(found.meanMm).toBeCloseTo(usual.meanMm, 2);
    expect(found.sdMm).toBeCloseTo(Math.hypot(usual.sharedSdMm, usual.ownSdMm, usual.meanSdMm), 1);
    expect(found.wells).toBe(0);
  });

  // The mean of a normal with known spread under a normal prior (Gelman et al., Bayesian Data Analysis, 2.5).
  test('moves toward what the shop measured on such vehicles as a normal mean does', () => {
    const usual = usualRoom('pickup', 'fender-lip', false)!;
    const measured = [150, 160, 140, 155];
    const between = Math.hypot(usual.sharedSdMm, usual.ownSdMm, 6) ** 2;
    const prior = usual.meanSdMm ** 2;
    const expected =
      (usual.meanMm / prior + measured.reduce((sum, mm) => sum + mm, 0) / between) /
      (1 / prior + measured.length / between);
    const found = starterWell(
      'pickup',
      'frontLeft',
      [],
      measured.map((mm) => well(mm)),
    ).at(LIP)!;
    expect(found.meanMm).toBeCloseTo(expected, 2);
    expect(found.wells).toBe(4);
    expect(found.sdMm).toBeLessThan(starterWell('pickup', 'frontLeft', []).at(LIP)!.sdMm);
  });

  test('other kinds and the other axle say nothing; the other side says the same', () => {
    const at = (wells: readonly SurveyedWell[]) => starterWell('pickup', 'frontLeft', [], wells).at(LIP)!.wells;
    expect(at([{ ...well(150), vehicle: 'coupe' }])).toBe(0);
    expect(at([well(150, 'rearLeft')])).toBe(0);
    expect(at([well(150, 'frontRight')])).toBe(1);
    const turned: SurveyedWell = {
      vehicle: 'pickup',
      key: 'frontRight',
      corner: { obstacles: [read('pinch-weld', 90, 'right')] } as unknown as CornerDescription,
    };
    expect(starterWell('pickup', 'frontLeft', [], [turned]).at(WELD)!.wells).toBe(1);
  });

  test('one reading tightens its own place much, the others a little, toward the same side', () => {
    const [before, after] = [[], [{ ...WELD, gapMm: 110, sdMm: 3 }]].map((readings) =>
      starterWell('wagon', 'frontLeft', readings),
    );
    expect(Math.abs(after!.at(WELD)!.meanMm - 110)).toBeLessThan(2);
    expect(after!.at(WELD)!.sdMm).toBeLessThan(3.1);
    expect(after!.at(LIP)!.meanMm).toBeGreaterThan(before!.at(LIP)!.meanMm);
    expect(after!.at(LIP)!.sdMm).toBeLessThan(before!.at(LIP)!.sdMm);
  });

  test('its bands hold nine in ten vehicles drawn as it says they are, and its chance is their share (Monte Carlo)', () => {
    const d = dice(5);
    const places = [LIP, WELD].map((place) => ({ ...place, leastMm: 60, mostMm: 60 }));
    const start = starterWell('wagon', 'frontLeft', []);
    const band = start.at(LIP)!;
    let within = 0;
    let clear = 0;
    const draws = 20_000;
    for (let i = 0; i < draws; i++) {
      const roomy = d.normal();
      const gaps = places.map(({ thing, steer }) => {
        const { meanMm, sharedSdMm, ownSdMm, meanSdMm } = usualRoom('wagon', thing, steer !== 'straight')!;
        return meanMm + sharedSdMm * roomy + Math.hypot(ownSdMm, meanSdMm) * d.normal();
      });
      if (gaps[0]! > band.fromMm && gaps[0]! < band.toMm) within++;
      if (gaps.every((mm) => mm >= 60)) clear++;
    }
    expect(within / draws).toBeCloseTo(0.9, 1);
    expect(Math.abs(start.chanceOf(places)! - clear / draws)).toBeLessThan(0.012);
  });

  test('what is read decides: enough at all places is near certain, too little at one next to nothing', () => {
    const places = [LIP, WELD].map((place) => ({ ...place, leastMm: 40, mostMm: 50 }));
    const given = (lip: number, weld: number) =>
      starterWell('wagon', 'frontLeft', [
        { ...LIP, gapMm: lip, sdMm: 3 },
        { ...WELD, gapMm: weld, sdMm: 3 },
      ]).chanceOf(places)!;
    expect(given(80, 80)).toBeGreaterThan(0.99);
    expect(given(80, 20)).toBeLessThan(0.01);
  });

  test('a corner’s readings are its least at ride height by thing and steer', () => {
    const corner = {
      obstacles: [
        {
          ...read('fender-lip', 90),
          readings: [
            ...read('fender-lip', 90).readings,
            ...read('fender-lip', 84).readings,
            { clock: '12:00', across: 'tread', gapMm: 20, steer: 'straight', hubToLipMm: 440 },
            ...read('fender-lip', 77, 'left').readings,
          ],
        },
      ],
    } as unknown as CornerDescription;
    expect(starterReadings(corner).map(({ steer, gapMm }) => [steer, gapMm])).toEqual([
      ['straight', 84],
      ['left', 77],
    ]);
  });
});
