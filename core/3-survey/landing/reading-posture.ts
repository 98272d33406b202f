import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import type { CarrierState } from '../../2-vehicle/motion/carrier';
import type { HeldAt } from '../reading/reading';
import { joinPath, ProblemError } from '../../1-base/problem';
import { toRadians } from '../../1-base/units/angle';
import { bothUnits } from '../../1-base/units/length';
import { HELD_BEYOND_MM } from '../../1-base/tolerances';
import type { CornerDescription } from '../description/corner-description';

/**
 * Where the suspension and the steering (rad, + = vehicle left) were when a reading was taken. Height comes from
 * `travelMm`, or from the hub-to-lip distance at that moment; `left` and `right` are the locks at that height. The height
 * may have been off by `travelErrorMm`.
 * @throws ProblemError when it lies beyond the surveyed travel or locks, or heights are missing.
 */
export function readingPosture(
  reading: HeldAt,
  corner: CornerDescription,
  motion: CornerMotion,
  path: string,
  travelErrorMm = 0,
): { readonly state: CarrierState; readonly steer: number } {
  const held = readingTravel(reading, corner, path);
  const { bumpMm, droopMm } = corner.travel;
  if (!(held >= -droopMm - HELD_BEYOND_MM && held <= bumpMm + HELD_BEYOND_MM)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: joinPath(path, reading.hubToLipMm === undefined ? 'travelMm' : 'hubToLipMm'),
      expected: `a height within the surveyed travel, ${bothUnits(-droopMm)} to ${bothUnits(bumpMm)} from ride`,
      found: `${bothUnits(held)} from ride`,
    });
  }
  const travel = Math.min(bumpMm, Math.max(-droopMm, held));
  const state = motion.carrierAt(travel + travelErrorMm, 0);
  if (reading.steer === 'straight') return { state, steer: 0 };
  const locks = motion.locksAt(state);
  if (reading.steer === 'left') return { state, steer: locks.left };
  if (reading.steer === 'right') return { state, steer: -locks.right };
  const steer = toRadians(reading.steer);
  if (!(steer <= locks.left + 1e-9 && steer >= -locks.right - 1e-9)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: joinPath(path, 'steer'),
      expected: 'an angle between the surveyed locks',
      found: `${reading.steer} degrees`,
    });
  }
  return { state, steer };
}

function readingTravel(reading: HeldAt, corner: CornerDescription, path: string): number {
  if (reading.hubToLipMm === undefined) return reading.travelMm ?? 0;
  const at = joinPath(path, 'hubToLipMm');
  if (reading.travelMm !== undefined) {
    throw new ProblemError({
      code: 'contradiction',
      path: at,
      expected: 'travelMm or hubToLipMm, not both',
      found: 'both',
    });
  }
  if (corner.hubToLipMm === undefined) {
    throw new ProblemError({
      code: 'missing',
      path: at,
      expected: "the corner's own hubToLipMm at ride height to compare with",
      found: 'none in the baseline',
    });
  }
  return corner.hubToLipMm - reading.hubToLipMm;
}
