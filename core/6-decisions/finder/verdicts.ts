import type { Stance } from './candidates';
import { PERMANENCE_OF_MASK } from './cell-outcome';
import type { Prices } from './prices';
import { FAILS, type StagedCells } from './staged-cells';

/** What a cell that does not fail comes to in a stance. */
export class Verdicts {
  readonly #stances: readonly Stance[];
  readonly #prices: Prices;
  readonly #cellsOfStance: readonly (StagedCells | null)[];
  /** For each stance the one at the same height with nothing stopped or moved. */
  readonly #withoutStops: readonly number[];

  constructor(stances: readonly Stance[], prices: Prices, cellsOfStance: readonly (StagedCells | null)[]) {
    this.#stances = stances;
    this.#prices = prices;
    this.#cellsOfStance = cellsOfStance;
    this.#withoutStops = stances.map(({ liftMm }) =>
      stances.findIndex((one) => one.liftMm === liftMm && !isStopped(one)),
    );
  }

  /** Clears with nothing taken off, cut, stopped or moved: a height that was asked for is no change. */
  isPlain(staged: StagedCells, cell: number, stance: number): boolean {
    return staged.remedies[cell] === 0 && !isStopped(this.#stances[stance]!);
  }

  /** Whether a stop or an axle place gains a cell nothing against the same height without it. */
  isNeedless(staged: StagedCells, cell: number, stance: number): boolean {
    const without = this.#withoutStops[stance]!;
    if (without === stance) return false;
    const plain = this.#cellsOfStance[without];
    if (!plain || plain.remedies[cell]! & FAILS) return false;
    return plain.remedies[cell] === staged.remedies[cell];
  }

  /** How hard it is to take back: of what is done to things in the way and of the stance. */
  permanence(staged: StagedCells, cell: number, stance: number): number {
    return Math.max(PERMANENCE_OF_MASK[staged.remedies[cell]! & ~FAILS]!, this.#prices.stancePermanence[stance]!);
  }
}

const isStopped = ({ bumpStopMm, steeringStopDeg, axleShiftMm }: Stance): boolean =>
  bumpStopMm !== 0 || steeringStopDeg !== 0 || axleShiftMm !== 0;
