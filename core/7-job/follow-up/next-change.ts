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

/**
 * The setup that stands as the vehicle was last measured: what each corner came out at beside what was expected is counted as a part of its
 * own, and `moreMm` is added to all of them. So the next change starts from what is, not from what was promised.
 */
export function fromMeasured<Setup extends SetupDescription & { readonly corners?: CornerOverrides | undefined }>(
  setup: Setup,
  heights: readonly MeasuredHeight[],
  corners: readonly CornerKey[],
  moreMm = 0,
): Setup {
  const overrides: Partial<Record<CornerKey, Partial<SetupDescription>>> = { ...setup.corners };
  for (const key of corners) {
    const height = heights.find((one) => one.key === key);
    const off = height ? height.measuredMm - height.expectedMm : 0;
    const lift = Math.round(10 * ((Math.abs(off) > SAME_MM ? off : 0) + moreMm)) / 10;
    if (lift === 0) continue;
    const own = overrides[key]?.parts ?? setup.parts ?? [];
    const part: LiftPart = { kind: 'ride', liftMm: lift };
    overrides[key] = { ...overrides[key], parts: [...own, part] };
  }
  return { ...setup, corners: overrides };
}
