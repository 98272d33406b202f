import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { board, frontier, type BoardDot, type FrontierStep } from './board';
import type { Stance } from './candidates';
import { pokeMm } from './constraints';
import { contradictionOf, type Contradiction } from './contradiction';
import { paretoSet } from './pareto';
import { refusedTires, type RefusedTire } from './refusals';
import { admittedCells, foundRow, nearestAdmitted, type Admitted, type FoundRow } from './rows';
import type { FinderSearch } from './search';
import type { StagedCells } from './staged-cells';
import type { Tally } from './tally';

export interface FinderAnswer {
  readonly corners: readonly CornerKey[];
  /** Those of them at which nothing was surveyed: the answer says nothing of them. */
  readonly unsurveyed: readonly CornerKey[];
  /** Those of which too little was measured to say that anything clears. */
  readonly notKnown: readonly CornerKey[];
  readonly tally: Tally;
  /** The best combination of every tire that has one, biggest first. */
  readonly rows: readonly FoundRow[];
  readonly refused: readonly RefusedTire[];
  readonly board: readonly BoardDot[];
  readonly frontier: readonly FrontierStep[];
  /** Numbers of combinations none of which is beaten in diameter, permanence, cost and poke at once. */
  readonly pareto: readonly FoundRow[];
  /** Why no combination is left at all. */
  readonly contradiction: Contradiction | null;
  /** Heights and stops that the vehicle cannot stand in, and why. */
  readonly cannotStand: readonly { readonly stance: Stance; readonly expected: string; readonly found: string }[];
}

const MOST_ROWS = 240;

/** Reads answers off a search that has run. */
export class AnswerReader {
  readonly #search: FinderSearch;
  readonly #admitted: readonly Admitted[];

  constructor(search: FinderSearch) {
    this.#search = search;
    this.#admitted = admittedCells(search);
  }

  answer(wantedPokeMm = 0): FinderAnswer {
    const search = this.#search;
    const tally = search.tally!;
    const rows = [...this.#bestByTire().values()]
      .sort((a, b) => this.#diameterMm(b) - this.#diameterMm(a) || scoreOf(a) - scoreOf(b))
      .slice(0, MOST_ROWS);
    return {
      corners: search.corners,
      unsurveyed: search.unsurveyed,
      notKnown: search.notKnown,
      tally,
      rows: rows.map(({ number }) => foundRow(search, number)),
      refused: refusedTires(search, this.#admitted),
      board: board(search),
      frontier: frontier(search, this.#admitted),
      pareto: this.#pareto(wantedPokeMm).map((number) => foundRow(search, number)),
      contradiction: tally.refused === tally.combinations ? contradictionOf(tally.masks) : null,
      cannotStand: search.stanceProblems.flatMap((problem, i) =>
        problem
          ? [{ stance: search.axes.candidates.stances[i]!, expected: problem.expected, found: problem.found }]
          : [],
      ),
    };
  }

  /** Ways to one tire, least permanent first; those with a stop that gains nothing are left out. */
  waysTo(tire: number, most = 12): FoundRow[] {
    const { verdicts, axes } = this.#search;
    return this.#admitted
      .filter((admitted) => this.#tireOf(admitted) === tire)
      .filter(({ staged, cell, number }) => !verdicts.isNeedless(staged, cell, axes.combination(number).stance))
      .sort((a, b) => scoreOf(a) - scoreOf(b) || marginOf(b) - marginOf(a))
      .slice(0, most)
      .map(({ number }) => foundRow(this.#search, number));
  }

  nearestAdmitted(staged: StagedCells, cell: number): FoundRow | null {
    return nearestAdmitted(this.#search, this.#admitted, { staged, cell });
  }

  #bestByTire(): Map<number, Admitted> {
    const best = new Map<number, Admitted>();
    for (const admitted of this.#admitted) {
      const tire = this.#tireOf(admitted);
      const known = best.get(tire);
      if (!known || isBetter(admitted, known)) best.set(tire, admitted);
    }
    return best;
  }

  #pareto(wantedPokeMm: number): number[] {
    const search = this.#search;
    const points = this.#admitted.map(({ staged, cell, number }) => {
      const { section, planeMm } = search.axes.placeOfCell(cell);
      const { section: shape } = search.axes.sections[section]!.mounted;
      const combination = search.axes.combination(number);
      const poke = search.edges[0] ? pokeMm(search.edges[0], shape, planeMm) : null;
      return {
        number,
        costs: [
          -Math.round(shape.diameterMm),
          search.verdicts.permanence(staged, cell, combination.stance),
          // What has no price is beaten by what has one.
          search.costMinor(staged, cell, combination) ?? Infinity,
          poke === null ? 0 : Math.round(Math.abs(poke - wantedPokeMm)),
        ],
      };
    });
    return paretoSet(points).map(({ number }) => number);
  }

  #entryOf({ cell }: Admitted) {
    const { axes } = this.#search;
    return axes.sections[axes.placeOfCell(cell).section]!;
  }

  #tireOf(admitted: Admitted): number {
    return this.#entryOf(admitted).tire;
  }

  #diameterMm(admitted: Admitted): number {
    return this.#entryOf(admitted).mounted.section.diameterMm;
  }
}

const scoreOf = ({ staged, cell }: Admitted): number => staged.bestScore[cell]!;
const marginOf = ({ staged, cell }: Admitted): number => staged.marginMm[cell]!;

/** Less permanent and cheaper first; of two alike the one with more room. */
function isBetter(a: Admitted, b: Admitted): boolean {
  const scores = Math.round(scoreOf(a) - scoreOf(b));
  return scores < 0 || (scores === 0 && marginOf(a) > marginOf(b));
}
