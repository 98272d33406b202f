import { AXLES, axleOf, sideOf, type Axle, type CornerKey } from '../../2-vehicle/setup/corner-key';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import type { SetupDescription } from '../../2-vehicle/setup/setup';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import { attempt } from '../../1-base/problem';
import { enteredSetupFor, type CaseDescription } from '../../4-clearance/case/case-description';
import { describedCorners } from '../../4-clearance/case/described-corner';
import { MODIFICATION_RULES, type Modification } from './modification';
import type { PlanStep } from './plan-step';

/** One piece of work that a setup asks for, in whatever room it was chosen. */
export interface SetupWork {
  readonly what:
    | 'part'
    | 'rideHeight'
    | 'bodyLift'
    | 'bumpStop'
    | 'subframeDrop'
    | 'axleMove'
    | 'steeringStop'
    | 'takeOff'
    | 'wheelsAndTires'
    | 'spacer'
    | 'spacersOff'
    /** A part that is on the vehicle and comes off. */
    | 'partOff'
    | 'armAdjust'
    /** A thing cut, folded, tucked or rerouted by a plan. */
    | 'reshape';
  readonly at: PlanStep['at'];
  readonly sides: 'both' | 'left' | 'right';
  /** mm or degrees; 0 where there is none. */
  readonly amount: number;
  readonly part: LiftPart | null;
  /** Of a spacer. */
  readonly spacerType: 'slipOn' | 'boltOn' | null;
  /** The change of a plan that takes as long and wants the same cautions. */
  readonly as: Modification;
  /** The suspension of this axle is apart already for another part. */
  readonly beside: boolean;
}

/** What a part is as work. */
const PART_AS: Readonly<Record<LiftPart['kind'], Modification>> = {
  ride: 'lift',
  springSpacer: 'lift',
  collar: 'lift',
  torsionBar: 'armAdjust',
  addedLeaf: 'lift',
  coilSpring: 'lift',
  load: 'unbolt',
  strutTopSpacer: 'lift',
  block: 'lift',
  shackle: 'lift',
  bumpStop: 'bumpStop',
  longerShock: 'lift',
  coilOver: 'lift',
  upperArm: 'lift',
  swayBarDrop: 'unbolt',
  drop: 'axleMove',
  liftSpindle: 'lift',
  armBracket: 'lift',
  body: 'bodyLift',
};

/**
 * Everything that a setup changes against what is on the vehicle, by a job before or as it was surveyed: suspension first, wheels and
 * spacers last. A load is nobody's work.
 */
export function setupWork(description: CaseDescription): SetupWork[] {
  const on = { ...description, setup: description.installed };
  const corners = describedCorners(description).map((key): CornerSetup => ({
    key,
    setup: enteredSetupFor(description, key),
    before: enteredSetupFor(on, key),
  }));
  return [
    ...AXLES.flatMap((axle) => suspensionOf(description, axle, corners)),
    ...bodyOf(corners),
    ...corners.flatMap((corner) => takenOff(description, corner)),
    ...AXLES.flatMap((axle) => wheelsOf(axle, corners)),
  ];
}

interface CornerSetup {
  readonly key: CornerKey;
  readonly setup: SetupDescription;
  /** On the vehicle already. */
  readonly before: SetupDescription;
}

/** What one list has and another has not, piece by piece. */
function lacking<Value>(all: readonly Value[], others: readonly Value[]): Value[] {
  const left = others.map((other) => JSON.stringify(other));
  return all.filter((value) => {
    const twin = left.indexOf(JSON.stringify(value));
    if (twin < 0) return true;
    left.splice(twin, 1);
    return false;
  });
}

/** Parts that somebody fits: of the suspension, and no load. */
const fittedParts = ({ parts = [] }: SetupDescription): LiftPart[] =>
  parts.filter(({ kind }) => kind !== 'load' && kind !== 'body');

const work = (
  what: SetupWork['what'],
  at: SetupWork['at'],
  as: Modification,
  more: Partial<SetupWork> = {},
): SetupWork => ({
  what,
  at,
  as,
  sides: 'both',
  amount: 0,
  part: null,
  spacerType: null,
  beside: false,
  ...more,
});

const isOn =
  (axle: Axle) =>
  ({ key }: CornerSetup): boolean =>
    axleOf(key) === axle;

/** What both sides have alike is on both; the other side of an axle that is not described is taken alike. */
function bySide<Value>(
  here: readonly CornerSetup[],
  of: (corner: CornerSetup) => readonly Value[],
): (readonly [Value, SetupWork['sides']])[] {
  const [first, second] = here;
  if (!first) return [];
  if (!second) return of(first).map((value) => [value, 'both'] as const);
  const others = [...of(second)];
  const rows = of(first).map((value) => {
    const twin = others.findIndex((other) => JSON.stringify(other) === JSON.stringify(value));
    if (twin < 0) return [value, sideOf(first.key)] as const;
    others.splice(twin, 1);
    return [value, 'both'] as const;
  });
  return [...rows, ...others.map((value) => [value, sideOf(second.key)] as const)];
}

