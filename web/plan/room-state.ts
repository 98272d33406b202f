import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the plan. */
export function planState({ document }: JobStore): string {
  const chosen = document?.plan?.chosen;
  if (!chosen) return 'not planned';
  const { front, rear, bodyLiftMm } = chosen.changes;
  const count =
    chosen.fixes.length + [...Object.values(front), ...Object.values(rear), bodyLiftMm].filter((mm) => mm !== 0).length;
  return `${count} change${count === 1 ? '' : 's'}`;
}
