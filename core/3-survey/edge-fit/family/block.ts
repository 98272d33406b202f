import type { Vec3 } from '../../../1-base/geometry/vec3';
import type { EdgeModel } from '../edge-model';
import { ANYWHERE_MM, mean } from './numbers';

/** Two triangles of each face, as indices of the eight corners (bit 0: x, bit 1: y, bit 2: z). */
const TRIANGLES = [
  [0, 2, 6],
  [0, 6, 4],
  [1, 3, 7],
  [1, 7, 5],
  [0, 1, 5],
  [0, 5, 4],
  [2, 3, 7],
  [2, 7, 6],
  [0, 1, 3],
  [0, 3, 2],
  [4, 5, 7],
  [4, 7, 6],
] as const;

/** The part of a whole number that a face's share across takes, so that 1 does not become the next face. */
const FACE = 0.999;

/** rad by which a block stands turned about the upright, standard deviation. */
const TURNED = 0.25;

/**
 * A block that stands upright: middle, half sizes, and how far it is turned about the upright (rad). A place: face and share across it,
 * share along it.
 */
export function blockFamily(
  landed: readonly Vec3[],
  size: readonly [number, number, number],
  sizeSigma: number,
): EdgeModel {
  const half = size.map((mm) => mm / 2);
  const near = [0, 1, 2].map((axis) => mean(landed.map((point) => point[axis]!)));
  const away = Math.hypot(near[0]!, near[2]!);
  // The readings land on the sides that look at the tire; the middle lies behind them.
  const middle = [
    near[0]! + (half[0]! * near[0]!) / away,
    near[1]! - (near[1]! < -60 ? half[1]! : 0),
    near[2]! + (half[2]! * near[2]!) / away,
  ];
  const turn = (q: Float64Array, out: Float64Array): void => {
    const [x, y] = [out[0]!, out[1]!];
    const [c, s] = [Math.cos(q[6]!), Math.sin(q[6]!)];
    out[0] = q[0]! + x * c - y * s;
    out[1] = q[1]! + x * s + y * c;
    out[2] = q[2]! + out[2]!;
  };
  const at: EdgeModel['at'] = (q, s, t, out) => {
    const face = Math.min(5, Math.floor(s));
    const axis = face >> 1;
    const b = (axis + 1) % 3;
    const c = (axis + 2) % 3;
    out[axis] = (face & 1 ? 1 : -1) * q[3 + axis]!;
    out[b] = (2 * Math.min(1, (s - face) / FACE) - 1) * q[3 + b]!;
    out[c] = (2 * t - 1) * q[3 + c]!;
    turn(q, out);
  };
  const grid = [0, 0.25, 0.5, 0.75, 1];
  const seeds = [0, 1, 2, 3, 4, 5].flatMap((face) =>
    grid.flatMap((s) => grid.map((t) => [face + FACE * s, t] as const)),
  );
  return {
    mean: Float64Array.from([...middle, ...half, 0]),
    sigma: Float64Array.from([ANYWHERE_MM, ANYWHERE_MM, ANYWHERE_MM, sizeSigma, sizeSigma, sizeSigma, TURNED]),
    anywhere: [0, 1, 2],
    dims: 2,
    radiusMm: 0,
    seeds,
    limits: ([s]) => [Math.floor(s), Math.floor(s) + FACE, 0, 1],
    at,
    pieces: (q) => {
      const corner = (bits: number): Vec3 => {
        const out = Float64Array.from([0, 1, 2], (axis) => (bits & (1 << axis) ? 1 : -1) * q[3 + axis]!);
        turn(q, out);
        return [out[0]!, out[1]!, out[2]!];
      };
      return TRIANGLES.map((triangle) => triangle.map(corner));
    },
  };
}
