import { interpolate, type Vec3 } from '../../1-base/geometry/vec3';

/** rad: an edge surveyed around the wheel is followed in steps no longer than this. */
const STEP = (4 * Math.PI) / 180;

/** rad: places further apart round the axle than this are joined straight: nothing says that the edge curves there. */
const WIDEST = (75 * Math.PI) / 180;

/** A place of an edge: `part` of the way from the surveyed place `from` to the next. */
export interface EdgePlace {
  readonly at: Vec3;
  readonly from: number;
  readonly part: number;
}

/**
 * The edge through places surveyed round the wheel, in order: between two of them it keeps turning round the hub's
 * line (parallel to y through the origin) while its distance from it and its y change evenly, as an arch does; a
 * straight chord would cut inside it. Places of the corner frame, mm.
 */
export function edgeThrough(places: readonly Vec3[]): EdgePlace[] {
  return places.flatMap((at, from) => {
    const next = places[from + 1];
    const here: EdgePlace = { at, from, part: 0 };
    return next ? [here, ...between(at, next).map((place) => ({ ...place, from }))] : [here];
  });
}

function between(from: Vec3, to: Vec3): Omit<EdgePlace, 'from'>[] {
  const start = Math.atan2(from[0], from[2]);
  const turn = Math.atan2(to[0], to[2]) - start;
  const way = Math.atan2(Math.sin(turn), Math.cos(turn));
  const count = Math.abs(way) > WIDEST ? 1 : Math.ceil(Math.abs(way) / STEP);
  return Array.from({ length: Math.max(0, count - 1) }, (_, i) => {
    const part = (i + 1) / count;
    const [, y] = interpolate(from, to, part);
    const r = Math.hypot(from[0], from[2]) * (1 - part) + Math.hypot(to[0], to[2]) * part;
    return { at: [r * Math.sin(start + way * part), y, r * Math.cos(start + way * part)] as const, part };
  });
}
