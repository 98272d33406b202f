/** A place on a photo, pixels from the upper left; y down. */
export interface PhotoPlace {
  readonly x: number;
  readonly y: number;
}

/** A wheel as marked on a photo taken from the side. */
export interface MarkedWheel {
  readonly hub: PhotoPlace;
  /** Anywhere on the edge of the tire now fitted, not where it is pressed flat. */
  readonly tireEdge: PhotoPlace;
}

/** What changes at that wheel. Lengths mm. */
export interface WheelChange {
  readonly diameterBeforeMm: number;
  readonly diameterAfterMm: number;
  /** What the fender rises over the hub, and over the ground. */
  readonly hubDropMm: number;
  readonly bodyRiseMm: number;
}

export interface DrawnWheel {
  readonly pixelsPerMm: number;
  readonly before: { readonly centre: PhotoPlace; readonly radiusPx: number };
  /** With the body held still in the picture: the wheel goes down and grows. */
  readonly after: { readonly centre: PhotoPlace; readonly radiusPx: number };
  /** Height in the picture at which the ground lies under it, before and after. */
  readonly groundBeforeY: number;
  readonly groundAfterY: number;
}

/** Fewer pixels than that across a tire's radius are a slip of the finger. */
export const LEAST_RADIUS_PX = 12;

/**
 * The wheel before and after on the photo, scaled by the fitted tire's own diameter. `loadedShare`: loaded radius over free radius.
 * Both are drawn as circles: the photo is taken square to the side, the wheels' camber and the lens are left out. null: marks too near each other.
 */
export function drawnWheel(
  { hub, tireEdge }: MarkedWheel,
  { diameterBeforeMm, diameterAfterMm, hubDropMm, bodyRiseMm }: WheelChange,
  loadedShare = 1,
): DrawnWheel | null {
  const radiusPx = Math.hypot(tireEdge.x - hub.x, tireEdge.y - hub.y);
  if (!(radiusPx >= LEAST_RADIUS_PX)) return null;
  const pixelsPerMm = radiusPx / (diameterBeforeMm / 2);
  const groundBeforeY = hub.y + radiusPx * loadedShare;
  return {
    pixelsPerMm,
    before: { centre: hub, radiusPx },
    after: {
      centre: { x: hub.x, y: hub.y + hubDropMm * pixelsPerMm },
      radiusPx: (diameterAfterMm / 2) * pixelsPerMm,
    },
    groundBeforeY,
    groundAfterY: groundBeforeY + bodyRiseMm * pixelsPerMm,
  };
}
