/** Gaps between parts that move with different things, by hand: a wheel that only goes up and down. */
import { describe, expect, test } from '@jest/globals';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { attempt } from '../../1-base/problem';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import { FITTED, madeCorner } from '../../fixtures/made-corner';
import { prepareCorner } from '../case/prepared-corner';
import { partPairGaps } from './part-pairs';

/** A coil on the frame, upright, 60 mm thick; a track-bar bracket on the axle that rises with the wheel. */
const COIL: ObstacleDescription = {
  id: 'coil',
  mount: 'frame',
  material: 'spring',
  shape: {
    type: 'capsule',
    points: [
      [0, -300, 150],
      [0, -300, 400],
    ],
    radiusMm: 30,
  },
};
const bracket = (x: number, z: number, radiusMm = 0): ObstacleDescription => ({
  id: 'bracket',
  mount: 'axle',
  material: 'frame',
  shape: {
    type: 'capsule',
    points: [
      [x, -300, z],
      [x, -290, z],
    ],
    radiusMm,
  },
});

const corner = (...obstacles: ObstacleDescription[]): CornerDescription => madeCorner({ obstacles });
const gapOf = (described: CornerDescription, requiredMm = 8) =>
  partPairGaps(prepareCorner('rearLeft', described, fittedSetup(FITTED), 'trail'), [
    { a: 'coil', b: 'bracket', requiredMm },
  ])[0]!;

describe('parts of different mounts', () => {
  test('beside each other through the travel: the distance less both thicknesses, at any height they overlap', () => {
    const found = gapOf(corner(COIL, bracket(100, 200, 10)));
    expect(found.gapMm).toBeCloseTo(100 - 30 - 10, 6);
    expect(found.marginMm).toBeCloseTo(100 - 30 - 10 - 8, 6);
  });

  test('below the coil: nearest at full bump, by the travel', () => {
    const found = gapOf(corner(COIL, bracket(0, 20, 5)));
    // 150 - 20 at ride, less 80 mm of bump, less 30 and 5 of thickness.
    expect(found.gapMm).toBeCloseTo(150 - 20 - 80 - 30 - 5, 4);
    expect(found.travelMm).toBeCloseTo(80, 4);
    expect(found.atA).toEqual([expect.closeTo(0, 3), expect.closeTo(-300, 3), expect.closeTo(150, 3)]);
  });

  test('a bracket that strikes the coil overlaps it', () => {
    expect(gapOf(corner(COIL, bracket(0, 100))).gapMm).toBeLessThan(0);
  });
});

test.each<[string, ObstacleDescription[], { a: string; b: string }, string]>([
  ['an unknown id', [COIL, bracket(0, 20)], { a: 'coil', b: 'shock' }, 'corners.rearLeft.pairs[0].b'],
  [
    'parts of one mount',
    [COIL, { ...bracket(0, 20), mount: 'frame' }],
    { a: 'coil', b: 'bracket' },
    'corners.rearLeft.pairs[0].b',
  ],
  [
    'a panel',
    [
      COIL,
      {
        ...bracket(0, 20),
        shape: {
          type: 'panel',
          points: [
            [0, 0, 0],
            [9, 0, 0],
            [0, 9, 0],
          ],
          triangles: [[0, 1, 2]],
        },
      },
    ],
    { a: 'coil', b: 'bracket' },
    'corners.rearLeft.pairs[0].b',
  ],
])('%s is refused by its path', (_, obstacles, pair, path) => {
  const prepared = prepareCorner('rearLeft', corner(...obstacles), fittedSetup(FITTED), 'trail');
  expect(attempt(() => partPairGaps(prepared, [{ ...pair, requiredMm: 8 }]))).toMatchObject({
    ok: false,
    problems: [{ path }],
  });
});
