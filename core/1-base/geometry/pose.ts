import { add, cross, dot, subtract, type Vec3 } from './vec3';

/** 3 x 3 rotation, row-major: `[r00, r01, r02, r10, ...]`, column vectors. */
export type Rotation = readonly [number, number, number, number, number, number, number, number, number];

/** A rigid placement: `outer = rotation * inner + origin`. Origin in mm. */
export interface Pose {
  readonly rotation: Rotation;
  readonly origin: Vec3;
}

export const IDENTITY_ROTATION: Rotation = [1, 0, 0, 0, 1, 0, 0, 0, 1];

/** Rotation about fixed x by `angle` (rad): takes y toward z. */
export function rotationX(angle: number): Rotation {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  return [1, 0, 0, 0, c, -s, 0, s, c];
}

/** Rotation about fixed y by `angle` (rad): takes z toward x. */
export function rotationY(angle: number): Rotation {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  return [c, 0, s, 0, 1, 0, -s, 0, c];
}

/** Rotation about fixed z by `angle` (rad): takes x toward y. */
export function rotationZ(angle: number): Rotation {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  return [c, -s, 0, s, c, 0, 0, 0, 1];
}

/** Right-handed rotation about the unit vector `axis` by `angle` (rad). Rodrigues' rotation formula. */
export function rotationAbout(axis: Vec3, angle: number): Rotation {
  const [x, y, z] = axis;
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  const k = 1 - c;
  return [
    c + x * x * k,
    x * y * k - z * s,
    x * z * k + y * s,
    y * x * k + z * s,
    c + y * y * k,
    y * z * k - x * s,
    z * x * k - y * s,
    z * y * k + x * s,
    c + z * z * k,
  ];
}

/** Least rotation that takes unit vector `from` to unit vector `to`; they must not be opposite. */
export function rotationBetween(from: Vec3, to: Vec3): Rotation {
  const [x, y, z] = cross(from, to);
  const k = 1 / (1 + dot(from, to));
  return [
    1 - k * (y * y + z * z),
    k * x * y - z,
    k * x * z + y,
    k * x * y + z,
    1 - k * (x * x + z * z),
    k * y * z - x,
    k * x * z - y,
    k * y * z + x,
    1 - k * (x * x + y * y),
  ];
}

export function multiply(a: Rotation, b: Rotation): Rotation {
  return [
    a[0] * b[0] + a[1] * b[3] + a[2] * b[6],
    a[0] * b[1] + a[1] * b[4] + a[2] * b[7],
    a[0] * b[2] + a[1] * b[5] + a[2] * b[8],
    a[3] * b[0] + a[4] * b[3] + a[5] * b[6],
    a[3] * b[1] + a[4] * b[4] + a[5] * b[7],
    a[3] * b[2] + a[4] * b[5] + a[5] * b[8],
    a[6] * b[0] + a[7] * b[3] + a[8] * b[6],
    a[6] * b[1] + a[7] * b[4] + a[8] * b[7],
    a[6] * b[2] + a[7] * b[5] + a[8] * b[8],
  ];
}

export const rotate = (r: Rotation, v: Vec3): Vec3 => [
  r[0] * v[0] + r[1] * v[1] + r[2] * v[2],
  r[3] * v[0] + r[4] * v[1] + r[5] * v[2],
  r[6] * v[0] + r[7] * v[1] + r[8] * v[2],
];

export const transpose = (r: Rotation): Rotation => [r[0], r[3], r[6], r[1], r[4], r[7], r[2], r[5], r[8]];

/** Inner point to outer point. */
export const place = (pose: Pose, inner: Vec3): Vec3 => add(rotate(pose.rotation, inner), pose.origin);

/** Outer point to inner point: the inverse of `place`. */
export function unplace(pose: Pose, outer: Vec3): Vec3 {
  const d = subtract(outer, pose.origin);
  const r = pose.rotation;
  return [dot([r[0], r[3], r[6]], d), dot([r[1], r[4], r[7]], d), dot([r[2], r[5], r[8]], d)];
}

/** Outer to inner: undoes `pose`. */
export function inverse({ rotation, origin }: Pose): Pose {
  const back = transpose(rotation);
  const [x, y, z] = rotate(back, origin);
  return { rotation: back, origin: [-x, -y, -z] };
}

/** First `inner`, then `outer`: `place(compose(outer, inner), p) = place(outer, place(inner, p))`. */
export const compose = (outer: Pose, inner: Pose): Pose => ({
  rotation: multiply(outer.rotation, inner.rotation),
  origin: place(outer, inner.origin),
});

export const translation = (origin: Vec3): Pose => ({ rotation: IDENTITY_ROTATION, origin });

export const turn = (rotation: Rotation): Pose => ({ rotation, origin: [0, 0, 0] });

/** Rotation of everything about the line through `point` (mm) along unit `axis` by `angle` (rad). */
export function turnAboutLine(point: Vec3, axis: Vec3, angle: number): Pose {
  const rotation = rotationAbout(axis, angle);
  return { rotation, origin: subtract(point, rotate(rotation, point)) };
}

/** 4 x 4 homogeneous matrix, four rows, column vectors, mm. */
export function toMatrix4(pose: Pose): number[][] {
  const r = pose.rotation;
  const o = pose.origin;
  return [
    [r[0], r[1], r[2], o[0]],
    [r[3], r[4], r[5], o[1]],
    [r[6], r[7], r[8], o[2]],
    [0, 0, 0, 1],
  ];
}
