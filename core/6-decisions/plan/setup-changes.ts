import { type CaseDescription, enteredSetupFor } from '../../4-clearance/case/case-description';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { type CornerKey, axleOf } from '../../2-vehicle/setup/corner-key';
import type { SetupDescription } from '../../2-vehicle/setup/setup';
import { describedCorners } from '../../4-clearance/case/described-corner';
import { wholeSetup } from '../finder/setup-of';
import { withOffset } from '../../2-vehicle/wheel/with-offset';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import type { Modification } from './modification';

/** What is changed at both wheels of an axle, beside what the setup already is. mm and degrees; 0: nothing. */
export interface AxleChanges {
  /** Bump stop longer, at the wheel. */
  readonly bumpStopMm: number;
  /** Lock taken from both sides. */
  readonly steeringStopDeg: number;
  readonly spacerMm: number;
  /** Another wheel of the same size: + = more offset, further inboard. */
  readonly otherWheelMm: number;
  /** Caster by the arms' adjusters, + = more. */
  readonly armAdjustDeg: number;
  /** + = forward. */
  readonly axleMoveMm: number;
  /** On the spring, so that the stops stay where they are. */
  readonly liftMm: number;
}

export interface VehicleChanges {
  readonly front: AxleChanges;
  readonly rear: AxleChanges;
  readonly bodyLiftMm: number;
}

export const NO_AXLE_CHANGE: AxleChanges = {
  bumpStopMm: 0,
  steeringStopDeg: 0,
  spacerMm: 0,
  otherWheelMm: 0,
  armAdjustDeg: 0,
  axleMoveMm: 0,
  liftMm: 0,
};

export const NO_CHANGE: VehicleChanges = { front: NO_AXLE_CHANGE, rear: NO_AXLE_CHANGE, bodyLiftMm: 0 };

/** Changes of an axle, in the order in which they are made. */
export const AXLE_CHANGE_KEYS = Object.keys(NO_AXLE_CHANGE) as (keyof AxleChanges)[];

/** Which modification a change is. */
export const KIND_OF: Readonly<Record<keyof AxleChanges, Modification>> = {
  bumpStopMm: 'bumpStop',
  steeringStopDeg: 'steeringStop',
  spacerMm: 'spacer',
  otherWheelMm: 'otherWheel',
  armAdjustDeg: 'armAdjust',
  axleMoveMm: 'axleMove',
  liftMm: 'lift',
};

/** Least lock a stop leaves, degrees. */
const LEAST_LOCK_DEG = 0.1;

/** A corner's setup with changes made to it. */
function changedSetup(
  setup: SetupDescription,
  { steering }: CornerDescription,
  changes: AxleChanges,
  bodyLiftMm: number,
): SetupDescription {
  const less = changes.steeringStopDeg;
  const stop = (now: number | undefined, lock: number): number => Math.max(LEAST_LOCK_DEG, (now ?? lock) - less);
  const parts: LiftPart[] = [
    ...(setup.parts ?? []),
    ...(changes.liftMm === 0 ? [] : [{ kind: 'ride' as const, liftMm: changes.liftMm }]),
  ];
  return {
    ...setup,
    ...(steering && less > 0
      ? {
          steerStopLeftDeg: stop(setup.steerStopLeftDeg, steering.lockLeftDeg),
          steerStopRightDeg: stop(setup.steerStopRightDeg, steering.lockRightDeg),
        }
      : {}),
    ...(changes.otherWheelMm === 0
      ? {}
      : { wheel: withOffset(setup.wheel, wheelOffsetMm(setup.wheel) + changes.otherWheelMm) }),
    bumpStopMm: setup.bumpStopMm + changes.bumpStopMm,
    spacerMm: setup.spacerMm + changes.spacerMm,
    casterChangeDeg: setup.casterChangeDeg + changes.armAdjustDeg,
    axleShiftMm: setup.axleShiftMm + changes.axleMoveMm,
    bodyLiftMm: setup.bodyLiftMm + bodyLiftMm,
    parts,
  };
}

/** The vehicle with changes made, and the named things taken off. @throws ProblemError for a wheel without an offset. */
export function withChanges(
  description: CaseDescription,
  changes: VehicleChanges,
  takenOff: readonly { readonly corner: CornerKey; readonly obstacle: string }[] = [],
): CaseDescription {
  const own: Partial<Record<CornerKey, SetupDescription>> = {};
  for (const key of describedCorners(description)) {
    const setup = enteredSetupFor(description, key);
    const off = takenOff.filter(({ corner }) => corner === key).map(({ obstacle }) => obstacle);
    own[key] = {
      ...changedSetup(setup, description.corners[key]!, changes[axleOf(key)], changes.bodyLiftMm),
      removed: [...new Set([...(setup.removed ?? []), ...off])],
    };
  }
  return { ...description, setup: wholeSetup(own) };
}
