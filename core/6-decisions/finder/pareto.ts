/** Something with costs, each the better the smaller. */
export interface Costed {
  readonly costs: readonly number[];
}

/** Most of a set that is shown. */
const MOST = 60;

/** Those that no other beats or equals in every cost while beating it in one; of several alike the first. */
export function paretoSet<T extends Costed>(points: readonly T[], most = MOST): T[] {
  const kept: T[] = [];
  // Sorted, only an earlier one can beat a later one.
  const sorted = [...points].sort((a, b) => {
    const first = a.costs.findIndex((cost, i) => cost !== b.costs[i]);
    return first < 0 ? 0 : a.costs[first]! - b.costs[first]!;
  });
  for (const point of sorted) {
    if (!kept.some((other) => other.costs.every((cost, i) => cost <= point.costs[i]!))) kept.push(point);
    if (kept.length >= most) break;
  }
  return kept;
}
