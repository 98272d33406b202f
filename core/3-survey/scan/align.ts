import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { place, type Pose, type Rotation } from '../../1-base/geometry/pose';
import { add, cross, distance, dot, normalize, scale, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { joinPath, ProblemError } from '../../1-base/problem';

/** A place known both in the scan (scaled to mm) and in the corner frame, mm. */
export interface NamedPoint {
  readonly name: string;
  readonly scan: Vec3;
  readonly corner: Vec3;
}

export interface Alignment {
  /** Scan (mm) to corner frame. */
  readonly pose: Pose;
  /** How far each named point lands from where it should, mm. */
  readonly residuals: readonly { readonly name: string; readonly mm: number }[];
}

/** mm a named point may be off before the points are said not to agree. */
export const ALIGNMENT_MM = 10;

/** Share of the spread of points by which they must lie beside one line. */
const LEAST_BREADTH = 0.02;

/**
 * The placing that brings three or more named points of a scan onto theirs in the corner frame with the least sum of
 * squares: Horn, Closed-form solution of absolute orientation using unit quaternions (J. Opt. Soc. Am. A 4, 1987).
 * @throws ProblemError for fewer than three points, points in one line, and points that do not agree (which, and by how much).
 */
export function alignByPoints(points: readonly NamedPoint[], path = 'points'): Alignment {
  if (points.length < 3) {
    throw new ProblemError({
      code: 'missing',
      path,
      expected: 'three or more named points',
      found: `${points.length}`,
    });
  }
  const scanned = centered(points.map((p) => p.scan));
  const known = centered(points.map((p) => p.corner));
  for (const [which, { off }] of [
    ['scan', scanned],
    ['corner', known],
  ] as const) {
    if (breadth(off) >= LEAST_BREADTH) continue;
    const expected = `points that do not lie in one line (${which})`;
    throw new ProblemError({ code: 'contradiction', path, expected, found: points.map((p) => p.name).join(', ') });
  }
  const rotation = hornRotation(scanned.off, known.off);
  return checked(points, poseAbout(rotation, scanned.centre, known.centre), path);
}

/** What is known of the hub's face in a scan: three or more places on one circle of it, and two named points. */
export interface HubFace {
  readonly face: readonly Vec3[];
  readonly points: readonly NamedPoint[];
}

/**
 * The placing that brings the hub's face of a scan onto that of the corner (`wheel`: wheel frame to corner frame at survey)
 * and two more points as near to theirs as turning about the spin axis can.
 * @throws ProblemError as `alignByPoints`.
 */
export function alignByHubFace({ face, points }: HubFace, wheel: Pose, path = ''): Alignment {
  if (face.length < 3) {
    const expected = 'three or more places on one circle of the hub face';
    throw new ProblemError({ code: 'missing', path: joinPath(path, 'face'), expected, found: `${face.length}` });
  }
  if (points.length < 2) {
    const expected = 'two named points beside the hub face';
    throw new ProblemError({ code: 'missing', path: joinPath(path, 'points'), expected, found: `${points.length}` });
  }
  const { centre, off } = centered(face);
  if (breadth(off) < LEAST_BREADTH) {
    const expected = 'places on a circle, not in one line';
    throw new ProblemError({ code: 'contradiction', path: joinPath(path, 'face'), expected, found: 'one line' });
  }
  const normal = planeNormal(off);
  const middle = circleCentre(face, centre, normal);
  const axis: Vec3 = [wheel.rotation[1], wheel.rotation[4], wheel.rotation[7]];
  // A face has two sides: the points tell which looks outboard.
  const [best] = [normal, scale(normal, -1)]
    .map((outboard) => {
      const pose = poseAbout(turnOnto(outboard, axis, middle, wheel.origin, points), middle, wheel.origin);
      return { pose, worst: Math.max(...points.map((p) => distance(place(pose, p.scan), p.corner))) };
    })
    .sort((a, b) => a.worst - b.worst);
  return checked(points, best!.pose, joinPath(path, 'points'));
}

function checked(points: readonly NamedPoint[], pose: Pose, path: string): Alignment {
  const residuals = points.map(({ name, scan, corner }) => ({ name, mm: distance(place(pose, scan), corner) }));
  const off = residuals.filter(({ mm }) => !(mm <= ALIGNMENT_MM));
  if (off.length > 0) {
    throw new ProblemError(
      ...off.map(({ name, mm }) => ({
        code: 'contradiction' as const,
        path: joinPath(path, name),
        expected: `points that agree to ${ALIGNMENT_MM} mm`,
        found: `${mm.toFixed(1)} mm off`,
      })),
    );
  }
  return { pose, residuals };
}

function centered(points: readonly Vec3[]): { centre: Vec3; off: Vec3[] } {
  const sum = points.reduce((total, p) => add(total, p), [0, 0, 0] as Vec3);
  const centre = scale(sum, 1 / points.length);
  return { centre, off: points.map((p) => subtract(p, centre)) };
}

const covariance = (a: readonly Vec3[], b: readonly Vec3[]): number[][] =>
  [0, 1, 2].map((i) => [0, 1, 2].map((j) => a.reduce((sum, p, k) => sum + p[i]! * b[k]![j]!, 0)));

/** Spread beside the longest direction over the spread along it. */
function breadth(off: readonly Vec3[]): number {
  const [, middle, most] = eigen(covariance(off, off)).values;
  return most! > 0 ? Math.sqrt(Math.max(0, middle!) / most!) : 0;
}

function planeNormal(off: readonly Vec3[]): Vec3 {
  const { vectors } = eigen(covariance(off, off));
  return normalize([vectors[0]![0]!, vectors[1]![0]!, vectors[2]![0]!]);
}

/** Eigenvalues of a symmetric matrix in rising order, and their vectors as columns. */
function eigen(matrix: number[][]): { values: number[]; vectors: number[][] } {
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(new Matrix(matrix), {
    assumeSymmetric: true,
  });
  return { values: realEigenvalues, vectors: eigenvectorMatrix.to2DArray() };
}

/** The rotation that takes one set of centered points onto another best: the largest eigenvector of Horn's 4 x 4 matrix. */
function hornRotation(from: readonly Vec3[], to: readonly Vec3[]): Rotation {
  const [[xx, xy, xz], [yx, yy, yz], [zx, zy, zz]] = covariance(from, to) as unknown as [Vec3, Vec3, Vec3];
  const { vectors } = eigen([
    [xx + yy + zz, yz - zy, zx - xz, xy - yx],
    [yz - zy, xx - yy - zz, xy + yx, zx + xz],
    [zx - xz, xy + yx, -xx + yy - zz, yz + zy],
    [xy - yx, zx + xz, yz + zy, -xx - yy + zz],
  ]);
  const [w, x, y, z] = vectors.map((row) => row[3]!) as [number, number, number, number];
  return [
    w * w + x * x - y * y - z * z,
    2 * (x * y - w * z),
    2 * (x * z + w * y),
    2 * (x * y + w * z),
    w * w - x * x + y * y - z * z,
    2 * (y * z - w * x),
    2 * (x * z - w * y),
    2 * (y * z + w * x),
    w * w - x * x - y * y + z * z,
  ];
}

/** Turns by `rotation` and brings `from` onto `to`. */
function poseAbout(rotation: Rotation, from: Vec3, to: Vec3): Pose {
  return { rotation, origin: subtract(to, place({ rotation, origin: [0, 0, 0] }, from)) };
}

/** Centre of the circle in a plane that fits points best: |p - c|^2 = R^2 is linear in c and R^2 - |c|^2 (Kasa's fit). */
function circleCentre(points: readonly Vec3[], about: Vec3, normal: Vec3): Vec3 {
  const u = normalize(cross(normal, Math.abs(normal[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]));
  const v = cross(normal, u);
  const flat = points.map((p) => [dot(subtract(p, about), u), dot(subtract(p, about), v)] as const);
  const s = (f: (x: number, y: number) => number): number => flat.reduce((sum, [x, y]) => sum + f(x, y), 0);
  const square = (x: number, y: number): number => x * x + y * y;
  const [xx, xy, yy] = [s((x) => x * x), s((x, y) => x * y), s((_, y) => y * y)];
  const [bx, by] = [s((x, y) => x * square(x, y)) / 2, s((x, y) => y * square(x, y)) / 2];
  const det = xx * yy - xy * xy;
  const cu = (bx * yy - by * xy) / det;
  const cv = (by * xx - bx * xy) / det;
  return add(about, add(scale(u, cu), scale(v, cv)));
}

/** The rotation that takes `from` (unit) onto `axis` (unit) and turns named points about it nearest to theirs. */
function turnOnto(from: Vec3, axis: Vec3, middle: Vec3, origin: Vec3, points: readonly NamedPoint[]): Rotation {
  const start = perpendicular(from);
  const goal = perpendicular(axis);
  let sine = 0;
  let cosine = 0;
  for (const { scan, corner } of points) {
    const a = inPlane(subtract(scan, middle), from, start);
    const b = inPlane(subtract(corner, origin), axis, goal);
    cosine += a[0] * b[0] + a[1] * b[1];
    sine += a[0] * b[1] - a[1] * b[0];
  }
  const turn = Math.atan2(sine, cosine);
  const turned = add(scale(goal, Math.cos(turn)), scale(cross(axis, goal), Math.sin(turn)));
  return basisChange([start, cross(from, start), from], [turned, cross(axis, turned), axis]);
}

const perpendicular = (axis: Vec3): Vec3 => normalize(cross(axis, Math.abs(axis[0]) < 0.9 ? [1, 0, 0] : [0, 0, 1]));

const inPlane = (p: Vec3, axis: Vec3, start: Vec3): readonly [number, number] => [
  dot(p, start),
  dot(p, cross(axis, start)),
];

/** Takes one set of three square unit vectors onto another. */
function basisChange(from: readonly [Vec3, Vec3, Vec3], to: readonly [Vec3, Vec3, Vec3]): Rotation {
  return [0, 1, 2].flatMap((i) =>
    [0, 1, 2].map((j) => from.reduce((sum, f, k) => sum + to[k]![i]! * f[j]!, 0)),
  ) as unknown as Rotation;
}
