import { CORNER_KEYS, type CornerKey } from '../../2-vehicle/setup/corner-key';
import type { WheelAndTire } from '../../2-vehicle/setup/wheel-and-tire';
import { attempt } from '../../1-base/problem';
import { tireSection } from '../../2-vehicle/tire/section';

/** The heights of one corner as they were read, mm. */
export interface CornerHeights {
  readonly hubToLipMm?: number | undefined;
  readonly groundToLipMm?: number | undefined;
  readonly fitted: WheelAndTire;
}

/** What the heights of a vehicle say together, mm; null where a height is missing. */
export interface StanceHeights {
  /** Rear lip over front lip, ground to lip, mean of both sides. */
  readonly rakeMm: number | null;
  /** Left lip over right lip. */
  readonly leanFrontMm: number | null;
  readonly leanRearMm: number | null;
  readonly radius: Readonly<Partial<Record<CornerKey, RadiusCheck>>>;
}

/** Ground to lip less hub to lip is the tire's loaded radius: between them the two heights must leave what the tire can be. */
export interface RadiusCheck {
  readonly loadedMm: number;
  readonly freeMm: number;
  readonly verdict: 'agrees' | 'tooTall' | 'tooFlat';
}

/**
 * Shares of the free radius between which a loaded tire at pressure stands. Working values of this project, no published
 * source: 3 % flat is common, 12 % is a tire gone soft; a tape read to a couple of millimetres may show 1 % over.
 */
const LOADED_SHARE = { least: 0.88, most: 1.01 } as const;

export function stanceHeights(corners: Readonly<Partial<Record<CornerKey, CornerHeights>>>): StanceHeights {
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

function radiusCheck({ hubToLipMm, groundToLipMm, fitted }: CornerHeights): RadiusCheck | null {
  if (hubToLipMm === undefined || groundToLipMm === undefined) return null;
  const section = attempt(() => tireSection(fitted.tire, fitted.wheel.widthIn, ''));
  if (!section.ok) return null;
  const freeMm = section.value.diameterMm / 2;
  const loadedMm = groundToLipMm - hubToLipMm;
  const share = loadedMm / freeMm;
  const verdict = share > LOADED_SHARE.most ? 'tooTall' : share < LOADED_SHARE.least ? 'tooFlat' : 'agrees';
  return { loadedMm, freeMm, verdict };
}

/** One side alone stands for both. */
const mean = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : (a + b) / 2);

const difference = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a - b);
