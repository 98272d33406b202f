import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Verdict } from '../case/standard';
import type { ObstacleVerdict } from './evaluate';

/** Of every corner of which anything is said, the part with the least margin. */
export function worstOfCorners(obstacles: readonly ObstacleVerdict[]): Map<CornerKey, ObstacleVerdict> {
  const found = new Map<CornerKey, ObstacleVerdict>();
  for (const one of obstacles) {
    const before = found.get(one.corner);
    if (!before || one.marginMm < before.marginMm) found.set(one.corner, one);
  }
  return found;
}

/** The verdict on each of them. */
export const cornerVerdicts = (worst: ReadonlyMap<CornerKey, ObstacleVerdict>): Partial<Record<CornerKey, Verdict>> =>
  Object.fromEntries([...worst].map(([key, { verdict }]) => [key, verdict]));
