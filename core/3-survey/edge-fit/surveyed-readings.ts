import type { Landed } from '../landing/landed-readings';
import { inverse, rotate } from '../../1-base/geometry/pose';
import { add, scale, type Vec3 } from '../../1-base/geometry/vec3';
import { toDegrees } from '../../1-base/units/angle';
import type { FitStatus } from './fit-edge';
import { covarianceOf } from './edge-gap';
import { edgePlace } from './edge-model';
import { isTape } from './evidence';
import type { ReadEdge } from './read-edge';

/** An obstacle's readings where they landed, and how well they agree. */
export interface SurveyedReadings {
  readonly id: string;
  /**
   * Within so much (mm) of where the edge is said to be it lies in 90 of 100 cases, about its readings, or all along it where photos show
   * it; null unless fitted, and where a reading misses it.
   */
  readonly toleranceMm: number | null;
  /** How the fit ended: unless `converged`, the edge said here is not the likeliest one; null unless fitted. */
  readonly fitStatus: FitStatus | null;
  /** In the order of the readings. */
  readonly readings: readonly SurveyedReading[];
  /** Places along the fitted edge in its order, or a block's corners; along readings joined to one line, without a doubt; else null. */
  readonly edge: readonly SurveyedPlace[] | null;
  /** Where photos show it: by mark, the place of its line of sight nearest to the edge. */
  readonly seen: readonly SeenPlace[];
}

/** A mark of a photo; mount's frame, mm, the camera's errors taken out as far as they were found. */
export interface SeenPlace {
  readonly at: Vec3;
  /** By how much the edge misses it. */
  readonly offMm: number;
}

/** A place of an edge; mount's frame, mm. In 90 of 100 cases it lies within so much of where it is said to be. */
export interface SurveyedPlace {
  readonly at: Vec3;
  /** From the hub's line. */
  readonly radialMm: number;
  /** Outboard or inboard. */
  readonly lateralMm: number;
}

export interface SurveyedReading {
  /** Where it landed, or the place of the fitted edge it belongs to; mount's frame, mm. */
  readonly at: Vec3;
  /** What the edge says less what was read, mm and degrees of clock; null unless fitted. */
  readonly gapOffMm: number | null;
  readonly clockOffDeg: number | null;
  /** The others together say otherwise: set aside until it is taken again or confirmed. */
  readonly contradicts: boolean;
  /** The edge misses it by more than a tape and a clock may be off. */
  readonly misses: boolean;
}

/** `joined`: places along readings that are joined to one line. */
export function surveyedReadings(
  id: string,
  landed: readonly Landed[],
  edge: ReadEdge | null,
  joined: readonly Vec3[] | null = null,
): SurveyedReadings {
  if (!edge) {
    const inOrder = [...landed].sort((a, b) => a.index - b.index);
    const readings = inOrder.map(({ point }) => ({
      at: point,
      gapOffMm: null,
      clockOffDeg: null,
      contradicts: false,
      misses: false,
    }));
    return {
      id,
      toleranceMm: null,
      fitStatus: null,
      readings,
      edge: joined && joined.map((at) => ({ at, radialMm: 0, lateralMm: 0 })),
      seen: [],
    };
  }
  const { model, fit, evidence, contradicting } = edge;
  const tapes = evidence.filter(isTape);
  const counted = tapes.flatMap(({ gapSigmaMm }, i) =>
    contradicting.has(i) ? [] : [fit.readings[i]!.leverage * gapSigmaMm ** 2],
  );
  const readings = tapes.map(({ gapSigmaMm, clockSigmaRad }, i): SurveyedReading => {
    const aside = contradicting.has(i);
    const { s, t, misses } = fit.readings[i]!;
    return {
      at: edgePlace(model, fit.q, [s, t]),
      gapOffMm: misses[0]! * gapSigmaMm,
      clockOffDeg: toDegrees(misses[2]! * clockSigmaRad),
      contradicts: aside,
      misses: aside || Math.abs(misses[0]!) > MOST_MISS || Math.abs(misses[2]!) > MOST_MISS,
    };
  });
  const places = edgeWithDoubt(edge);
  const seen = seenPlaces(edge);
  const read = NINETY * Math.sqrt(mean(counted));
  return {
    id,
    toleranceMm: readings.some(({ misses }) => misses)
      ? null
      : seen.length > 0
        ? mean(places.map(({ radialMm }) => radialMm))
        : read,
    fitStatus: fit.status,
    readings,
    edge: places,
    seen,
  };
}

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);

function seenPlaces({ model, fit, evidence }: ReadEdge): SeenPlace[] {
  return evidence.flatMap((e, i): SeenPlace[] => {
    if (isTape(e)) return [];
    const { s, t, misses } = fit.readings[i]!;
    const { across, sigmaMm } = e.sight;
    const back = inverse(e.toWheel);
    const beside = [0, 1].map((c) => rotate(back.rotation, scale(across[c as 0 | 1], -misses[c]! * sigmaMm)));
    return [
      {
        at: add(edgePlace(model, fit.q, [s, t]), add(beside[0]!, beside[1]!)),
        offMm: Math.hypot(misses[0]!, misses[1]!) * sigmaMm,
      },
    ];
  });
}

/** Share of a number's prior deviation by which slopes are taken. */
const SLOPE_SHARE = 1e-3;

function edgeWithDoubt({ model, fit }: ReadEdge): SurveyedPlace[] {
  const { q, covariance } = fit;
  const isCorner = (share: number): boolean => share < 1e-9 || share > 0.99;
  const seeds = model.dims === 2 ? model.seeds.filter(([s, t]) => isCorner(s % 1) && isCorner(t)) : model.seeds;
  return seeds.map((seed) => {
    const at = edgePlace(model, q, seed);
    const away = Math.hypot(at[0], at[2]) || 1;
    const radial = new Float64Array(q.length);
    const lateral = new Float64Array(q.length);
    q.forEach((value, k) => {
      const step = SLOPE_SHARE * model.sigma[k]!;
      const moved = q.slice();
      moved[k] = value + step;
      const there = edgePlace(model, moved, seed);
      radial[k] = ((there[0] - at[0]) * at[0] + (there[2] - at[2]) * at[2]) / away / step;
      lateral[k] = (there[1] - at[1]) / step;
    });
    const within = (slope: Float64Array): number => NINETY * Math.sqrt(covarianceOf(slope, covariance, slope));
    return { at, radialMm: within(radial), lateralMm: within(lateral) };
  });
}

/** Standard deviations by which a reading may miss its edge: once in 370. */
const MOST_MISS = 3;

/** Standard deviations either way that hold 90 of 100. */
const NINETY = 1.645;
