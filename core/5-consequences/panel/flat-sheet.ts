import { add, cross, dot, normalize, scale, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import type { Side } from '../../2-vehicle/motion/steering';
import { planeThrough, type PanelMesh } from '../../3-survey/shape/panel-mesh';

/** A place on a drawing at full size, mm: to the right and up, as the panel is seen from outside the vehicle. */
export type SheetPoint = readonly [right: number, up: number];

/** A sheet laid flat in the plane that fits it best. */
export interface FlatSheet {
  /** mm by which the sheet leaves that plane at most: by so little lengths on paper are short. */
  readonly offPlaneMm: number;
  /** Corner frame to the drawing. */
  toSheet(point: Vec3): SheetPoint;
  /** The hub's centre looked at square to the plane: where plumb and level lines cross. */
  readonly hub: SheetPoint;
  /** Direction of plumb up on the drawing, unit; null where the sheet lies level. */
  readonly plumb: SheetPoint | null;
}

/** Share of a plane's slope under which it lies level and has no plumb line. */
const LEAST_PLUMB = 0.05;

/**
 * Lays a sheet flat, as somebody standing outside sees it: on the left of the vehicle the front is to the left. `mirrored` gives the
 * drawing for the other side.
 */
export function flatSheet({ points }: PanelMesh, side: Side, mirrored = false): FlatSheet {
  const { u, v } = planeThrough(points);
  const raised = normalize(cross(u, v));
  // Toward whoever looks from outside, or from above where the sheet lies level.
  const faces = Math.abs(raised[1]) > 1e-6 ? raised[1] : raised[2];
  const normal = scale(raised, faces < 0 ? -1 : 1);
  const upright = subtract([0, 0, 1], scale(normal, normal[2]));
  const steep = Math.hypot(...upright);
  const up = steep > LEAST_PLUMB ? scale(upright, 1 / steep) : normalize(subtract([0, 1, 0], scale(normal, normal[1])));
  // The corner frame of a right-hand corner is a mirror image of the vehicle.
  const seen = (side === 'left') !== mirrored ? 1 : -1;
  const right = scale(cross(up, normal), seen);
  const centre = scale(
    points.reduce((sum, p) => add(sum, p), [0, 0, 0] as Vec3),
    1 / Math.max(1, points.length),
  );
  const toSheet = (point: Vec3): SheetPoint => [dot(point, right), dot(point, up)];
  return {
    offPlaneMm: points.reduce((most, p) => Math.max(most, Math.abs(dot(subtract(p, centre), normal))), 0),
    toSheet,
    hub: toSheet([0, 0, 0]),
    plumb: steep > LEAST_PLUMB ? [0, 1] : null,
  };
}
