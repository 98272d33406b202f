import { CONSTRAINTS, bitOf, type Constraint } from './constraints';

/** Constraints that leave nothing: one alone, or two of which every combination breaks one. */
export type Contradiction = readonly [Constraint] | readonly [Constraint, Constraint];

/** What keeps every combination out, given all sets of constraints that are broken together; null where no pair does. */
export function contradictionOf(masks: readonly number[]): Contradiction | null {
  if (masks.length === 0) return null;
  const alone = CONSTRAINTS.find((one) => masks.every((mask) => mask & bitOf(one)));
  if (alone) return [alone];
  for (const [i, one] of CONSTRAINTS.entries()) {
    for (const other of CONSTRAINTS.slice(i + 1)) {
      const either = bitOf(one) | bitOf(other);
      if (masks.every((mask) => mask & either)) return [one, other];
    }
  }
  return null;
}
