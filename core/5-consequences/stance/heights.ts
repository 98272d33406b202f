import { CORNER_KEYS, type CornerKey } from '../../2-vehicle/setup/corner-key';
import { radiusCheck, type RadiusCheck, type StandingCorner } from '../../2-vehicle/setup/loaded-radius';

/** What the heights of a vehicle say together, mm; null where a height is missing. */
export interface StanceHeights {
  /** Rear lip over front lip, ground to lip, mean of both sides. */
  readonly rakeMm: number | null;
  /** Left lip over right lip. */
  readonly leanFrontMm: number | null;
  readonly leanRearMm: number | null;
  readonly radius: Readonly<Partial<Record<CornerKey, RadiusCheck>>>;
}

export function stanceHeights(corners: Readonly<Partial<Record<CornerKey, StandingCorner>>>): StanceHeights {
  const lip = (key: CornerKey): number | null => corners[key]?.groundToLipMm ?? null;
  const [frontLeft, frontRight, rearLeft, rearRight] = CORNER_KEYS.map(lip) as (number | null)[] as [
    number | null,
    number | null,
    number | null,
    number | null,
  ];
  const front = mean(frontLeft, frontRight);
  const rear = mean(rearLeft, rearRight);
  const radius: Partial<Record<CornerKey, RadiusCheck>> = {};
  for (const key of CORNER_KEYS) {
    const check = corners[key] && radiusCheck(corners[key]);
    if (check) radius[key] = check;
  }
  return {
    rakeMm: front === null || rear === null ? null : rear - front,
    leanFrontMm: difference(frontLeft, frontRight),
    leanRearMm: difference(rearLeft, rearRight),
    radius,
  };
}

/** One side alone stands for both. */
const mean = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : (a + b) / 2);

const difference = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a - b);
