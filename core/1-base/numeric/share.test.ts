import { describe, expect, test } from '@jest/globals';
import { shareOf } from './share';

describe('a chance from counts', () => {
  // For p = 0 and p = 1 Wilson's bounds are z^2 / (n + z^2) and n / (n + z^2) (Wilson 1927, by algebra); z of 95 % one-sided from any table.
  test.each([1, 4, 10])('none or all of %i', (n) => {
    const z2 = 1.645 ** 2;
    expect(shareOf(0, n).high).toBeCloseTo(z2 / (n + z2), 3);
    expect(shareOf(0, n).low).toBe(0);
    expect(shareOf(n, n).low).toBeCloseTo(n / (n + z2), 3);
    expect(shareOf(n, n).high).toBe(1);
  });

  // 15 of 148: 90 % score interval by hand from the two roots of (p - x)^2 = z^2 x (1 - x) / n.
  test('its bounds are the roots of the score equation', () => {
    const { low, high } = shareOf(15, 148);
    for (const x of [low, high]) expect((15 / 148 - x) ** 2).toBeCloseTo((1.6449 ** 2 * x * (1 - x)) / 148, 10);
    expect(low).toBeLessThan(15 / 148);
    expect(high).toBeGreaterThan(15 / 148);
  });

  test('nothing counted says nothing', () => expect(shareOf(0, 0)).toEqual({ count: 0, of: 0, low: 0, high: 1 }));
});
