import { describedCorner, describedCorners } from '../clearance/described-corner';
import { setupForCorner, type CaseDescription, type CornerKey } from '../clearance/description';
import { SectionShelf } from '../clearance/section-shelf';
import { STANDARDS, type Standard } from '../clearance/standard';
import { attempt, ProblemError, type Problem } from '../problem';
import type { TireAllowances } from '../tire/allowance';
import type { TireSection } from '../tire/section';
import { wheelOffsetMm } from '../wheel/rim';
import { candidateAllowances, candidatesOf, type Candidates } from './candidates';
import { cellOutcome, PERMANENCE_OF_MASK, remediesIn } from './cell-outcome';
import {
  bitOf,
  checkMounted,
  checkPlane,
  checkSpacer,
  checkTire,
  checkWheel,
  fittedSection,
  groundClearanceMm,
  type Checked,
} from './constraints';
import { fenderEdge, type FenderEdge } from './fender-edge';
import { StageShelf } from './field';
import { insideMargins, type InsideMargins } from './inside-wheel';
import { Mounted } from './mounted';
import type { FinderQuestion } from './question';
import { Prices } from './prices';
import { TABLE_REACH_MM, type PlaneSpan, type Stage } from './stage';

/** Combinations a question may ask for. */
export const MOST_COMBINATIONS = 20_000_000;

/** A tire looked at before the search has begun. */
export interface FirstLook {
  readonly size: string;
  readonly label: string | null;
  readonly diameterMm: number;
  readonly effectiveOffsetMm: number;
  /** Least margin, or the reach of the table where there is more. */
  readonly lowGapMm: number;
}

/** How far a search is, and on asking what the section just done comes to: before constraints, as far as is known. */
export interface FinderProgress {
  readonly done: number;
  readonly total: number;
  readonly dots?: () => PartialDot[];
}

/** A tire at an effective offset, found so far. */
export interface PartialDot {
  readonly diameterMm: number;
  readonly effectiveOffsetMm: number;
  readonly result: 'clears' | 'withChanges' | 'fails';
}

/** A tire on a rim, and where its cells begin. */
export interface SectionEntry {
  readonly tire: number;
  readonly rim: number;
  readonly mounted: Mounted;
  readonly firstCell: number;
}

/** A rim diameter and width with the centre planes its wheels and the spacers give. */
export interface RimEntry {
  readonly diameterIn: number;
  readonly widthIn: number;
  /** Sorted, mm outboard of the hub face. */
  readonly planes: readonly number[];
}

/** Corners in one set of postures, and what every cell (section x centre plane) comes to there. */
export interface StagedCells {
  readonly stages: readonly Stage[];
  readonly ids: readonly string[];
  readonly marginMm: Float32Array;
  /** Bits of the remedies needed; `FAILS` where they do not do. */
  readonly remedies: Uint8Array;
  readonly depthMm: Float32Array;
  /** What is missing where no change that is allowed gives enough, mm below 0; 0 where nothing is. */
  readonly missMm: Float32Array;
  /** Constraints that kept the last combination of the cell out. */
  readonly refusedBy: Uint16Array;
  /** What is named of a cell, corner and obstacle: what misses most where it fails, else what leaves least; -1: nothing. */
  readonly worstCorner: Int8Array;
  readonly worstObstacle: Int16Array;
  /** Price of all changes in minor units. */
  readonly changesMinor: Float64Array;
  /** The best combination of a cell that meets every constraint; -1 where there is none. */
  readonly best: Float64Array;
  readonly bestScore: Float64Array;
  readonly inside: InsideMargins | null;
}

export const FAILS = 0x80;

const BUDGET_BIT = Math.log2(bitOf('budget'));

/** Combination number: the tire runs fastest, then wheel, spacer and stance. */
export interface Combination {
  readonly tire: number;
  readonly wheel: number;
  readonly spacer: number;
  readonly stance: number;
}

