/** The trade's words for what the engine names by key. */
import type { ChainClass } from '@/core/2-vehicle/tire/chain-room';
import type { Shoulder, TireKind } from '@/core/2-vehicle/tire/tire-kind';
import type { EnvelopeKind } from '@/core/4-clearance/envelope/envelope-kind';
import type { StandardId, Verdict } from '@/core/4-clearance/case/standard';
import type { RotorPlace } from '@/core/2-vehicle/setup/rotor';
import type { EdgeKind, RodRun } from '@/core/3-survey/description/edge-kind';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import type { MotionDescription } from '@/core/2-vehicle/motion/motion-description';
import type { Mount } from '@/core/2-vehicle/motion/mount';
import type { PartKind } from '@/core/3-survey/shape/part-kind';
import type { Material } from '@/core/3-survey/shape/material';
import type { PastLock } from '@/core/4-clearance/verdict/past-lock';
import { formatMm } from '@/core/1-base/units/length';

export const MATERIAL_NAMES: Readonly<Record<Material, string>> = {
  sheetMetal: 'Sheet metal',
  bodyMount: 'Body mount',
  frame: 'Frame',
  arm: 'Control arm',
  knuckle: 'Knuckle',
  brake: 'Brake part',
  spring: 'Spring',
  swayBar: 'Sway bar or link',
  hose: 'Hose',
  wire: 'Wire',
  plastic: 'Plastic',
  liner: 'Liner',
};

export const MOUNT_NAMES: Readonly<Record<Mount, string>> = {
  body: 'Body',
  frame: 'Frame',
  axle: 'Axle or arm end (moves up and down)',
  upperArm: 'Upper arm',
  lowerArm: 'Lower arm',
  tieRod: 'Tie rod',
  knuckle: 'Knuckle (steers with the wheel)',
};

/** What that means while the wheel moves. */
export const MOUNT_SAYS: Readonly<Record<Mount, string>> = {
  body: 'stays where it is; a body lift takes it up',
  frame: 'stays where it is',
  axle: 'rises and falls with the wheel and does not steer',
  upperArm: 'swings with the upper arm',
  lowerArm: 'swings with the lower arm',
  tieRod: 'goes with the tie rod',
  knuckle: 'rises, falls and steers with the wheel',
};

export const VEHICLE_KIND_NAMES: Readonly<Record<VehicleKind, string>> = {
  pickup: 'Pickup',
  wagon: 'Wagon',
  coupe: 'Car',
  van: 'Van',
  cart: 'Cart',
};

/** What a wheel hangs on, as anybody can see it. */
export const MOTION_NAMES: Readonly<Record<MotionDescription['type'], string>> = {
  doubleWishbone: 'Two arms',
  macphersonStrut: 'Strut',
  beamAxle: 'Solid axle',
  trailingArm: 'Trailing arm',
  swingArm: 'Not known',
};

export const ACROSS_NAMES: Readonly<Record<RotorPlace, string>> = {
  tread: 'tread',
  outerShoulder: 'outer shoulder',
  innerShoulder: 'inner shoulder',
  outerSidewall: 'outer sidewall',
  innerSidewall: 'inner sidewall',
  outerFlange: 'outer rim flange',
  innerFlange: 'inner rim flange',
  barrel: 'rim barrel',
  spokes: 'spokes or pad',
};

/** What readings together can be fitted to. */
export const EDGE_NAMES: Readonly<Record<EdgeKind, string>> = {
  arch: 'An edge round the wheel',
  cornerCurve: 'A short curved edge',
  uprightEdge: 'A straight upright edge',
  rod: 'A round bar',
  box: 'A block',
  tip: 'One small tip',
};

export const PART_KIND_NAMES: Readonly<Record<PartKind, string>> = {
  swappable: 'A part that others of its kind stand further off',
  bracketTab: 'A bracket’s tab that carries nothing',
  crashBracket: 'A maker’s crash bracket',
  structure: 'Restraint or crash structure',
};

export const ROD_RUN_NAMES: Readonly<Record<RodRun, string>> = {
  across: 'across the vehicle',
  foreAft: 'fore and aft',
  upright: 'upright',
};

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  clear: 'clear',
  close: 'close',
  tooClose: 'too close',
  rubs: 'rubs',
  notKnown: 'not known',
};

export const STANDARD_NAMES: Readonly<Record<StandardId, string>> = {
  neverRub: 'Never rub',
  plasticKiss: 'Plastic may be kissed near full bump',
  cutToFit: 'Cut to fit',
};

export const ENVELOPE_NAMES: Readonly<Record<EnvelopeKind, string>> = {
  trail: 'Trail: everything the stops allow',
  street: 'Street: less lock as the wheel leaves ride height',
  loaded: 'Loaded: street about the loaded height',
  drawn: 'Drawn: steer limits row by row',
};

const WHOLE = 0.5;

/** `the other wheel 210 mm lower`, where it makes a difference. */
const otherWheelWords = (crossMm: number): string =>
  Math.abs(crossMm) < LEAST_CROSS_MM
    ? ''
    : `, the other wheel ${formatMm(Math.abs(crossMm), 0)} mm ${crossMm > 0 ? 'higher' : 'lower'}`;

const LEAST_CROSS_MM = 5;

/** `steered 29° left, 82 mm up` and the like; `crossMm`: how much higher the other wheel of a beam axle stands. */
export function postureWords(steerDeg: number, travelMm: number, rideMm = 0, crossMm = 0): string {
  const degrees = Math.abs(steerDeg);
  const steer =
    degrees < WHOLE ? 'straight ahead' : `steered ${degrees.toFixed(0)}° ${steerDeg > 0 ? 'left' : 'right'}`;
  const height = travelMm - rideMm;
  const travel =
    Math.abs(height) < WHOLE
      ? 'at ride height'
      : `${formatMm(Math.abs(height), 0)} mm ${height > 0 ? 'up' : 'down'} from ride`;
  return `${steer}, ${travel}${otherWheelWords(crossMm)}`;
}

/** Why a wheel stands further round than its lock was read; '' where it does not. */
export function pastLockWords(past: PastLock | undefined): string {
  if (!past) return '';
  const lock = `past the lock of ${past.lockDeg.toFixed(0)}°`;
  return past.why === 'heading'
    ? `${lock}, which is a heading: about the leaning axis it is more`
    : `${lock}: at this height the tie rod turns the wheel further`;
}

/** `38° right, 60 down`: a posture in little room. */
export function shortPosture(steerDeg: number, travelMm: number, rideMm = 0): string {
  const degrees = Math.abs(steerDeg);
  const steer = degrees < WHOLE ? 'straight' : `${degrees.toFixed(0)}° ${steerDeg > 0 ? 'left' : 'right'}`;
  const height = travelMm - rideMm;
  const travel =
    Math.abs(height) < WHOLE ? 'at ride' : `${formatMm(Math.abs(height), 0)} ${height > 0 ? 'up' : 'down'}`;
  return `${steer}, ${travel}`;
}

export const TIRE_KIND_WORDS: Readonly<Record<TireKind, string>> = {
  highway: 'highway',
  allTerrain: 'all terrain',
  mud: 'mud',
};

export const SHOULDER_WORDS: Readonly<Record<Shoulder, string>> = {
  round: 'round',
  usual: 'usual',
  square: 'square',
};

export const CHAIN_WORDS: Readonly<Record<ChainClass, string>> = {
  lowProfile: 'low-profile car chain',
  classS: 'class S',
  classU: 'class U',
  classW: 'class W',
};
