import type { Learned } from '../description/obstacle-description';

/**
 * What test fits added to the numbers of an edge of `count` numbers; nothing where they learned of an edge told by other numbers, as in
 * an older job, or since more readings made it another family.
 */
export const learnedOfEdge = (learned: Learned | undefined, count: number): readonly number[] =>
  learned?.edgeBy?.length === count ? learned.edgeBy : Array.from({ length: count }, () => 0);
