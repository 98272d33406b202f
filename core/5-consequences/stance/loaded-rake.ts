import { axleShares, sagUnderWeightMm } from '../../2-vehicle/setup/springs';

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
