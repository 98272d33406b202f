/** The wheel well as solids for the 3-D view: corner frame in mm, x forward, y outboard, z up. */
import {
  BoxGeometry,
  BufferAttribute,
  BufferGeometry,
  CapsuleGeometry,
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
  CylinderGeometry,
  Vector2,
  Vector3,
} from 'three';
import type { Rotor } from '@/core/2-vehicle/setup/rotor';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import { flatten, makeOutline, type Piece } from '@/core/1-base/geometry/outline';
import { toMatrix4, type Pose } from '@/core/1-base/geometry/pose';
import { cornersOf, vertexOf } from '@/core/3-survey/shape/shape';
import { hollowWheel } from '@/core/2-vehicle/wheel/wheel-section';
import type { Across } from '@/core/2-vehicle/tire/section';
import type { PreparedObstacle } from '@/core/3-survey/prepared/prepared-obstacle';
import { partSolids, type FittedGap, type PartSolid } from '../drawing/part-solids';

/** Points and thin edges are drawn this thick, mm, so that they can be seen. */
const LEAST_RADIUS_MM = 8;
/** A measured place on a solid. */
const PLACE_RADIUS_MM = 5;
/** Most pieces of one obstacle that are drawn. */
const DRAWN_PIECES = 4000;

const matrixOf = (pose: Pose): Matrix4 => new Matrix4().set(...(toMatrix4(pose).flat() as Parameters<Matrix4['set']>));

export function moveTo(object: Mesh | Group | InstancedMesh, pose: Pose): void {
  object.matrixAutoUpdate = false;
  object.matrix.copy(matrixOf(pose));
  object.matrixWorldNeedsUpdate = true;
}

/** About the spin axis (y): a path of [mm along it, mm from it], turned. */
const turned = (path: readonly (readonly [a: number, r: number])[], material: MeshLambertMaterial): Mesh =>
  new Mesh(
    new LatheGeometry(
      path.map(([a, r]) => new Vector2(Math.max(r, 0), a)),
      96,
    ),
    material,
  );

/** How a wheel is told from a disc: five spokes, and rows of tread blocks. For the eye alone. */
const SPOKES = 5;
const SPOKE_WIDTH_MM = 62;
const HUB_RADIUS_MM = 82;
const TREAD_ROWS = 44;
const TREAD_LINES = 4;

/** Tire and wheel about the spin axis (y): the tire's own section, the wheel's barrel, hub and spokes where its offset puts them. */
export function rotorObject(rotor: Rotor, rubber: MeshLambertMaterial, metal: MeshLambertMaterial): Group {
  const group = new Group();
  const { section, centrePlaneMm: middle, rimWidthIn, offsetMm, inside } = rotor;
  const isTire = ({ tag }: Piece<Across>): boolean => tag !== 'outerFlange' && tag !== 'innerFlange';
  const tire = flatten(makeOutline(section.outline.pieces.filter(isTire)), 1).map(
    ({ a, r }) => [a + middle, r] as const,
  );
  group.add(turned(tire, rubber));
  const { metal: blocks } = hollowWheel({
    diameterIn: section.size.rimDiameterIn,
    widthIn: rimWidthIn,
    offsetMm,
    ...inside,
  });
  for (const [from, to, low, high] of blocks) {
    const [left, right] = [from + middle, to + middle];
    // What reaches from the axis out is pad and spokes; everything else runs all the way round.
    if (low > 0 && high - low < 0.5 * high) {
      const ring = [
        [left, low],
        [left, high],
        [right, high],
        [right, low],
        [left, low],
      ] as const;
      group.add(turned(ring, metal));
    } else group.add(...spokes(left, right, low, high, metal));
  }
  group.add(tread(rotor, rubber));
  return group;
}

function spokes(left: number, right: number, low: number, high: number, metal: MeshLambertMaterial): (Mesh | Group)[] {
  const thick = right - left;
  const parts: (Mesh | Group)[] = [];
  if (low < HUB_RADIUS_MM) {
    const hub = new Mesh(new CylinderGeometry(HUB_RADIUS_MM, HUB_RADIUS_MM, thick, 40), metal);
    hub.position.y = (left + right) / 2;
    parts.push(hub);
  }
  const from = Math.max(low, 0.8 * HUB_RADIUS_MM);
  if (high <= from) return parts;
  for (let i = 0; i < SPOKES; i++) {
    const arm = new Mesh(new BoxGeometry(SPOKE_WIDTH_MM, thick, high - from), metal);
    arm.position.set(0, (left + right) / 2, (high + from) / 2);
    const turn = new Group();
    turn.rotation.y = (2 * Math.PI * i) / SPOKES;
    turn.add(arm);
    parts.push(turn);
  }
  return parts;
}

