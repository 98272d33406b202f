import { motionUnder } from '../clearance/motion-under';
import type { CornerDescription, CornerKey, SetupDescription } from '../clearance/description';
import { prepareRotor } from '../clearance/rotor';
import { loadedRadiusMm } from '../tire/allowance';
import { wheelStandAt } from './alignment-curve';
import { withPartsCounted } from './lift-part';

/**
 * Steering-axis offset at the ground (scrub radius), mm, with the wheel parked and straight: from the steering axis to
 * the middle of the tire, + = tire outboard of the axis (ISO 8855:2011, definition from memory). The ground lies the
 * loaded radius below the wheel's centre. null where the wheel does not steer.
 * @throws ProblemError for a setup that does not go together, or a height the linkage does not reach.
 */
export function scrubRadiusMm(key: CornerKey, corner: CornerDescription, setup: SetupDescription): number | null {
  const rotor = prepareRotor(setup, 'setup');
  const tire = { centrePlaneMm: rotor.centrePlaneMm, loadedRadiusMm: loadedRadiusMm(rotor.section) };
  const travel = -withPartsCounted(setup).suspensionLiftMm;
  return corner.steering ? wheelStandAt(motionUnder(key, corner, setup), travel, tire).scrubRadiusMm : null;
}
