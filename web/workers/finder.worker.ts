import { expose } from 'comlink';
import { asCase } from '@/contracts/as-case';
import type { FinderQuestionEntry } from '@/contracts/finder';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { SectionCache } from '@/core/4-clearance/search/section-cache';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import { checkClaim, type ClaimCheck } from '@/core/6-decisions/finder/claim';
import { needGapCard, type NeedGapCard } from '@/core/6-decisions/finder/need-gap';
import { compareSchools, type SchoolAnswer } from '@/core/6-decisions/finder/schools';
import type { FirstLook, PartialDot } from '@/core/6-decisions/finder/search';
import { FinderSession, type Explanation, type FinderResult, type FoundOn } from '@/core/6-decisions/finder/session';
import type { WholeSetup } from '@/core/6-decisions/finder/setup-of';
import type { Material } from '@/core/3-survey/shape/material';
import { attempt, type Result } from '@/core/1-base/problem';

/** What a search tells on its way. */
export interface FinderNews {
  readonly done: number;
  readonly total: number;
  readonly combinations: number;
  readonly first?: readonly FirstLook[];
  /** Found since the last news. */
  readonly dots?: readonly PartialDot[];
}

export type Tell = (news: FinderNews) => void;

/** The finder off the main thread; the last question stays, so that single combinations can be looked at closely. */
export interface FinderWorker {
  find(file: LowgapFile, question: FinderQuestionEntry, tell: Tell): Result<FinderResult>;
  /** Takes up a question that was answered elsewhere, so that its combinations can be looked at. */
  takeUp(file: LowgapFile, question: FinderQuestionEntry): Result<void>;
  explain(axle: FoundOn, number: number): Result<Explanation>;
  chanceOfRub(axle: FoundOn, number: number): Result<number | null>;
  waysTo(axle: FoundOn, tire: number): readonly FoundRow[];
  setup(axle: FoundOn, number: number): WholeSetup;
  pairSetup(front: number, rear: number): WholeSetup;
  schools(file: LowgapFile, question: FinderQuestionEntry, tell: Tell): Result<readonly SchoolAnswer[]>;
  card(file: LowgapFile, corner: CornerKey, material: Material): Result<NeedGapCard>;
  claim(file: LowgapFile, text: string): Result<ClaimCheck>;
}

/** ms between two pieces of news. */
const TELL_EVERY_MS = 60;

/** Dots told of at most: a picture needs no more before the answer is there. */
const MOST_DOTS = 4000;

const cache = new SectionCache();
let session: FinderSession | null = null;

const asked = (): FinderSession => {
  if (!session) throw new RangeError('nothing was looked for yet');
  return session;
};

export const worker: FinderWorker = {
  find: (file, question, tell) =>
    attempt(() => {
      const next = new FinderSession(asCase(file), question, cache);
      session = next;
      const combinations = next.combinationCount;
      tell({ done: 0, total: 1, combinations, first: next.firstLook() });
      let told = performance.now();
      let dots: PartialDot[] = [];
      let drawn = 0;
      for (const progress of next.run()) {
        if (progress.dots && drawn < MOST_DOTS) {
          const found = progress.dots();
          drawn += found.length;
          dots.push(...found);
        }
        if (performance.now() - told < TELL_EVERY_MS) continue;
        told = performance.now();
        tell({ done: progress.done, total: progress.total, combinations, dots });
        dots = [];
      }
      return next.answer(file.intake?.lookPokeMm ?? 0);
    }),
  takeUp: (file, question) => attempt(() => void (session = new FinderSession(asCase(file), question, cache))),
  explain: (axle, number) => attempt(() => asked().explain(axle, number)),
  chanceOfRub: (axle, number) => attempt(() => asked().chanceOfRub(axle, number)),
  waysTo: (axle, tire) => asked().waysTo(axle, tire),
  setup: (axle, number) => asked().setup(axle, number),
  pairSetup: (front, rear) => asked().pairSetup(front, rear),
  schools: (file, question, tell) =>
    attempt(() => {
      const search = compareSchools(asCase(file), question, cache);
      let told = performance.now();
      for (;;) {
        const step = search.next();
        if (step.done) return step.value;
        if (performance.now() - told < TELL_EVERY_MS) continue;
        told = performance.now();
        tell({ done: step.value.done, total: step.value.total, combinations: 0 });
      }
    }),
  card: (file, corner, material) => attempt(() => needGapCard(asCase(file), corner, material, cache)),
  claim: (file, text) => attempt(() => checkClaim(asCase(file), text, cache)),
};

expose(worker);
