import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { otherLimits, otherRange } from '@/core/2-vehicle/motion/axle-stops';
import { fittedSetup } from '@/core/2-vehicle/setup/setup';
import { travelLimits } from '@/core/4-clearance/envelope/envelope';
import { attempt } from '@/core/1-base/problem';
import { bothUnits } from '@/core/1-base/units/length';

/** What a beam axle reaches with both wheels together and with one alone, from ride height; '' where each wheel is stopped for itself. */
export function flexWords(file: LowgapFile, key: CornerKey): string {
  const corner = asCase(file).corners[key];
  if (!corner) return '';
  const found = attempt(() => travelLimits(corner, fittedSetup(corner.fitted)));
  if (!found.ok || !found.value.stops) return '';
  const limits = found.value;
  const other = (here: number): number => otherRange(otherLimits(limits.stops, limits), here).low;
  const height = (mm: number): string => `${bothUnits(Math.abs(mm))} ${mm < 0 ? 'down' : 'up'}`;
  return `Both wheels together reach ${height(limits.bump)} and ${height(limits.droop)}. One wheel alone reaches ${height(limits.highest)}, the other ${height(other(limits.highest))}; and ${height(limits.lowest)}, the other ${height(other(limits.lowest))}.`;
}
