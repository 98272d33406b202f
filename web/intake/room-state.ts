import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the intake. */
export function intakeState(job: JobStore): string {
  const { photos, ...told } = job.document?.intake ?? {};
  const count = Object.keys(told).filter((key) => key !== 'typed').length;
  if (count === 0 && !photos?.length) return 'not taken';
  return `${count} noted${photos?.length ? `, ${photos.length} photo${photos.length === 1 ? '' : 's'}` : ''}`;
}
