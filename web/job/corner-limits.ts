import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { travelLimits, type TravelLimits } from '@/core/4-clearance/envelope/envelope';
import { attempt } from '@/core/1-base/problem';

/** Stops and parked height of a corner under the document's setup; null where they cannot be. */
export function cornerLimits(file: LowgapFile | null, key: CornerKey): TravelLimits | null {
  const corner = file?.corners[key];
  if (!file || !corner) return null;
  const found = attempt(() => travelLimits(corner, setupForCorner(asCase(file), key)));
  return found.ok ? found.value : null;
}
