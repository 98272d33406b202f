import { nearestPlace, signedDistance } from '../geometry/outline';
import { place, unplace, type Pose } from '../geometry/pose';
import { distance, interpolate, type Vec3 } from '../geometry/vec3';
import type { Posture } from '../motion/corner-motion';
import type { Across } from '../tire/section';
import { CANDIDATE_BAND_MM, EDGE_SAMPLE_MM, REFINEMENT_STEP_MM, SAME_GAP_MM } from '../tolerances';
import { steerAt } from './envelope';
import type { ObstacleStrand, PreparedCorner, PreparedObstacle } from './prepare';

/** The least gap of one obstacle over the envelope, and where it is met. */
export interface LeastGap {
  /** mm, + clear, - depth of overlap with the filled section. */
  readonly gapMm: number;
  readonly posture: Posture;
  /** The obstacle's place, corner frame, in that posture. */
  readonly at: Vec3;
  readonly across: Across;
  /** Nearest place on the section: mm outboard of the tire's centre plane, and radius. */
  readonly section: { readonly a: number; readonly r: number };
}

const { sqrt } = Math;

/** Postures per axis of the coarse grid. */
const GRID = 21;

/** A place in the search: travel in mm, share of the lock, position along the strand (in its corners). */
type Place = readonly [travel: number, share: number, along: number];

/**
 * Least gap of every obstacle over the whole envelope: a grid of postures, then every local minimum of the grid
 * that could still be the least is refined, in travel, steer and along the edge. Plain and readable: the oracle
 * of any faster kernel. A minimum narrower than the grid's cells can be missed; docs/method.md gives the sizes.
 */
export function plainSweep(corner: PreparedCorner): LeastGap[] {
  const grid = postureGrid(corner);
  return corner.obstacles.map((obstacle) => leastGapOf(corner, obstacle, grid));
}

interface GridPosture {
  readonly travel: number;
  readonly share: number;
  readonly wheel: Pose;
  readonly posture: Posture;
}

function spread(low: number, high: number): number[] {
  if (high - low < 1e-9) return [low];
  return Array.from({ length: GRID }, (_, i) => low + ((high - low) * i) / (GRID - 1));
}

function postureGrid(corner: PreparedCorner): GridPosture[][] {
  const { limits } = corner.envelope;
  const shares = steers(corner) ? spread(-1, 1) : [0];
  return spread(limits.droop, limits.bump).map((travel) =>
    shares.map((share) => {
      const posture = { travel, steer: steerAt(corner.envelope, travel, share) };
      return { travel, share, posture, wheel: corner.motion.wheelPose(posture) };
    }),
  );
}

const steers = (corner: PreparedCorner): boolean => corner.envelope.locks.left > 0 || corner.envelope.locks.right > 0;

function leastGapOf(corner: PreparedCorner, obstacle: PreparedObstacle, grid: GridPosture[][]): LeastGap {
  // A thing on the knuckle keeps its gap in every posture: the parked one stands for all.
  if (obstacle.mount === 'knuckle') return leastGapParked(corner, obstacle);
  const candidates = obstacle.strands.flatMap((strand) => gridMinima(corner, obstacle, strand, grid));
  const best = Math.min(...candidates.map((c) => c.gap));
  let least: { gap: number; place: Place; strand: ObstacleStrand } | undefined;
  for (const candidate of candidates) {
    if (candidate.gap > best + CANDIDATE_BAND_MM) continue;
    const refined = refine(corner, obstacle, candidate.strand, candidate.place, candidate.gap);
    if (!least || refined.gap < least.gap) least = { ...refined, strand: candidate.strand };
  }
  if (!least) throw new RangeError(`obstacle ${obstacle.id} has no place`);
  return describe(corner, obstacle, least.strand, least.place);
}

function leastGapParked(corner: PreparedCorner, obstacle: PreparedObstacle): LeastGap {
  const parked = corner.envelope.limits.ride;
  return obstacle.strands
    .map((strand) => {
      const wheel = corner.motion.wheelPose({ travel: parked, steer: 0 });
      const mount = corner.motion.mountPose(obstacle.mount, { travel: parked, steer: 0 });
      const { gap, along } = marchStrand(strand, cornerDistances(strand), (point) =>
        imageDistance(corner, wheel, place(mount, point)),
      );
      const refined = refine(corner, obstacle, strand, [parked, 0, along], gap);
      return describe(corner, obstacle, strand, [parked, 0, refined.place[2]]);
    })
    .reduce((least, next) => (next.gapMm < least.gapMm ? next : least));
}

interface Candidate {
  readonly gap: number;
  readonly place: Place;
  readonly strand: ObstacleStrand;
}

/** Grid postures whose gap to the strand is no more than at any neighbour. */
function gridMinima(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  strand: ObstacleStrand,
  grid: GridPosture[][],
): Candidate[] {
  const corners = cornerDistances(strand);
  const table = grid.map((row) =>
    row.map(({ travel, share, posture, wheel }): Candidate => {
      const mount = corner.motion.mountPose(obstacle.mount, posture);
      const { gap, along } = marchStrand(strand, corners, (point) => imageDistance(corner, wheel, place(mount, point)));
      return { gap, place: [travel, share, along], strand };
    }),
  );
  const minima: Candidate[] = [];
  table.forEach((row, i) =>
    row.forEach((here, j) => {
      for (let di = -1; di <= 1; di++) {
        for (let dj = -1; dj <= 1; dj++) {
          const there = table[i + di]?.[j + dj];
          if (!there || there === here) continue;
          const earlier = di < 0 || (di === 0 && dj < 0);
          // On a plateau only the first posture stands for all.
          if (there.gap < here.gap - (earlier ? -SAME_GAP_MM : SAME_GAP_MM)) return;
        }
      }
      minima.push(here);
    }),
  );
  return minima;
}

