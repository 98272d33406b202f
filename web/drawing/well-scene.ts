/**
 * What the well views draw, in the corner frame (mm): silhouettes of the fitted and the tried tire, every
 * obstacle in the posture looked at, and the shortest way between tire and obstacle.
 */
import { polygonHull } from 'd3-polygon';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { solidAt } from '@/core/4-clearance/oracle/posture-gap';
import type { Looked } from '@/core/4-clearance/pictures/touch-section';
import { surveyMotion } from '@/core/2-vehicle/setup/motion-under';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import { nearestOnSolid, prepareRotor, type Rotor } from '@/core/2-vehicle/setup/rotor';
import { flatten } from '@/core/1-base/geometry/outline';
import { place, rotate, unplace, type Pose } from '@/core/1-base/geometry/pose';
import type { Vec3 } from '@/core/1-base/geometry/vec3';
import { inToMm } from '@/core/1-base/units/length';
import type { Side } from '@/core/2-vehicle/motion/steering';
import { cornersOf, vertexOf, type PieceSet } from '@/core/3-survey/shape/shape';
import { cloudsOf, fittedGap, partSolids } from './part-solids';

export interface SceneObstacle {
  readonly id: string;
  readonly label: string;
  readonly verdict: ObstacleVerdict['verdict'] | null;
  readonly strands: readonly (readonly Vec3[])[];
  /** Clouds about the solid it is drawn as, each convex. */
  readonly solids: readonly (readonly Vec3[])[];
}

export interface WellScene {
  readonly side: Side;
  readonly fitted: readonly Vec3[];
  readonly tried: readonly Vec3[];
  readonly hub: Vec3;
  /** The tried wheel's own axes, forward and up, turned with it; and its sizes, mm. */
  readonly wheel: {
    readonly forward: Vec3;
    readonly up: Vec3;
    readonly face: Vec3;
    readonly tireRadiusMm: number;
    readonly rimRadiusMm: number;
  };
  readonly obstacles: readonly SceneObstacle[];
  /** The picked obstacle's place and the nearest place on the tire. */
  readonly touch: { readonly obstacle: Vec3; readonly tire: Vec3; readonly gapMm: number; readonly id: string } | null;
}

/** Rings on the surface of the solid: enough that a drawn silhouette is good to a line's width. */
function surface(rotor: Rotor, pose: Pose): Vec3[] {
  const outline = flatten(rotor.section.outline, 1).filter((p) => p.r > 1);
  const points: Vec3[] = [];
  for (const { a, r } of outline) {
    for (let i = 0; i < 90; i++) {
      const angle = (i * Math.PI) / 45;
      points.push(place(pose, [r * Math.sin(angle), rotor.centrePlaneMm + a, r * Math.cos(angle)]));
    }
  }
  return points;
}

/** Scene of one corner in a posture. */
export function wellScene(
  prepared: PreparedCorner,
  corner: CornerDescription,
  verdicts: readonly ObstacleVerdict[],
  { posture, met }: Looked,
): WellScene {
  const { key } = prepared;
  const wheel = prepared.motion.wheelPose(posture);
  const solids = solidsIn(prepared, corner);
  const parked = surveyMotion(key, corner).wheelPose({ travel: 0, steer: 0 });
  return {
    side: prepared.side,
    fitted: surface(prepareRotor(corner.fitted, `corners.${key}.fitted`), parked),
    tried: surface(prepared.rotor, wheel),
    hub: wheel.origin,
    wheel: wheelOf(prepared.rotor, wheel),
    obstacles: prepared.obstacles.map((o, i) => {
      const mount = prepared.motion.mountPose(o.mount, posture);
      return {
        id: o.id,
        label: o.label,
        verdict: verdicts.find((v) => v.corner === key && v.id === o.id)?.verdict ?? null,
        strands: strandsOf(o.pieces, mount),
        solids: solids[i]!.map((cloud) => cloud.map((at) => place(mount, at))),
      };
    }),
    touch: met && {
      id: met.id,
      gapMm: met.gapMm,
      obstacle: met.at,
      tire: nearestOnTire(prepared.rotor, isInside(prepared, met.id), wheel, met.at),
    },
  };
}

/** The tried wheel as it is seen from outside. */
function wheelOf(rotor: Rotor, wheel: Pose): WellScene['wheel'] {
  const { section, rimWidthIn, centrePlaneMm } = rotor;
  return {
    forward: rotate(wheel.rotation, [1, 0, 0]),
    up: rotate(wheel.rotation, [0, 0, 1]),
    face: place(wheel, [0, centrePlaneMm + inToMm(rimWidthIn) / 2, 0]),
    tireRadiusMm: section.diameterMm / 2,
    rimRadiusMm: inToMm(section.size.rimDiameterIn) / 2,
  };
}

