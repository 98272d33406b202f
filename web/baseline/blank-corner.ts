import type { LowgapCorner, LowgapFile } from '@/contracts/lowgap-file';
import { mountUnder } from '@/core/3-survey/description/default-mount';
import { hasBallJoints } from '@/core/2-vehicle/motion/motion-description';
import { blankMotion, type MotionType } from './motion-entries';
import { STARTING_VALUES, type StartingValue } from '@/core/3-survey/known/known';
import { WHOLE_VEHICLE } from '@/core/3-survey/walk/usual-walk';
import { ackermannLockDeg, isInnerLock, STARTING_LOCKS } from '@/core/2-vehicle/motion/ackermann';
import { CORNER_KEYS, type CornerKey, axleOf, acrossFrom, sideOf } from '@/core/2-vehicle/setup/corner-key';

/** A steering axis nobody has measured yet. */
export const BLANK_AXIS = { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 90, casterTrailMm: 0 };
export const BLANK_AXIS_NAMES = ['inclinationDeg', 'casterDeg', 'kingpinOffsetMm', 'casterTrailMm'] as const;

/**
 * A corner nobody has measured yet. The numbers are starting values to be overwritten at the vehicle; they are
 * shown as such until the baseline is filled in.
 */
export function blankCorner(key: CornerKey): LowgapCorner {
  const front = axleOf(key) === 'front';
  return {
    motion: { type: 'swingArm', ...(front ? { frontView: { y: -1500, z: 0 } } : {}) },
    ...(front
      ? {
          steering: {
            ...BLANK_AXIS,
            lockLeftDeg: startingLock(key, 'left'),
            lockRightDeg: startingLock(key, 'right'),
            lockMeasured: 'heading' as const,
          },
        }
      : {}),
    staticCamberDeg: 0,
    staticToeDeg: 0,
    travel: { bumpMm: 80, droopMm: 90 },
    fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
    obstacles: [],
    starting: STARTING_VALUES.filter((value) => front || !STEERED_VALUES.includes(value)),
  };
}

/** As a turn plate reads the inner and the outer wheel of a turn. */
const startingLock = (key: CornerKey, toward: 'left' | 'right'): number =>
  isInnerLock(sideOf(key), toward) ? STARTING_LOCKS.innerDeg : STARTING_LOCKS.outerDeg;

/** The lock that nobody read follows the one that was, by Ackermann's condition where wheelbase and track are known. */
export function takeOtherLock(
  key: CornerKey,
  corner: LowgapCorner,
  read: 'lockLeftDeg' | 'lockRightDeg',
  { wheelbaseMm, trackFrontMm }: LowgapFile['vehicle'],
): void {
  const other = read === 'lockLeftDeg' ? 'lockRightDeg' : 'lockLeftDeg';
  if (!corner.steering || !corner.starting?.includes(other)) return;
  if (corner.steering.lockMeasured !== 'heading' || wheelbaseMm === undefined || trackFrontMm === undefined) return;
  const isInner = isInnerLock(sideOf(key), read === 'lockLeftDeg' ? 'left' : 'right');
  const base = { wheelbaseMm, trackMm: trackFrontMm };
  corner.steering[other] = Math.round(10 * ackermannLockDeg(corner.steering[read], isInner, base)) / 10;
}

/** Values that only a steered wheel has. */
const STEERED_VALUES: readonly StartingValue[] = ['lockLeftDeg', 'lockRightDeg', ...BLANK_AXIS_NAMES];

/** A number stands in that nobody measured. Names that no starting value has are nobody's. */
export function standIn(corner: LowgapCorner, value: string): void {
  const found = STARTING_VALUES.find((one) => one === value);
  if (found && !corner.starting?.includes(found)) corner.starting = [...(corner.starting ?? []), found];
}

/** A number was typed: it stands in for nothing any more. */
export function settle(corner: LowgapCorner, value: string): void {
  const left = corner.starting?.filter((one) => one !== value);
  if (left?.length) corner.starting = left;
  else delete corner.starting;
}

/**
 * A rod across the vehicle is one rod for both sides: its ends are reflected about the middle, from one hub face to the other.
 * All else stands as far outboard on this side as on the other.
 */
function mirroredMotion(motion: LowgapCorner['motion']): LowgapCorner['motion'] {
  if (motion.type !== 'beamAxle' || !motion.points?.panhardFrame || !motion.points.panhardAxle) return motion;
  const acrossTo = ([x, y, z]: readonly [number, number, number]): [number, number, number] => [
    x,
    -motion.hubSpacingMm - y,
    z,
  ];
  const { panhardFrame, panhardAxle } = motion.points;
  return {
    ...motion,
    points: { ...motion.points, panhardFrame: acrossTo(panhardFrame), panhardAxle: acrossTo(panhardAxle) },
  };
}

/** A corner as the other side of its axle stands, marked so; its readings and heights are not carried over. */
export function mirroredCorner(key: CornerKey, other: LowgapCorner): LowgapCorner {
  const { hubToLipMm: _hub, groundToLipMm: _ground, photos: _pictures, typed, ...rest } = structuredClone(other);
  const { hubToLipMm: _typedHub, groundToLipMm: _typedGround, rampHereMm: _a, rampOtherMm: _b, ...kept } = typed ?? {};
  const { rampHereMm: _here, rampOtherMm: _other, ...travel } = rest.travel;
  const steering = rest.steering && {
    ...rest.steering,
    lockLeftDeg: rest.steering.lockRightDeg,
    lockRightDeg: rest.steering.lockLeftDeg,
  };
  return {
    ...rest,
    motion: mirroredMotion(rest.motion),
    travel,
    ...(steering ? { steering } : {}),
    typed: kept,
    obstacles: [],
    mirroredFrom: acrossFrom(key),
  };
}

/**
 * The best first guess of a corner nobody has taken: its mirror image; else starting values, with the tire and wheel and the
 * travel of a corner that was taken, still to be measured here.
 */
export function newCorner(key: CornerKey, corners: LowgapFile['corners']): LowgapCorner {
  const other = corners[acrossFrom(key)];
  if (other) return mirroredCorner(key, other);
  const blank = blankCorner(key);
  const taken = CORNER_KEYS.flatMap((one) => corners[one] ?? [])[0];
  if (!taken) return blank;
  const nowhere = (taken.skipped ?? []).filter((id) => WHOLE_VEHICLE.includes(id));
  const { tire, wheel, spacerMm } = structuredClone(taken.fitted);
  return {
    ...blank,
    travel: { bumpMm: taken.travel.bumpMm, droopMm: taken.travel.droopMm },
    fitted: { tire: { size: tire.size }, wheel, spacerMm },
    ...(nowhere.length > 0 ? { skipped: nowhere } : {}),
  };
}

/** The same corner on another kind of suspension: its things go with what that one has, and its measures are still to be taken. */
export function takeMotion(corner: LowgapCorner, type: MotionType): void {
  const before = corner.motion;
  corner.motion = blankMotion(type);
  for (const thing of corner.obstacles) thing.mount = mountUnder(thing, before, corner.motion);
  // What it brings along was measured by nobody.
  standIn(corner, 'motion');
  for (const spacing of ['stopSpacingMm', 'shockSpacingMm'] as const) {
    if (type === 'beamAxle') standIn(corner, spacing);
    else settle(corner, spacing);
  }
  // An axis entered before stays; a motion without ball joints needs one.
  if (corner.steering && !hasBallJoints(corner.motion)) {
    for (const name of BLANK_AXIS_NAMES) if (corner.steering[name] === undefined) standIn(corner, name);
    corner.steering = { ...BLANK_AXIS, ...corner.steering };
  }
}
