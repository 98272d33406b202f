import { unplace, type Pose } from '../../1-base/geometry/pose';
import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import { remembered } from '../../1-base/remembered';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { cornersOf, vertexOf, placeOnPiece } from '../../3-survey/shape/shape';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { otherLimitsOf } from '../../4-clearance/envelope/envelope';
import { postureOf } from '../../4-clearance/oracle/plain-sweep';
import { gapSeen, SEEN_NUMBERS, seenFromWheel } from '../../4-clearance/oracle/seen-from-wheel';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';

/** A posture within an envelope: 0 lowest to 1 highest; -1 furthest right to 1 furthest left; the other wheel, -1 to 1. */
export type PostureShares = readonly [travel: number, steer: number, other: number];

/** The posture at these shares of a corner's envelope: where limits move, it moves along. */
export function postureAt(corner: PreparedCorner, [travel, steer, other]: PostureShares): Posture {
  const { lowest, highest } = corner.envelope.limits;
  return postureOf(corner, [lowest + travel * (highest - lowest), steer, other, 0, 0]);
}

function sharesOf({ motion, envelope }: PreparedCorner, { travel, steer, cross = 0 }: Posture): PostureShares {
  const { lowest, highest } = envelope.limits;
  const { low, high } = envelope.steerRange(travel, motion.locksAt(motion.carrierAt(travel, cross)));
  const span = highest - lowest;
  const other = otherRange(otherLimitsOf(envelope), travel);
  return [
    span > 0 ? (travel - lowest) / span : 0.5,
    high > low ? (2 * (steer - low)) / (high - low) - 1 : 0,
    motion.crossArticulates && other.high > other.low
      ? (2 * (travel + cross - other.low)) / (other.high - other.low) - 1
      : 0,
  ];
}

/** A place of an obstacle in a posture that may become its nearest when the measurements turn out otherwise. */
export interface CandidatePlace {
  /** Mount's frame, mm. */
  readonly point: Vec3;
  readonly shares: PostureShares;
  /** Along an edge of readings: `part` of the way from this one (in landed order) to the next. null: from the shape. */
  readonly reading: { readonly from: number; readonly part: number } | null;
  /** Where on an edge that its readings were fitted to. */
  readonly onEdge: readonly [s: number, t: number] | null;
  /** mm by which the gap falls further between the postures looked at. */
  readonly dipMm: number;
  readonly gapMm: number;
}

/** Postures looked at: travel, steer and, on a beam axle, the other wheel. */
const GRID = { travel: 13, steer: 13, other: 5 } as const;

/** mm between places looked at along an edge or a sheet. */
const PLACE_STEP_MM = 20;

/** mm within which two places are one. */
const SAME_PLACE_MM = 0.01;

/** Places of one obstacle looked at; of more, as of a scan's points, evenly chosen ones. */
const MOST_PLACES = 3000;

/** mm above the least gap at which a place no longer matters. */
const BAND_MM = 30;

/** Candidates kept of one obstacle. */
const MOST_KEPT = 60;

/** mm within which of two places in one posture the nearer to the tire stands for both. */
const ALIKE_MM = 10;

interface GridPosture {
  readonly shares: PostureShares;
  readonly posture: Posture;
  readonly wheel: Pose;
}

/** Finds the places of a corner's obstacles that may become nearest. Poses of the postures are shared by all. */
export class CandidateFinder {
  readonly #corner: PreparedCorner;
  readonly #counts: readonly [number, number, number];
  readonly #grid: readonly GridPosture[];
  /** Mounts as they are seen from the wheel, by posture of the grid. */
  readonly #seen = new Map<Carriage, readonly Float64Array[]>();

