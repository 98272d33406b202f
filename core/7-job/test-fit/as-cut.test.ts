import { describe, expect, test } from '@jest/globals';
import { FITTED, LEANING_AXIS, madeCase, madeCorner } from '../../fixtures/made-corner';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { attempt, type Result } from '../../1-base/problem';
import { countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import { tireSection } from '../../2-vehicle/tire/section';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { asCut, type AsCut, type CutMeasured } from './as-cut';
import type { FittedCorner } from './fit-observations';

/** A larger tire on the same wheels, 40 mm higher: what stands on the vehicle while it is cut. */
const ON = { ...fittedAsSetup(FITTED), tire: { size: '285/70R17' }, suspensionLiftMm: 40 };
const RADIUS_MM = tireSection(ON.tire, ON.wheel.widthIn).diameterMm / 2;
/** How the wheel stands under the body: 40 mm lower than at the survey. */
const HUB_Z = -40;

/** Round the hub as it stands now, `gapMm` off the tread, at a clock position in degrees. */
const roundTire = (gapMm: number, deg: number, y = 60): Vec3 => [
  (RADIUS_MM + gapMm) * Math.sin((deg * Math.PI) / 180),
  y,
  HUB_Z + (RADIUS_MM + gapMm) * Math.cos((deg * Math.PI) / 180),
];
const DEGREES = Array.from({ length: 61 }, (_, i) => -60 + 2 * i);
/** An arch 20 mm off the tread all round, from 10:00 to 2:00. */
const ARCH: ObstacleDescription = {
  id: 'lip',
  label: 'Fender lip',
  mount: 'body',
  material: 'sheetMetal',
  shape: { type: 'polyline', points: DEGREES.map((deg) => roundTire(20, deg)) },
};
const corner = (obstacle: ObstacleDescription): CornerDescription =>
  madeCorner({ fitted: FITTED, travel: { bumpMm: 90, droopMm: 100 }, hubToLipMm: 520, obstacles: [obstacle] });
const standing = (obstacle: ObstacleDescription, more: Partial<CornerDescription> = {}): FittedCorner => ({
  key: 'frontLeft',
  corner: { ...corner(obstacle), ...more },
  setup: countParts(ON),
  postures: [],
  trimmedMm: new Map(),
});
/** Cut to 50 mm off the tread from 11:00 to 1:00. */
const CUT: CutMeasured = {
  fromClock: '11:00',
  toClock: '1:00',
  readings: ['11:10', '12:00', '12:50'].map((clock) => ({ clock, gapMm: 50, steer: 'straight' })),
};
const clockOf = ([x, , z]: Vec3): number => (Math.atan2(x, z - HUB_Z) * 180) / Math.PI;
const gapOf = ([x, , z]: Vec3): number => Math.hypot(x, z - HUB_Z) - RADIUS_MM;
const placesOf = ({ shape }: AsCut): readonly Vec3[] => shape.points;

describe('an edge that was cut and measured', () => {
  test('stands where it was measured, and where it was outside of the cut', () => {
    const left = asCut(standing(ARCH), 'lip', CUT);
    expect(left.shape.type).toBe('polyline');
    expect(left.gainedMm).toEqual([30, 30, 30].map((mm) => expect.closeTo(mm, 0)));
    const places = placesOf(left);
    for (const place of places) {
      const isCut = Math.abs(clockOf(place)) < 30;
      expect(gapOf(place)).toBeCloseTo(isCut ? 50 : 20, 0);
      expect(place[1]).toBeCloseTo(60, 0);
    }
    expect(places.filter((place) => Math.abs(clockOf(place)) < 30)).toHaveLength(3);
    // In the order of the edge, none passed twice.
    const clocks = places.map(clockOf);
    expect(clocks).toEqual([...clocks].sort((a, b) => a - b));
  });

  test('the verdict is the measured one: the same gap to the same tire standing so', () => {
    const at = standing(ARCH);
    const low = (obstacle: ObstacleDescription): number =>
      evaluateCase(
        madeCase({
          corners: { frontLeft: { ...at.corner, travel: { bumpMm: 0, droopMm: 0 }, obstacles: [obstacle] } },
          setup: { ...ON, bumpLimitShiftMm: -40, droopLimitShiftMm: -40.01 },
        }),
      ).obstacles[0]!.gapMm;
    // All round: what is left is no nearer than the ends of the cut.
    const all: CutMeasured = {
      fromClock: '9:30',
      toClock: '2:30',
      readings: Array.from({ length: 13 }, (_, i) => -60 + 10 * i).map((deg) => ({
        clock: clockText(deg),
        gapMm: 50,
        steer: 'straight',
      })),
    };
    expect(low(ARCH)).toBeCloseTo(20, 0);
    const left = asCut(at, 'lip', all);
    const chordMm = (RADIUS_MM + 50) * (1 - Math.cos((5 * Math.PI) / 180));
    const gap = low({ ...ARCH, shape: left.shape });
    expect(gap).toBeLessThan(50.5);
    expect(gap).toBeGreaterThan(50 - chordMm - 0.5);
  });

  test('between what was measured it is taken straight: never further from the tire than an arch is', () => {
    const left = asCut(standing(ARCH), 'lip', { ...CUT, readings: [CUT.readings[1]!] });
    const places = placesOf(left);
    for (let i = 1; i < places.length; i++) {
      const middle = places[i]!.map((v, k) => (v + places[i - 1]![k]!) / 2) as unknown as Vec3;
      const isCut = Math.abs(clockOf(middle)) < 30;
      expect(gapOf(middle)).toBeLessThan(isCut ? 50.2 : 20.5);
    }
  });

  test('of what is no line only what stood over the tread, nearer than was measured, is gone', () => {
    const over = ARCH.shape!.points;
    // Behind the edge, and beside the sidewall where no gap straight out from the tread reaches.
    const behind = DEGREES.map((deg) => roundTire(70, deg));
    const beside = DEGREES.map((deg) => roundTire(-60, deg, 170));
    const points: ObstacleDescription = { ...ARCH, shape: { type: 'points', points: [...over, ...behind, ...beside] } };
    const { shape } = asCut(standing(points), 'lip', CUT);
    expect(shape.type).toBe('points');
    const near = (place: Vec3, of: readonly Vec3[]) =>
      of.some((one) => Math.hypot(...one.map((v, k) => v - place[k]!)) < 0.2);
    // Between the outermost readings, 25 degrees either way.
    for (const [i, deg] of DEGREES.entries()) {
      const isGone = Math.abs(deg) < 24.5;
      expect({ deg, stays: near(over[i]!, shape.points) }).toEqual({ deg, stays: !isGone });
      expect(near(behind[i]!, shape.points)).toBe(true);
      expect(near(beside[i]!, shape.points)).toBe(true);
    }
    const fresh = shape.points.filter((place) => !near(place, [...over, ...behind, ...beside]));
    for (const place of fresh)
      expect(gapOf(place)).toBeGreaterThan(50 - (RADIUS_MM + 50) * (1 - Math.cos((13 * Math.PI) / 180)));
    expect(fresh.length).toBeGreaterThan(50);
  });

  test('one gap alone says nothing of how far a sheet is gone; a sheet of more places than a file takes is refused', () => {
    const points: ObstacleDescription = { ...ARCH, shape: { type: 'points', points: ARCH.shape!.points } };
    const one = attempt(() => asCut(standing(points), 'lip', { ...CUT, readings: [CUT.readings[1]!] }));
    expect(one).toMatchObject({ ok: false, problems: [{ path: 'cut.readings', found: 'one' }] });
    const wide: ObstacleDescription = {
      ...ARCH,
      shape: {
        type: 'panel',
        points: [roundTire(20, -40, -500), roundTire(20, 40, -500), roundTire(20, 0, 900)],
        triangles: [[0, 1, 2]],
      },
    };
    const many = attempt(() => asCut(standing(wide), 'lip', CUT));
    expect(many).toMatchObject({ ok: false, problems: [{ code: 'tooLarge' }] });
  });

  test('taken at full lock it lands where the same edge is seen straight', () => {
    const steered = standing(ARCH, { steering: LEANING_AXIS });
    const straight = asCut(steered, 'lip', { ...CUT, readings: [{ clock: '12:00', gapMm: 50, steer: 'straight' }] });
    const left = asCut(steered, 'lip', {
      ...CUT,
      readings: [{ clock: '12:00', gapMm: 50, steer: 'left', outboardMm: 0 }],
    });
    const top = (one: AsCut): Vec3 =>
      placesOf(one).reduce((best, place) => (Math.abs(clockOf(place)) < Math.abs(clockOf(best)) ? place : best));
    // Steered about a leaning axis the crown moves by some centimetres, not more.
    expect(Math.abs(top(left)[2] - top(straight)[2])).toBeLessThan(30);
    expect(top(left)).not.toEqual(top(straight));
  });
});

describe('what cannot be is refused, with its place', () => {
  const refused = (cut: Partial<CutMeasured>, obstacle = ARCH, id = 'lip'): Result<AsCut> =>
    attempt(() => asCut(standing(obstacle), id, { ...CUT, ...cut }));
  test.each([
    ['no reading', { readings: [] }, 'cut.readings'],
    [
      'a reading outside the cut',
      { readings: [{ clock: '3:00', gapMm: 50, steer: 'straight' }] },
      'cut.readings[0].clock',
    ],
    ['nearer than before', { readings: [{ clock: '12:00', gapMm: 5, steer: 'straight' }] }, 'cut.readings[0].gapMm'],
    ['a clock nobody can read', { fromClock: 'noon' }, 'cut.fromClock'],
    ['a cut of no length', { toClock: '11:00' }, 'cut.toClock'],
    ['where the thing is not', { fromClock: '4:00', toClock: '6:30' }, 'cut.fromClock'],
  ] as const)('%s', (_, cut, path) => {
    expect(refused(cut)).toMatchObject({ ok: false, problems: [{ path }] });
  });
  test('a thing nobody surveyed, and one that is no edge', () => {
    expect(refused({}, ARCH, 'hose')).toMatchObject({ ok: false, problems: [{ path: 'cut.obstacle' }] });
    const rod: ObstacleDescription = { ...ARCH, shape: { type: 'capsule', points: ARCH.shape!.points, radiusMm: 12 } };
    expect(refused({}, rod)).toMatchObject({ ok: false, problems: [{ path: 'cut.obstacle' }] });
  });
});

function clockText(deg: number): string {
  const minutes = Math.round(((deg + 360) % 360) * 2);
  return `${Math.floor(minutes / 60) || 12}:${String(minutes % 60).padStart(2, '0')}`;
}
