import { asCase } from '@/contracts/as-case';
import { formatMm } from '@/core/1-base/units/length';
import { bodyRiseMm } from '@/core/2-vehicle/setup/setup';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the stance: the rise or drop that is largest. */
export function stanceState({ document: file, corners }: JobStore): string {
  const lifts = file?.setup ? corners.map((key) => bodyRiseMm(setupForCorner(asCase(file), key))) : [];
  const [least, most] = [Math.min(0, ...lifts), Math.max(0, ...lifts)];
  const said = most > -least ? most : least;
  return said === 0 ? 'as it stands' : `${said > 0 ? '+' : ''}${formatMm(said, 0)} mm`;
}
