import { type CaseDescription, setupForCorner } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { FittedCorner } from '@/core/7-job/test-fit/fit-observations';
import { asCase } from './as-case';
import { asOfRound } from './cut-edges';
import type { LowgapFile, LowgapTestFit } from './lowgap-file';

/** The case as it was in a round: what was on the vehicle, what was not cut yet; the bench's setup where the round kept none. */
export const caseOfRound = (file: LowgapFile, round: LowgapTestFit): CaseDescription =>
  asCase(asOfRound(round.setup ? { ...file, setup: round.setup } : file, round));

/** Gap gained by trimming before a round that nobody measured, by obstacle of a corner, mm. */
export function trimmedBefore(
  { testFits = [] }: LowgapFile,
  round: LowgapTestFit,
  key: CornerKey,
): ReadonlyMap<string, number> {
  const gained = new Map<string, number>();
  for (const one of testFits) {
    if (one.id === round.id) break;
    for (const { corner, obstacle, mm, isMeasured } of one.trimmed) {
      if (corner !== key) continue;
      // What was measured stands in the survey, with all that was trimmed there before.
      if (isMeasured) gained.delete(obstacle);
      else gained.set(obstacle, (gained.get(obstacle) ?? 0) + mm);
    }
  }
  return gained;
}

/** One corner as it stood in a round. */
export function fittedCorner(file: LowgapFile, round: LowgapTestFit, key: CornerKey): FittedCorner {
  const description = caseOfRound(file, round);
  const corner = description.corners[key];
  if (!corner) throw new RangeError(`corner ${key} is not described`);
  return {
    key,
    corner,
    setup: setupForCorner(description, key),
    postures: round.postures.map(({ kind, done, reach }) => ({ kind, done, ...reach[key] })),
    hubToLipMm: round.heights[key]?.hubToLipMm,
    trimmedMm: trimmedBefore(file, round, key),
  };
}
