import type { Piece, PlanePoint } from '../../1-base/geometry/outline';
import { inToMm } from '../../1-base/units/length';
import { FLANGE_HEIGHT_MM, FLANGE_THICKNESS_MM, type WheelInside } from './rim';

/**
 * mm from the bead seat in to the inside of the barrel: a 17 in wheel measures about 395 to 402 mm inside where the brake is (common
 * practice, no source). Working value of this project.
 */
const BARREL_DEPTH_MM = 17;

/** mm by which the drop center comes further in, and where it lies from the outer flange. Working values of this project. */
const DROP_CENTRE_DEPTH_MM = 13;
const DROP_CENTRE_FROM_MM = 80;
const DROP_CENTRE_TO_MM = 35;

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

/** A wheel by its sizes, and by what was measured inside it. */
export interface HollowWheelSizes extends WheelInside {
  readonly diameterIn: number;
  readonly widthIn: number;
  readonly offsetMm: number;
}

/**
 * Hollow section of a wheel in (a, r) about the *tire's centre plane*: flanges, barrel with its drop center, pad and spokes revolved. The
 * mounting face lies at a = +offset; where the spokes' back was measured it steps from place to place, each step as far inboard as
 * the nearer of its two ends.
 */
export function hollowWheel(sizes: HollowWheelSizes): HollowWheel {
  const shape = shapeOf(sizes);
  const { seat, inside, drop, face, lip, top, steps, spokeFront } = shape;
  const path = pathOf(shape);
  return {
    outline: path.slice(1).map(({ tag, ...to }, i) => {
      const { a, r } = path[i]!;
      return { kind: 'line', from: { a, r }, to, tag };
    }),
    metal: [
      [-lip, lip, inside, seat],
      [drop.from, drop.to, drop.inside, seat],
      [-lip, -face, inside, top],
      [face, lip, inside, top],
      ...steps.map(({ back, from, to }): Block => [back, spokeFront, from, to]),
    ],
  };
}

/** The same as a polygon; its closing side lies on the axis. */
export const wheelSectionPolygon = (sizes: HollowWheelSizes): PlanePoint[] =>
  pathOf(shapeOf(sizes)).map(({ a, r }) => ({ a, r }));

/** A stretch of radius with the spokes' back so far from the tire's centre plane. */
interface SpokeStep {
  readonly back: number;
  readonly from: number;
  readonly to: number;
}

type WheelShape = ReturnType<typeof shapeOf>;

function shapeOf({ diameterIn, widthIn, offsetMm, insideDiameterMm, dropCentreInsideMm, spokeBack }: HollowWheelSizes) {
  const seat = inToMm(diameterIn) / 2;
  const face = inToMm(widthIn) / 2;
  const lip = face + FLANGE_THICKNESS_MM;
  const inside = insideDiameterMm === undefined ? seat - BARREL_DEPTH_MM : Math.min(seat - 2, insideDiameterMm / 2);
  const dropInside = dropCentreInsideMm === undefined ? inside - DROP_CENTRE_DEPTH_MM : dropCentreInsideMm / 2;
  const drop = {
    from: Math.max(-face, face - DROP_CENTRE_FROM_MM),
    to: Math.max(-face, face - DROP_CENTRE_TO_MM),
    inside: Math.min(inside, dropInside),
  };
  const pad = Math.min(Math.max(offsetMm, -lip), lip - SPOKE_THICKNESS_MM);
  const steps = spokeSteps(spokeBack ?? [], pad, lip, seat);
  const furthest = Math.max(...steps.map(({ back }) => back));
  const spokeFront = Math.min(lip, furthest + SPOKE_THICKNESS_MM);
  return { seat, inside, drop, face, lip, top: seat + FLANGE_HEIGHT_MM, steps, spokeFront };
}

/** From the axis to the seat: the pad, then from each measured place to the next; beyond the last as there. */
function spokeSteps(
  places: NonNullable<WheelInside['spokeBack']>,
  pad: number,
  lip: number,
  seat: number,
): SpokeStep[] {
  const sorted = [...places].sort((a, b) => a.radiusMm - b.radiusMm).filter(({ radiusMm }) => radiusMm < seat);
  if (sorted.length === 0) return [{ back: pad, from: 0, to: seat }];
  const back = (mm: number): number => Math.min(lip - SPOKE_THICKNESS_MM, Math.max(-lip, pad + mm));
  return [
    { back: Math.min(pad, back(sorted[0]!.backMm)), from: 0, to: sorted[0]!.radiusMm },
    ...sorted.map(({ radiusMm, backMm }, i): SpokeStep => {
      const next = sorted[i + 1];
      return {
        back: back(Math.min(backMm, next?.backMm ?? backMm)),
        from: radiusMm,
        to: next?.radiusMm ?? seat,
      };
    }),
  ].filter(({ from, to }) => to > from);
}

/** Inside of the barrel along the axle. */
const barrelAt = ({ inside, drop }: WheelShape, a: number): number =>
  a > drop.from && a < drop.to ? drop.inside : inside;

/** A place of the path, with what lies between it and the place before. */
interface PathPlace extends PlanePoint {
  readonly tag: RimPart;
}

function pathOf(shape: WheelShape): PathPlace[] {
  const { inside, face, lip, top, seat, steps, spokeFront } = shape;
  const path: PathPlace[] = [];
  const go = (a: number, r: number, tag: RimPart): void => {
    path.push({ a, r, tag });
  };
  go(steps[0]!.back, 0, 'spokes');
  // Up the spokes' back until it meets the barrel.
  let a = steps[0]!.back;
  for (const { back, from, to } of steps) {
    const barrel = Math.min(barrelAt(shape, a), barrelAt(shape, back));
    if (from >= barrel) break;
    if (back !== a) go(back, from, 'spokes');
    a = back;
    go(a, Math.min(to, barrelAt(shape, a)), 'spokes');
    if (to >= barrelAt(shape, a)) break;
  }
  alongBarrel(shape, a, -lip, go);
  go(-lip, top, 'innerFlange');
  go(-face, top, 'innerFlange');
  go(-face, seat, 'innerFlange');
  go(face, seat, 'barrel');
  go(face, top, 'outerFlange');
  go(lip, top, 'outerFlange');
  go(lip, inside, 'outerFlange');
  alongBarrel(shape, lip, spokeFront, go);
  go(spokeFront, 0, 'spokes');
  return path;
}

/** Inboard along the barrel, in and out of the drop center. */
function alongBarrel(
  shape: WheelShape,
  from: number,
  to: number,
  go: (a: number, r: number, tag: RimPart) => void,
): void {
  const { inside, drop } = shape;
  for (const edge of [drop.to, drop.from]) {
    if (!(edge < from && edge > to)) continue;
    const [outer, inner] = edge === drop.to ? [inside, drop.inside] : [drop.inside, inside];
    go(edge, outer, 'barrel');
    if (inner !== outer) go(edge, inner, 'barrel');
  }
  go(to, barrelAt(shape, to), 'barrel');
}
