import { AXLES, type Axle, axleOf } from '../../2-vehicle/setup/corner-key';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { describedCorners } from '../../4-clearance/case/described-corner';
import { MODIFICATION_RULES, type Modification, type Precaution } from '../../6-decisions/plan/modification';
import { setupWork } from '../../6-decisions/plan/setup-work';
import type { Plan, PlanStep } from '../../6-decisions/plan/plan-step';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';

/** Steps of an installation, in the order of the work. */
export const INSTALL_KINDS = [
  'soakBolts',
  'layOutParts',
  'heightsBefore',
  'liftVehicle',
  'supportAxle',
  'linesOff',
  'markOrientation',
  'unloadSpring',
  'fitPattern',
  'fitMirror',
  'fitTogether',
  'uBoltsLoose',
  'looseUntilLoaded',
  'planned',
  'spacersOn',
  'wheelsOn',
  'brakeCheck',
  'onItsWheels',
  'torqueAtHeight',
  'heightsAfter',
  'alignment',
  'own',
] as const;
export type InstallKind = (typeof INSTALL_KINDS)[number];

/** One step before it has words: which axle, part or planned change it is about. */
export interface SheetStep {
  readonly kind: InstallKind;
  readonly axle: Axle | null;
  readonly parts: readonly LiftPart['kind'][];
  readonly planned: PlanStep | null;
  /** Of an axle on leaf springs. */
  readonly isLeaf: boolean;
  readonly spacerType: 'slipOn' | 'boltOn' | null;
  readonly cautions: readonly Precaution[];
}

const step = (
  kind: InstallKind,
  cautions: readonly Precaution[] = [],
  more: Partial<Pick<SheetStep, 'axle' | 'parts' | 'planned' | 'isLeaf' | 'spacerType'>> = {},
): SheetStep => ({
  kind,
  axle: null,
  parts: [],
  planned: null,
  isLeaf: false,
  spacerType: null,
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

/** Whatever is planned last, once the vehicle stands on its wheels: cut after a trial fit. */
const isCut = ({ kind }: PlanStep): boolean => MODIFICATION_RULES[kind as Modification].permanence >= 3;

/**
 * An ordered sheet from what is fitted and planned: bolts soaked days before, support before loosening, lines off before the wheel hangs,
 * one side as the pattern (both together on a beam axle), bushings tightened at ride height, studs evenly and in a star.
 */
export function installSheet(description: CaseDescription, plan: Plan | null): SheetStep[] {
  const axles = AXLES.map((axle) => axleWork(description, plan, axle));
  const apart = axles.filter(({ parts }) => parts.some((kind) => COMES_APART.includes(kind)));
  const steps = plan?.steps ?? [];
  return [
    ...(apart.length > 0 ? [step('soakBolts')] : []),
    step('layOutParts'),
    step('heightsBefore'),
    step('liftVehicle', ['supportAxle']),
    ...apart.flatMap(({ axle, parts, isBeam, isLeaf }) => [
      step('supportAxle', ['supportAxle'], { axle, parts, isLeaf }),
      step('linesOff', ['hoseStrain'], { axle }),
      step('markOrientation', [], { axle, parts }),
      ...(parts.some((kind) => COILS.includes(kind)) ? [step('unloadSpring', ['springEnergy'], { axle, parts })] : []),
      ...(isBeam
        ? [step('fitTogether', ['supportAxle'], { axle, parts })]
        : [step('fitPattern', [], { axle, parts }), step('fitMirror', [], { axle, parts })]),
      ...(isLeaf && (parts.includes('block') || parts.includes('addedLeaf') || parts.includes('shackle'))
        ? [step('uBoltsLoose', ['reTorque'], { axle })]
        : []),
      step('looseUntilLoaded', [], { axle }),
    ]),
    ...steps
      .filter((one) => !isCut(one))
      .map((planned) => step('planned', MODIFICATION_RULES[planned.kind].cautions, { planned })),
    ...axles.flatMap(({ axle, spacerType }) =>
      spacerType ? [step('spacersOn', ['cleanBareFaces', 'spacerLaw'], { axle, spacerType })] : [],
    ),
    step('wheelsOn', ['cleanBareFaces', 'reTorque']),
    step('brakeCheck', ['hoseStrain']),
    step('onItsWheels'),
    ...(apart.length > 0 ? [step('torqueAtHeight', ['reTorque'])] : []),
    step('heightsAfter'),
    ...steps.filter(isCut).map((planned) => step('planned', MODIFICATION_RULES[planned.kind].cautions, { planned })),
    ...(apart.length > 0 || steps.some(({ kind }) => MODIFICATION_RULES[kind].afterCare.includes('alignment'))
      ? [step('alignment', ['sensors'])]
      : []),
  ];
}

interface AxleWork {
  readonly axle: Axle;
  readonly parts: readonly LiftPart['kind'][];
  readonly isBeam: boolean;
  readonly isLeaf: boolean;
  readonly spacerType: 'slipOn' | 'boltOn' | null;
}

function axleWork(description: CaseDescription, plan: Plan | null, axle: Axle): AxleWork {
  const here = setupWork(description).filter(({ at }) => 'axle' in at && at.axle === axle);
  const kinds = here.flatMap(({ what, part }) =>
    part ? [part.kind] : what === 'rideHeight' ? (['ride'] as const) : [],
  );
  const motions = describedCorners(description)
    .filter((key) => axleOf(key) === axle)
    .map((key) => description.corners[key]!.motion);
  const planned = plan?.steps.some(({ kind, at }) => kind === 'spacer' && 'axle' in at && at.axle === axle) ?? false;
  const spacer = here.find(({ what }) => what === 'spacer');
  return {
    axle,
    parts: [...new Set(kinds)],
    isBeam: motions.some(({ type }) => type === 'beamAxle'),
    isLeaf: motions.some((motion) => motion.type === 'beamAxle' && motion.leaf === true),
    // A plan's spacers are bolted on where nobody said otherwise: the more careful of the two.
    spacerType: spacer?.spacerType ?? (planned ? 'boltOn' : null),
  };
}
