import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { describedCorner, describedCorners, prepareDescribed } from '../../4-clearance/case/described-corner';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { fallsShort, STANDARDS } from '../../4-clearance/case/standard';
import { attempt, ProblemError } from '../../1-base/problem';
import { MODIFICATION_RULES, modificationsOf, permits, type Modification } from './modification';
import { axleSettings, type PlanQuestion } from './plan-question';
import {
  axleSteps,
  bodySteps,
  byCost,
  byPermanence,
  planOf,
  stepOf,
  type Order,
  type Plan,
  type PlanStep,
} from './plan-step';
import { NO_AXLE_CHANGE, NO_CHANGE, withChanges, type AxleChanges, type VehicleChanges } from './setup-changes';
import { axleOf, AXLES, type Axle } from '../../2-vehicle/setup/corner-key';

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

export interface PlanAnswer {
  /** Least permanent, then cheapest; null: nothing that is allowed clears it. */
  readonly leastPermanent: Plan | null;
  /** For each kind of change of the least permanent plan: the best that does without it anywhere; null: none does. */
  readonly alternatives: readonly { readonly without: Modification; readonly plan: Plan | null }[];
  /** The best of those. */
  readonly runnerUp: Plan | null;
  /** Cheapest, then least permanent. */
  readonly cheapest: Plan | null;
  /** Where there is no plan: the changes that leave least undone, with everything mended that can be, and what they leave. */
  readonly nearest: PartialPlan | null;
  /** Settings that were judged. */
  readonly settings: number;
}

/** A plan that goes as far as it can. */
export interface PartialPlan {
  readonly changes: VehicleChanges;
  readonly plan: Plan;
  readonly left: readonly Unmended[];
}

export interface PlanProgress {
  readonly done: number;
  readonly total: number;
}

/** A way to stand on one axle, with the ways to mend each thing that fails there. */
interface Setting {
  readonly bodyLiftMm: number;
  readonly axle: Axle;
  readonly changes: AxleChanges;
  readonly own: readonly PlanStep[];
  readonly options: readonly (readonly PlanStep[])[];
  readonly left: readonly Unmended[];
}

/** Whether a step may be part of a plan. */
type Admits = (step: PlanStep) => boolean;

/** As `searchPlan`, at once. */
export function planCase(description: CaseDescription, question: PlanQuestion, cache = new SectionCache()): PlanAnswer {
  const search = searchPlan(description, question, cache);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}

/**
 * The least permanent and the cheapest plan by exact search. Every combination of an axle's changes is judged whole under
 * every body lift; what still fails is mended thing by thing, which are independent of each other, as are the axles. Costs
 * add up and permanence is the worst of all, so that under a worst permanence each axle and each thing takes the cheapest
 * way. Settings the vehicle cannot stand in are passed over. @throws ProblemError `tooLarge`; `missing` where nothing is surveyed.
 */
export function* searchPlan(
  description: CaseDescription,
  question: PlanQuestion,
  cache = new SectionCache(),
): Generator<PlanProgress, PlanAnswer> {
  requireSurvey(description);
  const axles = AXLES.filter((axle) => describedCorners(description).some((key) => axleOf(key) === axle));
  const bodyLifts = [...new Set([0, ...question.bodyLiftsMm])];
  const asked = axles.flatMap((axle) =>
    bodyLifts.flatMap((bodyLiftMm) =>
      axleSettings(question.tried[axle], `plan.tried.${axle}`).map((changes) => ({ axle, bodyLiftMm, changes })),
    ),
  );
  const settings: Setting[] = [];
  for (const [i, { axle, bodyLiftMm, changes }] of asked.entries()) {
    const judged = attempt(() => settingOf(description, axle, bodyLiftMm, changes, question, cache));
    if (judged.ok) settings.push(judged.value);
    if (i % 8 === 7) yield { done: i + 1, total: asked.length };
  }
  // Where an axle stands in none of them, not even as it is, its own problem is the answer.
  const stuck = axles.find((axle) => settings.every((setting) => setting.axle !== axle));
  if (stuck) settingOf(description, stuck, 0, NO_AXLE_CHANGE, question, cache);
  const plans = (admits: Admits, order: Order): Plan | null =>
    bodyLifts.flatMap((bodyLiftMm) => plansUnder(settings, axles, bodyLiftMm, question, admits)).sort(order)[0] ?? null;
  const best = plans(always, byPermanence);
  const kinds = [...new Set(best?.steps.map(({ kind }) => kind))];
  const alternatives = kinds.map((without) => ({
    without,
    plan: plans(({ kind }) => kind !== without, byPermanence),
  }));
  return {
    leastPermanent: best,
    alternatives,
    runnerUp: alternatives.flatMap(({ plan }) => plan ?? []).sort(byPermanence)[0] ?? null,
    cheapest: plans(always, byCost),
    nearest: best ? null : nearestMiss(settings, axles, bodyLifts, question),
    settings: settings.length,
  };
}

const always: Admits = () => true;

/** Where nothing is surveyed nothing is known to clear. @throws ProblemError `missing`. */
function requireSurvey(description: CaseDescription): void {
  if (describedCorners(description).some((key) => describedCorner(description, key).obstacles.length > 0)) return;
  throw new ProblemError({
    code: 'missing',
    path: 'corners',
    expected: 'something surveyed near a tire',
    found: 'nothing',
  });
}