/** Solids hang on the survey alone: worked out once for a corner, not again for every posture looked at. */
const solidsKept = new WeakMap<PreparedCorner, readonly Vec3[][][]>();

/** Clouds about the solids of each obstacle, in its mount's frame. */
function solidsIn(prepared: PreparedCorner, corner: CornerDescription): readonly Vec3[][][] {
  const kept = solidsKept.get(prepared);
  if (kept) return kept;
  const gap = fittedGap(prepared.key, corner);
  const made = prepared.obstacles.map((part) =>
    partSolids(part, prepared.motion.mountPose(part.mount, { travel: 0, steer: 0 }), gap).flatMap(cloudsOf),
  );
  solidsKept.set(prepared, made);
  return made;
}

/** Most pieces of one obstacle that are drawn: a scan is thinned evenly to this. */
const DRAWN_PIECES = 1500;

/** Points, stretches and closed triangles of an obstacle, where its mount has taken them. */
function strandsOf(pieces: PieceSet, mount: Pose): Vec3[][] {
  const count = pieces.corners.length;
  const step = Math.max(1, Math.ceil(count / DRAWN_PIECES));
  return Array.from({ length: Math.ceil(count / step) }, (_, k) => {
    const i = k * step;
    const n = cornersOf(pieces, i);
    const corners = Array.from({ length: n }, (_, j) => place(mount, vertexOf(pieces, i, j)));
    return n === 3 ? [...corners, corners[0] as Vec3] : corners;
  });
}

/** Nearest place on the tried tire and wheel (or inside the wheel) to a point, corner frame. */
function nearestOnTire(rotor: Rotor, insideWheel: boolean, wheel: Pose, point: Vec3): Vec3 {
  const [x, y, z] = unplace(wheel, point);
  const r = Math.hypot(x, z);
  const near = nearestOnSolid(solidAt(rotor, insideWheel, wheel, point), y - rotor.centrePlaneMm, r);
  const k = r > 0 ? near.r / r : 0;
  return place(wheel, [x * k, near.a + rotor.centrePlaneMm, z * k]);
}

const isInside = (corner: PreparedCorner, id: string): boolean =>
  corner.obstacles.find((o) => o.id === id)?.insideWheel === true;

export type ViewName = 'front' | 'above' | 'side';

/**
 * Corner frame to a drawing plane (mm, right and down). The three views fold out from one another: above sits on
 * the front view, the side view stands beside it. Outboard is to the right on a left-hand corner.
 */
export function projector(view: ViewName, side: Side): (p: Vec3) => readonly [number, number] {
  const hand = side === 'left' ? 1 : -1;
  switch (view) {
    case 'front':
      return ([, y, z]) => [hand * y, -z];
    case 'above':
      return ([x, y]) => [hand * y, x];
    case 'side':
      return ([x, , z]) => [-hand * x, -z];
  }
}

/** What the views show, in mm of the corner frame: one range an axis, so that all views come out at one scale. */
export interface SceneWindow {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
  readonly z: readonly [number, number];
}

/** Ranges grow in steps, so that the picture does not swim while a posture changes. */
const WINDOW_STEP_MM = 80;
const WINDOW_MARGIN_MM = 25;

export function sceneWindow(scene: WellScene): SceneWindow {
  const points = [...scene.fitted, ...scene.tried, ...scene.obstacles.flatMap((o) => o.strands.flat())];
  const range = (axis: 0 | 1 | 2): readonly [number, number] => {
    let low = Infinity;
    let high = -Infinity;
    for (const point of points) {
      low = Math.min(low, point[axis]);
      high = Math.max(high, point[axis]);
    }
    const step = (value: number, round: (v: number) => number): number =>
      round(value / WINDOW_STEP_MM) * WINDOW_STEP_MM;
    return [step(low - WINDOW_MARGIN_MM, Math.floor), step(high + WINDOW_MARGIN_MM, Math.ceil)];
  };
  return { x: range(0), y: range(1), z: range(2) };
}

/** The window of one view in its drawing plane (mm): left, top, width, height. */
export function viewBox(window: SceneWindow, view: ViewName, side: Side): readonly [number, number, number, number] {
  const project = projector(view, side);
  const a = project([window.x[0], window.y[0], window.z[0]]);
  const b = project([window.x[1], window.y[1], window.z[1]]);
  const [left, top] = [Math.min(a[0], b[0]), Math.min(a[1], b[1])];
  return [left, top, Math.abs(b[0] - a[0]), Math.abs(b[1] - a[1])];
}

/** Outline of a convex cloud of points in a view, closed. */
export function silhouette(
  points: readonly Vec3[],
  project: (p: Vec3) => readonly [number, number],
): [number, number][] {
  return polygonHull(points.map((p) => [...project(p)] as [number, number])) ?? [];
}
