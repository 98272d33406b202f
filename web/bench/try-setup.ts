import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import type { CornerKey, SetupDescription } from '@/core/clearance/description';
import { startingSetup } from './starting-setup';

/**
 * Puts what changed between two setups of a corner into a file: into the corner's own exceptions where it has one for
 * that field, else into the common setup. What was typed for a changed field is let go.
 */
export function trySetup(file: LowgapFile, corner: CornerKey, before: SetupDescription, after: SetupDescription): void {
  const setup: LowgapSetup = (file.setup ??= startingSetup(file));
  const own = setup.corners?.[corner] as Record<string, unknown> | undefined;
  for (const [key, value] of Object.entries(after)) {
    if (JSON.stringify(value) === JSON.stringify(before[key as keyof SetupDescription])) continue;
    const target = own?.[key] !== undefined ? own : (setup as Record<string, unknown>);
    target[key] = structuredClone(value);
    const typed = target['typed'] as Record<string, string> | undefined;
    if (typed) target['typed'] = Object.fromEntries(Object.entries(typed).filter(([field]) => !field.startsWith(key)));
  }
}
