import type { KeepOutStrand, PlanePlace } from './keep-out-drawing';

/** The place of a strand that a section would meet first. */
export interface NearestOfStrand {
  readonly strand: KeepOutStrand;
  readonly place: PlanePlace;
  /** mm from the section, - depth of overlap. */
  readonly gapMm: number;
  readonly steerDeg: number;
  readonly travelMm: number;
}

/** The nearest place of each strand, nearest strand first. `distance` is that of the section. */
export function nearestOfStrands(
  strands: readonly KeepOutStrand[],
  distance: (place: PlanePlace, strand: KeepOutStrand) => number,
): NearestOfStrand[] {
  return strands
    .map((strand) => {
      let least = 0;
      let gapMm = Infinity;
      strand.places.forEach((place, i) => {
        const here = distance(place, strand);
        if (here < gapMm) [gapMm, least] = [here, i];
      });
      const [steerDeg, travelMm] = strand.postures[least]!;
      return { strand, place: strand.places[least]!, gapMm, steerDeg, travelMm };
    })
    .sort((a, b) => a.gapMm - b.gapMm);
}

/** Where a name is written: its box's middle line starts (or ends) at x, y. */
export interface PlacedName {
  readonly of: NearestOfStrand;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'end';
}

export interface NameSpace {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  /** Height of a name, and width of one letter, in the drawing's units. */
  readonly lineHeight: number;
  readonly letter: number;
  /** Places that must stay free: x, y and how far round them. */
  readonly taken: readonly (readonly [x: number, y: number, radius: number])[];
}

/**
 * Names beside their strands, away from `middle`, nearest strands first; one obstacle is named once, and a name that
 * would lie on another, or out of the picture, is left out. Drawing units, y down.
 */
export function placeNames(
  nearest: readonly NearestOfStrand[],
  name: (of: NearestOfStrand) => string,
  middle: readonly [x: number, y: number],
  space: NameSpace,
  most: number,
): PlacedName[] {
  const placed: { name: PlacedName; left: number; right: number }[] = [];
  const named = new Set<string>();
  for (const of of nearest) {
    if (placed.length >= most) break;
    if (named.has(of.strand.obstacle)) continue;
    const [a, r] = of.place;
    const width = name(of).length * space.letter;
    const free = spotsOf(a >= middle[0] ? 1 : -1).find(([way, dx, dy]) => {
      const box = boxAt(a + way * dx * space.lineHeight, way, width);
      const y = -r + dy * space.lineHeight;
      if (box.left < space.left || box.right > space.right) return false;
      if (y - space.lineHeight < space.top || y + space.lineHeight > space.bottom) return false;
      const { taken, lineHeight } = space;
      if (taken.some(([tx, ty, n]) => Math.abs(ty - y) < n + lineHeight && box.left < tx + n && box.right > tx - n)) {
        return false;
      }
      return !placed.some(
        (p) => Math.abs(p.name.y - y) < 2.2 * space.lineHeight && box.left < p.right && box.right > p.left,
      );
    });
    if (!free) continue;
    const [way, dx, dy] = free;
    const x = a + way * dx * space.lineHeight;
    const written = { of, x, y: -r + dy * space.lineHeight, anchor: way > 0 ? 'start' : 'end' } as const;
    placed.push({ name: written, ...boxAt(x, way, width) });
    named.add(of.strand.obstacle);
  }
  return placed.map(({ name: found }) => found);
}

const boxAt = (x: number, way: 1 | -1, width: number): { left: number; right: number } =>
  way > 0 ? { left: x, right: x + width } : { left: x - width, right: x };

/** Tried one after the other, in line heights: beside, above, below, further off; outward first. */
const SPOTS = [
  [1, 0],
  [1, -1.6],
  [1, 1.6],
  [1, -3],
  [1, 3],
  [3, -1.6],
  [3, 1.6],
  [1, -4.6],
  [1, 4.6],
  [3, -4.6],
] as const;

const spotsOf = (outward: 1 | -1): (readonly [way: 1 | -1, dx: number, dy: number])[] =>
  ([outward, -outward] as (1 | -1)[]).flatMap((way) => SPOTS.map(([dx, dy]) => [way, dx, dy] as const));
