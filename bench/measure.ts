/** Repeats a job after warming up and gives the spread of its times. */
export interface Figure {
  readonly name: string;
  readonly unit: string;
  readonly median: number;
  readonly min: number;
  readonly max: number;
  readonly goal: number | null;
  readonly met: boolean | null;
  /** The median in poses of a double wishbone with tie rod, measured beside it, and how many are to be reached. */
  readonly poses?: number;
  readonly reach?: number | null;
}

/** Milliseconds of `work(i)`, run `warmUp` times unmeasured and `runs` times measured; `prepare(i)` is not counted. */
export function timed(
  name: string,
  goalMs: number | null,
  { warmUp, runs }: { readonly warmUp: number; readonly runs: number },
  work: (i: number) => void,
  prepare: (i: number) => void = () => undefined,
): Figure {
  for (let i = 0; i < warmUp; i++) {
    prepare(i);
    work(i);
  }
  const times = Array.from({ length: runs }, (_, i) => {
    prepare(i);
    const start = performance.now();
    work(i);
    return performance.now() - start;
  });
  return figure(name, 'ms', times, goalMs, 'most');
}

/** A figure from its samples; `bound` says whether the goal is the most or the least wanted of the median. */
export function figure(
  name: string,
  unit: string,
  samples: readonly number[],
  goal: number | null,
  bound: 'most' | 'least',
): Figure {
  const sorted = [...samples].sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] as number;
  const met = goal === null ? null : bound === 'most' ? median <= goal : median >= goal;
  return { name, unit, median, min: sorted[0] as number, max: sorted.at(-1) as number, goal, met };
}
