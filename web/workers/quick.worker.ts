import { expose } from 'comlink';
import { attempt, type Result } from '@/core/1-base/problem';
import { quickLook, type QuickLook } from '@/core/6-decisions/quick/quick-look';
import { quickLikely, type QuickLikely } from '@/core/6-decisions/quick/quick-likely';
import type { QuickPlace } from '@/core/6-decisions/quick/quick-places';
import type { QuickQuestion } from '@/core/6-decisions/quick/quick-question';
import { quickRecord, type QuickRecord, type RecordedWell } from '@/core/6-decisions/quick/quick-record';

/** The quick look off the main thread. */
export interface QuickWorker {
  look(question: QuickQuestion): Result<QuickLook>;
  likely(question: QuickQuestion, places: readonly QuickPlace[], wells: readonly RecordedWell[]): Result<QuickLikely>;
  record(question: QuickQuestion, places: readonly QuickPlace[], wells: readonly RecordedWell[]): Result<QuickRecord>;
}

export const worker: QuickWorker = {
  look: (question) => attempt(() => quickLook(question)),
  likely: (question, places, wells) => attempt(() => quickLikely(question, places, wells)),
  record: (question, places, wells) => attempt(() => quickRecord(question, places, wells)),
};

expose(worker);
