/**
 * What surveyed parts are drawn as: simple solids by what they are made of and how they hang, behind the places that were measured, nowhere
 * nearer to the wheel than those by more than a line's width. For the eye alone: verdicts know nothing of them.
 */
import { place, unplace, type Pose } from '@/core/1-base/geometry/pose';
import { add, length, scale, subtract, type Vec3 } from '@/core/1-base/geometry/vec3';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { PreparedObstacle } from '@/core/3-survey/prepared/prepared-obstacle';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { surveyMotion } from '@/core/2-vehicle/setup/motion-under';
import { prepareRotor, solidDistance } from '@/core/2-vehicle/setup/rotor';
import { cornersOf, vertexOf } from '@/core/3-survey/shape/shape';
import type { Material } from '@/core/3-survey/shape/material';

/** Lengths in mm, in the mount's frame; axes of blocks, pucks and coils are the frame's own. */
export type PartSolid =
  | { readonly kind: 'rod'; readonly from: Vec3; readonly to: Vec3; readonly radiusMm: number }
  | { readonly kind: 'block'; readonly center: Vec3; readonly sizeMm: Vec3 }
  | { readonly kind: 'puck' | 'coil'; readonly center: Vec3; readonly radiusMm: number; readonly heightMm: number }
  /** A strip from an edge to where its panel goes; both run alike. */
  | { readonly kind: 'strip'; readonly edge: readonly Vec3[]; readonly back: readonly Vec3[] };

/** mm from which a measured piece is thick enough to be drawn as it is. */
const THICK_MM = 5;
/** mm to which a solid may come nearer than what was measured. */
const LINE_WIDTH_MM = 2;
/** Most places of a part that its solid is drawn by. */
const MOST_PLACES = 60;

/** How far a panel is drawn beyond its edge, mm. */
const PANEL_MM: Readonly<Partial<Record<Material, number>>> = { sheetMetal: 55, plastic: 80, liner: 70 };

/** How far a place of the corner frame stood from the fitted wheel while it was surveyed, mm; below 0: within it. */
export type FittedGap = (part: PreparedObstacle, at: Vec3) => number;

export function fittedGap(key: CornerKey, corner: CornerDescription): FittedGap {
  const fitted = prepareRotor(corner.fitted, `corners.${key}.fitted`);
  const hub = surveyMotion(key, corner).wheelPose({ travel: 0, steer: 0 });
  return ({ insideWheel }, at) => {
    const [x, y, z] = unplace(hub, at);
    return solidDistance(insideWheel ? fitted.hollow : fitted.filled, y - fitted.centrePlaneMm, Math.hypot(x, z));
  };
}

/**
 * The solids of a part. `survey` takes its mount's frame to the corner frame at the surveyed height, wheels straight. None where its
 * measured shape is a solid already.
 */
export function partSolids(part: PreparedObstacle, survey: Pose, gap: FittedGap): PartSolid[] {
  if (!isThin(part)) return [];
  const places = placesOf(part).map((at) => place(survey, at));
  if (places.length === 0) return [];
  const own = (at: Vec3): number => gap(part, at);
  const first = places.reduce((best, at) => (own(at) < own(best) ? at : best));
  const away = awayFrom(own, first);
  return solidsAt(part, places, first, away)
    .flatMap((solid) => pushed(solid, own, own(first), away) ?? [])
    .map((solid) => inFrame(solid, (at) => unplace(survey, at)));
}

/** The way out from the wheel at a place. */
function awayFrom(gap: (at: Vec3) => number, [x, y, z]: Vec3): Vec3 {
  const step = 0.5;
  const slope: Vec3 = [
    gap([x + step, y, z]) - gap([x - step, y, z]),
    gap([x, y + step, z]) - gap([x, y - step, z]),
    gap([x, y, z + step]) - gap([x, y, z - step]),
  ];
  return length(slope) < 1e-6 ? radial([x, y, z]) : unit(slope);
}

/**
 * A solid moved out until it is nowhere nearer to the wheel than what was measured; of a strip what goes away from its edge.
 * null: there is no room for it, as within a wheel.
 */
function pushed(solid: PartSolid, gap: (at: Vec3) => number, leastMm: number, away: Vec3): PartSolid | null {
  let out = solid;
  const shortOf = (): number => leastMm - Math.min(...cloudsOf(out).flat().map(gap));
  for (let i = 0; i < 4; i++) {
    const short = shortOf();
    if (short <= 0.1) return out;
    const moved = (at: Vec3): Vec3 => add(at, scale(away, short));
    out = out.kind === 'strip' ? { ...out, back: out.back.map(moved) } : inFrame(out, moved);
  }
  return shortOf() <= LINE_WIDTH_MM ? out : null;
}

function isThin({ pieces, radiusMm }: PreparedObstacle): boolean {
  const hasSheet = Array.from(pieces.corners).some((n) => n > 2);
  return !hasSheet && radiusMm < THICK_MM;
}

/** Its measured places along it, each once. */
function placesOf({ pieces }: PreparedObstacle): Vec3[] {
  const all: Vec3[] = [];
  for (let i = 0; i < pieces.corners.length; i++) {
    for (let j = 0; j < cornersOf(pieces, i); j++) {
      const at = vertexOf(pieces, i, j);
      const last = all.at(-1);
      if (!last || length(subtract(at, last)) > 0.5) all.push(at);
    }
  }
  const step = Math.max(1, Math.ceil(all.length / MOST_PLACES));
  return all.filter((_, i) => i % step === 0 || i === all.length - 1);
}

