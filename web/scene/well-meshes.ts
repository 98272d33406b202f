/** The wheel well as solids for the 3-D view: corner frame in mm, x forward, y outboard, z up. */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  InstancedMesh,
  LatheGeometry,
  Matrix4,
  Mesh,
  MeshLambertMaterial,
  SphereGeometry,
  TubeGeometry,
  CatmullRomCurve3,
  Vector2,
  Vector3,
} from 'three';
import type { Rotor } from '@/core/2-vehicle/setup/rotor';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import { flatten, makeOutline, type Piece } from '@/core/1-base/geometry/outline';
import { toMatrix4, type Pose } from '@/core/1-base/geometry/pose';
import { cornersOf, vertexOf } from '@/core/3-survey/shape/shape';
import type { Material } from '@/core/3-survey/shape/material';
import type { Across } from '@/core/2-vehicle/tire/section';
import type { PreparedObstacle } from '@/core/3-survey/prepared/prepared-obstacle';

/** Colours by what a thing is made of: metal cool, rubber and plastic warm, moving steel dark. */
export const MATERIAL_COLOURS: Readonly<Record<Material, string>> = {
  sheetMetal: '#5f7f99',
  bodyMount: '#41607c',
  frame: '#2f4558',
  arm: '#6a6350',
  knuckle: '#7b745f',
  brake: '#9a8b4f',
  spring: '#8a7a3c',
  swayBar: '#757d57',
  hose: '#7a4d33',
  wire: '#955f2e',
  plastic: '#a8907a',
  liner: '#b9a994',
};

/** Points and thin edges are drawn this thick, mm, so that they can be seen. */
const LEAST_RADIUS_MM = 8;
/** Most pieces of one obstacle that are drawn. */
const DRAWN_PIECES = 4000;

const matrixOf = (pose: Pose): Matrix4 => new Matrix4().set(...(toMatrix4(pose).flat() as Parameters<Matrix4['set']>));

export function moveTo(object: Mesh | Group | InstancedMesh, pose: Pose): void {
  object.matrixAutoUpdate = false;
  object.matrix.copy(matrixOf(pose));
  object.matrixWorldNeedsUpdate = true;
}

/** Tire and wheel about the spin axis (y), filled: rubber in one material, rim and disc in the other. */
export function rotorObject(rotor: Rotor, rubber: MeshLambertMaterial, metal: MeshLambertMaterial): Group {
  const group = new Group();
  const isMetal = ({ tag }: Piece<Across>): boolean => tag === 'outerFlange' || tag === 'innerFlange';
  const runs: Piece<Across>[][] = [];
  for (const piece of rotor.section.outline.pieces) {
    const last = runs.at(-1);
    if (last && isMetal(last[0]!) === isMetal(piece)) last.push(piece);
    else runs.push([piece]);
  }
  for (const run of runs) {
    const places = flatten(makeOutline(run), 1).map(({ a, r }) => new Vector2(Math.max(r, 0), a + rotor.centrePlaneMm));
    group.add(new Mesh(new LatheGeometry(places, 96), isMetal(run[0]!) ? metal : rubber));
  }
  return group;
}

/** One obstacle in its mount's frame: balls, tubes or a sheet. */
export function obstacleObject(obstacle: PreparedObstacle, colour: Color): Group {
  const group = new Group();
  group.name = obstacle.id;
  const material = new MeshLambertMaterial({ color: colour, side: DoubleSide });
  const radius = Math.max(LEAST_RADIUS_MM, obstacle.radiusMm);
  const { pieces } = obstacle;
  const count = pieces.corners.length;
  const step = Math.max(1, Math.ceil(count / DRAWN_PIECES));
  const points: Vector3[] = [];
  const sheet: number[] = [];
  for (let i = 0; i < count; i += step) {
    const n = cornersOf(pieces, i);
    const corners = Array.from({ length: n }, (_, j) => new Vector3(...vertexOf(pieces, i, j)));
    if (n === 1) points.push(corners[0]!);
    else if (n === 2) {
      const curve = new CatmullRomCurve3([corners[0]!, corners[1]!]);
      group.add(new Mesh(new TubeGeometry(curve, 1, radius, 10), material));
      points.push(...corners);
    } else sheet.push(...corners.flatMap((c) => c.toArray()));
  }
  if (points.length) {
    const balls = new InstancedMesh(new SphereGeometry(radius, 10, 8), material, points.length);
    points.forEach((p, i) => balls.setMatrixAt(i, new Matrix4().makeTranslation(p)));
    group.add(balls);
  }
  if (sheet.length) {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new Float32BufferAttribute(sheet, 3));
    geometry.computeVertexNormals();
    group.add(new Mesh(geometry, material));
  }
  group.traverse((child) => (child.userData['obstacle'] = obstacle.id));
  return group;
}

/** The region swept, as a veil. */
export function sweptMesh(shape: SweptShape, colour: Color): Mesh {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(shape.places), 3));
  geometry.setIndex(new BufferAttribute(shape.triangles, 1));
  geometry.computeVertexNormals();
  const material = new MeshLambertMaterial({
    color: colour,
    transparent: true,
    opacity: 0.16,
    side: DoubleSide,
    depthWrite: false,
    // Where it lies on the tire, the tire is seen.
    polygonOffset: true,
    polygonOffsetFactor: 2,
    polygonOffsetUnits: 2,
  });
  return new Mesh(geometry, material);
}
