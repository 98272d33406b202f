import type { CaseDescription } from '../../4-clearance/case/case-description';
import { axleOf, CORNER_KEYS, type CornerKey, type Axle } from '../../2-vehicle/setup/corner-key';
import { MODIFICATION_RULES, MODIFICATIONS, type Modification } from './modification';
import { labourMinor, minutesOf, type ShopTerms } from './plan-question';
import { AXLE_CHANGE_KEYS, KIND_OF, type AxleChanges, type VehicleChanges } from './setup-changes';

/** One change of a plan at one place. */
export interface PlanStep {
  readonly kind: Modification;
  /** A thing at a corner, an axle, or the whole body. */
  readonly at:
    | { readonly corner: CornerKey; readonly obstacle: string; readonly label: string }
    | { readonly axle: Axle }
    | { readonly whole: true };
  /** mm or degrees; 0 for a thing taken away. */
  readonly amount: number;
  /** The side that nobody described is done alike, and counted. */
  readonly isBoth?: boolean;
  readonly minutes: number;
  readonly partsMinor: number;
  /** Labor and parts, before tax. */
  readonly costMinor: number;
  readonly permanence: number;
}

export interface Plan {
  readonly changes: VehicleChanges;
  /** In the order in which they are done. */
  readonly steps: readonly PlanStep[];
  readonly permanence: number;
  readonly minutes: number;
  /** Before tax. */
  readonly costMinor: number;
}

/** A change at one place, with what it takes. */
export function stepOf(
  shop: ShopTerms,
  kind: Modification,
  at: PlanStep['at'],
  amount: number,
  { isIndependent = false, times = 1 }: { readonly isIndependent?: boolean; readonly times?: 1 | 2 } = {},
): PlanStep {
  const minutes = times * minutesOf(shop, kind, isIndependent);
  const partsMinor = times * (shop.partsMinor[kind] ?? 0);
  return {
    kind,
    at,
    amount,
    ...(times === 2 ? { isBoth: true } : {}),
    minutes,
    partsMinor,
    costMinor: labourMinor(shop, minutes) + partsMinor,
    permanence: MODIFICATION_RULES[kind].permanence,
  };
}

/** Whether an axle has independent suspension, as far as it is described. */
export const independentAt = ({ corners }: CaseDescription, axle: Axle): boolean =>
  CORNER_KEYS.filter((key) => axleOf(key) === axle).some((key) => {
    const corner = corners[key];
    return corner !== undefined && corner.motion.type !== 'beamAxle';
  });

/** Steps for the changes of an axle. */
export const axleSteps = (
  shop: ShopTerms,
  description: CaseDescription,
  axle: Axle,
  changes: AxleChanges,
): PlanStep[] =>
  AXLE_CHANGE_KEYS.filter((key) => changes[key] !== 0).map((key) =>
    stepOf(shop, KIND_OF[key], { axle }, changes[key], { isIndependent: independentAt(description, axle) }),
  );

export const bodySteps = (shop: ShopTerms, bodyLiftMm: number): PlanStep[] =>
  bodyLiftMm === 0 ? [] : [stepOf(shop, 'bodyLift', { whole: true }, bodyLiftMm)];

/** A plan of steps, put in the order in which they are done: what can be undone comes first. */
export function planOf(changes: VehicleChanges, unordered: readonly PlanStep[]): Plan {
  const steps = [...unordered].sort((a, b) => MODIFICATIONS.indexOf(a.kind) - MODIFICATIONS.indexOf(b.kind));
  const sum = (what: 'minutes' | 'costMinor'): number => steps.reduce((total, step) => total + step[what], 0);
  return {
    changes,
    steps,
    permanence: Math.max(0, ...steps.map(({ permanence }) => permanence)),
    minutes: sum('minutes'),
    costMinor: sum('costMinor'),
  };
}

export type Order = (a: Plan, b: Plan) => number;

/** Least permanent first, then cheapest, then the fewest steps. */
export const byPermanence: Order = (a, b) =>
  a.permanence - b.permanence || a.costMinor - b.costMinor || a.steps.length - b.steps.length;

/** Cheapest first, then least permanent, then the fewest steps. */
export const byCost: Order = (a, b) =>
  a.costMinor - b.costMinor || a.permanence - b.permanence || a.steps.length - b.steps.length;
