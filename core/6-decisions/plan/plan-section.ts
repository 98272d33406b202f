import type { CaseDescription } from '../../4-clearance/case/case-description';
import { describedCorner, prepareDescribed } from '../../4-clearance/case/described-corner';
import { fallsShort, type Verdict } from '../../4-clearance/case/standard';
import { lookedAt, touchSection } from '../../4-clearance/pictures/touch-section';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { evaluateCase, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { PlanJudgement, ThingOutcome } from './judge-plan';
import { withChanges } from './setup-changes';

type Place = readonly [a: number, r: number];

/** The tire and one part in the plane of the axle line and their nearest places; mm from the mounting face and from the axle line. */
export interface PlanCut {
  readonly tire: readonly Place[];
  /** On the tire, nearest to the part. */
  readonly nearest: Place;
  /** The part, and the gap to it; null where the part is taken away. */
  readonly part: Place | null;
  readonly gapMm: number | null;
  readonly verdict: Verdict | 'takenAway';
}

/** What a plan does to the part that wants it most. */
export interface PlanSection {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  readonly requiredMm: number;
  readonly before: PlanCut;
  readonly after: PlanCut;
}

/**
 * The part that falls shortest before the plan, cut before and after it, each in its own worst posture: one that stays on where there
 * is one; null where none falls short.
 * What a fix takes from the part is taken along the gap.
 */
export function planSection(
  description: CaseDescription,
  { plan, things }: PlanJudgement,
  cache = new SectionCache(),
): PlanSection | null {
  const all = things.filter(({ before }) => fallsShort(before));
  const stays = all.filter(({ afterGapMm }) => afterGapMm !== null);
  const short = stays.length > 0 ? stays : all;
  if (short.length === 0) return null;
  const worst = short.reduce((most, next) => (marginBefore(next) < marginBefore(most) ? next : most));
  const { corner, id, label, requiredMm, afterGapMm } = worst;
  const was = evaluateCase(description, {}, cache).obstacles.find((one) => one.corner === corner && one.id === id)!;
  const after = cutAt(withChanges(description, plan.changes), worst.verdict, worst.after, cache);
  return {
    corner,
    id,
    label,
    requiredMm,
    before: cutAt(description, was, was.verdict, cache),
    after: afterGapMm === null ? { ...after, part: null, gapMm: null } : mended(after, afterGapMm),
  };
}

const marginBefore = ({ beforeGapMm, requiredMm }: ThingOutcome): number => beforeGapMm - requiredMm;

type WholeCut = PlanCut & { readonly part: Place; readonly gapMm: number };

function cutAt(
  description: CaseDescription,
  met: ObstacleVerdict,
  verdict: PlanCut['verdict'],
  cache: SectionCache,
): WholeCut {
  const prepared = prepareDescribed(description, met.corner, cache.survey);
  const looked = lookedAt(prepared, met);
  const cut = touchSection(prepared, describedCorner(description, met.corner), { ...looked, met });
  return { tire: cut.tried, nearest: cut.nearest, part: cut.obstacle, gapMm: met.gapMm, verdict };
}

/** The part's edge moved along the gap until the gap is what the fix leaves. */
function mended(cut: WholeCut, gapMm: number): PlanCut {
  const [a, r] = [cut.part[0] - cut.nearest[0], cut.part[1] - cut.nearest[1]];
  const length = Math.hypot(a, r);
  if (length === 0 || gapMm === cut.gapMm) return cut;
  // Inside the tire the way out is the other way.
  const k = (cut.gapMm < 0 ? -gapMm : gapMm) / length;
  return { ...cut, part: [cut.nearest[0] + k * a, cut.nearest[1] + k * r], gapMm };
}