function settingOf(
  description: CaseDescription,
  axle: Axle,
  bodyLiftMm: number,
  changes: AxleChanges,
  question: PlanQuestion,
  cache: SectionCache,
): Setting {
  const failing = failingAt(description, axle, bodyLiftMm, changes, cache);
  const ways = failing.map((verdict) => waysToMend(description, verdict, question));
  return {
    bodyLiftMm,
    axle,
    changes,
    own: axleSteps(question.shop, description, axle, changes),
    options: ways.map(({ steps }) => steps),
    left: ways.flatMap(({ steps, refusals }, i) => (steps.length > 0 ? [] : [{ verdict: failing[i]!, refusals }])),
  };
}

/** What fails at an axle under changes. @throws ProblemError where the vehicle cannot stand so. */
function failingAt(
  description: CaseDescription,
  axle: Axle,
  bodyLiftMm: number,
  changes: AxleChanges,
  cache: SectionCache,
): ObstacleVerdict[] {
  const changed = withChanges(description, { ...NO_CHANGE, [axle]: changes, bodyLiftMm });
  return describedCorners(description)
    .filter((key) => axleOf(key) === axle)
    .flatMap((key) => {
      const corner = prepareDescribed(changed, key, cache.survey);
      const section = cache.section(corner, describedCorner(changed, key), setupForCorner(changed, key));
      return cornerVerdicts(corner, STANDARDS[description.standard], {}, section);
    })
    .filter(({ verdict }) => fallsShort(verdict));
}

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

/** The cheapest plan within each worst permanence, where there is one. */
function plansUnder(
  settings: readonly Setting[],
  axles: readonly Axle[],
  bodyLiftMm: number,
  { shop }: PlanQuestion,
  admits: Admits,
): Plan[] {
  const body = bodySteps(shop, bodyLiftMm);
  if (!body.every(admits)) return [];
  const here = settings.filter((setting) => setting.bodyLiftMm === bodyLiftMm && setting.own.every(admits));
  const levels = new Set([
    0,
    ...[...body, ...here.flatMap(({ own, options }) => [...own, ...options.flat()])].map((step) => step.permanence),
  ]);
  return [...levels].flatMap((permanence) => {
    if (body.some((step) => step.permanence > permanence)) return [];
    const chosen = axles.map((axle) =>
      cheapestWithin(
        here.filter((setting) => setting.axle === axle),
        (step) => step.permanence <= permanence && admits(step),
      ),
    );
    if (chosen.includes(null)) return [];
    const changes = chosen.reduce<VehicleChanges>(
      (made, found) => ({ ...made, [found!.setting.axle]: found!.setting.changes }),
      { ...NO_CHANGE, bodyLiftMm },
    );
    return [planOf(changes, [...body, ...chosen.flatMap((found) => found!.steps)])];
  });
}

interface Mended {
  readonly setting: Setting;
  readonly steps: readonly PlanStep[];
  readonly costMinor: number;
}

/** The cheapest way for one axle to stand and be mended, of steps that are admitted; then the one of the fewest steps. */
function cheapestWithin(settings: readonly Setting[], admits: Admits): Mended | null {
  const ways = settings.flatMap((setting): Mended[] => {
    if (!setting.own.every(admits)) return [];
    const mended = setting.options.map((options) => cheapestStep(options.filter(admits)));
    if (mended.includes(null)) return [];
    const steps = [...setting.own, ...(mended as PlanStep[])];
    return [{ setting, steps, costMinor: steps.reduce((sum, step) => sum + step.costMinor, 0) }];
  });
  return ways.reduce<Mended | null>((best, next) => {
    if (!best || next.costMinor < best.costMinor) return next;
    return next.costMinor === best.costMinor && next.steps.length < best.steps.length ? next : best;
  }, null);
}

const cheapestStep = (options: readonly PlanStep[]): PlanStep | null =>
  options.reduce<PlanStep | null>((best, next) => (!best || byCostThenPermanence(next, best) < 0 ? next : best), null);

const byCostThenPermanence = (a: PlanStep, b: PlanStep): number =>
  a.costMinor - b.costMinor || a.permanence - b.permanence;

/** The changes that leave least missing, of those the vehicle can stand in. */
function nearestMiss(
  settings: readonly Setting[],
  axles: readonly Axle[],
  bodyLifts: readonly number[],
  { shop }: PlanQuestion,
): PartialPlan | null {
  const found = bodyLifts.flatMap((bodyLiftMm) => {
    const chosen = axles.map((axle) =>
      settings
        .filter((setting) => setting.axle === axle && setting.bodyLiftMm === bodyLiftMm)
        .reduce<Setting | null>((best, next) => (!best || missing(next.left) < missing(best.left) ? next : best), null),
    );
    if (chosen.includes(null)) return [];
    const changes = chosen.reduce<VehicleChanges>((made, setting) => ({ ...made, [setting!.axle]: setting!.changes }), {
      front: NO_AXLE_CHANGE,
      rear: NO_AXLE_CHANGE,
      bodyLiftMm,
    });
    const mended = chosen.flatMap((setting) => [
      ...setting!.own,
      ...setting!.options.flatMap((options) => cheapestStep(options) ?? []),
    ]);
    const plan = planOf(changes, [...bodySteps(shop, bodyLiftMm), ...mended]);
    return [{ changes, plan, left: chosen.flatMap((setting) => setting!.left) }];
  });
  return found.sort((a, b) => missing(a.left) - missing(b.left))[0] ?? null;
}

const missing = (left: readonly Unmended[]): number => left.reduce((sum, { verdict }) => sum - verdict.marginMm, 0);
