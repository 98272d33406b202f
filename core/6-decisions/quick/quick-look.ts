import { flatten, type PlanePoint } from '../../1-base/geometry/outline';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import type { WheelAndTire } from '../../2-vehicle/setup/wheel-and-tire';
import { quickChange, type QuickChange } from './quick-change';
import { quickPlaces, type QuickPlace } from './quick-places';
import type { QuickQuestion } from './quick-question';

/** A tire on its wheel, cut through the axle line: mm outboard of the hub face, mm from the axle. */
export interface QuickSection {
  readonly outline: readonly PlanePoint[];
  readonly outerMm: number;
  readonly innerMm: number;
  readonly radiusMm: number;
  readonly rimRadiusMm: number;
  readonly rimInnerMm: number;
  readonly rimOuterMm: number;
}

/** All that two setups say by themselves. */
export interface QuickLook {
  readonly change: QuickChange;
  readonly places: readonly QuickPlace[];
  readonly fitted: QuickSection;
  readonly wanted: QuickSection;
}

/** mm by which a drawn outline may miss the true one. */
const SAG_MM = 0.5;

function sectionOf(fitment: WheelAndTire, path: string): QuickSection {
  const { section, centrePlaneMm } = prepareRotor(fitment, path);
  const { bead, flangeMm, widthMm, diameterMm } = section;
  return {
    outline: flatten(section.outline, SAG_MM).map(({ a, r }) => ({ a: a + centrePlaneMm, r })),
    outerMm: centrePlaneMm + widthMm / 2,
    innerMm: centrePlaneMm - widthMm / 2,
    radiusMm: diameterMm / 2,
    rimRadiusMm: bead.r,
    rimInnerMm: centrePlaneMm - flangeMm,
    rimOuterMm: centrePlaneMm + flangeMm,
  };
}

/** @throws ProblemError where tire and wheel do not go together */
export function quickLook(question: QuickQuestion): QuickLook {
  // First, so that what does not go together is said of the setup that it is.
  const fitted = sectionOf(question.fitted, 'fitted');
  const wanted = sectionOf(question.wanted, 'wanted');
  return { fitted, wanted, change: quickChange(question), places: quickPlaces(question) };
}
