import type { Vec3 } from '../../1-base/geometry/vec3';
import { chain } from '../shape/shape';
import type { EdgeForm, EdgeKind, RodRun } from '../description/edge-kind';

/**
 * A family of edges: `count` numbers say which one it is, `dims` numbers where on it a place is. Prior means and standard
 * deviations say what edges of the kind usually look like; working values of this project, no published source.
 */
export interface EdgeModel {
  readonly mean: Float64Array;
  readonly sigma: Float64Array;
  /** Which of the numbers say where it is as a whole. */
  readonly anywhere: readonly number[];
  readonly dims: 0 | 1 | 2;
  /** mm from the middle line to the surface. */
  readonly radiusMm: number;
  /** Places to start a search for the nearest from, `dims` numbers each; spread over the whole edge. */
  readonly seeds: readonly (readonly [number, number])[];
  /** Limits of the place's numbers around a seed: it stays on the seed's own stretch or face. */
  limits(seed: readonly [number, number]): readonly [lowS: number, highS: number, lowT: number, highT: number];
  /** The place (mount's frame, mm) into `out`. */
  at(q: Float64Array, s: number, t: number, out: Float64Array): void;
  /** The fitted edge as straight pieces (mount's frame, mm). */
  pieces(q: Float64Array): (readonly Vec3[])[];
}

/** mm by which nobody knows beforehand where a thing is. */
const ANYWHERE_MM = 250;

/** mm by which an edge goes on beyond the outermost places it was read at. */
const BEYOND_MM = 45;

/** rad between the places an edge round the wheel is followed by. */
const ARC_STEP = (3 * Math.PI) / 180;

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/** The family of a kind near the places where its readings land one by one (mount's frame, mm; at least one). */
export function edgeModel(kind: EdgeKind, landed: readonly Vec3[], form: EdgeForm): EdgeModel {
  switch (kind) {
    case 'arch':
      return polarModel(landed, ARCH);
    case 'cornerCurve':
      return polarModel(landed, CORNER_CURVE);
    case 'uprightEdge':
      return straightModel(landed, 'upright', 0, [35, 35]);
    case 'rod':
      return straightModel(landed, form.runs ?? 'across', (form.rodDiameterMm ?? 25) / 2, [30, 30]);
    case 'box':
      return boxModel(landed, form.boxMm ?? [80, 80, 80], form.boxMm ? 3 : 15);
    case 'tip':
      return tipModel(landed, (form.rodDiameterMm ?? 0) / 2);
  }
}

/** The place of an edge at its numbers (mount's frame, mm). */
export function edgePlace({ at }: Pick<EdgeModel, 'at'>, q: Float64Array, [s, t]: readonly [number, number]): Vec3 {
  const out = new Float64Array(3);
  at(q, s, t, out);
  return [out[0]!, out[1]!, out[2]!];
}

interface PolarBasis {
  /** Functions of the angle from the middle of the edge (rad), of the radius and of y; the first is 1. */
  readonly radius: readonly ((turn: number) => number)[];
  readonly lateral: readonly ((turn: number) => number)[];
  /** mm, of the others than the first. */
  readonly radiusSigma: readonly number[];
  readonly lateralSigma: readonly number[];
}

const { cos, sin } = Math;

const ARCH: PolarBasis = {
  radius: [() => 1, (u) => cos(u) - 1, sin, (u) => cos(2 * u) - 1, (u) => sin(2 * u)],
  lateral: [() => 1, (u) => cos(u) - 1, sin],
  radiusSigma: [60, 60, 15, 15],
  lateralSigma: [40, 40],
};

/** Quadratic in the angle, per 15 degrees. */
const PER = (15 * Math.PI) / 180;
const CORNER_CURVE: PolarBasis = {
  radius: [() => 1, (u) => u / PER, (u) => (u / PER) ** 2],
  lateral: [() => 1, (u) => u / PER, (u) => (u / PER) ** 2],
  radiusSigma: [30, 10],
  lateralSigma: [60, 20],
};

/** An edge round the hub's line (parallel to y through the origin): radius and y as functions of the angle. */
function polarModel(landed: readonly Vec3[], basis: PolarBasis): EdgeModel {
  const towards = Math.atan2(mean(landed.map(([x]) => x)), mean(landed.map(([, , z]) => z)));
  const turns = landed.map(([x, , z]) => {
    const turn = Math.atan2(x, z) - towards;
    return Math.atan2(sin(turn), cos(turn));
  });
  const radius = mean(landed.map(([x, , z]) => Math.hypot(x, z)));
  const nr = basis.radius.length;
  const beyond = BEYOND_MM / radius;
  const from = Math.min(...turns) - beyond;
  const to = Math.max(...turns) + beyond;
  const count = Math.max(2, Math.ceil((to - from) / ARC_STEP));
  const seeds = Array.from({ length: count + 1 }, (_, i) => [from + ((to - from) * i) / count, 0] as const);
  const at: EdgeModel['at'] = (q, u, _t, out) => {
    let r = 0;
    let y = 0;
    for (let k = 0; k < nr; k++) r += q[k]! * basis.radius[k]!(u);
    for (let k = 0; k < basis.lateral.length; k++) y += q[nr + k]! * basis.lateral[k]!(u);
    out[0] = r * sin(towards + u);
    out[1] = y;
    out[2] = r * cos(towards + u);
  };
  return {
    mean: Float64Array.from([
      radius,
      ...basis.radiusSigma.map(() => 0),
      mean(landed.map(([, y]) => y)),
      ...basis.lateralSigma.map(() => 0),
    ]),
    sigma: Float64Array.from([ANYWHERE_MM, ...basis.radiusSigma, ANYWHERE_MM, ...basis.lateralSigma]),
    anywhere: [0, nr],
    dims: 1,
    radiusMm: 0,
    seeds,
    limits: () => [from, to, 0, 0],
    at,
    pieces: (q) => chain(seeds.map((seed) => edgePlace({ at }, q, seed))),
  };
}