  constructor(corner: PreparedCorner) {
    const { motion, envelope } = corner;
    const { lowest, highest } = envelope.limits;
    const locks = motion.locksAt(motion.carrierAt(envelope.limits.ride, 0));
    this.#corner = corner;
    this.#counts = [
      highest > lowest ? GRID.travel : 1,
      locks.left > 0 || locks.right > 0 ? GRID.steer : 1,
      motion.crossArticulates ? GRID.other : 1,
    ];
    const [nt, nu, nv] = this.#counts;
    const along = (i: number, n: number): number => (n > 1 ? (2 * i) / (n - 1) - 1 : 0);
    const grid: GridPosture[] = [];
    for (let i = 0; i < nt; i++) {
      for (let j = 0; j < nu; j++) {
        for (let k = 0; k < nv; k++) {
          const shares = [(along(i, nt) + 1) / 2, along(j, nu), along(k, nv)] as const;
          const posture = postureAt(corner, shares);
          grid.push({ shares, posture, wheel: motion.wheelPose(posture) });
        }
      }
    }
    this.#grid = grid;
  }

  /** Candidates of one obstacle, nearest first. */
  of(obstacle: PreparedObstacle): CandidatePlace[] {
    const found = thinned(placesAlong(obstacle)).flatMap((sample) => this.#minima(obstacle, sample));
    found.sort((a, b) => a.gapMm - a.dipMm - (b.gapMm - b.dipMm));
    const least = found[0];
    if (!least) return [];
    const limit = least.gapMm - least.dipMm + BAND_MM;
    const kept: CandidatePlace[] = [];
    for (const one of found) {
      if (one.gapMm - one.dipMm > limit || kept.length === MOST_KEPT) break;
      const isAlike = ({ shares, point }: CandidatePlace): boolean =>
        shares === one.shares && distance(point, one.point) < ALIKE_MM;
      if (!kept.some(isAlike)) kept.push(one);
    }
    return kept;
  }

  /** Postures in which a place's gap is less than in the neighbouring ones. */
  #minima(obstacle: PreparedObstacle, { point, reading, onEdge }: Sample): CandidatePlace[] {
    const { rotor } = this.#corner;
    const [nt, nu, nv] = this.#counts;
    const gaps = Float64Array.from(this.#mountSeen(obstacle.mount), (seen) => gapSeen(rotor, obstacle, seen, point));
    const minima: CandidatePlace[] = [];
    const counts = [nt, nu, nv];
    const strides = [nu * nv, nv, 1];
    for (let at = 0; at < gaps.length; at++) {
      const gapMm = gaps[at]!;
      let dipMm = 0;
      let isLeast = true;
      for (let axis = 0; axis < 3 && isLeast; axis++) {
        const stride = strides[axis]!;
        const i = Math.floor(at / stride) % counts[axis]!;
        const before = i > 0 ? gaps[at - stride]! : Infinity;
        const after = i < counts[axis]! - 1 ? gaps[at + stride]! : Infinity;
        // Of equal neighbours the first is taken.
        isLeast = before > gapMm && after >= gapMm;
        if (isLeast) dipMm += dipBetween(before, gapMm, after);
      }
      if (isLeast) minima.push({ point, shares: this.#grid[at]!.shares, reading, onEdge, dipMm, gapMm });
    }
    return minima;
  }

  #mountSeen(mount: Carriage): readonly Float64Array[] {
    return remembered(this.#seen, Infinity, mount, () =>
      this.#grid.map(({ posture, wheel }) => {
        const seen = new Float64Array(SEEN_NUMBERS);
        seenFromWheel(wheel, this.#corner.motion.mountPose(mount, posture), seen);
        return seen;
      }),
    );
  }
}

/** How far a parabola through three values evenly apart falls below the middle one, which is the least. */
function dipBetween(before: number, middle: number, after: number): number {
  const bend = before + after - 2 * middle;
  if (!Number.isFinite(bend) || !(bend > 0)) return 0;
  return (after - before) ** 2 / (8 * bend);
}

interface Sample {
  readonly point: Vec3;
  readonly reading: CandidatePlace['reading'];
  readonly onEdge: CandidatePlace['onEdge'];
}

const thinned = (samples: readonly Sample[]): readonly Sample[] => {
  const every = Math.ceil(samples.length / MOST_PLACES);
  return every > 1 ? samples.filter((_, i) => i % every === 0) : samples;
};

/** Places on a piece no further apart than the step, as shares of its sides. */
function places(pieces: PreparedObstacle['pieces'], i: number): (readonly [number, number])[] {
  const n = cornersOf(pieces, i);
  if (n === 1) return [[0, 0]];
  const a = vertexOf(pieces, i, 0);
  const b = vertexOf(pieces, i, 1);
  const c = n > 2 ? vertexOf(pieces, i, 2) : a;
  const longest = Math.max(distance(a, b), distance(b, c), distance(c, a));
  const count = Math.min(12, Math.max(1, Math.ceil(longest / PLACE_STEP_MM)));
  const found: (readonly [number, number])[] = [];
  for (let k = 0; k <= count; k++) {
    for (let m = 0; m <= (n > 2 ? count - k : 0); m++) found.push([k / count, m / count]);
  }
  return found;
}

/** Places along an obstacle without their postures, each with the reading or the place of an edge that it moves with. */
export function placesAlong({ pieces, shapePieceCount, readPlaces }: PreparedObstacle): Sample[] {
  const shape: Sample[] = [];
  const known = new Set<string>();
  for (let i = 0; i < shapePieceCount; i++) {
    for (const [s, w] of places(pieces, i)) {
      const point = placeOnPiece(pieces, i, s, w);
      // Pieces that join share a place; a scan's points do not join.
      if (cornersOf(pieces, i) > 1) {
        const name = point.map((mm) => Math.round(mm / SAME_PLACE_MM)).join();
        if (known.has(name)) continue;
        known.add(name);
      }
      shape.push({ point, reading: null, onEdge: null });
    }
  }
  return [...shape, ...readPlaces.map(({ at, reading, onEdge }) => ({ point: at, reading, onEdge }))];
}

/** A place met by an exact search as a candidate: at its place among the readings, if it lies on their edge. */
export function metPlace(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  met: { readonly posture: Posture; readonly at: Vec3; readonly gapMm: number },
  others: readonly Pick<CandidatePlace, 'point' | 'reading' | 'onEdge'>[],
): CandidatePlace {
  const point = unplace(corner.motion.mountPose(obstacle.mount, met.posture), met.at);
  const nearest = others.reduce<(typeof others)[number] | null>(
    (best, next) => (!best || distance(next.point, point) < distance(best.point, point) ? next : best),
    null,
  );
  return {
    point,
    shares: sharesOf(corner, met.posture),
    reading: nearest?.reading ?? null,
    onEdge: nearest?.onEdge ?? null,
    dipMm: 0,
    gapMm: met.gapMm,
  };
}
