import { expect, test } from '@jest/globals';
import { boardLabels } from './board-labels';

const cloud = (name: string | null, count: number, x: number, y: number) =>
  Array.from({ length: count }, (_, i) => ({ x: x + i, y: y + (i % 3), name }));

test('names stand where their dots are, the commonest first; rare ones and those that would lie on another are left out', () => {
  const dots = [
    ...cloud('Body mount', 40, 300, 100),
    ...cloud('Strut', 20, 310, 104),
    ...cloud('Hose', 2, 500, 200),
    ...cloud(null, 90, 0, 0),
  ];
  expect(boardLabels(dots, 800)).toEqual([{ x: 320, y: 101, name: 'Body mount' }]);
  const apart = [...cloud('Body mount', 40, 300, 100), ...cloud('Strut', 20, 310, 180)];
  expect(boardLabels(apart, 800).map(({ name }) => name)).toEqual(['Body mount', 'Strut']);
});

test('a name at the edge stays within the drawing', () => {
  const [label] = boardLabels(cloud('A long name of a thing', 10, 790, 50), 800);
  expect(label!.x).toBeLessThanOrEqual(800 - (22 * 7.2) / 2);
});
