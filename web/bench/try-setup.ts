import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import { CORNER_KEYS, type CornerKey, type SetupDescription } from '@/core/clearance/description';
import { startingSetup } from './starting-setup';

type Fields = Record<string, unknown>;

/** Both corners of an axle. */
export const axleOf = (corner: CornerKey): CornerKey[] => {
  const end = corner.startsWith('front') ? 'front' : 'rear';
  return CORNER_KEYS.filter((key) => key.startsWith(end));
};

/**
 * Puts what changed between two setups of a corner into a file: into the exceptions of its axle where the corner has one
 * for that field, else into the common setup. What was typed for a changed field is let go.
 */
export function trySetup(file: LowgapFile, corner: CornerKey, before: SetupDescription, after: SetupDescription): void {
  const setup: LowgapSetup = (file.setup ??= startingSetup(file));
  const own = (key: CornerKey): Fields | undefined => setup.corners?.[key];
  for (const [field, value] of Object.entries(after)) {
    if (JSON.stringify(value) === JSON.stringify(before[field as keyof SetupDescription])) continue;
    const exceptions = axleOf(corner).flatMap((key) => (own(key)?.[field] !== undefined ? [own(key)!] : []));
    const targets: Fields[] = own(corner)?.[field] !== undefined ? exceptions : [setup];
    for (const target of targets) {
      target[field] = structuredClone(value);
      const typed = target['typed'] as Record<string, string> | undefined;
      if (typed) target['typed'] = Object.fromEntries(Object.entries(typed).filter(([key]) => !key.startsWith(field)));
    }
  }
}
