import type { CornerKey } from '../clearance/description';
import type { ObstacleVerdict } from '../clearance/evaluate';
import type { Stance } from './candidates';
import { remediesIn } from './cell-outcome';
import { constraintsIn, pokeMm, type Constraint } from './constraints';
import { contradictionOf, type Contradiction } from './contradiction';
import { paretoSet } from './pareto';
import type { Remedy } from './remedies';
import { FAILS, type Combination, type FinderSearch, type StagedCells, type Tally } from './search';
import { TABLE_REACH_MM, TABLE_UNDER_MM } from './stage';

/** A combination with what it comes to. Lengths mm, money in minor units. */
export interface FoundRow extends Combination {
  /** Names the combination in its question. */
  readonly number: number;
  readonly size: string;
  readonly label: string | null;
  readonly diameterMm: number;
  /** As mounted. */
  readonly widthMm: number;
  readonly wheelDiameterIn: number;
  readonly wheelWidthIn: number;
  readonly wheelLabel: string | null;
  readonly offsetMm: number;
  readonly spacerMm: number;
  readonly stand: Stance;
  readonly result: 'clears' | 'withChanges';
  /** Least margin as it is, before anything is changed. */
  readonly lowGapMm: number;
  /** More room than the table reaches: the low gap is at least that. */
  readonly lowGapIsLeast: boolean;
  readonly corner: CornerKey | null;
  readonly obstacle: string | null;
  readonly obstacleLabel: string | null;
  readonly remedies: readonly Remedy[];
  /** Most that has to be taken away of one thing. */
  readonly depthMm: number;
  readonly permanence: number;
  readonly costMinor: number | null;
  /** Of the corner where it stands out most; null where no fender edge was surveyed. */
  readonly pokeMm: number | null;
  readonly unchecked: readonly Constraint[];
}

/** A tire for which nothing that was asked about does. */
export interface RefusedTire {
  readonly tire: number;
  readonly size: string;
  readonly label: string | null;
  readonly diameterMm: number;
  readonly widthMm: number;
  /** The combination that misses least; null where constraints or the height keep all of them out. */
  readonly number: number | null;
  /** What it fails by there. */
  readonly verdict: ObstacleVerdict | null;
  readonly refusedBy: readonly Constraint[];
  /** The admitted combination that is most like it. */
  readonly nearest: FoundRow | null;
}

/** The best that any combination of about one diameter at one effective offset comes to. */
export interface BoardDot {
  readonly number: number;
  readonly diameterMm: number;
  readonly widthMm: number;
  /** Wheel offset less spacer. */
  readonly effectiveOffsetMm: number;
  readonly result: 'clears' | 'withChanges' | 'fails' | 'refused';
  readonly remedies: readonly Remedy[];
  readonly permanence: number;
  readonly marginMm: number;
  /** mm missing where it fails. */
  readonly missMm: number;
  readonly obstacle: string | null;
  readonly corner: CornerKey | null;
  readonly refusedBy: readonly Constraint[];
}

/** Biggest diameters at an effective offset for tires about as wide, mm; null: none. */
export interface FrontierStep {
  readonly effectiveOffsetMm: number;
  /** Widths from this up to 10 mm more. */
  readonly widthMm: number;
  readonly clearsMm: number | null;
  readonly withChangesMm: number | null;
}

export interface FinderAnswer {
  readonly corners: readonly CornerKey[];
  /** Those of them at which nothing was surveyed: the answer says nothing of them. */
  readonly unsurveyed: readonly CornerKey[];
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
const MOST_REFUSED = 120;
const MOST_DOTS = 6000;
const WIDTH_STEP_MM = 10;

interface Admitted {
  readonly staged: StagedCells;
  readonly cell: number;
  readonly number: number;
}

/** Reads the answer off a search that has run. */
export class AnswerReader {
  readonly #search: FinderSearch;
  /** Cells that hold at least one combination that will do. */
  readonly #admitted: Admitted[] = [];

  constructor(search: FinderSearch) {
    this.#search = search;
    for (const staged of search.staged) {
      for (let cell = 0; cell < search.cellCount; cell++) {
        const number = staged.best[cell]!;
        if (number >= 0) this.#admitted.push({ staged, cell, number });
      }
    }
  }

