import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the installation. */
export function installState({ document }: JobStore): string {
  const steps = document?.install?.steps ?? [];
  return steps.length ? `${steps.filter(({ doneAt }) => doneAt).length} of ${steps.length}` : 'no sheet';
}
