import { expect, test } from '@jest/globals';
import { type CornerKey, axleOf } from '../../2-vehicle/setup/corner-key';
import type { StandingCorner } from '../../2-vehicle/setup/loaded-radius';
import { stanceHeights } from './heights';

/** 265/70R17 by ISO 4000-1 (from memory): 431.8 + 2 x 186 = 803.8 mm, so 401.9 mm of free radius. */
const fitted = { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 };
const corner = (hubIn: number, groundIn: number): StandingCorner => ({
  hubToLipMm: hubIn * 25.4,
  groundToLipMm: groundIn * 25.4,
  fitted,
});

test('36 in at the front and 37 in at the rear is an inch of rake (common practice, no source)', () => {
  const all = Object.fromEntries(
    (['frontLeft', 'frontRight', 'rearLeft', 'rearRight'] as const).map((key: CornerKey) => [
      key,
      corner(20.5, axleOf(key) === 'front' ? 36 : 37),
    ]),
  );
  const heights = stanceHeights(all);
  expect(heights.rakeMm).toBeCloseTo(25.4, 9);
  expect([heights.leanFrontMm, heights.leanRearMm]).toEqual([0, 0]);
});

test('lean is left over right, and one side alone still gives a rake', () => {
  const heights = stanceHeights({ frontLeft: corner(20, 36.25), frontRight: corner(20, 36), rearLeft: corner(21, 37) });
  expect(heights.leanFrontMm).toBeCloseTo(6.35, 9);
  expect(heights.leanRearMm).toBeNull();
  expect(heights.rakeMm).toBeCloseTo(37 * 25.4 - 36.125 * 25.4, 9);
});

test.each([
  // Loaded radius 387.35 mm is 96 % of the free one: a tire on the ground.
  [20.5, 35.75, 'agrees'],
  // The hub would stand higher than the tire's free radius allows: the heights or the size are wrong.
  [19, 35.75, 'tooTall'],
  // A tire 20 % flat: the wrong tire, or a slip of two inches.
  [23, 35.75, 'tooFlat'],
] as const)('hub to lip %s in with ground to lip %s in: the tire %s', (hubIn, groundIn, verdict) => {
  const { radius } = stanceHeights({ rearRight: corner(hubIn, groundIn) });
  expect(radius.rearRight).toMatchObject({ verdict, loadedMm: expect.closeTo((groundIn - hubIn) * 25.4, 6) });
  expect(radius.rearRight!.freeMm).toBeCloseTo(401.9, 6);
});

test('a missing height checks nothing', () => {
  expect(stanceHeights({ frontLeft: { hubToLipMm: 500, fitted } })).toEqual({
    rakeMm: null,
    leanFrontMm: null,
    leanRearMm: null,
    radius: {},
  });
});
