import { Matrix, solve } from 'ml-matrix';
import type { CornerDescription } from '../description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../description/obstacle-description';
import { readingScene, surveyScene, type SurveyScene } from '../landing/survey-scene';
import { solidDistance } from '../../2-vehicle/setup/rotor';
import { compose, inverse, place, type Pose } from '../../1-base/geometry/pose';
import { add, type Vec3 } from '../../1-base/geometry/vec3';
import type { ReadingDescription } from '../reading/reading';
import { makePieces, shapePieces, vertexOf, cornersOf } from '../shape/shape';
import { joinPath } from '../../1-base/problem';

/** Check readings of a borrowed obstacle, each taken where the gap is least. */
export interface BorrowedCheck {
  readonly obstacle: ObstacleDescription;
  readonly checks: readonly ReadingDescription[];
}

export interface WellCheck {
  /** `more`: too few readings to say. `shift`: it agrees once all of it is moved by `shiftMm`. */
  readonly verdict: 'more' | 'accept' | 'shift' | 'reject';
  /** Readings still wanted before anything is said. */
  readonly wanted: number;
  /** By reading: what was read less what the borrowed well foretells, mm. */
  readonly offMm: readonly { readonly id: string; readonly mm: number }[];
  /** Likeliest shift of the whole well, corner frame, mm. */
  readonly shiftMm: Vec3;
  /** Root mean square left after it, mm. */
  readonly leftMm: number;
}

/** Working values of this project, no published source. */
const RULES = {
  readings: 3,
  obstacles: 2,
  /** mm a well may be off in the root mean square, and at any one reading. */
  rmsMm: 5,
  worstMm: 10,
  /** mm beyond which it is another vehicle rather than another ride height or a bent bracket. */
  mostShiftMm: 30,
  /** mm, standard deviations: of a check reading, and of a whole well's shift beforehand. */
  readingSigmaMm: 2.5,
  shiftSigmaMm: 12,
} as const;

const STEP_MM = 0.05;

/**
 * Whether a borrowed well is this vehicle's: a few gaps, read where they are least, against what it foretells; the likeliest
 * common shift by least squares with a prior on it.
 * @throws ProblemError for a reading that cannot be.
 */
export function checkWell(key: CornerKey, corner: CornerDescription, borrowed: readonly BorrowedCheck[]): WellCheck {
  const survey = surveyScene(key, corner);
  const rows = borrowed.flatMap(({ obstacle, checks }) =>
    checks.map((check, i) => ({
      id: obstacle.id,
      ...foretold(obstacle, check, survey, `${obstacle.id}.checks[${i}]`),
    })),
  );
  const offMm = rows.map(({ id, off }) => ({ id, mm: off }));
  const places = new Set(rows.map(({ id }) => id)).size;
  const wanted = Math.max(RULES.readings - rows.length, RULES.obstacles - places, 0);
  const shiftMm = likeliestShift(rows);
  const left = rows.map(
    ({ off, slope }) => off - slope[0] * shiftMm[0] - slope[1] * shiftMm[1] - slope[2] * shiftMm[2],
  );
  const agrees = (values: readonly number[]): boolean =>
    rms(values) <= RULES.rmsMm && values.every((v) => Math.abs(v) <= RULES.worstMm);
  const verdict =
    wanted > 0
      ? 'more'
      : agrees(rows.map(({ off }) => off))
        ? 'accept'
        : agrees(left) && Math.hypot(...shiftMm) <= RULES.mostShiftMm
          ? 'shift'
          : 'reject';
  return { verdict, wanted, offMm, shiftMm, leftMm: rms(left) };
}

const rms = (values: readonly number[]): number =>
  values.length === 0 ? 0 : Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);

interface Row {
  readonly off: number;
  /** How much the gap grows per mm by which the well is shifted along each axis. */
  readonly slope: Vec3;
}

function foretold(obstacle: ObstacleDescription, check: ReadingDescription, survey: SurveyScene, path: string): Row {
  const { scene, mountPose } = readingScene(check, obstacle.mount, survey, path);
  const toWheel = compose(inverse(scene.wheelPose), mountPose);
  const gapAt = (shift: Vec3): number => leastGap(obstacle, toWheel, survey, shift, path);
  const here = gapAt([0, 0, 0]);
  const slope = [0, 1, 2].map((axis) => {
    const shift = [0, 0, 0].map((_, k) => (k === axis ? STEP_MM : 0)) as unknown as Vec3;
    return (gapAt(shift) - here) / STEP_MM;
  }) as unknown as Vec3;
  return { off: check.gapMm - here, slope };
}

/** mm between places looked at along a piece. */
const ALONG_MM = 4;

function leastGap(
  obstacle: ObstacleDescription,
  toWheel: Pose,
  { rotor }: SurveyScene,
  shift: Vec3,
  path: string,
): number {
  const { pieces, radiusMm } = shapePieces(obstacle.shape!, joinPath(path, 'shape'));
  const set = makePieces(pieces);
  let least = Infinity;
  for (let i = 0; i < set.corners.length; i++) {
    const corners = Array.from({ length: cornersOf(set, i) }, (_, j) => vertexOf(set, i, j));
    for (const point of placesOn(corners)) {
      const [x, a, z] = place(toWheel, add(point, shift));
      const gap = solidDistance(rotor.filled, a - rotor.centrePlaneMm, Math.hypot(x, z)) - radiusMm;
      if (gap < least) least = gap;
    }
  }
  return least;
}

function placesOn(corners: readonly Vec3[]): Vec3[] {
  const [a, b = a, c = b] = corners as [Vec3, Vec3?, Vec3?];
  if (corners.length === 1) return [a];
  const size = Math.max(...[b, c].map((p) => Math.hypot(p[0] - a[0], p[1] - a[1], p[2] - a[2])));
  const count = Math.min(40, Math.max(1, Math.ceil(size / ALONG_MM)));
  const found: Vec3[] = [];
  for (let i = 0; i <= count; i++) {
    for (let j = 0; j <= (corners.length === 3 ? count - i : 0); j++) {
      const [s, t] = [i / count, j / count];
      found.push([0, 1, 2].map((k) => a[k]! + s * (b[k]! - a[k]!) + t * (c[k]! - a[k]!)) as unknown as Vec3);
    }
  }
  return found;
}

function likeliestShift(rows: readonly Row[]): Vec3 {
  const weight = RULES.readingSigmaMm ** -2;
  const normal = Matrix.eye(3, 3).mul(RULES.shiftSigmaMm ** -2);
  const right = Matrix.zeros(3, 1);
  for (const { off, slope } of rows) {
    for (let j = 0; j < 3; j++) {
      right.set(j, 0, right.get(j, 0) + weight * slope[j]! * off);
      for (let k = 0; k < 3; k++) normal.set(j, k, normal.get(j, k) + weight * slope[j]! * slope[k]!);
    }
  }
  const shift = solve(normal, right);
  return [shift.get(0, 0), shift.get(1, 0), shift.get(2, 0)];
}
