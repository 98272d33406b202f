/** Numbers of a shop's record with how many they rest on. */
export interface Summary {
  readonly count: number;
  readonly mean: number;
  readonly least: number;
  readonly most: number;
  /** Half the width of the mean's 90 % interval; null below `ENOUGH`: too few to say. */
  readonly halfWidth: number | null;
}

/** Fewer than that say little of the next one. */
export const ENOUGH = 4;

/** Student's t, 95 %, by degrees of freedom from 3 to 10 (any table of it); beyond, the normal's. */
const T_95 = [2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812] as const;

/** null for nothing. */
export function summaryOf(values: readonly number[]): Summary | null {
  if (values.length === 0) return null;
  const n = values.length;
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, n - 1);
  return {
    count: n,
    mean,
    least: Math.min(...values),
    most: Math.max(...values),
    halfWidth: n < ENOUGH ? null : (T_95[n - ENOUGH] ?? 1.645) * Math.sqrt(variance / n),
  };
}
