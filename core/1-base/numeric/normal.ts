/** Coefficients of the error function's rational approximation (Abramowitz and Stegun, Handbook of Mathematical Functions, 7.1.26). */
const P = 0.3275911;
const A = [0.254829592, -0.284496736, 1.421413741, -1.453152027, 1.061405429] as const;

/** Share of the standard normal distribution below `z`; within 1e-7. */
export function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + P * x);
  const series = A.reduceRight((sum, a) => (sum + a) * t, 0);
  const upper = (series * Math.exp(-x * x)) / 2;
  return z > 0 ? 1 - upper : upper;
}
