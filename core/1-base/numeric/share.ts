/** How often something happened, and between what its chance lies. */
export interface Share {
  readonly count: number;
  readonly of: number;
  /** Bounds of the 90 % interval of the chance, 0 to 1. */
  readonly low: number;
  readonly high: number;
}

/** Of the standard normal, 95 %. */
const Z = 1.6449;

/** Chance from counts by the score interval (Wilson 1927), which holds for few and for none or all. `of` 0: anything is possible. */
export function shareOf(count: number, of: number): Share {
  if (!(of > 0)) return { count: 0, of: 0, low: 0, high: 1 };
  const p = count / of;
  const z2 = Z * Z;
  const middle = (p + z2 / (2 * of)) / (1 + z2 / of);
  const half = (Z * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of * of))) / (1 + z2 / of);
  return { count, of, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
