/** Units a scanner may write; files do not say which. */
export const SCAN_UNITS = ['mm', 'm', 'in'] as const;
export type ScanUnit = (typeof SCAN_UNITS)[number];

export const MM_PER_UNIT: Readonly<Record<ScanUnit, number>> = { mm: 1, m: 1000, in: 25.4 };

/** Points of a scan, three numbers each, in whatever unit and frame the scanner had. */
export type ScanPoints = Float64Array;

/** mm from corner to corner of the box around a scanned wheel well: a cart's wheel alone, or all of a truck's side. */
const LEAST_MM = 400;
const MOST_MM = 7000;

/** Units in which a scan of this size would be of a wheel well; more than one: somebody has to say. */
export function likelyUnits(points: ScanPoints): ScanUnit[] {
  const size = diagonal(points);
  return SCAN_UNITS.filter((unit) => {
    const mm = size * MM_PER_UNIT[unit];
    return mm >= LEAST_MM && mm <= MOST_MM;
  });
}

/** From corner to corner of the box around the points, in their own unit. */
export function diagonal(points: ScanPoints): number {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < points.length; i++) {
    const axis = i % 3;
    const v = points[i]!;
    if (v < low[axis]!) low[axis] = v;
    if (v > high[axis]!) high[axis] = v;
  }
  return points.length === 0 ? 0 : Math.hypot(high[0]! - low[0]!, high[1]! - low[1]!, high[2]! - low[2]!);
}
