/**
 * Outlines in the half-plane (a, r) of a solid of revolution: `a` mm along the spin axis (+ outboard),
 * `r >= 0` mm from it. A path of lines and circular arcs that starts and ends on the axis (r = 0) and
 * encloses the solid together with the axis. Distances to it are closed forms.
 */
export interface PlanePoint {
  readonly a: number;
  readonly r: number;
}

export interface LinePiece<Tag> {
  readonly kind: 'line';
  readonly from: PlanePoint;
  readonly to: PlanePoint;
  readonly tag: Tag;
}

/** Circular arc about `centre`, from angle `start` to `end` (rad, from +a toward +r; either sense). */
export interface ArcPiece<Tag> {
  readonly kind: 'arc';
  readonly centre: PlanePoint;
  readonly radius: number;
  readonly start: number;
  readonly end: number;
  readonly tag: Tag;
}

export type Piece<Tag> = LinePiece<Tag> | ArcPiece<Tag>;

/** Straight stretch, or arc that does not turn back in `a`, with what a distance needs worked out beforehand. */
interface Stretch<Tag> {
  readonly piece: Piece<Tag>;
  readonly tag: Tag;
  readonly from: PlanePoint;
  readonly to: PlanePoint;
  /** Line: from `from` to `to`, over its squared length. Arc: unit direction of its middle from its center. */
  readonly alongA: number;
  readonly alongR: number;
  /** Arc: cosine of half its angle. */
  readonly cosHalf: number;
}

export interface Outline<Tag> {
  readonly pieces: readonly Piece<Tag>[];
  readonly stretches: readonly Stretch<Tag>[];
}

/** Nearest place on an outline: `distance` is + outside, - inside (depth of overlap). */
export interface NearestPlace<Tag> {
  readonly distance: number;
  readonly a: number;
  readonly r: number;
  readonly tag: Tag;
}

// Names of their own: these run millions of times, and a global look-up each time is felt.
const { abs, max, min, sqrt } = Math;

const pointOnArc = (arc: ArcPiece<unknown>, angle: number): PlanePoint => ({
  a: arc.centre.a + arc.radius * Math.cos(angle),
  r: arc.centre.r + arc.radius * Math.sin(angle),
});

export const pieceStart = (piece: Piece<unknown>): PlanePoint =>
  piece.kind === 'line' ? piece.from : pointOnArc(piece, piece.start);

export const pieceEnd = (piece: Piece<unknown>): PlanePoint =>
  piece.kind === 'line' ? piece.to : pointOnArc(piece, piece.end);

/**
 * Builds an outline, splitting arcs where they turn back in `a` so that each piece is a function of a.
 * Consecutive pieces must meet; the ends must lie on the axis.
 */
export function makeOutline<Tag>(pieces: readonly Piece<Tag>[]): Outline<Tag> {
  const split = pieces.flatMap((piece): readonly Piece<Tag>[] => (piece.kind === 'arc' ? splitArc(piece) : [piece]));
  return { pieces: split, stretches: split.map(prepareStretch) };
}

function prepareStretch<Tag>(piece: Piece<Tag>): Stretch<Tag> {
  const { tag } = piece;
  const from = pieceStart(piece);
  const to = pieceEnd(piece);
  if (piece.kind === 'line') {
    const da = to.a - from.a;
    const dr = to.r - from.r;
    const squared = da * da + dr * dr || Infinity;
    return { piece, tag, from, to, alongA: da / squared, alongR: dr / squared, cosHalf: 0 };
  }
  const middle = (piece.start + piece.end) / 2;
  const cosHalf = Math.cos((piece.end - piece.start) / 2);
  return { piece, tag, from, to, alongA: Math.cos(middle), alongR: Math.sin(middle), cosHalf };
}

function splitArc<Tag>(arc: ArcPiece<Tag>): ArcPiece<Tag>[] {
  const low = Math.min(arc.start, arc.end);
  const high = Math.max(arc.start, arc.end);
  const cuts: number[] = [];
  for (let k = Math.ceil(low / Math.PI); k * Math.PI < high; k++) {
    if (k * Math.PI > low) cuts.push(k * Math.PI);
  }
  if (arc.end < arc.start) cuts.reverse();
  const angles = [arc.start, ...cuts, arc.end];
  return angles.slice(1).map((end, i) => ({ ...arc, start: angles[i] as number, end }));
}

/** Some of an outline's pieces, in their order. */
export function partOf<Tag>(
  outline: Outline<Tag>,
  isKept: (from: PlanePoint, to: PlanePoint) => boolean,
): Outline<Tag> {
  const stretches = outline.stretches.filter(({ from, to }) => isKept(from, to));
  return { pieces: stretches.map(({ piece }) => piece), stretches };
}

