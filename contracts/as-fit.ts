import { type CaseDescription, setupForCorner } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { FittedCorner } from '@/core/7-job/test-fit/fit-observations';
import { asCase } from './as-case';
import type { LowgapFile, LowgapTestFit } from './lowgap-file';

/** The case with what was on the vehicle in a round; the bench's setup where the round kept none. */
export const caseOfRound = (file: LowgapFile, { setup }: LowgapTestFit): CaseDescription =>
  asCase(setup ? { ...file, setup } : file);

/** Gap gained by trimming before a round, by obstacle of a corner, mm. */
export function trimmedBefore(
  { testFits = [] }: LowgapFile,
  round: LowgapTestFit,
  key: CornerKey,
): ReadonlyMap<string, number> {
  const gained = new Map<string, number>();
  for (const one of testFits) {
    if (one.id === round.id) break;
    for (const { corner, obstacle, mm } of one.trimmed) {
      if (corner === key) gained.set(obstacle, (gained.get(obstacle) ?? 0) + mm);
    }
  }
  return gained;
}

/** One corner as it stood in a round. */
export function fittedCorner(file: LowgapFile, round: LowgapTestFit, key: CornerKey): FittedCorner {
  const corner = file.corners[key];
  if (!corner) throw new RangeError(`corner ${key} is not described`);
  return {
    key,
    corner,
    setup: setupForCorner(caseOfRound(file, round), key),
    postures: round.postures.map(({ kind, done, reach }) => ({ kind, done, ...reach[key] })),
    hubToLipMm: round.heights[key]?.hubToLipMm,
    trimmedMm: trimmedBefore(file, round, key),
  };
}
