import type { CaseDescription } from '../../4-clearance/case/case-description';
import { acrossFrom, type CornerKey, AXLES } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { evaluateCase, type Evaluation, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { fallsShort, STANDARDS, verdictOf, type Verdict } from '../../4-clearance/case/standard';
import { ProblemError } from '../../1-base/problem';
import { knockOns, type KnockOn, type VehicleFacts } from './knock-ons';
import { MODIFICATION_RULES, modificationsOf, permits, type Modification } from './modification';
import { isTooNear } from '../../4-clearance/verdict/part-pairs';
import { isAlike, twinOf } from './ways';
import type { PlanQuestion } from './plan-question';
import { axleSteps, bodySteps, planOf, stepOf, type Plan } from './plan-step';
import { NO_AXLE_CHANGE, withChanges, type VehicleChanges } from './setup-changes';

/** A change to one thing in the way, as planned by hand or by the planner; `amountMm` 0 where it is taken away. */
export interface Fix {
  readonly corner: CornerKey;
  readonly obstacle: string;
  readonly kind: Modification;
  readonly amountMm: number;
}

/** What is to be done: changes of the setup and fixes of things. */
export interface ChosenPlan {
  readonly changes: VehicleChanges;
  readonly fixes: readonly Fix[];
}

/** Why a fix cannot stand as it is. `limitMm`: what there is to go by. */
export interface FixFault {
  readonly why: 'notPossible' | 'standard' | 'notAllowed' | 'tooDeep' | 'moreThanAllowed' | 'notEnough' | 'noConsent';
  readonly limitMm: number;
}

/** One thing before the plan and after it. */
export interface ThingOutcome {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  readonly requiredMm: number;
  readonly beforeGapMm: number;
  readonly before: Verdict;
  /** null: taken away. */
  readonly afterGapMm: number | null;
  readonly after: Verdict | 'takenAway';
  /** After the changes of the setup alone, gap less what is wanted. */
  readonly unmendedMarginMm: number;
  /** Where the low gap is met after those changes. */
  readonly verdict: ObstacleVerdict;
  readonly fix: Fix | null;
  readonly fault: FixFault | null;
  /** Kinds that can be done to it by what it is, allowed or not. */
  readonly kinds: readonly Modification[];
}

/** Two parts whose own gap matters, before the plan and after it; null: one of them is taken away. Lengths mm. */
export interface PairOutcome {
  readonly corner: CornerKey;
  readonly a: string;
  readonly b: string;
  readonly requiredMm: number;
  readonly beforeGapMm: number;
  readonly afterGapMm: number | null;
  readonly isShort: boolean;
}

export interface PlanJudgement {
  readonly plan: Plan;
  readonly things: readonly ThingOutcome[];
  readonly pairs: readonly PairOutcome[];
  /** Something is surveyed, every thing is left what the standard wants, and no fix is at fault. */
  readonly clears: boolean;
  readonly knockOns: readonly KnockOn[];
  /** Taken off, and nobody has looked behind: labels. */
  readonly unknownBehind: readonly string[];
  /** The setup as the plan leaves it, for the bench. */
  readonly setup: NonNullable<CaseDescription['setup']>;
}

/** The plan as one would choose it: amounts to the next half millimeter, which is what can be marked. */
export function chosenOf({ changes, steps }: Plan): ChosenPlan {
  return {
    changes,
    fixes: steps.flatMap(({ kind, at, amount }) =>
      'corner' in at ? [{ corner: at.corner, obstacle: at.obstacle, kind, amountMm: markable(kind, amount) }] : [],
    ),
  };
}

/** An amount that can be marked with a scriber, no less than asked for unless the material allows no more. */
export const markable = (kind: Modification, mm: number): number =>
  Math.max(mm, Math.min(MODIFICATION_RULES[kind].most ?? 0, Math.ceil(2 * mm) / 2));

/**
 * What a plan does, worked out anew for every edit of it. A fix gives its amount; what is cut along a line is measured again
 * by the cut sheet. @throws ProblemError where the vehicle cannot stand so, or a fix names no surveyed thing.
 */
export function judgePlan(
  description: CaseDescription,
  { changes, fixes }: ChosenPlan,
  question: PlanQuestion,
  vehicle: VehicleFacts = {},
  cache = new SectionCache(),
): PlanJudgement {
  fixes.forEach((fix, i) => entryOf(description, fix, i));
  const off = fixes.filter(({ kind }) => kind === 'unbolt' || kind === 'crashBracket');
  const changed = withChanges(description, changes);
  const before = evaluateCase(description, {}, cache);
  const after = evaluateCase(changed, {}, cache);
  const things = after.obstacles.map((verdict) => thingAfter(description, verdict, { before, after }, fixes, question));
  const pairs = pairsAfter(description, { before, after }, off);
  const { shop } = question;
  const steps = [
    ...bodySteps(shop, changes.bodyLiftMm),
    ...AXLES.flatMap((axle) => axleSteps(shop, description, axle, changes[axle])),
    ...fixes.map(({ corner, obstacle, kind, amountMm }, i) => {
      const { label = obstacle } = entryOf(description, { corner, obstacle }, i);
      const times = isAlike(kind, question) && !description.corners[acrossFrom(corner)] ? 2 : 1;
      return stepOf(shop, kind, { corner, obstacle, label }, amountMm, { times });
    }),
  ];
  return {
    plan: planOf(changes, steps),
    things,
    pairs,
    clears:
      things.length > 0 &&
      pairs.every(({ isShort }) => !isShort) &&
      things.every(({ after, fault }) => !fallsShort(after) && after !== 'notKnown' && fault === null),
    knockOns: knockOns(description, changed, changes, { before, after }, vehicle),
    unknownBehind: off.flatMap((fix, i) => {
      const { behind, label = fix.obstacle } = entryOf(description, fix, i);
      return behind === undefined ? [label] : [];
    }),
    setup: withChanges(description, changes, off).setup!,
  };
}

function pairsAfter(
  { corners }: CaseDescription,
  { before, after }: { readonly before: Evaluation; readonly after: Evaluation },
  off: readonly Fix[],
): PairOutcome[] {
  return before.pairs.map(({ corner, a, b, requiredMm, gapMm }) => {
    const labelOf = (id: string): string => corners[corner]?.obstacles.find((one) => one.id === id)?.label ?? id;
    const isOff = off.some((fix) => fix.corner === corner && (fix.obstacle === a || fix.obstacle === b));
    const then = after.pairs.find((pair) => pair.corner === corner && pair.a === a && pair.b === b);
    return {
      corner,
      a: labelOf(a),
      b: labelOf(b),
      requiredMm,
      beforeGapMm: gapMm,
      afterGapMm: isOff || !then ? null : then.gapMm,
      isShort: !isOff && then !== undefined && isTooNear(then),
    };
  });
}

function entryOf(
  { corners }: CaseDescription,
  { corner, obstacle }: Pick<Fix, 'corner' | 'obstacle'>,
  i: number,
): ObstacleDescription {
  const found = corners[corner]?.obstacles.find(({ id }) => id === obstacle);
  if (found) return found;
  throw new ProblemError({
    code: 'notFound',
    path: `plan.chosen.fixes[${i}]`,
    expected: 'a thing that is surveyed at this corner',
    found: `"${obstacle}" at ${corner}`,
  });
}

function thingAfter(
  description: CaseDescription,
  verdict: ObstacleVerdict,
  { before, after }: { readonly before: Evaluation; readonly after: Evaluation },
  fixes: readonly Fix[],
  question: PlanQuestion,
): ThingOutcome {
  const { corner, id, label, gapMm, marginMm, requiredMm } = verdict;
  const was = before.obstacles.find((o) => o.corner === corner && o.id === id) ?? verdict;
  const fix = fixes.find((one) => one.corner === corner && one.obstacle === id) ?? null;
  const entry = description.corners[corner]!.obstacles.find((o) => o.id === id)!;
  const kinds = modificationsOf(entry);
  const standard = STANDARDS[description.standard];
  const fault = fix && faultOf(fix, kinds, marginMm, (kind) => permits(standard, kind), question);
  const counts = fix && (fault === null || fault.why === 'notEnough' || NOT_ALLOWED.includes(fault.why));
  const takenAway = counts && MODIFICATION_RULES[fix.kind].most === null;
  const given = counts ? fix.amountMm : 0;
  // Rounding of an amount that was shown and typed again is no rub.
  const leftMm = Math.abs(marginMm + given) < ROUNDING_MM ? 0 : marginMm + given;
  const isKnown = after.known.find((one) => one.corner === corner)?.isEnough ?? false;
  return {
    corner,
    id,
    label,
    requiredMm,
    beforeGapMm: was.gapMm,
    before: was.verdict,
    afterGapMm: takenAway ? null : gapMm + given,
    after: takenAway ? 'takenAway' : verdictOf({ gapMm: gapMm + given, marginMm: leftMm }, standard, isKnown),
    unmendedMarginMm: marginMm,
    verdict,
    fix,
    fault,
    kinds,
  };
}

/** mm lost or won where an amount is written with a tenth. */
const ROUNDING_MM = 1e-6;

function faultOf(
  { corner, obstacle, kind, amountMm }: Fix,
  kinds: readonly Modification[],
  marginMm: number,
  permitted: (kind: Modification) => boolean,
  { consents, allowed }: PlanQuestion,
): FixFault | null {
  const { most } = MODIFICATION_RULES[kind];
  if (!kinds.includes(kind)) return { why: 'notPossible', limitMm: 0 };
  if (!permitted(kind)) return { why: 'standard', limitMm: 0 };
  if (kind === 'crashBracket' && !consents.includes(`${corner}:${obstacle}`)) return { why: 'noConsent', limitMm: 0 };
  const given = allowed[kind];
  // A crash bracket is a decision of its own: its consent says it.
  if (given === undefined && kind !== 'crashBracket') return { why: 'notAllowed', limitMm: 0 };
  if (most === null) return null;
  if (amountMm > most) return { why: 'tooDeep', limitMm: most };
  if (given !== undefined && amountMm > given + ROUNDING_MM) return { why: 'moreThanAllowed', limitMm: given };
  return amountMm + ROUNDING_MM < -marginMm ? { why: 'notEnough', limitMm: -marginMm } : null;
}

/** What speaks against a change that would do what it says. */
const NOT_ALLOWED: readonly FixFault['why'][] = ['notAllowed', 'moreThanAllowed'];

/** The fixes of a plan with one put in, or taken out, and where both sides are done alike its twin with it. */
export function withFix(
  description: CaseDescription,
  fixes: readonly Fix[],
  at: Pick<Fix, 'corner' | 'obstacle'>,
  fix: Fix | null,
  question: Pick<PlanQuestion, 'sides'>,
): Fix[] {
  const was = fixes.find((one) => one.corner === at.corner && one.obstacle === at.obstacle);
  const other = acrossFrom(at.corner);
  const twin = twinOf(description, at.corner, at.obstacle);
  const together = (kind: Modification | undefined): boolean =>
    kind !== undefined && isAlike(kind, question) && twin !== undefined && modificationsOf(twin).includes(kind);
  // Taken out, it takes its twin along; changed for what is done on one side, it leaves that as it was.
  const takesTwin = fix ? together(fix.kind) : together(was?.kind);
  const goes = [at, ...(takesTwin ? [{ corner: other, obstacle: at.obstacle }] : [])];
  const kept = fixes.filter(
    (one) => !goes.some((gone) => gone.corner === one.corner && gone.obstacle === one.obstacle),
  );
  if (!fix) return kept;
  return [...kept, fix, ...(takesTwin ? [{ ...fix, corner: other }] : [])];
}

/** A plan that changes nothing. */
export const NOTHING_CHOSEN: ChosenPlan = {
  changes: { front: NO_AXLE_CHANGE, rear: NO_AXLE_CHANGE, bodyLiftMm: 0 },
  fixes: [],
};
