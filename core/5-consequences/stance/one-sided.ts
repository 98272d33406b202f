import { CORNER_KEYS, sideOf, axleOf, type CornerKey } from '../../2-vehicle/setup/corner-key';

export type ByCorner = Readonly<Record<CornerKey, number>>;

/**
 * By how much a stiff body rises over its wheels when each corner's spring is made to stand `liftsMm` higher, mm: it cannot warp, so a shim on
 * one spring lifts that corner by less and moves the other three. Forces and moments of the four springs balance (statics); sway bars, which
 * lessen the lean further, are left out. `stiffness`: the axles' wheel rates, of which only the proportion counts.
 */
export function bodyRisesMm(
  liftsMm: ByCorner,
  stiffness: { readonly front: number; readonly rear: number } = { front: 1, rear: 1 },
): ByCorner {
  // Heave, pitch and roll take up what they can; warp is what is left: left and right alike in size, front against rear.
  const warp = (liftsMm.frontLeft - liftsMm.frontRight - liftsMm.rearLeft + liftsMm.rearRight) / 2;
  const { front, rear } = stiffness;
  // The stiffer axle keeps more of its own lean.
  const share = { front: rear / (front + rear), rear: front / (front + rear) };
  return Object.fromEntries(
    CORNER_KEYS.map((key) => {
      const axle = axleOf(key);
      const own = (sideOf(key) === 'left') === (axle === 'front') ? 1 : -1;
      return [key, liftsMm[key] - own * warp * share[axle]];
    }),
  ) as ByCorner;
}
