import { COS_NEAR_GROUND } from '../../2-vehicle/setup/rotor';
import { inOneGo, type Piecemeal } from '../../1-base/piecemeal';
import { MAP_PLACES_MM } from '../../1-base/tolerances';
import { toDegrees } from '../../1-base/units/angle';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { otherLimitsOf, steerAt, type Envelope } from '../envelope/envelope';
import { piecePlaces } from '../../3-survey/shape/piece-places';
import { DOWN, SEEN_NUMBERS } from '../oracle/seen-from-wheel';
import { mountsInWheel } from './posture-grid';
import type { PreparedCorner } from '../case/prepared-corner';
import { solidDistance, type Rotor } from '../../2-vehicle/setup/rotor';
import { standardRegions, type Standard, wantedAs } from '../case/standard';
import type { PreparedObstacle, PlacedThing } from '../../3-survey/prepared/prepared-obstacle';

/** Steers allowed at one height, degrees, vehicle sense (+ = left). */
export interface OutlineRow {
  readonly travelMm: number;
  readonly lowDeg: number;
  readonly highDeg: number;
}

/**
 * The gap of each obstacle in every posture that the stops allow: steer across (even steps from full right to full
 * left), travel up (even steps from the lowest height to the highest). On a beam axle, the least over the other wheel's heights.
 */
export interface PostureMap {
  readonly steersDeg: Float64Array;
  readonly travelsMm: Float64Array;
  readonly obstacles: readonly ObstacleMap[];
  /** What the envelope allows, from the lowest height to the highest. */
  readonly outline: readonly OutlineRow[];
  readonly rideMm: number;
  /** First touch of the bump stop, where it was measured. */
  readonly firstTouchMm: number | null;
}

/** Index = row * steers + column, rows from droop up. mm. */
export interface ObstacleMap {
  readonly id: string;
  readonly gapMm: Float32Array;
  /** Gap less the room wanted at that height. */
  readonly marginMm: Float32Array;
}

export interface MapSize {
  readonly steers: number;
  readonly travels: number;
  readonly others: number;
}

/** Fine enough that lines of equal gap read as curves. */
export const MAP_SIZE: MapSize = { steers: 41, travels: 41, others: 5 };

/** Enough to see where it is tight, in a fraction of the time: what moves while a hand does. */
export const MAP_COARSE: MapSize = { steers: 13, travels: 13, others: 2 };

const MOST_PLACES = 3000;

const spread = (low: number, high: number, count: number): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => (count === 1 ? low : low + ((high - low) * i) / (count - 1)));

/** Pauses after each obstacle. @throws ProblemError where the linkage locks. */
export function* drawPostureMap(corner: PreparedCorner, standard: Standard, size = MAP_SIZE): Piecemeal<PostureMap> {
  const { motion, envelope, rotor } = corner;
  const { lowest, highest, ride, firstTouch } = envelope.limits;
  const travelsMm = spread(lowest, highest, size.travels);
  const locksAt = (travel: number) => motion.locksAt(motion.carrierAt(travel, 0));
  const locks = [...travelsMm].map(locksAt);
  const right = Math.max(...locks.map((l) => l.right));
  const left = Math.max(...locks.map((l) => l.left));
  const steers = spread(-right, left, right > 0 || left > 0 ? size.steers : 1);
  const limits = otherLimitsOf(envelope);
  const othersAt = (travel: number): Float64Array => {
    const { low, high } = otherRange(limits, travel);
    return motion.crossArticulates ? spread(low, high, size.others) : Float64Array.of(travel);
  };
  const postures = [...travelsMm].flatMap((travel, row) =>
    [...steers].flatMap((steer) =>
      [...othersAt(travel)].map((other) => ({
        travel,
        // A rack's locks change with height: beyond them the map goes on as at the lock.
        steer: Math.min(locks[row]!.left, Math.max(-locks[row]!.right, steer)),
        cross: other - travel,
      })),
    ),
  );
  const views = new Map<string, Float64Array>();
  const regions = standardRegions(standard, envelope.limits);
  const wanted = (obstacle: PreparedObstacle): number[] =>
    [...travelsMm].map(
      (travel) => (regions.findLast(({ from }) => travel >= from) ?? regions[0]!).requiredMm[wantedAs(obstacle)],
    );
  const obstacles: ObstacleMap[] = [];
  for (const obstacle of corner.obstacles) {
    const seen = views.get(obstacle.mount) ?? mountsInWheel(motion, obstacle.mount, postures);
    views.set(obstacle.mount, seen);
    const gapMm = gapsIn(seen, motion.crossArticulates ? size.others : 1, rotor, obstacle);
    const required = wanted(obstacle);
    obstacles.push({
      id: obstacle.id,
      gapMm,
      marginMm: gapMm.map((gap, i) => gap - required[Math.floor(i / steers.length)]!),
    });
    yield;
  }
  return {
    steersDeg: steers.map(toDegrees),
    travelsMm,
    obstacles,
    outline: outlineOf(envelope, travelsMm, locksAt),
    rideMm: ride,
    firstTouchMm: firstTouch,
  };
}

