import type { ObstacleDescription } from '../description/obstacle-description';
import { place, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { Mount } from '../../2-vehicle/motion/mount';
import type { Material } from '../shape/material';
import { joinPath, ProblemError } from '../../1-base/problem';
import { MM_PER_UNIT, type ScanPoints, type ScanUnit } from './scan-unit';
import { thinScan } from './thin';

/** A part of a scan: everything in a box of the corner frame (mm) that no earlier part took. */
export interface ScanPart {
  readonly id: string;
  readonly label?: string | undefined;
  readonly mount: Mount;
  readonly material: Material;
  readonly min: Vec3;
  readonly max: Vec3;
}

export interface PartedScan {
  readonly obstacles: readonly ObstacleDescription[];
  /** Points in no part: the fitted tire, the floor, what nobody named. */
  readonly leftOver: number;
  /** Largest cube of which few points were kept, mm. */
  readonly cubeMm: number;
}

/** Points an obstacle may keep. */
const MOST_POINTS = 100_000;

/** Moves a scan into the corner frame: to mm, then by the alignment. */
export function placeScan(points: ScanPoints, unit: ScanUnit, pose: Pose): ScanPoints {
  const mm = MM_PER_UNIT[unit];
  const placed = new Float64Array(points.length);
  for (let i = 0; i < points.length; i += 3) {
    placed.set(place(pose, [points[i]! * mm, points[i + 1]! * mm, points[i + 2]! * mm]), i);
  }
  return placed;
}

/** @throws ProblemError for a part without a single point: it names which. */
export function partScan(points: ScanPoints, parts: readonly ScanPart[], path = 'parts'): PartedScan {
  const owner = new Int32Array(points.length / 3).fill(-1);
  const inside = (i: number, { min, max }: ScanPart): boolean =>
    [0, 1, 2].every((axis) => points[3 * i + axis]! >= min[axis]! && points[3 * i + axis]! <= max[axis]!);
  for (let i = 0; i < owner.length; i++) owner[i] = parts.findIndex((part) => inside(i, part));
  let cubeMm = 0;
  const obstacles = parts.map(({ min, max, ...part }, k): ObstacleDescription => {
    const mine = new Float64Array(points.filter((_, i) => owner[Math.floor(i / 3)] === k));
    if (mine.length === 0) {
      throw new ProblemError({
        code: 'missing',
        path: joinPath(path, k),
        expected: 'a box that holds points of the scan',
        found: `none from ${min.join(', ')} to ${max.join(', ')}`,
      });
    }
    const thinned = thinScan(mine, MOST_POINTS);
    cubeMm = Math.max(cubeMm, thinned.cubeMm);
    const kept = Array.from({ length: thinned.points.length / 3 }, (_, i): Vec3 => [
      thinned.points[3 * i]!,
      thinned.points[3 * i + 1]!,
      thinned.points[3 * i + 2]!,
    ]);
    return { ...part, shape: { type: 'scan', points: kept } };
  });
  return { obstacles, leftOver: owner.filter((k) => k < 0).length, cubeMm };
}
