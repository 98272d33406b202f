import type { CaseDescription } from '../../4-clearance/case/case-description';
import { type CornerKey, sideOf } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { describedCorner } from '../../4-clearance/case/described-corner';
import { STANDARDS } from '../../4-clearance/case/standard';
import { borderLines, cutLine, distanceToLines } from '../../5-consequences/panel/cut-line';
import { drawnLine } from '../../5-consequences/panel/drawn-line';
import { flatSheet, type SheetPoint } from '../../5-consequences/panel/flat-sheet';
import { gapField } from '../../5-consequences/panel/gap-field';
import { panelCase, type PanelAnswer, type Uncovered } from '../../5-consequences/panel/panel-case';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { depthGain, type DepthGain } from '../../5-consequences/panel/depth-gain';
import { ProblemError } from '../../1-base/problem';
import { CUTS, MODIFICATION_RULES, modificationsOf, permits, type Modification } from './modification';

type SheetLines = readonly (readonly SheetPoint[])[];

/** What is drawn at full size on the sheet that is laid on the panel. Lengths mm, seen from outside the vehicle. */
export interface CutSheet {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  readonly mirrored: boolean;
  readonly requiredMm: number;
  /** The panel's present edge, from which depths count. */
  readonly edge: SheetLines;
  /** All round it: as far as it was surveyed, or taken to reach. */
  readonly outline: SheetLines;
  /** What is cut off, in triangles; empty where a flap is kept. */
  readonly waste: readonly (readonly [SheetPoint, SheetPoint, SheetPoint])[];
  /** Along it what is wanted is left: where it is cut, or folded where there is a flap. */
  readonly need: SheetLines;
  /** The first, careful cut: so much is left for a second pass after another look; none with a flap. */
  readonly firstCut: SheetLines;
  readonly allowanceMm: number;
  /** The flap's outer edge, where metal is kept to be folded over. */
  readonly flapEdge: SheetLines;
  readonly flapMm: number;
  /** The line redrawn for looks. */
  readonly looks: LooksLine | null;
  /** What a cut of the depth that was asked for does; null: none was. */
  readonly tried: DepthGain | null;
  readonly hub: SheetPoint;
  /** There is a plumb line to register it by. */
  readonly isUpright: boolean;
  /** As drawn: furthest from the present edge that the needed line runs. */
  readonly depthMm: number;
  readonly lengthMm: number;
  readonly areaMm2: number;
  readonly firstAreaMm2: number;
  /** mm by which the panel leaves the flat of the paper. */
  readonly offPlaneMm: number;
  readonly uncovers: readonly Uncovered[] | null;
}

/** @see DrawnLine */
export interface LooksLine {
  readonly lines: SheetLines;
  readonly lengthMm: number;
  readonly areaMm2: number;
  readonly beyondNeedMm2: number;
  readonly leftStandingMm2: number;
  readonly marginMm: number;
}

export interface CutSheetOptions {
  /** Left by the first cut for a second pass. */
  readonly allowanceMm?: number | undefined;
  /** Metal kept beyond the needed line, to be folded over and welded or sealed; 0: none. */
  readonly flapMm?: number | undefined;
  /** A line for looks, on the drawing as it is for this side. */
  readonly looks?: readonly SheetPoint[] | undefined;
  /** A depth that somebody would cut, all along the present edge, mm. */
  readonly triedDepthMm?: number | undefined;
  /** Drawn for the same panel on the other side. */
  readonly mirrored?: boolean | undefined;
  /** Most that may be taken, mm from the present edge; by default what the material allows. */
  readonly mostDepthMm?: number | undefined;
  /** How far back a panel made from an edge reaches, mm. */
  readonly panelDepthMm?: number | undefined;
}

const USUAL_ALLOWANCE_MM = 5;

/** Kinds of cut a thing may be given by what it is, under a standard. @throws ProblemError where it is never cut. */
export function cutsOf(description: CaseDescription, key: CornerKey, id: string): Modification[] {
  const entry = describedCorner(description, key).obstacles.find((obstacle) => obstacle.id === id);
  if (!entry) {
    const ids = describedCorner(description, key).obstacles.map((obstacle) => obstacle.id);
    throw new ProblemError({
      code: 'notFound',
      path: `corners.${key}.obstacles`,
      expected: `a surveyed obstacle: one of ${ids.join(', ')}`,
      found: id,
    });
  }
  const cuts = modificationsOf(entry).filter((kind) => CUTS.includes(kind));
  if (cuts.length === 0)
    refuseCut(key, entry, 'a thing that may be cut: it carries the vehicle, protects, or is no sheet');
  const permitted = cuts.filter((kind) => permits(STANDARDS[description.standard], kind));
  if (permitted.length === 0)
    refuseCut(key, entry, `a standard that allows cutting it; ${description.standard} does not`);
  return permitted;
}

