import { bothUnits, formatMm } from '@/core/1-base/units/length';
import { type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import type { FixFault, PairOutcome } from '@/core/6-decisions/plan/judge-plan';
import type { KnockOn } from '@/core/6-decisions/plan/knock-ons';
import {
  type Consumable,
  type Modification,
  type Precaution,
  MODIFICATION_RULES,
} from '@/core/6-decisions/plan/modification';
import type { PlanStep } from '@/core/6-decisions/plan/plan-step';
import type { LiftHelp } from '@/core/6-decisions/plan/planner';
import type { Refusal } from '@/core/6-decisions/plan/ways';
import type { Hardware, SpacerFinding } from '@/core/6-decisions/plan/spacer-check';
import type { StandingWork } from '@/core/6-decisions/plan/work-order';

export const MODIFICATION_WORDS: Readonly<Record<Modification, string>> = {
  unbolt: 'Unbolt',
  reroute: 'Reroute hose or wire',
  tuckLiner: 'Tuck the liner',
  steeringStop: 'Steering stop',
  bumpStop: 'Longer bump stop',
  spacer: 'Spacer',
  otherWheel: 'Wheel of another offset',
  armAdjust: 'Adjust the arms',
  axleMove: 'Move the axle',
  lift: 'Lift on the spring',
  bodyLift: 'Body lift',
  swapPart: 'Swap the part',
  crashBracket: 'Take off the crash bracket',
  heatForm: 'Heat-form',
  trimPlastic: 'Trim plastic',
  foldLip: 'Fold the lip',
  rollFender: 'Roll the fender',
  grindTab: 'Grind the tab',
  cutSheetMetal: 'Cut sheet metal',
  bodyMountChop: 'Chop and plate the body mount',
};

export const STANDING_WORDS: Readonly<Record<StandingWork, string>> = {
  stand: 'Stand it on level ground, chock, lift and support',
  lookBehind: 'Look behind every panel that is cut',
  trialFit: 'Trial fit with nothing cut: lock to lock, hump under one wheel',
  flexAgain: 'Flex again after the first cut, then the final one',
  sealEdges: 'Deburr, prime, paint and seal every cut or folded edge',
  alignment: 'Alignment',
  reTorque: 'Torque by the makers’ instructions; enter the re-torque',
};

export const CONSUMABLE_WORDS: Readonly<Record<Consumable, string>> = {
  clips: 'Clips and ties',
  edgeTrim: 'Edge trim',
  primer: 'Primer',
  paint: 'Paint',
  seamSealer: 'Seam sealer',
  plate: 'Plate',
};

export const PRECAUTION_WORDS: Readonly<Record<Precaution, string>> = {
  eyeProtection: 'Eye protection when cutting or grinding.',
  noHeatNearFuelOrAirbag: 'No heat or sparks near fuel, wiring or airbags: look behind first.',
  qualifiedWelder: 'Welded and plated by a qualified person only.',
  structureStays: 'Restraint and crash structure stays as it is.',
  ownerConsent: 'Only with the owner’s written consent; the vehicle maker’s word comes first.',
  lookBehind: 'Look at what stands behind it and measure that too.',
  hoseStrain: 'No strain on brake hoses or sensor wires; never hang the caliper.',
  cleanBareFaces: 'Hub, spacer and wheel faces clean, bare and flat: no paint or powder between them.',
  spacerLaw: 'Spacers are unlawful in some places: check the local law.',
  turningCircle: 'Less lock is a wider turning circle: tell the driver.',
  lostBumpTravel: 'Less bump travel: it meets the stop sooner when loaded.',
  supportAxle: 'Stands on level ground, never blocks or bricks; support the axle before a shock or U-bolt comes off.',
  springEnergy: 'Coil springs and compressors store lethal energy.',
  paintCracks: 'Warm the paint and go slowly: it cracks, and rust begins there.',
  centreOfGravity: 'A higher center of gravity rolls over sooner.',
  deburrPrimeSeal: 'No bare edge leaves the shop.',
  reTorque: 'Torque from the vehicle’s and the part’s own instructions.',
  alignment: 'Have it aligned.',
  sensors: 'Headlamp aim and driver-assistance sensors may need setting anew.',
};

/** Whether amounts of a change are angles. */
export const inDegrees = (kind: Modification): boolean => kind === 'steeringStop' || kind === 'armAdjust';

/** `for 12.5 mm of gap`, `3° more caster`, `20 mm forward`; empty for a thing taken away. */
export function amountWords(kind: Modification, amount: number): string {
  const mm = `${formatMm(Math.abs(amount))} mm`;
  const degrees = `${Number(Math.abs(amount).toFixed(1))}°`;
  if (kind === 'axleMove') return `${mm} ${amount > 0 ? 'forward' : 'back'}`;
  if (kind === 'otherWheel') return `${mm} ${amount > 0 ? 'more' : 'less'} offset`;
  if (kind === 'armAdjust') return `${degrees} ${amount > 0 ? 'more' : 'less'} caster`;
  if (kind === 'steeringStop') return `${degrees} less lock`;
  if (MODIFICATION_RULES[kind].most === null) return '';
  // What is gained, not how far the line runs from the edge: that is the cut sheet's.
  return MODIFICATION_RULES[kind].on === 'obstacle' ? `for ${mm} of gap` : mm;
}

export function placeWords(at: PlanStep['at']): string {
  if ('corner' in at) return `${at.label}, ${cornerName(at.corner)}`;
  return 'axle' in at ? `${at.axle} axle` : 'whole body';
}

/** `Trim plastic for 12.5 mm of gap: Bumper cap, front left`. */
export function stepWords({
  kind,
  at,
  amount,
  isBoth,
}: Pick<PlanStep, 'kind' | 'at' | 'amount'> & { readonly isBoth?: boolean | undefined }): string {
  const much = amountWords(kind, amount);
  const other = isBoth ? ', and the other side alike (not surveyed: measure it first)' : '';
  return `${MODIFICATION_WORDS[kind]}${much ? ` ${much}` : ''}: ${placeWords(at)}${other}`;
}

/** `2 h 15 min`. */
export function timeWords(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return [...(hours ? [`${hours} h`] : []), ...(rest || !hours ? [`${rest} min`] : [])].join(' ');
}

const metres = (mm: number): string => `${(mm / 1000).toFixed(1)} m`;
const mmWords = (mm: number): string => `${formatMm(mm)} mm`;

/** What a change does beside what it is for, as one would say it. */
export function knockOnWords(on: KnockOn): string {
  switch (on.kind) {
    case 'nearer':
      return `${on.label}, ${cornerName(on.corner)}, comes nearer: from ${mmWords(on.beforeMm)} to ${mmWords(on.afterMm)} over what is wanted.`;
    case 'partsNearer':
      return `${on.a} and ${on.b}, ${cornerName(on.corner)}, come nearer each other: ${mmWords(on.beforeMm)} to ${mmWords(on.afterMm)}.`;
    case 'turningCircle': {
      if (on.circle) {
        return `Turning ${on.turn}, the outer wheel’s circle goes from ${metres(on.circle.beforeMm)} to ${metres(on.circle.afterMm)}.`;
      }
      return `${on.lessLockDeg.toFixed(1)}° less lock turning ${on.turn}: enter the wheelbase to see the turning circle.`;
    }
    case 'bumpTravel':
      return `${cornerName(on.corner)}: bump travel goes from ${mmWords(on.beforeMm)} to ${mmWords(on.afterMm)}.`;
    case 'bodyLift':
      return on.stay.length
        ? `The body rises ${mmWords(on.liftMm)}; what is on frame and axle stays and is still near: ${on.stay.join(', ')}. Steering shaft, bumpers and wiring follow the body.`
        : `The body rises ${mmWords(on.liftMm)}; what is on frame and axle stays. Steering shaft, bumpers and wiring follow the body.`;
    case 'axleMoved': {
      const moved = `The ${on.axle} axle stands ${mmWords(Math.abs(on.forwardMm))} further ${on.forwardMm > 0 ? 'forward' : 'back'}`;
      if (!on.slipJoint) return `${moved}: measure the slip joint’s engagement before and after.`;
      const { leftMm, leastMm } = on.slipJoint;
      const least =
        leastMm === null
          ? ', its maker’s least is not entered'
          : leftMm < leastMm
            ? `, less than the ${mmWords(leastMm)} wanted`
            : ` of the ${mmWords(leastMm)} wanted, before travel takes its share`;
      return `${moved}; ${mmWords(leftMm)} of slip joint stay engaged${least}.`;
    }
    case 'track':
      return `The ${on.axle} track is ${mmWords(Math.abs(on.widerMm))} ${on.widerMm > 0 ? 'wider' : 'narrower'}.`;
    case 'scrubRadius':
      return `${cornerName(on.corner)}: scrub radius goes from ${formatMm(on.beforeMm, 0)} to ${formatMm(on.afterMm, 0)} mm.`;
  }
}

/** Why a fix cannot stand. */
export function faultWords({ why, limitMm }: FixFault): string {
  switch (why) {
    case 'notPossible':
      return 'This is never done to that.';
    case 'standard':
      return 'The standard of this job does not allow it.';
    case 'tooDeep':
      return `Deeper than the ${mmWords(limitMm)} that the material allows.`;
    case 'notAllowed':
      return 'Not among what may be done in this job: allow it under “what may be done”, if the customer does.';
    case 'moreThanAllowed':
      return `More than the ${mmWords(limitMm)} allowed in this job.`;
    case 'notEnough':
      return `Not enough: it takes ${mmWords(limitMm)}.`;
    case 'noConsent':
      return 'The owner’s written consent is not entered.';
  }
}

/** What two parts have between them, and want: `Track bar and perch, front left: 12 mm (1/2 in), 20 mm wanted`. */
export const pairWords = (pair: {
  readonly corner: CornerKey;
  readonly a: string;
  readonly b: string;
  readonly gapMm: number;
  readonly requiredMm: number;
}): string =>
  `${pair.a} and ${pair.b}, ${cornerName(pair.corner)}: ${bothUnits(pair.gapMm)} between them at the least, ${mmWords(pair.requiredMm)} wanted`;

/** The same before a plan and after it. */
export const pairOutcomeWords = ({ corner, a, b, requiredMm, beforeGapMm, afterGapMm, isShort }: PairOutcome): string =>
  `${a} and ${b}, ${cornerName(corner)}: ${mmWords(beforeGapMm)} before, ${afterGapMm === null ? 'one of them off' : `${mmWords(afterGapMm)} after`}, ${mmWords(requiredMm)} wanted${isShort ? ': too near each other' : ''}`;

/** mm by which a lift that is felt changes a gap. */
const FELT_MM = 0.5;

/** Why a lift does or does not help what falls short, as one would say it: one sentence for all that it does nothing for. */
export function liftWords(all: readonly LiftHelp[]): string[] {
  const by = ({ afterGapMm, verdict }: LiftHelp): number => afterGapMm - verdict.gapMm;
  const lift = (liftMm: number): string => `${mmWords(liftMm)} of lift on the spring`;
  const idle = all.filter((help) => Math.abs(by(help)) < FELT_MM);
  const named = (helps: readonly LiftHelp[]): string =>
    [...new Set(helps.map(({ verdict }) => verdict.label))]
      .map((label) => {
        const corners = helps.filter(({ verdict }) => verdict.label === label).map(({ verdict }) => verdict.corner);
        return `${label} (${corners.map(cornerName).join(', ')})`;
      })
      .join(', ');
  const lifts = [...new Set(idle.map(({ liftMm }) => liftMm))];
  return [
    ...lifts.map(
      (liftMm) =>
        `${lift(liftMm)} does nothing for ${named(idle.filter((help) => help.liftMm === liftMm))}: a lift moves where the wheel is parked, not where the stops let it go, and it still comes to the height at which they are met.`,
    ),
    ...all
      .filter((help) => !idle.includes(help))
      .map((help) => {
        const { verdict, liftMm, afterGapMm } = help;
        const thing = `${verdict.label}, ${cornerName(verdict.corner)}`;
        if (by(help) < 0)
          return `${thing}: ${lift(liftMm)} makes it worse, by ${mmWords(-by(help))}: the wheel stands elsewhere under it.`;
        const left = verdict.requiredMm - afterGapMm;
        return `${thing}: ${lift(liftMm)} gives ${mmWords(by(help))}${left <= 0 ? ', which is enough' : `, and ${mmWords(left)} would still be short`}.`;
      }),
  ];
}

/** Why a way to mend a thing does not do, with the most it may give. */
export function refusalWords({ kind, why, mm }: Refusal): string {
  const what = MODIFICATION_WORDS[kind].toLowerCase();
  switch (why) {
    case 'standard':
      return `${what} is not allowed by the standard`;
    case 'notAllowed':
      return `${what} is not allowed in this job`;
    case 'notEnough':
      return `${what} gives ${formatMm(mm)} mm at most`;
    case 'noConsent':
      return `${what} wants the owner’s consent`;
  }
}

export const SPACER_CHECK_WORDS: Readonly<Record<SpacerFinding['check'], string>> = {
  pattern: 'Bolt pattern',
  engagement: 'Thread in the wheel’s nut',
  hubNuts: 'Thread in the nuts that hold it',
  nutDepth: 'Closed nut not down on the stud’s end',
  thickness: 'Room for its nuts',
  pocket: 'Stud ends in the wheel’s pocket',
  register: 'Spacer centered by the hub',
  wheelRegister: 'Wheel centered',
  faces: 'Faces clean, bare and flat',
};

export const SPACER_FIELD_WORDS = {
  thicknessMm: 'thickness',
  type: 'how it is held',
  studProtrusionMm: 'studs beyond the hub’s face',
  studDiameterMm: 'stud diameter',
  threadPitchMm: 'thread pitch',
  padMm: 'wheel pad thickness under the nut',
  nutDepthMm: 'depth inside a closed nut (0: open)',
  flangeMm: 'hub flange and disc hat, under the stud’s head',
  underNutMm: 'thickness left under its nuts',
  ownStudMm: 'its own studs beyond its face',
  studPocketMm: 'pocket depth in the wheel’s pad',
  hubBoreMm: 'hub register diameter',
  hubRegisterMm: 'hub register height',
  spacerBoreMm: 'spacer bore',
  spacerLipMm: 'spacer’s own register diameter (0: none)',
  wheelBoreMm: 'wheel bore',
  hubPattern: 'hub bolt pattern',
  wheelPattern: 'wheel bolt pattern',
  facesBare: 'whether the faces were looked at',
} as const;

export function hardwareWords({ what, lengthMm, beyondFaceMm }: Hardware): string {
  switch (what) {
    case 'spacer':
      return `Spacer ${mmWords(lengthMm ?? 0)}`;
    case 'longerStud':
      return lengthMm === null
        ? `Wheel stud, at least ${mmWords(beyondFaceMm ?? 0)} beyond the hub’s face; measure the flange for its length under the head`
        : `Wheel stud, at least ${mmWords(lengthMm)} under the head (${mmWords(beyondFaceMm ?? 0)} beyond the hub’s face)`;
    case 'spacerNut':
      return 'Nut to hold the spacer, seat and thread as its maker says';
    case 'wheelNut':
      return 'Wheel nut for the spacer’s studs, seat as the wheel wants';
    case 'hubRing':
      return `Hub ring, hub to ${mmWords(lengthMm ?? 0)} bore`;
  }
}
