/** The numbers of a corner's baseline, in the order they are taken. */
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { LIMITS, type Range } from '@/core/1-base/limits';

/** One number of a corner's baseline: how it is called, checked, read and written. */
export interface Entry {
  readonly label: string;
  readonly range: Range;
  readonly quantity?: 'length' | 'degrees';
  readonly optional?: boolean;
  readonly typedAs: string;
  /** `across`: the other corner of the axle. */
  readonly read: (corner: LowgapCorner, across?: LowgapCorner) => number | undefined;
  readonly write: (corner: LowgapCorner, value: number | undefined, across?: LowgapCorner) => void;
}

export const HEIGHTS: readonly Entry[] = [
  {
    label: 'Travel to full squash of the bump stop',
    typedAs: 'bumpMm',
    range: LIMITS.travelLimitMm,
    read: (c) => c.travel.bumpMm,
    write: (c, v) => (c.travel.bumpMm = v ?? 0),
  },
  {
    label: 'Travel to first touch of the bump stop',
    typedAs: 'firstTouchMm',
    range: LIMITS.travelLimitMm,
    optional: true,
    read: (c) => c.travel.firstTouchMm,
    write: (c, v) => (v === undefined ? delete c.travel.firstTouchMm : (c.travel.firstTouchMm = v)),
  },
  {
    label: 'Sinks this much when loaded',
    typedAs: 'loadedSagMm',
    range: LIMITS.sagMm,
    optional: true,
    read: (c) => c.loadedSagMm,
    write: (c, v) => (v === undefined ? delete c.loadedSagMm : (c.loadedSagMm = v)),
  },
  {
    label: 'Travel to full droop',
    typedAs: 'droopMm',
    range: LIMITS.travelLimitMm,
    read: (c) => c.travel.droopMm,
    write: (c, v) => (c.travel.droopMm = v ?? 0),
  },
];

/** A ramp reading as it is taken, hub to lip, of a wheel whose height at ride is known. */
const rampEntry = (
  field: 'rampHereMm' | 'rampOtherMm',
  label: string,
  rideOf: (corner: LowgapCorner, across?: LowgapCorner) => number | undefined,
): Entry => ({
  label,
  typedAs: field,
  range: LIMITS.hubToLipMm,
  optional: true,
  read: (c, across) => {
    const ride = rideOf(c, across);
    return ride === undefined || c.travel[field] === undefined ? undefined : ride - c.travel[field];
  },
  write: (c, v, across) => {
    const ride = rideOf(c, across);
    if (v === undefined) delete c.travel[field];
    else if (ride !== undefined) c.travel[field] = ride - v;
  },
});

/** Hub to lip of both wheels with one of them on a ramp or hump and its stop closed. */
export const RAMP: readonly Entry[] = [
  rampEntry('rampHereMm', 'On a ramp, this stop closed: hub to lip here', (c) => c.hubToLipMm),
  rampEntry('rampOtherMm', '… and hub to lip at the other wheel', (_c, across) => across?.hubToLipMm),
];

type SteeringField =
  'lockLeftDeg' | 'lockRightDeg' | 'inclinationDeg' | 'casterDeg' | 'kingpinOffsetMm' | 'casterTrailMm';
const steeringEntry = (field: SteeringField, label: string, range: Range): Entry => ({
  label,
  range,
  typedAs: field,
  quantity: field.endsWith('Deg') ? 'degrees' : 'length',
  read: (c) => c.steering?.[field],
  write: (c, v) => c.steering && (c.steering[field] = v ?? 0),
});

/** The locks, and the steering axis where the motion's own ball joints do not give it. */
export const LOCKS: readonly Entry[] = [
  steeringEntry('lockLeftDeg', 'This wheel at full left lock', LIMITS.lockDeg),
  steeringEntry('lockRightDeg', 'This wheel at full right lock', LIMITS.lockDeg),
];

export const STEERING_AXIS: readonly Entry[] = [
  steeringEntry('kingpinOffsetMm', 'Steering axis inboard of the hub face', LIMITS.kingpinOffsetMm),
  steeringEntry('inclinationDeg', 'Steering axis leans in at the top', LIMITS.inclinationDeg),
  steeringEntry('casterDeg', 'Caster: leans back at the top', LIMITS.casterDeg),
  steeringEntry('casterTrailMm', 'Axis ahead of the hub center', LIMITS.casterTrailMm),
];

const targetEntry = (field: 'camberDeg' | 'casterDeg', label: string, range: Range): Entry => ({
  label,
  typedAs: `alignTo.${field}`,
  quantity: 'degrees',
  range,
  optional: true,
  read: (c) => c.alignTo?.[field],
  write: (c, v) => {
    const { [field]: _old, ...rest } = c.alignTo ?? {};
    if (v === undefined && Object.keys(rest).length === 0) delete c.alignTo;
    else c.alignTo = v === undefined ? rest : { ...rest, [field]: v };
  },
});

/** How far the adjusters of a corner reach. */
const reachEntry = (field: 'camberByDeg' | 'casterByDeg', label: string): Entry => ({
  label,
  typedAs: `adjusters.${field}`,
  quantity: 'degrees',
  range: { min: 0, max: 30, unit: 'degrees' },
  optional: true,
  read: (c) => c.adjusters?.[field],
  write: (c, v) => {
    const { [field]: _old, ...rest } = c.adjusters ?? {};
    if (v === undefined && Object.keys(rest).length === 0) delete c.adjusters;
    else c.adjusters = v === undefined ? rest : { ...rest, [field]: v };
  },
});

/** What it is aligned to, and how far that can be set. */
export const TARGETS: readonly Entry[] = [
  targetEntry('camberDeg', 'Aligned to a camber of (as now)', LIMITS.camberDeg),
  targetEntry('casterDeg', 'Aligned to a caster of (as now)', LIMITS.casterDeg),
  reachEntry('camberByDeg', 'Camber adjusts either way by'),
  reachEntry('casterByDeg', 'Caster adjusts either way by'),
];

export const ALIGNMENT: readonly Entry[] = [
  {
    label: 'Camber, + = top out',
    typedAs: 'staticCamberDeg',
    quantity: 'degrees',
    range: LIMITS.camberDeg,
    read: (c) => c.staticCamberDeg,
    write: (c, v) => (c.staticCamberDeg = v ?? 0),
  },
  {
    label: 'Toe, + = in',
    typedAs: 'staticToeDeg',
    quantity: 'degrees',
    range: LIMITS.toeDeg,
    read: (c) => c.staticToeDeg,
    write: (c, v) => (c.staticToeDeg = v ?? 0),
  },
];

const giveEntry = (mount: 'body' | 'frame' | 'upperArm' | 'lowerArm' | 'axle', label: string): Entry => ({
  label,
  typedAs: `complianceMm.${mount}`,
  range: LIMITS.complianceMm,
  optional: true,
  read: (c) => c.complianceMm?.[mount],
  write: (c, v) => {
    const { [mount]: _old, ...rest } = c.complianceMm ?? {};
    if (v === undefined && Object.keys(rest).length === 0) delete c.complianceMm;
    else c.complianceMm = v === undefined ? rest : { ...rest, [mount]: v };
  },
});

/** How far rubber lets the wheel come nearer to what is fixed so: pried or rocked by hand, or as marks tell. */
export const GIVE: readonly Entry[] = [
  giveEntry('body', 'Bushings give toward the body by'),
  giveEntry('frame', '… toward the frame by'),
  giveEntry('upperArm', '… toward the upper arm by'),
  giveEntry('lowerArm', '… toward the lower arm by'),
];
