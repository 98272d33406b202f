import { ClearSection } from '../../4-clearance/search/clear-section';
import { leastMargin } from '../../4-clearance/verdict/evaluate';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import type { Standard } from '../../4-clearance/case/standard';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import { interpolate, length, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { makePieces } from '../../3-survey/shape/shape';
import type { PanelMesh } from '../../3-survey/shape/panel-mesh';

/** Least margin over the envelope at every point of a sheet: gap less what is wanted, mm. */
export interface GapField extends PanelMesh {
  readonly marginsMm: readonly number[];
}

/** mm to which sides are halved everywhere, and where the required gap may run through them. */
const COARSE_MM = 40;
const FINE_MM = 4;

/** Points after which a field is no longer refined. */
const MOST_POINTS = 20_000;

/** Measures single places of an obstacle over a corner's envelope, by a standard. */
export class PlaceGauge {
  readonly #corner: PreparedCorner;
  readonly #obstacle: PreparedObstacle;
  readonly #standard: Standard;
  readonly #section: ClearSection;

  constructor(corner: PreparedCorner, obstacle: PreparedObstacle, standard: Standard) {
    this.#corner = corner;
    this.#obstacle = obstacle;
    this.#standard = standard;
    this.#section = new ClearSection(corner.motion, corner.envelope);
  }

  /** Least margin of a place in the mount's frame, mm. */
  marginAt(point: Vec3): number {
    const alone = { ...this.#obstacle, pieces: makePieces([[point]]) };
    const { least, requiredMm } = leastMargin(this.#corner, alone, this.#standard, this.#section);
    return least.gapMm - requiredMm;
  }
}

/**
 * The least-gap field over a sheet. Sides are halved until they are short, and near where the margin is nothing until
 * they are very short: a margin changes by no more than the way along the sheet, so that nowhere else can the line run.
 */
export function gapField(mesh: PanelMesh, gauge: Pick<PlaceGauge, 'marginAt'>): GapField {
  const points = [...mesh.points];
  const margins = points.map((p) => gauge.marginAt(p));
  let triangles = [...mesh.triangles];
  const middles = new Map<string, number>();
  const halved = (i: number, j: number): boolean => {
    const side = length(subtract(points[i]!, points[j]!));
    if (side > COARSE_MM) return true;
    const nearest = Math.min(Math.abs(margins[i]!), Math.abs(margins[j]!));
    return side > FINE_MM && nearest <= side;
  };
  const middle = (i: number, j: number): number => {
    const key = i < j ? `${i}:${j}` : `${j}:${i}`;
    const known = middles.get(key);
    if (known !== undefined) return known;
    const point = interpolate(points[i]!, points[j]!, 0.5);
    middles.set(key, points.length);
    points.push(point);
    margins.push(gauge.marginAt(point));
    return points.length - 1;
  };
  // Whether a side is halved depends on that side alone, so that neighbours agree and the sheet stays whole.
  for (;;) {
    let changed = false;
    triangles = triangles.flatMap(([a, b, c]): (readonly [number, number, number])[] => {
      const marks = [halved(a, b), halved(b, c), halved(c, a)];
      if (!marks.includes(true) || points.length > MOST_POINTS) return [[a, b, c]];
      changed = true;
      return splitTriangle(a, b, c, marks, middle, points);
    });
    if (!changed) return { points, triangles, marginsMm: margins };
  }
}

/** A triangle cut at the middles of the marked sides. */
function splitTriangle(
  a: number,
  b: number,
  c: number,
  [ab, bc, ca]: readonly boolean[],
  middle: (i: number, j: number) => number,
  points: readonly Vec3[],
): (readonly [number, number, number])[] {
  if (ab && bc && ca) {
    const [p, q, r] = [middle(a, b), middle(b, c), middle(c, a)];
    return [
      [a, p, r],
      [p, b, q],
      [r, q, c],
      [p, q, r],
    ];
  }
  // Turned until the side marked alone, or the one of three that is not marked, comes last or first.
  if (ab && !bc && !ca) {
    const p = middle(a, b);
    return [
      [a, p, c],
      [p, b, c],
    ];
  }
  if (ab && bc) {
    const [p, q] = [middle(a, b), middle(b, c)];
    // The shorter way across the four-sided rest.
    const cut = length(subtract(points[a]!, points[q]!)) < length(subtract(points[p]!, points[c]!));
    return cut
      ? [
          [p, b, q],
          [a, p, q],
          [a, q, c],
        ]
      : [
          [p, b, q],
          [a, p, c],
          [p, q, c],
        ];
  }
  return splitTriangle(b, c, a, [bc === true, ca === true, ab === true], middle, points);
}
