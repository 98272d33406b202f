import { AXLES, type Axle } from '../../2-vehicle/setup/corner-key';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { axleKind, jobWork, spacerTypeAt, type AxleKind } from '../../6-decisions/plan/plan-work';
import { MODIFICATION_RULES, type Modification, type Precaution } from '../../6-decisions/plan/modification';
import type { Plan, PlanStep } from '../../6-decisions/plan/plan-step';
import { cautionsOf, type SetupWork } from '../../6-decisions/plan/setup-work';
import type { InstallKind } from './install-kind';
import type { PrescribedStep, StandingWork, WorkLine, WorkOrder } from '../../6-decisions/plan/work-order';

/** One step before it has words: which axle, part or planned change it is about. */
export interface SheetStep {
  readonly kind: InstallKind;
  readonly axle: Axle | null;
  /** What is fitted in this step. */
  readonly works: readonly SetupWork[];
  readonly planned: PlanStep | null;
  readonly prescribed: PrescribedStep | null;
  /** Of an axle on leaf springs. */
  readonly isLeaf: boolean;
  readonly spacerType: 'slipOn' | 'boltOn' | null;
  /** As the work order reckons it; 0 where it is part of another step. */
  readonly minutes: number;
  readonly cautions: readonly Precaution[];
}

const step = (
  kind: InstallKind,
  cautions: readonly Precaution[] = [],
  more: Partial<Omit<SheetStep, 'kind' | 'cautions'>> = {},
): SheetStep => ({
  kind,
  axle: null,
  works: [],
  planned: null,
  prescribed: null,
  isLeaf: false,
  spacerType: null,
  minutes: 0,
  ...more,
  cautions,
});

/** Parts for which the suspension is taken apart; the others are only screwed on. */
const COMES_APART: readonly LiftPart['kind'][] = [
  'ride',
  'springSpacer',
  'coilSpring',
  'collar',
  'strutTopSpacer',
  'block',
  'addedLeaf',
  'shackle',
  'longerShock',
  'drop',
  'liftSpindle',
  'armBracket',
  'coilOver',
  'upperArm',
];

/** Springs under tension are handled for these. */
const COILS: readonly LiftPart['kind'][] = [
  'ride',
  'springSpacer',
  'coilSpring',
  'collar',
  'strutTopSpacer',
  'coilOver',
];

/** The pattern side takes longer than the one that is done after it. Working value of this project. */
const PATTERN_SHARE = 0.6;

const comesApart = ({ what, part }: SetupWork): boolean =>
  part ? COMES_APART.includes(part.kind) : what === 'rideHeight' || what === 'subframeDrop' || what === 'axleMove';
const onCoil = ({ what, part }: SetupWork): boolean => (part ? COILS.includes(part.kind) : what === 'rideHeight');

/** Whatever is planned last, once the vehicle stands on its wheels: cut after a trial fit. */
const isCut = ({ kind }: PlanStep): boolean => MODIFICATION_RULES[kind as Modification].permanence >= 3;
const ofThing = ({ at }: { readonly at: PlanStep['at'] }): boolean => 'corner' in at;

/**
 * An ordered sheet of all the work of a job, with the minutes of its work order: bolts soaked days before, support before loosening, lines
 * off before the wheel hangs, one side as the pattern (both together on a beam axle), bushings tightened at ride height, studs evenly and
 * in a star. A caution stands once for each axle, at the step where its risk begins.
 */
export function installSheet(description: CaseDescription, plan: Plan | null, order: WorkOrder): SheetStep[] {
  const works = jobWork(description, plan);
  const axles = AXLES.map((axle) => axleSteps(description, plan, works, order, axle));
  const isApart = axles.some((one) => one.isApart);
  const fixes = (plan?.steps ?? []).filter(ofThing);
  const fix = (planned: PlanStep): SheetStep =>
    step('planned', MODIFICATION_RULES[planned.kind].cautions, { planned, minutes: minutesOfStep(order, planned) });
  const standing = (what: Exclude<StandingWork, 'stand'>): SheetStep[] =>
    order.lines.filter((line) => line.what === what).map(({ cautions, minutes }) => step(what, cautions, { minutes }));
  const takenOff = works.filter(({ what, at }) => what === 'takeOff' && !fixes.some((one) => one.at === at));
  const whole = works.filter(({ at }) => 'whole' in at);
  return onceEach([
    ...(isApart ? [step('soakBolts')] : []),
    step('layOutParts'),
    step('heightsBefore'),
    step('liftVehicle', isApart ? [] : ['supportAxle'], {
      minutes: minutesOf(order, ({ what }) => what === 'stand'),
    }),
    ...order.lines
      .filter(({ prescribed }) => prescribed !== null)
      .map(({ prescribed, minutes }) => step('prescribed', [], { prescribed, minutes })),
    ...takenOff.map((work) => workStep(order, work)),
    ...axles.flatMap(({ suspension }) => suspension),
    ...whole.map((work) => workStep(order, work)),
    ...fixes.filter((one) => !isCut(one)).map(fix),
    ...axles.flatMap(({ spacers }) => spacers),
    step('wheelsOn', ['cleanBareFaces', 'reTorque'], {
      works: works.filter(({ what }) => what === 'wheelsAndTires'),
      minutes: works
        .filter(({ what }) => what === 'wheelsAndTires')
        .reduce((sum, work) => sum + minutesOfWork(order, work), 0),
    }),
    step('brakeCheck', ['hoseStrain']),
    step('onItsWheels'),
    ...(isApart ? [step('torqueAtHeight', ['reTorque'])] : []),
    step('heightsAfter'),
    ...standing('trialFit'),
    ...standing('lookBehind'),
    ...fixes.filter(isCut).map(fix),
    ...standing('flexAgain'),
    ...standing('sealEdges'),
    ...standing('alignment'),
    ...standing('reTorque'),
  ]);
}

