import { place, type Pose } from '../../1-base/geometry/pose';
import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import { CANDIDATE_BAND_MM, EDGE_SAMPLE_MM, REFINEMENT_STEP_MM, SAME_GAP_MM } from '../../1-base/tolerances';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { otherLimitsOf, steerAt, type Envelope } from '../envelope/envelope';
import { describeGap, placeGap, type LeastGap } from './posture-gap';
import { placeOnPiece } from '../../3-survey/shape/shape';
import type { PreparedCorner } from '../case/prepared-corner';
import type { PlacedThing } from '../../3-survey/prepared/prepared-obstacle';

/** Postures per axis of the coarse grid: travel and steer, and the other wheel's height. */
export interface SweepGrid {
  readonly postures: number;
  readonly others: number;
}

export const ORACLE_GRID: SweepGrid = { postures: 21, others: 9 };

/**
 * A place in the search: travel in mm; part of the steer range, -1 right to 1 left; part of the travel range for the
 * other wheel, -1 to 1; two coordinates on a piece.
 */
type Place = readonly [travel: number, steer: number, other: number, s: number, w: number];

interface Candidate {
  readonly gap: number;
  readonly place: Place;
  readonly piece: number;
}

/** A stretch of travel to sweep, mm; the whole envelope by default. */
export interface TravelStretch {
  readonly from: number;
  readonly to: number;
  /** Stops squashed no further than to this parallel height: a beam axle's other wheel counts too. */
  readonly bump?: number | undefined;
}

/** All heights of an envelope. */
export const wholeStretch = ({ limits }: Envelope): TravelStretch => ({ from: limits.lowest, to: limits.highest });

/**
 * Least gap of every obstacle over the envelope: a grid of postures, every piece walked in each, then every local
 * minimum of the grid that could still be the least is followed down in travel, steer, the other wheel's height and
 * along the piece. Plain and readable: the oracle of the fast search. A dip narrower than a grid cell can be missed.
 */
export function plainSweep(corner: PreparedCorner, stretch?: TravelStretch, grid = ORACLE_GRID): LeastGap[] {
  const over = stretch ?? wholeStretch(corner.envelope);
  return corner.obstacles.map((obstacle) => sweptGap(corner, obstacle, over, grid));
}

const spread = (low: number, high: number, count: number): number[] =>
  high - low < 1e-9 ? [low] : Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));

export function postureOf(corner: PreparedCorner, [travel, part, other]: Place, bump?: number): Posture {
  const { motion, envelope } = corner;
  const { low, high } = otherRange(otherLimitsOf(envelope, bump), travel);
  const cross = motion.crossArticulates ? low + ((other + 1) / 2) * (high - low) - travel : 0;
  const locks = motion.locksAt(motion.carrierAt(travel, cross));
  return { travel, steer: steerAt(envelope, travel, locks, part), cross };
}

/** The same of one thing over a stretch of travel. */
export function sweptGap(
  corner: PreparedCorner,
  obstacle: PlacedThing,
  over: TravelStretch,
  grid: SweepGrid = ORACLE_GRID,
): LeastGap {
  const { motion } = corner;
  const home = motion.locksAt(motion.carrierAt(over.from, 0));
  const steers = home.left > 0 || home.right > 0;
  const crosses = motion.crossArticulates;
  const heights = spread(over.from, over.to, grid.postures);
  const table = heights.map((travel) =>
    (steers ? spread(-1, 1, grid.postures) : [straightPart(corner, travel)]).map((part) =>
      (crosses ? spread(-1, 1, grid.others) : [0]).map((other) => {
        const posture = postureOf(corner, [travel, part, other, 0, 0], over.bump);
        const found = nearestPiece(
          corner,
          obstacle,
          motion.wheelPose(posture),
          motion.mountPose(obstacle.mount, posture),
        );
        return { gap: found.gap, piece: found.piece, place: [travel, part, other, found.s, found.w] as Place };
      }),
    ),
  );
  const minima = gridMinima(table);
  const best = Math.min(...minima.map((c) => c.gap));
  const active = [true, steers, crosses, true, true];
  const refined = minima
    .filter((c) => c.gap <= best + CANDIDATE_BAND_MM)
    .map((c) => refine(corner, obstacle, over, grid, c, active))
    .reduce((least, next) => (next.gap < least.gap ? next : least));
  const [, , , s, w] = refined.place;
  const point = placeOnPiece(obstacle.pieces, refined.piece, s, w);
  return describeGap(corner, obstacle, postureOf(corner, refined.place, over.bump), point);
}

