import type { PlanePoint } from '../geometry/outline';
import { inToMm } from '../units/length';
import { FLANGE_HEIGHT_MM, FLANGE_THICKNESS_MM } from './rim';

/** mm of metal between the bead seat and the inside of the barrel. Working value of this project. */
const BARREL_THICKNESS_MM = 12;

/** mm of metal of the pad and spokes behind and before the mounting face. Working value of this project. */
const SPOKE_THICKNESS_MM = 30;

/**
 * Hollow section of a plain wheel, as a closed polygon in (a, r) about the *tire's centre plane*: flanges,
 * barrel, and pad with spokes revolved. `offsetMm` puts the mounting face at a = +offset.
 */
export function wheelSectionPolygon(diameterIn: number, widthIn: number, offsetMm: number): PlanePoint[] {
  const seat = inToMm(diameterIn) / 2;
  const inside = seat - BARREL_THICKNESS_MM;
  const face = inToMm(widthIn) / 2;
  const lip = face + FLANGE_THICKNESS_MM;
  const top = seat + FLANGE_HEIGHT_MM;
  const spokeBack = Math.min(Math.max(offsetMm, -lip), lip - SPOKE_THICKNESS_MM);
  const spokeFront = spokeBack + SPOKE_THICKNESS_MM;
  return [
    { a: -lip, r: inside },
    { a: -lip, r: top },
    { a: -face, r: top },
    { a: -face, r: seat },
    { a: face, r: seat },
    { a: face, r: top },
    { a: lip, r: top },
    { a: lip, r: inside },
    { a: spokeFront, r: inside },
    { a: spokeFront, r: 0 },
    { a: spokeBack, r: 0 },
    { a: spokeBack, r: inside },
  ];
}
