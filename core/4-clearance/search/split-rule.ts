import type { AllowedPart } from './allowed-part';
import { boundAt, MISS, MISS_TURN, OTHER_LEVELS, STEER_LEVELS, TRAVEL_LEVELS, TURN } from './posture-bounds';
import { LEVER, LT, LU, LV, PLACE_WAYS, REACHES, SLAB, SPLIT, SPLIT_NONE, SPLIT_PLACE, WAY } from './posture-cell';
import type { PostureCells } from './posture-cells';

/** Partial derivatives of a distance: along the axle and outward from it. */
export interface Slope {
  along: number;
  outward: number;
}

/** mm: weighs a cell's bend against its slope when choosing what to halve; a larger shoulder's radius. */
const BEND_RADIUS = 50;

/** Halving places tells more than halving postures that change the distance as much: their pieces end, and many end outside. */
const PLACE_WEIGHT = 2;

/** From the bounds of one size of cell to those of half of it, by direction. */
const OFFSETS = [boundAt(1, 0, 0), boundAt(0, 1, 0), boundAt(0, 0, 1)];

/** mm: pieces shorter than this are not cut further. */
const LEAST_PIECE_MM = 0.005;

const { abs } = Math;

/** Halves what makes the cell's distances differ most. */
export function chooseSplit(
  open: Float64Array,
  at: number,
  { bounds, moves }: PostureCells,
  { from, to }: AllowedPart,
  slope: Slope,
): void {
  const { along: ga, outward: gr } = slope;
  const isSlab = open[at + SLAB]! >= 0;
  const here = boundAt(open[at + LT]!, open[at + LU]!, open[at + LV]!);
  const lever = open[at + LEVER]!;
  const reach = open[at + REACHES]!;
  let most = 0;
  let split = SPLIT_NONE;
  for (let k = 0; k < 3; k++) {
    const last = k === 0 ? TRAVEL_LEVELS : k === 1 ? STEER_LEVELS : OTHER_LEVELS;
    if (!moves[k] || open[at + LT + k]! >= last) continue;
    const w = at + WAY + 3 * k;
    const wa = open[w]!;
    const wr = open[w + 1]!;
    const wt = open[w + 2]!;
    // The last term halves even what does not move the image, so that a search always ends.
    const part = (to[k]! - from[k]!) / 2;
    const finer = here + OFFSETS[k]!;
    const missed =
      bounds[here + MISS]! -
      bounds[finer + MISS]! +
      (bounds[here + MISS_TURN]! - bounds[finer + MISS_TURN]!) * lever +
      (bounds[here + TURN]! - bounds[finer + TURN]!) * reach;
    const bend = (wa * wa + wr * wr + wt * wt) / BEND_RADIUS;
    const score = missed + bend + part * abs(ga * wa + gr * wr) + 1e-9;
    if (score > most) {
      most = score;
      split = k;
    }
  }
  if (isSlab || reach > LEAST_PIECE_MM) {
    const w = at + WAY + 3 * PLACE_WAYS;
    const along = abs(ga * open[w]! + gr * open[w + 1]!) + abs(ga * open[w + 3]! + gr * open[w + 4]!);
    if (PLACE_WEIGHT * along + (reach * reach) / BEND_RADIUS > most) split = SPLIT_PLACE;
  }
  if (split === SPLIT_NONE && isSlab) split = SPLIT_PLACE;
  open[at + SPLIT] = split;
}
