import {
  setupForCorner,
  type CaseDescription,
  type CornerKey,
  type CornerOverrides,
  type ObstacleDescription,
  type SetupDescription,
} from '../clearance/description';
import { describedCorners } from '../clearance/described-corner';
import { evaluateCase, type ObstacleVerdict } from '../clearance/evaluate';
import { SectionShelf } from '../clearance/section-shelf';
import { STANDARDS, type Standard } from '../clearance/standard';
import { attempt } from '../problem';
import { MODIFICATION_RULES, modificationsOf, type Modification, type ToolSet } from './modification';

/** Changes of the whole setup that are tried, each beside none: mm, degrees of lock to both sides. */
export interface SetupChanges {
  readonly bumpStopMm: number;
  readonly steeringStopDeg: number;
  readonly spacerMm: number;
  readonly liftMm: number;
}

/** What a shop may do and what it costs. Money in minor units. */
export interface PlanQuestion {
  /** Changes to things, each with the most it may give, mm; left out: not allowed. Taking off needs no number. */
  readonly allowed: Readonly<Partial<Record<Modification, number>>>;
  /** Amounts of each change of the setup that are tried; 0 is always tried. */
  readonly tried: Readonly<Record<keyof SetupChanges, readonly number[]>>;
  readonly toolSet: ToolSet;
  readonly labourMinorPerHour: number;
  /** Parts and material of one change at one place. */
  readonly partsMinor: Readonly<Partial<Record<Modification, number>>>;
}

export interface PlanStep {
  readonly kind: Modification;
  /** null for a change of the setup, which is made at every corner. */
  readonly corner: CornerKey | null;
  readonly obstacle: string | null;
  readonly label: string | null;
  /** mm or degrees; 0 for a thing taken off. */
  readonly amount: number;
  readonly hours: number;
  readonly costMinor: number;
  readonly permanence: number;
}

export interface Plan {
  /** In the order in which they are done. */
  readonly steps: readonly PlanStep[];
  readonly changes: SetupChanges;
  readonly permanence: number;
  readonly hours: number;
  readonly costMinor: number;
}

export interface PlanAnswer {
  /** Least permanent, then cheapest; null: nothing that is allowed clears it. */
  readonly leastPermanent: Plan | null;
  readonly runnerUp: Plan | null;
  /** Cheapest, then least permanent. */
  readonly cheapest: Plan | null;
  /** Where there is no plan: the setting that leaves least undone, and what it leaves. */
  readonly nearest: { readonly changes: SetupChanges; readonly left: readonly ObstacleVerdict[] } | null;
}

const NO_CHANGE: SetupChanges = { bumpStopMm: 0, steeringStopDeg: 0, spacerMm: 0, liftMm: 0 };

const KIND_OF: Readonly<Record<keyof SetupChanges, Modification>> = {
  bumpStopMm: 'bumpStop',
  steeringStopDeg: 'steeringStop',
  spacerMm: 'spacer',
  liftMm: 'lift',
};

/** The setup of a corner with changes made to it. */
export function changedSetup(
  setup: SetupDescription,
  changes: SetupChanges,
  steers: boolean,
  locks: { readonly left: number; readonly right: number },
): SetupDescription {
  const { bumpStopMm, steeringStopDeg, spacerMm, liftMm } = changes;
  const stops =
    steers && steeringStopDeg > 0
      ? {
          steerStopLeftDeg: Math.max(0.1, (setup.steerStopLeftDeg ?? locks.left) - steeringStopDeg),
          steerStopRightDeg: Math.max(0.1, (setup.steerStopRightDeg ?? locks.right) - steeringStopDeg),
        }
      : {};
  return {
    ...setup,
    ...stops,
    bumpStopMm: setup.bumpStopMm + bumpStopMm,
    spacerMm: setup.spacerMm + spacerMm,
    parts: liftMm === 0 ? setup.parts : [...(setup.parts ?? []), { kind: 'ride', liftMm }],
  };
}

/** One way to mend one failing thing. */
interface Option {
  readonly step: PlanStep;
}

