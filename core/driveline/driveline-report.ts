import {
  fittedAsSetup,
  setupForCorner,
  type CaseDescription,
  type CornerKey,
  type SetupDescription,
} from '../clearance/description';
import { describedCorner } from '../clearance/described-corner';
import { travelLimits } from '../clearance/envelope';
import { motionUnder } from '../clearance/motion-under';
import { rotate } from '../geometry/pose';
import type { CornerMotion } from '../motion/corner-motion';
import { attempt } from '../problem';
import { withPartsCounted } from '../stance/lift-part';
import { toDegrees } from '../units/angle';
import { halfShaftAt, type HalfShaft, type HalfShaftState } from './half-shaft';
import { propshaftAt, type Propshaft, type PropshaftState } from './propshaft';

export const DRIVE_PLACES = ['droop', 'ride', 'bump'] as const;
export type DrivePlace = (typeof DRIVE_PLACES)[number];

/** A state at each end of the travel and parked; null where the linkage does not reach it. */
export type ByPlace<State> = Readonly<Record<DrivePlace, State | null>>;

/** As fitted and with the setup. */
export interface BeforeAndAfter<State> {
  readonly before: ByPlace<State>;
  readonly after: ByPlace<State>;
}

/**
 * A beam axle's propshaft at both ends of its travel, both wheels alike: how far the axle hangs, what its links move it fore and aft and
 * turn its pinion. An axle shift of the setup and a drop of the linkage count. @throws ProblemError as `travelLimits`.
 */
export function propshaftReport(
  description: CaseDescription,
  key: CornerKey,
  shaft: Propshaft,
): BeforeAndAfter<PropshaftState> {
  return atPlaces(description, key, (motion, travel, setup) => shaftOn(motion, travel, setup, shaft));
}

/** The same with the setup at one height. @throws ProblemError where the linkage does not reach it. */
export function propshaftWithSetup(
  description: CaseDescription,
  key: CornerKey,
  shaft: Propshaft,
  travelMm: number,
): PropshaftState {
  const setup = setupForCorner(description, key);
  const motion = motionUnder(key, describedCorner(description, key), setup);
  return shaftOn(motion, travelMm, withPartsCounted(setup), shaft);
}

function shaftOn(
  motion: CornerMotion,
  travel: number,
  { linkageDropMm }: Pick<SetupDescription, 'linkageDropMm'>,
  shaft: Propshaft,
): PropshaftState {
  const axle = motion.mountPose('axle', { travel, steer: 0 });
  // The rear axle's pinion looks forward, the front one's back.
  const nose = rotate(axle.rotation, [shaft.axle === 'rear' ? 1 : -1, 0, 0]);
  return propshaftAt(shaft, {
    droppedMm: -travel + linkageDropMm,
    forwardMm: axle.origin[0],
    pinionUpDeg: toDegrees(Math.asin(nose[2])),
  });
}

/** A half shaft at both ends of its corner's travel, straight ahead; `dropMm` lowers the differential with the setup. */
export const halfShaftReport = (
  description: CaseDescription,
  key: CornerKey,
  shaft: HalfShaft,
  dropMm = 0,
): BeforeAndAfter<HalfShaftState> =>
  atPlaces(description, key, (motion, travel, _, isAfter) =>
    halfShaftAt(motion, shaft, { travel, steer: 0 }, isAfter ? dropMm : 0),
  );

function atPlaces<State>(
  description: CaseDescription,
  key: CornerKey,
  work: (motion: CornerMotion, travel: number, setup: SetupDescription, isAfter: boolean) => State,
): BeforeAndAfter<State> {
  const corner = describedCorner(description, key);
  const under = (entered: SetupDescription, isAfter: boolean): ByPlace<State> => {
    const setup = withPartsCounted(entered);
    const limits = travelLimits(corner, setup);
    const motion = motionUnder(key, corner, entered);
    const at = (travel: number): State | null => {
      const found = attempt(() => work(motion, travel, setup, isAfter));
      return found.ok ? found.value : null;
    };
    return { droop: at(limits.droop), ride: at(limits.ride), bump: at(limits.bump) };
  };
  return {
    before: under(fittedAsSetup(corner.fitted), false),
    after: under(setupForCorner(description, key), true),
  };
}
