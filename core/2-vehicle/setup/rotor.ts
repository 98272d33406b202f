import { ConvexPiece, newMeasure, rectanglePiece } from '../../1-base/geometry/convex-piece';
import {
  makeOutline,
  nearestPlace,
  pieceEnd,
  signedDistance,
  type NearestPlace,
  type Outline,
  type Piece,
  type PlanePoint,
} from '../../1-base/geometry/outline';
import { joinPath, ProblemError } from '../../1-base/problem';
import { remembered } from '../../1-base/remembered';
import { loadedBulgeMm, LOADED_HALF_ANGLE, sectionAllowance, type TireAllowances } from '../tire/allowance';
import { tireSection, type Across, type SectionAllowance, type TireSection } from '../tire/section';
import { hollowWheel, type HollowWheelSizes, type RimPart } from '../wheel/wheel-section';
import { wheelOffsetMm, type WheelInside } from '../wheel/rim';
import type { WheelAndTire } from './wheel-and-tire';

/** Everything an obstacle can be nearest to: a part of the tire, of the rim's flanges, or of the wheel's inside. */
export type RotorPlace = Across | RimPart;

/**
 * A solid of revolution for the search: exact signed distance in (a, r) about its own centre plane, and convex pieces
 * that together cover it. Outside, the least piece distance is a lower bound of the distance (the distance itself
 * when `coverIsExact`); `hull` covers everything.
 */
export interface Solid {
  readonly outline: Outline<RotorPlace>;
  readonly pieces: readonly ConvexPiece[];
  readonly hull: ConvexPiece | null;
  readonly coverIsExact: boolean;
}

/** A tire on its wheel and spacer, as solids of revolution carried by the hub. */
export interface Rotor {
  readonly section: TireSection;
  /** Tire's centre plane along the spin axis from the hub face: spacer - offset, mm. */
  readonly centrePlaneMm: number;
  readonly offsetMm: number;
  readonly rimWidthIn: number;
  /** What was measured inside the wheel. */
  readonly inside: WheelInside;
  /** Tire and wheel filled to the axis: what things outside the wheel are measured to. */
  readonly filled: Solid;
  /** The same with the sidewalls bulged: near the ground. */
  readonly loaded: Solid;
  /** The wheel alone, hollow: what things inside it are measured to. */
  readonly hollow: Solid;
}

/** @throws ProblemError when tire and wheel do not go together or do not parse. */
export function prepareRotor(fitment: WheelAndTire, path: string, allowances?: TireAllowances): Rotor {
  const offsetMm = wheelOffsetMm(fitment.wheel, joinPath(path, 'wheel'));
  const widening = sectionAllowance(allowances);
  const { section, filled, loaded } = solidsOf(fitment, widening, joinPath(path, 'tire'));
  if (section.size.rimDiameterIn !== fitment.wheel.diameterIn) {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(path, 'wheel.diameterIn'),
      expected: `${section.size.rimDiameterIn} in, the rim that ${section.size.text} is made for`,
      found: `${fitment.wheel.diameterIn} in`,
    });
  }
  const { diameterIn, widthIn, insideDiameterMm, dropCentreInsideMm, spokeBack } = fitment.wheel;
  const inside = { insideDiameterMm, dropCentreInsideMm, spokeBack };
  return {
    section,
    offsetMm,
    rimWidthIn: widthIn,
    centrePlaneMm: fitment.spacerMm - offsetMm,
    filled,
    loaded,
    inside,
    hollow: hollowSolid({ diameterIn, widthIn, offsetMm, ...inside }),
  };
}

interface TireSolids {
  readonly section: TireSection;
  readonly filled: Solid;
  readonly loaded: Solid;
}

/** By tire, rim width and widening: the same tire is asked for at many offsets, heights and alignments. */
const TIRES = new Map<string, TireSolids>();
const KEPT_TIRES = 64;

const solidsOf = ({ tire, wheel }: WheelAndTire, widening: SectionAllowance, path: string): TireSolids =>
  remembered(TIRES, KEPT_TIRES, JSON.stringify([tire, wheel.widthIn, widening]), () => {
    const section = tireSection(tire, wheel.widthIn, path, widening);
    const bulgeMm = loadedBulgeMm(section);
    return {
      section,
      filled: filledSolid(section),
      loaded: filledSolid(tireSection(tire, wheel.widthIn, path, { ...widening, bulgeMm })),
    };
  });

