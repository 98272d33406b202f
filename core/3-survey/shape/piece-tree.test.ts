import { expect, test } from '@jest/globals';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { edgeThrough } from './edge-through';
import { makePieceTree, SLAB_STRIDE } from './piece-tree';
import { chain, makePieces, vertexOf, type PieceSet } from './shape';

/** Pieces below a node, by walking the tree. */
function below(tree: ReturnType<typeof makePieceTree>, node: number): number[] {
  if (tree.left[node]! < 0) return [tree.right[node]!];
  return [...below(tree, tree.left[node]!), ...below(tree, tree.right[node]!)];
}

function offSlab(pieces: PieceSet, slabs: Float64Array, node: number, piece: number): number {
  const k = node * SLAB_STRIDE;
  const part = (d: number[], way: number): { share: number; along: number[] } => {
    const w = [0, 1, 2].map((axis) => slabs[k + way + axis]!);
    const squared = w.reduce((sum, v) => sum + v * v, 0);
    const share = squared > 0 ? w.reduce((sum, v, axis) => sum + v * d[axis]!, 0) / squared : 0;
    return { share, along: w.map((v) => v * Math.max(-1, Math.min(1, share))) };
  };
  let worst = 0;
  for (let j = 0; j < pieces.corners[piece]!; j++) {
    const d = vertexOf(pieces, piece, j).map((v, axis) => v - slabs[k + axis]!);
    const first = part(d, 3);
    const second = part(d, 6);
    const rest = d.map((v, axis) => v - first.along[axis]! - second.along[axis]!);
    worst = Math.max(worst, Math.hypot(...rest) - slabs[k + 9]!);
  }
  return worst;
}

test.each([1, 2, 7, 40, 300])('every piece of %s hangs in the tree once, within every slab above it', (count) => {
  const random = seededRandom(count);
  const place = (): Vec3 => [900 * random(), 300 * random(), 200 * random()];
  const pieces = makePieces(
    Array.from({ length: count }, (_, i) => {
      const a = place();
      return [a, [a[0] + 20, a[1] - 9, a[2] + 4] as const, [a[0], a[1] + 30, a[2]] as const].slice(0, 1 + (i % 3));
    }),
  );
  const tree = makePieceTree(pieces);
  expect(below(tree, 0).sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, i) => i));
  const visit = (node: number): void => {
    if (tree.left[node]! < 0) return;
    for (const piece of below(tree, node)) expect(offSlab(pieces, tree.slabs, node, piece)).toBeLessThan(1e-6);
    visit(tree.left[node]!);
    visit(tree.right[node]!);
  };
  visit(0);
});

test('a chain of places is its stretches; one place stays a point', () => {
  expect(chain([[1, 2, 3]])).toEqual([[[1, 2, 3]]]);
  expect(
    chain([
      [0, 0, 0],
      [1, 0, 0],
      [1, 1, 0],
    ]),
  ).toHaveLength(2);
});

test('an edge keeps turning round the hub between its places; where nothing was seen for long it goes straight', () => {
  const arch = edgeThrough([
    [-300, 100, 400],
    [300, 120, 400],
  ]);
  expect(arch.length).toBeGreaterThan(15);
  for (const {
    at: [x, , z],
  } of arch)
    expect(Math.hypot(x, z)).toBeCloseTo(500, 9);
  expect(arch[Math.floor(arch.length / 2)]!.at[1]).toBeGreaterThan(105);
  expect(
    edgeThrough([
      [-500, 0, 0],
      [500, 0, 10],
    ]),
  ).toHaveLength(2);
});
