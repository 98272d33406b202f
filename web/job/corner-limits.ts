import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { setupForCorner, type CornerKey } from '@/core/clearance/description';
import { travelLimits, type TravelLimits } from '@/core/clearance/envelope';
import { attempt } from '@/core/problem';
import { withPartsCounted } from '@/core/stance/lift-part';

/** Stops and parked height of a corner under the document's setup; null where they cannot be. */
export function cornerLimits(file: LowgapFile | null, key: CornerKey): TravelLimits | null {
  const corner = file?.corners[key];
  if (!file || !corner) return null;
  const found = attempt(() => travelLimits(corner, withPartsCounted(setupForCorner(asCase(file), key))));
  return found.ok ? found.value : null;
}
