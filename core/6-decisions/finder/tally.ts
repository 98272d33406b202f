import type { Axes } from './axes';
import type { Checks } from './checks';
import { bitOf, CONSTRAINTS } from './constraints';
import type { Prices } from './prices';
import { FAILS, type StagedCells } from './staged-cells';
import type { Verdicts } from './verdicts';

/** How many combinations came out how. */
export interface Tally {
  readonly combinations: number;
  readonly clears: number;
  readonly withChanges: number;
  /** Would do, but with another stop or axle place that changes nothing: without it they do as well. */
  readonly needless: number;
  readonly fails: number;
  /** Kept out by what has to be met, and by which of it; one may break several. In the order of `CONSTRAINTS`. */
  readonly refused: number;
  readonly refusedBy: readonly number[];
  /** Of those that will do, how many could not be checked against a constraint. */
  readonly uncheckedBy: readonly number[];
  /** Every set of constraints that some combination breaks together. */
  readonly masks: readonly number[];
}

/** What a combination is scored by within its cell: the smaller the better. */
const PER_PERMANENCE = 1e12;
const NO_PRICE = 5e11;
const PER_MINOR = 10;
const PER_SPACER_MM = 0.1;
const PER_LIFT_MM = 0.001;

/** Reads every combination off its cell, marks the best of each cell, and counts; one yield a stance. */
export function* countCombinations(
  axes: Axes,
  checks: Checks,
  prices: Prices,
  verdicts: Verdicts,
  cellsOfStance: readonly (StagedCells | null)[],
  budgetMinor = Infinity,
): Generator<void, Tally> {
  const { stances, spacers, wheels, tires } = axes.candidates;
  const counts = { clears: 0, withChanges: 0, needless: 0, fails: 0, refused: 0 };
  const refusedBy = new Array<number>(CONSTRAINTS.length).fill(0);
  const uncheckedBy = new Array<number>(CONSTRAINTS.length).fill(0);
  const masks = new Set<number>();
  const keepOut = (mask: number, staged: StagedCells | null, cell: number): void => {
    counts.refused++;
    countBits(mask, refusedBy);
    masks.add(mask);
    if (staged) staged.refusedBy[cell] = mask;
  };
  let number = 0;
  for (const [stance, { liftMm }] of stances.entries()) {
    const staged = cellsOfStance[stance] ?? null;
    const low = axes.sections.map((_, section) => checks.tooLow(section, stance));
    for (let spacer = 0; spacer < spacers.length; spacer++) {
      for (let wheel = 0; wheel < wheels.length; wheel++) {
        const place = axes.placeOf(wheel, spacer);
        const fixed = checks.wheels[wheel]!.refused | checks.spacers[spacer]!.refused;
        const open = checks.wheels[wheel]!.unchecked | checks.spacers[spacer]!.unchecked;
        const inside = staged?.inside?.at(wheel, spacer) ?? Infinity;
        for (let tire = 0; tire < tires.length; tire++, number++) {
          const section = axes.sectionOn(tire, wheel);
          if (section < 0) continue;
          const cell = axes.sections[section]!.firstCell + place;
          const refused =
            fixed |
            checks.tires[tire]!.refused |
            checks.mounted[section]!.refused |
            checks.refusedAt[cell]! |
            low[section]!;
          if (refused !== 0) {
            keepOut(refused, staged, cell);
            continue;
          }
          if (!staged || staged.remedies[cell]! & FAILS || inside < 0) {
            counts.fails++;
            continue;
          }
          const cost = prices.sum(tire, wheel, spacer, stance) + staged.changesMinor[cell]!;
          if (cost > budgetMinor) {
            keepOut(bitOf('budget'), staged, cell);
            continue;
          }
          const unpriced = Number.isNaN(cost);
          const unchecked =
            open |
            (unpriced && budgetMinor < Infinity ? bitOf('budget') : 0) |
            checks.tires[tire]!.unchecked |
            checks.uncheckedAt[cell]!;
          if (unchecked !== 0) countBits(unchecked, uncheckedBy);
          if (verdicts.isPlain(staged, cell, stance)) counts.clears++;
          else if (verdicts.isNeedless(staged, cell, stance)) counts.needless++;
          else counts.withChanges++;
          const score =
            PER_PERMANENCE * verdicts.permanence(staged, cell, stance) +
            (unpriced ? NO_PRICE : PER_MINOR * cost) +
            PER_SPACER_MM * spacers[spacer]!.thicknessMm +
            PER_LIFT_MM * Math.abs(liftMm);
          if (score < staged.bestScore[cell]!) {
            staged.bestScore[cell] = score;
            staged.best[cell] = number;
          }
        }
      }
    }
    yield;
  }
  const combinations = Object.values(counts).reduce((sum, count) => sum + count, 0);
  return { combinations, ...counts, refusedBy, uncheckedBy, masks: [...masks] };
}

function countBits(mask: number, into: number[]): void {
  for (let bit = 0; mask >> bit !== 0; bit++) if ((mask >> bit) & 1) into[bit]!++;
}
