import { acrossFrom, type CornerKey } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { STANDARDS } from '../../4-clearance/case/standard';
import type { ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { MODIFICATION_RULES, modificationsOf, permits, RESHAPES, type Modification } from './modification';
import type { PlanQuestion } from './plan-question';
import { stepOf, type PlanStep } from './plan-step';

/** Why a way to mend a thing does not do. `mm`: the most it may give. */
export interface Refusal {
  readonly kind: Modification;
  readonly why: 'standard' | 'notAllowed' | 'notEnough' | 'noConsent';
  readonly mm: number;
}

/** A thing that nothing mends, and why each way does not. None at all: it is never changed. */
export interface Unmended {
  readonly verdict: ObstacleVerdict;
  readonly refusals: readonly Refusal[];
}

/** One way to mend a thing, on this side and where it is wanted on the other: all of its steps or none. */
export interface Way {
  readonly steps: readonly PlanStep[];
  readonly costMinor: number;
  readonly permanence: number;
}

/** Whether a change is made on both sides alike. */
export const isAlike = (kind: Modification, { sides }: Pick<PlanQuestion, 'sides'>): boolean =>
  sides === 'both' && RESHAPES.some((one) => one === kind);

/** The same thing on the other side of the axle, where it is surveyed. */
export const twinOf = (
  { corners }: CaseDescription,
  corner: CornerKey,
  obstacle: string,
): ObstacleDescription | undefined => corners[acrossFrom(corner)]?.obstacles.find(({ id }) => id === obstacle);

/** Things that are mended together: the same one on both sides of an axle, unless each side is for itself. */
export function groupsOf(failing: readonly ObstacleVerdict[], { sides }: PlanQuestion): ObstacleVerdict[][] {
  if (sides !== 'both') return failing.map((verdict) => [verdict]);
  return [...new Set(failing.map(({ id }) => id))].map((id) => failing.filter((verdict) => verdict.id === id));
}

/**
 * Ways to mend a thing on one side or both: what is cut or shaped on one is done as much on the other, also where that one clears; a side
 * that nobody described takes as long again. A thing that one side cannot be mended of is left on that side alone.
 */
export function waysOf(
  description: CaseDescription,
  group: readonly ObstacleVerdict[],
  question: PlanQuestion,
): { readonly ways: Way[]; readonly left: Unmended[] } {
  const found = group.map((verdict) => ({ verdict, ...waysToMend(description, verdict, question) }));
  const left = found.filter(({ steps }) => steps.length === 0).map(({ verdict, refusals }) => ({ verdict, refusals }));
  const mended = found.filter(({ steps }) => steps.length > 0);
  const [first] = mended;
  if (!first) return { ways: [], left };
  const kinds = first.steps
    .map(({ kind }) => kind)
    .filter((kind) => mended.every(({ steps }) => steps.some((step) => step.kind === kind)));
  const alike = kinds.map((kind) => {
    const steps = mended.map(({ steps: own }) => own.find((step) => step.kind === kind)!);
    return wayOf(isAlike(kind, question) ? bothSides(description, steps, question) : steps);
  });
  // Where no one kind does for both sides, each is mended for itself, in any way it can be.
  if (alike.length > 0) return { ways: alike, left };
  const each = mended.reduce<readonly (readonly PlanStep[])[]>(
    (made, { steps }) => made.flatMap((before) => steps.map((step) => [...before, step])),
    [[]],
  );
  return { ways: each.map(wayOf), left };
}

const wayOf = (steps: readonly PlanStep[]): Way => ({
  steps,
  costMinor: steps.reduce((sum, { costMinor }) => sum + costMinor, 0),
  permanence: Math.max(...steps.map(({ permanence }) => permanence)),
});

/** The same change on both sides of the axle, by the most that either wants. */
function bothSides(
  description: CaseDescription,
  steps: readonly PlanStep[],
  { shop }: PlanQuestion,
): readonly PlanStep[] {
  const [first] = steps;
  if (!first || !('corner' in first.at)) return steps;
  const { kind, at } = first;
  const amount = Math.max(...steps.map((step) => step.amount));
  const other = acrossFrom(at.corner);
  const twin = twinOf(description, at.corner, at.obstacle);
  const here = stepOf(shop, kind, at, amount, { times: description.corners[other] ? 1 : 2 });
  return twin && modificationsOf(twin).includes(kind)
    ? [here, stepOf(shop, kind, { corner: other, obstacle: at.obstacle, label: twin.label ?? twin.id }, amount)]
    : [here];
}

export const cheapestWay = (ways: readonly Way[]): Way | null =>
  ways.reduce<Way | null>((best, next) => (!best || byCostThenPermanence(next, best) < 0 ? next : best), null);

const byCostThenPermanence = (a: Way, b: Way): number => a.costMinor - b.costMinor || a.permanence - b.permanence;

/** Ways to mend a failing thing that are allowed and give enough, and why the others do not. */
export function waysToMend(
  description: CaseDescription,
  { corner, id, label, marginMm }: ObstacleVerdict,
  { allowed, shop, consents }: PlanQuestion,
): { readonly steps: PlanStep[]; readonly refusals: Refusal[] } {
  const entry = description.corners[corner]?.obstacles.find((obstacle) => obstacle.id === id) as ObstacleDescription;
  const steps: PlanStep[] = [];
  const refusals: Refusal[] = [];
  for (const kind of modificationsOf(entry)) {
    const { most } = MODIFICATION_RULES[kind];
    const given = allowed[kind];
    const mm = most === null ? Infinity : Math.min(most, given ?? 0);
    const refuse = (why: Refusal['why']): void => void refusals.push({ kind, why, mm });
    if (!permits(STANDARDS[description.standard], kind)) refuse('standard');
    else if (given === undefined) refuse('notAllowed');
    else if (kind === 'crashBracket' && !consents.includes(`${corner}:${id}`)) refuse('noConsent');
    else if (mm < -marginMm) refuse('notEnough');
    else steps.push(stepOf(shop, kind, { corner, obstacle: id, label }, most === null ? 0 : -marginMm));
  }
  return { steps, refusals };
}
