import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import { axleOf, CORNERS_OF, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { SetupDescription } from '@/core/2-vehicle/setup/setup';
import { startingSetup } from '../stores/starting-setup';

type Fields = Record<string, unknown>;

/**
 * Puts what changed between two setups of a corner into a file: into the exceptions of its axle where the corner has one
 * for that field, else into the common setup. What was typed for a changed field is let go.
 */
export function trySetup(file: LowgapFile, corner: CornerKey, before: SetupDescription, after: SetupDescription): void {
  const setup: LowgapSetup = (file.setup ??= startingSetup(file));
  const own = (key: CornerKey): Fields | undefined => setup.corners?.[key];
  for (const [field, value] of Object.entries(after)) {
    if (JSON.stringify(value) === JSON.stringify(before[field as keyof SetupDescription])) continue;
    const exceptions = CORNERS_OF[axleOf(corner)].flatMap((key) =>
      own(key)?.[field] !== undefined ? [own(key)!] : [],
    );
    const targets: Fields[] = own(corner)?.[field] !== undefined ? exceptions : [setup];
    for (const target of targets) {
      target[field] = structuredClone(value);
      const typed = target['typed'] as Record<string, string> | undefined;
      if (typed) target['typed'] = Object.fromEntries(Object.entries(typed).filter(([key]) => !key.startsWith(field)));
    }
  }
}
