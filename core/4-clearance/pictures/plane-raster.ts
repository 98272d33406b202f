/** A window of the plane of axle line (mm outboard of the hub face) and radius, cut into square cells. */
export interface PlaneWindow {
  readonly fromAMm: number;
  readonly fromRMm: number;
  readonly stepMm: number;
  readonly columns: number;
  readonly rows: number;
}

const { ceil, floor, max, min } = Math;

/** mm a block of cells is about wide, which is looked at as one. */
const BLOCK_MM = 16;

/** Cells of a window marked by what crosses them: the first that does. */
export class PlaneRaster {
  /** 0: nothing crosses the cell. */
  readonly marks: Int32Array;
  marked = false;
  readonly #window: PlaneWindow;
  /** A block's side is two to the power of this, in cells. */
  readonly #bits: number;
  readonly #blocksAcross: number;
  /** Cells of each block that nothing crosses yet; rows of blocks as rows of cells. */
  readonly #empty: Uint16Array;

  constructor(window: PlaneWindow) {
    const { columns, rows, stepMm } = window;
    this.#window = window;
    this.marks = new Int32Array(columns * rows);
    this.#bits = min(MOST_BITS, max(1, Math.round(Math.log2(BLOCK_MM / stepMm))));
    const side = 1 << this.#bits;
    const across = ceil(columns / side);
    this.#blocksAcross = across;
    this.#empty = Uint16Array.from({ length: across * ceil(rows / side) }, (_, block) => {
      const [column, row] = [side * (block % across), side * floor(block / across)];
      return min(side, columns - column) * min(side, rows - row);
    });
  }

  /**
   * Whether nothing is left to mark between these bounds, mm: what is drawn within them would change nothing. Told by whole blocks, so
   * "no" may be said where it would not either.
   */
  isFull(fromAMm: number, toAMm: number, fromRMm: number, toRMm: number): boolean {
    const { columns, rows, stepMm } = this.#window;
    const perMm = 1 / (stepMm * (1 << this.#bits));
    const left = max(0, floor((fromAMm - this.#window.fromAMm) * perMm));
    const right = min((columns - 1) >> this.#bits, floor((toAMm - this.#window.fromAMm) * perMm));
    const low = max(0, floor((fromRMm - this.#window.fromRMm) * perMm));
    const high = min((rows - 1) >> this.#bits, floor((toRMm - this.#window.fromRMm) * perMm));
    for (let row = low; row <= high; row++) {
      const first = row * this.#blocksAcross;
      for (let block = first + left; block <= first + right; block++) if (this.#empty[block]! > 0) return false;
    }
    return true;
  }

  obstacleAt(cell: number): number {
    return cell < 0 ? -1 : floor((this.marks[cell]! - 1) / POSTURES);
  }

  postureAt(cell: number): number {
    return cell < 0 ? -1 : (this.marks[cell]! - 1) % POSTURES;
  }

  /** Marks every cell that the way between two places crosses or nearly does. */
  line(a0: number, r0: number, a1: number, r1: number, obstacle: number, posture: number): void {
    const { fromAMm, fromRMm, stepMm, columns, rows } = this.#window;
    const mark = 1 + obstacle * POSTURES + posture;
    const c0 = (a0 - fromAMm) / stepMm;
    const w0 = (r0 - fromRMm) / stepMm;
    const dc = (a1 - fromAMm) / stepMm - c0;
    const dw = (r1 - fromRMm) / stepMm - w0;
    const parts = max(1, ceil(max(Math.abs(dc), Math.abs(dw))));
    if (max(c0, c0 + dc) < 0 || min(c0, c0 + dc) >= columns || max(w0, w0 + dw) < 0 || min(w0, w0 + dw) >= rows) return;
    for (let k = 0; k <= parts; k++) {
      this.#mark(floor(c0 + (dc * k) / parts), floor(w0 + (dw * k) / parts), mark);
    }
  }

  /** Marks every cell whose middle lies in a triangle. */
  triangle(
    a0: number,
    r0: number,
    a1: number,
    r1: number,
    a2: number,
    r2: number,
    obstacle: number,
    posture: number,
  ): void {
    const { fromAMm, fromRMm, stepMm, columns, rows } = this.#window;
    const perMm = 1 / stepMm;
    // In cells, so that a row's middle is a whole number.
    const [x0, x1, x2] = [(a0 - fromAMm) * perMm - 0.5, (a1 - fromAMm) * perMm - 0.5, (a2 - fromAMm) * perMm - 0.5];
    const [y0, y1, y2] = [(r0 - fromRMm) * perMm - 0.5, (r1 - fromRMm) * perMm - 0.5, (r2 - fromRMm) * perMm - 0.5];
    const low = max(0, ceil(min(y0, y1, y2)));
    const high = min(rows - 1, floor(max(y0, y1, y2)));
    if (low > high || max(x0, x1, x2) < 0 || min(x0, x1, x2) > columns - 1) return;
    const mark = 1 + obstacle * POSTURES + posture;
    const { marks } = this;
    const empty = this.#empty;
    const bits = this.#bits;
    for (let row = low; row <= high; row++) {
      let from = Infinity;
      let to = -Infinity;
      if (y0 !== y1 && row >= min(y0, y1) && row <= max(y0, y1)) {
        from = to = x0 + ((x1 - x0) * (row - y0)) / (y1 - y0);
      }
      if (y1 !== y2 && row >= min(y1, y2) && row <= max(y1, y2)) {
        const x = x1 + ((x2 - x1) * (row - y1)) / (y2 - y1);
        if (x < from) from = x;
        if (x > to) to = x;
      }
      if (y2 !== y0 && row >= min(y2, y0) && row <= max(y2, y0)) {
        const x = x2 + ((x0 - x2) * (row - y2)) / (y0 - y2);
        if (x < from) from = x;
        if (x > to) to = x;
      }
      const first = row * columns;
      const blocks = (row >> bits) * this.#blocksAcross;
      const last = min(columns - 1, floor(to));
      for (let column = max(0, ceil(from)); column <= last; column++) {
        if (marks[first + column] !== 0) continue;
        marks[first + column] = mark;
        empty[blocks + (column >> bits)]!--;
      }
    }
    this.marked = true;
  }

  #mark(column: number, row: number, mark: number): void {
    const { columns, rows } = this.#window;
    if (column < 0 || row < 0 || column >= columns || row >= rows) return;
    const cell = row * columns + column;
    this.marked = true;
    if (this.marks[cell] !== 0) return;
    this.marks[cell] = mark;
    this.#empty[(row >> this.#bits) * this.#blocksAcross + (column >> this.#bits)]!--;
  }
}

/** More postures than any picture has, and room for two thousand obstacles: a mark holds both. */
const POSTURES = 2 ** 20;

/** The cells of a block of 128 a side still fit its count. */
const MOST_BITS = 7;
