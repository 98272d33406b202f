/** How far below and above its claim a kind of part may come out, as shares of the claim. */
export interface BandShares {
  readonly below: number;
  readonly above: number;
}

/** One part as it was promised and as it turned out, mm of lift at the wheel. */
export interface Promised {
  readonly promisedMm: number;
  readonly measuredMm: number;
}

/** A band with how many measurements it rests on. */
export interface LearnedBand extends BandShares {
  readonly count: number;
  /** Mean of measured over promised, of the measurements alone. */
  readonly meanShare: number;
}

/** How many measurements the usual band counts for: with as many of the shop's own both weigh alike. */
const USUAL_WEIGHT = 4;

/** 5 and 95 % of a normal distribution. */
const BAND_SD = 1.6449;

/** mm of promise below which a share says nothing but the tape's error. */
const LEAST_MM = 8;

/**
 * A part's band from the shop's own record: the usual band taken as a normal spread counts like a few measurements, the shop's are added
 * with their own spread, and the band is that of the next part (predictive). null: nothing measured that says anything.
 */
export function learnedBand(usual: BandShares, record: readonly Promised[]): LearnedBand | null {
  const shares = record
    .filter(({ promisedMm }) => Math.abs(promisedMm) >= LEAST_MM)
    .map(({ promisedMm, measuredMm }) => measuredMm / promisedMm);
  if (shares.length === 0) return null;
  const n = shares.length;
  const usualMean = 1 + (usual.above - usual.below) / 2;
  const usualSd = (usual.above + usual.below) / 2 / BAND_SD;
  const sum = shares.reduce((total, share) => total + share, 0);
  const weight = USUAL_WEIGHT + n;
  const mean = (USUAL_WEIGHT * usualMean + sum) / weight;
  const squares =
    USUAL_WEIGHT * (usualSd ** 2 + (usualMean - mean) ** 2) +
    shares.reduce((total, share) => total + (share - mean) ** 2, 0);
  const sd = Math.sqrt((squares / weight) * (1 + 1 / weight));
  return { below: 1 - (mean - BAND_SD * sd), above: mean + BAND_SD * sd - 1, count: n, meanShare: sum / n };
}
