import { describe, expect, test } from '@jest/globals';
import { signedDistance } from '../../1-base/geometry/outline';
import { attempt } from '../../1-base/problem';
import { allowancesOf } from './allowance';
import { CHAIN_CLASSES, CHAIN_ROOM, chainClassOf } from './chain-room';
import type { TireDescription } from './dimensions';
import { tireSection } from './section';
import { SHOULDERS } from './tire-kind';
import { shoulderReachMm, tireOf, USUAL_UNDER_PRINT_MM } from './tire-shape';

const SIZE = '35x12.50R17LT';
const on = (said: Partial<TireDescription> = {}) => tireSection({ size: SIZE, ...said }, 10);

/** How far a section reaches at 45 degrees, by walking out along that line from well inside: no formula of the shape is used. */
function reachByWalking(said: Partial<TireDescription>): number {
  const { outline, diameterMm } = on(said);
  let furthest = -Infinity;
  for (let a = 0; a <= 200; a += 0.25) {
    // Down from above the crown to the first place inside.
    for (let r = diameterMm / 2 + 5; r > diameterMm / 2 - 60; r -= 0.25) {
      if (signedDistance(outline, a, r) > 0) continue;
      furthest = Math.max(furthest, (a + r) / Math.SQRT2);
      break;
    }
  }
  return furthest;
}

describe('tread and shoulder', () => {
  // Common practice, no source: tread of a 35x12.50 about 259 mm with a shoulder of 10 for mud, 200 to 230 with 25 and more for the highway.
  test('a mud tire and a highway tire start from what such tires measure', () => {
    expect(on({ kind: 'mud' }).treadWidthMm).toBeCloseTo(259, 0);
    expect(on({ kind: 'mud' }).shoulderRadiusMm).toBeCloseTo(10, 0);
    expect(on({ kind: 'highway' }).treadWidthMm).toBeLessThan(231);
    expect(on({ kind: 'highway' }).treadWidthMm).toBeGreaterThan(200);
    expect(on({ kind: 'highway' }).shoulderRadiusMm).toBeGreaterThan(24.9);
    expect(on({ kind: 'allTerrain' })).toMatchObject({ treadWidthMm: on().treadWidthMm });
  });

  test('mud reaches 9 mm further over the shoulder than the usual, the highway 7 mm less', () => {
    const usual = reachByWalking({});
    expect(Math.abs(reachByWalking({ kind: 'mud' }) - usual - 9)).toBeLessThan(1);
    expect(Math.abs(reachByWalking({ kind: 'highway' }) - usual + 7)).toBeLessThan(1);
    expect(shoulderReachMm(on({ kind: 'mud' })) - shoulderReachMm(on())).toBeCloseTo(
      reachByWalking({ kind: 'mud' }) - usual,
      0,
    );
  });

  test('the squarer the picture the further out, and what was measured goes before picture and kind', () => {
    const reach = SHOULDERS.map((shoulder) => shoulderReachMm(on({ shoulder })));
    expect([...reach].sort((a, b) => a - b)).toEqual(reach);
    expect(on({ kind: 'mud', shoulder: 'round', shoulderRadiusMm: 18, treadWidthMm: 240 })).toMatchObject({
      shoulderRadiusMm: 18,
      treadWidthMm: 240,
    });
  });

  test.each([
    ['a tread wider than the tire', { treadWidthMm: 330 }, 'treadWidthMm'],
    ['a tread that leaves no shoulder', { treadWidthMm: 90 }, 'treadWidthMm'],
    ['a shoulder like a ball', { shoulderRadiusMm: 90 }, 'shoulderRadiusMm'],
  ])('%s is refused where it was entered', (_what, said, path) => {
    expect(attempt(() => tireSection({ size: SIZE, ...said }, 10, 'setup.tire'))).toMatchObject({
      problems: [{ code: 'outOfRange', path: `setup.tire.${path}` }],
    });
  });
});

test('lugs stand out on both sides of the section, a rim protector beyond the flange', () => {
  const plain = on();
  expect(on({ lugsMm: 7 }).widthMm - plain.widthMm).toBeCloseTo(14, 9);
  expect(on({ rimProtectorMm: 6 }).flangeMm - plain.flangeMm).toBeCloseTo(6, 9);
});

test('a flotation tire measures 0.2 to 0.5 in under its print, where that is taken; a measured one as it measures', () => {
  // Common practice, no source.
  expect(USUAL_UNDER_PRINT_MM).toBeGreaterThan(0.2 * 25.4);
  expect(USUAL_UNDER_PRINT_MM).toBeLessThan(0.5 * 25.4);
  expect(on({ underPrintMm: 9 }).diameterMm).toBeCloseTo(35 * 25.4 - 9, 9);
  expect(on({ underPrintMm: 9, measuredDiameterMm: 878 }).diameterMm).toBe(878);
  expect(on().diameterMm).toBeCloseTo(35 * 25.4, 9);
  // A metric size prints no diameter to fall short of.
  expect(tireSection({ size: '265/70R17', underPrintMm: 9 }, 8).diameterMm).toBeCloseTo(17 * 25.4 + 2 * 186, 9);
});

test('of a catalogue’s line the tire alone is taken, with nothing unsaid', () => {
  const line = {
    size: SIZE,
    label: 'Sled lane',
    priceMinor: 21_000,
    kind: 'mud',
    lugsMm: 4,
    shoulder: undefined,
  } as const;
  expect(tireOf(line)).toEqual({ size: SIZE, kind: 'mud', lugsMm: 4 });
});

test('a tire’s own making goes before what is allowed for any; one that says nothing leaves it', () => {
  const common = { growthMm: 4, chain: { treadMm: 37, sidewallMm: 15 } };
  expect(allowancesOf({ growthMm: 2, radiusToleranceMm: 3 }, common)).toEqual({
    ...common,
    growthMm: 2,
    radiusToleranceMm: 3,
  });
  expect(allowancesOf({}, common)).toBe(common);
  expect(allowancesOf({}, undefined)).toBeUndefined();
});

test('room for a chain by class: SAE J1232, values from memory, in inches', () => {
  expect(CHAIN_ROOM.classS.treadMm / 25.4).toBeCloseTo(1.46, 1);
  expect(CHAIN_ROOM.classS.sidewallMm / 25.4).toBeCloseTo(0.59, 1);
  expect(CHAIN_ROOM.classU.treadMm / 25.4).toBeCloseTo(1.97, 1);
  expect(CHAIN_ROOM.classU.sidewallMm / 25.4).toBeCloseTo(0.91, 1);
  expect(CHAIN_ROOM.classW.treadMm / 25.4).toBeCloseTo(2.5, 1);
  expect(CHAIN_ROOM.classW.sidewallMm / 25.4).toBeCloseTo(1.5, 1);
  for (const one of CHAIN_CLASSES) expect(chainClassOf({ ...CHAIN_ROOM[one] })).toBe(one);
  expect(chainClassOf({ treadMm: 20, sidewallMm: 9 })).toBeNull();
  expect(chainClassOf(undefined)).toBeNull();
});
