/** Distances to the nearest marked cell of a grid, and which cell that is. */
export interface CellDistances {
  /** Squared, in cells; Infinity where nothing is marked. */
  readonly squared: Float64Array;
  /** Index of the nearest marked cell; -1 where nothing is marked. */
  readonly nearest: Int32Array;
}

/**
 * Exact Euclidean distances from cell middles to the nearest cell whose mark is not 0. Rows of `columns` cells. The lower
 * envelope of parabolas, first down each column, then along each row: P. Felzenszwalb and D. Huttenlocher, "Distance
 * Transforms of Sampled Functions", Theory of Computing 8 (2012).
 */
export function cellDistances(marks: ArrayLike<number>, columns: number, rows: number): CellDistances {
  const count = columns * rows;
  const squared = new Float64Array(count);
  const nearest = new Int32Array(count).fill(-1);
  // Down each column the nearest mark is above or below.
  for (let column = 0; column < columns; column++) {
    let last = -1;
    for (let row = 0; row < rows; row++) {
      const i = row * columns + column;
      if (marks[i]) last = row;
      nearest[i] = last;
    }
    last = -1;
    for (let row = rows - 1; row >= 0; row--) {
      const i = row * columns + column;
      if (marks[i]) last = row;
      const above = nearest[i] as number;
      if (last >= 0 && (above < 0 || last - row < row - above)) nearest[i] = last;
      const found = nearest[i] as number;
      squared[i] = found < 0 ? Infinity : (row - found) ** 2;
    }
  }
  const heights = new Float64Array(columns);
  const markRows = new Int32Array(columns);
  /** Columns of the parabolas that are lowest somewhere, and where each begins to be. */
  const lowest = new Int32Array(columns);
  const from = new Float64Array(columns + 1);
  for (let row = 0; row < rows; row++) {
    const at = row * columns;
    let top = -1;
    for (let q = 0; q < columns; q++) {
      heights[q] = squared[at + q] as number;
      markRows[q] = nearest[at + q] as number;
      if (heights[q] === Infinity) continue;
      let start = -Infinity;
      while (top >= 0) {
        const p = lowest[top] as number;
        start = (heights[q]! + q * q - (heights[p]! + p * p)) / (2 * (q - p));
        if (start > from[top]!) break;
        top--;
      }
      lowest[++top] = q;
      from[top] = top === 0 ? -Infinity : start;
    }
    if (top < 0) continue;
    from[top + 1] = Infinity;
    let k = 0;
    for (let q = 0; q < columns; q++) {
      while (from[k + 1]! < q) k++;
      const p = lowest[k] as number;
      squared[at + q] = (q - p) ** 2 + heights[p]!;
      nearest[at + q] = markRows[p]! * columns + p;
    }
  }
  return { squared, nearest };
}
