import { nearestOnEdge, partOf, type Outline, type PlanePoint } from '../../1-base/geometry/outline';

/**
 * Discs that together fill a section from inside: [a, r, radius] each, mm about its center plane. The distance from a
 * place to the section, inside as outside (negative), is the least of its distances to their middles less their radii.
 */
export type SectionDiscs = Float64Array;

/** mm by which the edge between two discs may lie inside the section's own. */
const SAG_MM = 0.2;

/** mm between places on an edge: at most, and at least. */
const MOST_STEP_MM = 20;
const LEAST_STEP_MM = 1.5;

/** mm to which a disc is fitted. */
const FIT_MM = 0.04;

interface EdgePlace extends PlanePoint {
  /** Unit normal, outward. */
  readonly na: number;
  readonly nr: number;
}

/** Inner discs of a section that is the same on both sides of its center plane. */
export function sectionDiscs(whole: Outline<unknown>): SectionDiscs {
  // From a middle on the outboard side the nearest of the edge is on that side too.
  const outline = partOf(whole, (from, to) => from.a > 1e-9 || to.a > 1e-9);
  const crown = Math.max(...outline.stretches.flatMap(({ from, to }) => [from.r, to.r]));
  const discs: number[] = [];
  const seen = new Set<string>();
  const add = (a: number, r: number, radius: number): void => {
    const key = `${Math.round(a * 20)}:${Math.round(r * 20)}`;
    if (seen.has(key)) return;
    seen.add(key);
    discs.push(a, r, radius);
  };
  const touch = (place: EdgePlace): number => {
    const radius = innerRadius(outline, place, crown);
    const a = place.a - place.na * radius;
    const r = place.r - place.nr * radius;
    add(a, r, radius);
    if (a > 0.01) add(-a, r, radius);
    return radius;
  };
  outline.stretches.forEach(({ piece, from, to }, i) => {
    const length =
      piece.kind === 'line'
        ? Math.hypot(to.a - from.a, to.r - from.r)
        : piece.radius * Math.abs(piece.end - piece.start);
    for (let s = 0; s <= length;) {
      const radius = touch(placeAlong(piece, length === 0 ? 0 : s / length));
      if (s === length) break;
      const step = Math.min(MOST_STEP_MM, Math.max(LEAST_STEP_MM, Math.sqrt(8 * SAG_MM * radius)));
      s = Math.min(length, s + step);
    }
    const next = outline.pieces[i + 1];
    if (next) for (const place of cornerFan(placeAlong(piece, 1), placeAlong(next, 0))) touch(place);
  });
  return Float64Array.from(discs);
}

/** Directions looked in from a corner that points into the section. */
const FAN = 8;

/** Where two pieces meet in a corner that points inward, everything between their normals touches it. */
function cornerFan(end: EdgePlace, start: EdgePlace): EdgePlace[] {
  // Walked round, the normal turns clockwise; where it turns back the corner points inward.
  const turns = end.na * start.nr - end.nr * start.na;
  if (!(turns > 1e-3)) return [];
  return Array.from({ length: FAN - 1 }, (_, k) => {
    const part = (k + 1) / FAN;
    const na = end.na + part * (start.na - end.na);
    const nr = end.nr + part * (start.nr - end.nr);
    const length = Math.hypot(na, nr) || 1;
    return { a: end.a, r: end.r, na: na / length, nr: nr / length };
  });
}

/** Share `s` of the way along a piece, with the normal that leads out of the section. */
function placeAlong(piece: Outline<unknown>['pieces'][number], s: number): EdgePlace {
  if (piece.kind === 'arc') {
    const angle = piece.start + s * (piece.end - piece.start);
    const [na, nr] = [Math.cos(angle), Math.sin(angle)];
    return { a: piece.centre.a + piece.radius * na, r: piece.centre.r + piece.radius * nr, na, nr };
  }
  const da = piece.to.a - piece.from.a;
  const dr = piece.to.r - piece.from.r;
  const length = Math.hypot(da, dr) || 1;
  // The path runs from the crown outboard and down: outward is on its left.
  return { a: piece.from.a + s * da, r: piece.from.r + s * dr, na: -dr / length, nr: da / length };
}

/** Rounds of shrinking after which a disc that still does not fit is taken as it is: by then it is off by nothing felt. */
const MOST_ROUNDS = 12;

/**
 * Radius of the largest disc inside the section that touches its edge at a place: shrunk until nothing of the edge lies in
 * it. J. Ma, S. W. Bae, S. Choi, "3D medial axis point approximation using nearest neighbors and the normal field", The
 * Visual Computer 28 (2012).
 */
function innerRadius(outline: Outline<unknown>, { a, r, na, nr }: EdgePlace, crown: number): number {
  const toMiddle = na > 1e-6 ? a / na : Infinity;
  const toCrown = nr < 1 - 1e-6 ? (crown - r) / (1 - nr) : Infinity;
  const toAxis = nr > 1e-6 ? r / nr : Infinity;
  let radius = Math.min(toMiddle, Math.max(toCrown, 0.5), toAxis);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const nearest = nearestOnEdge(outline, a - na * radius, r - nr * radius);
    if (nearest.distance >= radius - FIT_MM) break;
    const da = a - nearest.a;
    const dr = r - nearest.r;
    const toward = na * da + nr * dr;
    const shrunk = toward > 1e-9 ? (da * da + dr * dr) / (2 * toward) : 0;
    if (!(shrunk < radius)) return 0;
    radius = shrunk;
  }
  return radius;
}
