/** A speedometer with another tire than the one it was right (or off) with. Speeds in km/h. */
export interface SpeedometerReading {
  /** What it shows. */
  readonly shownKmh: number;
  /** How fast the vehicle is. */
  readonly trueKmh: number;
  /** UN R39, 5.3 (from memory): shows no less than the truth, and no more than a tenth of it and 4 km/h above. */
  readonly verdict: 'allowed' | 'showsTooLittle' | 'showsTooMuch';
}

/**
 * @param diameterRatio the new tire's rolling diameter over that of the tire the speedometer was set for
 * @param errorShare by how much of the truth it showed too much with that tire; 0 by default
 */
export function speedometer(trueKmh: number, diameterRatio: number, errorShare = 0): SpeedometerReading {
  const shownKmh = (trueKmh / diameterRatio) * (1 + errorShare);
  const most = trueKmh + trueKmh / 10 + 4;
  const verdict = shownKmh < trueKmh ? 'showsTooLittle' : shownKmh > most ? 'showsTooMuch' : 'allowed';
  return { shownKmh, trueKmh, verdict };
}

/** Speeds at which UN R39 tests, km/h (from memory); those above what the vehicle reaches are left out. */
export const TESTED_KMH = [40, 80, 120] as const;

/**
 * Range of diameter ratios with which a speedometer stays lawful at all tested speeds: from the least tire, with which it
 * shows most, to the tallest, with which it shows just the truth.
 */
export function lawfulDiameterRatios(errorShare = 0, speeds: readonly number[] = TESTED_KMH): [number, number] {
  const shown = 1 + errorShare;
  const least = Math.max(...speeds.map((kmh) => (shown * kmh) / (1.1 * kmh + 4)));
  return [least, shown];
}
