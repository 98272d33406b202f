import { expose } from 'comlink';
import { attempt, type Result } from '@/core/1-base/problem';
import { quickLook, type QuickLook } from '@/core/6-decisions/quick/quick-look';
import type { QuickPlace } from '@/core/6-decisions/quick/quick-places';
import type { QuickQuestion } from '@/core/6-decisions/quick/quick-question';
import { quickRecord, type QuickRecord, type RecordedWell } from '@/core/6-decisions/quick/quick-record';

/** The quick look off the main thread. */
export interface QuickWorker {
  look(question: QuickQuestion): Result<QuickLook>;
  record(question: QuickQuestion, places: readonly QuickPlace[], wells: readonly RecordedWell[]): Result<QuickRecord>;
}

export const worker: QuickWorker = {
  look: (question) => attempt(() => quickLook(question)),
  record: (question, places, wells) => attempt(() => quickRecord(question, places, wells)),
};

expose(worker);
