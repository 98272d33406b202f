import { piecePlaces } from '../../3-survey/shape/piece-places';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import type { TireSection } from '../../2-vehicle/tire/section';

/**
 * The fender's edge as surveyed: in each stretch of 10 degrees about the wheel's centre the furthest outboard place of what
 * goes with the body above the tire, mm outboard of the hub face; null where nothing was surveyed.
 */
export interface FenderEdge {
  /** From 50 degrees behind the top to 30 ahead of it. */
  readonly outboardMm: readonly (number | null)[];
}

/** 78/549/EEC: a guard covers the wheel from 30 degrees ahead of its center to 50 behind (from memory). */
const BEHIND_DEG = 50;
const AHEAD_DEG = 30;
const STRETCH_DEG = 10;

/** mm from the hub's centre: nearer things of the body are no fender. */
const LEAST_RADIUS_MM = 250;

const PLACES_MM = 20;

/**
 * The edge of a corner, wheels straight at the surveyed height; or with the fender raised over the hub and moved forward against it
 * since, mm.
 */
export function fenderEdge(
  { obstacles }: Pick<PreparedCorner, 'obstacles'>,
  { raisedMm, forwardMm }: { readonly raisedMm: number; readonly forwardMm: number } = { raisedMm: 0, forwardMm: 0 },
): FenderEdge {
  const outboardMm = Array.from({ length: (BEHIND_DEG + AHEAD_DEG) / STRETCH_DEG }, (): number | null => null);
  for (const { mount, material, insideWheel, pieces, radiusMm } of obstacles) {
    const isEdge = material === 'sheetMetal' || material === 'plastic';
    if (mount !== 'body' || insideWheel || !isEdge) continue;
    const { at } = piecePlaces(pieces, PLACES_MM);
    for (let i = 0; i < at.length; i += 3) {
      const [x, y, z] = [at[i]! + forwardMm, at[i + 1]!, at[i + 2]! + raisedMm];
      if (z <= 0 || Math.hypot(x, z) < LEAST_RADIUS_MM) continue;
      const stretch = Math.floor((toDegrees(Math.atan2(x, z)) + BEHIND_DEG) / STRETCH_DEG);
      if (stretch < 0 || stretch >= outboardMm.length) continue;
      outboardMm[stretch] = Math.max(outboardMm[stretch] ?? -Infinity, y + radiusMm);
    }
  }
  return { outboardMm };
}

/** The edge at the top, mm outboard of the hub face; null where it was not surveyed. */
export function edgeAtTop({ outboardMm }: FenderEdge): number | null {
  const top = BEHIND_DEG / STRETCH_DEG;
  const near = [outboardMm[top - 1], outboardMm[top]].filter((y): y is number => y !== null && y !== undefined);
  return near.length > 0 ? Math.max(...near) : null;
}

/** A tire's outer side, straight ahead: its widest place about the hub (mm outboard of the hub face, mm from the axis) and the camber. */
export interface OuterSide {
  readonly widestMm: number;
  readonly widestRadiusMm: number;
  /** + = top outboard. */
  readonly camberRad: number;
}

/** The outer side of a section at a centre plane. */
export const outerSide = (section: TireSection, centrePlaneMm: number, camberDeg: number): OuterSide => ({
  widestMm: centrePlaneMm + section.widthMm / 2,
  widestRadiusMm: section.widestRadiusMm,
  camberRad: toRadians(camberDeg),
});

/**
 * Where the outer side stands so far round from the top (rad), mm outboard of the hub face: the widest place leans in or out with the
 * camber, by its height over the hub.
 */
export const outerAt = ({ widestMm, widestRadiusMm, camberRad }: OuterSide, fromTopRad = 0): number =>
  widestMm * Math.cos(camberRad) + widestRadiusMm * Math.cos(fromTopRad) * Math.sin(camberRad);

/** Whether the fender covers all of a tire, in each stretch where it stands furthest out; null where too little of its edge is known. */
export function covers({ outboardMm }: FenderEdge, side: OuterSide): boolean | null {
  const isBare = (y: number | null, i: number): boolean => {
    const ends = [i, i + 1].map((k) => toRadians(k * STRETCH_DEG - BEHIND_DEG));
    return y !== null && y < Math.max(...ends.map((angle) => outerAt(side, angle)));
  };
  if (outboardMm.some(isBare)) return false;
  return outboardMm.every((y) => y !== null) ? true : null;
}
