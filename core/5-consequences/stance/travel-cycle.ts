/** What is watched while a corner is stepped through its travel; lengths mm. */
export const CYCLE_WATCHED = ['shockMm', 'slipEngagedMm', 'hoseSlackMm', 'coilGapMm', 'trackBarGapMm'] as const;
export type CycleWatched = (typeof CYCLE_WATCHED)[number];

/** One step: how high the hub stands against the lip, and what was read there. */
export type CycleStep = { readonly hubToLipMm: number } & Readonly<Partial<Record<CycleWatched, number>>>;

/** What is known beforehand: where each would stand at a travel, mm; null: not known. */
export type CycleComputed = Readonly<Record<CycleWatched, ((travelMm: number) => number | null) | null>>;

export interface CycleRow {
  readonly travelMm: number;
  readonly watched: Readonly<
    Partial<Record<CycleWatched, { readonly measuredMm: number; readonly computedMm: number | null }>>
  >;
}

/** Which way a thing moves as the wheel rises, by a straight line through what was read (least squares), and where it runs out. */
export interface CycleTrend {
  readonly what: CycleWatched;
  readonly direction: 'grows' | 'shrinks' | 'still';
  /** mm for each mm the wheel rises. */
  readonly perMm: number;
  /** Travel at which the line meets a limit, within the stops; null: it does not. */
  readonly runsOutAtMm: number | null;
}

/** Limits of what is watched: least and most, mm; left out: none. */
export type CycleLimits = Readonly<
  Partial<Record<CycleWatched, { readonly leastMm?: number | undefined; readonly mostMm?: number | undefined }>>
>;

/** mm per mm under which a thing stands still: a tape's error over a usual travel. */
const STILL = 0.01;

/**
 * A cycle of steps, from droop up. Travel is what the hub stands nearer the lip than at the surveyed height; `hubToLipMm` is that
 * height's.
 */
export function travelCycle(
  steps: readonly CycleStep[],
  hubToLipMm: number,
  computed: CycleComputed,
  limits: CycleLimits,
  travel: { readonly droop: number; readonly bump: number },
): { readonly rows: readonly CycleRow[]; readonly trends: readonly CycleTrend[] } {
  const rows = steps
    .map((step): CycleRow => {
      const travelMm = hubToLipMm - step.hubToLipMm;
      const watched = CYCLE_WATCHED.flatMap((what) => {
        const measuredMm = step[what];
        return measuredMm === undefined ? [] : [[what, { measuredMm, computedMm: computed[what]?.(travelMm) ?? null }]];
      });
      return { travelMm, watched: Object.fromEntries(watched) as CycleRow['watched'] };
    })
    .sort((a, b) => a.travelMm - b.travelMm);
  return { rows, trends: CYCLE_WATCHED.flatMap((what) => trendOf(what, rows, limits, travel) ?? []) };
}

function trendOf(
  what: CycleWatched,
  rows: readonly CycleRow[],
  limits: CycleLimits,
  { droop, bump }: { readonly droop: number; readonly bump: number },
): CycleTrend | null {
  const read = rows.flatMap(({ travelMm, watched }) => {
    const found = watched[what];
    return found ? [[travelMm, found.measuredMm] as const] : [];
  });
  const mean = (of: 0 | 1): number => read.reduce((sum, one) => sum + one[of], 0) / read.length;
  const [t, y] = [mean(0), mean(1)];
  const spread = read.reduce((sum, [travel]) => sum + (travel - t) ** 2, 0);
  if (!(spread > 0)) return null;
  const perMm = read.reduce((sum, [travel, value]) => sum + (travel - t) * (value - y), 0) / spread;
  const direction = Math.abs(perMm) < STILL ? 'still' : perMm > 0 ? 'grows' : 'shrinks';
  const { leastMm, mostMm } = limits[what] ?? {};
  const meets = [leastMm, mostMm]
    .flatMap((limit) => (limit === undefined || direction === 'still' ? [] : [t + (limit - y) / perMm]))
    .filter((at) => at >= droop && at <= bump);
  return { what, direction, perMm, runsOutAtMm: meets.sort((a, b) => Math.abs(a) - Math.abs(b))[0] ?? null };
}
