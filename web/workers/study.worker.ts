import { expose } from 'comlink';
import { asCase, type LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/clearance/description';
import { SectionShelf } from '@/core/clearance/section-shelf';
import { nextReadingsOf } from '@/core/edge-fit/next-case';
import type { NextReading } from '@/core/edge-fit/next-reading';
import { LeverBench, type ObstacleLevers } from '@/core/plan/levers';
import { attempt, type Result } from '@/core/problem';
import type { CornerSpread } from '@/core/spread/spread';
import { cornerSpreadOf } from '@/core/spread/spread-case';

/** Answers that take longer than a hand waits; errors cross as data. */
export interface StudyWorker {
  spread(file: LowgapFile, corner: CornerKey): Result<CornerSpread>;
  next(file: LowgapFile, corner: CornerKey): Result<NextReading[]>;
  /** null: the obstacle does not rub. */
  levers(file: LowgapFile, corner: CornerKey, id: string): Result<ObstacleLevers | null>;
}

const shelf = new SectionShelf();

const worker: StudyWorker = {
  spread: (file, corner) => attempt(() => cornerSpreadOf(asCase(file), corner, {}, shelf)),
  next: (file, corner) => attempt(() => nextReadingsOf(asCase(file), corner, shelf)),
  levers: (file, corner, id) =>
    attempt(() => {
      const bench = new LeverBench(asCase(file), corner, shelf);
      const failing = bench.failing.find((verdict) => verdict.id === id);
      return failing ? bench.leversFor(failing) : null;
    }),
};

expose(worker);
