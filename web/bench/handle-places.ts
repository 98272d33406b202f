import type { Rotor } from '@/core/2-vehicle/setup/rotor';

/** Where the handles of a section stand in the drawing (mm, y down): offset, diameter, width. */
export function handlePlaces({
  section,
  centrePlaneMm,
}: Rotor): readonly [
  offset: readonly [number, number],
  diameter: readonly [number, number],
  width: readonly [number, number],
] {
  return [
    [centrePlaneMm, -(section.size.rimDiameterIn * 12.7 * 0.82)],
    [centrePlaneMm, -section.diameterMm / 2],
    [centrePlaneMm + section.widthMm / 2, -section.widestRadiusMm],
  ];
}