/** Gap (mm) of an obstacle in one posture, and the place on it (corner frame) where it is met. */
export function gapInPosture(
  corner: PreparedCorner,
  obstacle: PlacedThing,
  posture: Posture,
): { readonly gapMm: number; readonly at: Vec3 } {
  const mount = corner.motion.mountPose(obstacle.mount, posture);
  const { gap, piece, s, w } = nearestPiece(corner, obstacle, corner.motion.wheelPose(posture), mount);
  return { gapMm: gap, at: place(mount, placeOnPiece(obstacle.pieces, piece, s, w)) };
}

/** The part of the steer range at which the wheel is straight ahead. */
function straightPart({ motion, envelope }: PreparedCorner, travel: number): number {
  const { low, high } = envelope.steerRange(travel, motion.locksAt(motion.carrierAt(travel, 0)));
  return high > low ? (-2 * low) / (high - low) - 1 : 0;
}

interface OnPiece {
  gap: number;
  piece: number;
  s: number;
  w: number;
}

/** Nearest of all pieces in one posture; pieces are halved while they could still hold something nearer. */
function nearestPiece(corner: PreparedCorner, obstacle: PlacedThing, wheel: Pose, mount: Pose): OnPiece {
  const least: OnPiece = { gap: Infinity, piece: -1, s: 0, w: 0 };
  const { pieces } = obstacle;
  const measure = (piece: number, s: number, w: number): number => {
    const gap = placeGap(corner.rotor, obstacle, wheel, place(mount, placeOnPiece(pieces, piece, s, w)));
    if (gap < least.gap) Object.assign(least, { gap, piece, s, w });
    return gap;
  };
  const walk = (piece: number, corners: readonly (readonly [number, number])[]): void => {
    const n = corners.length;
    const s = corners.reduce((sum, c) => sum + c[0], 0) / n;
    const w = corners.reduce((sum, c) => sum + c[1], 0) / n;
    const places = corners.map((c) => placeOnPiece(pieces, piece, c[0], c[1]));
    const middle = placeOnPiece(pieces, piece, s, w);
    const reach = Math.max(...places.map((p) => distance(p, middle)));
    // A gap changes by at most 1 mm per mm of way.
    if (measure(piece, s, w) - reach >= least.gap) return;
    if (reach <= EDGE_SAMPLE_MM / 2) {
      for (const c of corners) measure(piece, c[0], c[1]);
      return;
    }
    for (const half of halves(corners, places)) walk(piece, half);
  };
  for (let i = 0; i < pieces.corners.length; i++) {
    const n = pieces.corners[i] as number;
    walk(
      i,
      (
        [
          [0, 0],
          [1, 0],
          [0, 1],
        ] as const
      ).slice(0, n),
    );
  }
  return least;
}

/** A stretch or triangle cut in the middle of its longest side. */
function halves(
  corners: readonly (readonly [number, number])[],
  places: readonly Vec3[],
): (readonly (readonly [number, number])[])[] {
  const n = corners.length;
  let longest = 0;
  let from = 0;
  for (let i = 0; i < (n === 2 ? 1 : n); i++) {
    const side = distance(places[i] as Vec3, places[(i + 1) % n] as Vec3);
    if (side > longest) {
      longest = side;
      from = i;
    }
  }
  const to = (from + 1) % n;
  const [a, b] = [corners[from] as readonly [number, number], corners[to] as readonly [number, number]];
  const middle = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] as const;
  return [corners.map((c, i) => (i === to ? middle : c)), corners.map((c, i) => (i === from ? middle : c))];
}