function suspensionOf(description: CaseDescription, axle: Axle, corners: readonly CornerSetup[]): SetupWork[] {
  const here = corners.filter(isOn(axle));
  const at = { axle };
  const parts = bySide(here, ({ setup, before }) => lacking(fittedParts(setup), fittedParts(before)));
  const off = bySide(here, ({ setup, before }) => lacking(fittedParts(before), fittedParts(setup)));
  const number = (of: (setup: SetupDescription) => number): (readonly [number, SetupWork['sides']])[] =>
    bySide(here, ({ setup, before }) => (of(setup) === of(before) ? [] : [of(setup) - of(before)]));
  const lasting = [
    ...off.map(([part, sides]) => work('partOff', at, PART_AS[part.kind], { part, sides })),
    ...parts.map(([part, sides]) => work('part', at, PART_AS[part.kind], { part, sides })),
    ...number((setup) => setup.suspensionLiftMm).map(([amount, sides]) =>
      work('rideHeight', at, 'lift', { amount, sides }),
    ),
    ...number((setup) => setup.linkageDropMm).map(([amount, sides]) =>
      work('subframeDrop', at, 'axleMove', { amount, sides }),
    ),
    ...number((setup) => setup.bumpStopMm).map(([amount, sides]) =>
      work('bumpStop', at, 'bumpStop', { amount, sides }),
    ),
    ...number((setup) => setup.axleShiftMm).map(([amount, sides]) =>
      work('axleMove', at, 'axleMove', { amount, sides }),
    ),
  ];
  const stops = here.flatMap((corner) => lessLock(description, corner));
  // Taken apart once: a second part on the same axle comes beside the first.
  const apart = lasting.findIndex(({ as }) => as === 'lift');
  return [
    ...lasting.map((one, i) => (one.as === 'lift' && i !== apart ? { ...one, beside: true } : one)),
    ...(stops.length > 0 ? [work('steeringStop', at, 'steeringStop', { amount: Math.max(...stops) })] : []),
  ];
}

/** Degrees by which set stops take from the lock. */
function lessLock({ corners }: CaseDescription, { key, setup, before }: CornerSetup): number[] {
  const steering = corners[key]?.steering;
  if (!steering) return [];
  const { steerStopLeftDeg: left, steerStopRightDeg: right } = setup;
  const less = Math.max(
    left === undefined ? 0 : (before.steerStopLeftDeg ?? steering.lockLeftDeg) - left,
    right === undefined ? 0 : (before.steerStopRightDeg ?? steering.lockRightDeg) - right,
  );
  return less > 0 ? [less] : [];
}

function bodyOf(corners: readonly CornerSetup[]): SetupWork[] {
  const liftOf = ({ bodyLiftMm, parts = [] }: SetupDescription): number =>
    bodyLiftMm + parts.reduce((sum, part) => sum + (part.kind === 'body' ? part.liftMm : 0), 0);
  const most = corners.reduce((found, { setup, before }) => {
    const by = liftOf(setup) - liftOf(before);
    return Math.abs(by) > Math.abs(found) ? by : found;
  }, 0);
  return most !== 0 ? [work('bodyLift', { whole: true }, 'bodyLift', { amount: most })] : [];
}

const takenOff = ({ corners }: CaseDescription, { key, setup, before }: CornerSetup): SetupWork[] =>
  lacking(setup.removed ?? [], before.removed ?? []).map((id) => {
    const label = corners[key]?.obstacles.find((obstacle) => obstacle.id === id)?.label ?? id;
    return work('takeOff', { corner: key, obstacle: id, label }, 'unbolt', { sides: sideOf(key) });
  });

function wheelsOf(axle: Axle, all: readonly CornerSetup[]): SetupWork[] {
  const here = all.filter(isOn(axle));
  const changed = here.filter(({ setup, before }) => {
    const stand = ({ tire, wheel }: Pick<SetupDescription, 'tire' | 'wheel'>) => {
      const offset = attempt(() => wheelOffsetMm(wheel));
      return JSON.stringify([tire.size, wheel.diameterIn, wheel.widthIn, offset.ok ? Math.round(offset.value) : null]);
    };
    return stand(before) !== stand(setup);
  });
  const stack = ({ spacerMm, spacerType = 'slipOn' }: Pick<SetupDescription, 'spacerMm' | 'spacerType'>) =>
    ({ mm: spacerMm, type: spacerType }) as const;
  const isOther = (corner: CornerSetup): boolean => {
    const [before, after] = [stack(corner.before), stack(corner.setup)];
    return before.mm !== after.mm || (after.mm > 0 && before.type !== after.type);
  };
  const other = here.filter(isOther);
  const spacers = bySide(here, (one) => (isOther(one) && one.setup.spacerMm > 0 ? [stack(one.setup)] : []));
  const off = other.filter(({ setup }) => setup.spacerMm === 0);
  return [
    ...(off.length > 0
      ? [
          work('spacersOff', { axle }, 'otherWheel', {
            sides: off.length === here.length ? 'both' : sideOf(off[0]!.key),
          }),
        ]
      : []),
    ...spacers.map(([{ mm, type }, sides]) =>
      work('spacer', { axle }, 'spacer', { amount: mm, spacerType: type, sides }),
    ),
    ...(changed.length > 0 ? [work('wheelsAndTires', { axle }, 'otherWheel')] : []),
  ];
}

/** Minutes by which a second part on an axle that is apart already takes longer. Working value of this project. */
const BESIDE_MINUTES = 30;

/** Minutes of a piece of work, of the time that the change it is like takes. */
export const workMinutes = ({ beside, sides }: SetupWork, ofChange: number): number =>
  beside ? Math.min(BESIDE_MINUTES, ofChange) : sides === 'both' ? ofChange : Math.round(0.6 * ofChange);

export const cautionsOf = ({ as }: SetupWork) => MODIFICATION_RULES[as].cautions;
