import type { CaseDescription } from '../../4-clearance/case/case-description';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARD_IDS, STANDARDS, type StandardId } from '../../4-clearance/case/standard';
import type { FoundRow } from './rows';
import type { FinderQuestion } from './question';
import { forbiddenBy, type Remedy } from './remedies';
import type { FinderProgress } from './search';
import { FinderSession, type FoundOn } from './session';

/** What one school admits of a question, on one axle. */
export interface SchoolAnswer {
  readonly standard: StandardId;
  readonly axle: FoundOn;
  readonly combinations: number;
  readonly clears: number;
  readonly withChanges: number;
  /** Biggest tire as it is, and with the changes the school allows; null: none. */
  readonly biggest: FoundRow | null;
  readonly biggestChanged: FoundRow | null;
  /** What the question allows and the school does not. */
  readonly forbids: readonly Remedy[];
}

/** The same question by every school, side by side. @throws ProblemError as `FinderSession`. */
export function* compareSchools(
  description: CaseDescription,
  question: FinderQuestion,
  cache = new SectionCache(),
): Generator<FinderProgress, SchoolAnswer[]> {
  const answers: SchoolAnswer[] = [];
  for (const [i, standard] of STANDARD_IDS.entries()) {
    const session = new FinderSession({ ...description, standard }, question, cache);
    for (const { done, total } of session.run()) yield { done: i * total + done, total: STANDARD_IDS.length * total };
    for (const { axle, tally, rows } of session.answer().axles) {
      answers.push({
        standard,
        axle,
        combinations: tally.combinations,
        clears: tally.clears,
        withChanges: tally.withChanges,
        biggest: rows.find(({ result }) => result === 'clears') ?? null,
        biggestChanged: rows.find(({ result }) => result === 'withChanges') ?? null,
        forbids: forbiddenBy(STANDARDS[standard], question.allowed),
      });
    }
  }
  return answers;
}
