/**
 * A made-up surveyed corner for benchmarks: 40 obstacles of 20 places each around the wheel, pushed out until their
 * least gap to the fitted tire lies between touch and 80 mm, as obstacles in a real well do.
 */
import { ClearSection } from '@/core/4-clearance/search/clear-section';
import { type SetupDescription, fittedSetup, fittedAsSetup } from '@/core/2-vehicle/setup/setup';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { ObstacleDescription } from '@/core/3-survey/description/obstacle-description';
import { prepareCorner } from '@/core/4-clearance/case/prepared-corner';
import { MOTIONS as SCATTERED } from '@/core/fixtures/scattered-corner';
import type { Vec3 } from '@/core/1-base/geometry/vec3';
import type { MotionDescription } from '@/core/2-vehicle/motion/motion-description';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';

export const MOTIONS = {
  swingArm: { type: 'swingArm', frontView: { y: -1200, z: -40 }, sideView: { x: -1900, z: 60 } },
  doubleWishbone: SCATTERED['doubleWishbone']!,
  beamAxle: SCATTERED['beamAxle']!,
} satisfies Record<string, MotionDescription>;

export type MotionName = keyof typeof MOTIONS;

export const FITTED = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 },
  spacerMm: 0,
} as const;

const PLACES = 20;

export function cornerWith(name: MotionName, obstacles: readonly ObstacleDescription[]): CornerDescription {
  return {
    motion: MOTIONS[name],
    steering: {
      inclinationDeg: 12,
      casterDeg: 3,
      kingpinOffsetMm: 95,
      casterTrailMm: 0,
      lockLeftDeg: 35,
      lockRightDeg: 31,
    },
    staticCamberDeg: -0.3,
    staticToeDeg: 0.1,
    travel: { bumpMm: 90, droopMm: 100 },
    fitted: FITTED,
    obstacles,
  };
}

/** Twenty places along a gently bent line near the wheel. */
function strip(random: () => number): Vec3[] {
  const between = (a: number, b: number): number => a + (b - a) * random();
  const angle = between(-2.1, 2.1);
  const radius = between(520, 640);
  const start = [radius * Math.sin(angle), between(-300, 240), radius * Math.cos(angle)] as const;
  const way = [between(-1, 1), between(-1, 1), between(-1, 1)] as const;
  const step = 12 / Math.hypot(...way);
  return Array.from({ length: PLACES }, (_, k): Vec3 => [
    start[0] + way[0] * step * k + between(-2, 2),
    start[1] + way[1] * step * k + between(-2, 2),
    start[2] + way[2] * step * k + between(-2, 2),
  ]);
}

export function surveyedCorner(name: MotionName, count = 40, seed = 4): CornerDescription {
  const random = seededRandom(seed);
  const obstacles: ObstacleDescription[] = [];
  for (let i = 0; obstacles.length < count; i++) {
    let points = strip(random);
    const target = 80 * random();
    const describe = (): ObstacleDescription => ({
      id: `obstacle-${obstacles.length}`,
      mount: i % 5 === 0 ? 'body' : 'frame',
      material: 'sheetMetal',
      shape: { type: i % 2 ? 'polyline' : 'points', points },
    });
    // Pushed along the way from tire to obstacle until the least gap is about the one wanted.
    for (let round = 0; round < 40; round++) {
      const corner = prepareCorner('frontLeft', cornerWith(name, [describe()]), fittedSetup(FITTED), 'trail');
      const [least] = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
      const short = target - least!.gapMm;
      if (Math.abs(short) < 3) {
        obstacles.push(describe());
        break;
      }
      const [x, , z] = least!.at;
      const sideways = Math.abs(least!.section.a) > 110 && least!.section.r < 380;
      const push: Vec3 = sideways
        ? [0, Math.sign(least!.section.a) * short, 0]
        : [(x / Math.hypot(x, z)) * short, 0, (z / Math.hypot(x, z)) * short];
      points = points.map((p): Vec3 => [p[0] + 0.8 * push[0], p[1] + 0.8 * push[1], p[2] + 0.8 * push[2]]);
    }
  }
  return cornerWith(name, obstacles);
}

export const CANDIDATES: readonly Partial<SetupDescription>[] = [
  { tire: { size: '285/70R17' }, wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 10 } },
  { tire: { size: '275/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 25 } },
  { tire: { size: '255/75R17' }, wheel: { diameterIn: 17, widthIn: 7.5, offsetMm: 35 }, spacerMm: 6 },
  { tire: { size: '33x10.50R17LT' }, wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 18 } },
];

export const setupWith = (change: Partial<SetupDescription>): SetupDescription => ({
  ...fittedAsSetup(FITTED),
  ...change,
});
