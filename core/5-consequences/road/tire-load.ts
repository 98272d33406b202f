import { indexForLoad, loadOfIndexKg } from './load-and-speed';

/**
 * Exponent by which a tire's load grows with its pressure (ETRTO and TRA load and inflation relation for car tires, from memory; truck
 * tires have a little less).
 */
const EXPONENT = 0.8;

/** What an axle asks of its two tires. */
export interface AxleTireLoad {
  readonly loadPerTireKg: number;
  /** Least load index that carries it. */
  readonly neededIndex: number;
  /** What these tires carry at their reference pressure; null: no index is known. */
  readonly carriesKg: number | null;
  /** Pressure at which they carry it; null: not known, or they do not carry it at all. */
  readonly leastKpa: number | null;
}

/**
 * @param axleKg the heaviest that the axle may be, both wheels
 * @param index load index of the tires
 * @param referenceKpa pressure at which the index holds, by the tire's maker
 * @throws ProblemError for a load or an index that no table holds
 */
export function axleTireLoad(axleKg: number, index?: number, referenceKpa?: number): AxleTireLoad {
  const loadPerTireKg = axleKg / 2;
  const carriesKg = index === undefined ? null : loadOfIndexKg(index, 'stance.road.tireLoadIndex');
  const known = carriesKg !== null && referenceKpa !== undefined && loadPerTireKg <= carriesKg;
  return {
    loadPerTireKg,
    neededIndex: indexForLoad(loadPerTireKg, 'stance.road'),
    carriesKg,
    leastKpa: known ? referenceKpa * (loadPerTireKg / carriesKg) ** (1 / EXPONENT) : null,
  };
}
