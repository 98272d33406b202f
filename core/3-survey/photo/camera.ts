import {
  multiply,
  rotate,
  rotationX,
  rotationY,
  rotationZ,
  transpose,
  type Rotation,
} from '../../1-base/geometry/pose';
import { normalize, type Vec3 } from '../../1-base/geometry/vec3';

/** A pinhole camera with a lens that bends outward or inward, standing before a wheel. Pixels from the upper left, y down. */
export interface Camera {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Wheel frame to the camera's: x right, y down, z into the picture. */
  readonly rotation: Rotation;
  /** Where the wheel frame's `about` stands in the camera's frame, mm. */
  readonly at: Vec3;
  readonly about: Vec3;
  readonly focalPx: number;
  /** Share by which a place at the picture's corner is further out than without a lens (radial, first term). */
  readonly bend: number;
  /** Seen on the vehicle's right, where the frame is mirrored. */
  readonly mirrored: boolean;
}

/** A place of the picture, pixels. */
export type Pixel = readonly [x: number, y: number];

/** A straight line of sight, wheel frame: from the camera, unit direction. */
export interface Ray {
  readonly from: Vec3;
  readonly along: Vec3;
}

/** Square to the wheel on the vehicle's left: picture's right = rearward, down = down, into it = inboard. */
const SQUARE: Rotation = [-1, 0, 0, 0, 0, -1, 0, -1, 0];

/** Turned from square by angles (rad) about the camera's own axes: x, then y, then z. */
export const turnedFromSquare = (aboutX: number, aboutY: number, aboutZ: number): Rotation =>
  multiply(multiply(rotationZ(aboutZ), multiply(rotationY(aboutY), rotationX(aboutX))), SQUARE);

const halfDiagonal = ({ widthPx, heightPx }: Camera): number => Math.hypot(widthPx, heightPx) / 2;

/** Where a place (wheel frame, mm) is seen; null behind the camera. */
export function seenAt(camera: Camera, [x, y, z]: Vec3): Pixel | null {
  const { about, rotation, at, focalPx, bend, mirrored, widthPx, heightPx } = camera;
  const turned = rotate(rotation, [x - about[0], y - about[1], z - about[2]]);
  const depth = turned[2] + at[2];
  if (!(depth > 0)) return null;
  const u = (turned[0] + at[0]) / depth;
  const v = (turned[1] + at[1]) / depth;
  const k = focalPx * (1 + bend * ((focalPx * Math.hypot(u, v)) / halfDiagonal(camera)) ** 2);
  return [widthPx / 2 + (mirrored ? -1 : 1) * k * u, heightPx / 2 + k * v];
}

/** Rounds in which the lens is undone; each brings at least two more digits for the lenses allowed. */
const ROUNDS = 6;

/** The line of sight of a place of the picture, wheel frame. */
export function rayOf(camera: Camera, [px, py]: Pixel): Ray {
  const { about, rotation, at, focalPx, bend, mirrored, widthPx, heightPx } = camera;
  const bentX = ((mirrored ? -1 : 1) * (px - widthPx / 2)) / focalPx;
  const bentY = (py - heightPx / 2) / focalPx;
  let k = 1;
  for (let round = 0; round < ROUNDS; round++) {
    k = 1 + bend * ((focalPx * Math.hypot(bentX / k, bentY / k)) / halfDiagonal(camera)) ** 2;
  }
  const back = transpose(rotation);
  const [x, y, z] = rotate(back, at);
  return {
    from: [about[0] - x, about[1] - y, about[2] - z],
    along: normalize(rotate(back, [bentX / k, bentY / k, 1])),
  };
}

/** Where a line of sight meets the plane y = `lateralMm`, and how far from the camera, mm; null where it runs along it or away. */
export function onPlane(
  { from, along }: Ray,
  lateralMm: number,
): { readonly at: Vec3; readonly awayMm: number } | null {
  const awayMm = (lateralMm - from[1]) / along[1];
  if (!(awayMm > 0) || !Number.isFinite(awayMm)) return null;
  return { at: [from[0] + along[0] * awayMm, lateralMm, from[2] + along[2] * awayMm], awayMm };
}
