import { readingLander } from '../../3-survey/prepared/reading-lander';
import { type PreparedObstacle, preparedUnder } from '../../3-survey/prepared/prepared-obstacle';
import { type Landed } from '../../3-survey/landing/landed-readings';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { type ReadingError } from '../../3-survey/reading/reading';
import { attempt } from '../../1-base/problem';
import type { CandidatePlace } from './candidate-places';
import type { Disturbed } from './disturbed-corner';
import { clockHalfWidthDeg, USUAL } from '../../3-survey/reading/usual-errors';

/** One number of one reading or shape that may be off. */
export interface OwnError {
  readonly name: string;
  /** Index of the obstacle, and of its reading; null: of its shape. */
  readonly obstacle: number;
  readonly reading: number | null;
  /** Standard deviation in mm, unless it is evenly spread over `halfWidth` (mm or degrees) either way. */
  readonly sigma: number;
  readonly halfWidth?: number;
  /**
   * What it is of: a reading's gap, clock, place across or height; a shape's place along an axis; one way in which a fitted
   * edge may lie otherwise, in standard deviations.
   */
  readonly of: 'gap' | 'clock' | 'across' | 'height' | 'x' | 'y' | 'z' | 'edge';
}

/** Readings of an obstacle that its candidates lie on. */
export interface ReadingShifts {
  /** By reading, where it lands now and by how much per standard deviation of each shared number (mount's frame). */
  readonly landed: readonly Landed[];
  readonly perShared: readonly Float64Array[];
  /** By own error of each reading: where it lies among `e`; -1 where there is none. */
  readonly own: readonly { gap: number; clock: number; across: number; travel: number }[];
  /** Shift per mm of height error. */
  readonly perTravel: readonly Vec3[];
  /** Lands a reading anew with its own errors. */
  land(index: number, error: ReadingError): Vec3;
}

/** Adds the own errors of an obstacle's readings, and works out how its readings shift with everything. */
export function readingShifts(
  own: OwnError[],
  index: number,
  obstacle: PreparedObstacle,
  off: readonly (Disturbed | null)[],
): ReadingShifts {
  const { description, landed } = obstacle;
  const readings = description.readings ?? [];
  const add = (reading: number, what: OwnError['of'], sigma: number, halfWidth?: number): number => {
    const name = `${description.id} ${reading} ${what}`;
    const spread = halfWidth === undefined ? {} : { halfWidth };
    return own.push({ name, obstacle: index, reading, sigma, of: what, ...spread }) - 1;
  };
  const ownOf = landed.map(({ index: of, lateralToleranceMm }) => {
    const reading = readings[of]!;
    const held = reading.hubToLipMm !== undefined || (reading.travelMm ?? 0) !== 0;
    const lateral = lateralToleranceMm > 0 ? lateralToleranceMm : undefined;
    return {
      gap: add(of, 'gap', USUAL.gapMm),
      clock: add(of, 'clock', 0, clockHalfWidthDeg(reading)),
      across: add(of, 'across', reading.outboardMm === undefined ? USUAL.acrossMm : USUAL.outboardMm, lateral),
      travel: held ? add(of, 'height', USUAL.heldHeightMm) : -1,
    };
  });
  const perShared = landed.map(() => new Float64Array(3 * off.length));
  off.forEach((disturbed, j) => {
    if (!disturbed) return;
    const moved = attempt(() => preparedUnder(obstacle, disturbed.scene).landed);
    if (!moved.ok) return;
    moved.value.forEach(({ point }, k) => {
      for (let c = 0; c < 3; c++) perShared[k]![3 * j + c] = disturbed.sign * (point[c]! - landed[k]!.point[c]!);
    });
  });
  const lander = readingLander(obstacle);
  return {
    landed,
    perShared,
    own: ownOf,
    perTravel: landed.map(({ index: of }, k) => (ownOf[k]!.travel < 0 ? [0, 0, 0] : lander.perTravel(of))),
    land: lander.land,
  };
}

/**
 * Shift of a place between two readings whose shifts are known: distance from the hub's line, angle about it and place
 * along it each change evenly from one to the other, as the edge itself does between them.
 */
export function shiftAlongEdge(
  point: Vec3,
  { from, part }: NonNullable<CandidatePlace['reading']>,
  moved: Float64Array,
  shift: Float64Array,
): void {
  const at = MOVED_NUMBERS * from;
  if (part === 0) {
    for (let k = 0; k < 3; k++) shift[k] = moved[at + k]!;
    return;
  }
  const next = at + MOVED_NUMBERS;
  const between = (k: number): number => moved[at + k]! + part * (moved[next + k]! - moved[at + k]!);
  const r = Math.hypot(point[0], point[2]) + between(3);
  const turn = Math.atan2(point[0], point[2]) + between(4);
  shift[0] = r * Math.sin(turn) - point[0];
  shift[1] = between(1);
  shift[2] = r * Math.cos(turn) - point[2];
}

/** Numbers of a moved reading: its shift (mount's frame, mm), that of its distance from the hub's line, and of its angle. */
const MOVED_NUMBERS = 5;

/** By reading, how far it lies from where it landed. */
export function movedReadings(readings: ReadingShifts, z: Float64Array, e: Float64Array): Float64Array {
  const { landed, perShared, own, perTravel, land } = readings;
  const moved = new Float64Array(MOVED_NUMBERS * landed.length);
  landed.forEach(({ point, index }, k) => {
    const { gap, clock, across, travel } = own[k]!;
    const to = land(index, { gapMm: e[gap]!, clockDeg: e[clock]!, acrossMm: e[across]! });
    const held = travel >= 0 ? e[travel]! : 0;
    for (let c = 0; c < 3; c++) {
      let sum = to[c]! - point[c]! + held * perTravel[k]![c]!;
      for (let j = 0; j < z.length; j++) sum += perShared[k]![3 * j + c]! * z[j]!;
      moved[MOVED_NUMBERS * k + c] = sum;
    }
    const at = MOVED_NUMBERS * k;
    const x = point[0] + moved[at]!;
    const y = point[2] + moved[at + 2]!;
    const turn = Math.atan2(x, y) - Math.atan2(point[0], point[2]);
    moved[at + 3] = Math.hypot(x, y) - Math.hypot(point[0], point[2]);
    moved[at + 4] = Math.atan2(Math.sin(turn), Math.cos(turn));
  });
  return moved;
}
