import type { ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { constraintsIn, type Constraint } from './constraints';
import { nearestAdmitted, type Admitted, type FoundRow } from './rows';
import type { FinderSearch } from './search';
import { FAILS, type StagedCells } from './staged-cells';

/** A tire for which nothing that was asked about does. */
export interface RefusedTire {
  readonly tire: number;
  readonly size: string;
  readonly label: string | null;
  readonly diameterMm: number;
  readonly widthMm: number;
  /** The combination that misses least; null where constraints or the height keep all of them out. */
  readonly number: number | null;
  /** What it fails by there. */
  readonly verdict: ObstacleVerdict | null;
  readonly refusedBy: readonly Constraint[];
  /** What is missing inside the wheel, mm below 0, where that alone keeps it out; null: it is not that. */
  readonly insideMm: number | null;
  /** The admitted combination that is most like it. */
  readonly nearest: FoundRow | null;
}

const MOST_REFUSED = 120;

interface Miss {
  readonly staged: StagedCells;
  readonly cell: number;
  readonly missMm: number;
}

/** Every tire for which nothing does, what misses least first. */
export function refusedTires(search: FinderSearch, admitted: readonly Admitted[]): RefusedTire[] {
  const { axes } = search;
  const does = new Set(admitted.map(({ cell }) => axes.sections[axes.placeOfCell(cell).section]!.tire));
  const misses = new Map<number, Miss | null>();
  axes.sections.forEach(({ tire, rim, firstCell }) => {
    if (does.has(tire)) return;
    if (!misses.has(tire)) misses.set(tire, null);
    for (const staged of search.staged) {
      axes.rims[rim]!.planes.forEach((_, place) => {
        const cell = firstCell + place;
        if (staged.refusedBy[cell] !== 0 || !(staged.remedies[cell]! & FAILS)) return;
        const missMm = staged.missMm[cell]!;
        const best = misses.get(tire);
        if (!best || missMm > best.missMm) misses.set(tire, { staged, cell, missMm });
      });
    }
  });
  return [...misses]
    .sort(([, a], [, b]) => (b?.missMm ?? -Infinity) - (a?.missMm ?? -Infinity) || 0)
    .slice(0, MOST_REFUSED)
    .map(([tire, miss]) => refusedTire(search, admitted, tire, miss));
}

function refusedTire(
  search: FinderSearch,
  admitted: readonly Admitted[],
  tire: number,
  miss: Miss | null,
): RefusedTire {
  const { axes } = search;
  const { size, label = null } = axes.candidates.tires[tire]!;
  const own = axes.sections.find((section) => section.tire === tire)!;
  const { diameterMm, widthMm } = own.mounted.section;
  const named = { tire, size, label, diameterMm, widthMm };
  if (!miss) {
    const masks = search.staged.map(({ refusedBy }) => refusedBy[own.firstCell]!);
    const mask = masks.reduce((all, one) => all | one, search.checks.tires[tire]!.refused);
    const insideMm = mask === 0 ? leastInside(search, own.rim) : null;
    return { ...named, number: null, verdict: null, refusedBy: constraintsIn(mask), insideMm, nearest: null };
  }
  const { staged, cell } = miss;
  const { section, planeMm } = axes.placeOfCell(cell);
  const stage = staged.stages[staged.worstCorner[cell]!];
  const { rotor } = axes.sections[section]!.mounted;
  return {
    ...named,
    number: axes.numberOf(axes.anyIn(cell, search.cellsOfStance.indexOf(staged))),
    verdict: stage?.verdict(rotor, planeMm, staged.worstObstacle[cell]!) ?? null,
    refusedBy: [],
    insideMm: null,
    nearest: nearestAdmitted(search, admitted, miss),
  };
}

/** The most that any wheel of a rim leaves inside, in any stance; null where nothing was surveyed there. */
export function leastInside({ axes, staged }: FinderSearch, rim: number): number | null {
  const { wheels, spacers } = axes.candidates;
  const margins = staged.flatMap(({ inside }) =>
    inside
      ? wheels.flatMap((_, wheel) =>
          axes.rimOfWheel[wheel] === rim ? spacers.map((__, spacer) => inside.at(wheel, spacer)) : [],
        )
      : [],
  );
  return margins.length > 0 ? Math.max(...margins) : null;
}
