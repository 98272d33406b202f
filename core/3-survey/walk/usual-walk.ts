import { parseClock } from '../../1-base/units/clock';
import type { Side } from '../../2-vehicle/motion/steering';
import type { Material } from '../shape/material';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import type { Mount } from '../../2-vehicle/motion/mount';
import type { ReadingPlace } from '../reading/reading';
import type { EdgeForm, EdgeKind } from '../description/edge-kind';
import type { WalkHeight } from './walk-height';

/** One gap of the walk round a tire. */
export interface WalkStep {
  /** Where to hold the tape, or about where the least gap is looked for. */
  readonly clock: string;
  /** The tape is moved along the thing until the gap is least. */
  readonly nearest: boolean;
  /** Where across it will most likely start. */
  readonly across: ReadingPlace;
  /** `toward`: the lock at which the thing comes nearer. */
  readonly steer: 'straight' | 'left' | 'right' | 'toward';
  readonly height: WalkHeight;
  /** The distance outboard of the sidewall: taken here, or taken over from the reading before. */
  readonly outboard?: 'taken' | 'before';
}

/** One thing near the tire, as practitioners come to it. */
export interface WalkStop {
  readonly id: string;
  readonly label: string;
  /** First of these that the suspension has. */
  readonly mounts: readonly Mount[];
  readonly material: Material;
  readonly readingsAs: EdgeKind;
  readonly form?: Omit<EdgeForm, 'boxMm'>;
  readonly steps: readonly WalkStep[];
}

const at = (clock: string, outboard?: WalkStep['outboard']): WalkStep => ({
  clock,
  nearest: false,
  across: 'tread',
  steer: 'straight',
  height: 'ride',
  ...(outboard ? { outboard } : {}),
});

const least = (
  clock: string,
  across: ReadingPlace,
  steer: WalkStep['steer'] = 'straight',
  height: WalkHeight = 'ride',
): WalkStep => ({ clock, nearest: true, across, steer, height });

/** The walk round a steered wheel: twenty-one numbers, the lip's two outboard distances among them. */
export const STEERED_WALK: readonly WalkStop[] = [
  {
    id: 'fender-lip',
    label: 'Fender lip',
    mounts: ['body'],
    material: 'sheetMetal',
    readingsAs: 'arch',
    steps: [at('12:00', 'taken'), at('10:00', 'before'), at('2:40', 'taken'), at('1:30', 'before')],
  },
  {
    id: 'bumper-corner',
    label: 'Lower front corner: bumper or fender',
    mounts: ['body'],
    material: 'plastic',
    readingsAs: 'cornerCurve',
    steps: [at('3:20'), least('4:00', 'innerShoulder', 'left'), least('4:10', 'outerSidewall', 'right')],
  },
  {
    id: 'pinch-weld',
    label: 'Rear edge of the well: pinch weld or rocker',
    mounts: ['body'],
    material: 'sheetMetal',
    readingsAs: 'uprightEdge',
    steps: [at('8:30'), least('8:30', 'outerSidewall', 'left'), least('8:30', 'innerShoulder', 'right')],
  },
  {
    id: 'body-mount',
    label: 'Body mount',
    mounts: ['frame'],
    material: 'bodyMount',
    readingsAs: 'box',
    steps: [least('8:30', 'tread'), least('8:30', 'outerShoulder', 'left'), least('8:20', 'innerSidewall', 'right')],
  },
  {
    id: 'frame-rail',
    label: 'Frame rail',
    mounts: ['frame'],
    material: 'frame',
    readingsAs: 'rod',
    form: { runs: 'foreAft' },
    steps: [least('11:00', 'innerSidewall'), least('9:00', 'innerSidewall', 'left')],
  },
  {
    id: 'sway-bar-link',
    label: 'Sway-bar link',
    mounts: ['lowerArm', 'axle'],
    material: 'swayBar',
    readingsAs: 'rod',
    form: { runs: 'upright' },
    steps: [least('2:00', 'innerSidewall'), least('3:00', 'innerSidewall', 'toward')],
  },
  {
    id: 'arm-end',
    label: 'Upper arm, outer end',
    mounts: ['upperArm', 'axle'],
    material: 'arm',
    readingsAs: 'tip',
    form: { rodDiameterMm: 30 },
    steps: [least('12:00', 'innerSidewall'), least('12:00', 'innerSidewall', 'left')],
  },
];

