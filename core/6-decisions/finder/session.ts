import { fallsShort } from '../../4-clearance/case/standard';
import { evaluateCase, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey, Axle } from '../../2-vehicle/setup/corner-key';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { LeverBench, type ObstacleLevers } from '../levers/levers';
import { attempt } from '../../1-base/problem';
import { cornerSpreadOf } from '../../5-consequences/spread/spread-case';
import { AnswerReader, type FinderAnswer } from './answer';
import { checkQuestion } from './check-question';
import type { FinderQuestion } from './question';
import { ladderOf, rungFor, type Remedy } from './remedies';
import { cornersOfFit, FinderSearch, type FinderProgress, type FirstLook } from './search';
import type { FoundRow } from './rows';
import { foundSetup, type WholeSetup } from './setup-of';

export type FoundOn = Axle | 'all';

/** One size in front, another behind. */
export interface StaggeredPair {
  readonly front: FoundRow;
  readonly rear: FoundRow;
}

export interface AxleAnswer extends FinderAnswer {
  readonly axle: FoundOn;
}

export interface FinderResult {
  readonly axles: readonly AxleAnswer[];
  /** For a staggered fit: the biggest pairs whose diameters differ by no more than is allowed. */
  readonly pairs: readonly StaggeredPair[];
}

/** What has to be done to one thing for a combination to clear. */
export interface NeededChange {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  /** null: nothing that is allowed gives enough. */
  readonly remedy: Remedy | null;
  /** What is missing as it is, mm. */
  readonly mm: number;
}

/** One combination looked at closely. */
export interface Explanation {
  readonly axle: FoundOn;
  readonly number: number;
  readonly setup: WholeSetup;
  /** Things that leave less than is wanted, worst first. */
  readonly failing: readonly ObstacleVerdict[];
  readonly low: ObstacleVerdict | null;
  readonly changes: readonly NeededChange[];
  /** That the tire rubs, by the tolerances of the survey, on the corner with the low gap; null where it was not asked. */
  readonly chanceOfRub: number | null;
  readonly levers: ObstacleLevers | null;
  /** The admitted combination that is most like it; null where it is admitted itself. */
  readonly nearest: FoundRow | null;
  /** Effective offsets (mm) between which this tire on this rim clears as it is at this height; null: at none. */
  readonly window: { readonly fromMm: number; readonly toMm: number } | null;
}

const SPREAD_DRAWS = 300;
const FIRST_LOOKS = 5;
const MOST_PAIRS = 40;

/** A question being answered: searches, the answer, and closer looks at single combinations. */
export class FinderSession {
  readonly description: CaseDescription;
  readonly question: FinderQuestion;
  readonly #cache: SectionCache;
  readonly #searches: readonly { readonly axle: FoundOn; readonly search: FinderSearch }[];
  #readers: readonly { readonly axle: FoundOn; readonly search: FinderSearch; readonly reader: AnswerReader }[] = [];