  answer(wantedPokeMm = 0): FinderAnswer {
    const search = this.#search;
    const tally = search.tally!;
    const best = this.#bestByTire();
    const rows = [...best.values()]
      .sort(
        (a, b) => this.#diameter(b) - this.#diameter(a) || a.staged.bestScore[a.cell]! - b.staged.bestScore[b.cell]!,
      )
      .slice(0, MOST_ROWS)
      .map((admitted) => this.row(admitted.number));
    return {
      corners: search.corners,
      unsurveyed: search.unsurveyed,
      tally,
      rows,
      refused: this.#refused(new Set(best.keys())),
      board: this.#board(),
      frontier: this.#frontier(),
      pareto: this.#pareto(wantedPokeMm).map((number) => this.row(number)),
      contradiction: tally.refused === tally.combinations ? contradictionOf(tally.masks) : null,
      cannotStand: search.stanceProblems.flatMap((problem, i) =>
        problem ? [{ stance: search.candidates.stances[i]!, expected: problem.expected, found: problem.found }] : [],
      ),
    };
  }

  /** Ways to one tire, least permanent first. */
  waysTo(tire: number, most = 12): FoundRow[] {
    const { sections } = this.#search;
    return this.#admitted
      .filter(({ cell }) => sections[this.#search.placeOfCell(cell).section]!.tire === tire)
      .filter(
        ({ staged, cell, number }) => !this.#search.isNeedless(staged, cell, this.#search.combination(number).stance),
      )
      .sort(
        (a, b) =>
          a.staged.bestScore[a.cell]! - b.staged.bestScore[b.cell]! ||
          b.staged.marginMm[b.cell]! - a.staged.marginMm[a.cell]!,
      )
      .slice(0, most)
      .map(({ number }) => this.row(number));
  }

  /** What a combination that will do comes to; its low gap by the exact search. */
  row(number: number): FoundRow {
    const search = this.#search;
    const combination = search.combination(number);
    const cell = search.cellOf(combination);
    const staged = search.cellsOfStance[combination.stance]!;
    const { section, planeMm } = search.placeOfCell(cell);
    const { mounted } = search.sections[section]!;
    const tire = search.candidates.tires[combination.tire]!;
    const wheel = search.candidates.wheels[combination.wheel]!;
    const low = this.#low(staged, cell, combination);
    const pokes = search.edges.map((edge) => pokeMm(edge, mounted.section, planeMm)).filter((poke) => poke !== null);
    return {
      ...combination,
      number,
      size: tire.size,
      label: tire.label ?? null,
      diameterMm: mounted.section.diameterMm,
      widthMm: mounted.section.widthMm,
      wheelDiameterIn: wheel.diameterIn,
      wheelWidthIn: wheel.widthIn,
      wheelLabel: wheel.label ?? null,
      offsetMm: wheel.offsetMm,
      spacerMm: search.candidates.spacers[combination.spacer]!.thicknessMm,
      stand: search.candidates.stances[combination.stance]!,
      result: search.isPlain(staged, cell, combination.stance) ? 'clears' : 'withChanges',
      ...low,
      remedies: remediesIn(staged.remedies[cell]! & ~FAILS),
      depthMm: staged.depthMm[cell]!,
      permanence: search.permanence(staged, cell, combination.stance),
      costMinor: search.costMinor(staged, cell, combination),
      pokeMm: pokes.length > 0 ? Math.max(...pokes) : null,
      unchecked: constraintsIn(search.check(combination).unchecked),
    };
  }

  #low(
    staged: StagedCells,
    cell: number,
    { wheel, spacer }: Combination,
  ): Pick<FoundRow, 'lowGapMm' | 'lowGapIsLeast' | 'corner' | 'obstacle' | 'obstacleLabel'> {
    const { section, planeMm } = this.#search.placeOfCell(cell);
    const { rotor } = this.#search.sections[section]!.mounted;
    const inside = staged.inside?.at(wheel, spacer) ?? Infinity;
    let ceiling = Math.min(staged.marginMm[cell]! + TABLE_UNDER_MM, TABLE_REACH_MM);
    let named: { corner: number; member: number } | null = null;
    staged.stages.forEach((stage, corner) => {
      const members = stage.groups.flatMap((group) => group.members);
      const found = stage.leastOf(rotor, members, planeMm, ceiling);
      if (!found) return;
      ceiling = found.marginMm;
      named = { corner, member: found.member };
    });
    const at = named as { corner: number; member: number } | null;
    const obstacle = at && staged.stages[at.corner]!.corner.obstacles[at.member];
    if (inside < ceiling) {
      return {
        lowGapMm: inside,
        lowGapIsLeast: false,
        corner: null,
        obstacle: null,
        obstacleLabel: 'inside the wheel',
      };
    }
    return {
      lowGapMm: ceiling,
      lowGapIsLeast: at === null,
      corner: at ? this.#search.corners[at.corner]! : null,
      obstacle: obstacle?.id ?? null,
      obstacleLabel: obstacle?.label ?? null,
    };
  }

  #diameter({ cell }: Admitted): number {
    return this.#search.sections[this.#search.placeOfCell(cell).section]!.mounted.section.diameterMm;
  }

