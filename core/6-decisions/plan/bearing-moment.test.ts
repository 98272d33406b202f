import { expect, test } from '@jest/globals';
import { bearingMomentRatio } from './bearing-moment';

const at = (leverMm: number, loadedRadiusMm = 380) => ({ leverMm, loadedRadiusMm });

test('the moment by statics: load at the lever and half of it sideways at the ground, about the bearing', () => {
  // A load of 1 upward and half of it sideways at (lever, -radius): the cross product about the bearing, in the worse turn.
  const moment = (lever: number, radius: number): number =>
    Math.max(...[0.5, -0.5].map((side) => Math.abs(lever * 1 - -radius * side)));
  for (const [before, after] of [
    [at(50), at(75)],
    [at(-20), at(15, 400)],
    [at(0), at(30)],
  ] as const) {
    expect(bearingMomentRatio(before, after)).toBeCloseTo(
      moment(after.leverMm, after.loadedRadiusMm) / moment(before.leverMm, before.loadedRadiusMm),
      12,
    );
  }
});

test('a wheel over its bearing moved out by 25 mm loads it about an eighth more, not many times (common practice, no source)', () => {
  const ratio = bearingMomentRatio(at(5), at(30));
  expect(ratio).toBeGreaterThan(1.1);
  expect(ratio).toBeLessThan(1.15);
  expect(bearingMomentRatio(at(5), at(5))).toBe(1);
});

test('a taller tire loads it more at the same lever', () => {
  expect(bearingMomentRatio(at(40, 380), at(40, 420))).toBeGreaterThan(1.05);
});
