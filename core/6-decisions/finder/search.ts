import { describedCorner, describedCorners } from '../../4-clearance/case/described-corner';
import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARDS, type Standard } from '../../4-clearance/case/standard';
import { attempt, ProblemError, type Problem } from '../../1-base/problem';
import type { TireAllowances } from '../../2-vehicle/tire/allowance';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import { Axes, type Combination, type SectionEntry } from './axes';
import { candidateAllowances, candidatesOf, type Stance } from './candidates';
import { Checks } from './checks';
import { fittedTire, type LeaningEdge } from './constraints';
import { wheelAngles } from '../../2-vehicle/motion/wheel-angles';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { fenderEdge } from '../../5-consequences/stance/fender-edge';
import { StageCache } from './staged-corners';
import type { FinderQuestion } from './question';
import { Prices } from './prices';
import { TABLE_REACH_MM } from './stage';
import { emptyCells, FAILS, fillCells, type StagedCells } from './staged-cells';
import { countCombinations, type Tally } from './tally';
import { Verdicts } from './verdicts';

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

const AS_IT_STANDS: Stance = { liftKind: null, liftMm: 0, bumpStopMm: 0, steeringStopDeg: 0, axleShiftMm: 0 };

/**
 * All combinations of a question on one set of corners. What a combination meets depends on its section, its center plane and
 * its stance alone, so that those cells are worked out once each and the combinations are read off them.
 */
export class FinderSearch {
  readonly description: CaseDescription;
  readonly question: FinderQuestion;
  readonly corners: readonly CornerKey[];
  readonly standard: Standard;
  readonly allowances: TireAllowances | undefined;
  readonly axes: Axes;
  readonly checks: Checks;
  readonly verdicts: Verdicts;
  readonly edges: readonly LeaningEdge[];
  /** Corners with a baseline at which nothing was surveyed: nothing is known of them. */
  readonly unsurveyed: readonly CornerKey[];
  /** Those of which too little was measured to say that anything clears. */
  readonly notKnown: readonly CornerKey[];
  readonly staged: StagedCells[] = [];
  /** Cells of each stance; null where the vehicle cannot stand so. */
  readonly cellsOfStance: (StagedCells | null)[] = [];
  readonly stanceProblems: (Problem | null)[] = [];
  tally: Tally | null = null;
  readonly #stageCache: StageCache;
  readonly #prices: Prices;

