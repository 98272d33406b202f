import { joinPath, ProblemError } from '../../1-base/problem';
import type { Span } from './question';

/** Steps a span may have. */
const MOST_STEPS = 2000;

/** Share of a step by which the last one may miss the end. */
const SLACK = 1e-6;

/** The numbers of a span. @throws ProblemError for an empty or endless one. */
export function spanValues({ from, to, step }: Span, path: string): number[] {
  if (!(to >= from)) {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(path, 'to'),
      expected: `an end no less than where the range begins (${from})`,
      found: String(to),
    });
  }
  if (to === from) return [from];
  if (!(step > 0)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: joinPath(path, 'step'),
      expected: 'a step above 0',
      found: String(step),
    });
  }
  const count = Math.floor((to - from) / step + SLACK) + 1;
  if (count > MOST_STEPS) {
    throw new ProblemError({
      code: 'tooLarge',
      path: joinPath(path, 'step'),
      expected: `at most ${MOST_STEPS} steps from ${from} to ${to}`,
      found: `${count}`,
    });
  }
  return Array.from({ length: count }, (_, i) => Number((from + i * step).toFixed(6)));
}
