import { axleShares, GRAVITY, sagUnderWeightMm } from '../../2-vehicle/setup/springs';

/** Weight carried now and then. */
export interface Cargo {
  readonly weightKg: number;
  /** From the front axle back to where it sits, mm. */
  readonly behindFrontMm: number;
}

/** Wheel rates, N/mm at one wheel: spring rate times motion ratio squared. */
export interface WheelRates {
  readonly frontNPerMm: number;
  readonly rearNPerMm: number;
}

/** How far each axle sinks under cargo, mm; negative: it rises. Both wheels of an axle carry alike. */
export function cargoSag(
  { weightKg, behindFrontMm }: Cargo,
  wheelbaseMm: number,
  { frontNPerMm, rearNPerMm }: WheelRates,
): { readonly frontMm: number; readonly rearMm: number } {
  const { front, rear } = axleShares(behindFrontMm, wheelbaseMm);
  return {
    frontMm: sagUnderWeightMm(weightKg, front / 2, frontNPerMm, 1),
    rearMm: sagUnderWeightMm(weightKg, rear / 2, rearNPerMm, 1),
  };
}

/** Rake (rear over front) to stand at empty so that `loadedMm` is left with the cargo on. */
export const emptyRakeMm = (
  loadedMm: number,
  { frontMm, rearMm }: { readonly frontMm: number; readonly rearMm: number },
): number => loadedMm + rearMm - frontMm;

/** Rate at one wheel, N/mm, of an axle that was seen to sink by `sinksMm` under a weight right over it (Hooke). */
export const seenWheelRateNPerMm = (weightKg: number, sinksMm: number): number => (weightKg * GRAVITY) / 2 / sinksMm;

/**
 * Rate at the wheel, N/mm, with which an axle stands under more weight as high as it does now, on springs of the same free length: pressed
 * together as far, they carry more in proportion (Hooke). `standsKg`, `moreKg`: on both wheels, sprung.
 */
export const holdingRateNPerMm = (rateNPerMm: number, standsKg: number, moreKg: number): number =>
  rateNPerMm * (1 + moreKg / standsKg);

/** kg of a weight that each axle carries; below 0: it is lightened. */
export function axleWeightsKg(
  { weightKg, behindFrontMm }: Cargo,
  wheelbaseMm: number,
): { readonly front: number; readonly rear: number } {
  const { front, rear } = axleShares(behindFrontMm, wheelbaseMm);
  return { front: weightKg * front, rear: weightKg * rear };
}