  /** @throws ProblemError naming the field below `finder`, or as `prepareCorner`. */
  constructor(
    description: CaseDescription,
    question: FinderQuestion,
    corners: readonly CornerKey[] = cornersOfFit(description, question.fit),
    cache = new SectionCache(),
  ) {
    this.description = description;
    this.question = question;
    this.corners = corners;
    this.standard = STANDARDS[description.standard];
    this.allowances = candidateAllowances(description, question);
    this.axes = new Axes(candidatesOf(question), this.allowances);
    requireCount(this.axes.combinationCount);
    this.#prices = new Prices(question, this.axes.candidates);
    this.verdicts = new Verdicts(this.axes.candidates.stances, this.#prices, this.cellsOfStance);
    this.#stageCache = this.#newStageCache(cache);
    const baseline = corners.map((key) => this.#stageCache.prepare(key, AS_IT_STANDS).corner);
    this.notKnown = baseline.filter(({ known }) => !known.isEnough).map(({ key }) => key);
    this.unsurveyed = baseline.filter(({ obstacles }) => obstacles.length === 0).map(({ key }) => key);
    if (this.unsurveyed.length === corners.length) {
      throw new ProblemError({
        code: 'missing',
        path: `corners.${corners[0]!}.obstacles`,
        expected: 'something surveyed near the tire: without it every tire would seem to clear',
        found: 'nothing',
      });
    }
    this.edges = baseline.map((corner) => ({ ...fenderEdge(corner), camberDeg: parkedCamberDeg(corner) }));
    const fitted = fittedTire(describedCorner(description, corners[0]!));
    this.checks = new Checks(this.axes, question, fitted, this.edges);
  }

  /** Price of the whole set with its changes, minor units; null where a part has none. */
  costMinor(staged: StagedCells, cell: number, { tire, wheel, spacer, stance }: Combination): number | null {
    const parts = this.#prices.sum(tire, wheel, spacer, stance);
    return Number.isNaN(parts) ? null : parts + staged.changesMinor[cell]!;
  }

  /** Low gaps of a few sections, spread over the diameters, about where the tire stands now and at the first height. */
  firstLook(most: number): FirstLook[] {
    const { sections, candidates } = this.axes;
    const stance = candidates.stances[0]!;
    const prepared = attempt(() => this.corners.map((key) => this.#stageCache.prepare(key, stance).stage()));
    if (!prepared.ok) return [];
    const sorted = sections
      .filter(({ rim }, section) => rim === sections[0]!.rim && !this.checks.keepsOut(section))
      .sort((a, b) => a.mounted.section.diameterMm - b.mounted.section.diameterMm);
    const step = Math.max(1, (sorted.length - 1) / (most - 1));
    return Array.from({ length: Math.min(most, sorted.length) }, (_, i) => {
      const { rim, mounted, tire } = sorted[Math.round(i * step)]!;
      const planeMm = this.#usualPlane(rim);
      const lowGapMm = prepared.value.reduce((least, stage) => {
        const members = stage.corner.obstacles.flatMap(({ insideWheel }, o) => (insideWheel ? [] : [o]));
        return stage.leastOf(mounted.rotor, members, planeMm, least)?.marginMm ?? least;
      }, TABLE_REACH_MM);
      const { size, label = null } = candidates.tires[tire]!;
      return { size, label, diameterMm: mounted.section.diameterMm, effectiveOffsetMm: -planeMm, lowGapMm };
    });
  }

  /** Works all cells out, stance by stance, then reads the combinations off them. @throws ProblemError as the linkage does. */
  *run(): Generator<FinderProgress, void> {
    const { candidates, sections, rims } = this.axes;
    const each = sections.length + 1;
    const total = candidates.stances.length * each;
    const prices = this.question.prices ?? {};
    for (const [number, stance] of candidates.stances.entries()) {
      const before = number * each;
      const prepared = attempt(() => this.corners.map((key) => this.#stageCache.prepare(key, stance)));
      if (!prepared.ok) {
        this.stanceProblems[number] = prepared.problems[0] ?? null;
        this.cellsOfStance[number] = null;
        continue;
      }
      const ids = prepared.value.map(({ id }) => id);
      const same = this.staged.find((staged) => staged.ids.every((id, i) => id === ids[i]));
      if (same) {
        this.cellsOfStance[number] = same;
        continue;
      }
      this.#stageCache.keepOnly(ids);
      const stages = prepared.value.map(({ stage }) => stage());
      for (const stage of stages) stage.draw();
      const staged = emptyCells(this.axes, stages, ids);
      yield { done: before + 1, total };
      for (const [section, entry] of sections.entries()) {
        const done = before + section + 2;
        // What no wheel or height can mend need not be measured.
        if (this.checks.keepsOut(section)) {
          yield { done, total };
          continue;
        }
        fillCells(staged, rims[entry.rim]!.planes, section, entry, prices);
        yield { done, total, dots: () => this.#partialDots(staged, entry) };
      }
      for (const stage of stages) stage.release();
      this.staged.push(staged);
      this.cellsOfStance[number] = staged;
    }
    const { budgetMinor } = this.question.constraints;
    const count = countCombinations(
      this.axes,
      this.checks,
      this.#prices,
      this.verdicts,
      this.cellsOfStance,
      budgetMinor,
    );
    for (let step = count.next(); ; step = count.next()) {
      if (step.done) {
        this.tally = step.value;
        return;
      }
      yield { done: total, total };
    }
  }

  #newStageCache(cache: SectionCache): StageCache {
    const { rims, sections } = this.axes;
    const planes = rims.flatMap((rim) => rim.planes);
    const most = (of: (entry: SectionEntry) => number): number =>
      sections.reduce((largest, entry) => Math.max(largest, of(entry)), 0) + TABLE_REACH_MM / 2;
    return new StageCache(
      this.description,
      this.standard,
      this.question.allowed,
      cache,
      { from: Math.floor(Math.min(...planes)), to: Math.ceil(Math.max(...planes)) },
      {
        halfWidthMm: most(({ mounted: { section } }) => Math.max(section.widthMm / 2, section.flangeMm)),
        radiusMm: most(({ mounted: { section } }) => section.diameterMm / 2),
      },
    );
  }

  /** The centre plane of a rim that is nearest to where the tire stands now. */
  #usualPlane(rim: number): number {
    const { wheel, spacerMm } = setupForCorner(this.description, this.corners[0]!);
    const now = spacerMm - wheelOffsetMm(wheel);
    return this.axes.rims[rim]!.planes.reduce((best, plane) =>
      Math.abs(plane - now) < Math.abs(best - now) ? plane : best,
    );
  }

  #partialDots(staged: StagedCells, { rim, mounted, firstCell }: SectionEntry): PartialDot[] {
    return this.axes.rims[rim]!.planes.map((plane, place) => {
      const remedies = staged.remedies[firstCell + place]!;
      return {
        diameterMm: mounted.section.diameterMm,
        effectiveOffsetMm: -plane,
        result: remedies & FAILS ? 'fails' : remedies === 0 ? 'clears' : 'withChanges',
      };
    });
  }
}

function requireCount(combinations: number): void {
  if (combinations <= MOST_COMBINATIONS) return;
  throw new ProblemError({
    code: 'tooLarge',
    path: 'finder',
    expected: `at most ${MOST_COMBINATIONS.toLocaleString('en')} combinations`,
    found: combinations.toLocaleString('en'),
  });
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

/** Camber of a wheel parked straight ahead. */
const parkedCamberDeg = ({ motion, envelope }: PreparedCorner): number =>
  wheelAngles(motion, motion.carrierAt(envelope.limits.ride, 0)).camberDeg;
