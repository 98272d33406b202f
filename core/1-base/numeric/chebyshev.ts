/** Middles at which a function is sampled for a Chebyshev series of `count` terms, in [-1, 1]. */
export const chebyshevNodes = (count: number): number[] =>
  Array.from({ length: count }, (_, j) => Math.cos((Math.PI * (j + 0.5)) / count));

/**
 * Turns samples at the nodes into coefficients of T0..T(count-1), in place along one direction of a grid: `lines` first
 * entries, `stride` between neighbours. (Discrete orthogonality of the Chebyshev polynomials; see any text on
 * approximation.)
 */
export function fitAlong(data: Float64Array, count: number, stride: number, lines: Iterable<number>): void {
  const cosines = new Float64Array(count * count);
  for (let k = 0; k < count; k++) {
    for (let j = 0; j < count; j++) {
      cosines[k * count + j] = ((k === 0 ? 1 : 2) / count) * Math.cos((Math.PI * k * (j + 0.5)) / count);
    }
  }
  const samples = new Float64Array(count);
  for (const first of lines) {
    for (let j = 0; j < count; j++) samples[j] = data[first + j * stride]!;
    for (let k = 0; k < count; k++) {
      let sum = 0;
      for (let j = 0; j < count; j++) sum += cosines[k * count + j]! * samples[j]!;
      data[first + k * stride] = sum;
    }
  }
}

/** T0..T(count-1) at x in [-1, 1] into `values`, and their slopes into `slopes`. */
export function chebyshevAt(count: number, x: number, values: Float64Array, slopes: Float64Array): void {
  values[0] = 1;
  slopes[0] = 0;
  if (count === 1) return;
  values[1] = x;
  slopes[1] = 1;
  for (let k = 2; k < count; k++) {
    values[k] = 2 * x * values[k - 1]! - values[k - 2]!;
    slopes[k] = 2 * values[k - 1]! + 2 * x * slopes[k - 1]! - slopes[k - 2]!;
  }
}

/** Value at x in [-1, 1] of the series with these coefficients. */
export function chebyshevSum(coefficients: ArrayLike<number>, x: number): number {
  let before = 0;
  let last = 0;
  for (let k = coefficients.length - 1; k > 0; k--) {
    const next = 2 * x * last - before + coefficients[k]!;
    before = last;
    last = next;
  }
  return x * last - before + coefficients[0]!;
}