/** Signed distance from (a, r) to the outline and the nearest place on it. The axis is no boundary. */
export function nearestPlace<Tag>(outline: Outline<Tag>, a: number, r: number): NearestPlace<Tag> {
  const nearest = nearestOnEdge(outline, a, r);
  return isInside(outline, a, r) ? { ...nearest, distance: -nearest.distance } : nearest;
}

/** The same where it does not matter on which side the place lies: `distance` is never negative. */
export function nearestOnEdge<Tag>(outline: Outline<Tag>, a: number, r: number): NearestPlace<Tag> {
  let best = Infinity;
  let nearest = outline.stretches[0] as Stretch<Tag>;
  for (const stretch of outline.stretches) {
    const d = stretchDistance(stretch, a, r);
    if (d < best) {
      best = d;
      nearest = stretch;
    }
  }
  const at = nearestOn(nearest, a, r);
  return { distance: best, a: at.a, r: at.r, tag: nearest.tag };
}

/** Signed distance alone: + outside, - depth of overlap. */
export function signedDistance(outline: Outline<unknown>, a: number, r: number): number {
  let best = Infinity;
  for (const stretch of outline.stretches) {
    const d = stretchDistance(stretch, a, r);
    if (d < best) best = d;
  }
  return isInside(outline, a, r) ? -best : best;
}

function stretchDistance({ piece, from, to, alongA, alongR, cosHalf }: Stretch<unknown>, a: number, r: number): number {
  if (piece.kind === 'line') {
    const u = min(1, max(0, (a - from.a) * alongA + (r - from.r) * alongR));
    const da = a - from.a - u * (to.a - from.a);
    const dr = r - from.r - u * (to.r - from.r);
    return sqrt(da * da + dr * dr);
  }
  const da = a - piece.centre.a;
  const dr = r - piece.centre.r;
  const out = sqrt(da * da + dr * dr);
  if (da * alongA + dr * alongR >= out * cosHalf) return abs(out - piece.radius);
  const squaredFrom = (a - from.a) * (a - from.a) + (r - from.r) * (r - from.r);
  const squaredTo = (a - to.a) * (a - to.a) + (r - to.r) * (r - to.r);
  return sqrt(min(squaredFrom, squaredTo));
}

function nearestOn({ piece, from, to, alongA, alongR, cosHalf }: Stretch<unknown>, a: number, r: number): PlanePoint {
  if (piece.kind === 'line') {
    const u = min(1, max(0, (a - from.a) * alongA + (r - from.r) * alongR));
    return { a: from.a + u * (to.a - from.a), r: from.r + u * (to.r - from.r) };
  }
  const da = a - piece.centre.a;
  const dr = r - piece.centre.r;
  const out = sqrt(da * da + dr * dr);
  if (out > 0 && da * alongA + dr * alongR >= out * cosHalf) {
    return { a: piece.centre.a + (da / out) * piece.radius, r: piece.centre.r + (dr / out) * piece.radius };
  }
  const fromIsNearer = (a - from.a) ** 2 + (r - from.r) ** 2 <= (a - to.a) ** 2 + (r - to.r) ** 2;
  return fromIsNearer ? from : to;
}

/** Even-odd rule with a ray in +r; half-open in a, so that joints count once. */
function isInside(outline: Outline<unknown>, a: number, r: number): boolean {
  let inside = false;
  for (const { piece, from, to, alongR } of outline.stretches) {
    if (a < from.a === a < to.a) continue;
    if (piece.kind === 'line') {
      if (from.r + ((a - from.a) / (to.a - from.a)) * (to.r - from.r) > r) inside = !inside;
      continue;
    }
    const da = a - piece.centre.a;
    const half = sqrt(max(0, piece.radius * piece.radius - da * da));
    if (piece.centre.r + (alongR > 0 ? half : -half) > r) inside = !inside;
  }
  return inside;
}

/** The outline as a polygon whose chords lie within `sag` mm of its arcs; open path, axis to axis. */
export function flatten(outline: Outline<unknown>, sag: number): PlanePoint[] {
  const points: PlanePoint[] = [];
  for (const piece of outline.pieces) {
    if (points.length === 0) points.push(pieceStart(piece));
    if (piece.kind === 'line') {
      points.push(piece.to);
      continue;
    }
    const step = 2 * Math.acos(Math.max(0.5, 1 - sag / piece.radius));
    const count = Math.max(1, Math.ceil(Math.abs(piece.end - piece.start) / step));
    for (let i = 1; i <= count; i++) {
      points.push(pointOnArc(piece, piece.start + ((piece.end - piece.start) * i) / count));
    }
  }
  return points;
}