/** How many combinations came out how. */
export interface Tally {
  readonly combinations: number;
  readonly clears: number;
  readonly withChanges: number;
  /** Would do, but with another stop or axle place that changes nothing: without it they do as well. */
  readonly needless: number;
  readonly fails: number;
  /** Refused by a constraint before anything was measured, and by which; one may break several. */
  readonly refused: number;
  readonly refusedBy: readonly number[];
  /** Of those that clear, how many could not be checked against a constraint. */
  readonly uncheckedBy: readonly number[];
  /** Every set of constraints that some combination breaks together. */
  readonly masks: readonly number[];
}

/**
 * All combinations of a question on one set of corners. What a combination meets depends on its section, its centre plane and
 * its stance alone, so that those cells are worked out once each and the combinations are read off them.
 */
export class FinderSearch {
  readonly description: CaseDescription;
  readonly question: FinderQuestion;
  readonly corners: readonly CornerKey[];
  readonly standard: Standard;
  readonly candidates: Candidates;
  readonly allowances: TireAllowances | undefined;
  readonly rims: readonly RimEntry[];
  readonly rimOfWheel: Int32Array;
  readonly sections: readonly SectionEntry[];
  /** Section of a tire on a rim: tire x rims + rim; -1 where they do not go together. */
  readonly sectionOf: Int32Array;
  readonly cellCount: number;
  readonly edges: readonly FenderEdge[];
  /** Corners with a baseline at which nothing was surveyed: nothing is known of them. */
  readonly unsurveyed: readonly CornerKey[];
  readonly staged: StagedCells[] = [];
  /** Cells of each stance; null where the vehicle cannot stand so. */
  readonly cellsOfStance: (StagedCells | null)[] = [];
  readonly stanceProblems: (Problem | null)[] = [];
  readonly tireChecks: readonly Checked[];
  readonly wheelChecks: readonly Checked[];
  readonly spacerChecks: readonly Checked[];
  readonly fitted: TireSection;
  tally: Tally | null = null;
  readonly #stageShelf: StageShelf;
  readonly #money: Prices;
  /** For each stance the one at the same height with nothing stopped or moved. */
  readonly #withoutStops: readonly number[];