/** A setting of the whole setup with the ways to mend what still fails under it. */
interface Setting {
  readonly changes: SetupChanges;
  readonly own: readonly PlanStep[];
  /** By failing thing; none is empty. */
  readonly options: readonly (readonly Option[])[];
}

/**
 * The least permanent and the cheapest plan by exact search: every combination of the setup's changes is judged whole, and
 * under each what still fails is mended thing by thing, which are independent of each other. Settings the vehicle cannot
 * stand in are passed over.
 */
export function planCase(description: CaseDescription, question: PlanQuestion, shelf = new SectionShelf()): PlanAnswer {
  const settings: Setting[] = [];
  let nearest: PlanAnswer['nearest'] = null;
  for (const changes of settingsOf(question)) {
    const judged = attempt(() => evaluateCase(withChanges(description, changes), {}, shelf));
    if (!judged.ok) continue;
    const failing = judged.value.obstacles.filter(({ verdict }) => verdict === 'rubs');
    const options = failing.map((verdict) => optionsFor(description, verdict, question));
    const left = failing.filter((_, i) => options[i]!.length === 0);
    if (left.length > 0) {
      if (!nearest || missing(left) < missing(nearest.left)) nearest = { changes, left };
      continue;
    }
    settings.push({ changes, own: setupSteps(description, changes, question), options });
  }
  const plans = (order: Order): Plan[] => settings.map((setting) => bestOf(setting, order)).sort(order);
  const least = plans(byPermanence);
  const cheapest = plans(byCost)[0] ?? null;
  const best = least[0] ?? null;
  return {
    leastPermanent: best,
    runnerUp: best && secondBest(settings, best, byPermanence),
    cheapest,
    nearest: best ? null : nearest,
  };
}

type Order = (a: Plan, b: Plan) => number;

/** Least permanent first, then cheapest, then the fewest steps. */
export const byPermanence: Order = (a, b) =>
  a.permanence - b.permanence || a.costMinor - b.costMinor || a.steps.length - b.steps.length;

/** Cheapest first, then least permanent, then the fewest steps. */
export const byCost: Order = (a, b) =>
  a.costMinor - b.costMinor || a.permanence - b.permanence || a.steps.length - b.steps.length;

const missing = (left: readonly ObstacleVerdict[]): number => left.reduce((sum, { marginMm }) => sum - marginMm, 0);

/** Every combination of the amounts tried, nothing first. */
function settingsOf({ tried }: PlanQuestion): SetupChanges[] {
  const amounts = (key: keyof SetupChanges): number[] => [...new Set([0, ...tried[key]])].sort((a, b) => a - b);
  return amounts('bumpStopMm').flatMap((bumpStopMm) =>
    amounts('steeringStopDeg').flatMap((steeringStopDeg) =>
      amounts('spacerMm').flatMap((spacerMm) =>
        amounts('liftMm').map((liftMm) => ({ ...NO_CHANGE, bumpStopMm, steeringStopDeg, spacerMm, liftMm })),
      ),
    ),
  );
}

/** The vehicle with changes made at every corner. */
export function withChanges(description: CaseDescription, changes: SetupChanges): CaseDescription {
  const keys = describedCorners(description);
  const own = keys.map((key) => {
    const { steering } = description.corners[key]!;
    const locks = { left: steering?.lockLeftDeg ?? 0, right: steering?.lockRightDeg ?? 0 };
    return [key, changedSetup(setupForCorner(description, key), changes, steering !== undefined, locks)] as const;
  });
  const corners: CornerOverrides = Object.fromEntries(own);
  return { ...description, setup: { ...own[0]![1], corners } };
}

function setupSteps(description: CaseDescription, changes: SetupChanges, question: PlanQuestion): PlanStep[] {
  const corners = describedCorners(description).length;
  return (Object.keys(KIND_OF) as (keyof SetupChanges)[]).flatMap((key) => {
    const amount = changes[key];
    if (amount === 0) return [];
    const kind = KIND_OF[key];
    return [{ ...stepOf(kind, amount, question, corners), corner: null, obstacle: null, label: null }];
  });
}

