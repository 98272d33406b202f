import { ClearSection } from '../../4-clearance/search/clear-section';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { DrawnRow, EnvelopeKind } from '../../4-clearance/envelope/envelope-kind';
import { cornerVerdicts, type GapFinder, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { prepareCorner, type PreparedCorner } from '../../4-clearance/case/prepared-corner';
import type { Standard } from '../../4-clearance/case/standard';
import { seededNormal, seededRandom, seedOf } from '../../1-base/numeric/seeded-random';
import type { DrawnErrors } from './draw';
import type { Fit, SharedSource } from './shared-errors';
import type { OwnError } from './moved-readings';
import { makeSpreadModel, type SpreadModel } from './spread-model';

/** Quantiles of a length, mm. */
export interface Quantiles {
  readonly p5Mm: number;
  readonly p50Mm: number;
  readonly p95Mm: number;
}

export interface ObstacleSpread {
  readonly id: string;
  /** Of the gap at the least margin. */
  readonly gap: Quantiles;
  readonly margin: Quantiles;
  /** How often less is left than the standard wants. */
  readonly chanceOfRub: number;
  /** How often the tire touches. */
  readonly chanceOfTouch: number;
}

/** Something that could be measured again. */
export interface Remeasure {
  /** A shared number, a reading of an obstacle (`reading` counts from 0), or where a shape is. */
  readonly source: SharedSource | 'reading' | 'position';
  readonly obstacle?: string | undefined;
  readonly reading?: number | undefined;
  /** Share of the low margin's variance that comes from it. */
  readonly share: number;
  /** About how much narrower 5 to 95 % of the low margin becomes by measuring it once more, mm. */
  readonly narrowsMm: number;
}

export interface CornerSpread {
  readonly corner: CornerKey;
  readonly draws: number;
  /** The least margin of all obstacles in each draw. */
  readonly lowMargin: Quantiles;
  readonly chanceOfRub: number;
  readonly obstacles: readonly ObstacleSpread[];
  /** What, measured again, would narrow the low margin most; best first. */
  readonly next: readonly Remeasure[];
}

export interface SpreadOptions {
  readonly draws?: number;
  readonly seed?: number;
  readonly drawn?: readonly DrawnRow[] | undefined;
}

const USUAL_DRAWS = 1000;

/** Sources named in an answer. */
const MOST_NAMED = 8;

/** Share of its variance left when the same measurement is taken once more and the two are averaged. */
const LEFT_AFTER_REPEAT = 0.5;

/**
 * How far the least gaps of a corner may be from what was worked out, given how far off readings, sizes, heights, locks
 * and hard points usually are. Each draw lets all of them be off together, so that one wrong offset shifts every
 * gap. Repeatable: the same seed gives the same draws, each number its own sequence.
 * @throws ProblemError as `prepareCorner`.
 */
export function cornerSpread(
  key: CornerKey,
  fit: Fit,
  kind: EnvelopeKind,
  standard: Standard,
  { draws = USUAL_DRAWS, seed = 1, drawn }: SpreadOptions = {},
  known?: { readonly corner: PreparedCorner; readonly finder: GapFinder },
): CornerSpread {
  const corner = known?.corner ?? prepareCorner(key, fit.corner, fit.setup, kind, drawn);
  const finder = known?.finder ?? new ClearSection(corner.motion, corner.envelope);
  const verdicts = cornerVerdicts(corner, standard, {}, finder);
  const model = makeSpreadModel(corner, fit, kind, standard, drawn, verdicts);
  const errors = drawnErrors(model, draws, seed);
  const { gaps, margins, low } = model.drawn(errors);
  return {
    corner: key,
    draws,
    lowMargin: quantiles(low),
    chanceOfRub: shareBelow(low, 0),
    obstacles: verdicts.map(({ id }, i) => ({
      id,
      gap: quantiles(gaps[i]!),
      margin: quantiles(margins[i]!),
      chanceOfRub: shareBelow(margins[i]!, 0),
      chanceOfTouch: shareBelow(gaps[i]!, 0),
    })),
    next: remeasures(model, verdicts, errors, low),
  };
}

/** Draws of every error of a model. */
export const drawnErrors = (model: Pick<SpreadModel, 'shared' | 'own'>, draws: number, seed: number): DrawnErrors => ({
  draws,
  shared: model.shared.map(({ name, onlyWidens }) => {
    const drawn = normals(seededNormal(seedOf(`${seed} ${name}`)), draws);
    return onlyWidens ? drawn.map(Math.abs) : drawn;
  }),
  own: model.own.map((error) => drawnOwn(error, draws, seed)),
});

const normals = (next: () => number, count: number): Float64Array => Float64Array.from({ length: count }, next);

/** Draws of an error of one reading or shape, in its own unit. */
function drawnOwn({ name, sigma, halfWidth }: OwnError, draws: number, seed: number): Float64Array {
  const start = seedOf(`${seed} ${name}`);
  if (halfWidth !== undefined) {
    const random = seededRandom(start);
    return Float64Array.from({ length: draws }, () => halfWidth * (2 * random() - 1));
  }
  const next = seededNormal(start);
  return Float64Array.from({ length: draws }, () => sigma * next());
}

function quantiles(values: Float64Array): Quantiles {
  const sorted = values.slice().sort();
  const at = (share: number): number => {
    const place = share * (sorted.length - 1);
    const below = Math.floor(place);
    const above = Math.min(sorted.length - 1, below + 1);
    return sorted[below]! + (place - below) * (sorted[above]! - sorted[below]!);
  };
  return { p5Mm: at(0.05), p50Mm: at(0.5), p95Mm: at(0.95) };
}

const shareBelow = (values: Float64Array, limit: number): number =>
  values.reduce((count, value) => count + (value < limit ? 1 : 0), 0) / values.length;

/**
 * What each measurement contributes to the low margin: the squared correlations of its independent numbers, summed; for a
 * margin that is linear in them that is its share of the variance.
 */
function remeasures(
  model: SpreadModel,
  verdicts: readonly ObstacleVerdict[],
  { shared, own }: DrawnErrors,
  low: Float64Array,
): Remeasure[] {
  const named = new Map<string, { what: Omit<Remeasure, 'share' | 'narrowsMm'>; share: number }>();
  const count = (key: string, what: Omit<Remeasure, 'share' | 'narrowsMm'>, values: Float64Array): void => {
    const entry = named.get(key) ?? { what, share: 0 };
    entry.share += squaredCorrelation(values, low);
    named.set(key, entry);
  };
  model.shared.forEach(({ source }, k) => count(source, { source }, shared[k]!));
  model.own.forEach(({ obstacle, reading }, k) => {
    const { id } = verdicts[obstacle]!;
    if (reading === null) count(`position ${id}`, { source: 'position', obstacle: id }, own[k]!);
    else count(`reading ${id} ${reading}`, { source: 'reading', obstacle: id, reading }, own[k]!);
  });
  const { p5Mm, p95Mm } = quantiles(low);
  // Correlations by chance of so many draws.
  const noise = 3 / low.length;
  return [...named.values()]
    .filter(({ share }) => share > noise)
    .map(({ what, share }) => {
      const most = Math.min(1, share);
      return { ...what, share: most, narrowsMm: (p95Mm - p5Mm) * (1 - Math.sqrt(1 - most * LEFT_AFTER_REPEAT)) };
    })
    .sort((a, b) => b.narrowsMm - a.narrowsMm)
    .slice(0, MOST_NAMED);
}

function squaredCorrelation(a: Float64Array, b: Float64Array): number {
  const n = a.length;
  const mean = (values: Float64Array): number => values.reduce((sum, v) => sum + v, 0) / n;
  const ma = mean(a);
  const mb = mean(b);
  let aa = 0;
  let bb = 0;
  let ab = 0;
  for (let i = 0; i < n; i++) {
    const da = a[i]! - ma;
    const db = b[i]! - mb;
    aa += da * da;
    bb += db * db;
    ab += da * db;
  }
  return aa > 0 && bb > 0 ? (ab * ab) / (aa * bb) : 0;
}
