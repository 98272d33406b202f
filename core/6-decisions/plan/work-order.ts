import { CUTS, MODIFICATION_RULES, type Consumable, type Modification, type Precaution } from './modification';
import { independentAt, type Plan, type PlanStep } from './plan-step';
import { labourMinor, minutesOf, type ShopTerms } from './plan-question';
import { cautionsOf, workMinutes, type SetupWork } from './setup-work';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { axleOf } from '../../2-vehicle/setup/corner-key';

/** Work that belongs to a plan beside its changes. */
export const STANDING_WORK = [
  'stand',
  'lookBehind',
  'trialFit',
  'flexAgain',
  'sealEdges',
  'alignment',
  'reTorque',
] as const;
export type StandingWork = (typeof STANDING_WORK)[number];

/** Minutes of standing work; working values of this project, editable. Trial fit and flexing are per axle worked on. */
const STANDING_MINUTES: Readonly<Record<StandingWork, number>> = {
  stand: 15,
  lookBehind: 10,
  trialFit: 40,
  flexAgain: 30,
  sealEdges: 45,
  alignment: 60,
  reTorque: 15,
};

/** One line of a work order, in the order of the work. */
export interface WorkLine {
  readonly what: Modification | StandingWork | 'prescribed' | 'setup';
  /** What the setup itself asks for. */
  readonly work: SetupWork | null;
  readonly at: PlanStep['at'] | null;
  /** mm or degrees; 0 where there is none. */
  readonly amount: number;
  /** Done alike on the side that nobody described. */
  readonly isBoth?: boolean | undefined;
  /** For a step that a kit's maker prescribes: what, and where it is written. */
  readonly prescribed: PrescribedStep | null;
  readonly minutes: number;
  readonly labourMinor: number;
  /** Where the risk is: at this step and no other. */
  readonly cautions: readonly Precaution[];
}

/** A step a kit's maker prescribes, recorded with its source; the tool does not judge it. */
export interface PrescribedStep {
  readonly text: string;
  readonly source: string;
  readonly minutes: number;
}

/** A part or material line as a shop writes it. */
export interface PartEntry {
  readonly name: string;
  readonly quantity: number;
  readonly unitMinor: number;
}

export interface PartLine {
  readonly what: Modification | Consumable | 'entered' | 'setup';
  /** For `entered` ones. */
  readonly name: string | null;
  /** For parts of the setup itself. */
  readonly work: SetupWork | null;
  readonly where: readonly PlanStep['at'][];
  readonly amount: number;
  readonly quantity: number;
  readonly unitMinor: number;
  readonly sumMinor: number;
}

/** Sums in minor units: every one is the sum of the lines shown. */
export interface WorkSums {
  readonly labourMinor: number;
  readonly partsMinor: number;
  readonly netMinor: number;
  readonly taxedMinor: number;
  readonly taxMinor: number;
  readonly totalMinor: number;
}

export interface WorkOrder {
  readonly lines: readonly WorkLine[];
  readonly parts: readonly PartLine[];
  readonly minutes: number;
  readonly sums: WorkSums;
}

const MILLION = 1_000_000;

/** Tax of an amount, the half rounded up, without a rounding of the share itself. */
export const taxMinor = (minor: number, taxMillionths: number): number =>
  Number((2n * BigInt(minor) * BigInt(taxMillionths) + BigInt(MILLION)) / BigInt(2 * MILLION));

/** What a job asks for beside its plan. */
export interface BesidePlan {
  readonly prescribed?: readonly PrescribedStep[] | undefined;
  readonly entered?: readonly PartEntry[] | undefined;
  /** What the setup itself changes against what is fitted. */
  readonly setup?: readonly SetupWork[] | undefined;
  readonly description?: CaseDescription | undefined;
}