  /** @throws ProblemError naming the field below `finder`, or as `prepareCorner`. */
  constructor(
    description: CaseDescription,
    question: FinderQuestion,
    corners: readonly CornerKey[] = cornersOfFit(description, question.fit),
    shelf = new SectionShelf(),
  ) {
    this.description = description;
    this.question = question;
    this.corners = corners;
    this.standard = STANDARDS[description.standard];
    this.candidates = candidatesOf(question);
    this.allowances = candidateAllowances(description, question);
    this.#money = new Prices(question, this.candidates);
    const { tires, wheels, spacers, stances } = this.candidates;
    const { constraints } = question;
    this.#withoutStops = stances.map(({ liftMm }) =>
      stances.findIndex((one) => one.liftMm === liftMm && !one.bumpStopMm && !one.steeringStopDeg && !one.axleShiftMm),
    );
    this.tireChecks = tires.map((tire) => checkTire(tire, constraints));
    this.wheelChecks = wheels.map((wheel) => checkWheel(wheel, constraints));
    this.spacerChecks = spacers.map((spacer) => checkSpacer(spacer, constraints));
    this.fitted = fittedSection(describedCorner(description, corners[0]!));
    const { rims, rimOfWheel } = this.#rims();
    this.rims = rims;
    this.rimOfWheel = rimOfWheel;
    const { sections, sectionOf, cellCount } = this.#sections();
    this.sections = sections;
    this.sectionOf = sectionOf;
    this.cellCount = cellCount;
    const planes = rims.flatMap((rim) => rim.planes);
    const span: PlaneSpan = { from: Math.floor(Math.min(...planes)), to: Math.ceil(Math.max(...planes)) };
    const widened = TABLE_REACH_MM / 2;
    this.#stageShelf = new StageShelf(description, this.standard, question.allowed, shelf, span, {
      halfWidthMm:
        sections.reduce(
          (most, { mounted }) => Math.max(most, mounted.section.widthMm / 2, mounted.section.flangeMm),
          0,
        ) + widened,
      radiusMm: sections.reduce((most, { mounted }) => Math.max(most, mounted.section.diameterMm / 2), 0) + widened,
    });
    const stance = { liftKind: null, liftMm: 0, bumpStopMm: 0, steeringStopDeg: 0, axleShiftMm: 0 };
    const baseline = corners.map((key) => this.#stageShelf.prepare(key, stance).corner);
    this.edges = baseline.map((corner) => fenderEdge(corner));
    const surveyed = baseline.map(({ obstacles }) => obstacles.length);
    if (surveyed.every((count) => count === 0)) {
      throw new ProblemError({
        code: 'missing',
        path: `corners.${corners[0]!}.obstacles`,
        expected: 'something surveyed near the tire: without it every tire would seem to clear',
        found: 'nothing',
      });
    }
    this.unsurveyed = corners.filter((_, i) => surveyed[i] === 0);
    const combinations = this.combinationCount;
    if (combinations > MOST_COMBINATIONS) {
      throw new ProblemError({
        code: 'tooLarge',
        path: 'finder',
        expected: `at most ${MOST_COMBINATIONS.toLocaleString('en')} combinations`,
        found: combinations.toLocaleString('en'),
      });
    }
  }

  get combinationCount(): number {
    const { tires, wheels, spacers, stances } = this.candidates;
    return tires.length * wheels.length * spacers.length * stances.length;
  }

  combination(number: number): Combination {
    const { tires, wheels, spacers } = this.candidates;
    const tire = number % tires.length;
    const afterTire = Math.floor(number / tires.length);
    const wheel = afterTire % wheels.length;
    const afterWheel = Math.floor(afterTire / wheels.length);
    return { tire, wheel, spacer: afterWheel % spacers.length, stance: Math.floor(afterWheel / spacers.length) };
  }

  numberOf({ tire, wheel, spacer, stance }: Combination): number {
    const { tires, wheels, spacers } = this.candidates;
    return ((stance * spacers.length + spacer) * wheels.length + wheel) * tires.length + tire;
  }

  planeOf(wheel: number, spacer: number): number {
    return planeMm(this.candidates.spacers[spacer]!.thicknessMm, this.candidates.wheels[wheel]!.offsetMm);
  }

  /** Section and centre plane of a cell. */
  placeOfCell(cell: number): { readonly section: number; readonly planeMm: number } {
    let low = 0;
    let high = this.sections.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.sections[middle]!.firstCell <= cell) low = middle;
      else high = middle - 1;
    }
    const { rim, firstCell } = this.sections[low]!;
    return { section: low, planeMm: this.rims[rim]!.planes[cell - firstCell]! };
  }

  /** The cell of a combination; -1 where its tire does not go on its wheel, or a part alone is refused. */
  cellOf({ tire, wheel, spacer }: Combination): number {
    const rim = this.rimOfWheel[wheel]!;
    if (rim < 0) return -1;
    const section = this.sectionOf[tire * this.rims.length + rim]!;
    if (section < 0) return -1;
    const place = indexIn(this.rims[rim]!.planes, this.planeOf(wheel, spacer));
    return place < 0 ? -1 : this.sections[section]!.firstCell + place;
  }

  /** Low gaps of a few sections, spread over the diameters, on the first wheel and at the first height they can have. */
  firstLook(most: number): FirstLook[] {
    const stance = this.candidates.stances[0]!;
    const prepared = attempt(() => this.corners.map((key) => this.#stageShelf.prepare(key, stance).stage()));
    if (!prepared.ok) return [];
    const sorted = this.sections
      .filter(({ tire, rim }) => this.tireChecks[tire]!.refused === 0 && rim === this.sections[0]!.rim)
      .sort((a, b) => a.mounted.section.diameterMm - b.mounted.section.diameterMm);
    const step = Math.max(1, (sorted.length - 1) / (most - 1));
    return Array.from({ length: Math.min(most, sorted.length) }, (_, i) => sorted[Math.round(i * step)]!).map(
      (entry) => {
        const planeMm = this.#usualPlane(entry.rim);
        const lowGapMm = prepared.value.reduce((least, stage) => {
          const members = stage.corner.obstacles.flatMap(({ insideWheel }, i) => (insideWheel ? [] : [i]));
          return stage.leastOf(entry.mounted.rotor, members, planeMm, least)?.marginMm ?? least;
        }, TABLE_REACH_MM);
        const { size, label = null } = this.candidates.tires[entry.tire]!;
        const { diameterMm } = entry.mounted.section;
        return { size, label, diameterMm, effectiveOffsetMm: -planeMm, lowGapMm };
      },
    );
  }

  /** The centre plane of a rim that is nearest to where the tire stands now. */
  #usualPlane(rim: number): number {
    const { wheel, spacerMm } = setupForCorner(this.description, this.corners[0]!);
    const now = spacerMm - wheelOffsetMm(wheel);
    return this.rims[rim]!.planes.reduce((best, plane) =>
      Math.abs(plane - now) < Math.abs(best - now) ? plane : best,
    );
  }

  /** Works all cells out, stance by stance, then reads the combinations off them. @throws ProblemError as the linkage does. */
  *run(): Generator<FinderProgress, void> {
    const { stances } = this.candidates;
    const total = stances.length * (this.sections.length + 1);
    let done = 0;
    for (const [number, stance] of stances.entries()) {
      const prepared = attempt(() => this.corners.map((key) => this.#stageShelf.prepare(key, stance)));
      if (!prepared.ok) {
        this.stanceProblems[number] = prepared.problems[0] ?? null;
        this.cellsOfStance[number] = null;
        done += this.sections.length + 1;
        continue;
      }
      const ids = prepared.value.map(({ id }) => id);
      const same = this.staged.find((staged) => staged.ids.every((id, i) => id === ids[i]));
      if (same) {
        this.cellsOfStance[number] = same;
        done += this.sections.length + 1;
        continue;
      }
      this.#stageShelf.keepOnly(ids);
      const stages = prepared.value.map(({ stage }) => stage());
      for (const stage of stages) stage.draw();
      const staged = this.#newCells(stages, ids);
      yield { done: ++done, total };
      for (const [section, entry] of this.sections.entries()) {
        this.#fill(staged, section, entry);
        yield { done: ++done, total, dots: () => this.#partialDots(staged, entry) };
      }
      for (const stage of stages) stage.release();
      this.staged.push(staged);
      this.cellsOfStance[number] = staged;
    }
    yield* this.#count(total);
  }

  /** Permanence of a combination's changes: of what is done to things in the way and of the stance. */
  permanence(staged: StagedCells, cell: number, stance: number): number {
    return Math.max(PERMANENCE_OF_MASK[staged.remedies[cell]! & ~FAILS]!, this.#money.stancePermanence[stance]!);
  }

  /** Price of the whole set with its changes, minor units; null where a part has none. */
  costMinor(staged: StagedCells, cell: number, { tire, wheel, spacer, stance }: Combination): number | null {
    const parts = this.#money.sum(tire, wheel, spacer, stance);
    return Number.isNaN(parts) ? null : parts + staged.changesMinor[cell]!;
  }

  /** Bits of every constraint that a combination breaks or that could not be checked. */
  check(combination: Combination): Checked {
    const { tire, wheel, spacer, stance } = combination;
    const { constraints } = this.question;
    const parts = [this.tireChecks[tire]!, this.wheelChecks[wheel]!, this.spacerChecks[spacer]!];
    const rim = this.rims[this.rimOfWheel[wheel]!];
    const section = rim && this.sectionOf[tire * this.rims.length + this.rimOfWheel[wheel]!]!;
    if (rim && section !== undefined && section >= 0) {
      const { section: shape } = this.sections[section]!.mounted;
      parts.push(this.#mountedCheck(tire, shape, rim.widthIn));
      const plane = this.planeOf(wheel, spacer);
      for (const edge of this.edges) parts.push(checkPlane(edge, shape, plane, constraints));
      const clearance = groundClearanceMm(constraints, shape, this.fitted, this.candidates.stances[stance]!);
      if (clearance !== null && clearance < constraints.groundClearance!.leastMm) {
        parts.push({ refused: bitOf('groundClearance'), unchecked: 0 });
      }
    }
    return {
      refused: parts.reduce((mask, { refused }) => mask | refused, 0),
      unchecked: parts.reduce((mask, { unchecked }) => mask | unchecked, 0),
    };
  }

  #mountedCheck(tire: number, section: TireSection, rimWidthIn: number): Checked {
    const drawn = this.question.tires.from === 'ranges';
    const { constraints } = this.question;
    return checkMounted(this.candidates.tires[tire]!, section, rimWidthIn, this.fitted, constraints, drawn);
  }

  #rims(): { rims: RimEntry[]; rimOfWheel: Int32Array } {
    const { wheels, spacers } = this.candidates;
    const rims: { diameterIn: number; widthIn: number; planes: Set<number> }[] = [];
    const rimOfWheel = Int32Array.from(wheels, ({ diameterIn, widthIn, offsetMm }) => {
      let rim = rims.findIndex((one) => one.diameterIn === diameterIn && one.widthIn === widthIn);
      if (rim < 0) rim = rims.push({ diameterIn, widthIn, planes: new Set() }) - 1;
      for (const { thicknessMm } of spacers) rims[rim]!.planes.add(planeMm(thicknessMm, offsetMm));
      return rim;
    });
    return {
      rims: rims.map(({ planes, ...rim }) => ({ ...rim, planes: [...planes].sort((a, b) => a - b) })),
      rimOfWheel,
    };
  }

  #sections(): { sections: SectionEntry[]; sectionOf: Int32Array; cellCount: number } {
    const { tires, rims: rimOfTire } = this.candidates;
    const sections: SectionEntry[] = [];
    const sectionOf = new Int32Array(tires.length * this.rims.length).fill(-1);
    let cellCount = 0;
    tires.forEach((tire, t) => {
      this.rims.forEach(({ diameterIn, widthIn, planes }, rim) => {
        if (rimOfTire[t] !== diameterIn) return;
        const made = attempt(() => new Mounted(tire, diameterIn, widthIn, this.allowances));
        if (!made.ok) return;
        sectionOf[t * this.rims.length + rim] = sections.length;
        sections.push({ tire: t, rim, mounted: made.value, firstCell: cellCount });
        cellCount += planes.length;
      });
    });
    if (sections.length === 0) {
      throw new ProblemError({
        code: 'contradiction',
        path: 'finder.tires',
        expected: 'a tire that can stand on one of the wheels',
        found: 'none with a sidewall left',
      });
    }
    return { sections, sectionOf, cellCount };
  }

  #newCells(stages: readonly Stage[], ids: readonly string[]): StagedCells {
    const { cellCount } = this;
    return {
      stages,
      ids,
      marginMm: new Float32Array(cellCount),
      remedies: new Uint8Array(cellCount),
      depthMm: new Float32Array(cellCount),
      missMm: new Float32Array(cellCount),
      refusedBy: new Uint16Array(cellCount),
      worstCorner: new Int8Array(cellCount).fill(-1),
      worstObstacle: new Int16Array(cellCount).fill(-1),
      changesMinor: new Float64Array(cellCount),
      best: new Float64Array(cellCount).fill(-1),
      bestScore: new Float64Array(cellCount).fill(Infinity),
      inside: insideMargins(
        this.candidates,
        this.rimOfWheel,
        (rim) => this.sections.find((section) => section.rim === rim)?.tire,
        stages,
      ),
    };
  }

  #fill(staged: StagedCells, index: number, { rim, tire, mounted, firstCell }: SectionEntry): void {
    const { planes, widthIn } = this.rims[rim]!;
    // What no wheel or height can mend need not be measured.
    if (this.tireChecks[tire]!.refused || this.#mountedCheck(tire, mounted.section, widthIn).refused) return;
    const prices = this.question.prices ?? {};
    planes.forEach((plane, place) => {
      const cell = firstCell + place;
      let marginMm = Infinity;
      let failingMm = 0;
      let namedCorner = -1;
      let namedGroup = -1;
      for (let corner = 0; corner < staged.stages.length; corner++) {
        const outcome = cellOutcome(staged.stages[corner]!, index, mounted, plane);
        staged.remedies[cell]! |= outcome.remedies | (outcome.failingGroup < 0 ? 0 : FAILS);
        staged.depthMm[cell] = Math.max(staged.depthMm[cell]!, outcome.depthMm);
        if (outcome.remedies) {
          for (const remedy of remediesIn(outcome.remedies)) staged.changesMinor[cell]! += prices[remedy] ?? 0;
        }
        if (outcome.failingMm < failingMm) {
          namedCorner = corner;
          namedGroup = outcome.failingGroup;
        } else if (failingMm === 0 && outcome.marginMm < marginMm) {
          namedCorner = corner;
          namedGroup = outcome.worstGroup;
        }
        failingMm = Math.min(failingMm, outcome.failingMm);
        marginMm = Math.min(marginMm, outcome.marginMm);
      }
      staged.marginMm[cell] = marginMm;
      staged.missMm[cell] = failingMm;
      staged.worstCorner[cell] = namedCorner;
      if (namedGroup >= 0) {
        staged.worstObstacle[cell] = staged.stages[namedCorner]!.tabledObstacle(index, mounted, namedGroup, plane);
      }
    });
  }

  #partialDots(staged: StagedCells, { rim, mounted, firstCell }: SectionEntry): PartialDot[] {
    return this.rims[rim]!.planes.map((plane, place) => {
      const remedies = staged.remedies[firstCell + place]!;
      return {
        diameterMm: mounted.section.diameterMm,
        effectiveOffsetMm: -plane,
        result: remedies & FAILS ? 'fails' : remedies === 0 ? 'clears' : 'withChanges',
      };
    });
  }

  /** Reads every combination off its cell. */
  *#count(total: number): Generator<FinderProgress, void> {
    const { stances, spacers, wheels, tires } = this.candidates;
    const counts = { clears: 0, withChanges: 0, needless: 0, fails: 0, refused: 0 };
    const refusedBy = new Array<number>(16).fill(0);
    const uncheckedBy = new Array<number>(16).fill(0);
    const { constraints } = this.question;
    const budget = constraints.budgetMinor ?? Infinity;
    const mounted = this.sections.map(({ tire, rim, mounted: { section } }) =>
      this.#mountedCheck(tire, section, this.rims[rim]!.widthIn),
    );
    const plane = this.#planeChecks();
    const countBits = (mask: number, into: number[]): void => {
      for (let bit = 0; mask >> bit !== 0; bit++) if ((mask >> bit) & 1) into[bit]!++;
    };
    const masks = new Set<number>();
    let number = 0;
    for (const [stance, place] of stances.entries()) {
      const staged = this.cellsOfStance[stance] ?? null;
      const low = this.sections.map(({ mounted: { section } }) => {
        const clearance = groundClearanceMm(constraints, section, this.fitted, place);
        return clearance !== null && clearance < constraints.groundClearance!.leastMm ? bitOf('groundClearance') : 0;
      });
      for (let spacer = 0; spacer < spacers.length; spacer++) {
        for (let wheel = 0; wheel < wheels.length; wheel++) {
          const rim = this.rimOfWheel[wheel]!;
          const at = indexIn(this.rims[rim]!.planes, this.planeOf(wheel, spacer));
          const fixed = this.wheelChecks[wheel]!.refused | this.spacerChecks[spacer]!.refused;
          const open = this.wheelChecks[wheel]!.unchecked | this.spacerChecks[spacer]!.unchecked;
          const inside = staged?.inside?.at(wheel, spacer) ?? Infinity;
          for (let tire = 0; tire < tires.length; tire++, number++) {
            const section = this.sectionOf[tire * this.rims.length + rim]!;
            if (section < 0) continue;
            const cell = this.sections[section]!.firstCell + at;
            const refused =
              fixed | this.tireChecks[tire]!.refused | mounted[section]!.refused | plane.refused[cell]! | low[section]!;
            if (refused !== 0) {
              counts.refused++;
              countBits(refused, refusedBy);
              masks.add(refused);
              if (staged) staged.refusedBy[cell] = refused;
              continue;
            }
            if (!staged || staged.remedies[cell]! & FAILS || inside < 0) {
              counts.fails++;
              continue;
            }
            const cost = this.#money.sum(tire, wheel, spacer, stance) + staged.changesMinor[cell]!;
            if (cost > budget) {
              counts.refused++;
              refusedBy[BUDGET_BIT]!++;
              masks.add(bitOf('budget'));
              staged.refusedBy[cell] = bitOf('budget');
              continue;
            }
            const priced = Number.isNaN(cost) && budget < Infinity ? bitOf('budget') : 0;
            const unchecked = open | priced | this.tireChecks[tire]!.unchecked | plane.unchecked[cell]!;
            if (unchecked !== 0) countBits(unchecked, uncheckedBy);
            if (this.isPlain(staged, cell, stance)) counts.clears++;
            else if (this.isNeedless(staged, cell, stance)) counts.needless++;
            else counts.withChanges++;
            // Of the combinations of a cell: less permanent, then cheaper, then with the thinner spacer and less lift.
            const score =
              1e12 * this.permanence(staged, cell, stance) +
              (Number.isNaN(cost) ? 5e11 : 10 * cost) +
              0.1 * spacers[spacer]!.thicknessMm +
              0.001 * Math.abs(place.liftMm);
            if (score < staged.bestScore[cell]!) {
              staged.bestScore[cell] = score;
              staged.best[cell] = number;
            }
          }
        }
      }
      yield { done: total, total };
    }
    const combinations = Object.values(counts).reduce((sum, count) => sum + count, 0);
    this.tally = { combinations, ...counts, refusedBy, uncheckedBy, masks: [...masks] };
  }

  /** Clears with nothing taken off, cut, stopped or moved: a height that was asked for is no change. */
  isPlain(staged: StagedCells, cell: number, stance: number): boolean {
    const { bumpStopMm, steeringStopDeg, axleShiftMm } = this.candidates.stances[stance]!;
    return staged.remedies[cell] === 0 && bumpStopMm === 0 && steeringStopDeg === 0 && axleShiftMm === 0;
  }

  /** Whether a stop or an axle place gains a cell nothing against the same height without it. */
  isNeedless(staged: StagedCells, cell: number, stance: number): boolean {
    const without = this.#withoutStops[stance]!;
    if (without === stance) return false;
    const plain = this.cellsOfStance[without];
    if (!plain || plain.remedies[cell]! & FAILS) return false;
    return plain.remedies[cell] === staged.remedies[cell];
  }

  /** Poke and coverage of every cell, over all corners. */
  #planeChecks(): { readonly refused: Uint16Array; readonly unchecked: Uint16Array } {
    const refused = new Uint16Array(this.cellCount);
    const unchecked = new Uint16Array(this.cellCount);
    const { constraints } = this.question;
    const asked = constraints.covered || constraints.pokeLeastMm !== undefined || constraints.pokeMostMm !== undefined;
    if (!asked) return { refused, unchecked };
    for (const { rim, mounted, firstCell } of this.sections) {
      this.rims[rim]!.planes.forEach((at, place) => {
        for (const edge of this.edges) {
          const check = checkPlane(edge, mounted.section, at, constraints);
          refused[firstCell + place]! |= check.refused;
          unchecked[firstCell + place]! |= check.unchecked;
        }
      });
    }
    return { refused, unchecked };
  }
}

/** Corners of the vehicle that a fit is about. @throws ProblemError where none of them is described. */
export function cornersOfFit(description: CaseDescription, fit: FinderQuestion['fit']): CornerKey[] {
  const all = describedCorners(description);
  if (fit === 'allRound' || fit === 'staggered') return all;
  const corners = all.filter((key) => key.startsWith(fit));
  if (corners.length > 0) return corners;
  throw new ProblemError({
    code: 'missing',
    path: 'finder.fit',
    expected: `a ${fit} corner with a baseline`,
    found: all.join(', '),
  });
}

/** To a hundredth of a millimetre, so that the same plane reached two ways is one. */
const planeMm = (spacerMm: number, offsetMm: number): number => Math.round(100 * (spacerMm - offsetMm)) / 100;

function indexIn(sorted: readonly number[], value: number): number {
  let low = 0;
  let high = sorted.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const found = sorted[middle]!;
    if (found === value) return middle;
    if (found < value) low = middle + 1;
    else high = middle - 1;
  }
  return -1;
}