  /** @throws ProblemError for a question that cannot be answered, naming the field below `finder`. */
  constructor(description: CaseDescription, question: FinderQuestion, cache = new SectionCache()) {
    checkQuestion(question);
    this.description = description;
    this.question = question;
    this.#cache = cache;
    const axles: readonly FoundOn[] =
      question.fit === 'staggered' ? ['front', 'rear'] : question.fit === 'allRound' ? ['all'] : [question.fit];
    this.#searches = axles.map((axle) => ({
      axle,
      search: new FinderSearch(
        description,
        question,
        cornersOfFit(description, axle === 'all' ? 'allRound' : axle),
        cache,
      ),
    }));
  }

  get combinationCount(): number {
    return this.#searches.reduce((sum, { search }) => sum + search.axes.combinationCount, 0);
  }

  /** A few tires on the first wheel, at once: something to see while the rest is worked out. */
  firstLook(): FirstLook[] {
    return this.#searches[0]!.search.firstLook(FIRST_LOOKS);
  }

  *run(): Generator<FinderProgress, void> {
    const count = this.#searches.length;
    for (const [i, { search }] of this.#searches.entries()) {
      for (const { done, total, dots } of search.run()) {
        yield { done: i * total + done, total: count * total, ...(dots ? { dots } : {}) };
      }
    }
    this.#readers = this.#searches.map((one) => ({ ...one, reader: new AnswerReader(one.search) }));
  }

  answer(wantedPokeMm = 0): FinderResult {
    const axles = this.#readers.map(({ axle, reader }) => ({ axle, ...reader.answer(wantedPokeMm) }));
    return { axles, pairs: this.#pairs(axles) };
  }

  waysTo(axle: FoundOn, tire: number): FoundRow[] {
    return this.#of(axle).reader.waysTo(tire);
  }

  /** The vehicle's setup with a combination on it. */
  setup(axle: FoundOn, number: number): WholeSetup {
    const { search } = this.#of(axle);
    return foundSetup(this.description, [{ search, combination: search.axes.combination(number) }]);
  }

  pairSetup(front: number, rear: number): WholeSetup {
    const found = [this.#of('front'), this.#of('rear')].map(({ search }, i) => ({
      search,
      combination: search.axes.combination(i === 0 ? front : rear),
    }));
    return foundSetup(this.description, found);
  }

  /** A close look: everything that fails, what mends it, how sure it is. @throws ProblemError as `evaluateCase`. */
  explain(axle: FoundOn, number: number): Explanation {
    const { search, reader } = this.#of(axle);
    const combination = search.axes.combination(number);
    const bare = foundSetup(this.description, [{ search, combination }]);
    const tried = this.#tried(search, bare);
    const { obstacles } = evaluateCase(tried, {}, this.#cache);
    const sorted = [...obstacles].sort((a, b) => a.marginMm - b.marginMm);
    const failing = sorted.filter(({ verdict }) => fallsShort(verdict));
    const changes = failing.map((verdict) => this.#changeFor(search, verdict));
    const removed = changes.flatMap(({ id, remedy }) => (remedy === 'unbolt' ? [id] : []));
    const low = sorted[0] ?? null;
    const staged = search.cellsOfStance[combination.stance] ?? null;
    const cell = search.axes.cellOf(combination);
    const admitted = staged !== null && cell >= 0 && changes.every(({ remedy }) => remedy !== null);
    return {
      axle,
      number,
      setup: removed.length > 0 ? foundSetup(this.description, [{ search, combination }], removed) : bare,
      failing,
      low,
      changes,
      chanceOfRub: low ? this.#chance(tried, low.corner) : null,
      levers: failing[0] ? this.#levers(tried, failing[0]) : null,
      nearest: !admitted && staged && cell >= 0 ? reader.nearestAdmitted(staged, cell) : null,
      window: staged && cell >= 0 ? offsetWindow(search, combination.stance, cell) : null,
    };
  }

  /** How often less than wanted is left somewhere on the corner that is tightest, by the tolerances of its survey. */
  chanceOfRub(axle: FoundOn, number: number): number | null {
    const { search } = this.#of(axle);
    const combination = search.axes.combination(number);
    const tried = this.#tried(search, foundSetup(this.description, [{ search, combination }]));
    const { lowGap } = evaluateCase(tried, {}, this.#cache);
    return lowGap ? this.#chance(tried, lowGap.corner) : null;
  }

  /** The corners a search is about, with a setup. */
  #tried(search: FinderSearch, setup: WholeSetup): CaseDescription {
    const corners = Object.fromEntries(search.corners.map((key) => [key, this.description.corners[key]]));
    return { ...this.description, corners, setup };
  }

  #changeFor(search: FinderSearch, { corner, id, label, marginMm }: ObstacleVerdict): NeededChange {
    const entry = this.description.corners[corner]?.obstacles.find((obstacle) => obstacle.id === id);
    const ladder = entry && !entry.insideWheel ? ladderOf(entry, search.standard, this.question.allowed) : [];
    return { corner, id, label, remedy: rungFor(ladder, marginMm)?.remedy ?? null, mm: -marginMm };
  }

  #chance(tried: CaseDescription, key: CornerKey): number | null {
    // With cells of its own: what was looked at before must not move the last draw, here or on the server.
    const spread = attempt(() => cornerSpreadOf(tried, key, { draws: SPREAD_DRAWS }, new SectionCache()));
    return spread.ok ? spread.value.chanceOfRub : null;
  }

  #levers(tried: CaseDescription, { corner, id }: ObstacleVerdict): ObstacleLevers | null {
    const bench = new LeverBench(tried, corner, this.#cache);
    const failing = bench.failing.find((verdict) => verdict.id === id);
    return failing ? bench.leversFor([failing])[0]! : null;
  }

  /** Without a run nothing is admitted, but a combination can still be looked at. */
  #of(axle: FoundOn) {
    const known = this.#readers.find((one) => one.axle === axle);
    const search = this.#searches.find((one) => one.axle === axle)?.search;
    if (known) return known;
    if (!search) throw new RangeError(`the question is not about ${axle}`);
    return { axle, search, reader: new AnswerReader(search) };
  }

  #pairs(axles: readonly AxleAnswer[]): StaggeredPair[] {
    const [front, rear] = [axles.find(({ axle }) => axle === 'front'), axles.find(({ axle }) => axle === 'rear')];
    if (this.question.fit !== 'staggered' || !front || !rear) return [];
    const most = this.question.constraints.staggerMostShare ?? Infinity;
    return front.rows
      .flatMap((one) => rear.rows.map((other) => ({ front: one, rear: other })))
      .filter(({ front: a, rear: b }) => {
        const larger = Math.max(a.diameterMm, b.diameterMm);
        return Math.abs(a.diameterMm - b.diameterMm) <= most * larger && a.wheelDiameterIn !== undefined;
      })
      .sort(
        (a, b) =>
          b.front.diameterMm + b.rear.diameterMm - (a.front.diameterMm + a.rear.diameterMm) ||
          Math.max(a.front.permanence, a.rear.permanence) - Math.max(b.front.permanence, b.rear.permanence),
      )
      .slice(0, MOST_PAIRS);
  }
}