/** The whole job as work: what the setup asks for, then the plan: what can be undone first, a trial fit before anything is cut, a first cut before the last. */
export function workOrder(
  plan: Plan,
  shop: ShopTerms,
  { prescribed = [], entered = [], setup = [], description }: BesidePlan = {},
): WorkOrder {
  const lines = [
    ...(plan.steps.length + prescribed.length + setup.length > 0 ? [standing(shop, 'stand', ['supportAxle'])] : []),
    ...prescribed.map((step) => prescribedLine(shop, step)),
    ...setup.map((work) => setupLine(shop, work, description)),
    ...stepLines(plan, shop, setup),
  ];
  const parts = partLines(plan, entered, setup, shop);
  const sum = (amounts: readonly number[]): number => amounts.reduce((total, next) => total + next, 0);
  const labor = sum(lines.map((line) => line.labourMinor));
  const partsMinor = sum(parts.map(({ sumMinor }) => sumMinor));
  const netMinor = labor + partsMinor;
  const taxedMinor = shop.taxOn === 'all' ? netMinor : shop.taxOn === 'parts' ? partsMinor : 0;
  const tax = taxMinor(taxedMinor, shop.taxMillionths);
  return {
    lines,
    parts,
    minutes: sum(lines.map(({ minutes }) => minutes)),
    sums: { labourMinor: labor, partsMinor, netMinor, taxedMinor, taxMinor: tax, totalMinor: netMinor + tax },
  };
}

/** What a plan comes to as a whole: the sum before tax and the time that its work order says. */
export interface PlanPrice {
  readonly netMinor: number;
  readonly minutes: number;
  /** Of the sum, what is not the changes themselves: standing work, steps of a maker's, parts the shop entered. */
  readonly besideMinor: number;
}

/** @see PlanPrice */
export function planPrice(plan: Plan, shop: ShopTerms, beside: BesidePlan = {}): PlanPrice {
  const { sums, minutes } = workOrder(plan, shop, beside);
  return { netMinor: sums.netMinor, minutes, besideMinor: sums.netMinor - plan.costMinor };
}

/** The plan whose work order comes to least; of equal ones the first. */
export const cheapestOf = (plans: readonly Plan[], priceOf: (plan: Plan) => PlanPrice): Plan | null =>
  plans.reduce<Plan | null>(
    (best, next) => (best && priceOf(best).netMinor <= priceOf(next).netMinor ? best : next),
    null,
  );

/** From here on a change leaves a mark: it is tried on before. */
const LEAST_LASTING = 3;

function stepLines({ steps }: Plan, shop: ShopTerms, setup: readonly SetupWork[]): WorkLine[] {
  const isLasting = ({ permanence }: PlanStep): boolean => permanence >= LEAST_LASTING;
  const lasting = steps.filter(isLasting);
  const axles = (of: readonly PlanStep[]): number => new Set(of.map(({ at }) => axleName(at))).size;
  const cuts = lasting.filter(({ kind }) => CUTS.includes(kind));
  const kinds = [...steps.map(({ kind }) => kind), ...setup.map(({ as }) => as)];
  const after = new Set(kinds.flatMap((kind) => MODIFICATION_RULES[kind].afterCare));
  const toLookBehind = lasting.some(({ kind }) => CUTS.includes(kind));
  return [
    ...steps.filter((step) => !isLasting(step)).map((step) => stepLine(shop, step)),
    ...(lasting.length > 0 ? [standing(shop, 'trialFit', [], axles(lasting))] : []),
    ...(toLookBehind ? [standing(shop, 'lookBehind', ['lookBehind'])] : []),
    ...lasting.map((step) => stepLine(shop, step)),
    ...(cuts.length > 0 ? [standing(shop, 'flexAgain', ['eyeProtection'], axles(cuts))] : []),
    ...(after.has('deburrPrimeSeal') ? [standing(shop, 'sealEdges', ['deburrPrimeSeal'])] : []),
    ...(after.has('alignment') ? [standing(shop, 'alignment', after.has('sensors') ? ['sensors'] : [])] : []),
    ...(after.has('reTorque') ? [standing(shop, 'reTorque', ['reTorque'])] : []),
  ];
}

