import { acrossFrom, type CornerKey } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { RESHAPES, type Modification } from './modification';
import type { PlanQuestion } from './plan-question';

/** Whether a change is made on both sides alike. */
export const isAlike = (kind: Modification, { sides }: Pick<PlanQuestion, 'sides'>): boolean =>
  sides === 'both' && RESHAPES.some((one) => one === kind);

/** The same thing on the other side of the axle, where it is surveyed. */
export const twinOf = (
  { corners }: CaseDescription,
  corner: CornerKey,
  obstacle: string,
): ObstacleDescription | undefined => corners[acrossFrom(corner)]?.obstacles.find(({ id }) => id === obstacle);

/** mm by which two parts may miss what they want from each other and still have it: what the search for their gap leaves open. */
export const PAIR_MM = 0.05;
