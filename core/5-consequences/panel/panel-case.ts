import { obstacleSheet } from '../../3-survey/prepared/obstacle-sheet';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner, prepareDescribed } from '../../4-clearance/case/described-corner';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { STANDARDS, type Standard } from '../../4-clearance/case/standard';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { PanelMesh } from '../../3-survey/shape/panel-mesh';
import { MATERIALS } from '../../3-survey/shape/material';
import { ProblemError } from '../../1-base/problem';
import { cutLine, type Cut } from './cut-line';
import { gapField, PlaceGauge, type GapField } from './gap-field';

export interface PanelOptions {
  /** Gap wanted instead of the standard's, mm. */
  readonly requiredMm?: number | undefined;
  /** How far back a panel made from an edge reaches, mm. */
  readonly depthMm?: number | undefined;
}

/** What stands behind what is cut away, as far as anybody looked. */
export interface Uncovered {
  readonly id: string;
  readonly label: string;
  readonly marginMm: number;
}

export interface PanelAnswer {
  readonly corner: CornerKey;
  readonly id: string;
  readonly field: GapField;
  readonly cut: Cut;
  /** Least margin of any place of the sheet, mm. */
  readonly marginAt: (point: Vec3) => number;
  /** null: nobody looked behind it, so what the cut uncovers is unknown. */
  readonly uncovers: readonly Uncovered[] | null;
}

/** How far back a sheet made from an edge is taken, and how far at most where the line would run beyond, mm. */
const USUAL_DEPTH_MM = 80;
const MOST_DEPTH_MM = 320;

/** A sheet made from an edge reaches far enough for the whole line, unless somebody said how far. */
function deepEnough(
  sheetTo: (depthMm: number) => PanelMesh,
  gauge: Pick<PlaceGauge, 'marginAt'>,
  asked: number | undefined,
): PanelMesh {
  let sheet = sheetTo(asked ?? USUAL_DEPTH_MM);
  const backFalls = ({ edge, points }: PanelMesh): boolean =>
    edge !== undefined && points.slice(edge.length).some((point) => gauge.marginAt(point) < 0);
  for (let depth = 2 * USUAL_DEPTH_MM; asked === undefined && depth <= MOST_DEPTH_MM && backFalls(sheet); depth *= 2) {
    sheet = sheetTo(depth);
  }
  return sheet;
}

/** The least-gap field over an obstacle's sheet and the line to cut along. @throws ProblemError. */
export function panelCase(
  description: CaseDescription,
  key: CornerKey,
  id: string,
  { requiredMm, depthMm }: PanelOptions = {},
): PanelAnswer {
  const corner = prepareDescribed(description, key);
  const standard = standardWith(STANDARDS[description.standard], requiredMm);
  const prepared = corner.obstacles.find((o) => o.id === id);
  if (!prepared) {
    throw new ProblemError({
      code: 'notFound',
      path: `corners.${key}.obstacles`,
      expected: `a surveyed obstacle: one of ${corner.obstacles.map((o) => o.id).join(', ')}`,
      found: id,
    });
  }
  const gauge = new PlaceGauge(corner, prepared, standard);
  const { behind } = prepared.description;
  const index = describedCorner(description, key).obstacles.indexOf(prepared.description);
  const path = `corners.${key}.obstacles[${index}]`;
  const sheet = deepEnough((depth) => obstacleSheet(prepared, path, depth), gauge, depthMm);
  const field = { ...gapField(sheet, gauge), edge: sheet.edge };
  return {
    corner: key,
    id,
    field,
    cut: cutLine(field, gauge),
    marginAt: (point) => gauge.marginAt(point),
    uncovers: behind ? uncovered(cornerVerdicts(corner, standard), behind) : null,
  };
}

const standardWith = (standard: Standard, requiredMm: number | undefined): Standard =>
  requiredMm === undefined
    ? standard
    : {
        ...standard,
        requiredMm: Object.fromEntries(MATERIALS.map((m) => [m, requiredMm])) as Standard['requiredMm'],
        nearFullBump: undefined,
      };

const uncovered = (verdicts: readonly ObstacleVerdict[], behind: readonly string[]): Uncovered[] =>
  verdicts.filter(({ id }) => behind.includes(id)).map(({ id, label, marginMm }) => ({ id, label, marginMm }));
