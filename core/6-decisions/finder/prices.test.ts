import { describe, expect, test } from '@jest/globals';
import { madeFinderQuestion } from '../../fixtures/finder-case';
import { candidatesOf } from './candidates';
import { Prices } from './prices';
import type { FinderQuestion } from './question';
import { NOTHING_ALLOWED } from './question';

/** Two tires, two wheels and two spacers, only the first of each with a price; two heights, the second lifted. */
const priced = (said: Partial<FinderQuestion> = {}): FinderQuestion =>
  madeFinderQuestion({
    tires: {
      from: 'list',
      list: [{ size: '265/70R17', priceMinor: 21_000 }, { size: '285/70R17' }],
    },
    wheels: {
      from: 'list',
      list: [
        { diameterIn: 17, widthIn: 8, offsetMm: 30, priceMinor: 14_500 },
        { diameterIn: 17, widthIn: 8, offsetMm: 0 },
      ],
    },
    spacers: [{ thicknessMm: 0 }, { thicknessMm: 25, priceMinor: 3_900 }, { thicknessMm: 30 }],
    lift: { kind: 'spring', amountsMm: [0, 40] },
    allowed: { ...NOTHING_ALLOWED, bumpStopsMm: [20] },
    prices: { lift: 12_000, bumpStop: 2_500 },
    ...said,
  });

const pricesOf = (question: FinderQuestion): Prices => new Prices(question, candidatesOf(question));

describe('prices of a set', () => {
  // The stances in order: as it is, bump stop, lifted, lifted with bump stop.
  test('four tires and four wheels make a set all round', () => {
    expect(pricesOf(priced()).sum(0, 0, 0, 0)).toBe(4 * 21_000 + 4 * 14_500);
  });

  test('two of each make one of an axle', () => {
    for (const fit of ['front', 'rear', 'staggered'] as const) {
      expect(pricesOf(priced({ fit })).sum(0, 0, 0, 0)).toBe(2 * 21_000 + 2 * 14_500);
    }
  });

  test('a spare is one tire and one wheel more, and no spacer', () => {
    const constraints = { spare: { mostDiameterMm: 900, mostWidthMm: 320 } };
    expect(pricesOf(priced({ constraints })).sum(0, 0, 1, 0)).toBe(5 * 21_000 + 5 * 14_500 + 4 * 3_900);
  });

  test('changes of the stance are counted at each wheel, each that it has', () => {
    const prices = pricesOf(priced());
    const bare = prices.sum(0, 0, 0, 0);
    expect([1, 2, 3].map((stance) => prices.sum(0, 0, 0, stance) - bare)).toEqual([
      4 * 2_500,
      4 * 12_000,
      4 * (12_000 + 2_500),
    ]);
  });

  test('one part without a price leaves the whole without one; no spacer needs none', () => {
    const prices = pricesOf(priced());
    expect(prices.sum(1, 0, 0, 0)).toBeNaN();
    expect(prices.sum(0, 1, 0, 0)).toBeNaN();
    expect(prices.sum(0, 0, 2, 0)).toBeNaN();
    expect(prices.sum(0, 0, 0, 0)).not.toBeNaN();
  });

  test('a change without a price costs nothing, as the question says', () => {
    const prices = pricesOf(priced({ prices: {} }));
    expect(prices.sum(0, 0, 0, 3)).toBe(prices.sum(0, 0, 0, 0));
  });

  test('a stance is as hard to take back as the hardest thing in it', () => {
    // A stop comes off with a wrench (1), a lift comes off in the shop (2).
    expect(pricesOf(priced()).stancePermanence).toEqual([0, 1, 2, 2]);
  });
});