/** Rows of blocks across the tread, no higher than a line's width over the tire as it is computed. */
function tread({ section, centrePlaneMm }: Rotor, rubber: MeshLambertMaterial): InstancedMesh {
  const radius = section.diameterMm / 2;
  const wide = section.treadWidthMm / TREAD_LINES;
  const long = (2 * Math.PI * radius) / TREAD_ROWS;
  const dark = rubber.clone();
  dark.color.multiplyScalar(0.72);
  const blocks = new InstancedMesh(new BoxGeometry(0.62 * long, 0.72 * wide, 3), dark, TREAD_ROWS * TREAD_LINES);
  for (let row = 0; row < TREAD_ROWS; row++) {
    for (let line = 0; line < TREAD_LINES; line++) {
      const angle = (2 * Math.PI * (row + (line % 2) / 2)) / TREAD_ROWS;
      const out = new Matrix4().makeTranslation(0, centrePlaneMm + (line - (TREAD_LINES - 1) / 2) * wide, radius - 1);
      blocks.setMatrixAt(row * TREAD_LINES + line, new Matrix4().makeRotationY(angle).multiply(out));
    }
  }
  return blocks;
}

/** A solid that a part is drawn as. */
function solidMeshes(solid: PartSolid, material: MeshLambertMaterial): (Mesh | InstancedMesh)[] {
  switch (solid.kind) {
    case 'rod': {
      const [from, to] = [new Vector3(...solid.from), new Vector3(...solid.to)];
      const capsule = new Mesh(new CapsuleGeometry(solid.radiusMm, from.distanceTo(to), 6, 14), material);
      capsule.position.copy(from).add(to).multiplyScalar(0.5);
      capsule.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), to.sub(from).normalize());
      return [capsule];
    }
    case 'block': {
      const block = new Mesh(new BoxGeometry(...solid.sizeMm), material);
      block.position.set(...solid.center);
      return [block];
    }
    case 'puck': {
      const puck = new Mesh(new CylinderGeometry(solid.radiusMm, solid.radiusMm, solid.heightMm, 28), material);
      puck.rotation.x = Math.PI / 2;
      puck.position.set(...solid.center);
      return [puck];
    }
    case 'coil': {
      const wound = Array.from({ length: 97 }, (_, i): Vector3 => {
        const angle = (2 * Math.PI * i) / 16;
        const up = solid.heightMm * (i / 96 - 0.5);
        return new Vector3(solid.radiusMm * Math.cos(angle), solid.radiusMm * Math.sin(angle), up).add(
          new Vector3(...solid.center),
        );
      });
      return [new Mesh(new TubeGeometry(new CatmullRomCurve3(wound), 192, 7, 8), material)];
    }
    case 'strip': {
      const places = solid.edge.slice(1).flatMap((to, i) => {
        const [from, back, farBack] = [solid.edge[i]!, solid.back[i + 1]!, solid.back[i]!];
        return [from, to, back, from, back, farBack].flat();
      });
      const geometry = new BufferGeometry();
      geometry.setAttribute('position', new Float32BufferAttribute(places, 3));
      geometry.computeVertexNormals();
      const edge = new CatmullRomCurve3(solid.edge.map((at) => new Vector3(...at)));
      return [new Mesh(geometry, material), new Mesh(new TubeGeometry(edge, 4 * solid.edge.length, 4, 8), material)];
    }
  }
}

/**
 * One obstacle in its mount's frame: its measured places as balls, tubes or a sheet, and behind them the solid that a part of its kind is.
 * `survey` takes the mount's frame to the corner frame at the surveyed height.
 */
export function obstacleObject(obstacle: PreparedObstacle, colour: Color, survey: Pose, gap: FittedGap): Group {
  const group = new Group();
  group.name = obstacle.id;
  const material = new MeshLambertMaterial({ color: colour, side: DoubleSide });
  const solids = partSolids(obstacle, survey, gap);
  for (const solid of solids) group.add(...solidMeshes(solid, material));
  const radius = Math.max(solids.length > 0 ? PLACE_RADIUS_MM : LEAST_RADIUS_MM, obstacle.radiusMm);
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
