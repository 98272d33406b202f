import { expect, test } from '@jest/globals';
import { normalShare } from './normal';

// Abramowitz and Stegun, Handbook of Mathematical Functions, table 26.1.
test.each([
  [0, 0.5],
  [0.5, 0.6914624613],
  [1, 0.8413447461],
  [1.645, 0.9500150945],
  [2, 0.9772498681],
  [3, 0.998650102],
])('as the table says: %d deviations', (z, share) => {
  expect(normalShare(z)).toBeCloseTo(share, 6);
  expect(normalShare(-z)).toBeCloseTo(1 - share, 6);
});

test('far out next to nothing is left', () => {
  expect(normalShare(-40)).toBe(0);
  expect(normalShare(40)).toBe(1);
});
