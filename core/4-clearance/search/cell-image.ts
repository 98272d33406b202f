import type { PieceTree } from '../../3-survey/shape/piece-tree';
import {
  newPlaces,
  readPlaces,
  T,
  U,
  V,
  LT,
  LU,
  LV,
  ALONG,
  FROM_AXIS,
  HALF_ALONG,
  LEAST_RADIUS,
  COSINE,
  SWINGS,
  MISSED,
  FAR,
  ROUND,
  LEVER,
  REACHES,
  BEND,
  TWIST,
  WAY,
  PLACE_WAYS,
} from './posture-cell';
import { OFF, OFF_TURN, PAIR_NUMBERS, PAIRS } from './posture-bends';
import { boundAt, MISS, MISS_TURN, REACH, SWING, TURN } from './posture-bounds';
import { DOWN } from '../oracle/seen-from-wheel';
import { SLOPE_STEER, SLOPE_TRAVEL, type PostureCells } from './posture-cells';

const { abs, sqrt } = Math;

/** Half a cell's share of the range, by level. */
const HALVES = Float64Array.from({ length: 16 }, (_, level) => 0.5 / 2 ** level);

/** Scratch of one call. */
const places = newPlaces();

/** Where a cell lies in the plane (a, r), whatever the rotor. */
export function imageCell(open: Float64Array, at: number, cells: PostureCells, tree: PieceTree): void {
  const lt = open[at + LT]! | 0;
  const lu = open[at + LU]! | 0;
  const lv = open[at + LV]! | 0;
  const offset = cells.posture(open[at + T]! | 0, open[at + U]! | 0, open[at + V]! | 0);
  const d = cells.postureData;
  const p = places;
  readPlaces(open, at, tree, p);
  const px = p[0]!;
  const py = p[1]!;
  const pz = p[2]!;
  const radius = p[9]!;

  const m0 = d[offset]!;
  const m1 = d[offset + 1]!;
  const m2 = d[offset + 2]!;
  const m4 = d[offset + 4]!;
  const m5 = d[offset + 5]!;
  const m6 = d[offset + 6]!;
  const m8 = d[offset + 8]!;
  const m9 = d[offset + 9]!;
  const m10 = d[offset + 10]!;
  const x = m0 * px + m1 * py + m2 * pz + d[offset + 3]!;
  const z = m8 * px + m9 * py + m10 * pz + d[offset + 11]!;
  const r = sqrt(x * x + z * z);
  const cx = r > 0 ? x / r : 1;
  const cz = r > 0 ? z / r : 0;
  open[at + ALONG] = m4 * px + m5 * py + m6 * pz + d[offset + 7]!;
  open[at + FROM_AXIS] = r;

  // Ways of the image over half the cell.
  let away = radius;
  let round = radius;
  let spread = 0;
  let along = 0;
  for (let k = 0; k < 2; k++) {
    const ex = p[3 + 3 * k]!;
    const ey = p[4 + 3 * k]!;
    const ez = p[5 + 3 * k]!;
    const sx = m0 * ex + m1 * ey + m2 * ez;
    const sz = m8 * ex + m9 * ey + m10 * ez;
    const w = at + WAY + 3 * (PLACE_WAYS + k);
    const sr = sx * cx + sz * cz;
    const st = sz * cx - sx * cz;
    const sa = m4 * ex + m5 * ey + m6 * ez;
    open[w] = sa;
    open[w + 1] = sr;
    open[w + 2] = st;
    along += abs(sa);
    away += abs(sr);
    round += abs(st);
    spread += ex * ex + ey * ey + ez * ez;
  }
  for (let k = 0; k < 3; k++) {
    const w = at + WAY + 3 * k;
    const twist = at + TWIST + 4 * k;
    if (!cells.moves[k]) {
      open.fill(0, twist, twist + 4);
      open[w] = 0;
      open[w + 1] = 0;
      open[w + 2] = 0;
      continue;
    }
    const s = offset + SLOPE_TRAVEL + (SLOPE_STEER - SLOPE_TRAVEL) * k;
    const half = HALVES[k === 0 ? lt : k === 1 ? lu : lv]!;
    const sx = (d[s]! * px + d[s + 1]! * py + d[s + 2]! * pz + d[s + 3]!) * half;
    const sz = (d[s + 8]! * px + d[s + 9]! * py + d[s + 10]! * pz + d[s + 11]!) * half;
    const sr = sx * cx + sz * cz;
    const st = sz * cx - sx * cz;
    const sa = (d[s + 4]! * px + d[s + 5]! * py + d[s + 6]! * pz + d[s + 7]!) * half;
    open[w] = sa;
    open[w + 1] = sr;
    open[w + 2] = st;
    along += abs(sa);
    away += abs(sr);
    round += abs(st);
    for (let i = 0; i < 2; i++) {
      const ex = p[3 + 3 * i]! * half;
      const ey = p[4 + 3 * i]! * half;
      const ez = p[5 + 3 * i]! * half;
      const tx = d[s]! * ex + d[s + 1]! * ey + d[s + 2]! * ez;
      const tz = d[s + 8]! * ex + d[s + 9]! * ey + d[s + 10]! * ez;
      open[twist + 2 * i] = d[s + 4]! * ex + d[s + 5]! * ey + d[s + 6]! * ez;
      open[twist + 2 * i + 1] = tx * cx + tz * cz;
    }
  }

  // What moves a place besides its ways, and how far anything in the cell may be from its middle.
  const reach = sqrt(spread);
  const lever = sqrt(px * px + py * py + pz * pz);
  const { bounds, bends } = cells;
  const b = boundAt(lt, lu, lv);
  const turn = bounds[b + TURN]!;
  const far = bounds[b + REACH]! + turn * lever + reach + radius;
  const besides = bounds[b + MISS]! + bounds[b + MISS_TURN]! * lever + turn * reach + radius;
  let miss = cells.errorMm + bounds[b + MISS_TURN]! * reach + radius;
  let bend = cells.bendsAt(open, at);
  const m = bends.data;
  for (let pair = 0; pair < PAIRS.length; pair++, bend += PAIR_NUMBERS) {
    const [k, l] = PAIRS[pair]!;
    const w = at + BEND + 2 * pair;
    if (!(cells.moves[k] && cells.moves[l])) {
      open[w] = 0;
      open[w + 1] = 0;
      continue;
    }
    const halves = HALVES[open[at + LT + k]!]! * HALVES[open[at + LT + l]!]! * (k === l ? 0.5 : 1);
    const bx = m[bend]! * px + m[bend + 1]! * py + m[bend + 2]! * pz + m[bend + 3]!;
    const bz = m[bend + 8]! * px + m[bend + 9]! * py + m[bend + 10]! * pz + m[bend + 11]!;
    open[w] = (m[bend + 4]! * px + m[bend + 5]! * py + m[bend + 6]! * pz + m[bend + 7]!) * halves;
    open[w + 1] = (bx * cx + bz * cz) * halves;
    miss += (m[bend + OFF]! + m[bend + OFF_TURN]! * lever) * halves;
  }
  open[at + MISSED] = miss;
  open[at + HALF_ALONG] = along + besides;
  open[at + LEAST_RADIUS] = r - away - besides;
  open[at + FAR] = far;
  open[at + LEVER] = lever;
  open[at + ROUND] = round + besides;
  open[at + REACHES] = reach + radius;
  open[at + COSINE] = cx * d[offset + DOWN]! + cz * d[offset + DOWN + 1]!;
  open[at + SWINGS] = r > 0 ? far / r + bounds[b + SWING]! : 2;
}
