import { describe, expect, test } from '@jest/globals';
import { learnedBand } from '../../5-consequences/stance/learned-band';
import { summaryOf } from './summary';

const USUAL = { below: 0.2, above: 0.1 };
const out = (share: number) => ({ promisedMm: 76.2, measuredMm: 76.2 * share });

describe('bands from the shop’s own record', () => {
  test('3 in claimed that gave 2.5 draw the band down, and it holds what was measured (common practice, no source)', () => {
    const one = learnedBand(USUAL, [out(2.5 / 3)])!;
    expect(one).toMatchObject({ count: 1, meanShare: expect.closeTo(2.5 / 3, 9) });
    expect(1 - one.below).toBeLessThan(2.5 / 3);
    expect(1 + one.above).toBeGreaterThan(2.5 / 3);
    const five = learnedBand(
      USUAL,
      Array.from({ length: 5 }, () => out(2.5 / 3)),
    )!;
    // The more that came out so, the narrower and the nearer to it.
    expect(five.below + five.above).toBeLessThan(one.below + one.above);
    expect(five.above).toBeLessThan(one.above);
  });

  test('many measurements end at their own mean and spread: 5 to 95 % of a normal', () => {
    const many = Array.from({ length: 4000 }, (_, i) => out(i % 2 === 0 ? 0.9 : 1.1));
    const { below, above } = learnedBand(USUAL, many)!;
    expect(below).toBeCloseTo(1.6449 * 0.1, 2);
    expect(above).toBeCloseTo(1.6449 * 0.1, 2);
  });

  test('parts that lift next to nothing say nothing', () => {
    expect(learnedBand(USUAL, [{ promisedMm: 3, measuredMm: 6 }])).toBeNull();
    expect(learnedBand(USUAL, [])).toBeNull();
  });
});

test('a mean with its 90 % interval from four on (Student’s t: 2.353 for three degrees of freedom), and none from fewer', () => {
  expect(summaryOf([1, 2, 3])).toEqual({ count: 3, mean: 2, least: 1, most: 3, halfWidth: null });
  // Standard deviation of 1, 2, 3, 4 is 1.29099; over the root of four.
  expect(summaryOf([1, 2, 3, 4])!.halfWidth).toBeCloseTo((2.353 * 1.29099) / 2, 4);
  expect(summaryOf([])).toBeNull();
});
