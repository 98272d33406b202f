import { beforeAll, describe, expect, test } from '@jest/globals';
import Module, { type Manifold, type ManifoldToplevel } from 'manifold-3d';
import { BufferGeometry, Float32BufferAttribute, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import { flatten } from '../../1-base/geometry/outline';
import { toMatrix4, unplace, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { cornerMotion } from '../../2-vehicle/motion/corner-motion';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { prepareRotor, solidDistance, type Rotor } from '../../2-vehicle/setup/rotor';

/**
 * Gaps against two independent libraries: manifold-3d (mesh booleans, least gap of two closed meshes) and three-mesh-bvh
 * (closest point on a triangle mesh). Both see the tire and wheel as a turned polygon of many facets.
 */
const ROTORS: readonly (readonly [string, Rotor])[] = (
  [
    ['285/70R17', 17, 8.5, 10, 0],
    ['225/45R17', 17, 7.5, 45, 5],
    ['205/40R17', 17, 9.5, 20, 0],
    ['35x12.50R17LT', 17, 9, -12, 0],
    ['18x8.50-8', 8, 7, 0, 20],
  ] as const
).map(([size, diameterIn, widthIn, offsetMm, spacerMm]) => [
  size,
  prepareRotor({ tire: { size }, wheel: { diameterIn, widthIn, offsetMm }, spacerMm }, ''),
]);

/** Facets round the axis: a chord lies inside the circle by R (1 - cos(pi / FACETS)), 0.06 mm at 450 mm. */
const FACETS = 192;
const faceting = (rotor: Rotor): number => (rotor.section.diameterMm / 2) * (1 - Math.cos(Math.PI / FACETS)) + 0.02;

const MOTION = cornerMotion({
  path: '',
  side: 'left',
  motion: { type: 'doubleWishbone', tape: { lowerArmMm: 380 } },
  steering: { lockLeftDeg: 35, lockRightDeg: 30 },
  camberDeg: -1,
  toeDeg: 0.2,
  casterChangeDeg: 0,
  axleShiftMm: 0,
  linkageDropMm: 0,
  bodyLiftMm: 0,
});

function postures(count: number, seed: number): { pose: Pose; random: () => number }[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => ({
    pose: MOTION.wheelPose({ travel: -90 + 170 * random(), steer: -0.5 + 1.1 * random() }),
    random,
  }));
}

/** A place beside the tire, off by up to 120 mm, corner frame. */
function beside(random: () => number, { section }: Rotor): Vec3 {
  const angle = 2 * Math.PI * random();
  const radius = (section.diameterMm / 2) * (0.2 + random()) + 60 * random();
  return [radius * Math.sin(angle), (random() - 0.5) * (section.widthMm + 260), radius * Math.cos(angle)];
}

describe('closest place on a triangle mesh (three-mesh-bvh)', () => {
  test.each(ROTORS)('%s: distances outside agree within faceting', (_size, rotor) => {
    const polygon = flatten(rotor.filled.outline, 0.005).map(({ a, r }) => ({ a, r: Math.max(r, 0.01) }));
    const positions: number[] = [];
    const ring = (p: { a: number; r: number }, k: number): number[] => {
      const angle = (2 * Math.PI * k) / FACETS;
      return [p.r * Math.sin(angle), p.a, p.r * Math.cos(angle)];
    };
    polygon.slice(1).forEach((to, i) => {
      const from = polygon[i]!;
      for (let k = 0; k < FACETS; k++) {
        positions.push(...ring(from, k), ...ring(to, k), ...ring(to, k + 1));
        positions.push(...ring(from, k), ...ring(to, k + 1), ...ring(from, k + 1));
      }
    });
    const geometry = new BufferGeometry().setAttribute('position', new Float32BufferAttribute(positions, 3));
    const bvh = new MeshBVH(geometry);
    let compared = 0;
    for (const { pose, random } of postures(60, 11)) {
      const [x, y, z] = unplace(pose, beside(random, rotor));
      const mine = solidDistance(rotor.filled, y - rotor.centrePlaneMm, Math.hypot(x, z));
      if (mine <= 0.5) continue;
      const hit = bvh.closestPointToPoint(new Vector3(x, y - rotor.centrePlaneMm, z));
      expect(Math.abs(hit!.distance - mine)).toBeLessThan(faceting(rotor) + 0.1);
      compared++;
    }
    expect(compared).toBeGreaterThan(20);
  });
});

describe('least gap of two closed meshes (manifold-3d)', () => {
  let kernel: ManifoldToplevel;
  beforeAll(async () => {
    kernel = await Module();
    kernel.setup();
  });

  /** Turned about its own z, then stood up so that z becomes the spin axis y. */
  const solidOf = (rotor: Rotor): Manifold => {
    const path = flatten(rotor.filled.outline, 0.005).map((p): [number, number] => [p.r, p.a]);
    const turned = kernel.CrossSection.ofPolygons([path], 'NonZero').revolve(FACETS);
    return turned.rotate([-90, 0, 0]).translate([0, rotor.centrePlaneMm, 0]);
  };

  test.each(ROTORS)('%s: gaps to lopsided bodies in random postures', (_size, rotor) => {
    const tire = solidOf(rotor);
    let compared = 0;
    for (const { pose, random } of postures(12, 29)) {
      const at = beside(random, rotor);
      // A lopsided tetrahedron; its least distance is that of its nearest place, found here by its corners and edges.
      const corners = [0, 1, 2, 3].map((): Vec3 => [
        at[0] + 50 * (random() - 0.5),
        at[1] + 40 * (random() - 0.5),
        at[2] + 60 * (random() - 0.5),
      ]);
      const body = kernel.Manifold.hull(corners.map((p) => [...p] as [number, number, number]));
      // Column-major 4 x 4.
      const matrix = toMatrix4(pose);
      const placed = tire.transform([0, 1, 2, 3].flatMap((c) => matrix.map((row) => row[c]!)) as never);
      const theirs = placed.minGap(body, 400);
      const mine = leastOfHull(rotor, pose, corners);
      if (mine <= 0.5) {
        expect(theirs).toBeLessThan(1);
        continue;
      }
      expect(Math.abs(theirs - mine)).toBeLessThan(faceting(rotor) + 0.1);
      compared++;
    }
    expect(compared).toBeGreaterThan(3);
  });
});

/** Least distance over the faces of a tetrahedron, sampled finely and then again around the best. */
function leastOfHull(rotor: Rotor, pose: Pose, corners: readonly Vec3[]): number {
  const gap = (p: Vec3): number => {
    const [x, y, z] = unplace(pose, p);
    return solidDistance(rotor.filled, y - rotor.centrePlaneMm, Math.hypot(x, z));
  };
  let best = Infinity;
  for (let skip = 0; skip < 4; skip++) {
    const [a, b, c] = corners.filter((_, i) => i !== skip) as [Vec3, Vec3, Vec3];
    let centre = [1 / 3, 1 / 3];
    for (let width = 1; width > 1e-4; width /= 4) {
      let [least, here] = [Infinity, centre];
      for (let i = -10; i <= 10; i++) {
        for (let j = -10; j <= 10; j++) {
          const s = Math.min(1, Math.max(0, centre[0]! + (width * i) / 10));
          const w = Math.min(1 - s, Math.max(0, centre[1]! + (width * j) / 10));
          const d = gap([0, 1, 2].map((k) => a[k]! + s * (b[k]! - a[k]!) + w * (c[k]! - a[k]!)) as unknown as Vec3);
          if (d < least) [least, here] = [d, [s, w]];
        }
      }
      centre = here;
      best = Math.min(best, least);
    }
  }
  return best;
}
