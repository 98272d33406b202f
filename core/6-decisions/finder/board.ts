import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { remediesIn } from './cell-outcome';
import { constraintsIn, type Constraint } from './constraints';
import type { Remedy } from './remedies';
import type { Admitted } from './rows';
import type { FinderSearch } from './search';
import { TABLE_REACH_MM } from './stage';
import { FAILS, type StagedCells } from './staged-cells';

/** The best that any combination of about one diameter at one effective offset comes to. */
export interface BoardDot {
  readonly number: number;
  readonly diameterMm: number;
  readonly widthMm: number;
  /** Wheel offset less spacer. */
  readonly effectiveOffsetMm: number;
  readonly result: 'clears' | 'withChanges' | 'fails' | 'refused';
  readonly remedies: readonly Remedy[];
  readonly permanence: number;
  readonly marginMm: number;
  /** mm missing where it fails; 0 where only the inside of the wheel is in the way. */
  readonly missMm: number;
  readonly obstacle: string | null;
  readonly corner: CornerKey | null;
  readonly refusedBy: readonly Constraint[];
}

/** Biggest diameters at an effective offset for tires about as wide, mm; null: none. */
export interface FrontierStep {
  readonly effectiveOffsetMm: number;
  /** Widths from this up to 10 mm more. */
  readonly widthMm: number;
  readonly clearsMm: number | null;
  readonly withChangesMm: number | null;
}

const MOST_DOTS = 6000;
const WIDTH_STEP_MM = 10;

interface Place {
  readonly staged: StagedCells;
  readonly cell: number;
  readonly rank: number;
  readonly diameterMm: number;
  readonly widthMm: number;
  readonly planeMm: number;
}

/** One dot for each diameter and effective offset: of several widths, wheels and stances what comes out best. */
export function board(search: FinderSearch): BoardDot[] {
  const { axes } = search;
  const places = new Map<string, Place>();
  const perMm = axes.cellCount > MOST_DOTS ? 0.5 : 1;
  for (const staged of search.staged) {
    axes.sections.forEach(({ rim, mounted: { section }, firstCell }) => {
      axes.rims[rim]!.planes.forEach((planeMm, i) => {
        const cell = firstCell + i;
        const key = `${Math.round(section.diameterMm * perMm)}:${Math.round(planeMm)}`;
        const rank = rankOf(staged, cell);
        const known = places.get(key);
        if (known && known.rank <= rank) return;
        places.set(key, { staged, cell, rank, diameterMm: section.diameterMm, widthMm: section.widthMm, planeMm });
      });
    });
  }
  return [...places.values()].slice(0, MOST_DOTS).map((place) => dotOf(search, place));
}

function dotOf(search: FinderSearch, { staged, cell, diameterMm, widthMm, planeMm }: Place): BoardDot {
  const { axes, verdicts } = search;
  const best = staged.best[cell]!;
  const own = best < 0 ? axes.anyIn(cell, search.cellsOfStance.indexOf(staged)) : axes.combination(best);
  const refused = best < 0 ? staged.refusedBy[cell]! : 0;
  // Where nothing outside fails and nothing is broken, it is the inside of the wheel.
  const isInside = best < 0 && refused === 0 && !(staged.remedies[cell]! & FAILS);
  const corner = isInside ? -1 : staged.worstCorner[cell]!;
  const plain = best >= 0 && verdicts.isPlain(staged, cell, own.stance);
  return {
    number: axes.numberOf(own),
    diameterMm,
    widthMm,
    effectiveOffsetMm: -planeMm,
    result: best < 0 ? (refused ? 'refused' : 'fails') : plain ? 'clears' : 'withChanges',
    remedies: remediesIn(staged.remedies[cell]! & ~FAILS),
    permanence: best < 0 ? NEVER : verdicts.permanence(staged, cell, own.stance),
    marginMm: Math.min(staged.marginMm[cell]!, TABLE_REACH_MM),
    missMm: staged.missMm[cell]!,
    obstacle: staged.stages[corner]?.corner.obstacles[staged.worstObstacle[cell]!]?.label ?? null,
    corner: search.corners[corner] ?? null,
    refusedBy: constraintsIn(refused),
  };
}

/** Beyond any permanence. */
const NEVER = 9;

/** Best first: what clears with most room, then the least permanent, then what misses least; refused ones last. */
function rankOf(staged: StagedCells, cell: number): number {
  if (staged.best[cell]! >= 0) return staged.bestScore[cell]! / 1e12 - Math.min(staged.marginMm[cell]!, 100) / 1e6;
  return staged.refusedBy[cell] ? 1e9 : 1e3 - staged.missMm[cell]!;
}

/** Biggest diameters by width and effective offset. */
export function frontier(search: FinderSearch, admitted: readonly Admitted[]): FrontierStep[] {
  const { axes, verdicts } = search;
  const steps = new Map<string, { -readonly [K in keyof FrontierStep]: FrontierStep[K] }>();
  for (const { staged, cell, number } of admitted) {
    const { section, planeMm } = axes.placeOfCell(cell);
    const { diameterMm, widthMm } = axes.sections[section]!.mounted.section;
    const wide = WIDTH_STEP_MM * Math.floor(widthMm / WIDTH_STEP_MM);
    const key = `${planeMm}:${wide}`;
    const step = steps.get(key) ?? {
      effectiveOffsetMm: -planeMm,
      widthMm: wide,
      clearsMm: null,
      withChangesMm: null,
    };
    const of = verdicts.isPlain(staged, cell, axes.combination(number).stance) ? 'clearsMm' : 'withChangesMm';
    step[of] = Math.max(step[of] ?? 0, diameterMm);
    steps.set(key, step);
  }
  return [...steps.values()].sort((a, b) => a.widthMm - b.widthMm || a.effectiveOffsetMm - b.effectiveOffsetMm);
}