/** Grid postures whose gap is no more than at any neighbour; on a plateau the first stands for all. */
function gridMinima(table: readonly (readonly (readonly Candidate[])[])[]): Candidate[] {
  const minima: Candidate[] = [];
  table.forEach((rows, i) =>
    rows.forEach((row, j) =>
      row.forEach((here, k) => {
        for (const [di, dj, dk] of NEIGHBOURS) {
          const there = table[i + di]?.[j + dj]?.[k + dk];
          if (!there) continue;
          const earlier = di < 0 || (di === 0 && (dj < 0 || (dj === 0 && dk < 0)));
          if (there.gap < here.gap - (earlier ? -SAME_GAP_MM : SAME_GAP_MM)) return;
        }
        minima.push(here);
      }),
    ),
  );
  return minima;
}

const STEPS = [-1, 0, 1] as const;
const NEIGHBOURS = STEPS.flatMap((i) => STEPS.flatMap((j) => STEPS.map((k) => [i, j, k] as const))).filter(
  ([i, j, k]) => i !== 0 || j !== 0 || k !== 0,
);

/** Single steps and pairs of steps in five directions. */
const COMPASS: readonly Place[] = (() => {
  const found: Place[] = [];
  for (let i = 0; i < 5; i++) {
    for (let j = i; j < 5; j++) {
      for (const a of [-1, 1]) {
        for (const b of i === j ? [a] : [-1, 1]) {
          const step = [0, 0, 0, 0, 0];
          step[i] = a;
          step[j] = b;
          found.push(step as unknown as Place);
        }
      }
    }
  }
  return found;
})();

/**
 * Compass search down from a grid minimum, inside the envelope, until its steps no longer move the tire. The first
 * direction that leads down is taken, and tried first the next time.
 */
function refine(
  corner: PreparedCorner,
  obstacle: PlacedThing,
  over: TravelStretch,
  grid: SweepGrid,
  start: Candidate,
  active: readonly boolean[],
): Candidate {
  const { pieces } = obstacle;
  const n = pieces.corners[start.piece] as number;
  const gapAt = (there: Place): number => {
    const posture = postureOf(corner, there, over.bump);
    const mount = corner.motion.mountPose(obstacle.mount, posture);
    return placeGap(
      corner.rotor,
      obstacle,
      corner.motion.wheelPose(posture),
      place(mount, placeOnPiece(pieces, start.piece, there[3], there[4])),
    );
  };
  const first = placeOnPiece(pieces, start.piece, 0, 0);
  const lengths = [1, 2].map((j) =>
    distance(first, placeOnPiece(pieces, start.piece, j === 1 ? 1 : 0, j === 2 ? 1 : 0)),
  );
  const along = lengths.map((way, j) => (j + 1 < n && way > 0 ? Math.min(0.5, EDGE_SAMPLE_MM / way) : 0));
  const cell = (over.to - over.from) / (grid.postures - 1);
  let steps = [cell / 2, 1 / (grid.postures - 1), 1 / (grid.others - 1), along[0] as number, along[1] as number].map(
    (step, k) => (active[k] ? step : 0),
  );
  let [gap, here, lead] = [start.gap, start.place, 0];
  for (let size = Math.max(cell, EDGE_SAMPLE_MM); size > REFINEMENT_STEP_MM;) {
    let found = -1;
    for (let k = 0; k < COMPASS.length && found < 0; k++) {
      const index = (lead + k) % COMPASS.length;
      const way = COMPASS[index] as Place;
      if (way.some((d, axis) => d !== 0 && steps[axis] === 0)) continue;
      const there = clamped(here.map((v, axis) => v + way[axis]! * steps[axis]!) as unknown as Place, over);
      const d = gapAt(there);
      if (d < gap - SAME_GAP_MM) {
        gap = d;
        here = there;
        found = index;
      }
    }
    if (found >= 0) {
      lead = found;
    } else {
      steps = steps.map((step) => step / 2);
      size /= 2;
    }
  }
  return { gap, place: here, piece: start.piece };
}

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

function clamped([t, u, v, s, w]: Place, over: TravelStretch): Place {
  const first = clamp(s, 0, 1);
  return [clamp(t, over.from, over.to), clamp(u, -1, 1), clamp(v, -1, 1), first, clamp(w, 0, 1 - first)];
}
