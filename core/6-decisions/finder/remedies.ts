import type { Material } from '../../3-survey/shape/material';
import { isProtected } from '../../3-survey/shape/part-kind';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { Allowed, Standard } from '../../4-clearance/case/standard';
import type { AllowedChanges } from './question';

/** What can be done about one thing in the way, least permanent first. */
export const REMEDIES = [
  'unbolt',
  'reroute',
  'tuckLiner',
  'trimPlastic',
  'foldLip',
  'cutSheetMetal',
  'bodyMount',
] as const;
export type Remedy = (typeof REMEDIES)[number];

/** Changes of the whole setup, and those of one thing, by how hard they are to take back: 0 = at once. */
export const PERMANENCE = {
  none: 0,
  unbolt: 1,
  reroute: 1,
  steeringStop: 1,
  bumpStop: 1,
  tuckLiner: 2,
  axleShift: 2,
  lift: 2,
  trimPlastic: 3,
  foldLip: 4,
  cutSheetMetal: 5,
  bodyMount: 6,
} as const satisfies Readonly<Record<Remedy | 'none' | 'steeringStop' | 'bumpStop' | 'axleShift' | 'lift', number>>;

/** One way to make room for a thing, and the most it gives, mm. */
export interface Rung {
  readonly remedy: Remedy;
  readonly mostMm: number;
}

/** Ways to make room for a thing, least permanent first; the first that gives enough is taken. */
export type Ladder = readonly Rung[];

const BY_MATERIAL: Readonly<Partial<Record<Material, readonly Remedy[]>>> = {
  hose: ['reroute'],
  wire: ['reroute'],
  liner: ['tuckLiner', 'trimPlastic'],
  plastic: ['trimPlastic'],
  sheetMetal: ['foldLip', 'cutSheetMetal'],
  bodyMount: ['bodyMount'],
};

/** Under which of a standard's permissions a change falls. */
const PERMISSION: Readonly<Record<Remedy, Allowed>> = {
  unbolt: 'unbolt',
  reroute: 'reroute',
  tuckLiner: 'tuckLiner',
  trimPlastic: 'trimPlastic',
  foldLip: 'foldLip',
  cutSheetMetal: 'cutSheetMetal',
  bodyMount: 'cutSheetMetal',
};

const mostOf = (allowed: AllowedChanges, remedy: Remedy): number => {
  if (remedy === 'unbolt') return allowed.unbolt ? Infinity : 0;
  return allowed[`${remedy}Mm`];
};

/** What a question allows and its standard does not. */
export const forbiddenBy = (standard: Standard, allowed: AllowedChanges): Remedy[] =>
  REMEDIES.filter((remedy) => mostOf(allowed, remedy) > 0 && !standard.allows.includes(PERMISSION[remedy]));

/**
 * Ways to make room for an obstacle under a standard; none for arms, knuckles, frame, brake, what is inside the wheel, and
 * restraint or crash structure: taking off a maker's crash bracket is no remedy among others.
 */
export function ladderOf(obstacle: ObstacleDescription, standard: Standard, allowed: AllowedChanges): Ladder {
  if (isProtected(obstacle.part)) return [];
  const ways: readonly Remedy[] = [
    ...(obstacle.removable ? (['unbolt'] as const) : []),
    ...(BY_MATERIAL[obstacle.material] ?? []),
  ];
  return ways.flatMap((remedy) => {
    const mostMm = mostOf(allowed, remedy);
    return mostMm > 0 && standard.allows.includes(PERMISSION[remedy]) ? [{ remedy, mostMm }] : [];
  });
}

/** The first rung that gives what is missing; null where none does. `marginMm` below 0 is what is missing. */
export function rungFor(ladder: Ladder, marginMm: number): Rung | null {
  return ladder.find(({ mostMm }) => mostMm >= -marginMm) ?? null;
}
