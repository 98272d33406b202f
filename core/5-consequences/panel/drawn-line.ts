import { add, scale, type Vec3 } from '../../1-base/geometry/vec3';
import { cutLine, meshAreaMm2, type Cut } from './cut-line';
import type { SheetPoint } from './flat-sheet';
import { gapField, type GapField } from './gap-field';
import type { PanelMesh } from '../../3-survey/shape/panel-mesh';

/** A line somebody drew on the sheet instead of the one that is needed. */
export interface DrawnLine {
  readonly lines: Cut['lines'];
  readonly lengthMm: number;
  readonly areaMm2: number;
  /** Of what it takes, so much would not have to go. */
  readonly beyondNeedMm2: number;
  /** What would have to go and stays. */
  readonly leftStandingMm2: number;
  /** Least margin on what stays, mm; negative: the line takes too little somewhere. */
  readonly marginMm: number;
}

/** What a drawn line is measured by: the field of margins, the cut that is needed, and the way onto the flat drawing. */
export interface DrawnOn {
  readonly field: GapField;
  readonly cut: Cut;
  readonly marginAt: (point: Vec3) => number;
  readonly toSheet: (point: Vec3) => SheetPoint;
  /** Where the hub is on the drawing: the side that is taken off where nothing has to be. */
  readonly hub: SheetPoint;
}

/**
 * A sheet cut along a line drawn on it: through its points in order, and straight on beyond its ends. The side with more of
 * what has to go is taken off.
 */
export function drawnLine(points: readonly SheetPoint[], { field, cut, marginAt, toSheet, hub }: DrawnOn): DrawnLine {
  const sideOf = (at: SheetPoint): number => signedDistance(at, points);
  const mustGo = cut.removed.triangles.length > 0;
  const taken = mustGo
    ? cut.removed.triangles.reduce(
        (sum, triangle) => sum + Math.sign(sideOf(toSheet(middle(cut.removed, triangle)))),
        0,
      )
    : sideOf(hub);
  const sense = taken > 0 ? -1 : 1;
  const gauge = { marginAt: (point: Vec3): number => sense * sideOf(toSheet(point)) };
  const along = (mesh: PanelMesh): Cut => cutLine(gapField(mesh, gauge), gauge);
  const own = along(field);
  const stays = field.points.filter((point) => gauge.marginAt(point) >= 0);
  return {
    lines: own.lines,
    lengthMm: own.lengthMm,
    areaMm2: own.areaMm2,
    beyondNeedMm2: along(cut.left).areaMm2,
    leftStandingMm2: meshAreaMm2(along(cut.removed).left),
    marginMm: [...stays, ...own.lines.flat().filter((_, i) => i % 4 === 0)].reduce(
      (least, point) => Math.min(least, marginAt(point)),
      Infinity,
    ),
  };
}

const middle = ({ points }: PanelMesh, [i, j, k]: PanelMesh['triangles'][number]): Vec3 =>
  scale(add(add(points[i]!, points[j]!), points[k]!), 1 / 3);

/** mm from a drawn line, + on its left as it runs; its end pieces go on for ever. */
function signedDistance([x, y]: SheetPoint, points: readonly SheetPoint[]): number {
  let best = { mm: Infinity, signed: 0 };
  points.slice(1).forEach(([bx, by], i) => {
    const [ax, ay] = points[i]!;
    const [dx, dy] = [bx - ax, by - ay];
    const long = Math.hypot(dx, dy);
    if (!(long > 0)) return;
    const share = ((x - ax) * dx + (y - ay) * dy) / (long * long);
    const low = i === 0 ? -Infinity : 0;
    const high = i === points.length - 2 ? Infinity : 1;
    const at = Math.min(high, Math.max(low, share));
    const mm = Math.hypot(x - ax - at * dx, y - ay - at * dy);
    const side = Math.sign(dx * (y - ay) - dy * (x - ax)) || 1;
    if (mm < best.mm - 1e-12) best = { mm, signed: side * mm };
  });
  return best.signed;
}
