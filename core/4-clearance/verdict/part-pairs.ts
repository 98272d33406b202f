import { stretchGap } from '../../1-base/geometry/piece-distance';
import { place } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import { vertexOf } from '../../3-survey/shape/shape';
import { ProblemError } from '../../1-base/problem';
import { REFINEMENT_STEP_MM } from '../../1-base/tolerances';
import { toDegrees } from '../../1-base/units/angle';
import type { CornerDescription, PairDescription } from '../../3-survey/description/corner-description';
import { postureOf } from '../oracle/plain-sweep';
import type { PreparedCorner } from '../case/prepared-corner';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';

/** Least gap between two parts over the envelope, and where. Lengths mm, angles degrees, corner frame. */
export interface PairGap {
  readonly a: string;
  readonly b: string;
  readonly gapMm: number;
  readonly requiredMm: number;
  readonly marginMm: number;
  readonly travelMm: number;
  readonly steerDeg: number;
  readonly crossMm: number;
  readonly atA: Vec3;
  readonly atB: Vec3;
}

/** Pairs of a corner of which neither part was taken off or has no place yet. */
export function pairsInPlace(
  { pairs = [] }: Pick<CornerDescription, 'pairs'>,
  { unknown }: Pick<PreparedCorner, 'unknown'>,
  removed: readonly string[] = [],
): readonly PairDescription[] {
  const gone = new Set([...removed, ...unknown.map(({ id }) => id)]);
  return pairs.filter(({ a, b }) => !gone.has(a) && !gone.has(b));
}

/** mm by which two parts may miss what they want from each other and still have it: what the search for their gap leaves open. */
const LEFT_OPEN_MM = 0.05;

/** Whether two parts come nearer each other than they may. */
export const isTooNear = ({ marginMm }: Pick<PairGap, 'marginMm'>): boolean => marginMm < -LEFT_OPEN_MM;

const GRID = 13;

type PairPosture = readonly [travel: number, steer: number, other: number];

/**
 * Least gaps of listed pairs: rods, springs and brackets are points and straight stretches with a thickness. A grid of
 * postures, then a compass search from the least of it. @throws ProblemError for unknown ids, one mount, or panels.
 */
export function partPairGaps(corner: PreparedCorner, pairs: readonly PairDescription[]): PairGap[] {
  return pairs.map((pair, i) => {
    const path = `corners.${corner.key}.pairs[${i}]`;
    const a = partOf(corner, pair.a, `${path}.a`);
    const b = partOf(corner, pair.b, `${path}.b`);
    if (a.mount === b.mount) {
      throw new ProblemError({
        code: 'contradiction',
        path: `${path}.b`,
        expected: 'parts that move with different things',
        found: `both on the ${a.mount}`,
      });
    }
    return leastPairGap(corner, a, b, pair.requiredMm);
  });
}

function partOf(corner: PreparedCorner, id: string, path: string): PreparedObstacle {
  const found = corner.obstacles.find((o) => o.id === id);
  if (!found) {
    throw new ProblemError({ code: 'notFound', path, expected: 'the id of a measured obstacle', found: `"${id}"` });
  }
  if (found.pieces.corners.includes(3)) {
    throw new ProblemError({ code: 'wrongType', path, expected: 'points, a polyline or a capsule', found: 'a panel' });
  }
  return found;
}

function leastPairGap(corner: PreparedCorner, a: PreparedObstacle, b: PreparedObstacle, requiredMm: number): PairGap {
  const { lowest, highest } = corner.envelope.limits;
  const measure = (there: PairPosture) => {
    const posture = postureOf(corner, [...there, 0, 0]);
    return { ...gapInPosture(corner, a, b, posture), posture, there };
  };
  const share = (i: number): number => (2 * i) / (GRID - 1) - 1;
  const level = (share(0) + share(GRID - 1)) / 2;
  let best = measure([lowest, 0, level]);
  for (let i = 0; i < GRID; i++) {
    for (let j = 0; j < GRID; j++) {
      for (let k = 0; k < (corner.motion.crossArticulates ? GRID : 1); k++) {
        const travel = lowest + ((highest - lowest) * i) / (GRID - 1);
        const next = measure([travel, share(j), corner.motion.crossArticulates ? share(k) : level]);
        if (next.gap < best.gap) best = next;
      }
    }
  }
  const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
  let steps = [(highest - lowest) / (GRID - 1), 1 / (GRID - 1), 1 / (GRID - 1)];
  for (let size = (highest - lowest) / (GRID - 1); size > REFINEMENT_STEP_MM;) {
    const [t, u, v] = best.there;
    const tries = steps.flatMap((step, axis) =>
      [-step, step].map((d): PairPosture => {
        const [x, y, z] = [t, u, v].map((value, k) => (k === axis ? value + d : value)) as [number, number, number];
        return [clamp(x, lowest, highest), clamp(y, -1, 1), clamp(z, -1, 1)];
      }),
    );
    const next = tries.map(measure).reduce((least, one) => (one.gap < least.gap ? one : least));
    if (next.gap < best.gap - 1e-9) {
      best = next;
    } else {
      steps = steps.map((step) => step / 2);
      size /= 2;
    }
  }
  const gapMm = best.gap;
  const { travel, steer, cross = 0 } = best.posture;
  return {
    a: a.id,
    b: b.id,
    gapMm,
    requiredMm,
    marginMm: gapMm - requiredMm,
    travelMm: travel,
    steerDeg: toDegrees(steer),
    crossMm: cross,
    atA: best.onA,
    atB: best.onB,
  };
}

function gapInPosture(
  corner: PreparedCorner,
  a: PreparedObstacle,
  b: PreparedObstacle,
  posture: Posture,
): { gap: number; onA: Vec3; onB: Vec3 } {
  const first = stretchesOf(corner, a, posture);
  const second = stretchesOf(corner, b, posture);
  let [gap, onA, onB] = [Infinity, first[0]?.[0] as Vec3, second[0]?.[0] as Vec3];
  for (const [a0, a1] of first) {
    for (const [b0, b1] of second) {
      const found = stretchGap(a0, a1, b0, b1);
      if (found.distance < gap) [gap, onA, onB] = [found.distance, found.onFirst, found.onSecond];
    }
  }
  return { gap: gap - a.radiusMm - b.radiusMm, onA, onB };
}

function stretchesOf(corner: PreparedCorner, part: PreparedObstacle, posture: Posture): [Vec3, Vec3][] {
  const mount = corner.motion.mountPose(part.mount, posture);
  return Array.from(part.pieces.corners, (n, i) => [
    place(mount, vertexOf(part.pieces, i, 0)),
    place(mount, vertexOf(part.pieces, i, n - 1)),
  ]);
}
