import type { CaseDescription } from '../../4-clearance/case/case-description';
import { describedCorner } from '../../4-clearance/case/described-corner';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { attempt, type Problem } from '../../1-base/problem';
import { calledFor, notAnswered, type CalledFor, type NotAnswered } from './called-for';
import { cornerFindings, type AxleMeasured } from './findings';
import type { HeightSchool } from './height-schools';

/** What one height calls for, and why the linkage does not reach all of its travel. */
export interface HeightRow {
  readonly liftMm: number;
  readonly calls: readonly CalledFor[];
  readonly problem: Problem | null;
}

export interface HeightTable {
  readonly rows: readonly HeightRow[];
  readonly notAnswered: readonly NotAnswered[];
}

/**
 * What lifting an axle by each height calls for by one school, on the fitted tires: springs lift it; its shocks stay while they leave most of today's
 * droop, from there on longer ones give back all of it, and everything hangs that much lower. @throws ProblemError where the corner stands in no posture at all.
 */
export function heightTable(
  description: CaseDescription,
  key: CornerKey,
  measured: AxleMeasured,
  liftsMm: readonly number[],
  school: HeightSchool,
): HeightTable {
  const rows = liftsMm.map((liftMm): HeightRow => {
    const found = attempt(() => cornerFindings(lifted(description, key, liftMm), key, measured));
    if (!found.ok) return { liftMm, calls: [], problem: found.problems[0]! };
    return {
      liftMm,
      calls: calledFor(found.value, school),
      problem: found.value.stance.after.curve.locked?.problem ?? null,
    };
  });
  return { rows, notAnswered: notAnswered(cornerFindings(lifted(description, key, 0), key, measured)) };
}

/** Share of today's droop that stock shocks have to leave. Working value of this project: they stay to about 1.5 in (common practice, no source). */
const STOCK_SHOCKS_SHARE = 0.6;

/** The vehicle on what is fitted at that corner, lifted there. */
function lifted(description: CaseDescription, key: CornerKey, liftMm: number): CaseDescription {
  const { fitted, travel } = describedCorner(description, key);
  const stays = travel.droopMm - liftMm >= STOCK_SHOCKS_SHARE * travel.droopMm;
  const setup = { ...fittedAsSetup(fitted), suspensionLiftMm: liftMm, droopLimitShiftMm: stays ? 0 : -liftMm };
  return { ...description, setup };
}
