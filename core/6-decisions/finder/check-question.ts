import { ProblemError, type Problem } from '../../1-base/problem';
import type { FinderQuestion } from './question';

/** Constraints that no combination whatever can meet together. @throws ProblemError naming both. */
export function checkQuestion({ constraints, tires }: FinderQuestion): void {
  const problems: Problem[] = [];
  const { pokeLeastMm, pokeMostMm, covered, spare } = constraints;
  if (pokeLeastMm !== undefined && pokeMostMm !== undefined && pokeMostMm < pokeLeastMm) {
    problems.push({
      code: 'contradiction',
      path: 'finder.constraints.pokeMostMm',
      expected: `a most poke no less than the least poke (${pokeLeastMm} mm)`,
      found: `${pokeMostMm} mm`,
    });
  }
  if (covered && pokeLeastMm !== undefined && pokeLeastMm > 0) {
    problems.push({
      code: 'contradiction',
      path: 'finder.constraints.pokeLeastMm',
      expected: 'a least poke of 0 or below while the tire is to be covered by the fender',
      found: `${pokeLeastMm} mm`,
    });
  }
  const least =
    tires.from === 'ranges' ? tires.diameterMm.from : tires.from === 'common' ? tires.leastDiameterMm : -Infinity;
  if (spare && spare.mostDiameterMm < least) {
    problems.push({
      code: 'contradiction',
      path: 'finder.constraints.spare.mostDiameterMm',
      expected: `room for a spare of at least the least diameter asked for (${least} mm)`,
      found: `${spare.mostDiameterMm} mm`,
    });
  }
  if (problems.length > 0) throw new ProblemError(...problems);
}
