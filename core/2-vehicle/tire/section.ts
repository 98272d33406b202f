import { makeOutline, type Outline, type Piece, type PlanePoint } from '../../1-base/geometry/outline';
import { ProblemError } from '../../1-base/problem';
import { MM_PER_IN } from '../../1-base/units/length';
import { FLANGE_HEIGHT_MM, FLANGE_THICKNESS_MM } from '../wheel/rim';
import { outsideDiameterMm, sectionWidthMm, type TireDescription } from './dimensions';
import { parseTireSize, type TireSize } from './size';
import { treadShape } from './tire-shape';

/** Places across the tire, as a reading names them, and the rim flanges. */
export type Across =
  'tread' | 'outerShoulder' | 'innerShoulder' | 'outerSidewall' | 'innerSidewall' | 'outerFlange' | 'innerFlange';

/**
 * The free (unloaded, ungrown) meridian section of a tire on a rim, filled to the axis: tire and wheel as one
 * solid of revolution. `a` is mm outboard of the tire's centre plane, `r` mm from the spin axis.
 */
export interface TireSection {
  readonly size: TireSize;
  readonly diameterMm: number;
  readonly widthMm: number;
  readonly treadWidthMm: number;
  readonly shoulderRadiusMm: number;
  /** Hub to ground under load, and the way of one turn, where somebody measured them, mm. */
  readonly measuredLoadedMm?: number | undefined;
  readonly measuredRollingMm?: number | undefined;
  /** Radius of the widest place, mm. */
  readonly widestRadiusMm: number;
  /** Centre of the outer shoulder arc. */
  readonly shoulderCentre: PlanePoint;
  /** Where the outer side leaves the rim flange. */
  readonly bead: PlanePoint;
  /** Outer face of the rim flange, mm from the centre plane. */
  readonly flangeMm: number;
  readonly outline: Outline<Across>;
}

/** Height of the widest place over section height, from the rim. Working value of this project. */
const WIDEST_HEIGHT_RATIO = 0.5;

/**
 * What widens a section beyond the free tire, mm. `radialMm` moves the tread out, `lateralMm` moves sidewalls and
 * shoulders out, so a place on the shoulder moves by both (the blend of a chain); `bulgeMm` moves the widest place only
 * (a loaded tire near the ground); `flangeMm` moves the rim flange's face (a rim protector).
 */
export interface SectionAllowance {
  readonly radialMm: number;
  readonly lateralMm: number;
  readonly bulgeMm: number;
  readonly flangeMm: number;
}

export const NO_ALLOWANCE: SectionAllowance = { radialMm: 0, lateralMm: 0, bulgeMm: 0, flangeMm: 0 };

/**
 * Section of `tire` on a rim of `rimWidthIn`. Measured diameter and width replace the size's own; `allowance` widens
 * the result.
 * @throws ProblemError for an unreadable size, or dimensions that leave no sidewall.
 */
export function tireSection(
  tire: TireDescription,
  rimWidthIn: number,
  path = '',
  allowance = NO_ALLOWANCE,
): TireSection {
  const size = parseTireSize(tire.size, path === '' ? 'size' : `${path}.size`);
  const diameterMm = outsideDiameterMm(tire, size);
  const widthMm = tire.measuredWidthMm ?? sectionWidthMm(size, rimWidthIn);
  const rimRadius = (size.rimDiameterIn * MM_PER_IN) / 2;
  const crownRadius = diameterMm / 2;
  const height = crownRadius - rimRadius;
  if (!(height >= 12 && widthMm >= 40)) {
    throw new ProblemError({
      code: 'outOfRange',
      path,
      expected: 'a section at least 12 mm high and 40 mm wide on its rim',
      found: `${height.toFixed(0)} mm high, ${widthMm.toFixed(0)} mm wide`,
    });
  }
  const widestRadiusMm = rimRadius + WIDEST_HEIGHT_RATIO * height;
  const { treadWidthMm, shoulderRadiusMm } = treadShape(
    tire,
    { heightMm: height, widthMm, upperMm: crownRadius - widestRadiusMm },
    path,
  );
  const { radialMm, bulgeMm } = allowance;
  const lateralMm = allowance.lateralMm + (tire.lugsMm ?? 0);
  const shoulderCentre = {
    a: treadWidthMm / 2 - shoulderRadiusMm + lateralMm,
    r: crownRadius - shoulderRadiusMm + radialMm,
  };
  const bead = { a: (rimWidthIn * MM_PER_IN) / 2, r: rimRadius + Math.min(FLANGE_HEIGHT_MM, 0.4 * height) };
  const flangeMm = bead.a + FLANGE_THICKNESS_MM + allowance.flangeMm + (tire.rimProtectorMm ?? 0);
  const widest = { a: widthMm / 2 + lateralMm + bulgeMm, r: widestRadiusMm };
  const right = rightHalf({
    crownRadius: crownRadius + radialMm,
    widest,
    shoulderCentre,
    shoulderRadius: shoulderRadiusMm,
    bead,
    flangeMm,
  });
  return {
    size,
    diameterMm: diameterMm + 2 * radialMm,
    measuredLoadedMm: tire.loadedRadiusMm,
    measuredRollingMm: tire.rollingMm,
    widthMm: 2 * widest.a,
    treadWidthMm: treadWidthMm + 2 * lateralMm,
    shoulderRadiusMm,
    widestRadiusMm,
    shoulderCentre,
    bead,
    flangeMm,
    outline: makeOutline([...right.map(mirrorPiece).reverse(), ...right]),
  };
}