function refuseCut(key: CornerKey, { id, material, part }: ObstacleDescription, expected: string): never {
  throw new ProblemError({
    code: 'contradiction',
    path: `corners.${key}.obstacles.${id}`,
    expected,
    found: part ?? material,
  });
}

/**
 * The sheet for one thing that is cut, folded or trimmed. `measure` may remember panels it has measured.
 * @throws ProblemError as `panelCase`; `contradiction` for what is never cut or what the standard does not let be cut;
 * `outOfRange` for a cut deeper than the material allows.
 */
export function cutSheet(
  description: CaseDescription,
  key: CornerKey,
  id: string,
  options: CutSheetOptions = {},
  measure: typeof panelCase = panelCase,
): CutSheet {
  const { allowanceMm = USUAL_ALLOWANCE_MM, flapMm = 0, looks, mirrored = false, panelDepthMm } = options;
  const cuts = cutsOf(description, key, id);
  const mostDepthMm = options.mostDepthMm ?? Math.max(...cuts.map((kind) => MODIFICATION_RULES[kind].most ?? Infinity));
  const entry = describedCorner(description, key).obstacles.find((obstacle) => obstacle.id === id)!;
  const requiredMm = STANDARDS[description.standard].requiredMm[entry.material];
  const answer = measure(description, key, id, { depthMm: panelDepthMm });
  const { field, cut, uncovers } = answer;
  if (cut.depthMm > mostDepthMm) {
    throw new ProblemError({
      code: 'outOfRange',
      path: `corners.${key}.obstacles.${id}`,
      expected: `a cut no deeper than the ${mostDepthMm} mm that the material allows`,
      found: `${cut.depthMm.toFixed(1)} mm`,
    });
  }
  const first =
    flapMm > 0
      ? null
      : measure(description, key, id, { requiredMm: requiredMm - allowanceMm, depthMm: panelDepthMm }).cut;
  const flat = flatSheet(field, sideOf(key), mirrored);
  const drawn = (lines: PanelAnswer['cut']['lines']): SheetLines =>
    lines.map((line) => line.map((point) => flat.toSheet(point)));
  const [edge, need] = [drawn(cut.presentEdge), drawn(cut.lines)];
  const flap = flapMm > 0 ? beyondFlap(cut, flapMm) : null;
  const goes = flap?.removed ?? cut.removed;
  return {
    corner: key,
    id,
    label: entry.label ?? id,
    mirrored,
    requiredMm,
    edge,
    outline: drawn(borderLines(field)),
    waste: goes.triangles.map((triangle) => triangle.map((i) => flat.toSheet(goes.points[i]!)) as unknown as Waste),
    need,
    firstCut: drawn(first?.lines ?? []),
    allowanceMm,
    flapEdge: drawn(flap?.lines ?? []),
    flapMm,
    looks: looks ? looksLine(answer, looks, sideOf(key), drawn) : null,
    tried: options.triedDepthMm === undefined ? null : depthGain(answer, options.triedDepthMm),
    hub: flat.hub,
    isUpright: flat.plumb !== null,
    depthMm: need.length > 0 && edge.length > 0 ? drawnDepthMm(need, edge) : cut.depthMm,
    lengthMm: cut.lengthMm,
    areaMm2: cut.areaMm2,
    firstAreaMm2: first?.areaMm2 ?? 0,
    offPlaneMm: flat.offPlaneMm,
    uncovers,
  };
}

type Waste = readonly [SheetPoint, SheetPoint, SheetPoint];

/** mm on the drawing from the edge to the place of a line furthest from it. */
function drawnDepthMm(line: SheetLines, edge: SheetLines): number {
  const flat = ([x, y]: SheetPoint): Vec3 => [x, y, 0];
  const edges = edge.map((one) => one.map(flat));
  return line.flat().reduce((most, point) => Math.max(most, distanceToLines(flat(point), edges)), 0);
}

/** What goes where metal is kept for a flap: so far from the needed line, on what would be cut off; null: nothing. */
function beyondFlap({ removed, lines }: PanelAnswer['cut'], flapMm: number): PanelAnswer['cut'] | null {
  if (lines.length === 0 || removed.triangles.length === 0) return null;
  const gauge = { marginAt: (point: Parameters<typeof distanceToLines>[0]) => flapMm - distanceToLines(point, lines) };
  return cutLine(gapField(removed, gauge), gauge);
}

/** A line drawn for looks is drawn on the sheet of this side, whichever side is printed. */
function looksLine(
  { field, cut, marginAt }: PanelAnswer,
  looks: readonly SheetPoint[],
  side: ReturnType<typeof sideOf>,
  drawn: (lines: PanelAnswer['cut']['lines']) => SheetLines,
): LooksLine {
  const { toSheet, hub } = flatSheet(field, side);
  const { lines, ...measured } = drawnLine(looks, { field, cut, marginAt, toSheet, hub });
  return { ...measured, lines: drawn(lines) };
}
