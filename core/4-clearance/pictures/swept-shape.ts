import { place, unplace, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { inOneGo, type Piecemeal } from '../../1-base/piecemeal';
import { newMeasure } from '../../1-base/geometry/convex-piece';
import { postureGrid, type GridSize } from './posture-grid';
import type { PreparedCorner } from '../case/prepared-corner';

/**
 * The space that tire and wheel sweep, as far as it reaches in each direction from a place inside it (corner frame, mm):
 * a closed surface for pictures. Recesses of the wheel are bridged; facets cut a sharp shoulder by some mm.
 */
export interface SweptShape {
  readonly from: Vec3;
  /** x, y, z of each place on the surface: both poles, then rings from the first to the second. */
  readonly places: Float64Array;
  readonly triangles: Uint32Array;
}

export interface SweptDetail {
  /** Places round each ring, and rings between the poles. */
  readonly round: number;
  readonly rings: number;
  readonly postures: GridSize;
}

export const SWEPT_DETAIL: SweptDetail = { round: 120, rings: 59, postures: { travel: 9, steer: 21, other: 3 } };

/** The same, coarse, in a fraction of the time: what moves while a hand does. */
export const SWEPT_COARSE: SweptDetail = { round: 48, rings: 23, postures: { travel: 5, steer: 9, other: 2 } };

/**
 * Every filled wheel contains the middle of the travel, straight ahead, so what they sweep together reaches one distance
 * in each direction. null where one does not (extreme locks on a very narrow tire). Pauses after each ring's worth of directions.
 */
export function* drawSweptShape(corner: PreparedCorner, detail = SWEPT_DETAIL): Piecemeal<SweptShape | null> {
  const { motion, envelope, rotor } = corner;
  const { lowest, highest } = envelope.limits;
  const hull = rotor.filled.hull;
  if (!hull) return null;
  const middle = motion.wheelPose({ travel: (lowest + highest) / 2, steer: 0 });
  const from = place(middle, [0, rotor.centrePlaneMm, 0]);
  const wheels = postureGrid(corner, { from: lowest, to: highest }, detail.postures).postures.map((p) =>
    motion.wheelPose(p),
  );
  const out = newMeasure();
  const distance = (wheel: Pose, point: Vec3): number => {
    const [x, y, z] = unplace(wheel, point);
    hull.measure(y - rotor.centrePlaneMm, Math.hypot(x, z), out);
    return out[0]!;
  };
  if (wheels.some((wheel) => !(distance(wheel, from) < 0))) return null;
  const { section } = rotor;
  const furthest =
    Math.max(...wheels.map(({ origin }) => Math.hypot(origin[0] - from[0], origin[1] - from[1], origin[2] - from[2]))) +
    Math.hypot(section.diameterMm / 2, section.widthMm / 2 + Math.abs(rotor.centrePlaneMm)) +
    section.flangeMm;
  const directions = sphere(detail);
  const places = new Float64Array(3 * directions.length);
  for (const [i, way] of directions.entries()) {
    const at = (reach: number): Vec3 => [from[0] + way[0] * reach, from[1] + way[1] * reach, from[2] + way[2] * reach];
    let reach = 0;
    for (const wheel of wheels) {
      // A convex wheel that does not hold the place reached so far ends before it.
      if (reach > 0 && distance(wheel, at(reach)) >= 0) continue;
      let end = furthest;
      for (let left = distance(wheel, at(end)); left > TRACED_MM; left = distance(wheel, at(end))) end -= left;
      reach = Math.max(reach, end);
    }
    places.set(at(reach), 3 * i);
    if (i % detail.round === 0) yield;
  }
  return { from, places, triangles: sphereTriangles(detail) };
}

/** The same in one go. */
export const sweptShape = (...asked: Parameters<typeof drawSweptShape>): SweptShape | null =>
  inOneGo(drawSweptShape(...asked));

/** mm at which a ray has arrived. */
const TRACED_MM = 0.2;

/** Both poles (along y), then ring after ring. */
function sphere({ round, rings }: SweptDetail): Vec3[] {
  const found: Vec3[] = [
    [0, 1, 0],
    [0, -1, 0],
  ];
  for (let ring = 1; ring <= rings; ring++) {
    const polar = (Math.PI * ring) / (rings + 1);
    for (let k = 0; k < round; k++) {
      const angle = (2 * Math.PI * k) / round;
      found.push([Math.sin(polar) * Math.sin(angle), Math.cos(polar), Math.sin(polar) * Math.cos(angle)]);
    }
  }
  return found;
}

function sphereTriangles({ round, rings }: SweptDetail): Uint32Array {
  const found: number[] = [];
  const at = (ring: number, k: number): number => 2 + ring * round + (k % round);
  for (let k = 0; k < round; k++) {
    found.push(0, at(0, k), at(0, k + 1), 1, at(rings - 1, k + 1), at(rings - 1, k));
    for (let ring = 0; ring + 1 < rings; ring++) {
      found.push(at(ring, k), at(ring + 1, k), at(ring, k + 1), at(ring, k + 1), at(ring + 1, k), at(ring + 1, k + 1));
    }
  }
  return Uint32Array.from(found);
}
