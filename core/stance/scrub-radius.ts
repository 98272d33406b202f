import { motionUnder } from '../clearance/motion-under';
import type { CornerDescription, CornerKey, SetupDescription } from '../clearance/description';
import { prepareRotor } from '../clearance/rotor';
import { place, rotate } from '../geometry/pose';
import { loadedRadiusMm } from '../tire/allowance';
import { withPartsCounted } from './lift-part';

/**
 * Steering-axis offset at the ground (scrub radius), mm, with the wheel parked and straight: from the steering axis to
 * the middle of the tire, + = tire outboard of the axis (ISO 8855:2011, definition from memory). The ground lies the
 * loaded radius below the wheel's centre. null where the wheel does not steer.
 * @throws ProblemError for a setup that does not go together, or a height the linkage does not reach.
 */
export function scrubRadiusMm(key: CornerKey, corner: CornerDescription, setup: SetupDescription): number | null {
  const motion = motionUnder(key, corner, setup);
  const state = motion.carrierAt(-withPartsCounted(setup).suspensionLiftMm, 0);
  const axis = motion.steerLine(state);
  if (!axis || !corner.steering) return null;
  const rotor = prepareRotor(setup, 'setup');
  const wheel = motion.wheelFrom(state, 0);
  const centre = place(wheel, [0, rotor.centrePlaneMm, 0]);
  const across = rotate(wheel.rotation, [0, 1, 0]);
  // Down along the wheel plane, seen from the front.
  const slope = across[2] / Math.hypot(across[1], across[2]);
  const radius = loadedRadiusMm(rotor.section);
  const ground = centre[2] - radius * Math.sqrt(1 - slope * slope);
  const contact = centre[1] + radius * slope;
  const down = (ground - axis.point[2]) / axis.direction[2];
  return contact - (axis.point[1] + down * axis.direction[1]);
}
