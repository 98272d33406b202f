import { motionUnder } from '../../2-vehicle/setup/motion-under';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { standingRadiusMm } from '../../2-vehicle/setup/loaded-radius';
import { wheelStandAt } from './alignment-curve';

/**
 * Steering-axis offset at the ground (scrub radius), mm, with the wheel parked and straight: from the steering axis to
 * the middle of the tire, + = tire outboard of the axis (ISO 8855:2011, definition from memory). The ground lies the
 * loaded radius below the wheel's centre. null where the wheel does not steer.
 * @throws ProblemError for a setup that does not go together, or a height the linkage does not reach.
 */
export function scrubRadiusMm(key: CornerKey, corner: CornerDescription, setup: Setup): number | null {
  const rotor = prepareRotor(setup, 'setup');
  const tire = { centrePlaneMm: rotor.centrePlaneMm, loadedRadiusMm: standingRadiusMm(corner, rotor.section) };
  const travel = -setup.suspensionLiftMm;
  return corner.steering ? wheelStandAt(motionUnder(key, corner, setup), travel, tire).scrubRadiusMm : null;
}
