import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedSetup, type Setup } from '../../2-vehicle/setup/setup';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner } from '../../4-clearance/case/described-corner';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { compose, place, rotate, rotationY, turn } from '../../1-base/geometry/pose';
import { subtract, type Vec3 } from '../../1-base/geometry/vec3';
import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import { attempt } from '../../1-base/problem';
import { atPlaces, type BeforeAndAfter } from '../../4-clearance/case/travel-places';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import { halfShaftAt, type HalfShaft, type HalfShaftState } from './half-shaft';
import { driveshaftAt, type Driveshaft, type DriveshaftState } from './driveshaft';

/**
 * A beam axle's driveshaft at both ends of its travel, both wheels alike: how far the axle hangs, what its links move it fore and aft and
 * turn its pinion; the pinion's joint goes with the axle, which turns about its hubs. An axle shift of the setup and a drop of the linkage count. @throws ProblemError as `travelLimits`.
 */
export function driveshaftReport(
  description: CaseDescription,
  key: CornerKey,
  shaft: Driveshaft,
): BeforeAndAfter<DriveshaftState> {
  return atPlaces(description, key, (motion, travel, setup) => shaftOn(motion, travel, setup, shaft));
}

/** The same with the setup at one height. @throws ProblemError where the linkage does not reach it. */
export function driveshaftWithSetup(
  description: CaseDescription,
  key: CornerKey,
  shaft: Driveshaft,
  travelMm: number,
): DriveshaftState {
  const setup = setupForCorner(description, key);
  const motion = motionUnder(key, describedCorner(description, key), setup);
  return shaftOn(motion, travelMm, setup, shaft);
}

function shaftOn(
  motion: CornerMotion,
  travel: number,
  { linkageDropMm, casterChangeDeg }: Pick<Setup, 'linkageDropMm' | 'casterChangeDeg'>,
  shaft: Driveshaft,
): DriveshaftState {
  // Caster given to a beam axle by arms or tapered blocks turns its pinion too.
  const axle = compose(motion.mountPose('axle', { travel, steer: 0 }), turn(rotationY(-toRadians(casterChangeDeg))));
  // The rear axle's pinion looks forward, the front one's back.
  const ahead = shaft.axle === 'rear' ? 1 : -1;
  const nose = rotate(axle.rotation, [ahead, 0, 0]);
  const joint: Vec3 = [ahead * (shaft.pinionReachMm ?? 0), 0, shaft.pinionRiseMm ?? 0];
  const [x, , z] = subtract(place(axle, joint), joint);
  return driveshaftAt(shaft, {
    droppedMm: -z + linkageDropMm,
    forwardMm: x,
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

/** A half shaft's joints at a travel, degrees. */
export interface ShaftAngles {
  readonly travelMm: number;
  readonly outerDeg: number;
  readonly innerDeg: number;
}

/** As fitted, and with the setup and the differential lowered. */
export interface HalfShaftCurves {
  readonly before: readonly ShaftAngles[];
  readonly after: readonly ShaftAngles[];
}

/** The joints at each of the travels asked for; where the linkage or the shaft does not reach, left out. */
export function halfShaftCurves(
  description: CaseDescription,
  key: CornerKey,
  shaft: HalfShaft,
  dropMm: number,
  travels: { readonly before: readonly number[]; readonly after: readonly number[] },
): HalfShaftCurves {
  const corner = describedCorner(description, key);
  const along = (setup: Setup, down: number, at: readonly number[]): ShaftAngles[] => {
    const motion = motionUnder(key, corner, setup);
    return at.flatMap((travelMm) => {
      const state = attempt(() => halfShaftAt(motion, shaft, { travel: travelMm, steer: 0 }, down));
      return state.ok ? [{ travelMm, outerDeg: state.value.outerDeg, innerDeg: state.value.innerDeg }] : [];
    });
  };
  return {
    before: along(fittedSetup(corner.fitted), 0, travels.before),
    after: along(setupForCorner(description, key), dropMm, travels.after),
  };
}
