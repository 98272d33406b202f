import type { Axes, SectionEntry } from './axes';
import { cellOutcome, remediesIn } from './cell-outcome';
import { insideMargins, type InsideMargins } from './inside-wheel';
import type { ChangePrices } from './question';
import type { Stage } from './stage';

/** Corners in one set of postures, and what every cell (section x centre plane) comes to there. */
export interface StagedCells {
  readonly stages: readonly Stage[];
  readonly ids: readonly string[];
  readonly marginMm: Float32Array;
  /** Bits of the remedies needed; `FAILS` where they do not do. */
  readonly remedies: Uint8Array;
  readonly depthMm: Float32Array;
  /** What is missing where no change that is allowed gives enough, mm below 0; 0 where nothing is. */
  readonly missMm: Float32Array;
  /** Constraints that kept the last combination of the cell out. */
  readonly refusedBy: Uint16Array;
  /** What is named of a cell, corner and obstacle: what misses most where it fails, else what leaves least; -1: nothing. */
  readonly worstCorner: Int8Array;
  readonly worstObstacle: Int16Array;
  /** Price of all changes in minor units. */
  readonly changesMinor: Float64Array;
  /** The best combination of a cell that meets every constraint; -1 where there is none. */
  readonly best: Float64Array;
  readonly bestScore: Float64Array;
  readonly inside: InsideMargins | null;
}

export const FAILS = 0x80;

/** Cells of a set of stages, still empty. */
export function emptyCells(axes: Axes, stages: readonly Stage[], ids: readonly string[]): StagedCells {
  const { cellCount, candidates, rimOfWheel, sections } = axes;
  const tireOfRim = (rim: number): number | undefined => sections.find((section) => section.rim === rim)?.tire;
  return {
    stages,
    ids,
    marginMm: new Float32Array(cellCount),
    remedies: new Uint8Array(cellCount),
    depthMm: new Float32Array(cellCount),
    missMm: new Float32Array(cellCount),
    refusedBy: new Uint16Array(cellCount),
    worstCorner: new Int8Array(cellCount).fill(-1),
    worstObstacle: new Int16Array(cellCount).fill(-1),
    changesMinor: new Float64Array(cellCount),
    best: new Float64Array(cellCount).fill(-1),
    bestScore: new Float64Array(cellCount).fill(Infinity),
    inside: insideMargins(candidates, rimOfWheel, tireOfRim, stages),
  };
}

/** Works out all cells of one section over all corners. */
export function fillCells(
  staged: StagedCells,
  planes: readonly number[],
  index: number,
  { mounted, firstCell }: SectionEntry,
  prices: ChangePrices,
): void {
  planes.forEach((plane, place) => {
    const cell = firstCell + place;
    let marginMm = Infinity;
    let failingMm = 0;
    let namedCorner = -1;
    let namedGroup = -1;
    for (let corner = 0; corner < staged.stages.length; corner++) {
      const outcome = cellOutcome(staged.stages[corner]!, index, mounted, plane);
      staged.remedies[cell]! |= outcome.remedies | (outcome.failingGroup < 0 ? 0 : FAILS);
      staged.depthMm[cell] = Math.max(staged.depthMm[cell]!, outcome.depthMm);
      if (outcome.remedies) {
        for (const remedy of remediesIn(outcome.remedies)) staged.changesMinor[cell]! += prices[remedy] ?? 0;
      }
      if (outcome.failingMm < failingMm) {
        namedCorner = corner;
        namedGroup = outcome.failingGroup;
      } else if (failingMm === 0 && outcome.marginMm < marginMm) {
        namedCorner = corner;
        namedGroup = outcome.worstGroup;
      }
      failingMm = Math.min(failingMm, outcome.failingMm);
      marginMm = Math.min(marginMm, outcome.marginMm);
    }
    staged.marginMm[cell] = marginMm;
    staged.missMm[cell] = failingMm;
    staged.worstCorner[cell] = namedCorner;
    if (namedGroup >= 0) {
      staged.worstObstacle[cell] = staged.stages[namedCorner]!.tabledObstacle(index, mounted, namedGroup, plane);
    }
  });
}
