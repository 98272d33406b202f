/** A corner that starts from a well of the library, and what its check readings say. */
import type { LowgapCorner, LowgapObstacle, LowgapReading } from '@/contracts/lowgap-file';
import type { Well } from '@/contracts/well-api';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { attempt } from '@/core/1-base/problem';
import { BORROWED_TOLERANCE_MM, borrowWell } from '@/core/3-survey/well/borrow';
import { checkWell, type WellCheck } from '@/core/3-survey/well/check-well';

/** Obstacles of a well, marked as borrowed; empty where the well cannot be taken. */
export function borrowedObstacles(well: Well): LowgapObstacle[] {
  const borrowed = attempt(() => borrowWell(well.cornerKey, well.corner));
  if (!borrowed.ok) return [];
  return borrowed.value.map((obstacle) => ({
    ...(structuredClone(obstacle) as LowgapObstacle),
    borrowed: { from: well.title, checks: [] },
  }));
}

export const isBorrowed = (o: LowgapObstacle): boolean => o.borrowed !== undefined && !o.borrowed.settled;

/** What the check readings say so far; null where nothing is borrowed, or a reading cannot be. */
export function wellCheckOf(key: CornerKey, corner: LowgapCorner): WellCheck | null {
  const borrowed = corner.obstacles.filter(isBorrowed);
  if (borrowed.length === 0) return null;
  const checked = borrowed.map((obstacle) => ({ obstacle, checks: obstacle.borrowed!.checks }));
  const found = attempt(() => checkWell(key, corner, checked));
  return found.ok ? found.value : null;
}

export const withCheck = (o: LowgapObstacle, reading: LowgapReading): LowgapObstacle => ({
  ...o,
  borrowed: { ...o.borrowed!, checks: [...o.borrowed!.checks, reading] },
});

/** The corner with its borrowed obstacles accepted, moved by `shiftMm` where they are to be. */
export function settled(all: readonly LowgapObstacle[], shiftMm: readonly number[] = [0, 0, 0]): LowgapObstacle[] {
  return all.map((o) => {
    if (!isBorrowed(o) || !o.shape) return o;
    const points = o.shape.points.map((p) => p.map((v, k) => v + shiftMm[k]!) as [number, number, number]);
    return {
      ...o,
      shape: { ...o.shape, points } as LowgapObstacle['shape'],
      toleranceMm: BORROWED_TOLERANCE_MM.checked,
      borrowed: { ...o.borrowed!, settled: true },
    };
  });
}

export const withoutBorrowed = (all: readonly LowgapObstacle[]): LowgapObstacle[] => all.filter((o) => !isBorrowed(o));
