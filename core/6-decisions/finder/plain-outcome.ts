import { countParts } from '../../2-vehicle/setup/setup';
import { describedCorner } from '../../4-clearance/case/described-corner';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { cornerVerdicts } from '../../4-clearance/verdict/evaluate';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARDS } from '../../4-clearance/case/standard';
import { attempt } from '../../1-base/problem';
import { remedyBit } from './cell-outcome';
import { combinedSetup, type Candidates } from './candidates';
import type { FinderQuestion } from './question';
import { ladderOf, rungFor } from './remedies';
import type { Combination } from './axes';
import type { TireAllowances } from '../../2-vehicle/tire/allowance';

/** What one combination comes to, thing by thing. */
export interface PlainOutcome {
  readonly result: 'clears' | 'withChanges' | 'fails' | 'cannotStand';
  readonly remedies: number;
  /** Least margin over all corners, mm; Infinity where nothing was surveyed. */
  readonly lowGapMm: number;
  /** mm between any margin and the nearest limit at which the answer would change. */
  readonly nearestLimitMm: number;
}

/** The readable way to a combination's outcome: every obstacle of every corner on its own. The search's oracle. */
export function plainOutcome(
  description: CaseDescription,
  { allowed }: FinderQuestion,
  { tires, wheels, spacers, stances }: Candidates,
  corners: readonly CornerKey[],
  { tire, wheel, spacer, stance }: Combination,
  allowances?: TireAllowances,
  cache = new SectionCache(),
): PlainOutcome {
  const standard = STANDARDS[description.standard];
  let fails = false;
  let remedies = 0;
  let lowGapMm = Infinity;
  let nearestLimitMm = Infinity;
  for (const key of corners) {
    const corner = describedCorner(description, key);
    const setup = countParts(
      combinedSetup(description, key, stances[stance]!, tires[tire]!, wheels[wheel]!, spacers[spacer]!, allowances),
    );
    const { envelope, drawnEnvelope } = description;
    const prepared = attempt(() => prepareCorner(key, corner, setup, envelope, drawnEnvelope, cache.survey));
    if (!prepared.ok) return { result: 'cannotStand', remedies: 0, lowGapMm: -Infinity, nearestLimitMm: Infinity };
    const section = cache.section(prepared.value, corner, setup);
    for (const { id, marginMm } of cornerVerdicts(prepared.value, standard, {}, section)) {
      const entry = corner.obstacles.find((obstacle) => obstacle.id === id)!;
      const ladder = entry.insideWheel ? [] : ladderOf(entry, standard, allowed);
      lowGapMm = Math.min(lowGapMm, marginMm);
      for (const limit of [0, ...ladder.map(({ mostMm }) => -mostMm)]) {
        nearestLimitMm = Math.min(nearestLimitMm, Math.abs(marginMm - limit));
      }
      if (marginMm >= 0) continue;
      const rung = rungFor(ladder, marginMm);
      if (rung) remedies |= remedyBit(rung.remedy);
      else fails = true;
    }
  }
  const { bumpStopMm, steeringStopDeg, axleShiftMm } = stances[stance]!;
  const plain = remedies === 0 && bumpStopMm === 0 && steeringStopDeg === 0 && axleShiftMm === 0;
  return { result: fails ? 'fails' : plain ? 'clears' : 'withChanges', remedies, lowGapMm, nearestLimitMm };
}
