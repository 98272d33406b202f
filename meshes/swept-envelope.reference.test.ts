import { madeCorner } from '@/core/fixtures/made-corner';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { NodeIO } from '@gltf-transform/core';
import Module, { type ManifoldToplevel } from 'manifold-3d';
import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three';
import { STLLoader } from 'three/addons/loaders/STLLoader.js';
import { MeshBVH } from 'three-mesh-bvh';
import { fittedSetup } from '@/core/2-vehicle/setup/setup';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { postureOf } from '@/core/4-clearance/oracle/plain-sweep';
import { prepareCorner } from '@/core/4-clearance/case/prepared-corner';
import { SweptDistance } from '@/core/4-clearance/pictures/swept-distance';
import { flatten } from '@/core/1-base/geometry/outline';
import { place } from '@/core/1-base/geometry/pose';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';
import { ProblemError } from '@/core/1-base/problem';
import { pointOf } from './closed-mesh';
import { sweptEnvelope, type SweptMesh } from './swept-envelope';
import { writeGltf, writeStl } from './write-mesh';

const FITTED = { tire: { size: '18x8.50-8' }, wheel: { diameterIn: 8, widthIn: 7, offsetMm: 10 }, spacerMm: 0 };
const CART: CornerDescription = madeCorner({
  motion: { type: 'swingArm', frontView: { y: -420, z: -20 } },
  steering: { inclinationDeg: 6, casterDeg: 4, kingpinOffsetMm: 60, lockLeftDeg: 24, lockRightDeg: 20 },
  staticCamberDeg: 0.5,
  staticToeDeg: 0.2,
  travel: { bumpMm: 45, droopMm: 35 },
  fitted: FITTED,
});
const EDGE_MM = 24;

describe('the swept envelope of a small cart', () => {
  const corner = prepareCorner('frontLeft', CART, fittedSetup(FITTED), 'trail');
  let mesh: SweptMesh;
  let library: ManifoldToplevel;

  beforeAll(async () => {
    mesh = await sweptEnvelope(corner, EDGE_MM);
    library = await Module();
    library.setup();
  });

  test('is closed: every side is run through once each way', () => {
    const sides = new Map<string, number>();
    const { triangles } = mesh;
    for (let i = 0; i < triangles.length; i += 3) {
      for (let k = 0; k < 3; k++) {
        const key = `${triangles[i + k]}>${triangles[i + ((k + 1) % 3)]}`;
        sides.set(key, (sides.get(key) ?? 0) + 1);
      }
    }
    for (const [key, count] of sides) {
      const [from, to] = key.split('>');
      expect({ key, count, back: sides.get(`${to}>${from}`) }).toEqual({ key, count: 1, back: 1 });
    }
    expect(sides.size).toBeGreaterThan(3000);
  });

  // A facet cuts inside a bend of radius R by edge^2 / 8 R, and the surface is moved out by that much.
  test('says by how much it is outside the true space: more than nothing, no more than twice what it was moved', () => {
    const movedMm = Math.min(EDGE_MM / 2, EDGE_MM ** 2 / (8 * 12));
    const { meanMm, mostMm } = mesh.outside;
    expect(meanMm).toBeGreaterThan(0.5 * movedMm);
    expect(mostMm).toBeGreaterThanOrEqual(meanMm);
    expect(mostMm).toBeLessThan(2 * movedMm);
    const swept = new SweptDistance(corner);
    // Measured here at other corners of the mesh than there.
    const count = mesh.positions.length / 3;
    const here = Array.from({ length: 50 }, (_, i) => swept.at(pointOf(mesh, (7 + 97 * i) % count)));
    for (const mm of here) expect(mm).toBeLessThan(mostMm + 1);
  });

  // manifold-3d: a mesh taken from its file must be an oriented manifold, in one piece and with volume.
  test('is taken by a mesh library as one manifold body', () => {
    const again = new library.Manifold(
      new library.Mesh({ numProp: 3, vertProperties: Float32Array.from(mesh.positions), triVerts: mesh.triangles }),
    );
    expect(again.status()).toBe('NoError');
    expect(again.decompose()).toHaveLength(1);
    expect(again.volume()).toBeGreaterThan(Math.PI * 228 * 228 * 210);
    again.delete();
  });

  // three-mesh-bvh: a ray from a place inside a closed surface crosses it an odd number of times.
  test('holds the wheel in every posture, and is nowhere much larger than it has to be', () => {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(Float32Array.from(mesh.positions), 3));
    geometry.setIndex(new BufferAttribute(Uint32Array.from(mesh.triangles), 1));
    const bvh = new MeshBVH(geometry);
    const random = seededRandom(99);
    const ray = new Ray(new Vector3(), new Vector3(0.31, 0.58, 0.75).normalize());
    const outline = flatten(corner.rotor.section.outline, 0.5);
    const { droop, bump } = corner.envelope.limits;
    for (let n = 0; n < 3000; n++) {
      const share = (): number => Math.min(1, Math.max(0, 1.3 * random() - 0.15));
      const posture = postureOf(corner, [droop + (bump - droop) * share(), 2 * share() - 1, 0, 0, 0]);
      const { a, r } = outline[Math.floor(random() * outline.length)]!;
      const turn = 2 * Math.PI * random();
      const at = place(corner.motion.wheelPose(posture), [
        r * Math.cos(turn),
        corner.rotor.centrePlaneMm + a,
        r * Math.sin(turn),
      ]);
      ray.origin.set(...at);
      expect({ n, at, inside: bvh.raycast(ray, DoubleSide).length % 2 }).toEqual({ n, at, inside: 1 });
    }
    const swept = new SweptDistance(corner);
    for (let i = 0; i < mesh.positions.length / 3; i += 17) {
      expect(swept.at(pointOf(mesh, i))).toBeLessThan(EDGE_MM / 2 + 1);
    }
  });

  // three's loader and glTF-Transform read back what was written.
  test('STL keeps millimetres and the corner frame; glTF is in metres with y up', async () => {
    const stl = writeStl(mesh);
    const read = new STLLoader().parse(
      stl.buffer.slice(stl.byteOffset, stl.byteOffset + stl.byteLength) as ArrayBuffer,
    );
    expect(read.getAttribute('position').count).toBe(mesh.triangles.length);
    read.computeBoundingBox();
    const highest = mesh.positions.reduce((most, v, i) => (i % 3 === 2 && v > most ? v : most), -Infinity);
    expect(read.boundingBox!.max.z).toBeCloseTo(highest, 3);

    const document = await new NodeIO().readBinary(await writeGltf(mesh, 'swept'));
    const [max] = [document.getRoot().listMeshes()[0]!.listPrimitives()[0]!.getAttribute('POSITION')!.getMax([])];
    expect(max[1]).toBeCloseTo(highest / 1000, 5);
  });
});

test('sides too short or too long are refused', async () => {
  const corner = prepareCorner('frontLeft', CART, fittedSetup(FITTED), 'trail');
  await expect(sweptEnvelope(corner, 2)).rejects.toThrow(ProblemError);
  await expect(sweptEnvelope(corner, Number.NaN)).rejects.toThrow(/--edge: expected 8 to 60 mm/);
});
