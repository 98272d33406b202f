import type { CornerDescription, SetupDescription } from '../clearance/description';
import { prepareRotor } from '../clearance/rotor';

/** A setup against what is fitted on the corner. Lengths in mm. */
export interface FitmentChange {
  readonly diameterMm: number;
  readonly widthMm: number;
  /** Outer sidewall: + = further outboard. */
  readonly pokeMm: number;
  /** Inner sidewall: + = further inboard. */
  readonly inboardMm: number;
  /** Fender over ground: suspension lift + body lift + half the change of *free* diameter. */
  readonly fenderHeightMm: number;
  /** True speed when 100 is shown, if the speedometer was right with the fitted tire. */
  readonly trueSpeedAt100: number;
}

/** @throws ProblemError when either does not go together. */
export function fitmentChange(corner: CornerDescription, setup: SetupDescription): FitmentChange {
  const before = prepareRotor(corner.fitted, 'fitted');
  const after = prepareRotor(setup, 'setup');
  const outer = (rotor: typeof before): number => rotor.centrePlaneMm + rotor.section.widthMm / 2;
  const inner = (rotor: typeof before): number => rotor.centrePlaneMm - rotor.section.widthMm / 2;
  const diameterMm = after.section.diameterMm - before.section.diameterMm;
  return {
    diameterMm,
    widthMm: after.section.widthMm - before.section.widthMm,
    pokeMm: outer(after) - outer(before),
    inboardMm: inner(before) - inner(after),
    fenderHeightMm: setup.suspensionLiftMm + setup.bodyLiftMm + diameterMm / 2,
    trueSpeedAt100: (100 * after.section.diameterMm) / before.section.diameterMm,
  };
}
