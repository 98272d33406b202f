import { setupForCorner, type CaseDescription, type CornerKey } from '../clearance/description';
import { describedCorner } from '../clearance/described-corner';
import { cornerVerdicts, type ObstacleVerdict } from '../clearance/evaluate';
import { prepareCorner } from '../clearance/prepare';
import { SectionShelf } from '../clearance/section-shelf';
import { STANDARDS } from '../clearance/standard';
import { attempt } from '../problem';

/** What a thickness of spacer does at a corner; thickness 0 is none, whatever is fitted now. Lengths mm. */
export interface SpacerSweep {
  /** Low gap by thickness, every millimetre; null where it cannot be mounted. */
  readonly steps: readonly { readonly thicknessMm: number; readonly low: ObstacleVerdict | null }[];
  /** Stretches of thickness in which everything is left what is wanted. */
  readonly clear: readonly { readonly fromMm: number; readonly toMm: number }[];
  /** For each thing short without a spacer: the least thickness that leaves it what is wanted; null: none does. */
  readonly reaches: readonly { readonly id: string; readonly label: string; readonly thicknessMm: number | null }[];
}

const STEP_MM = 1;

/** mm to which the ends of stretches are found, on the side that clears. */
const END_MM = 0.05;

/** @throws ProblemError as `evaluateCase`. */
export function spacerSweep(
  description: CaseDescription,
  key: CornerKey,
  mostMm: number,
  shelf = new SectionShelf(),
): SpacerSweep {
  const corner = describedCorner(description, key);
  const setup = setupForCorner(description, key);
  const standard = STANDARDS[description.standard];
  const verdictsAt = (spacerMm: number): readonly ObstacleVerdict[] | null => {
    const tried = { ...setup, spacerMm };
    const judged = attempt(() => {
      const { envelope, drawnEnvelope } = description;
      const prepared = prepareCorner(key, corner, tried, envelope, drawnEnvelope, shelf.survey);
      return cornerVerdicts(prepared, standard, {}, shelf.section(prepared, corner, tried));
    });
    return judged.ok ? judged.value : null;
  };
  const steps = Array.from({ length: Math.floor(mostMm / STEP_MM) + 1 }, (_, i) => {
    const verdicts = verdictsAt(i * STEP_MM);
    return { thicknessMm: i * STEP_MM, verdicts };
  });
  const lowOf = (verdicts: readonly ObstacleVerdict[] | null): ObstacleVerdict | null =>
    verdicts?.reduce<ObstacleVerdict | null>(
      (low, next) => (!low || next.marginMm < low.marginMm ? next : low),
      null,
    ) ?? null;
  const doesAll = (mm: number): boolean => (lowOf(verdictsAt(mm))?.marginMm ?? -1) >= 0;
  const stands = steps.map(({ verdicts }) => (lowOf(verdicts)?.marginMm ?? -1) >= 0);
  const clear: { fromMm: number; toMm: number }[] = [];
  stands.forEach((stood, i) => {
    if (!stood) return;
    const at = steps[i]!.thicknessMm;
    const last = clear.at(-1);
    const toMm = i + 1 < steps.length && !stands[i + 1] ? endBetween(at, at + STEP_MM, doesAll) : at;
    if (i > 0 && stands[i - 1] && last) last.toMm = toMm;
    else clear.push({ fromMm: i > 0 ? endBetween(at, at - STEP_MM, doesAll) : at, toMm });
  });
  const short = steps[0]!.verdicts?.filter(({ marginMm }) => marginMm < 0) ?? [];
  return {
    steps: steps.map(({ thicknessMm, verdicts }) => ({ thicknessMm, low: lowOf(verdicts) })),
    clear,
    reaches: short.map(({ id, label }) => {
      const does = (mm: number): boolean => (verdictsAt(mm)?.find((o) => o.id === id)?.marginMm ?? -1) >= 0;
      const first = steps.find(({ verdicts }) => (verdicts?.find((o) => o.id === id)?.marginMm ?? -1) >= 0);
      const thicknessMm = first ? endBetween(first.thicknessMm, first.thicknessMm - STEP_MM, does) : null;
      return { id, label, thicknessMm };
    }),
  };
}

/** The place furthest from `does` toward `doesNot` at which it still does. */
function endBetween(does: number, doesNot: number, holds: (mm: number) => boolean): number {
  let [good, bad] = [does, doesNot];
  while (Math.abs(good - bad) > END_MM) {
    const middle = (good + bad) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
