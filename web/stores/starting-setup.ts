import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import { CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
import { fittedAsSetup } from '@/core/2-vehicle/setup/setup';

/** A setup to begin from: what the first described corner has on now. */
export function startingSetup(file: LowgapFile): LowgapSetup {
  const corner = CORNER_KEYS.flatMap((key) => file.corners[key] ?? [])[0];
  if (!corner) throw new RangeError('a job has at least one corner');
  const { tire, wheel, spacerMm } = structuredClone(corner.fitted);
  return { ...fittedAsSetup({ tire, wheel, spacerMm }), alignment: 'aligned' } as LowgapSetup;
}
