import { z } from 'zod';
import { PROBLEM_CODES, type Problem, type ProblemCode } from '@/core/1-base/problem';

/** The one shape of a problem on its way over HTTP. */
export const problemSchema = z.object({
  code: z.enum(PROBLEM_CODES),
  path: z.string(),
  expected: z.string(),
  found: z.string(),
});

/** Body of every refused request. */
export const refusalSchema = z.object({ problems: z.array(problemSchema) });

const TITLES: Readonly<Record<ProblemCode, string>> = {
  invalidJson: 'This is not a whole JSON file',
  wrongFormat: 'This file is of another format',
  wrongVersion: 'This file is of another version',
  unknownKey: 'There is an unknown key',
  missing: 'Something is missing',
  wrongType: 'Not the right kind of value',
  outOfRange: 'Out of range',
  unreadableSize: 'Tire size not understood',
  unreadableLength: 'Length not understood',
  unreadableClock: 'Clock position not understood',
  contradiction: 'Two things contradict each other',
  impossiblePosture: 'The suspension cannot reach this posture',
  notFound: 'Not found',
  conflict: 'Changed somewhere else in the meantime',
  tooLarge: 'Too large',
  internal: 'A fault of ours',
};

/** One line for a person: what is wrong, where, what was expected, what was found. */
export function problemText(problem: Problem): string {
  const where = problem.path === '' ? '' : ` at ${problem.path}`;
  return `${TITLES[problem.code]}${where}: expected ${problem.expected}, found ${problem.found}.`;
}

/** The same without the document path, for use beside the field itself. */
export const fieldText = (problem: Problem): string => `Expected ${problem.expected}; found ${problem.found}.`;
