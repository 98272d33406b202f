import type { Axes, Combination } from './axes';
import {
  bitOf,
  checkMounted,
  checkPlane,
  checkSpacer,
  checkTire,
  checkWheel,
  groundClearanceMm,
  type FittedTire,
  type Checked,
  type LeaningEdge,
} from './constraints';
import type { FinderQuestion } from './question';

/** What each part, each mounted tire and each cell breaks of a question's constraints, worked out once each. */
export class Checks {
  readonly tires: readonly Checked[];
  readonly wheels: readonly Checked[];
  readonly spacers: readonly Checked[];
  /** By section. */
  readonly mounted: readonly Checked[];
  /** Poke and coverage by cell, over all corners. */
  readonly refusedAt: Uint16Array;
  readonly uncheckedAt: Uint16Array;
  readonly #axes: Axes;
  readonly #question: FinderQuestion;
  readonly #fitted: FittedTire;

  /** `fitted` is what the speedometer is set for and the clearance was measured with. */
  constructor(axes: Axes, question: FinderQuestion, fitted: FittedTire, edges: readonly LeaningEdge[]) {
    const { tires, wheels, spacers } = axes.candidates;
    const { constraints } = question;
    this.#axes = axes;
    this.#question = question;
    this.#fitted = fitted;
    this.tires = tires.map((tire) => checkTire(tire, constraints));
    this.wheels = wheels.map((wheel) => checkWheel(wheel, constraints));
    this.spacers = spacers.map((spacer) => checkSpacer(spacer, constraints));
    const drawn = question.tires.from === 'ranges';
    this.mounted = axes.sections.map(({ tire, rim, mounted }) =>
      checkMounted(tires[tire]!, mounted.section, axes.rims[rim]!.widthIn, fitted, constraints, drawn),
    );
    this.refusedAt = new Uint16Array(axes.cellCount);
    this.uncheckedAt = new Uint16Array(axes.cellCount);
    const { covered, pokeLeastMm, pokeMostMm } = constraints;
    if (!covered && pokeLeastMm === undefined && pokeMostMm === undefined) return;
    for (const { rim, mounted, firstCell } of axes.sections) {
      axes.rims[rim]!.planes.forEach((planeMm, place) => {
        for (const edge of edges) {
          const { refused, unchecked } = checkPlane(edge, mounted.section, planeMm, constraints);
          this.refusedAt[firstCell + place]! |= refused;
          this.uncheckedAt[firstCell + place]! |= unchecked;
        }
      });
    }
  }

  /** Whether no wheel, height or stop can mend what a tire on a rim breaks. */
  keepsOut(section: number): boolean {
    const { tire } = this.#axes.sections[section]!;
    return (this.tires[tire]!.refused | this.mounted[section]!.refused) !== 0;
  }

  /** The bit of ground clearance where a section leaves too little in a stance, else 0. */
  tooLow(section: number, stance: number): number {
    const { constraints } = this.#question;
    const shape = this.#axes.sections[section]!.mounted.section;
    const clearance = groundClearanceMm(constraints, shape, this.#fitted, this.#axes.candidates.stances[stance]!);
    return clearance !== null && clearance < constraints.groundClearance!.leastMm ? bitOf('groundClearance') : 0;
  }

  /** All that a combination breaks or that could not be checked of it, its price left out. */
  of({ tire, wheel, spacer, stance }: Combination): Checked {
    const section = this.#axes.sectionOn(tire, wheel);
    const cell = this.#axes.cellOf({ tire, wheel, spacer, stance });
    const parts = [this.tires[tire]!, this.wheels[wheel]!, this.spacers[spacer]!];
    if (section >= 0) {
      parts.push(
        this.mounted[section]!,
        { refused: this.refusedAt[cell]!, unchecked: this.uncheckedAt[cell]! },
        { refused: this.tooLow(section, stance), unchecked: 0 },
      );
    }
    return {
      refused: parts.reduce((mask, { refused }) => mask | refused, 0),
      unchecked: parts.reduce((mask, { unchecked }) => mask | unchecked, 0),
    };
  }
}
