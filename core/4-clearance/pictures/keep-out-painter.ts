import type { Posture } from '../../2-vehicle/motion/corner-motion';
import { cellDistances } from '../../1-base/numeric/distance-transform';
import { COS_NEAR_GROUND } from '../../2-vehicle/setup/rotor';
import type { PiecePlaces } from '../../3-survey/shape/piece-places';
import { DOWN, SEEN_NUMBERS } from '../oracle/seen-from-wheel';
import { mountsInWheel, postureGrid, type GridSize, type PostureGrid } from './posture-grid';
import type { PreparedCorner } from '../case/prepared-corner';
import { PlaneRaster, type PlaneWindow } from './plane-raster';
import type { PlacedThing } from '../../3-survey/prepared/prepared-obstacle';

const { max, min } = Math;

/**
 * What an image is measured to: the tire and wheel filled to the axis; the same bulged, near the ground; the hollow
 * wheel.
 */
export const KEEP_OUT_ZONES = ['free', 'ground', 'inside'] as const;
export type KeepOutZone = (typeof KEEP_OUT_ZONES)[number];

/** The keep-out region of one zone on the cells of a window; index = row * columns + column. */
export interface KeepOutField {
  /** mm from a cell's middle to what the wheel can meet, less that thing's thickness: under 0 inside it. */
  readonly touchMm: Float32Array;
  /** The same less the room that is wanted to it as well. */
  readonly wantedMm: Float32Array;
  /** Of what is touched first from a cell: its place in `obstacles`, and in `postures`. */
  readonly obstacle: Int16Array;
  readonly posture: Int32Array;
}

/**
 * Postures an axis: images between neighbouring postures are filled in straight, which sags by under 0.3 mm at 45 degrees
 * of lock each way.
 */
export const KEEP_OUT_GRID: GridSize = { travel: 13, steer: 19, other: 4 };

/** mm from a cell's middle to what a group wants room for, less that room, and the obstacle nearest in that sense. */
export interface WantedField {
  readonly wantedMm: Float32Array;
  /** Its place in the corner's obstacles; -1 where there is none. */
  readonly obstacle: Int16Array;
}

/** Obstacles as thick and wanted as far away as one another share a raster: their region grows by the same. */
interface Layer {
  readonly zone: KeepOutZone;
  readonly thickMm: number;
  readonly requiredMm: number;
  /** Index of the group that is measured on its own. */
  readonly group: number;
  readonly raster: PlaneRaster;
}

/** Draws what obstacles sweep past the wheel, and measures the plane from it. */
export class KeepOutPainter {
  readonly postures: Posture[] = [];
  readonly #corner: PreparedCorner;
  readonly #window: PlaneWindow;
  readonly #size: GridSize;
  readonly #layers = new Map<string, Layer>();
  readonly #grids = new Map<string, { readonly grid: PostureGrid; readonly first: number }>();
  readonly #views = new Map<string, Float64Array>();

  constructor(corner: PreparedCorner, window: PlaneWindow, size = KEEP_OUT_GRID) {
    this.#corner = corner;
    this.#window = window;
    this.#size = size;
  }

