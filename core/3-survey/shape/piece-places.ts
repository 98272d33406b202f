import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import { type PieceSet, placeOnPiece } from './shape';

/** Places along every piece of an obstacle, mount's frame, and which of them are neighbours on a piece. */
export interface PiecePlaces {
  /** x, y, z of each place, mm. */
  readonly at: Float64Array;
  /** Pairs of places with nothing but the piece between them. */
  readonly links: Uint32Array;
  /** 1: every place; n: every nth piece was taken. */
  readonly thinnedBy: number;
}

/**
 * Places no further apart than `stepMm` along stretches and across triangles, of all pieces or of those from one to before
 * another. More than `most` pieces are thinned evenly: a scan's points stand close enough for a picture.
 */
export function piecePlaces(
  pieces: PieceSet,
  stepMm: number,
  most = Infinity,
  { from, to }: { readonly from: number; readonly to: number } = { from: 0, to: pieces.corners.length },
): PiecePlaces {
  const at: number[] = [];
  const links: number[] = [];
  const thinnedBy = Math.max(1, Math.ceil((to - from) / most));
  const known = new Map<string, number>();
  /** Neighbouring pieces share their corners. */
  const add = (point: Vec3): number => {
    const key = point.join();
    const there = known.get(key);
    if (there !== undefined) return there;
    const made = at.push(...point) / 3 - 1;
    known.set(key, made);
    return made;
  };
  for (let i = from; i < to; i += thinnedBy) {
    const corner = (s: number, w: number): Vec3 => placeOnPiece(pieces, i, s, w);
    const n = pieces.corners[i] as number;
    const [a, b, c] = [corner(0, 0), corner(1, 0), corner(0, 1)];
    if (n === 1) {
      at.push(...a);
      continue;
    }
    const longest = n === 2 ? distance(a, b) : Math.max(distance(a, b), distance(b, c), distance(c, a));
    const parts = Math.max(1, Math.ceil(longest / stepMm));
    // Row by row from the first corner; a stretch is a triangle with one row.
    let before: number[] = [];
    for (let j = 0; j <= (n === 2 ? 0 : parts); j++) {
      const row = Array.from({ length: parts - j + 1 }, (_, k) => add(corner(k / parts, j / parts)));
      row.slice(1).forEach((place, k) => links.push(row[k] as number, place));
      row.forEach((place, k) => {
        if (j > 0) links.push(place, before[k] as number, place, before[k + 1] as number);
      });
      before = row;
    }
  }
  return { at: Float64Array.from(at), links: Uint32Array.from(links), thinnedBy };
}
