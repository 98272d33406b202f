import type { Candidates } from './candidates';
import type { FinderQuestion } from './question';
import { PERMANENCE } from './remedies';

/** Prices of parts, summed in minor units; NaN where a part has none. */
export class Prices {
  /** How hard each stance is to take back. */
  readonly stancePermanence: readonly number[];
  readonly #tires: Float64Array;
  readonly #wheels: Float64Array;
  readonly #spacers: Float64Array;
  readonly #stances: Float64Array;
  readonly #wheelCount: number;
  readonly #spares: number;

  constructor({ prices = {}, fit, constraints }: FinderQuestion, candidates: Candidates) {
    this.#wheelCount = fit === 'allRound' ? 4 : 2;
    this.#spares = constraints.spare ? 1 : 0;
    this.#tires = Float64Array.from(candidates.tires, ({ priceMinor = NaN }) => priceMinor);
    this.#wheels = Float64Array.from(candidates.wheels, ({ priceMinor = NaN }) => priceMinor);
    this.#spacers = Float64Array.from(candidates.spacers, ({ thicknessMm, priceMinor = NaN }) =>
      thicknessMm === 0 ? 0 : priceMinor,
    );
    const changes = candidates.stances.map(({ liftMm, bumpStopMm, steeringStopDeg, axleShiftMm }) => [
      ...(liftMm === 0 ? [] : (['lift'] as const)),
      ...(bumpStopMm === 0 ? [] : (['bumpStop'] as const)),
      ...(steeringStopDeg === 0 ? [] : (['steeringStop'] as const)),
      ...(axleShiftMm === 0 ? [] : (['axleShift'] as const)),
    ]);
    this.#stances = Float64Array.from(changes, (kinds) => kinds.reduce((sum, kind) => sum + (prices[kind] ?? 0), 0));
    this.stancePermanence = changes.map((kinds) => Math.max(0, ...kinds.map((kind) => PERMANENCE[kind])));
  }

  /** Of a set with its spare and its stance, changes to things in the way left out. */
  sum(tire: number, wheel: number, spacer: number, stance: number): number {
    return (
      (this.#tires[tire]! + this.#wheels[wheel]!) * (this.#wheelCount + this.#spares) +
      (this.#spacers[spacer]! + this.#stances[stance]!) * this.#wheelCount
    );
  }
}
