import { describe, expect, test } from '@jest/globals';
import { ANGLES, drawnDeg, outboardSign } from './alignment-angles';

/** Where the top of an upright line goes when it is turned clockwise so far, right positive. */
const topGoes = (clockwiseDeg: number): number => Math.sign(Math.sin((clockwiseDeg * Math.PI) / 180));

// Signs as alignment benches print them: common practice, no source.
describe('the angles are drawn the way they lean', () => {
  test.each(['left', 'right'] as const)('positive camber leans the top outboard: %s', (side) => {
    expect(topGoes(drawnDeg('camber', 1, side))).toBe(outboardSign(side));
    expect(topGoes(drawnDeg('camber', -1, side))).toBe(-outboardSign(side));
  });

  test.each(['left', 'right'] as const)('toe in turns the front edge toward the other wheel: %s', (side) => {
    expect(topGoes(drawnDeg('toe', 0.2, side))).toBe(-outboardSign(side));
  });

  test('positive caster leans the axis toward the rear, which is to the right facing a left wheel', () => {
    expect(topGoes(drawnDeg('caster', 4, 'left'))).toBe(1);
    expect(topGoes(drawnDeg('caster', 4, 'right'))).toBe(-1);
  });

  test('it is as many times as large as it is said to be, up to what can still be drawn', () => {
    expect(Math.abs(drawnDeg('toe', 0.25, 'left'))).toBeCloseTo(0.25 * ANGLES.toe.times, 9);
    expect(Math.abs(drawnDeg('camber', 40, 'left'))).toBeLessThan(45);
    expect(Object.is(drawnDeg('toe', 0, 'left'), -0)).toBe(false);
  });
});
