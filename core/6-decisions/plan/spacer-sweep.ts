import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner } from '../../4-clearance/case/described-corner';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARDS } from '../../4-clearance/case/standard';
import { attempt } from '../../1-base/problem';

/** What a thickness of spacer does at a corner; thickness 0 is none, whatever is fitted now. Lengths mm. */
export interface SpacerSweep {
  /** Low gap by thickness, every millimeter; null where it cannot be mounted. */
  readonly steps: readonly { readonly thicknessMm: number; readonly low: ObstacleVerdict | null }[];
  /** Stretches of thickness in which everything is left what is wanted. */
  readonly clear: readonly { readonly fromMm: number; readonly toMm: number }[];
  /** For each thing short without a spacer: the least thickness that leaves it what is wanted; null: none does. */
  readonly reaches: readonly { readonly id: string; readonly label: string; readonly thicknessMm: number | null }[];
}

const STEP_MM = 1;

/** mm to which the ends of stretches are found, on the side that clears. */
const END_MM = 0.05;

/** mm of overlap from which a thing that gets nearer is not followed further: its last margin stands for the rest. */
const DEEP_MM = 20;

/** `mended` names things that a plan mends otherwise: they count for no low gap. @throws ProblemError as `evaluateCase`. */
export function spacerSweep(
  description: CaseDescription,
  key: CornerKey,
  mostMm: number,
  cache = new SectionCache(),
  mended: ReadonlySet<string> = new Set(),
): SpacerSweep {
  const verdictsAt = gauge(description, key, cache);
  const steps: { thicknessMm: number; verdicts: readonly ObstacleVerdict[] | null }[] = [];
  let before: readonly ObstacleVerdict[] | null = null;
  const deep = new Map<string, ObstacleVerdict>();
  for (let thicknessMm = 0; thicknessMm <= mostMm; thicknessMm += STEP_MM) {
    const found = verdictsAt(thicknessMm, (id) => !deep.has(id));
    const verdicts = found && [...found, ...deep.values()];
    steps.push({ thicknessMm, verdicts });
    for (const verdict of found ?? []) {
      const was = before?.find(({ id }) => id === verdict.id);
      if (was && verdict.marginMm < -DEEP_MM && verdict.marginMm < was.marginMm) deep.set(verdict.id, verdict);
    }
    before = found ?? before;
  }
  const counted = (verdicts: readonly ObstacleVerdict[] | null) =>
    verdicts?.filter(({ id }) => !mended.has(id)) ?? null;
  const isClear = (verdicts: readonly ObstacleVerdict[] | null): boolean =>
    counted(verdicts)?.every(({ marginMm }) => marginMm >= 0) ?? false;
  const stands = steps.map(({ verdicts }) => isClear(verdicts));
  const end = (good: number, bad: number): number => {
    // Only what fails on the far side decides where the stretch ends.
    const failing = new Set(
      counted(steps[bad]!.verdicts)?.flatMap(({ id, marginMm }) => (marginMm < 0 ? [id] : [])) ?? [],
    );
    const does = (mm: number): boolean => isClear(verdictsAt(mm, (id) => failing.has(id)));
    return endBetween(steps[good]!.thicknessMm, steps[bad]!.thicknessMm, does);
  };
  const clear: { fromMm: number; toMm: number }[] = [];
  stands.forEach((stood, i) => {
    if (!stood) return;
    const last = clear.at(-1);
    const toMm = i + 1 < steps.length && !stands[i + 1] ? end(i, i + 1) : steps[i]!.thicknessMm;
    if (i > 0 && stands[i - 1] && last) last.toMm = toMm;
    else clear.push({ fromMm: i > 0 ? end(i, i - 1) : steps[i]!.thicknessMm, toMm });
  });
  const short = steps[0]!.verdicts?.filter(({ marginMm }) => marginMm < 0) ?? [];
  const marginOf = (verdicts: readonly ObstacleVerdict[] | null, id: string): number =>
    verdicts?.find((o) => o.id === id)?.marginMm ?? -1;
  return {
    steps: steps.map(({ thicknessMm, verdicts }) => ({ thicknessMm, low: lowOf(counted(verdicts)) })),
    clear,
    reaches: short.map(({ id, label }) => {
      const first = steps.findIndex(({ verdicts }) => marginOf(verdicts, id) >= 0);
      const does = (mm: number): boolean =>
        marginOf(
          verdictsAt(mm, (one) => one === id),
          id,
        ) >= 0;
      const thicknessMm = first > 0 ? endBetween(steps[first]!.thicknessMm, steps[first - 1]!.thicknessMm, does) : null;
      return { id, label, thicknessMm };
    }),
  };
}

/** Verdicts of some things of a corner with a spacer of a thickness; null where it cannot be mounted. */
function gauge(description: CaseDescription, key: CornerKey, cache: SectionCache) {
  const corner = describedCorner(description, key);
  const setup = setupForCorner(description, key);
  const { envelope, drawnEnvelope, standard } = description;
  return (spacerMm: number, wanted: (id: string) => boolean): readonly ObstacleVerdict[] | null => {
    const tried = { ...setup, spacerMm };
    const judged = attempt(() => {
      const prepared = prepareCorner(key, corner, tried, envelope, drawnEnvelope, cache.survey);
      const section = cache.section(prepared, corner, tried);
      const obstacles = prepared.obstacles.filter(({ id }) => wanted(id));
      return cornerVerdicts({ ...prepared, obstacles }, STANDARDS[standard], {}, section);
    });
    return judged.ok ? judged.value : null;
  };
}

const lowOf = (verdicts: readonly ObstacleVerdict[] | null): ObstacleVerdict | null =>
  verdicts?.reduce<ObstacleVerdict | null>((low, next) => (!low || next.marginMm < low.marginMm ? next : low), null) ??
  null;

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
