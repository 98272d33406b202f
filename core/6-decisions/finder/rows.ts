import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Combination } from './axes';
import type { Stance } from './candidates';
import { remediesIn } from './cell-outcome';
import { constraintsIn, pokeMm, type Constraint } from './constraints';
import type { Remedy } from './remedies';
import type { FinderSearch } from './search';
import { TABLE_REACH_MM, TABLE_UNDER_MM } from './stage';
import { FAILS, type StagedCells } from './staged-cells';

/** A combination with what it comes to. Lengths mm, money in minor units. */
export interface FoundRow extends Combination {
  /** Names the combination in its question. */
  readonly number: number;
  readonly size: string;
  readonly label: string | null;
  readonly diameterMm: number;
  /** As mounted. */
  readonly widthMm: number;
  readonly wheelDiameterIn: number;
  readonly wheelWidthIn: number;
  readonly wheelLabel: string | null;
  readonly offsetMm: number;
  readonly spacerMm: number;
  readonly stand: Stance;
  readonly result: 'clears' | 'withChanges';
  /** Least margin as it is, before anything is changed. */
  readonly lowGapMm: number;
  /** What is wanted there; null where nothing was near enough, or it stands inside the wheel: then only the margin is said. */
  readonly requiredMm: number | null;
  /** More room than the table reaches: the low gap is at least that. */
  readonly lowGapIsLeast: boolean;
  readonly corner: CornerKey | null;
  readonly obstacle: string | null;
  readonly obstacleLabel: string | null;
  readonly remedies: readonly Remedy[];
  /** Most that has to be taken away of one thing. */
  readonly depthMm: number;
  readonly permanence: number;
  readonly costMinor: number | null;
  /** Of the corner where it stands out most; null where no fender edge was surveyed. */
  readonly pokeMm: number | null;
  readonly unchecked: readonly Constraint[];
}

/** A cell that holds at least one combination that will do, and the best of them. */
export interface Admitted {
  readonly staged: StagedCells;
  readonly cell: number;
  readonly number: number;
}

/** Every admitted cell of a search that has run. */
export const admittedCells = ({ staged: all }: FinderSearch): Admitted[] =>
  all.flatMap((staged) => {
    const admitted: Admitted[] = [];
    staged.best.forEach((number, cell) => {
      if (number >= 0) admitted.push({ staged, cell, number });
    });
    return admitted;
  });

/** What a combination that will do comes to; its low gap by the exact search. */
export function foundRow(search: FinderSearch, number: number): FoundRow {
  const { axes, verdicts } = search;
  const { tires, wheels, spacers, stances } = axes.candidates;
  const combination = axes.combination(number);
  const cell = axes.cellOf(combination);
  const staged = search.cellsOfStance[combination.stance]!;
  const { section, planeMm } = axes.placeOfCell(cell);
  const { section: shape } = axes.sections[section]!.mounted;
  const tire = tires[combination.tire]!;
  const wheel = wheels[combination.wheel]!;
  const pokes = search.edges.map((edge) => pokeMm(edge, shape, planeMm)).filter((poke) => poke !== null);
  return {
    ...combination,
    number,
    size: tire.size,
    label: tire.label ?? null,
    diameterMm: shape.diameterMm,
    widthMm: shape.widthMm,
    wheelDiameterIn: wheel.diameterIn,
    wheelWidthIn: wheel.widthIn,
    wheelLabel: wheel.label ?? null,
    offsetMm: wheel.offsetMm,
    spacerMm: spacers[combination.spacer]!.thicknessMm,
    stand: stances[combination.stance]!,
    result: verdicts.isPlain(staged, cell, combination.stance) ? 'clears' : 'withChanges',
    ...lowGap(search, staged, cell, combination),
    remedies: remediesIn(staged.remedies[cell]! & ~FAILS),
    depthMm: staged.depthMm[cell]!,
    permanence: verdicts.permanence(staged, cell, combination.stance),
    costMinor: search.costMinor(staged, cell, combination),
    pokeMm: pokes.length > 0 ? Math.max(...pokes) : null,
    unchecked: constraintsIn(search.checks.of(combination).unchecked),
  };
}

function lowGap(
  search: FinderSearch,
  staged: StagedCells,
  cell: number,
  { wheel, spacer }: Combination,
): Pick<FoundRow, 'lowGapMm' | 'requiredMm' | 'lowGapIsLeast' | 'corner' | 'obstacle' | 'obstacleLabel'> {
  const { section, planeMm } = search.axes.placeOfCell(cell);
  const { rotor } = search.axes.sections[section]!.mounted;
  const inside = staged.inside?.at(wheel, spacer) ?? Infinity;
  let lowGapMm = Math.min(staged.marginMm[cell]! + TABLE_UNDER_MM, TABLE_REACH_MM);
  let requiredMm: number | null = null;
  let corner = -1;
  let member = -1;
  staged.stages.forEach((stage, i) => {
    const members = stage.groups.flatMap((group) => group.members);
    const found = stage.leastOf(rotor, members, planeMm, lowGapMm);
    if (!found) return;
    lowGapMm = found.marginMm;
    requiredMm = found.requiredMm;
    corner = i;
    member = found.member;
  });
  if (inside < lowGapMm) {
    return {
      lowGapMm: inside,
      requiredMm: null,
      lowGapIsLeast: false,
      corner: null,
      obstacle: null,
      obstacleLabel: INSIDE,
    };
  }
  const obstacle = staged.stages[corner]?.corner.obstacles[member];
  return {
    lowGapMm,
    requiredMm,
    lowGapIsLeast: corner < 0,
    corner: search.corners[corner] ?? null,
    obstacle: obstacle?.id ?? null,
    obstacleLabel: obstacle?.label ?? null,
  };
}

/** What is named where things inside the wheel leave least. */
export const INSIDE = 'inside the wheel';

/**
 * The admitted combination most like a cell's: mm of diameter, width, effective offset and lift count alike. null where none is
 * admitted.
 */
export function nearestAdmitted(
  search: FinderSearch,
  admitted: readonly Admitted[],
  { staged, cell }: Pick<Admitted, 'staged' | 'cell'>,
): FoundRow | null {
  const { axes, cellsOfStance } = search;
  const lifts = new Map(
    search.staged.map((one) => [one, axes.candidates.stances[cellsOfStance.indexOf(one)]!.liftMm] as const),
  );
  const { section, planeMm } = axes.placeOfCell(cell);
  const shape = axes.sections[section]!.mounted.section;
  let best = -1;
  let least = Infinity;
  for (const one of admitted) {
    const place = axes.placeOfCell(one.cell);
    const other = axes.sections[place.section]!.mounted.section;
    const apart =
      Math.abs(other.diameterMm - shape.diameterMm) +
      Math.abs(other.widthMm - shape.widthMm) +
      Math.abs(place.planeMm - planeMm) +
      Math.abs(lifts.get(one.staged)! - lifts.get(staged)!);
    if (apart >= least) continue;
    least = apart;
    best = one.number;
  }
  return best < 0 ? null : foundRow(search, best);
}
