import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { describedCorner, describedCorners, prepareDescribed } from '../../4-clearance/case/described-corner';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { isTooNear, pairsInPlace, partPairGaps } from '../../4-clearance/verdict/part-pairs';
import { fallsShort, STANDARDS } from '../../4-clearance/case/standard';
import { attempt, ProblemError } from '../../1-base/problem';
import type { Modification } from './modification';
import { cheapestWay, groupsOf, waysOf, type Unmended, type Way } from './ways';
import { axleSettings, type PlanQuestion } from './plan-question';
import { axleSteps, bodySteps, byCost, byPermanence, planOf, type Order, type Plan, type PlanStep } from './plan-step';
import { NO_AXLE_CHANGE, NO_CHANGE, withChanges, type AxleChanges, type VehicleChanges } from './setup-changes';
import { axleOf, AXLES, type Axle, type CornerKey } from '../../2-vehicle/setup/corner-key';

/** Two parts that come nearer each other than they may, somewhere in the travel. Lengths mm. */
export interface PairShort {
  readonly corner: CornerKey;
  readonly a: string;
  readonly b: string;
  readonly gapMm: number;
  readonly requiredMm: number;
}

/** What the most lift that is tried does for a thing that falls short: where the stops decide, nothing. */
export interface LiftHelp {
  readonly verdict: ObstacleVerdict;
  readonly liftMm: number;
  readonly afterGapMm: number;
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
  /** Of each thing that falls short as it is, on an axle where a lift on the spring is among what is tried. */
  readonly lift: readonly LiftHelp[];
  /** Settings that were judged. */
  readonly settings: number;
}

/** A plan that goes as far as it can. */
export interface PartialPlan {
  readonly changes: VehicleChanges;
  readonly plan: Plan;
  readonly left: readonly Unmended[];
  readonly pairs: readonly PairShort[];
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
  readonly options: readonly (readonly Way[])[];
  readonly left: readonly Unmended[];
  /** Pairs of parts that are too near each other in it: such a setting is no part of a plan. */
  readonly pairs: readonly PairShort[];
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
    lift: axles.flatMap((axle) => liftHelp(description, axle, question, cache)),
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
  const { failing, pairs } = failingAt(description, axle, bodyLiftMm, changes, cache);
  const mended = groupsOf(failing, question).map((group) => waysOf(description, group, question));
  return {
    bodyLiftMm,
    axle,
    changes,
    own: axleSteps(question.shop, description, axle, changes),
    options: mended.map(({ ways }) => ways),
    left: mended.flatMap(({ left }) => left),
    pairs,
  };
}

interface Failing {
  readonly failing: readonly ObstacleVerdict[];
  readonly pairs: readonly PairShort[];
}

/** What fails at an axle under changes. @throws ProblemError where the vehicle cannot stand so. */
function failingAt(
  description: CaseDescription,
  axle: Axle,
  bodyLiftMm: number,
  changes: AxleChanges,
  cache: SectionCache,
): Failing {
  const { verdicts, pairs } = judgedAt(description, axle, bodyLiftMm, changes, cache);
  return { failing: verdicts.filter(({ verdict }) => fallsShort(verdict)), pairs };
}

function judgedAt(
  description: CaseDescription,
  axle: Axle,
  bodyLiftMm: number,
  changes: AxleChanges,
  cache: SectionCache,
): { readonly verdicts: readonly ObstacleVerdict[]; readonly pairs: readonly PairShort[] } {
  const changed = withChanges(description, { ...NO_CHANGE, [axle]: changes, bodyLiftMm });
  const corners = describedCorners(description)
    .filter((key) => axleOf(key) === axle)
    .map((key) => {
      const corner = prepareDescribed(changed, key, cache.survey);
      const setup = setupForCorner(changed, key);
      const section = cache.section(corner, describedCorner(changed, key), setup);
      const pairs = partPairGaps(corner, pairsInPlace(describedCorner(changed, key), corner, setup.removed));
      return {
        verdicts: cornerVerdicts(corner, STANDARDS[description.standard], {}, section),
        pairs: pairs.filter(isTooNear).map((pair) => ({ corner: key, ...pair })),
      };
    });
  return {
    verdicts: corners.flatMap(({ verdicts }) => verdicts),
    pairs: corners.flatMap(({ pairs }) => pairs),
  };
}

/** What the most lift on the spring that is tried does for each thing that falls short. */
function liftHelp(description: CaseDescription, axle: Axle, { tried }: PlanQuestion, cache: SectionCache): LiftHelp[] {
  const liftMm = Math.max(0, ...(tried[axle].liftMm ?? []));
  if (liftMm === 0) return [];
  const judged = attempt(() => ({
    before: failingAt(description, axle, 0, NO_AXLE_CHANGE, cache).failing,
    after: judgedAt(description, axle, 0, { ...NO_AXLE_CHANGE, liftMm }, cache).verdicts,
  }));
  if (!judged.ok) return [];
  const { before, after } = judged.value;
  return before.flatMap((verdict) => {
    const then = after.find(({ corner, id }) => corner === verdict.corner && id === verdict.id);
    return then ? [{ verdict, liftMm, afterGapMm: then.gapMm }] : [];
  });
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
    ...[...body, ...here.flatMap(({ own, options }) => [...own, ...options.flat()])].map(({ permanence: p }) => p),
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
    if (setting.pairs.length > 0 || setting.left.length > 0 || !setting.own.every(admits)) return [];
    const mended = setting.options.map((ways) => cheapestWay(ways.filter(({ steps }) => steps.every(admits))));
    if (mended.includes(null)) return [];
    const steps = [...setting.own, ...(mended as Way[]).flatMap((way) => way.steps)];
    return [{ setting, steps, costMinor: steps.reduce((sum, step) => sum + step.costMinor, 0) }];
  });
  return ways.reduce<Mended | null>((best, next) => {
    if (!best || next.costMinor < best.costMinor) return next;
    return next.costMinor === best.costMinor && next.steps.length < best.steps.length ? next : best;
  }, null);
}

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
        .reduce<Setting | null>((best, next) => (!best || missing(next) < missing(best) ? next : best), null),
    );
    if (chosen.includes(null)) return [];
    const changes = chosen.reduce<VehicleChanges>((made, setting) => ({ ...made, [setting!.axle]: setting!.changes }), {
      front: NO_AXLE_CHANGE,
      rear: NO_AXLE_CHANGE,
      bodyLiftMm,
    });
    const mended = chosen.flatMap((setting) => [
      ...setting!.own,
      ...setting!.options.flatMap((ways) => cheapestWay(ways)?.steps ?? []),
    ]);
    const plan = planOf(changes, [...bodySteps(shop, bodyLiftMm), ...mended]);
    return [
      {
        changes,
        plan,
        left: chosen.flatMap((setting) => setting!.left),
        pairs: chosen.flatMap((setting) => setting!.pairs),
      },
    ];
  });
  return found.sort((a, b) => missing(a) - missing(b))[0] ?? null;
}

const missing = ({ left, pairs }: Pick<PartialPlan, 'left' | 'pairs'>): number =>
  left.reduce((sum, { verdict }) => sum - verdict.marginMm, 0) +
  pairs.reduce((sum, { requiredMm, gapMm }) => sum + requiredMm - gapMm, 0);
