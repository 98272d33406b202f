import { fittedSetup, type Setup, bodyRiseMm, frameRiseMm } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { standingRadiusMm } from '../../2-vehicle/setup/loaded-radius';
import { rollingMm } from '../../2-vehicle/tire/loaded-tire';
import { attempt } from '../../1-base/problem';
import { backspacingFromOffset } from '../../2-vehicle/wheel/rim';
import { scrubRadiusMm } from './scrub-radius';

/** A setup against what is fitted on the corner. Lengths in mm. */
export interface FitmentChange {
  readonly diameterMm: number;
  readonly widthMm: number;
  /** Outer sidewall: + = further outboard. */
  readonly pokeMm: number;
  /** Inner sidewall: + = further inboard. */
  readonly inboardMm: number;
  /** Lip to pad: + = more of the wheel inboard of the mounting face. */
  readonly backspacingMm: number;
  /** Frame over ground: suspension lift + linkage drop + change of loaded radius. */
  readonly rideHeightMm: number;
  /** Between the tires' middles, with the other side changed alike. */
  readonly trackMm: number;
  /** Steering-axis offset at the ground before and after; null where it does not steer or is not known. */
  readonly scrubRadiusMm: { readonly before: number; readonly after: number } | null;
  /** Fender over ground: suspension lift + linkage drop + body lift + change of loaded radius. */
  readonly fenderHeightMm: number;
  /** True speed when 100 is shown, if the speedometer was right with the fitted tire. */
  readonly trueSpeedAt100: number;
}

/** @throws ProblemError when either does not go together. */
export function fitmentChange(key: CornerKey, corner: CornerDescription, setup: Setup): FitmentChange {
  const before = prepareRotor(corner.fitted, 'fitted');
  const after = prepareRotor(setup, 'setup');
  const outer = (rotor: typeof before): number => rotor.centrePlaneMm + rotor.section.widthMm / 2;
  const inner = (rotor: typeof before): number => rotor.centrePlaneMm - rotor.section.widthMm / 2;
  const backspacing = (rotor: typeof before): number =>
    backspacingFromOffset(rotor.rimWidthIn, rotor.offsetMm, 'lipToPad');
  const scrub = attempt(() => ({
    before: scrubRadiusMm(key, corner, fittedSetup(corner.fitted)),
    after: scrubRadiusMm(key, corner, setup),
  }));
  const tireRiseMm = standingRadiusMm(corner, after.section) - standingRadiusMm(corner, before.section);
  const diameterMm = after.section.diameterMm - before.section.diameterMm;
  return {
    diameterMm,
    widthMm: after.section.widthMm - before.section.widthMm,
    pokeMm: outer(after) - outer(before),
    inboardMm: inner(before) - inner(after),
    backspacingMm: backspacing(after) - backspacing(before),
    rideHeightMm: frameRiseMm(setup) + tireRiseMm,
    trackMm: 2 * (after.centrePlaneMm - before.centrePlaneMm),
    scrubRadiusMm:
      scrub.ok && scrub.value.before !== null && scrub.value.after !== null
        ? (scrub.value as { before: number; after: number })
        : null,
    fenderHeightMm: bodyRiseMm(setup) + tireRiseMm,
    trueSpeedAt100: (100 * rollingMm(after.section)) / rollingMm(before.section),
  };
}
