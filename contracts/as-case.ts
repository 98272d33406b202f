import type { CaseDescription } from '@/core/4-clearance/case/case-description';
import { cornerAsCut } from './cut-edges';
import type { LowgapFile } from './lowgap-file';

/**
 * The file holds all the engine takes; this fails to compile when the two shapes drift apart. Heights read to a lip that was cut since are
 * counted to it as it is. On its own, so that workers do not load the schemas.
 */
export function asCase(file: LowgapFile): CaseDescription {
  const changed = Object.entries(file.corners).flatMap(([key, corner]) => {
    const asCut = corner && cornerAsCut(corner);
    return asCut === corner ? [] : [[key, asCut]];
  });
  return changed.length === 0 ? file : { ...file, corners: { ...file.corners, ...Object.fromEntries(changed) } };
}
