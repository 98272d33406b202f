import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner, prepareDescribed } from '../../4-clearance/case/described-corner';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { STANDARDS, type Standard } from '../../4-clearance/case/standard';
import { edgePlace } from '../../3-survey/edge-fit/edge-model';
import { readEdge } from '../../3-survey/edge-fit/read-edge';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { landedReadings, surveyScene } from '../../3-survey/landing/landed-readings';
import { edgeThrough } from '../../3-survey/shape/edge-through';
import { MATERIALS } from '../../3-survey/shape/material';
import { joinPath, ProblemError } from '../../1-base/problem';
import { cutLine, type Cut } from './cut-line';
import { gapField, PlaceGauge, type GapField } from './gap-field';
import { panelFromEdge, panelMesh, panelThrough, type PanelMesh } from './panel-mesh';

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

const USUAL_DEPTH_MM = 80;

/** The least-gap field over an obstacle's sheet and the line to cut along. @throws ProblemError. */
export function panelCase(
  description: CaseDescription,
  key: CornerKey,
  id: string,
  { requiredMm, depthMm = USUAL_DEPTH_MM }: PanelOptions = {},
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
  const field = gapField(meshOf(description, key, id, depthMm), gauge);
  const { behind } = describedCorner(description, key).obstacles.find((o) => o.id === id) ?? {};
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

function meshOf(description: CaseDescription, key: CornerKey, id: string, depthMm: number): PanelMesh {
  const corner = describedCorner(description, key);
  const index = corner.obstacles.findIndex((o) => o.id === id);
  const obstacle = corner.obstacles[index]!;
  const path = joinPath(`corners.${key}.obstacles`, index);
  if (obstacle.shape) return panelMesh(obstacle.shape, joinPath(path, 'shape'), depthMm);
  const scene = surveyScene(key, corner);
  const readings = landedReadings(obstacle, scene, path);
  const edge = readEdge(obstacle, scene, path, readings);
  if (edge && edge.model.dims === 1) {
    return panelFromEdge(
      edge.model.seeds.map((seed) => edgePlace(edge.model, edge.fit.q, seed)),
      depthMm,
    );
  }
  const landed = readings.map(({ point }) => point);
  if (obstacle.readingsAs !== 'polyline') return panelThrough(landed, joinPath(path, 'readings'));
  return panelFromEdge(
    edgeThrough(landed).map(({ at }) => at),
    depthMm,
  );
}

const uncovered = (verdicts: readonly ObstacleVerdict[], behind: readonly string[]): Uncovered[] =>
  verdicts.filter(({ id }) => behind.includes(id)).map(({ id, label, marginMm }) => ({ id, label, marginMm }));
