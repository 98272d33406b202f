/** The survey of a corner as two drawings at one scale: from outside, and from the front. Lengths in mm, about the hub, down is +. */
import { polygonHull } from 'd3-polygon';
import { curveCatmullRom, line } from 'd3-shape';
import type { Side } from '@/core/2-vehicle/motion/steering';
import type { SurveyedPlace, SurveyedReadings } from '@/core/3-survey/edge-fit/surveyed-readings';
import type { Vec3 } from '@/core/1-base/geometry/vec3';

export const VIEWS = ['outside', 'front'] as const;
export type View = (typeof VIEWS)[number];

/** How many times as long as it is a reading's miss is drawn. */
export const MISS_DRAWN = 5;

export type Spot = readonly [x: number, y: number];

/**
 * Where a place (corner frame) is drawn. Whoever faces a left wheel has the vehicle's front at the left hand; whoever stands before the
 * vehicle has a left wheel's outside at the right hand.
 */
export function spotOf(view: View, side: Side, [x, y, z]: Vec3): Spot {
  const hand = side === 'left' ? -1 : 1;
  return view === 'outside' ? [hand * x, -z] : [-hand * y, -z];
}

export interface DrawnReading {
  readonly index: number;
  readonly at: Spot;
  /** End of its miss, drawn `MISS_DRAWN` times as long: toward the tire where less was read than the edge says. */
  readonly miss: Spot | null;
  readonly isDoubted: boolean;
}

export interface DrawnThing {
  readonly id: string;
  /** The edge, or a block's outline, as a path; null: single places. */
  readonly edge: string | null;
  readonly isClosed: boolean;
  /** Within which the edge lies in 90 of 100 cases. */
  readonly band: string | null;
  readonly readings: readonly DrawnReading[];
  /** Where photos show it. */
  readonly seen: readonly Spot[];
}

const smooth = line<Spot>().curve(curveCatmullRom);
const straight = line<Spot>();

/** What is known of a thing beside its fitted edge. */
export interface ThingKnown {
  /** Known positions, corner frame, mm; in their order a line, or a block's corners. */
  readonly shape?: { readonly type: string; readonly points: readonly Vec3[] } | undefined;
}

/** What the readings and positions of one thing are drawn as in a view. */
export function drawnThing(found: SurveyedReadings, view: View, side: Side, known: ThingKnown = {}): DrawnThing {
  const spot = (at: Vec3): Spot => spotOf(view, side, at);
  const readings = found.readings.map(({ at, gapOffMm, misses }, index): DrawnReading => {
    const away = Math.hypot(at[0], at[2]) || 1;
    const by = gapOffMm === null ? 0 : MISS_DRAWN * gapOffMm;
    const end: Vec3 = [at[0] - (by * at[0]) / away, at[1], at[2] - (by * at[2]) / away];
    return { index, at: spot(at), miss: Math.abs(by) < MISS_DRAWN / 2 ? null : spot(end), isDoubted: misses };
  });
  const { edge } = found;
  const isBlock = edge !== null && edge.length > 3 && isBlockLike(edge);
  const { shape } = known;
  const places = (edge?.map(({ at }) => at) ?? shape?.points ?? []).map(spot);
  const isHull = isBlock || (edge === null && shape?.type === 'panel');
  const isLine = edge !== null || (shape !== undefined && shape.type !== 'points');
  return {
    id: found.id,
    edge: places.length < 2 || !isLine ? null : isHull ? hullPath(places) : edge ? smooth(places) : straight(places),
    isClosed: isHull,
    band:
      edge && edge.length > 1 && !isBlock && edge.some(({ radialMm }) => radialMm > 0)
        ? bandPath(edge, view, side)
        : null,
    readings,
    seen: found.seen.map(({ at }) => spot(at)),
  };
}

/** A block's corners come face by face: consecutive ones of a curve are never the same place. */
const isBlockLike = (edge: readonly SurveyedPlace[]): boolean =>
  new Set(edge.map(({ at }) => at.map((v) => v.toFixed(3)).join())).size < edge.length / 2;

function hullPath(places: readonly Spot[]): string | null {
  const hull = polygonHull(places.map(([x, y]): [number, number] => [x, y]));
  return hull ? `${straight(hull)}Z` : null;
}

/** Widest band worth drawing, mm: beyond it nothing is known of that stretch. */
const WIDEST_MM = 150;

function bandPath(edge: readonly SurveyedPlace[], view: View, side: Side): string | null {
  const beside = (sign: number) => (place: SurveyedPlace) => {
    const { at, radialMm, lateralMm } = place;
    const away = Math.hypot(at[0], at[2]) || 1;
    const by = sign * Math.min(WIDEST_MM, view === 'outside' ? radialMm : lateralMm);
    const there: Vec3 =
      view === 'outside'
        ? [at[0] + (by * at[0]) / away, at[1], at[2] + (by * at[2]) / away]
        : [at[0], at[1] + by, at[2]];
    return spotOf(view, side, there);
  };
  return `${straight([...edge.map(beside(1)), ...edge.map(beside(-1)).reverse()])}Z`;
}
