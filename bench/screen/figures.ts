import type { ScreenFigure } from './report';

/** Of values in rising order, the one that this share of them does not exceed. */
export const percentile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] as number;

/** All that was measured, in its order. */
export const figures: ScreenFigure[] = [];

/** What a time is told in besides ms: `ofMs` long, at most `goal` of them 95 times of 100. */
export interface Ratio {
  readonly in: string;
  readonly ofMs: number;
  readonly goal: number;
}

/** Sums samples up as a figure and says it. */
export function add(name: string, unit: string, samples: readonly number[], goal: number | null, ratio?: Ratio): void {
  const sorted = [...samples].sort((a, b) => a - b);
  const p95 = percentile(sorted, 0.95);
  const ratioOf = ratio && {
    in: ratio.in,
    p95: p95 / ratio.ofMs,
    goal: ratio.goal,
    met: p95 / ratio.ofMs <= ratio.goal,
  };
  figures.push({
    ...(ratioOf ? { ratio: ratioOf } : {}),
    name,
    unit,
    count: sorted.length,
    median: percentile(sorted, 0.5),
    p95,
    most: sorted.at(-1) as number,
    goal,
    met: goal === null ? null : p95 <= goal,
  });
  process.stderr.write(`${name}: ${JSON.stringify(figures.at(-1))}\n`);
}