function setupLine(shop: ShopTerms, work: SetupWork, description: CaseDescription | undefined): WorkLine {
  const isIndependent = description !== undefined && 'axle' in work.at && independentAt(description, work.at.axle);
  const minutes = workMinutes(work, minutesOf(shop, work.as, isIndependent));
  return {
    what: 'setup',
    work,
    at: work.at,
    amount: work.amount,
    prescribed: null,
    minutes,
    labourMinor: labourMinor(shop, minutes),
    cautions: cautionsOf(work),
  };
}

const stepLine = (shop: ShopTerms, { kind, at, amount, isBoth, minutes }: PlanStep): WorkLine => ({
  what: kind,
  work: null,
  at,
  amount,
  isBoth,
  prescribed: null,
  minutes,
  labourMinor: labourMinor(shop, minutes),
  cautions: MODIFICATION_RULES[kind].cautions,
});

function standing(shop: ShopTerms, what: StandingWork, cautions: readonly Precaution[], times = 1): WorkLine {
  const minutes = STANDING_MINUTES[what] * times;
  const labor = labourMinor(shop, minutes);
  return { what, work: null, at: null, amount: 0, prescribed: null, minutes, labourMinor: labor, cautions };
}

const prescribedLine = (shop: ShopTerms, step: PrescribedStep): WorkLine => ({
  what: 'prescribed',
  work: null,
  at: null,
  amount: 0,
  prescribed: step,
  minutes: step.minutes,
  labourMinor: labourMinor(shop, step.minutes),
  cautions: [],
});

const axleName = (at: PlanStep['at']): string => ('corner' in at ? axleOf(at.corner) : 'axle' in at ? at.axle : 'body');

/** Work that wants no part. */
const COMES_OFF: readonly SetupWork['what'][] = ['takeOff', 'spacersOff', 'partOff'];

/** Parts by kind and amount, then what is used up, then what the shop entered. */
function partLines(
  { steps }: Plan,
  entered: readonly PartEntry[],
  setup: readonly SetupWork[],
  shop: ShopTerms,
): PartLine[] {
  const lines = new Map<string, PartLine>();
  const put = (line: Omit<PartLine, 'sumMinor' | 'where'>, at: PlanStep['at'] | null): void => {
    const key = `${line.what}:${line.name}:${JSON.stringify(line.work?.part ?? line.work?.what)}:${line.amount}:${line.unitMinor}`;
    const known = lines.get(key);
    const quantity = (known?.quantity ?? 0) + line.quantity;
    const where = [...(known?.where ?? []), ...(at ? [at] : [])];
    lines.set(key, { ...line, quantity, where, sumMinor: quantity * line.unitMinor });
  };
  for (const work of setup) {
    if (COMES_OFF.includes(work.what)) continue;
    const quantity = work.sides === 'both' && 'axle' in work.at && work.what !== 'steeringStop' ? 2 : 1;
    // A plan's part is priced at its place; these are counted by the piece, and priced where the shop has a price.
    const unitMinor = Math.round((shop.partsMinor[work.as] ?? 0) / quantity);
    put({ what: 'setup', name: null, work, amount: work.amount, quantity, unitMinor }, work.at);
  }
  for (const { kind, at, amount, partsMinor } of steps) {
    const rule = MODIFICATION_RULES[kind];
    // A priced change without a part of its own is its material.
    if (rule.part || partsMinor > 0) {
      const own = rule.part && rule.on === 'setup' ? amount : 0;
      put({ what: kind, name: null, work: null, amount: own, quantity: 1, unitMinor: partsMinor }, at);
    }
  }
  for (const consumable of new Set(steps.flatMap(({ kind }) => MODIFICATION_RULES[kind].consumables))) {
    put({ what: consumable, name: null, work: null, amount: 0, quantity: 1, unitMinor: 0 }, null);
  }
  for (const { name, quantity, unitMinor } of entered) {
    put({ what: 'entered', name, work: null, amount: 0, quantity, unitMinor }, null);
  }
  return [...lines.values()];
}
