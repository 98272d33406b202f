import same from 'fast-deep-equal';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { parseWith } from '@/contracts/parse';
import type { Problem } from '@/core/1-base/problem';

type Corners = LowgapFile['corners'];

/** Stands for an obstacle that was checked before: a scan's thousands of points are not read again at every key. */
const CHECKED = { id: 'checked', mount: 'frame', material: 'frame', readings: [] } as const;

/** What is wrong with a changed document, by field; only what differs from `before`, which was right, is looked at. */
export function checkChange(before: LowgapFile | null, after: LowgapFile): readonly Problem[] {
  const read = parseWith(lowgapFileSchema, before ? onlyChanged(before, after) : after);
  return read.ok ? [] : read.problems;
}

function onlyChanged(before: LowgapFile, after: LowgapFile): unknown {
  const changed = Object.entries(after).filter(
    ([key, value]) => NEEDED.includes(key) || !same(value, before[key as keyof LowgapFile]),
  );
  return { ...Object.fromEntries(changed), corners: changedCorners(before.corners, after.corners) };
}

/** Keys that every document has. */
const NEEDED = ['format', 'version', 'vehicle'];

function changedCorners(before: Corners, after: Corners): unknown {
  const changed = Object.entries(after).filter(([key, corner]) => corner !== before[key as keyof Corners]);
  return Object.fromEntries(
    changed.map(([key, corner]) => {
      const known = before[key as keyof Corners]?.obstacles ?? [];
      const obstacles = corner.obstacles.map((obstacle, i) => (same(obstacle, known[i]) ? CHECKED : obstacle));
      return [key, { ...corner, obstacles }];
    }),
  );
}
