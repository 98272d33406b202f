import { PERMANENCE, REMEDIES, rungFor, type Remedy } from './remedies';
import { TABLE_OVER_MM, TABLE_UNDER_MM, type MountedSection, type Stage } from './stage';

/** Bit of a remedy in a mask. */
export const remedyBit = (remedy: Remedy): number => 1 << REMEDIES.indexOf(remedy);

export const remediesIn = (mask: number): Remedy[] => REMEDIES.filter((remedy) => (mask & remedyBit(remedy)) !== 0);

/** By mask of remedies: how hard the least easily undone of them is to take back. */
export const PERMANENCE_OF_MASK: readonly number[] = Array.from({ length: 1 << REMEDIES.length }, (_, mask) =>
  remediesIn(mask).reduce<number>((most, remedy) => Math.max(most, PERMANENCE[remedy]), PERMANENCE.none),
);

/** What a tire on a rim at one centre plane meets on one corner in one stance. */
export interface CellOutcome {
  /** As it is, nothing changed, mm: exact where it is near a limit, else by the table. */
  readonly marginMm: number;
  /** Group that margin belongs to; -1 for none. */
  readonly worstGroup: number;
  /** A group for which no change that is allowed gives enough; -1: there is none. Of several, what misses most. */
  readonly failingGroup: number;
  /** What that group leaves, mm; 0 where none fails. */
  readonly failingMm: number;
  readonly remedies: number;
  /** Most that has to be taken away of one thing, mm. */
  readonly depthMm: number;
}

/** mm by which a margin that misses a limit is put below it when the table had it above. */
const JUST_UNDER_MM = 0.1;

/** Limits at which the answer on a group changes: nothing wanted, and the most that each rung gives. */
const isNear = (tabled: number, limit: number): boolean =>
  tabled < limit + TABLE_OVER_MM && tabled > limit - TABLE_UNDER_MM;

/** The outcome of one cell; `index` names the section on this stage. */
export function cellOutcome(stage: Stage, index: number, section: MountedSection, planeMm: number): CellOutcome {
  let marginMm = Infinity;
  let worstGroup = -1;
  let failingGroup = -1;
  let failingMm = 0;
  let remedies = 0;
  let depthMm = 0;
  for (let group = 0; group < stage.groups.length; group++) {
    let margin = stage.tabled(index, section, group, planeMm);
    for (const limit of stage.limits[group]!) {
      if (!isNear(margin, limit)) continue;
      const leaves = stage.leaves(index, section, group, planeMm, limit);
      // Told apart by the exact search, the table's number is moved to its side of the limit.
      margin = leaves ? Math.max(margin, limit) : Math.min(margin, limit - JUST_UNDER_MM);
    }
    if (margin < marginMm) {
      marginMm = margin;
      worstGroup = group;
    }
    if (margin >= 0) continue;
    const rung = rungFor(stage.groups[group]!.ladder, margin);
    if (!rung) {
      if (margin >= failingMm) continue;
      failingMm = margin;
      failingGroup = group;
      continue;
    }
    remedies |= remedyBit(rung.remedy);
    if (rung.mostMm !== Infinity) depthMm = Math.max(depthMm, -margin);
  }
  return { marginMm, worstGroup, failingGroup, failingMm, remedies, depthMm };
}
