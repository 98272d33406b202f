import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { envelopeOutline, type OutlineRow } from '../../4-clearance/pictures/posture-map';
import type { TriedPosture } from './postures';
import { triedHeights } from './tried';

/**
 * A corner's postures, steer across (degrees, vehicle sense, + left) and travel up (mm from the surveyed ride height, + bump): all that
 * stops and locks allow, and what of it a test fit went through.
 */
export interface TriedPicture {
  readonly outline: readonly OutlineRow[];
  readonly rideMm: number;
  readonly tried: readonly OutlineRow[];
  /** Parked, the wheel was turned from lock to lock forward and in reverse. */
  readonly turnedBothWays: boolean;
}

/** @throws ProblemError for a corner or setup the engine cannot take. */
export function triedPicture(
  key: CornerKey,
  corner: CornerDescription,
  setup: Setup,
  { envelope, drawnEnvelope }: Pick<CaseDescription, 'envelope' | 'drawnEnvelope'>,
  postures: readonly TriedPosture[],
): TriedPicture {
  const prepared = prepareCorner(key, { ...corner, obstacles: [] }, setup, envelope, drawnEnvelope);
  const outline = envelopeOutline(prepared);
  const { lowMm, highMm } = triedHeights(corner, setup, postures);
  const isDone = (kind: TriedPosture['kind']): boolean => postures.some((one) => one.done && one.kind === kind);
  return {
    outline,
    rideMm: prepared.envelope.limits.ride,
    tried: highMm > lowMm ? between(outline, lowMm, highMm) : [],
    turnedBothWays: isDone('rideForward') && isDone('rideReverse'),
  };
}

/** The part of an outline from one height to another, cut straight between its rows. */
function between(outline: readonly OutlineRow[], lowMm: number, highMm: number): OutlineRow[] {
  const inside = outline.filter(({ travelMm }) => travelMm > lowMm && travelMm < highMm);
  return [rowAt(outline, lowMm), ...inside, rowAt(outline, highMm)];
}

function rowAt(outline: readonly OutlineRow[], travelMm: number): OutlineRow {
  const above = outline.findIndex((row) => row.travelMm >= travelMm);
  const to = outline[above < 0 ? outline.length - 1 : above]!;
  const from = outline[Math.max(0, (above < 0 ? outline.length : above) - 1)]!;
  const span = to.travelMm - from.travelMm;
  const part = span === 0 ? 0 : Math.min(1, Math.max(0, (travelMm - from.travelMm) / span));
  return {
    travelMm,
    lowDeg: from.lowDeg + part * (to.lowDeg - from.lowDeg),
    highDeg: from.highDeg + part * (to.highDeg - from.highDeg),
  };
}
