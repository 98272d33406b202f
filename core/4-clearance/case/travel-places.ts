import { setupForCorner, type CaseDescription } from './case-description';
import { fittedSetup, type Setup } from '../../2-vehicle/setup/setup';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner } from './described-corner';
import { travelLimits } from '../envelope/envelope';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import { attempt } from '../../1-base/problem';

/** Both ends of a corner's travel, and where it is parked. */
export const TRAVEL_PLACES = ['droop', 'ride', 'bump'] as const;
export type TravelPlace = (typeof TRAVEL_PLACES)[number];

/** A state at each place; null where it is not reached. */
export type ByPlace<State> = Readonly<Record<TravelPlace, State | null>>;

/** As fitted and with the setup. */
export interface BeforeAndAfter<State> {
  readonly before: ByPlace<State>;
  readonly after: ByPlace<State>;
}

/** What `work` says at each place, before and after. The setup it is given has its parts counted. @throws ProblemError as `travelLimits`. */
export function atPlaces<State>(
  description: CaseDescription,
  key: CornerKey,
  work: (motion: CornerMotion, travelMm: number, setup: Setup, isAfter: boolean) => State | null,
): BeforeAndAfter<State> {
  const corner = describedCorner(description, key);
  const under = (setup: Setup, isAfter: boolean): ByPlace<State> => {
    const limits = travelLimits(corner, setup);
    const motion = motionUnder(key, corner, setup);
    const at = (travel: number): State | null => {
      const found = attempt(() => work(motion, travel, setup, isAfter));
      return found.ok ? found.value : null;
    };
    return { droop: at(limits.droop), ride: at(limits.ride), bump: at(limits.bump) };
  };
  return {
    before: under(fittedSetup(corner.fitted), false),
    after: under(setupForCorner(description, key), true),
  };
}
