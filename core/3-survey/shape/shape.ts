import { subtract, length, cross, type Vec3 } from '../../1-base/geometry/vec3';
import { joinPath, ProblemError } from '../../1-base/problem';

/** Known positions of an obstacle, corner frame at survey, mm. */
export type ShapeDescription =
  | { readonly type: 'points'; readonly points: readonly Vec3[] }
  | { readonly type: 'polyline'; readonly points: readonly Vec3[] }
  /** A round rod, hose or pipe: the polyline is its axis; one point makes a ball. */
  | { readonly type: 'capsule'; readonly points: readonly Vec3[]; readonly radiusMm: number }
  /** A sheet of triangles (indices into `points`), `thicknessMm` thick about its middle; both faces count. */
  | {
      readonly type: 'panel';
      readonly points: readonly Vec3[];
      readonly triangles: readonly (readonly [number, number, number])[];
      readonly thicknessMm?: number | undefined;
    }
  /** Many points from a scanner. */
  | { readonly type: 'scan'; readonly points: readonly Vec3[] };

/**
 * Pieces of an obstacle: points, straight stretches or triangles. `corners[i]` (1, 2 or 3) of piece i count, nine
 * numbers a piece in `vertices` (mm, mount's frame).
 */
export interface PieceSet {
  readonly corners: Uint8Array;
  readonly vertices: Float64Array;
}

/** Joins pieces given as lists of one to three places. */
export function makePieces(pieces: readonly (readonly Vec3[])[]): PieceSet {
  const corners = new Uint8Array(pieces.length);
  const vertices = new Float64Array(9 * pieces.length);
  pieces.forEach((piece, i) => {
    corners[i] = piece.length;
    piece.forEach((vertex, j) => vertices.set(vertex, 9 * i + 3 * j));
  });
  return { corners, vertices };
}

/** Vertex `j` of piece `i`. */
export function vertexOf({ vertices }: PieceSet, i: number, j: number): Vec3 {
  const k = 9 * i + 3 * j;
  return [vertices[k] as number, vertices[k + 1] as number, vertices[k + 2] as number];
}

export const cornersOf = ({ corners }: PieceSet, i: number): number => corners[i] as number;

/** Straight stretches between consecutive places; a single place stays a point. */
export const chain = (points: readonly Vec3[]): (readonly Vec3[])[] =>
  points.length === 1 ? [points] : points.slice(1).map((point, i) => [points[i] as Vec3, point]);

/** mm2: triangles smaller than this are slivers from a slip of the hand. */
export const LEAST_TRIANGLE_MM2 = 1e-6;

/** Pieces of a shape and how thick they are (mm each way). @throws ProblemError for a panel that is none. */
export function shapePieces(shape: ShapeDescription, path: string): { pieces: (readonly Vec3[])[]; radiusMm: number } {
  switch (shape.type) {
    case 'points':
    case 'scan':
      return { pieces: shape.points.map((point) => [point]), radiusMm: 0 };
    case 'polyline':
      return { pieces: chain(shape.points), radiusMm: 0 };
    case 'capsule':
      return { pieces: chain(shape.points), radiusMm: shape.radiusMm };
    case 'panel': {
      const pieces = shape.triangles.map((triangle, i) => {
        const corners = triangle.map((index) => shape.points[index]);
        const [a, b, c] = corners;
        const at = joinPath(joinPath(path, 'triangles'), i);
        if (!a || !b || !c) {
          throw new ProblemError({
            code: 'outOfRange',
            path: at,
            expected: `indices of points, 0 to ${shape.points.length - 1}`,
            found: triangle.join(', '),
          });
        }
        if (!(length(cross(subtract(b, a), subtract(c, a))) > LEAST_TRIANGLE_MM2)) {
          throw new ProblemError({
            code: 'contradiction',
            path: at,
            expected: 'three places that span a triangle',
            found: 'three in a line',
          });
        }
        return [a, b, c];
      });
      return { pieces, radiusMm: (shape.thicknessMm ?? 0) / 2 };
    }
  }
}

/** A place on piece `i`: its first corner plus `s` of the way to the second plus `w` of the way to the third. */
export function placeOnPiece(pieces: PieceSet, i: number, s: number, w: number): Vec3 {
  const a = vertexOf(pieces, i, 0);
  const n = pieces.corners[i] as number;
  const b = n > 1 ? vertexOf(pieces, i, 1) : a;
  const c = n > 2 ? vertexOf(pieces, i, 2) : a;
  return [
    a[0] + s * (b[0] - a[0]) + w * (c[0] - a[0]),
    a[1] + s * (b[1] - a[1]) + w * (c[1] - a[1]),
    a[2] + s * (b[2] - a[2]) + w * (c[2] - a[2]),
  ];
}