/** Straight away from the spin axis; up for what lies on it. */
function radial([x, , z]: Vec3): Vec3 {
  const r = Math.hypot(x, z);
  return r < 1 ? [0, 0, 1] : [x / r, 0, z / r];
}
const unit = (v: Vec3): Vec3 => scale(v, 1 / Math.max(1e-9, length(v)));

function solidsAt(
  { material, description }: PreparedObstacle,
  places: readonly Vec3[],
  at: Vec3,
  away: Vec3,
): PartSolid[] {
  const behind = (mm: number): Vec3 => add(at, scale(away, mm));
  switch (material) {
    case 'sheetMetal':
    case 'plastic':
    case 'liner':
      return [stripOf(places, PANEL_MM[material] ?? 60)];
    case 'bodyMount':
      return [{ kind: 'puck', center: behind(44), radiusMm: 40, heightMm: 74 }];
    case 'frame': {
      const xs = places.map(([x]) => x);
      const [from, to] = [Math.min(...xs) - 110, Math.max(...xs) + 110];
      return [{ kind: 'block', center: [(from + to) / 2, at[1] - 30, at[2]], sizeMm: [to - from, 60, 110] }];
    }
    case 'arm':
      return [{ kind: 'rod', from: behind(17), to: add(behind(17), [0, -260, at[2] > 0 ? 15 : -15]), radiusMm: 16 }];
    case 'swayBar': {
      const middle = behind(10);
      return description.form?.runs === 'across'
        ? [{ kind: 'rod', from: middle, to: add(middle, [0, -240, 0]), radiusMm: 10 }]
        : [{ kind: 'rod', from: add(middle, [0, 0, -80]), to: add(middle, [0, 0, 80]), radiusMm: 9 }];
    }
    case 'hose':
    case 'wire':
      return lineOf(behind(8), material === 'hose' ? 7 : 4);
    case 'spring':
      return [{ kind: 'coil', center: behind(62), radiusMm: 55, heightMm: 220 }];
    case 'knuckle':
    case 'brake':
      return [{ kind: 'block', center: behind(34), sizeMm: [58, 58, 58] }];
  }
}

/** A panel that goes away from the wheel from its edge; of a single place a short piece of edge across it. */
function stripOf(places: readonly Vec3[], deepMm: number): PartSolid {
  const edge = places.length > 1 ? [...places] : [-30, 0, 30].map((mm) => roundBy(places[0]!, mm));
  return { kind: 'strip', edge, back: edge.map((at) => add(at, scale(radial(at), deepMm))) };
}

/** So many mm further round the spin axis, as near to the tire. */
function roundBy([x, y, z]: Vec3, mm: number): Vec3 {
  const angle = mm / Math.max(1, Math.hypot(x, z));
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return [x * cos + z * sin, y, z * cos - x * sin];
}

/** A hose that comes down from inboard and goes on toward the hub carrier. */
const lineOf = (at: Vec3, radiusMm: number): PartSolid[] => {
  const [from, to] = [add(at, [-20, -90, 70]), add(at, [25, -80, -70])];
  return [
    { kind: 'rod', from, to: at, radiusMm },
    { kind: 'rod', from: at, to, radiusMm },
  ];
};

function inFrame(solid: PartSolid, to: (at: Vec3) => Vec3): PartSolid {
  switch (solid.kind) {
    case 'rod':
      return { ...solid, from: to(solid.from), to: to(solid.to) };
    case 'strip':
      return { ...solid, edge: solid.edge.map(to), back: solid.back.map(to) };
    default:
      return { ...solid, center: to(solid.center) };
  }
}

/** Places about a solid whose convex hulls, one a piece, are its outline from any side. */
export function cloudsOf(solid: PartSolid): Vec3[][] {
  switch (solid.kind) {
    case 'rod':
      return [[...ballOf(solid.from, solid.radiusMm), ...ballOf(solid.to, solid.radiusMm)]];
    case 'block':
      return [
        [-1, 1].flatMap((x) =>
          [-1, 1].flatMap((y) =>
            [-1, 1].map((z): Vec3 => {
              const [a, b, c] = solid.sizeMm;
              return add(solid.center, [(x * a) / 2, (y * b) / 2, (z * c) / 2]);
            }),
          ),
        ),
      ];
    case 'puck':
    case 'coil':
      return [
        [-1, 1].flatMap((side) =>
          around(12).map(([cos, sin]): Vec3 =>
            add(solid.center, [solid.radiusMm * cos, solid.radiusMm * sin, (side * solid.heightMm) / 2]),
          ),
        ),
      ];
    case 'strip':
      return solid.edge.slice(1).map((to, i) => [solid.edge[i]!, to, solid.back[i + 1]!, solid.back[i]!]);
  }
}

const around = (count: number): [cos: number, sin: number][] =>
  Array.from({ length: count }, (_, i) => [Math.cos((2 * Math.PI * i) / count), Math.sin((2 * Math.PI * i) / count)]);
const ballOf = (at: Vec3, r: number): Vec3[] =>
  [-0.7, 0, 0.7].flatMap((h) =>
    around(8).map(([cos, sin]): Vec3 => {
      const k = r * Math.sqrt(1 - h * h);
      return add(at, [k * cos, k * sin, r * h]);
    }),
  );