/** mm of effective offset looked at to either side, between looks, and to which an end is found. */
const WINDOW_MM = 60;
const WINDOW_STEP_MM = 4;
const WINDOW_END_MM = 0.1;

/** The stretch of centre planes about a cell's (or the nearest to it) in which nothing is too near as it is. */
function offsetWindow(
  search: FinderSearch,
  stance: number,
  cell: number,
): { readonly fromMm: number; readonly toMm: number } | null {
  const { section, planeMm } = search.axes.placeOfCell(cell);
  const { rotor } = search.axes.sections[section]!.mounted;
  const { stages } = search.cellsOfStance[stance]!;
  const clears = (plane: number): boolean =>
    stages.every((stage) => {
      const members = stage.groups.flatMap((group) => group.members);
      return stage.leastOf(rotor, members, plane, 0) === null;
    });
  const looks: number[] = [];
  for (let away = 0; away <= WINDOW_MM; away += WINDOW_STEP_MM) looks.push(planeMm + away, planeMm - away);
  const start = looks.find(clears);
  if (start === undefined) return null;
  const end = (direction: 1 | -1): number => {
    let good = start;
    let bad = start;
    while (Math.abs(bad - start) < 2 * WINDOW_MM) {
      bad = good + direction * WINDOW_STEP_MM;
      if (!clears(bad)) break;
      good = bad;
    }
    while (Math.abs(bad - good) > WINDOW_END_MM) {
      const middle = (good + bad) / 2;
      if (clears(middle)) good = middle;
      else bad = middle;
    }
    return good;
  };
  return { fromMm: -end(1), toMm: -end(-1) };
}
