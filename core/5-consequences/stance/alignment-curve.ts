import { rotate, place } from '../../1-base/geometry/pose';
import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import { attempt, type Problem } from '../../1-base/problem';
import { upward, wheelAngles, type WheelAngles } from '../../2-vehicle/motion/wheel-angles';
import { jointSwing, type JointSwing } from './joint-swing';

/** Where a corner's tire stands on its wheel, mm. */
export interface StandingTire {
  /** Tire's middle outboard of the mounting face. */
  readonly centrePlaneMm: number;
  readonly loadedRadiusMm: number;
}

/** How a wheel stands at a height, straight ahead; corner frame, mm and degrees. */
export interface WheelStand extends JointSwing, WheelAngles {
  readonly travelMm: number;
  /** Tire's middle, outboard and forward of where the mounting face was at the survey. */
  readonly outboardMm: number;
  readonly forwardMm: number;
  /** From the steering axis to the contact at the ground, + = contact outboard. */
  readonly scrubRadiusMm: number | null;
}

/** @throws ProblemError `impossiblePosture` where the linkage does not reach that height. */
export function wheelStandAt(motion: CornerMotion, travelMm: number, tire: StandingTire): WheelStand {
  const state = motion.carrierAt(travelMm, 0);
  const wheel = motion.wheelFrom(state, 0);
  const spin = rotate(wheel.rotation, [0, 1, 0]);
  const centre = place(wheel, [0, tire.centrePlaneMm, 0]);
  const line = motion.steerLine(state);
  const up = upward(motion, state);
  // Down along the wheel plane, seen from the front.
  const lean = spin[2] / Math.hypot(spin[1], spin[2]);
  const ground = centre[2] - tire.loadedRadiusMm * Math.sqrt(1 - lean * lean);
  const contact = centre[1] + tire.loadedRadiusMm * lean;
  return {
    ...jointSwing(state),
    ...wheelAngles(motion, state),
    travelMm,
    outboardMm: centre[1],
    forwardMm: centre[0],
    scrubRadiusMm: line && up && contact - (line.point[1] + ((ground - line.point[2]) / up[2]) * up[1]),
  };
}

/** A wheel's stands from droop to bump; where the linkage locks, which heights it does not reach, and why. */
export interface AlignmentCurve {
  readonly stands: readonly WheelStand[];
  readonly locked: { readonly travelsMm: readonly number[]; readonly problem: Problem } | null;
}

/** The rest of the curve stays usable where the linkage does not reach an end. */
export function alignmentCurve(
  motion: CornerMotion,
  droopMm: number,
  bumpMm: number,
  tire: StandingTire,
  stepMm = 5,
): AlignmentCurve {
  const count = Math.max(1, Math.round((bumpMm - droopMm) / stepMm));
  const stands: WheelStand[] = [];
  const travelsMm: number[] = [];
  let problem: Problem | null = null;
  for (let i = 0; i <= count; i++) {
    const travel = droopMm + ((bumpMm - droopMm) * i) / count;
    const found = attempt(() => wheelStandAt(motion, travel, tire));
    if (found.ok) stands.push(found.value);
    else {
      travelsMm.push(travel);
      problem ??= found.problems[0] ?? null;
    }
  }
  return { stands, locked: problem && { travelsMm, problem } };
}
