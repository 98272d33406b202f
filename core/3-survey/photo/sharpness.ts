import type { Pixel } from './camera';

/** Brightness of a picture, 0 to 255, row by row from the upper left. */
export interface GrayPicture {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly gray: Uint8Array | Uint8ClampedArray;
}

/** How sharp the edge at a rim's marks is. */
export interface EdgeSeen {
  /** Pixels over which it goes from dark to light, in the middle of the marks; null where no mark has an edge. */
  readonly risePx: number | null;
  /** Share of the marks at which the picture has an edge at all. */
  readonly share: number;
}

/** Levels of brightness that an edge changes by, at least. Working value of this project. */
const LEAST_CHANGE = 18;

/** Share of the radius, and pixels at least, to either side of a mark in which its edge is looked for. */
const BESIDE_SHARE = 0.12;
const BESIDE_PX = 8;

/** Places of a profile per pixel. */
const PER_PX = 2;

/**
 * The edge that is crossed on the way out from the middle through each mark: its change of brightness over its steepest slope, which is how many
 * pixels it is smeared over.
 */
export function edgeSeen(picture: GrayPicture, middle: Pixel, marks: readonly Pixel[]): EdgeSeen {
  const rises = marks.flatMap(([x, y]) => {
    const radius = Math.hypot(x - middle[0], y - middle[1]);
    if (!(radius > 0)) return [];
    const [dx, dy] = [(x - middle[0]) / radius, (y - middle[1]) / radius];
    const beside = Math.max(BESIDE_PX, BESIDE_SHARE * radius);
    const count = 2 * Math.round(beside * PER_PX) + 1;
    const profile = Array.from({ length: count }, (_, i) => {
      const out = i / PER_PX - beside;
      return brightnessAt(picture, x + out * dx, y + out * dy);
    });
    const rise = riseOf(profile);
    return rise === null ? [] : [rise];
  });
  const sorted = [...rises].sort((a, b) => a - b);
  return {
    risePx: sorted.length === 0 ? null : sorted[sorted.length >> 1]!,
    share: marks.length === 0 ? 0 : rises.length / marks.length,
  };
}

/** Pixels over which a profile's steepest edge rises or falls; null: nothing but noise. */
function riseOf(profile: readonly number[]): number | null {
  // Over a pixel to either side, so that a grain is no edge.
  const smooth = profile.map((_, i) => {
    const near = profile.slice(Math.max(0, i - PER_PX), i + PER_PX + 1);
    return near.reduce((sum, v) => sum + v, 0) / near.length;
  });
  let steepest = 0;
  smooth.forEach((v, i) => {
    if (i > 0 && Math.abs(v - smooth[i - 1]!) > Math.abs(steepest)) steepest = v - smooth[i - 1]!;
  });
  const change = Math.max(...smooth) - Math.min(...smooth);
  return change < LEAST_CHANGE || steepest === 0 ? null : change / Math.abs(steepest) / PER_PX;
}

/** Between four pixels, straight; the border goes on outside. */
function brightnessAt({ widthPx, heightPx, gray }: GrayPicture, x: number, y: number): number {
  const at = (i: number, j: number): number =>
    gray[Math.min(heightPx - 1, Math.max(0, j)) * widthPx + Math.min(widthPx - 1, Math.max(0, i))]!;
  const [i, j] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [x - i, y - j];
  return (1 - v) * ((1 - u) * at(i, j) + u * at(i + 1, j)) + v * ((1 - u) * at(i, j + 1) + u * at(i + 1, j + 1));
}

/** Brightness by ITU-R BT.601 of a picture's red, green, blue and opacity. */
export function grayOf(rgba: ArrayLike<number>): Uint8Array {
  return Uint8Array.from({ length: rgba.length / 4 }, (_, i) =>
    Math.round(0.299 * rgba[4 * i]! + 0.587 * rgba[4 * i + 1]! + 0.114 * rgba[4 * i + 2]!),
  );
}
