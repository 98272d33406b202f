import type { WantedField } from '../../4-clearance/pictures/keep-out-painter';
import type { PlaneWindow } from '../../4-clearance/pictures/plane-raster';
import type { SectionDiscs } from './section-discs';

export type MarginField = WantedField;

/** A disc's place in the cells of a window, and the shares of its four neighbours. */
interface Spot {
  readonly cell: number;
  readonly below: number;
  readonly w00: number;
  readonly w01: number;
  readonly w10: number;
  readonly w11: number;
}

function spotOf({ fromAMm, fromRMm, stepMm, columns, rows }: PlaneWindow, a: number, r: number): Spot {
  const x = Math.max(0, (a - fromAMm) / stepMm - 0.5);
  const y = Math.min(rows - 1, Math.max(0, (r - fromRMm) / stepMm - 0.5));
  const column = Math.min(columns - 1, Math.floor(x));
  const row = Math.min(rows - 1, Math.floor(y));
  const fx = x - column;
  const fy = y - row;
  const below = row + 1 < rows ? columns : 0;
  return {
    cell: row * columns + column,
    below,
    w00: (1 - fx) * (1 - fy),
    w01: fx * (1 - fy),
    w10: (1 - fx) * fy,
    w11: fx * fy,
  };
}

/**
 * Lowers `curve` to the least margin of a section made of discs, at centre planes from `fromMm` on in steps of one cell:
 * the distance field at each disc's middle less its radius. `nearest` is told which disc that is, counted from `firstDisc`.
 */
export function marginCurve(
  { wantedMm }: MarginField,
  window: PlaneWindow,
  discs: SectionDiscs,
  fromMm: number,
  curve: Float32Array,
  nearest: Uint16Array,
  firstDisc: number,
): void {
  const count = curve.length;
  for (let d = 0; d < discs.length; d += 3) {
    const radius = discs[d + 2]!;
    const { cell, below, w00, w01, w10, w11 } = spotOf(window, fromMm + discs[d]!, discs[d + 1]!);
    let c0 = w00 * wantedMm[cell]! + w10 * wantedMm[cell + below]!;
    for (let k = 0; k < count; k++) {
      const i = cell + k;
      const c1 = w01 * wantedMm[i + 1]! + w11 * wantedMm[i + 1 + below]!;
      const margin = c0 + c1 - radius;
      if (margin < curve[k]!) {
        curve[k] = margin;
        nearest[k] = firstDisc + d / 3;
      }
      c0 = w00 * wantedMm[i + 1]! + w10 * wantedMm[i + 1 + below]!;
    }
  }
}

/** The obstacle nearest to the middle of a section's disc at a centre plane. */
export function obstacleOfDisc(
  { obstacle }: MarginField,
  window: PlaneWindow,
  discs: SectionDiscs,
  disc: number,
  planeMm: number,
): number {
  const { cell } = spotOf(window, planeMm + discs[3 * disc]!, discs[3 * disc + 1]!);
  return obstacle[cell]!;
}
