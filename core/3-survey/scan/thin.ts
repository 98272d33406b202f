import type { ScanPoints } from './scan-unit';

export interface Thinned {
  readonly points: ScanPoints;
  /** Side of the cubes of which few points were kept, mm. */
  readonly cubeMm: number;
}

/** Directions in the plane of axle line and radius in which the foremost point of a cube is kept. */
const DIRECTIONS = 8;

/**
 * Of every small cube the points that are foremost toward the wheel, seen in eight directions in the plane of axle line
 * (parallel to y through the hub) and radius: whichever way a tire comes near, one of them is the nearest of the cube or
 * within a fraction of the cube of it. Cubes are doubled until no more than `most` points are left; the foremost of a
 * cube are among those of its eighths, so each round goes on from the last. Corner frame, mm.
 */
export function thinScan(points: ScanPoints, most: number, cubeMm = 2): Thinned {
  let kept = foremost(points, cubeMm);
  let cube = cubeMm;
  while (kept.length > 3 * most) {
    cube *= 2;
    kept = foremost(kept, cube);
  }
  return { points: kept, cubeMm: cube };
}

/** Cubes a side of the space that a scan may fill, either way from the hub. */
const CUBES = 1 << 16;

const COSINES = Float64Array.from({ length: DIRECTIONS }, (_, k) => Math.cos((2 * Math.PI * k) / DIRECTIONS));
const SINES = Float64Array.from({ length: DIRECTIONS }, (_, k) => Math.sin((2 * Math.PI * k) / DIRECTIONS));

function foremost(points: ScanPoints, cube: number): ScanPoints {
  const count = points.length / 3;
  // By cube its number; by its number and direction the point foremost in it, and how far it is.
  const numbers = new Map<number, number>();
  const best = new Int32Array(count * DIRECTIONS);
  const least = new Float64Array(count * DIRECTIONS).fill(Infinity);
  const along = (v: number): number => (Math.floor(v / cube) + CUBES / 2) % CUBES;
  for (let i = 0; i < count; i++) {
    const x = points[3 * i]!;
    const y = points[3 * i + 1]!;
    const z = points[3 * i + 2]!;
    const key = (along(x) * CUBES + along(y)) * CUBES + along(z);
    let number = numbers.get(key);
    if (number === undefined) numbers.set(key, (number = numbers.size));
    const r = Math.sqrt(x * x + z * z);
    const at = number * DIRECTIONS;
    for (let k = 0; k < DIRECTIONS; k++) {
      const rank = COSINES[k]! * r + SINES[k]! * y;
      if (rank >= least[at + k]!) continue;
      least[at + k] = rank;
      best[at + k] = i;
    }
  }
  const isKept = new Uint8Array(count);
  for (let n = 0; n < numbers.size * DIRECTIONS; n++) isKept[best[n]!] = 1;
  let left = 0;
  for (let i = 0; i < count; i++) left += isKept[i]!;
  const kept = new Float64Array(3 * left);
  for (let i = 0, n = 0; i < count; i++) {
    if (isKept[i]) kept.set(points.subarray(3 * i, 3 * i + 3), 3 * n++);
  }
  return kept;
}
