import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CornerOverrides, SetupDescription } from '../../2-vehicle/setup/setup';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';

/** A corner's hub to lip as expected and as last measured, mm. */
export interface MeasuredHeight {
  readonly key: CornerKey;
  readonly expectedMm: number;
  readonly measuredMm: number;
}

/** mm by which a height may differ and still be the same. */
const SAME_MM = 0.5;

type Whole = SetupDescription & { readonly corners?: CornerOverrides | undefined };

/**
 * The setup as the vehicle was last measured: what each corner came out at beside what was expected is counted as a part of its own. So
 * the next change starts from what is, not from what was promised.
 */
export const asMeasured = <Setup extends Whole>(
  setup: Setup,
  heights: readonly MeasuredHeight[],
  corners: readonly CornerKey[],
): Setup =>
  lifted(setup, corners, (key) => {
    const height = heights.find((one) => one.key === key);
    const off = height ? height.measuredMm - height.expectedMm : 0;
    return Math.abs(off) > SAME_MM ? off : 0;
  });

/** All corners `moreMm` higher, by a part of its own: that is what is to be done. */
export const raised = <Setup extends Whole>(setup: Setup, corners: readonly CornerKey[], moreMm: number): Setup =>
  lifted(setup, corners, () => moreMm);

function lifted<Setup extends Whole>(
  setup: Setup,
  corners: readonly CornerKey[],
  byMm: (key: CornerKey) => number,
): Setup {
  const overrides: Partial<Record<CornerKey, Partial<SetupDescription>>> = { ...setup.corners };
  for (const key of corners) {
    const lift = Math.round(10 * byMm(key)) / 10;
    if (lift === 0) continue;
    const own = overrides[key]?.parts ?? setup.parts ?? [];
    const part: LiftPart = { kind: 'ride', liftMm: lift };
    overrides[key] = { ...overrides[key], parts: [...own, part] };
  }
  return { ...setup, corners: overrides };
}
