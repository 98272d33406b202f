import { expose } from 'comlink';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { evaluateCase, type Evaluation } from '@/core/4-clearance/verdict/evaluate';
import { SectionCache } from '@/core/4-clearance/search/section-cache';
import { nextReadingsOf } from '@/core/6-decisions/next-reading/next-case';
import type { NextReading } from '@/core/6-decisions/next-reading/next-reading';
import { LeverBench, type ObstacleLevers } from '@/core/6-decisions/levers/levers';
import { rotatedCase } from '@/core/6-decisions/plan/rotation';
import { attempt, type Result } from '@/core/1-base/problem';
import type { CornerSpread } from '@/core/5-consequences/spread/spread';
import { doubtsOfToday, type TodayDoubt } from '@/core/5-consequences/today/fitted-today';
import { cornerSpreadOf } from '@/core/5-consequences/spread/spread-case';

/** Answers that take longer than a hand waits; errors cross as data. */
export interface StudyWorker {
  /** The verdict without anything kept from before: what the command line says, to the last digit. */
  evaluateAfresh(file: LowgapFile): Result<Evaluation>;
  /** With the wheels rotated front to rear; null where that changes nothing. */
  rotated(file: LowgapFile): Result<Evaluation | null>;
  /** Each setup in place of the document's; null stands for what is fitted. */
  compare(file: LowgapFile, setups: readonly (LowgapSetup | null)[]): Result<Evaluation>[];
  spread(file: LowgapFile, corner: CornerKey): Result<CornerSpread>;
  next(file: LowgapFile, corner: CornerKey): Result<NextReading[]>;
  /** Where the numbers say otherwise of the fitted tire than it shows on the vehicle. */
  today(file: LowgapFile): Result<TodayDoubt[]>;
  /** null: the obstacle does not rub. */
  levers(file: LowgapFile, corner: CornerKey, id: string): Result<ObstacleLevers | null>;
}

const cache = new SectionCache();

export const worker: StudyWorker = {
  evaluateAfresh: (file) => attempt(() => evaluateCase(asCase(file))),
  rotated: (file) =>
    attempt(() => {
      const rotated = rotatedCase(asCase(file));
      return rotated && evaluateCase(rotated, {}, cache);
    }),
  compare: (file, setups) => {
    const { setup: _, ...fitted } = file;
    return setups.map((setup) => attempt(() => evaluateCase(asCase(setup ? { ...fitted, setup } : fitted), {}, cache)));
  },
  spread: (file, corner) => attempt(() => cornerSpreadOf(asCase(file), corner, {}, cache)),
  next: (file, corner) => attempt(() => nextReadingsOf(asCase(file), corner, cache)),
  today: (file) => attempt(() => doubtsOfToday(asCase(file), cache)),
  levers: (file, corner, id) =>
    attempt(() => {
      const bench = new LeverBench(asCase(file), corner, cache);
      const failing = bench.failing.find((verdict) => verdict.id === id);
      return failing ? bench.leversFor([failing])[0]! : null;
    }),
};

expose(worker);
