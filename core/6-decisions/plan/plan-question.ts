import { ProblemError } from '../../1-base/problem';
import { MODIFICATION_RULES, type Modification, type ToolSet } from './modification';
import { AXLE_CHANGE_KEYS, NO_AXLE_CHANGE, type AxleChanges } from './setup-changes';
import type { Axle } from '../../2-vehicle/setup/corner-key';

/** What a shop may do and what it costs. Money in minor units, tax in millionths. */
export interface PlanQuestion {
  /** Changes to things, each with the most it may give, mm; left out: not allowed. Taking off needs no number. */
  readonly allowed: Readonly<Partial<Record<Modification, number>>>;
  /** Amounts of each change that are tried at an axle; none is always tried. */
  readonly tried: Readonly<Record<Axle, Readonly<Partial<Record<keyof AxleChanges, readonly number[]>>>>>;
  readonly bodyLiftsMm: readonly number[];
  /** `both`: what is cut or shaped on one side of an axle is done as much on the other. Each side for itself by default. */
  readonly sides?: 'both' | 'each' | undefined;
  readonly shop: ShopTerms;
  /** The owner has agreed in writing that these crash brackets come off. */
  readonly consents: readonly string[];
}

/** What a shop charges. */
export interface ShopTerms {
  readonly toolSet: ToolSet;
  readonly labourMinorPerHour: number;
  /** Millionths: 190 000 is 19 %. */
  readonly taxMillionths: number;
  readonly taxOn: 'all' | 'parts' | 'nothing';
  /** Minutes of a change at one place where the shop's own differ from the usual. */
  readonly minutes: Readonly<Partial<Record<Modification, number>>>;
  /** Parts and material of a change at one place. */
  readonly partsMinor: Readonly<Partial<Record<Modification, number>>>;
}

/** Settings looked at, at most, at one axle. */
const MOST_SETTINGS = 3000;

/** Every combination of the amounts tried at an axle, none first. @throws ProblemError `tooLarge`. */
export function axleSettings(tried: PlanQuestion['tried'][Axle], path: string): AxleChanges[] {
  const lists = AXLE_CHANGE_KEYS.map((key) => [...new Set([0, ...(tried[key] ?? [])])] as const);
  const count = lists.reduce((product, { length }) => product * length, 1);
  if (count > MOST_SETTINGS) {
    throw new ProblemError({
      code: 'tooLarge',
      path,
      expected: `no more than ${MOST_SETTINGS} combinations of the amounts tried`,
      found: String(count),
    });
  }
  return lists.reduce<AxleChanges[]>(
    (made, amounts, i) =>
      made.flatMap((changes) => amounts.map((amount) => ({ ...changes, [AXLE_CHANGE_KEYS[i]!]: amount }))),
    [NO_AXLE_CHANGE],
  );
}

/** Minutes of a change at one place: the shop's own, else the usual for its tools. */
export function minutesOf({ toolSet, minutes }: ShopTerms, kind: Modification, isIndependent = false): number {
  const usual = MODIFICATION_RULES[kind];
  return minutes[kind] ?? ((isIndependent && usual.minutesIndependent) || usual.minutes)[toolSet];
}

/** Minutes of work in minor units, the half rounded up. */
export const labourMinor = ({ labourMinorPerHour }: ShopTerms, minutes: number): number =>
  Math.floor((2 * minutes * labourMinorPerHour + 60) / 120);