/** Distance of each corner from the start, along the strand, mm. */
function cornerDistances(strand: ObstacleStrand): number[] {
  const sums = [0];
  for (let i = 0; i + 1 < strand.length; i++) {
    sums.push((sums[i] as number) + distance(strand[i] as Vec3, strand[i + 1] as Vec3));
  }
  return sums;
}

/**
 * Least distance along a strand. The distance to anything changes by at most 1 mm per mm of way, so a place that is
 * d above the best so far lets the next d mm be skipped; no unseen place is lower by more than half a sample step.
 */
function marchStrand(
  strand: ObstacleStrand,
  corners: readonly number[],
  distanceAt: (point: Vec3) => number,
): { gap: number; along: number } {
  const end = corners[corners.length - 1] as number;
  let gap = Infinity;
  let along = 0;
  let segment = 0;
  for (let way = 0; ; way = Math.min(way, end)) {
    while (segment + 2 < corners.length && way > (corners[segment + 1] as number)) segment++;
    const from = corners[segment] as number;
    const span = ((corners[segment + 1] as number | undefined) ?? from) - from;
    const here = span > 0 ? segment + (way - from) / span : segment;
    const d = distanceAt(pointAlong(strand, here));
    if (d < gap) {
      gap = d;
      along = here;
    }
    if (way >= end) return { gap, along };
    way += Math.max(EDGE_SAMPLE_MM, d - gap);
  }
}

function pointAlong(strand: ObstacleStrand, along: number): Vec3 {
  const i = Math.min(Math.floor(along), strand.length - 2);
  if (i < 0) return strand[0];
  return interpolate(strand[i] as Vec3, strand[i + 1] as Vec3, along - i);
}

/** Signed distance from a point (corner frame) to the section carried by `wheel`. */
function imageDistance(corner: PreparedCorner, wheel: Pose, point: Vec3): number {
  const [x, a, z] = unplace(wheel, point);
  const { section, centrePlaneMm } = corner.rotor;
  return signedDistance(section.outline, a - centrePlaneMm, sqrt(x * x + z * z));
}

/**
 * Compass search down from a grid minimum, inside the envelope, until its steps no longer move the tire. The
 * first direction that leads down is taken, and tried first the next time.
 */
function refine(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  strand: ObstacleStrand,
  start: Place,
  startGap: number,
): { gap: number; place: Place } {
  const { droop, bump } = corner.envelope.limits;
  const turns = steers(corner);
  const ends = strand.length - 1;
  const cell = (bump - droop) / (GRID - 1);
  const way = cornerDistances(strand)[ends] as number;
  const sampling = way > 0 ? (ends * EDGE_SAMPLE_MM) / way : 0;
  let here = start;
  let gap = startGap;
  let [travelStep, shareStep, alongStep] = [cell / 2, turns ? 1 / (GRID - 1) : 0, sampling];
  let first = 0;
  for (let size = Math.max(cell, EDGE_SAMPLE_MM); size > REFINEMENT_STEP_MM;) {
    let found = -1;
    for (let k = 0; k < COMPASS.length && found < 0; k++) {
      const index = (first + k) % COMPASS.length;
      const [i, j, l] = COMPASS[index] as Place;
      const there: Place = [
        clamp(here[0] + i * travelStep, droop, bump),
        clamp(here[1] + j * shareStep, -1, 1),
        clamp(here[2] + l * alongStep, 0, ends),
      ];
      if (ends === 0 && l !== 0) continue;
      const d = gapAt(corner, obstacle, strand, there);
      if (d < gap - SAME_GAP_MM) {
        gap = d;
        here = there;
        found = index;
      }
    }
    if (found >= 0) {
      first = found;
    } else {
      travelStep /= 2;
      shareStep /= 2;
      alongStep /= 2;
      size /= 2;
    }
  }
  return { gap, place: here };
}

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/** The 26 directions to the neighbours of a cube. */
const COMPASS: readonly Place[] = [-1, 0, 1]
  .flatMap((i) => [-1, 0, 1].flatMap((j) => [-1, 0, 1].map((k): Place => [i, j, k])))
  .filter((direction) => direction.some((d) => d !== 0));

function gapAt(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  strand: ObstacleStrand,
  [t, share, along]: Place,
): number {
  const posture = { travel: t, steer: steerAt(corner.envelope, t, share) };
  const point = place(corner.motion.mountPose(obstacle.mount, posture), pointAlong(strand, along));
  return imageDistance(corner, corner.motion.wheelPose(posture), point);
}

function describe(corner: PreparedCorner, obstacle: PreparedObstacle, strand: ObstacleStrand, found: Place): LeastGap {
  const [travel, share, along] = found;
  const posture = { travel, steer: steerAt(corner.envelope, travel, share) };
  const at = place(corner.motion.mountPose(obstacle.mount, posture), pointAlong(strand, along));
  const [x, a, z] = unplace(corner.motion.wheelPose(posture), at);
  const nearest = nearestPlace(corner.rotor.section.outline, a - corner.rotor.centrePlaneMm, Math.hypot(x, z));
  return {
    gapMm: nearest.distance,
    posture,
    at,
    across: nearest.tag,
    section: { a: nearest.a, r: nearest.r },
  };
}