  /** Adds an obstacle over a stretch of travel, to one of the groups that can be measured on their own. */
  paint(
    obstacle: PlacedThing,
    index: number,
    places: PiecePlaces,
    stretch: { readonly from: number; readonly to: number },
    requiredMm: number,
    group = 0,
  ): void {
    const { mount, insideWheel, radiusMm, complianceMm } = obstacle;
    const key = `${stretch.from}:${stretch.to}`;
    const known = this.#grids.get(key) ?? this.#newGrid(key, stretch);
    const viewKey = `${key}:${mount}`;
    const views = this.#views.get(viewKey) ?? mountsInWheel(this.#corner.motion, mount, known.grid.postures);
    this.#views.set(viewKey, views);
    const images = imagesOf(places, views, insideWheel, this.#window);
    const thickMm = radiusMm + complianceMm;
    const layer = (zone: KeepOutZone): PlaneRaster => this.#layer(zone, thickMm, requiredMm, group).raster;
    if (insideWheel) paintImages(images, places, known, index, layer('inside'), null);
    else paintImages(images, places, known, index, layer('free'), images.anyNearGround ? layer('ground') : null);
  }

  field(zone: KeepOutZone): KeepOutField | null {
    const layers = [...this.#layers.values()].filter((layer) => layer.zone === zone && layer.raster.marked);
    if (layers.length === 0) return null;
    const { columns, rows, stepMm } = this.#window;
    const count = columns * rows;
    const touchMm = new Float32Array(count).fill(Infinity);
    const wantedMm = new Float32Array(count).fill(Infinity);
    const obstacle = new Int16Array(count).fill(-1);
    const posture = new Int32Array(count).fill(-1);
    for (const { raster, thickMm, requiredMm } of layers) {
      const { squared, nearest } = cellDistances(raster.marks, columns, rows);
      for (let i = 0; i < count; i++) {
        // A marked cell is crossed somewhere: its own half counts as met.
        const touch = (Math.sqrt(squared[i]!) - 0.5) * stepMm - thickMm;
        if (touch < touchMm[i]!) {
          touchMm[i] = touch;
          obstacle[i] = raster.obstacleAt(nearest[i]!);
          posture[i] = raster.postureAt(nearest[i]!);
        }
        if (touch - requiredMm < wantedMm[i]!) wantedMm[i] = touch - requiredMm;
      }
    }
    return { touchMm, wantedMm, obstacle, posture };
  }

  /** What one group leaves of the room that is wanted; null where nothing of it lies in the window. */
  wanted(zone: KeepOutZone, group: number): WantedField | null {
    const layers = [...this.#layers.values()].filter(
      (layer) => layer.zone === zone && layer.group === group && layer.raster.marked,
    );
    if (layers.length === 0) return null;
    const { columns, rows, stepMm } = this.#window;
    const count = columns * rows;
    const wantedMm = new Float32Array(count).fill(Infinity);
    const obstacle = new Int16Array(count).fill(-1);
    for (const { raster, thickMm, requiredMm } of layers) {
      const { squared, nearest } = cellDistances(raster.marks, columns, rows);
      const less = thickMm + requiredMm;
      for (let i = 0; i < count; i++) {
        const wanted = (Math.sqrt(squared[i]!) - 0.5) * stepMm - less;
        if (wanted >= wantedMm[i]!) continue;
        wantedMm[i] = wanted;
        obstacle[i] = raster.obstacleAt(nearest[i]!);
      }
    }
    return { wantedMm, obstacle };
  }

  #newGrid(key: string, stretch: { readonly from: number; readonly to: number }) {
    const grid = postureGrid(this.#corner, stretch, this.#size);
    const made = { grid, first: this.postures.length };
    this.postures.push(...grid.postures);
    this.#grids.set(key, made);
    return made;
  }

  #layer(zone: KeepOutZone, thickMm: number, requiredMm: number, group: number): Layer {
    const key = `${zone}:${thickMm}:${requiredMm}:${group}`;
    const known = this.#layers.get(key);
    if (known) return known;
    const made = { zone, thickMm, requiredMm, group, raster: new PlaneRaster(this.#window) };
    this.#layers.set(key, made);
    return made;
  }
}

/** Images of places in postures: along the axle line, radius, and whether near the ground; place by place. */
interface Images {
  readonly a: Float64Array;
  readonly r: Float64Array;
  readonly nearGround: Uint8Array;
  readonly anyNearGround: boolean;
  /** Bits: beyond which sides of the window. Places that share one have nothing to draw between them. */
  readonly beyond: Uint8Array;
}

function imagesOf(
  { at }: PiecePlaces,
  views: Float64Array,
  insideWheel: boolean,
  { fromAMm, fromRMm, stepMm, columns, rows }: PlaneWindow,
): Images {
  const postures = views.length / SEEN_NUMBERS;
  const count = (at.length / 3) * postures;
  const a = new Float64Array(count);
  const r = new Float64Array(count);
  const nearGround = new Uint8Array(count);
  const beyond = new Uint8Array(count);
  const toAMm = fromAMm + columns * stepMm;
  const toRMm = fromRMm + rows * stepMm;
  let anyNearGround = false;
  let i = 0;
  for (let p = 0; p < at.length; p += 3) {
    const [px, py, pz] = [at[p]!, at[p + 1]!, at[p + 2]!];
    for (let v = 0; v < views.length; v += SEEN_NUMBERS) {
      const x = views[v]! * px + views[v + 1]! * py + views[v + 2]! * pz + views[v + 3]!;
      const z = views[v + 8]! * px + views[v + 9]! * py + views[v + 10]! * pz + views[v + 11]!;
      a[i] = views[v + 4]! * px + views[v + 5]! * py + views[v + 6]! * pz + views[v + 7]!;
      r[i] = Math.sqrt(x * x + z * z);
      if (!insideWheel && x * views[v + DOWN]! + z * views[v + DOWN + 1]! >= COS_NEAR_GROUND * r[i]!) {
        nearGround[i] = 1;
        anyNearGround = true;
      }
      beyond[i] =
        (a[i]! < fromAMm ? 1 : 0) | (a[i]! > toAMm ? 2 : 0) | (r[i]! < fromRMm ? 4 : 0) | (r[i]! > toRMm ? 8 : 0);
      i++;
    }
  }
  return { a, r, nearGround, anyNearGround, beyond };
}

/**
 * Fills the sheets each place sweeps between neighbouring heights and steers, and between neighbouring heights of the other wheel
 * and steers; draws what lies between neighbouring places in every posture.
 */
function paintImages(
  { a, r, nearGround, beyond }: Images,
  { links, at }: PiecePlaces,
  { grid, first }: { readonly grid: PostureGrid; readonly first: number },
  obstacle: number,
  free: PlaneRaster,
  ground: PlaneRaster | null,
): void {
  const [heights, steers, others] = grid.counts;
  const postures = grid.postures.length;
  const line = (i: number, j: number, posture: number): void => {
    if (beyond[i]! & beyond[j]!) return;
    const low = nearGround[i]! + nearGround[j]!;
    if (low < 2) free.line(a[i]!, r[i]!, a[j]!, r[j]!, obstacle, first + posture);
    if (low > 0) ground?.line(a[i]!, r[i]!, a[j]!, r[j]!, obstacle, first + posture);
  };
  const fill = (i: number, j: number, k: number, posture: number): void => {
    if (beyond[i]! & beyond[j]! & beyond[k]!) return;
    const low = nearGround[i]! + nearGround[j]! + nearGround[k]!;
    if (low < 3) free.triangle(a[i]!, r[i]!, a[j]!, r[j]!, a[k]!, r[k]!, obstacle, first + posture);
    if (low > 0) ground?.triangle(a[i]!, r[i]!, a[j]!, r[j]!, a[k]!, r[k]!, obstacle, first + posture);
  };
  /** Whether all that lies between six images is drawn already: most of what an obstacle sweeps it sweeps many times. */
  const isDrawn = (i: number, j: number, k: number, l: number, m: number, n: number): boolean => {
    const fromA = min(a[i]!, a[j]!, a[k]!, a[l]!, a[m]!, a[n]!);
    const toA = max(a[i]!, a[j]!, a[k]!, a[l]!, a[m]!, a[n]!);
    const fromR = min(r[i]!, r[j]!, r[k]!, r[l]!, r[m]!, r[n]!);
    const toR = max(r[i]!, r[j]!, r[k]!, r[l]!, r[m]!, r[n]!);
    const low = nearGround[i]! + nearGround[j]! + nearGround[k]! + nearGround[l]! + nearGround[m]! + nearGround[n]!;
    if (low < 6 && !free.isFull(fromA, toA, fromR, toR)) return false;
    return low === 0 || !ground || ground.isFull(fromA, toA, fromR, toR);
  };
  const alongSteer = others;
  const alongTravel = steers * others;
  for (let p = 0; p < at.length / 3; p++) {
    for (let posture = 0; posture < postures; posture++) {
      const i = p * postures + posture;
      const other = posture % others;
      const steer = Math.floor(posture / others) % steers;
      const height = Math.floor(posture / alongTravel);
      if (postures === 1) line(i, i, posture);
      const s = steer + 1 < steers ? alongSteer : 0;
      const h = height + 1 < heights ? alongTravel : 0;
      const o = other + 1 < others ? 1 : 0;
      if (isDrawn(i, i + s, i + h, i + h + s, i + o, i + o + s)) continue;
      if (other + 1 < others) line(i, i + 1, posture);
      if (steer + 1 < steers) line(i, i + alongSteer, posture);
      if (height + 1 < heights) line(i, i + alongTravel, posture);
      if (steer + 1 < steers && height + 1 < heights) {
        fill(i, i + alongSteer, i + alongTravel, posture);
        fill(i + alongSteer, i + alongTravel, i + alongTravel + alongSteer, posture);
      }
      if (steer + 1 < steers && other + 1 < others) {
        fill(i, i + alongSteer, i + 1, posture);
        fill(i + alongSteer, i + 1, i + 1 + alongSteer, posture);
      }
    }
  }
  for (let k = 0; k < links.length; k += 2) {
    const [p, q] = [links[k]! * postures, links[k + 1]! * postures];
    for (let posture = 0; posture < postures; posture++) line(p + posture, q + posture, posture);
  }
}
