import { pieceEnd, pieceStart, type Piece, type PlanePoint } from './outline';

/**
 * Where `ConvexPiece.measure` puts its answer: signed distance and its slope along a and r; then, for a place inside, the same of
 * the side that is second nearest (the first number is -Infinity where there is none). Inside, each is the distance to a straight
 * line that the region does not pass, and so is every mean of the two: none of them is above the distance anywhere.
 */
export type Measure = Float64Array;

export const newMeasure = (): Measure => new Float64Array(6);

const LINE = 0;
const ARC = 1;

/** Numbers kept for each stretch of the boundary. */
const STRIDE = 10;

const { abs, max, min, sqrt } = Math;

/**
 * A convex region of the half-plane (a, r), bounded by lines and arcs walked with the region on the right (clockwise
 * with a to the right and r up). Gives signed distance and its slope; both are those of a convex function, so
 * the tangent at any place bounds the distance everywhere from below.
 */
export class ConvexPiece {
  readonly #data: Float64Array;
  /** The region is the mirror image of itself in a = 0 and only its part a >= 0 is given. */
  readonly #folded: boolean;
  readonly #middleA: number;
  readonly #halfA: number;
  readonly #lowR: number;
  readonly #highR: number;

  constructor(pieces: readonly Piece<unknown>[], folded: boolean) {
    this.#folded = folded;
    this.#data = new Float64Array(pieces.length * STRIDE);
    pieces.forEach((piece, i) => this.#data.set(flat(piece), i * STRIDE));
    // Arcs of a convex boundary bulge beyond their ends; their furthest places are ends too once arcs are split.
    const ends = pieces.flatMap((piece) => [pieceStart(piece), pieceEnd(piece)]);
    const highA = max(...ends.map((p) => p.a));
    const lowA = folded ? -highA : min(...ends.map((p) => p.a));
    this.#middleA = (highA + lowA) / 2;
    this.#halfA = (highA - lowA) / 2;
    // The axis is no boundary.
    const low = min(...ends.map((p) => p.r));
    this.#lowR = low > 0 ? low : -Infinity;
    this.#highR = max(...ends.map((p) => p.r));
  }

  /** What the signed distance is not below, quickly: by the box around the region. */
  atLeast(a: number, r: number): number {
    const beside = abs(a - this.#middleA) - this.#halfA;
    const above = r - this.#highR;
    const below = this.#lowR - r;
    const most = above > below ? above : below;
    return beside > most ? beside : most;
  }

  /** Signed distance of (a, r), + outside, with its slope, into `out`. */
  measure(a: number, r: number, out: Measure): void {
    const data = this.#data;
    const mirrored = this.#folded && a < 0;
    const x = mirrored ? -a : a;
    const end = data.length;
    let outside = false;
    // Outside: the nearest corner.
    let corner = Infinity;
    let cornerA = 0;
    let cornerR = 0;
    // Inside: the two nearest sides.
    let first = -Infinity;
    let firstA = 0;
    let firstR = 0;
    let second = -Infinity;
    let secondA = 0;
    let secondR = 0;
    for (let k = 0; k < end; k += STRIDE) {
      const da = x - data[k + 1]!;
      const dr = r - data[k + 2]!;
      let side: number;
      let sideA: number;
      let sideR: number;
      // Outside a convex region, a foot on its boundary is the nearest place.
      let isFoot: boolean;
      if (data[k] === LINE) {
        sideA = data[k + 5]!;
        sideR = data[k + 6]!;
        side = da * sideA + dr * sideR;
        const alongA = data[k + 3]!;
        const alongR = data[k + 4]!;
        const length = data[k + 7]!;
        const u = da * alongA + dr * alongR;
        isFoot = u >= 0 && u <= length;
        if (side > 0 && !isFoot) {
          outside = true;
          const v = u < 0 ? 0 : length;
          const ea = da - v * alongA;
          const er = dr - v * alongR;
          const d = sqrt(ea * ea + er * er);
          if (d < corner) {
            corner = d;
            cornerA = ea / d;
            cornerR = er / d;
          }
        }
      } else {
        const away = sqrt(da * da + dr * dr);
        if (!(away > 0 && da * data[k + 4]! + dr * data[k + 5]! >= away * data[k + 6]!)) continue;
        side = away - data[k + 3]!;
        sideA = da / away;
        sideR = dr / away;
        isFoot = true;
      }
      if (side > 0 && isFoot) {
        out[0] = side;
        out[1] = mirrored ? -sideA : sideA;
        out[2] = sideR;
        out[3] = -Infinity;
        return;
      }
      if (side > first) {
        second = first;
        secondA = firstA;
        secondR = firstR;
        first = side;
        firstA = sideA;
        firstR = sideR;
      } else if (side > second) {
        second = side;
        secondA = sideA;
        secondR = sideR;
      }
    }
    out[0] = outside ? corner : first;
    out[1] = outside ? (mirrored ? -cornerA : cornerA) : mirrored ? -firstA : firstA;
    out[2] = outside ? cornerR : firstR;
    out[3] = outside ? -Infinity : second;
    out[4] = mirrored ? -secondA : secondA;
    out[5] = secondR;
  }
}

/** Line: kind, start, unit direction, outward normal, length. Arc: kind, centre, radius, middle direction, cos of half. */
function flat(piece: Piece<unknown>): number[] {
  if (piece.kind === 'line') {
    const da = piece.to.a - piece.from.a;
    const dr = piece.to.r - piece.from.r;
    const length = max(1e-12, sqrt(da * da + dr * dr));
    return [LINE, piece.from.a, piece.from.r, da / length, dr / length, -dr / length, da / length, length];
  }
  const middle = (piece.start + piece.end) / 2;
  const half = min(Math.PI, abs(piece.end - piece.start) / 2);
  // A hair wider than the arc: neighbours share their joint and leave no crack.
  const cosHalf = Math.cos(half) - 1e-12;
  return [ARC, piece.centre.a, piece.centre.r, piece.radius, Math.cos(middle), Math.sin(middle), cosHalf];
}

/** Rectangle a0..a1 by r0..r1; its side on the axis (r0 = 0) is no boundary. */
export function rectanglePiece(a0: number, a1: number, r0: number, r1: number): ConvexPiece {
  const corner = (a: number, r: number): PlanePoint => ({ a, r });
  const line = (from: PlanePoint, to: PlanePoint): Piece<null> => ({ kind: 'line', from, to, tag: null });
  const sides = [
    line(corner(a0, r0), corner(a0, r1)),
    line(corner(a0, r1), corner(a1, r1)),
    line(corner(a1, r1), corner(a1, r0)),
  ];
  if (r0 > 0) sides.push(line(corner(a1, r0), corner(a0, r0)));
  return new ConvexPiece(sides, false);
}