  #bestByTire(): Map<number, Admitted> {
    const best = new Map<number, Admitted>();
    for (const admitted of this.#admitted) {
      const { tire } = this.#search.sections[this.#search.placeOfCell(admitted.cell).section]!;
      const known = best.get(tire);
      if (!known || this.#isBetter(admitted, known)) best.set(tire, admitted);
    }
    return best;
  }

  /** Less permanent and cheaper first; of two alike the one with more room. */
  #isBetter(a: Admitted, b: Admitted): boolean {
    const scores = Math.round(a.staged.bestScore[a.cell]! - b.staged.bestScore[b.cell]!);
    return scores < 0 || (scores === 0 && a.staged.marginMm[a.cell]! > b.staged.marginMm[b.cell]!);
  }

  #refused(admitted: ReadonlySet<number>): RefusedTire[] {
    const search = this.#search;
    const misses = new Map<number, { staged: StagedCells; cell: number } | null>();
    search.sections.forEach(({ tire, rim, firstCell }) => {
      if (admitted.has(tire)) return;
      if (!misses.has(tire)) misses.set(tire, null);
      for (const staged of search.staged) {
        search.rims[rim]!.planes.forEach((_, place) => {
          const cell = firstCell + place;
          const best = misses.get(tire);
          if (staged.refusedBy[cell] !== 0 || !(staged.remedies[cell]! & FAILS)) return;
          if (!best || staged.missMm[cell]! > best.staged.missMm[best.cell]!) misses.set(tire, { staged, cell });
        });
      }
    });
    return [...misses]
      .map(([tire, miss]) => ({ tire, miss }))
      .sort((a, b) => (b.miss?.staged.missMm[b.miss.cell] ?? -1e6) - (a.miss?.staged.missMm[a.miss.cell] ?? -1e6))
      .slice(0, MOST_REFUSED)
      .map(({ tire, miss }) => this.#refusedTire(tire, miss));
  }