/** Cosine of the angle from straight down within which the loaded shape counts. */
export const COS_NEAR_GROUND = Math.cos(LOADED_HALF_ANGLE);

/** Whether a place seen from the spin axis is near enough to straight down for the loaded shape. */
export const isNearGround = (angleFromDown: number): boolean => angleFromDown <= LOADED_HALF_ANGLE;

const line = (from: PlanePoint, to: PlanePoint): Piece<null> => ({ kind: 'line', from, to, tag: null });

function filledSolid(section: TireSection): Solid {
  const { outline, bead, flangeMm, diameterMm, widthMm, widestRadiusMm } = section;
  const half = outline.pieces.length / 2;
  const right = outline.pieces.slice(half).filter((piece) => piece.tag !== 'outerFlange');
  const upper = right.filter((piece) => pieceEnd(piece).r >= widestRadiusMm - 1e-9);
  const widest = { a: widthMm / 2, r: widestRadiusMm };
  const convex = bead.a <= widest.a;
  const sides: readonly Piece<unknown>[] = convex ? right : tightened(upper, bead);
  const end = pieceEnd(sides[sides.length - 1] as Piece<unknown>);
  const tire = [...sides, line(end, { a: 0, r: end.r })];
  const crown = { a: 0, r: diameterMm / 2 };
  const hull: Piece<unknown>[] =
    flangeMm <= widest.a
      ? [...upper, line(widest, { a: widest.a, r: 0 })]
      : [line(crown, { a: flangeMm, r: crown.r }), line({ a: flangeMm, r: crown.r }, { a: flangeMm, r: 0 })];
  return {
    outline,
    pieces: [new ConvexPiece(tire, true), rectanglePiece(-flangeMm, flangeMm, 0, bead.r)],
    hull: new ConvexPiece(hull, true),
    coverIsExact: convex && end.r === bead.r,
  };
}

/** Upper side of a stretched tire cut where the straight way to the bead leaves it: the convex shape around it. */
function tightened(upper: readonly Piece<unknown>[], bead: PlanePoint): Piece<unknown>[] {
  const kept: Piece<unknown>[] = [];
  for (const piece of upper) {
    if (piece.kind === 'line') {
      kept.push(piece);
      continue;
    }
    const da = bead.a - piece.centre.a;
    const dr = bead.r - piece.centre.r;
    const tangent = Math.atan2(dr, da) + Math.acos(Math.min(1, piece.radius / Math.hypot(da, dr)));
    if (tangent <= piece.end) {
      kept.push(piece);
      continue;
    }
    const cut = { ...piece, end: Math.min(piece.start, tangent) };
    if (cut.end < cut.start) kept.push(cut);
    kept.push(line(pieceEnd(cut), bead));
    return kept;
  }
  return [...kept, line(pieceEnd(upper[upper.length - 1] as Piece<unknown>), bead)];
}

/** By all that it follows from: many tires go on one wheel. */
const WHEELS = new Map<string, Solid>();
const KEPT_WHEELS = 64;

const hollowSolid = (sizes: HollowWheelSizes): Solid =>
  remembered(WHEELS, KEPT_WHEELS, JSON.stringify(sizes), () => {
    const { outline, metal } = hollowWheel(sizes);
    return {
      outline: makeOutline(outline),
      pieces: metal.map(([a0, a1, r0, r1]) => rectanglePiece(a0, a1, r0, r1)),
      hull: null,
      coverIsExact: true,
    };
  });

const scratch = newMeasure();

/** Signed distance of (a, r), about the solid's centre plane: + outside, - depth of overlap. */
export function solidDistance(solid: Solid, a: number, r: number): number {
  if (solid.coverIsExact) {
    let least = Infinity;
    for (const piece of solid.pieces) {
      piece.measure(a, r, scratch);
      if (scratch[0]! < least) least = scratch[0]!;
    }
    if (least > 0) return least;
  }
  return signedDistance(solid.outline, a, r);
}

export const nearestOnSolid = (solid: Solid, a: number, r: number): NearestPlace<RotorPlace> =>
  nearestPlace(solid.outline, a, r);
