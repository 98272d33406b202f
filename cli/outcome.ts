import { readFile } from 'node:fs/promises';
import { readJobText } from '@/contracts/job-file';
import { problemLine } from '@/contracts/problems';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { ProblemError, type Result } from '@/core/1-base/problem';

/** Exit statuses of every command: 0 answer given, 2 bad input, 1 fault of ours. */
export const EXIT_INPUT = 2;
export const EXIT_FAULT = 1;

/** Runs a command that returns what to print; problems go to standard error, one a line, with status 2. */
export async function runCommand(work: () => Promise<unknown>): Promise<void> {
  try {
    process.stdout.write(`${JSON.stringify(await work(), null, 2)}\n`);
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    for (const problem of error.problems) process.stderr.write(`lowgap: ${problemLine(problem)}\n`);
    process.exitCode = EXIT_INPUT;
  }
}

/** @throws ProblemError when the file cannot be read or is not a whole, known `.lowgap.json`. */
export async function readCase(path: string): Promise<LowgapFile> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    const found = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'no such file' : String(error);
    throw new ProblemError({ code: 'notFound', path, expected: 'a .lowgap.json file', found });
  }
  return unwrap(readJobText(text)).document;
}

/** The value, or its problems thrown. */
export function unwrap<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new ProblemError(...result.problems);
}

/** The number in an option's text. @throws ProblemError naming the option. */
export function numberOption(name: string, text: string): number {
  const value = text.trim() === '' ? Number.NaN : Number(text);
  if (Number.isFinite(value)) return value;
  throw new ProblemError({ code: 'wrongType', path: `--${name}`, expected: 'a number', found: text || 'nothing' });
}
