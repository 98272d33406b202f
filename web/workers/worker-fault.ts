import type { Result } from '@/core/1-base/problem';

/** A fault of a worker or of the way to it, as data. */
export function faultResult(fault: unknown): Result<never> {
  const found = fault instanceof Error ? fault.message : String(fault);
  return {
    ok: false,
    problems: [{ code: 'internal', path: '', expected: 'an answer from the engine', found: found || 'a fault' }],
  };
}

/** Rejects when the worker itself fails (a script that does not load), which no call would ever hear of. */
export const faultOf = <T>(worker: Worker): Promise<T> => {
  const fault = new Promise<T>((_, reject) =>
    worker.addEventListener('error', (event) => reject(new Error(event.message || 'the worker did not start'))),
  );
  fault.catch(() => undefined);
  return fault;
};