/** On a strut the link hangs from the strut and turns with it; there is no upper arm. */
const STRUT_LINK: Partial<WalkStop> = { mounts: ['knuckle'] };
const STRUT: Partial<WalkStop> = {
  id: 'strut',
  label: 'Strut or spring seat',
  mounts: ['knuckle'],
  material: 'spring',
  readingsAs: 'rod',
  form: { runs: 'upright' },
  steps: [least('12:00', 'innerSidewall'), least('1:00', 'innerSidewall')],
};

/** A beam axle has no arms beside the wheel: links or leaves, which rise and fall with it. */
const LINK: Partial<WalkStop> = {
  id: 'axle-link',
  label: 'Radius arm, link or leaf spring',
  mounts: ['axle'],
  readingsAs: 'rod',
  form: { runs: 'foreAft' },
  steps: [least('9:00', 'innerSidewall'), least('9:00', 'innerSidewall', 'left')],
};

/** The walk round a wheel that does not steer. */
export const STRAIGHT_WALK: readonly WalkStop[] = [
  {
    id: 'fender-lip',
    label: 'Fender lip',
    mounts: ['body'],
    material: 'sheetMetal',
    readingsAs: 'arch',
    steps: [
      at('12:00', 'taken'),
      at('10:00', 'before'),
      at('2:00', 'taken'),
      at('9:00', 'before'),
      at('3:00', 'before'),
    ],
  },
  {
    id: 'liner',
    label: 'Inner fender above the tire',
    mounts: ['body'],
    material: 'liner',
    readingsAs: 'arch',
    steps: [least('12:00', 'innerShoulder'), least('12:00', 'innerShoulder', 'straight', 'bump')],
  },
  {
    id: 'frame-rail',
    label: 'Frame rail or spring',
    mounts: ['frame'],
    material: 'frame',
    readingsAs: 'rod',
    form: { runs: 'foreAft' },
    steps: [least('12:00', 'innerSidewall'), least('12:00', 'innerSidewall', 'straight', 'bump')],
  },
  {
    id: 'shock',
    label: 'Shock or bracket inboard',
    mounts: ['axle', 'frame'],
    material: 'frame',
    readingsAs: 'tip',
    steps: [least('10:00', 'innerSidewall'), least('10:00', 'innerSidewall', 'straight', 'hang')],
  },
];

/** Where it stands on one corner it stands on all: a vehicle has body mounts or has none. */
export const WHOLE_VEHICLE: readonly string[] = ['body-mount'];

/** What of a corner decides its walk. */
export interface WalkedCorner {
  readonly steering?: unknown;
  readonly motion: { readonly type: MotionDescription['type'] };
}

/**
 * The walk made for a corner's suspension: no upper arm on a beam axle or a strut, no body mount on a strut, whose body
 * has hardly ever a frame under it (common practice, no source).
 */
export function usualWalk({ steering, motion: { type } }: WalkedCorner): readonly WalkStop[] {
  if (steering === undefined) return STRAIGHT_WALK;
  if (type === 'macphersonStrut') {
    return STEERED_WALK.filter(({ id }) => id !== 'body-mount').map((stop) =>
      stop.id === 'arm-end' ? { ...stop, ...STRUT } : stop.id === 'sway-bar-link' ? { ...stop, ...STRUT_LINK } : stop,
    );
  }
  if (type === 'beamAxle') return STEERED_WALK.map((stop) => (stop.id === 'arm-end' ? { ...stop, ...LINK } : stop));
  return STEERED_WALK;
}

export type PlainSteer = 'left' | 'straight' | 'right';

/** A lock as it is called on the other side of the vehicle. */
export const mirroredSteer = (steer: PlainSteer): PlainSteer =>
  steer === 'straight' ? steer : steer === 'left' ? 'right' : 'left';

/** How a step is steered on a side. The walk is written for a left wheel; on a right one the locks change places. */
export function steerOn(side: Side, { steer, clock }: Pick<WalkStep, 'steer' | 'clock'>): PlainSteer {
  // What is inboard and ahead comes nearer when the front of the wheel turns inboard.
  const onLeft = steer !== 'toward' ? steer : parseClock(clock) < 180 ? 'right' : 'left';
  return side === 'left' ? onLeft : mirroredSteer(onLeft);
}
