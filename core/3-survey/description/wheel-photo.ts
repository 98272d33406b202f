import type { HeldAt } from '../reading/reading';

/** A place on a photo as shares of its width and height, from the upper left. */
export interface PhotoPlace {
  readonly x: number;
  readonly y: number;
}

/** An edge seen on a photo: places along it, of the thing with that id. */
export interface PhotoTrace {
  readonly of: string;
  readonly along: readonly PhotoPlace[];
}

/**
 * A picture of the fitted wheel, taken from outside and about square to it, with what was marked on it. Marks may be missing while they are
 * being set; the photo says nothing before they are enough.
 */
export interface WheelPhoto extends HeldAt {
  readonly photoId: string;
  /** Of the picture that was marked, pixels. */
  readonly widthPx: number;
  readonly heightPx: number;
  /** Focal length as the camera wrote it down, for a 36 x 24 mm picture. */
  readonly focal35Mm?: number | undefined;
  /** Across the outer edges of the rim's flanges, where somebody measured it; by the wheel's size else. */
  readonly rimEdgeMm?: number | undefined;
  /** Pixels over which the picture goes from dark to light at the rim's edge: how sharp it is. */
  readonly edgeRisePx?: number | undefined;
  /** Share of the rim's marks at which the picture has an edge at all. */
  readonly edgeShare?: number | undefined;
  /** Middle of the hub. */
  readonly hub?: PhotoPlace | undefined;
  /** Along the outer edge of the rim's outer flange. */
  readonly rim: readonly PhotoPlace[];
  /** Along the outline of the tire, away from the ground. */
  readonly outline: readonly PhotoPlace[];
  /** Two places of something that hangs or stands plumb, in either order. */
  readonly plumb?: readonly [PhotoPlace, PhotoPlace] | undefined;
  readonly traces: readonly PhotoTrace[];
}

/** Marks that a photo needs, and that it may have. */
export const PHOTO_MARKS = {
  rim: { least: 6, good: 8, most: 24 },
  outline: { least: 3, good: 4, most: 16 },
  trace: { least: 2, good: 8, most: 60 },
} as const;