/** A caution of an axle, or of no axle in particular, only where it comes first. */
function onceEach(steps: readonly SheetStep[]): SheetStep[] {
  const seen = new Set<string>();
  return steps.map((one) => ({
    ...one,
    cautions: one.cautions.filter((caution) => {
      const key = `${one.axle ?? ''}${caution}`;
      const isSaid = one.axle ? seen.has(caution) : AXLES.some((axle) => seen.has(`${axle}${caution}`));
      if (isSaid || seen.has(key)) return false;
      seen.add(key);
      return true;
    }),
  }));
}

interface AxleSteps {
  readonly isApart: boolean;
  readonly suspension: readonly SheetStep[];
  readonly spacers: readonly SheetStep[];
}

function axleSteps(
  description: CaseDescription,
  plan: Plan | null,
  all: readonly SetupWork[],
  order: WorkOrder,
  axle: Axle,
): AxleSteps {
  const here = all.filter(({ at }) => 'axle' in at && at.axle === axle);
  const { isLeaf, isBeam } = axleKind(description, axle);
  const apart = here.filter(comesApart);
  const WHEELS: readonly SetupWork['what'][] = ['spacer', 'spacersOff', 'wheelsAndTires'];
  const beside = here.filter((work) => !comesApart(work) && !WHEELS.includes(work.what));
  const minutes = apart.reduce((sum, work) => sum + minutesOfWork(order, work), 0);
  const spacers = here.filter(({ what }) => what === 'spacer');
  const off = here.filter(({ what }) => what === 'spacersOff');
  return {
    isApart: apart.length > 0,
    suspension: [
      ...(apart.length > 0 ? apartSteps({ axle, apart, minutes, isLeaf, isBeam }) : []),
      ...beside.map((work) => workStep(order, work)),
    ],
    spacers: [
      ...off.map((work) => workStep(order, work)),
      ...(spacers.length > 0
        ? [
            step('spacersOn', ['cleanBareFaces', 'spacerLaw'], {
              axle,
              works: spacers,
              spacerType: spacerTypeAt(description, plan, axle),
              minutes: spacers.reduce((sum, work) => sum + minutesOfWork(order, work), 0),
            }),
          ]
        : []),
    ],
  };
}

function apartSteps({
  axle,
  apart: works,
  minutes,
  isLeaf,
  isBeam,
}: { readonly axle: Axle; readonly apart: readonly SetupWork[]; readonly minutes: number } & Pick<
  AxleKind,
  'isLeaf' | 'isBeam'
>): SheetStep[] {
  const at = { axle, works, isLeaf };
  const cautions = [...new Set(works.flatMap(cautionsOf))].filter(
    (caution) => caution !== 'supportAxle' && caution !== 'hoseStrain' && caution !== 'springEnergy',
  );
  const pattern = Math.round(PATTERN_SHARE * minutes);
  const onLeaf = works.some(({ part }) => part && ['block', 'addedLeaf', 'shackle'].includes(part.kind));
  const bothSides = works.some(({ sides }) => sides === 'both');
  return [
    step('supportAxle', ['supportAxle'], at),
    step('linesOff', ['hoseStrain'], at),
    step('markOrientation', [], at),
    ...(works.some(onCoil) && !isLeaf ? [step('unloadSpring', ['springEnergy'], at)] : []),
    ...(isBeam || !bothSides
      ? [step('fitTogether', cautions, { ...at, minutes })]
      : [
          step('fitPattern', cautions, { ...at, minutes: pattern }),
          step('fitMirror', [], { ...at, minutes: minutes - pattern }),
        ]),
    ...(isLeaf && onLeaf ? [step('uBoltsLoose', ['reTorque'], at)] : []),
    step('looseUntilLoaded', [], at),
  ];
}

function workStep(order: WorkOrder, work: SetupWork): SheetStep {
  const axle = 'axle' in work.at ? work.at.axle : null;
  return step('work', cautionsOf(work), { axle, works: [work], minutes: minutesOfWork(order, work) });
}

const minutesOf = (order: WorkOrder, is: (line: WorkLine) => boolean): number =>
  order.lines.filter(is).reduce((sum, { minutes }) => sum + minutes, 0);

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Work of the setup has a line of its own; that of a plan stands under its change. */
function minutesOfWork(order: WorkOrder, work: SetupWork): number {
  const own = order.lines.find((line) => isSame(line.work, work));
  return own
    ? own.minutes
    : minutesOf(order, (line) => line.work === null && line.what === work.as && isSame(line.at, work.at));
}

const minutesOfStep = (order: WorkOrder, { kind, at }: PlanStep): number =>
  minutesOf(order, (line) => line.work === null && line.what === kind && isSame(line.at, at));
