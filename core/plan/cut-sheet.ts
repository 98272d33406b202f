import type { CaseDescription, CornerKey } from '../clearance/description';
import { describedCorner } from '../clearance/described-corner';
import { sideOf } from '../clearance/motion-under';
import { STANDARDS } from '../clearance/standard';
import { flatSheet, type SheetPoint } from '../panel/flat-sheet';
import { borderLines } from '../panel/cut-line';
import { panelCase, type Uncovered } from '../panel/panel-case';
import { ProblemError } from '../problem';
import { MODIFICATION_RULES } from './modification';

/** What is drawn at full size on the sheet that is laid on the panel. Lengths mm, seen from outside the vehicle. */
export interface CutSheet {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  readonly requiredMm: number;
  /** The panel's present edge. */
  readonly edge: readonly (readonly SheetPoint[])[];
  /** Along it what is wanted is left. */
  readonly cut: readonly (readonly SheetPoint[])[];
  /** The first, careful cut: so much is left for a second pass after another look. */
  readonly firstCut: readonly (readonly SheetPoint[])[];
  readonly allowanceMm: number;
  readonly hub: SheetPoint;
  /** There is a plumb line to register it by. */
  readonly isUpright: boolean;
  readonly depthMm: number;
  readonly lengthMm: number;
  readonly areaMm2: number;
  readonly firstAreaMm2: number;
  /** mm by which the panel leaves the flat of the paper. */
  readonly offPlaneMm: number;
  readonly uncovers: readonly Uncovered[] | null;
}

export interface CutSheetOptions {
  /** Left by the first cut for a second pass. */
  readonly allowanceMm?: number | undefined;
  /** Drawn for the same panel on the other side. */
  readonly mirrored?: boolean | undefined;
  /** Most the material allows, mm from the present edge. */
  readonly mostDepthMm?: number | undefined;
  /** How far back a panel made from an edge reaches, mm. */
  readonly panelDepthMm?: number | undefined;
}

const USUAL_ALLOWANCE_MM = 5;

/**
 * The sheet for one thing that is cut or trimmed.
 * @throws ProblemError as `panelCase`; `outOfRange` for a cut deeper than the material allows.
 */
export function cutSheet(
  description: CaseDescription,
  key: CornerKey,
  id: string,
  {
    allowanceMm = USUAL_ALLOWANCE_MM,
    mirrored = false,
    mostDepthMm = MODIFICATION_RULES.cutSheetMetal.most ?? Infinity,
    panelDepthMm,
  }: CutSheetOptions = {},
): CutSheet {
  const entry = describedCorner(description, key).obstacles.find((obstacle) => obstacle.id === id);
  const material = entry?.material ?? 'sheetMetal';
  const requiredMm = STANDARDS[description.standard].requiredMm[material];
  const { field, cut, uncovers } = panelCase(description, key, id, { depthMm: panelDepthMm });
  if (cut.depthMm > mostDepthMm) {
    throw new ProblemError({
      code: 'outOfRange',
      path: `corners.${key}.obstacles.${id}`,
      expected: `a cut no deeper than the ${mostDepthMm} mm that the material allows`,
      found: `${cut.depthMm.toFixed(1)} mm`,
    });
  }
  const first = panelCase(description, key, id, { requiredMm: requiredMm - allowanceMm, depthMm: panelDepthMm });
  const flat = flatSheet(field, sideOf(key), mirrored);
  const drawn = (lines: readonly (readonly Parameters<typeof flat.toSheet>[0][])[]) =>
    lines.map((line) => line.map((point) => flat.toSheet(point)));
  return {
    corner: key,
    id,
    label: entry?.label ?? id,
    requiredMm,
    edge: drawn(borderLines(field)),
    cut: drawn(cut.lines),
    firstCut: drawn(first.cut.lines),
    allowanceMm,
    hub: flat.hub,
    isUpright: flat.plumb !== null,
    depthMm: cut.depthMm,
    lengthMm: cut.lengthMm,
    areaMm2: cut.areaMm2,
    firstAreaMm2: first.cut.areaMm2,
    offPlaneMm: flat.offPlaneMm,
    uncovers,
  };
}
