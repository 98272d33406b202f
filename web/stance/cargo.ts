import { computed } from 'vue';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Axle } from '@/core/2-vehicle/setup/corner-key';
import {
  axleWeightsKg,
  cargoSag,
  holdingRateNPerMm,
  seenWheelRateNPerMm,
} from '@/core/5-consequences/stance/loaded-rake';
import { bothUnits } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';

export interface AxleSag {
  readonly frontMm: number;
  readonly rearMm: number;
}

/** What a load does to both axles; null where something is missing, and what. */
export interface CargoReport {
  readonly missing: readonly string[];
  readonly sag: AxleSag | null;
  /** kg on each axle; below 0: it is lightened. */
  readonly weights: Readonly<Record<Axle, number>> | null;
  /** Wheel rate that holds today's height on each axle; null: its weight or rate is not known. */
  readonly holding: Readonly<Record<Axle, { readonly rateNPerMm: number; readonly share: number } | null>>;
}

/** Rate at one wheel of an axle, as entered or as it was seen to sink; undefined: neither is known. */
export function wheelRateOf(file: LowgapFile, axle: Axle): number | undefined {
  const { wheelRateNPerMm, sankKg, sankMm } = file.stance?.[axle] ?? {};
  if (wheelRateNPerMm !== undefined) return wheelRateNPerMm;
  return sankKg && sankMm ? seenWheelRateNPerMm(sankKg, sankMm) : undefined;
}

const NOTHING: CargoReport = { missing: [], sag: null, weights: null, holding: { front: null, rear: null } };

function cargoOf(file: LowgapFile): CargoReport {
  const { weightKg, behindFrontMm } = file.stance?.cargo ?? {};
  const { wheelbaseMm } = file.vehicle;
  const [frontNPerMm, rearNPerMm] = [wheelRateOf(file, 'front'), wheelRateOf(file, 'rear')];
  const missing = [
    ...(weightKg === undefined ? ['the weight carried'] : []),
    ...(behindFrontMm === undefined ? ['where it sits'] : []),
    ...(wheelbaseMm === undefined ? ['the wheelbase (baseline)'] : []),
    ...(frontNPerMm === undefined ? ['the front wheel rate'] : []),
    ...(rearNPerMm === undefined ? ['the rear wheel rate'] : []),
  ];
  if (weightKg === undefined || behindFrontMm === undefined || wheelbaseMm === undefined)
    return { ...NOTHING, missing };
  const weights = axleWeightsKg({ weightKg, behindFrontMm }, wheelbaseMm);
  const holds = (axle: Axle, rate: number | undefined) => {
    const stands = file.stance?.[axle]?.standsKg;
    if (rate === undefined || stands === undefined) return null;
    const rateNPerMm = holdingRateNPerMm(rate, stands, weights[axle]);
    return { rateNPerMm, share: rateNPerMm / rate - 1 };
  };
  const known = frontNPerMm !== undefined && rearNPerMm !== undefined;
  return {
    missing,
    weights,
    sag: known ? cargoSag({ weightKg, behindFrontMm }, wheelbaseMm, { frontNPerMm, rearNPerMm }) : null,
    holding: { front: holds('front', frontNPerMm), rear: holds('rear', rearNPerMm) },
  };
}

/** The load of the open job. */
export function useCargo() {
  const job = useJobStore();
  return computed(() => (job.document ? cargoOf(job.document) : NOTHING));
}

const movesWords = (mm: number): string => `${mm < 0 ? 'rises' : 'sinks'} ${bothUnits(Math.abs(mm))}`;

export const sagWords = ({ frontMm, rearMm }: AxleSag): string =>
  `With the load on the front ${movesWords(frontMm)}, the rear ${movesWords(rearMm)}`;
