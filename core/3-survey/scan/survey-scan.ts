import type { CornerDescription } from '../description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { surveyMotion } from '../../2-vehicle/setup/motion-under';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { ProblemError } from '../../1-base/problem';
import { alignByHubFace, alignByPoints, type Alignment, type NamedPoint } from './align';
import { partScan, placeScan, type PartedScan, type ScanPart } from './scan-parts';
import { diagonal, likelyUnits, MM_PER_UNIT, type ScanPoints, type ScanUnit } from './scan-unit';

/** How a scan is to be brought to a corner. `scan` places in the scan's own unit. */
export interface ScanPlanDescription {
  readonly unit?: ScanUnit | undefined;
  readonly points: readonly NamedPoint[];
  readonly hubFace?: readonly Vec3[] | undefined;
  readonly parts: readonly ScanPart[];
}

export interface SurveyedScan extends PartedScan {
  readonly unit: ScanUnit;
  readonly alignment: Alignment;
}

/**
 * A scan as obstacles of a corner: unit recognised or checked, aligned, cut into parts and thinned.
 * @throws ProblemError: `missing` where the unit has to be asked for, `contradiction` where the one given makes no wheel well
 * of it, and as `alignByPoints`, `alignByHubFace` and `partScan`.
 */
export function surveyScan(
  key: CornerKey,
  corner: CornerDescription,
  points: ScanPoints,
  { unit: given, points: named, hubFace, parts }: ScanPlanDescription,
): SurveyedScan {
  const unit = unitOf(points, given);
  const mm = MM_PER_UNIT[unit];
  const inMm = ([x, y, z]: Vec3): Vec3 => [x * mm, y * mm, z * mm];
  const scaled = named.map((p) => ({ ...p, scan: inMm(p.scan) }));
  const alignment = hubFace
    ? alignByHubFace({ face: hubFace.map(inMm), points: scaled }, hubPose(key, corner))
    : alignByPoints(scaled);
  return { unit, alignment, ...partScan(placeScan(points, unit, alignment.pose), parts) };
}

const hubPose = (key: CornerKey, corner: CornerDescription) =>
  surveyMotion(key, corner).wheelPose({ travel: 0, steer: 0, cross: 0 });

function unitOf(points: ScanPoints, given: ScanUnit | undefined): ScanUnit {
  const likely = likelyUnits(points);
  const size = Number(diagonal(points).toPrecision(3));
  if (given === undefined) {
    if (likely.length === 1) return likely[0]!;
    throw new ProblemError({
      code: 'missing',
      path: 'unit',
      expected: likely.length === 0 ? 'the unit: mm, m or in' : `the unit: ${likely.join(' or ')}`,
      found: `a scan ${size} across, which does not say`,
    });
  }
  if (likely.length === 0 || likely.includes(given)) return given;
  throw new ProblemError({
    code: 'contradiction',
    path: 'unit',
    expected: `${likely.join(' or ')}, in which it is as large as a wheel well`,
    found: `${given}, in which it is ${(size * MM_PER_UNIT[given]).toPrecision(3)} mm across`,
  });
}
