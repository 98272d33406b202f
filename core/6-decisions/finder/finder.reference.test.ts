import { describe, expect, test } from '@jest/globals';
import { madeFinderQuestion, madeVehicle } from '../../fixtures/finder-case';
import { MOTIONS } from '../../fixtures/scattered-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { plainOutcome } from './plain-outcome';
import { NOTHING_ALLOWED, type FinderQuestion } from './question';
import { FinderSearch } from './search';
import { FAILS } from './staged-cells';

/** Stances that ask for tables of their own, two a seed: another height, or another stop. */
const questionOf = (seed: number): FinderQuestion =>
  seed % 2
    ? { ...madeFinderQuestion(), lift: { kind: 'strutTop', amountsMm: [0, 25] } }
    : { ...madeFinderQuestion(), allowed: { ...madeFinderQuestion().allowed, bumpStopsMm: [30] } };

/** mm: how far a search may stop from the true least margin in an overlap of 60 mm. */
const SAME_MM = 1.6;

describe('what a search says of a combination is what each obstacle on its own says, seeded', () => {
  const results = { clears: 0, withChanges: 0, fails: 0, cannotStand: 0 };

  test.each(Object.keys(MOTIONS))('%s', (name) => {
    const cache = new SectionCache();
    for (let seed = 1; seed <= 2; seed++) {
      const description = madeVehicle(100 * seed + name.length, name);
      const question = questionOf(seed);
      const search = new FinderSearch(description, question);
      for (const progress of search.run()) expect(progress.done).toBeLessThanOrEqual(progress.total);
      const random = seededRandom(seed);
      for (let n = 0; n < 25; n++) {
        const number = Math.floor(random() * search.axes.combinationCount);
        const combination = search.axes.combination(number);
        expect(search.axes.numberOf(combination)).toBe(number);
        const cell = search.axes.cellOf(combination);
        if (cell < 0) continue;
        const plain = plainOutcome(
          description,
          question,
          search.axes.candidates,
          search.corners,
          combination,
          undefined,
          cache,
        );
        results[plain.result]++;
        const staged = search.cellsOfStance[combination.stance] ?? null;
        if (plain.result === 'cannotStand') {
          expect(staged).toBeNull();
          continue;
        }
        // A search may itself stop so far from a limit.
        if (plain.nearestLimitMm < (plain.lowGapMm < -25 ? SAME_MM : 0.25)) continue;
        const fails =
          (staged!.remedies[cell]! & FAILS) !== 0 ||
          (staged!.inside?.at(combination.wheel, combination.spacer) ?? 1) < 0;
        const found = fails
          ? 'fails'
          : search.verdicts.isPlain(staged!, cell, combination.stance)
            ? 'clears'
            : 'withChanges';
        expect({ seed, number, found }).toEqual({ seed, number, found: plain.result });
        if (found !== 'withChanges') continue;
        const permanent = 31 - Math.clz32(plain.remedies);
        expect({ seed, number, worst: 31 - Math.clz32(staged!.remedies[cell]!) }).toEqual({
          seed,
          number,
          worst: permanent,
        });
      }
    }
  });

  test('every way to come out was among them', () => {
    expect(Math.min(results.clears, results.withChanges, results.fails)).toBeGreaterThan(0);
  });

  test('the count over all combinations is the count of their cells', () => {
    const search = new FinderSearch(madeVehicle(4, 'swingArm'), { ...madeFinderQuestion(), allowed: NOTHING_ALLOWED });
    for (const _ of search.run());
    const { tally } = search;
    let [clears, fails] = [0, 0];
    for (let number = 0; number < search.axes.combinationCount; number++) {
      const combination = search.axes.combination(number);
      const cell = search.axes.cellOf(combination);
      const staged = search.cellsOfStance[combination.stance];
      if (cell < 0) continue;
      const inside = staged?.inside?.at(combination.wheel, combination.spacer) ?? Infinity;
      if (!staged || staged.remedies[cell]! & FAILS || inside < 0) fails++;
      else clears++;
    }
    expect(tally).toMatchObject({
      clears,
      fails,
      withChanges: 0,
      needless: 0,
      refused: 0,
      combinations: clears + fails,
    });
    expect(clears).toBeGreaterThan(0);
  });
});