/** The same in one go. */
export const postureMap = (...asked: Parameters<typeof drawPostureMap>): PostureMap =>
  inOneGo(drawPostureMap(...asked));

/** What the stops, locks and rules allow, at heights from the lowest to the highest. */
export function envelopeOutline({ motion, envelope }: PreparedCorner, heights = MAP_SIZE.travels): OutlineRow[] {
  const { lowest, highest } = envelope.limits;
  return outlineOf(envelope, spread(lowest, highest, heights), (travel) => motion.locksAt(motion.carrierAt(travel, 0)));
}

function outlineOf(
  envelope: Envelope,
  travelsMm: Float64Array,
  locksAt: (travel: number) => ReturnType<PreparedCorner['motion']['locksAt']>,
): OutlineRow[] {
  const heights = [...new Set([...travelsMm, ...envelope.breaks])].sort((a, b) => a - b);
  return heights.map((travel) => {
    const locks = locksAt(travel);
    return {
      travelMm: travel,
      lowDeg: toDegrees(steerAt(envelope, travel, locks, -1)),
      highDeg: toDegrees(steerAt(envelope, travel, locks, 1)),
    };
  });
}

/** mm from each place to the one before it. */
function stepsBetween(at: Float64Array): Float64Array {
  const steps = new Float64Array(at.length / 3);
  for (let p = 3; p < at.length; p += 3) {
    steps[p / 3] = Math.hypot(at[p]! - at[p - 3]!, at[p + 1]! - at[p - 2]!, at[p + 2]! - at[p - 1]!);
  }
  return steps;
}

/** Least gap to any place of an obstacle, for each run of `others` postures. */
function gapsIn(views: Float64Array, others: number, rotor: Rotor, obstacle: PlacedThing): Float32Array {
  const { at } = piecePlaces(obstacle.pieces, MAP_PLACES_MM, MOST_PLACES);
  const { insideWheel } = obstacle;
  const steps = stepsBetween(at);
  const thickMm = obstacle.radiusMm + obstacle.complianceMm;
  const gaps = new Float32Array(views.length / SEEN_NUMBERS / others).fill(Infinity);
  // What was nearest in the posture before most often is again: with that first, the others are seen to be further off.
  let nearest = 0;
  // Bulged: around the other as well.
  const around = insideWheel ? null : rotor.loaded.hull;
  for (let v = 0, i = 0; v < views.length; v += SEEN_NUMBERS, i++) {
    const cell = Math.floor(i / others);
    let least = gaps[cell]!;
    // No place nearer to the last one looked at than this can be nearer to the wheel.
    let spare = 0;
    for (let n = -3, first = nearest; n < at.length; n += 3) {
      const p = n < 0 ? first : n;
      if (n > 0) spare -= steps[n / 3]!;
      if (spare > 0) continue;
      const [px, py, pz] = [at[p]!, at[p + 1]!, at[p + 2]!];
      const x = views[v]! * px + views[v + 1]! * py + views[v + 2]! * pz + views[v + 3]!;
      const a = views[v + 4]! * px + views[v + 5]! * py + views[v + 6]! * pz + views[v + 7]! - rotor.centrePlaneMm;
      const z = views[v + 8]! * px + views[v + 9]! * py + views[v + 10]! * pz + views[v + 11]!;
      const r = Math.sqrt(x * x + z * z);
      if (around && n >= 0) {
        spare = around.atLeast(a, r) - thickMm - least;
        if (spare >= 0) continue;
      }
      const low = x * views[v + DOWN]! + z * views[v + DOWN + 1]! >= COS_NEAR_GROUND * r;
      const solid = insideWheel ? rotor.hollow : low ? rotor.loaded : rotor.filled;
      const gap = solidDistance(solid, a, r) - thickMm;
      if (gap < least) {
        least = gap;
        nearest = p;
      }
    }
    gaps[cell] = least;
  }
  return gaps;
}