const AXIS: Readonly<Record<RodRun, number>> = { foreAft: 0, across: 1, upright: 2 };

/** A straight edge or bar: along its main axis, the two other coordinates change evenly. `lean`: mm per 100 mm. */
function straightModel(
  landed: readonly Vec3[],
  runs: RodRun,
  radiusMm: number,
  lean: readonly [number, number],
): EdgeModel {
  const main = AXIS[runs];
  const [first, second] = [0, 1, 2].filter((axis) => axis !== main) as [number, number];
  const along = landed.map((point) => point[main]!);
  const middle = mean(along);
  const from = Math.min(...along) - BEYOND_MM;
  const to = Math.max(...along) + BEYOND_MM;
  const count = Math.max(2, Math.ceil((to - from) / 20));
  const seeds = Array.from({ length: count + 1 }, (_, i) => [from + ((to - from) * i) / count, 0] as const);
  const at: EdgeModel['at'] = (q, s, _t, out) => {
    const t = (s - middle) / 100;
    out[main] = s;
    out[first] = q[0]! + q[1]! * t;
    out[second] = q[2]! + q[3]! * t;
  };
  const ends = [
    [from, 0],
    [to, 0],
  ] as const;
  return {
    mean: Float64Array.from([mean(landed.map((p) => p[first]!)), 0, mean(landed.map((p) => p[second]!)), 0]),
    sigma: Float64Array.from([ANYWHERE_MM, lean[0], ANYWHERE_MM, lean[1]]),
    anywhere: [0, 2],
    dims: 1,
    radiusMm,
    seeds,
    limits: () => [from, to, 0, 0],
    at,
    pieces: (q) => chain(ends.map((end) => edgePlace({ at }, q, end))),
  };
}

/** Two triangles of each face, as indices of the eight corners (bit 0: x, bit 1: y, bit 2: z). */
const BOX_TRIANGLES = [
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

/** A block with faces along the axes: middle and half sizes. A place: face and share across it, share along it. */
function boxModel(landed: readonly Vec3[], size: readonly [number, number, number], sizeSigma: number): EdgeModel {
  const half = size.map((mm) => mm / 2);
  const near = [0, 1, 2].map((axis) => mean(landed.map((point) => point[axis]!)));
  const away = Math.hypot(near[0]!, near[2]!);
  // The readings land on the sides that look at the tire; the middle lies behind them.
  const middle = [
    near[0]! + (half[0]! * near[0]!) / away,
    near[1]! - (near[1]! < -60 ? half[1]! : 0),
    near[2]! + (half[2]! * near[2]!) / away,
  ];
  const at: EdgeModel['at'] = (q, s, t, out) => {
    const face = Math.min(5, Math.floor(s));
    const axis = face >> 1;
    const across = s - face;
    const b = (axis + 1) % 3;
    const c = (axis + 2) % 3;
    out[axis] = q[axis]! + (face & 1 ? 1 : -1) * q[3 + axis]!;
    out[b] = q[b]! + (2 * Math.min(1, across / FACE) - 1) * q[3 + b]!;
    out[c] = q[c]! + (2 * t - 1) * q[3 + c]!;
  };
  const grid = [0, 0.25, 0.5, 0.75, 1];
  const seeds = [0, 1, 2, 3, 4, 5].flatMap((face) =>
    grid.flatMap((s) => grid.map((t) => [face + FACE * s, t] as const)),
  );
  return {
    mean: Float64Array.from([...middle, ...half]),
    sigma: Float64Array.from([ANYWHERE_MM, ANYWHERE_MM, ANYWHERE_MM, sizeSigma, sizeSigma, sizeSigma]),
    anywhere: [0, 1, 2],
    dims: 2,
    radiusMm: 0,
    seeds,
    limits: ([s]) => [Math.floor(s), Math.floor(s) + FACE, 0, 1],
    at,
    pieces: (q) => {
      const corner = (bits: number): Vec3 => {
        const [x, y, z] = [0, 1, 2].map((axis) => q[axis]! + (bits & (1 << axis) ? 1 : -1) * q[3 + axis]!);
        return [x!, y!, z!];
      };
      return BOX_TRIANGLES.map((triangle) => triangle.map(corner));
    },
  };
}

/** The part of a whole number that a face's share across takes, so that 1 does not become the next face. */
const FACE = 0.999;

function tipModel(landed: readonly Vec3[], radiusMm: number): EdgeModel {
  const at: EdgeModel['at'] = (q, _s, _t, out) => {
    for (let k = 0; k < 3; k++) out[k] = q[k]!;
  };
  return {
    mean: Float64Array.from([0, 1, 2].map((axis) => mean(landed.map((point) => point[axis]!)))),
    sigma: Float64Array.from([ANYWHERE_MM, ANYWHERE_MM, ANYWHERE_MM]),
    anywhere: [0, 1, 2],
    dims: 0,
    radiusMm,
    seeds: [[0, 0]],
    limits: () => [0, 0, 0, 0],
    at,
    pieces: (q) => [[[q[0]!, q[1]!, q[2]!]]],
  };
}
