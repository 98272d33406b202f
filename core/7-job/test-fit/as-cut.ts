import { place, unplace } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { joinPath, ProblemError } from '../../1-base/problem';
import { formatClock, parseClock } from '../../1-base/units/clock';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { surveyScene } from '../../3-survey/landing/survey-scene';
import { prepareObstacle, type PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import { clockOfPoint, landReading, type ReadingDescription, type ReadingScene } from '../../3-survey/reading/reading';
import { piecePlaces } from '../../3-survey/shape/piece-places';
import type { ShapeDescription } from '../../3-survey/shape/shape';
import { travelLimits } from '../../4-clearance/envelope/envelope';
import { parkedMm, type FittedCorner } from './fit-observations';

/** A gap to the new edge, taken against the tire that is on, standing as in the round. */
export type CutReading = Pick<ReadingDescription, 'clock' | 'gapMm' | 'outboardMm'> & {
  readonly steer: 'straight' | 'left' | 'right';
};

/** How far round the tire something was cut, folded or trimmed, and what was measured there afterwards. */
export interface CutMeasured {
  readonly fromClock: string;
  readonly toClock: string;
  readonly readings: readonly CutReading[];
}

/** A thing once it is cut. */
export interface AsCut {
  /** What is left: the old edge outside of the cut, the measured places inside. Corner frame at survey, mm. */
  readonly shape: ShapeDescription;
  /** Of each reading, how much further from the tire the edge lies than before, mm. */
  readonly gainedMm: readonly number[];
}

/** mm between places kept of the old edge; of a sheet they lie closer, since nothing joins them. */
const STEP_MM = 8;
const SHEET_STEP_MM = 4;

/** Places that a shape of points takes. */
const MOST_PLACES = 10_000;

/** mm beside the tread up to which a gap straight out from it speaks for a place. */
const BESIDE_MM = 5;

/** mm each way beyond which a thing is no sheet any more: what is left of it has a thickness that no edge has. */
const THIN_MM = 2;

/** mm by which a tape may read an edge nearer than it was; no cut brings it nearer. */
const TAPE_MM = 4;

/** Degrees of clock by which a reading may miss the ends of the cut. */
const END_DEG = 5;

/**
 * A thing after it was cut, by what was measured and nothing else. Of an edge: between the readings, and from the outermost ones to where
 * the cut ends, the new edge is taken straight, which on an arch errs toward the tire. Of anything else: only what stood over the tread
 * between the outermost readings, nearer than they say, is gone; what stands beside the tire, or beyond the readings, stays. Gaps are
 * straight out from the tread, the least across it.
 * @throws ProblemError below `cut` for a thing not surveyed there, a reading outside the cut, one nearer than before it, or too few.
 */
export function asCut(at: FittedCorner, obstacleId: string, cut: CutMeasured): AsCut {
  const { key, corner, setup } = at;
  const description = corner.obstacles.find(({ id }) => id === obstacleId);
  const before = description && prepareObstacle(description, surveyScene(key, corner), `corners.${key}`);
  if (!before || before.pieces.corners.length === 0) {
    throw new ProblemError({
      code: 'missing',
      path: 'cut.obstacle',
      expected: 'a thing that was surveyed before it was cut',
      found: description ? 'no place of it known' : `"${obstacleId}"`,
    });
  }
  if (before.radiusMm > THIN_MM) {
    throw new ProblemError({
      code: 'contradiction',
      path: 'cut.obstacle',
      expected: 'an edge or a sheet; what is left of a thick thing is surveyed anew',
      found: `a thing ${(2 * before.radiusMm).toFixed(0)} mm thick`,
    });
  }
  if (cut.readings.length === 0) {
    throw new ProblemError({
      code: 'missing',
      path: 'cut.readings',
      expected: 'at least one gap measured to the new edge',
      found: 'none',
    });
  }
  const motion = motionUnder(key, corner, setup);
  const rotor = prepareRotor(setup, 'setup');
  const state = motion.carrierAt(parkedMm(at) ?? travelLimits(corner, setup).ride, 0);
  const locks = motion.locksAt(state);
  const standing = (steer: number): Standing => ({
    scene: { ...rotor, wheelPose: motion.wheelFrom(state, steer) },
    mountPose: motion.mountFrom(state, description.mount, steer),
  });
  const straight = standing(0);
  const steered = { straight, left: standing(locks.left), right: standing(-locks.right) };

  const range = clockRange(cut);
  const line = isLine(before);
  const old = oldPlaces(before, line ? STEP_MM : SHEET_STEP_MM);
  if (!line && cut.readings.length < 2) {
    throw new ProblemError({
      code: 'missing',
      path: 'cut.readings',
      expected: 'at least two gaps, near both ends of the cut: between them it is taken as gone',
      found: 'one',
    });
  }
  if (!old.some((point) => range.holds(clockAt(straight, point)))) {
    throw new ProblemError({
      code: 'contradiction',
      path: 'cut.fromClock',
      expected: `a stretch of clock in which the thing lies, ${spanOf(old.map((point) => clockAt(straight, point)))}`,
      found: `${cut.fromClock} to ${cut.toClock}`,
    });
  }
  const measured = cut.readings.map((reading, i) => {
    const path = `cut.readings[${i}]`;
    const clockDeg = parseClock(reading.clock, joinPath(path, 'clock'));
    if (!range.holds(clockDeg, END_DEG)) {
      throw new ProblemError({
        code: 'outOfRange',
        path: joinPath(path, 'clock'),
        expected: `a clock position within the cut, ${cut.fromClock} to ${cut.toClock}`,
        found: formatClock(clockDeg),
      });
    }
    const there = steered[reading.steer];
    const was = oldThere(there, old, clockDeg);
    const outboardMm = reading.outboardMm ?? was.outboardMm;
    const gainedMm = reading.gapMm - was.gapMm;
    if (gainedMm < -TAPE_MM) {
      throw new ProblemError({
        code: 'contradiction',
        path: joinPath(path, 'gapMm'),
        expected: `a gap no less than before the cut, ${was.gapMm.toFixed(1)} mm at ${formatClock(clockDeg)}`,
        found: `${reading.gapMm} mm`,
      });
    }
    const landed = landReading({ ...reading, across: 'tread', outboardMm }, there.scene, path);
    const point = unplace(there.mountPose, landed.point);
    return { point, gainedMm, turn: range.turnOf(clockAt(straight, point)) };
  });
  const inOrder = [...measured].sort((a, b) => a.turn - b.turn);
  const fresh = inOrder.map(({ point }) => point);
  const outside = (point: Vec3): boolean => !range.holds(clockAt(straight, point));
  const stays = (point: Vec3): boolean => {
    const { gapMm, besideMm } = overTread(straight, point);
    const edgeMm = edgeAt(inOrder, range.turnOf(clockAt(straight, point)), (one) => overTread(straight, one).gapMm);
    return edgeMm === null || besideMm > BESIDE_MM || gapMm >= edgeMm;
  };
  return {
    shape: line ? lineWith(old, fresh, outside) : pointsOf([...old.filter(stays), ...densely(fresh)]),
    gainedMm: measured.map(({ gainedMm }) => gainedMm),
  };
}

/** Where a place stands over the tread: straight out from it, and how far beside it, mm; 0: over it. */
function overTread(at: Standing, point: Vec3): { readonly gapMm: number; readonly besideMm: number } {
  const { section, centrePlaneMm, wheelPose } = at.scene;
  const [x, y, z] = unplace(wheelPose, place(at.mountPose, point));
  return {
    gapMm: Math.hypot(x, z) - section.diameterMm / 2,
    besideMm: Math.max(0, Math.abs(y - centrePlaneMm) - section.widthMm / 2),
  };
}

/** The new edge between the readings beside a place of the clock, mm from the tread; null: beyond the outermost. */
function edgeAt(
  readings: readonly { readonly turn: number; readonly point: Vec3 }[],
  turn: number,
  gapOf: (point: Vec3) => number,
): number | null {
  const next = readings.findIndex((one) => one.turn >= turn);
  const [low, high] = [readings[next - 1], readings[next]];
  if (!low || !high) return null;
  const share = high.turn === low.turn ? 0 : (turn - low.turn) / (high.turn - low.turn);
  return (1 - share) * gapOf(low.point) + share * gapOf(high.point);
}

/** @throws ProblemError for more places than a file takes. */
function pointsOf(points: readonly Vec3[]): ShapeDescription {
  if (points.length > MOST_PLACES) {
    throw new ProblemError({
      code: 'tooLarge',
      path: 'cut.obstacle',
      expected: `no more than ${MOST_PLACES} places of what is left; survey what was cut of it as a thing of its own`,
      found: String(points.length),
    });
  }
  return { type: 'points', points: written(points) };
}

interface Standing {
  readonly scene: ReadingScene;
  readonly mountPose: Parameters<typeof place>[0];
}

const clockAt = ({ scene, mountPose }: Standing, point: Vec3): number =>
  clockOfPoint(scene.wheelPose, place(mountPose, point));

/** One line of places, one after the other. */
const isLine = ({ description: { shape, readings = [], readingsAs }, edge }: PreparedObstacle): boolean =>
  shape ? shape.type === 'polyline' && readings.length === 0 : edge ? edge.model.dims === 1 : readingsAs === 'polyline';

/** Where the thing lay before, mount's frame, each place once; along a line in its order. */
function oldPlaces({ pieces }: PreparedObstacle, stepMm: number): Vec3[] {
  const { at } = piecePlaces(pieces, stepMm);
  const places = new Map<string, Vec3>();
  for (let i = 0; i < at.length; i += 3) {
    const point: Vec3 = [at[i]!, at[i + 1]!, at[i + 2]!];
    const key = point.map(tenth).join();
    if (!places.has(key)) places.set(key, point);
  }
  return [...places.values()];
}

/** Hours of the clock from the beginning of a cut to its end, clockwise. */
function clockRange({ fromClock, toClock }: CutMeasured) {
  const from = parseClock(fromClock, 'cut.fromClock');
  const to = parseClock(toClock, 'cut.toClock');
  const wide = (to - from + 360) % 360;
  if (wide === 0) {
    throw new ProblemError({
      code: 'contradiction',
      path: 'cut.toClock',
      expected: 'an end of the cut at another clock position than its beginning, clockwise after it',
      found: `${fromClock} to ${toClock}`,
    });
  }
  const middle = from + wide / 2;
  /** Degrees from the middle of the cut, -180 to 180. */
  const turnOf = (clockDeg: number): number => ((clockDeg - middle + 540) % 360) - 180;
  return { turnOf, holds: (clockDeg: number, beyond = 0): boolean => Math.abs(turnOf(clockDeg)) <= wide / 2 + beyond };
}

/** The old edge at a clock position: its gap straight out from the tread, and how far outboard of the sidewall it lies there; mm. */
function oldThere(at: Standing, old: readonly Vec3[], clockDeg: number): { gapMm: number; outboardMm: number } {
  const { section, centrePlaneMm, wheelPose } = at.scene;
  const off = (point: Vec3): number => Math.abs(((clockAt(at, point) - clockDeg + 540) % 360) - 180);
  const near = old.reduce((best, point) => (off(point) < off(best) ? point : best));
  const [x, y, z] = unplace(wheelPose, place(at.mountPose, near));
  return {
    gapMm: Math.hypot(x, z) - section.diameterMm / 2,
    outboardMm: y - centrePlaneMm - section.widthMm / 2,
  };
}

/** The old line with the measured places in the place of what was cut out of it. */
function lineWith(old: readonly Vec3[], fresh: readonly Vec3[], outside: (point: Vec3) => boolean): ShapeDescription {
  const first = old.findIndex((point) => !outside(point));
  const last = old.findLastIndex((point) => !outside(point));
  const ends: readonly [Vec3, Vec3] = [old[first]!, old[last]!];
  const apart = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
  // A line may have been surveyed against the clock.
  const isTurned = apart(fresh[0]!, ends[0]) > apart(fresh[0]!, ends[1]);
  const points = [...old.slice(0, first), ...(isTurned ? [...fresh].reverse() : fresh), ...old.slice(last + 1)];
  return points.length > 1 ? { type: 'polyline', points: written(points) } : { type: 'points', points };
}

function densely(points: readonly Vec3[]): Vec3[] {
  return points.flatMap((point, i) => {
    const next = points[i + 1];
    if (!next) return [point];
    const count = Math.max(
      1,
      Math.ceil(Math.hypot(next[0] - point[0], next[1] - point[1], next[2] - point[2]) / SHEET_STEP_MM),
    );
    return Array.from({ length: count }, (_, k) => {
      const along = (axis: 0 | 1 | 2): number => point[axis] + (k / count) * (next[axis] - point[axis]);
      return [along(0), along(1), along(2)] as const;
    });
  });
}

/** Places to a tenth of a millimeter, as a file keeps them. */
const written = (points: readonly Vec3[]): Vec3[] => points.map(([x, y, z]) => [tenth(x), tenth(y), tenth(z)] as const);
const tenth = (mm: number): number => Math.round(10 * mm) / 10;

const spanOf = (clocks: readonly number[]): string => {
  const turns = clocks.map((clock) => ((clock + 180) % 360) - 180);
  return `${formatClock(Math.min(...turns))} to ${formatClock(Math.max(...turns))}`;
};
