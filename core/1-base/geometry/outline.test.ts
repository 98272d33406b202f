import { expect, test } from '@jest/globals';
import { flatten, nearestOnEdge, nearestPlace, partOf, type Outline } from './outline';
import { stretchGap } from './piece-distance';
import type { Vec3 } from './vec3';
import { seededRandom } from '../numeric/seeded-random';
import { tireSection } from '../../2-vehicle/tire/section';

const { outline } = tireSection({ size: '265/70R17' }, 8);

/** Least distance to a fine polygon along an outline, mm. */
function toPolygon(of: Outline<unknown>, a: number, r: number): number {
  const points = flatten(of, 0.001).map((point): Vec3 => [point.a, point.r, 0]);
  const ways = points.slice(1).map((to, i) => stretchGap(points[i]!, to, [a, r, 0], [a, r, 0]).distance);
  return Math.min(...ways);
}

test('the nearest of an edge is that of a fine polygon; its sign says on which side the place lies', () => {
  const random = seededRandom(21);
  let inside = 0;
  for (let n = 0; n < 60; n++) {
    const [a, r] = [360 * (random() - 0.5), 430 * random()];
    const edge = nearestOnEdge(outline, a, r);
    expect(edge.distance).toBeCloseTo(toPolygon(outline, a, r), 2);
    expect(Math.hypot(edge.a - a, edge.r - r)).toBeCloseTo(edge.distance, 9);
    const signed = nearestPlace(outline, a, r);
    expect(signed).toEqual({ ...edge, distance: signed.distance });
    expect(Math.abs(signed.distance)).toBe(edge.distance);
    if (signed.distance < 0) inside++;
  }
  expect(inside).toBeGreaterThan(10);
  expect(inside).toBeLessThan(50);
});

test('a part of an outline keeps its pieces in their order, and what is near them', () => {
  const outboard = partOf(outline, (from, to) => from.a > 1e-9 || to.a > 1e-9);
  expect(outboard.pieces).toEqual(outline.pieces.slice(-outboard.pieces.length));
  expect(outboard.pieces.length).toBeLessThan(outline.pieces.length);
  const random = seededRandom(22);
  for (let n = 0; n < 30; n++) {
    const [a, r] = [200 * random(), 430 * random()];
    expect(nearestOnEdge(outboard, a, r).distance).toBeCloseTo(toPolygon(outboard, a, r), 2);
  }
});