  #refusedTire(tire: number, miss: { staged: StagedCells; cell: number } | null): RefusedTire {
    const search = this.#search;
    const { size, label = null } = search.candidates.tires[tire]!;
    const own = search.sections.find((section) => section.tire === tire)!;
    const { diameterMm, widthMm } = own.mounted.section;
    if (!miss) {
      const masks = search.staged.map(({ refusedBy }) => refusedBy[own.firstCell]!);
      const refusedBy = constraintsIn(masks.reduce((all, mask) => all | mask, search.tireChecks[tire]!.refused));
      return { tire, size, label, diameterMm, widthMm, number: null, verdict: null, refusedBy, nearest: null };
    }
    const { staged, cell } = miss;
    const { section, planeMm } = search.placeOfCell(cell);
    const corner = staged.worstCorner[cell]!;
    const stage = staged.stages[corner];
    const verdict =
      stage?.verdict(search.sections[section]!.mounted.rotor, planeMm, staged.worstObstacle[cell]!) ?? null;
    return {
      tire,
      size,
      label,
      diameterMm,
      widthMm,
      number: this.#anyOf(staged, cell),
      verdict,
      refusedBy: [],
      nearest: this.nearestAdmitted(staged, cell),
    };
  }

  /** A combination that has this cell: the first wheel and spacer that give it. */
  #anyOf(staged: StagedCells, cell: number): number | null {
    const search = this.#search;
    const { section } = search.placeOfCell(cell);
    const { tire } = search.sections[section]!;
    const stance = search.cellsOfStance.indexOf(staged);
    for (let spacer = 0; spacer < search.candidates.spacers.length; spacer++) {
      for (let wheel = 0; wheel < search.candidates.wheels.length; wheel++) {
        const combination = { tire, wheel, spacer, stance };
        if (search.cellOf(combination) === cell) return search.numberOf(combination);
      }
    }
    return null;
  }

  /** The combination that will do which is most like a cell's: mm of diameter, width, offset and height alike. */
  nearestAdmitted(staged: StagedCells, cell: number): FoundRow | null {
    const search = this.#search;
    const { section, planeMm } = search.placeOfCell(cell);
    const shape = search.sections[section]!.mounted.section;
    const liftOf = (one: StagedCells): number => search.candidates.stances[search.cellsOfStance.indexOf(one)]!.liftMm;
    const lifts = new Map(search.staged.map((one) => [one, liftOf(one)]));
    let best: Admitted | null = null;
    let least = Infinity;
    for (const admitted of this.#admitted) {
      const place = search.placeOfCell(admitted.cell);
      const other = search.sections[place.section]!.mounted.section;
      const apart =
        Math.abs(other.diameterMm - shape.diameterMm) +
        Math.abs(other.widthMm - shape.widthMm) +
        Math.abs(place.planeMm - planeMm) +
        Math.abs(lifts.get(admitted.staged)! - lifts.get(staged)!);
      if (apart >= least) continue;
      least = apart;
      best = admitted;
    }
    return best && this.row(best.number);
  }

  #board(): BoardDot[] {
    const search = this.#search;
    const dots = new Map<
      string,
      { staged: StagedCells; cell: number; rank: number; diameterMm: number; widthMm: number; planeMm: number }
    >();
    const perMm = search.cellCount > MOST_DOTS ? 0.5 : 1;
    for (const staged of search.staged) {
      search.sections.forEach(({ rim, mounted: { section }, firstCell }) => {
        search.rims[rim]!.planes.forEach((planeMm, place) => {
          const cell = firstCell + place;
          const key = `${Math.round(section.diameterMm * perMm)}:${Math.round(planeMm)}`;
          const rank = this.#rank(staged, cell);
          const known = dots.get(key);
          if (known && known.rank <= rank) return;
          dots.set(key, { staged, cell, rank, diameterMm: section.diameterMm, widthMm: section.widthMm, planeMm });
        });
      });
    }
    return [...dots.values()].slice(0, MOST_DOTS).map(({ staged, cell, diameterMm, widthMm, planeMm }): BoardDot => {
      const best = staged.best[cell]!;
      const corner = staged.worstCorner[cell]!;
      const obstacle = staged.stages[corner]?.corner.obstacles[staged.worstObstacle[cell]!];
      const refused = best < 0 ? staged.refusedBy[cell]! : 0;
      const stance = best < 0 ? 0 : search.combination(best).stance;
      return {
        number: best >= 0 ? best : (this.#anyOf(staged, cell) ?? -1),
        diameterMm,
        widthMm,
        effectiveOffsetMm: -planeMm,
        result:
          best < 0 ? (refused ? 'refused' : 'fails') : search.isPlain(staged, cell, stance) ? 'clears' : 'withChanges',
        remedies: remediesIn(staged.remedies[cell]! & ~FAILS),
        permanence: best < 0 ? 9 : search.permanence(staged, cell, stance),
        marginMm: Math.min(staged.marginMm[cell]!, TABLE_REACH_MM),
        missMm: staged.missMm[cell]!,
        obstacle: obstacle?.label ?? null,
        corner: search.corners[corner] ?? null,
        refusedBy: constraintsIn(refused),
      };
    });
  }

  /** Best first: what clears with most room, then the least permanent, then what misses least; refused ones last. */
  #rank(staged: StagedCells, cell: number): number {
    if (staged.best[cell]! >= 0) return staged.bestScore[cell]! / 1e12 - Math.min(staged.marginMm[cell]!, 100) / 1e6;
    return staged.refusedBy[cell] ? 1e9 : 1e3 - staged.missMm[cell]!;
  }

  #frontier(): FrontierStep[] {
    const search = this.#search;
    const steps = new Map<
      string,
      { effectiveOffsetMm: number; widthMm: number; clearsMm: number | null; withChangesMm: number | null }
    >();
    for (const { staged, cell, number } of this.#admitted) {
      const { section, planeMm } = search.placeOfCell(cell);
      const { diameterMm, widthMm } = search.sections[section]!.mounted.section;
      const wide = WIDTH_STEP_MM * Math.floor(widthMm / WIDTH_STEP_MM);
      const key = `${planeMm}:${wide}`;
      const step = steps.get(key) ?? {
        effectiveOffsetMm: -planeMm,
        widthMm: wide,
        clearsMm: null,
        withChangesMm: null,
      };
      const plain = search.isPlain(staged, cell, search.combination(number).stance);
      if (plain) step.clearsMm = Math.max(step.clearsMm ?? 0, diameterMm);
      else step.withChangesMm = Math.max(step.withChangesMm ?? 0, diameterMm);
      steps.set(key, step);
    }
    return [...steps.values()].sort((a, b) => a.widthMm - b.widthMm || a.effectiveOffsetMm - b.effectiveOffsetMm);
  }

  #pareto(wantedPokeMm: number): number[] {
    const search = this.#search;
    const points = this.#admitted.map(({ staged, cell, number }) => {
      const { section, planeMm } = search.placeOfCell(cell);
      const { section: shape } = search.sections[section]!.mounted;
      const combination = search.combination(number);
      const poke = search.edges[0] ? pokeMm(search.edges[0], shape, planeMm) : null;
      return {
        number,
        costs: [
          -Math.round(shape.diameterMm),
          search.permanence(staged, cell, combination.stance),
          search.costMinor(staged, cell, combination) ?? 0,
          poke === null ? 0 : Math.round(Math.abs(poke - wantedPokeMm)),
        ],
      };
    });
    return paretoSet(points).map(({ number }) => number);
  }
}
