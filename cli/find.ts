import { readFile } from 'node:fs/promises';
import { asCase } from '@/contracts/as-case';
import { finderQuestionSchema, type FinderQuestionEntry } from '@/contracts/finder';
import { parseWith, readJsonText } from '@/contracts/parse';
import { FinderSession, type FinderResult } from '@/core/6-decisions/finder/session';
import { ProblemError } from '@/core/1-base/problem';
import { readCase, unwrap } from './outcome';

export interface FindCommandOptions {
  readonly question?: string;
  readonly progress?: boolean;
}

/** `lowgap find FILE`: the file's own question, or one from another file. */
export async function findCommand(
  path: string,
  { question: questionPath, progress }: FindCommandOptions,
): Promise<FinderResult & { readonly combinations: number }> {
  const file = await readCase(path);
  const question = questionPath === undefined ? file.finder?.question : await readQuestion(questionPath);
  if (!question) {
    throw new ProblemError({
      code: 'missing',
      path: 'finder.question',
      expected: 'what to look for, in the file or with --question',
      found: 'nothing',
    });
  }
  const session = new FinderSession(asCase(file), question);
  let said = -1;
  for (const { done, total } of session.run()) {
    const tenth = Math.floor((10 * done) / total);
    if (!progress || tenth === said) continue;
    said = tenth;
    process.stderr.write(`lowgap: ${10 * tenth} % of ${session.combinationCount.toLocaleString('en')} combinations\n`);
  }
  return { combinations: session.combinationCount, ...session.answer(file.intake?.lookPokeMm ?? 0) };
}

/** @throws ProblemError for a file that is no question. */
async function readQuestion(path: string): Promise<FinderQuestionEntry> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    const found = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'no such file' : String(error);
    throw new ProblemError({ code: 'notFound', path, expected: 'a question as JSON', found });
  }
  return unwrap(parseWith(finderQuestionSchema, unwrap(readJsonText(text)), 'finder'));
}
