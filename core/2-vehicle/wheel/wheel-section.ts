import type { Piece, PlanePoint } from '../../1-base/geometry/outline';
import { inToMm } from '../../1-base/units/length';
import { FLANGE_HEIGHT_MM, FLANGE_THICKNESS_MM } from './rim';

/** mm of metal between the bead seat and the inside of the barrel. Working value of this project. */
const BARREL_THICKNESS_MM = 12;

/** mm of metal of the pad and spokes behind and before the mounting face. Working value of this project. */
const SPOKE_THICKNESS_MM = 30;

/** Places inside a wheel that something can touch. */
export type RimPart = 'barrel' | 'spokes' | 'innerFlange' | 'outerFlange';

/** [a from, a to, r from, r to], mm. */
type Block = readonly [number, number, number, number];

interface HollowWheel {
  /** Path from the axis round the metal to the axis. */
  readonly outline: readonly Piece<RimPart>[];
  /** Blocks whose union is the metal. */
  readonly metal: readonly Block[];
}

/**
 * Hollow section of a plain wheel in (a, r) about the *tire's centre plane*: flanges, barrel, and pad with spokes
 * revolved. `offsetMm` puts the mounting face at a = +offset.
 */
export function hollowWheel(diameterIn: number, widthIn: number, offsetMm: number): HollowWheel {
  const corners = cornersOf(diameterIn, widthIn, offsetMm);
  const { seat, inside, face, lip, top, spokeBack, spokeFront } = corners;
  const points = pathOf(corners);
  const tags: RimPart[] = [
    'spokes',
    'barrel',
    'innerFlange',
    'innerFlange',
    'innerFlange',
    'barrel',
    'outerFlange',
    'outerFlange',
    'outerFlange',
    'barrel',
    'spokes',
  ];
  return {
    outline: tags.map((tag, i) => ({
      kind: 'line',
      from: points[i] as PlanePoint,
      to: points[i + 1] as PlanePoint,
      tag,
    })),
    metal: [
      [-lip, lip, inside, seat],
      [-lip, -face, inside, top],
      [face, lip, inside, top],
      [spokeBack, spokeFront, 0, seat],
    ],
  };
}

/** The same as a polygon; its closing side lies on the axis. */
export const wheelSectionPolygon = (diameterIn: number, widthIn: number, offsetMm: number): PlanePoint[] =>
  pathOf(cornersOf(diameterIn, widthIn, offsetMm));

function cornersOf(diameterIn: number, widthIn: number, offsetMm: number) {
  const seat = inToMm(diameterIn) / 2;
  const face = inToMm(widthIn) / 2;
  const lip = face + FLANGE_THICKNESS_MM;
  const spokeBack = Math.min(Math.max(offsetMm, -lip), lip - SPOKE_THICKNESS_MM);
  return {
    seat,
    inside: seat - BARREL_THICKNESS_MM,
    face,
    lip,
    top: seat + FLANGE_HEIGHT_MM,
    spokeBack,
    spokeFront: spokeBack + SPOKE_THICKNESS_MM,
  };
}

function pathOf({ seat, inside, face, lip, top, spokeBack, spokeFront }: ReturnType<typeof cornersOf>): PlanePoint[] {
  return [
    { a: spokeBack, r: 0 },
    { a: spokeBack, r: inside },
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
  ];
}
