import { describe, expect, test } from '@jest/globals';
import type { KeepOutStrand } from './keep-out-drawing';
import { nearestOfStrands, placeNames, type NameSpace } from './strand-names';

const strand = (obstacle: string, places: readonly (readonly [number, number])[]): KeepOutStrand => ({
  obstacle,
  zone: 'free',
  places,
  postures: places.map(([a], i) => [a / 10, i] as const),
});
const SPACE: NameSpace = { left: -300, right: 300, top: -600, bottom: -100, lineHeight: 16, letter: 8, taken: [] };

describe('which place of a strand is met first', () => {
  test('the nearest one, with the posture it is met in; nearest strands first', () => {
    const strands = [
      strand('far', [
        [200, 500],
        [150, 480],
      ]),
      strand('near', [
        [90, 430],
        [60, 405],
        [40, 440],
      ]),
    ];
    const found = nearestOfStrands(strands, ([, r]) => r - 400);
    expect(found.map(({ strand: s, gapMm }) => [s.obstacle, gapMm])).toEqual([
      ['near', 5],
      ['far', 80],
    ]);
    expect(found[0]).toMatchObject({ place: [60, 405], steerDeg: 6, travelMm: 1 });
  });
});

describe('names beside their strands', () => {
  const nearest = (all: readonly KeepOutStrand[]) => nearestOfStrands(all, ([, r]) => r - 400);

  test('point away from the section, and none lies on another', () => {
    const all = ['a', 'b', 'c', 'd'].map((id, i) => strand(id, [[-120 - 4 * i, 420 + 3 * i]]));
    const names = placeNames(nearest(all), ({ strand: s }) => `name of ${s.obstacle}`, [0, 0], SPACE, 9);
    expect(names).toHaveLength(4);
    expect(names[0]!.anchor).toBe('end');
    const boxes = names.map(({ x, y, anchor }) => ({
      y,
      left: anchor === 'end' ? x - 72 : x,
      right: anchor === 'end' ? x : x + 72,
    }));
    boxes.forEach((one, i) =>
      boxes.slice(i + 1).forEach((other) => {
        const apart = Math.abs(one.y - other.y) >= 2 * 16 || one.left >= other.right || one.right <= other.left;
        expect(apart).toBe(true);
      }),
    );
  });

  test('a name keeps off what must stay free', () => {
    const one = [strand('a', [[100, 420]])];
    const [free] = placeNames(nearest(one), () => 'name', [0, 0], SPACE, 9);
    const [moved] = placeNames(
      nearest(one),
      () => 'name',
      [0, 0],
      { ...SPACE, taken: [[free!.x + 10, free!.y, 20]] },
      9,
    );
    expect(Math.abs(moved!.y - free!.y) >= 36 || moved!.x > free!.x + 30).toBe(true);
  });

  test('an obstacle is named once, and a name that finds no room is left out', () => {
    const twice = [strand('a', [[100, 420]]), strand('a', [[180, 460]])];
    expect(placeNames(nearest(twice), () => 'a', [0, 0], SPACE, 9)).toHaveLength(1);
    const tight = { ...SPACE, left: 95, right: 105 };
    expect(placeNames(nearest(twice), () => 'a long name', [0, 0], tight, 9)).toEqual([]);
    expect(placeNames(nearest(twice), () => 'a', [0, 0], SPACE, 0)).toEqual([]);
  });
});