interface HalfShape {
  readonly crownRadius: number;
  readonly widest: PlanePoint;
  readonly shoulderCentre: PlanePoint;
  readonly shoulderRadius: number;
  /** Where the tire leaves the rim flange, on the flange's inner face. */
  readonly bead: PlanePoint;
  readonly flangeMm: number;
}

/** Outer half from the crown's middle down to the axis; derivation in docs/method.md. */
function rightHalf({
  crownRadius,
  widest,
  shoulderCentre,
  shoulderRadius,
  bead,
  flangeMm,
}: HalfShape): Piece<Across>[] {
  // Sidewall arc: tangent inside to the shoulder arc, upright at the widest place.
  const across = widest.a - shoulderCentre.a;
  const rise = shoulderCentre.r - widest.r;
  const sidewallRadius =
    (across * across + rise * rise - shoulderRadius * shoulderRadius) / (2 * (across - shoulderRadius));
  const sidewallCentre = { a: widest.a - sidewallRadius, r: widest.r };
  const joint = Math.atan2(rise, shoulderCentre.a - sidewallCentre.a);

  const pieces: Piece<Across>[] = [
    { kind: 'line', from: { a: 0, r: crownRadius }, to: { a: shoulderCentre.a, r: crownRadius }, tag: 'tread' },
    arc(shoulderCentre, shoulderRadius, Math.PI / 2, joint, 'outerShoulder'),
    arc(sidewallCentre, sidewallRadius, joint, 0, 'outerSidewall'),
    ...lowerSidewall(widest, bead),
  ];
  const last = pieces[pieces.length - 1] as Piece<Across>;
  const lastEnd =
    last.kind === 'line'
      ? last.to
      : { a: last.centre.a + last.radius * Math.cos(last.end), r: last.centre.r + last.radius * Math.sin(last.end) };
  pieces.push(
    { kind: 'line', from: lastEnd, to: { a: flangeMm, r: bead.r }, tag: 'outerFlange' },
    { kind: 'line', from: { a: flangeMm, r: bead.r }, to: { a: flangeMm, r: 0 }, tag: 'outerFlange' },
  );
  return pieces;
}

/** From the widest place to the bead: an arc upright at the widest place, or a line for a stretched tire. */
function lowerSidewall(widest: PlanePoint, bead: PlanePoint): Piece<Across>[] {
  const inward = widest.a - bead.a;
  const drop = widest.r - bead.r;
  if (inward <= 0.5) return [{ kind: 'line', from: widest, to: bead, tag: 'outerSidewall' }];
  if (inward > drop) {
    // More overhang than height: a quarter circle, then straight in to the flange.
    return [arc({ a: widest.a - drop, r: widest.r }, drop, 0, -Math.PI / 2, 'outerSidewall')];
  }
  const radius = (inward * inward + drop * drop) / (2 * inward);
  const end = -Math.atan2(drop, radius - inward);
  return [arc({ a: widest.a - radius, r: widest.r }, radius, 0, end, 'outerSidewall')];
}

const arc = (centre: PlanePoint, radius: number, start: number, end: number, tag: Across): Piece<Across> => ({
  kind: 'arc',
  centre,
  radius,
  start,
  end,
  tag,
});

const MIRRORED: Readonly<Record<Across, Across>> = {
  tread: 'tread',
  outerShoulder: 'innerShoulder',
  innerShoulder: 'outerShoulder',
  outerSidewall: 'innerSidewall',
  innerSidewall: 'outerSidewall',
  outerFlange: 'innerFlange',
  innerFlange: 'outerFlange',
};

/** The piece mirrored in a = 0 and walked the other way. */
function mirrorPiece(piece: Piece<Across>): Piece<Across> {
  const tag = MIRRORED[piece.tag];
  if (piece.kind === 'line') {
    return { kind: 'line', from: { a: -piece.to.a, r: piece.to.r }, to: { a: -piece.from.a, r: piece.from.r }, tag };
  }
  return {
    ...piece,
    centre: { a: -piece.centre.a, r: piece.centre.r },
    start: Math.PI - piece.end,
    end: Math.PI - piece.start,
    tag,
  };
}
