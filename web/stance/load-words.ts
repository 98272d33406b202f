import type { PressureUnit } from '@/core/1-base/units/pressure';
import { pressureWords } from '@/core/1-base/units/pressure';
import { speedIn, type DistanceUnit } from '@/core/1-base/units/distance';
import { formatMm } from '@/core/1-base/units/length';
import { topSpeedOfKmh, type AxleTireLoad, type RatedTire, type TireDuty } from '@/core/5-consequences/road/tire-load';

/** One axle's tires against what they have to carry, as one text. */
export interface LoadSays {
  readonly bad: boolean;
  readonly says: string;
}

export function loadSays(
  axle: string,
  { duty, tire, found }: { readonly duty: TireDuty; readonly tire: RatedTire; readonly found: AxleTireLoad },
  units: { readonly pressure: PressureUnit; readonly distance: DistanceUnit },
): LoadSays {
  const { loadPerTireKg, neededIndex, carriesKg, leastKpa, truckDivisor, speedShare } = found;
  const tooSlow = speedShare === null;
  const tooWeak = carriesKg !== null && carriesKg < loadPerTireKg;
  const carries = carriesKg === null ? '' : formatMm(carriesKg, 0);
  const has =
    carriesKg === null
      ? '; enter the load index of the tires tried'
      : tooWeak
        ? `; these carry ${carries} kg, which is too little`
        : leastKpa === null
          ? `; these carry ${carries} kg at the pressure their index holds at`
          : `; these carry it from ${pressureWords(leastKpa, units.pressure)}, and no lower than the vehicle’s maker asks`;
  const why = [
    ...(truckDivisor === 1
      ? []
      : [
          duty.vehicle === undefined
            ? `A passenger tire counts for 1/${truckDivisor.toFixed(1)} on a truck, van or off-road vehicle: say if this is a car.`
            : `As passenger tires on a truck they count for 1/${truckDivisor.toFixed(1)}.`,
        ]),
    ...(tooSlow
      ? [
          `Their speed symbol ${tire.size.speedSymbol} allows ${speedIn(topSpeedOfKmh(tire.size)!, units.distance)}, less than the vehicle is driven.`,
        ]
      : []),
    ...(speedShare && speedShare < 1
      ? [`At ${speedIn(duty.topKmh!, units.distance)} they carry ${formatMm(100 * speedShare, 0)} % of it.`]
      : []),
  ];
  return {
    bad: tooSlow || tooWeak,
    says: [
      `Each ${axle} tire carries ${formatMm(loadPerTireKg, 0)} kg: load index ${neededIndex} or more${has}.`,
      ...why,
    ].join(' '),
  };
}
