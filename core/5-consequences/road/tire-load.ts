import type { TireSize } from '../../2-vehicle/tire/size';
import { indexForLoad, loadOfIndexKg, loadShareAt, SPEED_SYMBOLS, speedOfSymbolKmh } from './load-and-speed';

/**
 * Exponent by which a tire's load grows with its pressure: 0.8, the ETRTO relation for commercial tires and, in older editions, for car
 * tires. Others ask less pressure for a part of the load (ETRTO car 0.65, TRA LT 0.7, TRA P-metric 0.5; all from memory), so this one is
 * never too low.
 */
const EXPONENT = 0.8;

/** What a passenger tire's load is divided by on a truck, van, bus or trailer (49 CFR 571.110 S4.2.2.2, from memory). */
export const TRUCK_DIVISOR = 1.1;

/** What is asked of a tire, beside its axle's load. */
export interface TireDuty {
  /** The heaviest that the axle may be, both wheels. */
  readonly axleKg: number;
  /** `truck`: trucks, vans, off-road vehicles, trailers. Absent: taken as one. */
  readonly vehicle?: 'car' | 'truck' | undefined;
  /** The fastest it is driven. */
  readonly topKmh?: number | undefined;
}

/** A tire by what its side says; `index` and `symbol` where its size says none. */
export interface RatedTire {
  readonly size: TireSize;
  readonly index?: number | undefined;
  /** Pressure at which the index holds, by the tire's maker. */
  readonly referenceKpa?: number | undefined;
}

/** What an axle asks of its two tires. */
export interface AxleTireLoad {
  readonly loadPerTireKg: number;
  /** Least load index that carries it, on this vehicle at that speed. */
  readonly neededIndex: number;
  /** What these tires carry at their reference pressure, on this vehicle at that speed; null: no index is known. */
  readonly carriesKg: number | null;
  /** What their load is divided by because passenger tires stand on a truck; 1: not. */
  readonly truckDivisor: number;
  /** Share of the load left at the top speed; null: their speed symbol does not allow it; undefined: no speed or no symbol is known. */
  readonly speedShare: number | null | undefined;
  /** Pressure at which they carry it; null: not known, or they do not carry it at all. */
  readonly leastKpa: number | null;
}

/** @throws ProblemError for a load or an index that no table holds */
export function axleTireLoad(
  { axleKg, vehicle, topKmh }: TireDuty,
  { size, index, referenceKpa }: RatedTire,
): AxleTireLoad {
  const loadPerTireKg = axleKg / 2;
  const rated = size.loadIndex ?? index;
  const truckDivisor = size.madeFor === 'passenger' && vehicle !== 'car' ? TRUCK_DIVISOR : 1;
  const symbol = SPEED_SYMBOLS.find((one) => one === size.speedSymbol);
  const speedShare = symbol === undefined || topKmh === undefined ? undefined : loadShareAt(symbol, topKmh);
  const share = (speedShare ?? 1) / truckDivisor;
  const carriesKg = rated === undefined ? null : loadOfIndexKg(rated, 'stance.road.tireLoadIndex') * share;
  const known = carriesKg !== null && referenceKpa !== undefined && loadPerTireKg <= carriesKg;
  return {
    loadPerTireKg,
    neededIndex: indexForLoad(loadPerTireKg / share, 'stance.road'),
    carriesKg,
    truckDivisor,
    speedShare,
    leastKpa: known ? referenceKpa * (loadPerTireKg / carriesKg) ** (1 / EXPONENT) : null,
  };
}

/** Highest speed that a size's own symbol allows, km/h; undefined: it says none. */
export function topSpeedOfKmh({ speedSymbol }: TireSize): number | undefined {
  const symbol = SPEED_SYMBOLS.find((one) => one === speedSymbol);
  return symbol && speedOfSymbolKmh(symbol);
}
