import type { VehicleKind } from '../../2-vehicle/setup/vehicle-kind';

/** How much room the tire that a vehicle came with usually has at one thing of the walk, at ride height. Lengths in mm. */
export interface UsualRoom {
  readonly meanMm: number;
  /** From vehicle to vehicle, what all things of one share: well cut roomy or tight. */
  readonly sharedSdMm: number;
  /** From vehicle to vehicle, of this thing alone. */
  readonly ownSdMm: number;
  /** How well the mean of such vehicles is known. */
  readonly meanSdMm: number;
}

/** Straight ahead, and at the lock at which it comes nearer. Of a usual wagon. Working values of this project, common practice at most. */
const ROOM_MM: Readonly<Record<string, readonly [straight: number, lock: number]>> = {
  'fender-lip': [95, 95],
  'bumper-corner': [85, 60],
  'pinch-weld': [80, 55],
  'body-mount': [95, 60],
  'frame-rail': [85, 50],
  'sway-bar-link': [75, 50],
  'arm-end': [65, 55],
  strut: [28, 28],
  'axle-link': [70, 45],
  liner: [120, 120],
  shock: [65, 65],
};

/** Against a wagon. Working values of this project. */
const BY_KIND: Readonly<Record<VehicleKind, number>> = { pickup: 1.1, wagon: 1, van: 1, coupe: 0.65, cart: 0.8 };

/** Of a vehicle of which nobody said what it is. */
const ANY_KIND = 0.95;

/** Shares of the mean, and mm besides. Wide, so that they are right of most vehicles. Working values of this project. */
const SPREAD = { shared: 0.2, own: 0.26, mean: 0.12, anyMean: 0.22, mm: 4 } as const;

/** What is usual at a thing of the walk; null where nothing is. `atLock`: steered to where it comes nearer. */
export function usualRoom(kind: VehicleKind | null, thing: string, atLock: boolean): UsualRoom | null {
  const room = ROOM_MM[thing];
  if (!room) return null;
  const meanMm = (atLock ? room[1] : room[0]) * (kind === null ? ANY_KIND : BY_KIND[kind]);
  return {
    meanMm,
    sharedSdMm: SPREAD.shared * meanMm,
    ownSdMm: SPREAD.own * meanMm + SPREAD.mm,
    meanSdMm: (kind === null ? SPREAD.anyMean : SPREAD.mean) * meanMm + SPREAD.mm,
  };
}
