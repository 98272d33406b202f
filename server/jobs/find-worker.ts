import type { MessagePort } from 'node:worker_threads';
import { asCase } from '@/contracts/as-case';
import type { FindRequest } from '@/contracts/finder-api';
import { FinderSession, type FinderResult } from '@/core/6-decisions/finder/session';
import { attempt, type Result } from '@/core/1-base/problem';

export interface FindTask extends FindRequest {
  /** Told how far the search is. */
  readonly port: MessagePort;
}

export interface FindNews {
  readonly done: number;
  readonly total: number;
  readonly combinations: number;
}

/** One search, on a thread of the pool; what cannot be answered comes back as data. */
export default function find({ document, question, port }: FindTask): Result<FinderResult> {
  const answered = attempt(() => {
    const session = new FinderSession(asCase(document), question);
    const combinations = session.combinationCount;
    let said = -1;
    for (const { done, total } of session.run()) {
      const percent = Math.floor((100 * done) / total);
      if (percent === said) continue;
      said = percent;
      port.postMessage({ done, total, combinations } satisfies FindNews);
    }
    return session.answer(document.intake?.lookPokeMm ?? 0);
  });
  port.close();
  return answered;
}
