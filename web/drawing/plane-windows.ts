import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import type { Rotor } from '@/core/2-vehicle/setup/rotor';

/** mm a window's ends move in, so that the picture does not swim while a tire is dragged. */
const STEP_MM = 40;
const BESIDE_MM = 115;
const ABOVE_MM = 75;
const FINE_MM = 1;

const down = (mm: number): number => Math.floor(mm / STEP_MM) * STEP_MM;
const up = (mm: number): number => Math.ceil(mm / STEP_MM) * STEP_MM;

/** The window of the clear section: around all the rotors, from the middle of the wheel up to beyond the crown. */
export function sectionWindow(rotors: readonly Rotor[]): PlaneWindow {
  const half = (rotor: Rotor): number => Math.max(rotor.section.widthMm / 2, rotor.section.flangeMm);
  return windowOver(
    down(Math.min(...rotors.map((rotor) => rotor.centrePlaneMm - half(rotor))) - BESIDE_MM),
    up(Math.max(...rotors.map((rotor) => rotor.centrePlaneMm + half(rotor))) + BESIDE_MM),
    down(Math.min(...rotors.map((rotor) => rotor.section.size.rimDiameterIn * 12.7)) - 90),
    up(Math.max(...rotors.map((rotor) => rotor.section.diameterMm / 2)) + ABOVE_MM),
  );
}

/** The window of the wheel's inside: from the axle line to beyond the rim. */
export function insideWindow(rotors: readonly Rotor[]): PlaneWindow {
  return windowOver(
    down(Math.min(...rotors.map((rotor) => rotor.centrePlaneMm - rotor.section.flangeMm)) - 20),
    up(Math.max(...rotors.map((rotor) => rotor.centrePlaneMm + rotor.section.flangeMm)) + 20),
    0,
    up(Math.max(...rotors.map((rotor) => rotor.section.size.rimDiameterIn * 12.7)) + 30),
  );
}

const windowOver = (fromA: number, toA: number, fromR: number, toR: number): PlaneWindow => ({
  fromAMm: fromA,
  fromRMm: Math.max(0, fromR),
  stepMm: FINE_MM,
  columns: Math.round((toA - fromA) / FINE_MM),
  rows: Math.round((toR - Math.max(0, fromR)) / FINE_MM),
});