/** Hours and cost of a change at so many places. */
function stepOf(
  kind: Modification,
  amount: number,
  { toolSet, labourMinorPerHour, partsMinor }: PlanQuestion,
  places = 1,
): Pick<PlanStep, 'kind' | 'amount' | 'hours' | 'costMinor' | 'permanence'> {
  const { hours, permanence } = MODIFICATION_RULES[kind];
  const spent = hours[toolSet] * places;
  return {
    kind,
    amount,
    hours: spent,
    costMinor: Math.round(spent * labourMinorPerHour) + (partsMinor[kind] ?? 0) * places,
    permanence,
  };
}

/** Ways to mend one failing thing that are allowed and give enough. */
function optionsFor(description: CaseDescription, verdict: ObstacleVerdict, question: PlanQuestion): Option[] {
  const { corner, id, label, marginMm } = verdict;
  const entry = description.corners[corner]?.obstacles.find((obstacle) => obstacle.id === id) as ObstacleDescription;
  const standard: Standard = STANDARDS[description.standard];
  return modificationsOf(entry).flatMap((kind) => {
    const { most, needs } = MODIFICATION_RULES[kind];
    const allowed = question.allowed[kind];
    if (allowed === undefined || (needs !== null && !standard.allows.includes(needs))) return [];
    const gives = most === null ? Infinity : Math.min(most, allowed);
    if (gives < -marginMm) return [];
    const amount = most === null ? 0 : -marginMm;
    return [{ step: { ...stepOf(kind, amount, question), corner, obstacle: id, label } }];
  });
}

const ORDER: readonly Modification[] = Object.keys(MODIFICATION_RULES) as Modification[];

function planOf({ changes, own }: Setting, chosen: readonly PlanStep[]): Plan {
  const steps = [...own, ...chosen].sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));
  return {
    steps,
    changes,
    permanence: Math.max(0, ...steps.map((step) => step.permanence)),
    hours: steps.reduce((sum, step) => sum + step.hours, 0),
    costMinor: steps.reduce((sum, step) => sum + step.costMinor, 0),
  };
}

/**
 * The best plan of a setting. Costs add up and permanence is the worst of all, so that with the least worst permanence
 * that will do each thing can take the cheapest way that is no more permanent.
 */
function bestOf(setting: Setting, order: Order): Plan {
  const cheapestWithin = (permanence: number): Plan =>
    planOf(
      setting,
      setting.options.map((options) => {
        const within = options.filter(({ step }) => step.permanence <= permanence);
        return cheapest(within.length > 0 ? within : options);
      }),
    );
  const levels = [...new Set([0, ...setting.own, ...setting.options.flat().map(({ step }) => step)].map(levelOf))];
  return levels.map(cheapestWithin).sort(order)[0]!;
}

const levelOf = (step: number | PlanStep): number => (typeof step === 'number' ? step : step.permanence);

const cheapest = (options: readonly Option[]): PlanStep =>
  options.reduce((best, next) =>
    next.step.costMinor < best.step.costMinor ||
    (next.step.costMinor === best.step.costMinor && next.step.permanence < best.step.permanence)
      ? next
      : best,
  ).step;

/** The best plan that is not this one: of another setting, or with one thing mended another way. */
function secondBest(settings: readonly Setting[], best: Plan, order: Order): Plan | null {
  const others = settings.flatMap((setting) => {
    if (setting.changes !== best.changes) return [bestOf(setting, order)];
    return setting.options.flatMap((options, i) => {
      const taken = best.steps.find((step) => options.some((option) => same(option.step, step)));
      const rest = options.filter(({ step }) => !taken || step.kind !== taken.kind);
      if (rest.length === 0) return [];
      return [bestOf({ ...setting, options: setting.options.map((own, k) => (k === i ? rest : own)) }, order)];
    });
  });
  return others.sort(order)[0] ?? null;
}

const same = (a: PlanStep, b: PlanStep): boolean =>
  a.kind === b.kind && a.corner === b.corner && a.obstacle === b.obstacle;
