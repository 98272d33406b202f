import { normalShare } from '../../1-base/numeric/normal';
import { axleOf, sideOf, type CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Side } from '../../2-vehicle/motion/steering';
import type { VehicleKind } from '../../2-vehicle/setup/vehicle-kind';
import type { CornerDescription } from '../description/corner-description';
import type { ReadingDescription } from '../reading/reading';
import { mirroredSteer, type PlainSteer } from '../walk/usual-walk';
import { usualRoom, type UsualRoom } from '../walk/usual-room';

/** A place of the walk: a thing, and how the wheel is steered there. */
export interface StarterPlace {
  readonly thing: string;
  readonly steer: PlainSteer;
}

/** What is known of the gap at a place of this vehicle, mm. */
export interface StarterReading extends StarterPlace {
  readonly gapMm: number;
  readonly sdMm: number;
}

/** How much room there is likely to be at a place, and out of what. Lengths mm. */
export interface LikelyRoom {
  readonly meanMm: number;
  readonly sdMm: number;
  /** Nine vehicles in ten lie between. */
  readonly fromMm: number;
  readonly toMm: number;
  /** It was read there, on this vehicle. */
  readonly isRead: boolean;
  /** Vehicles of the shop's own that count in it. */
  readonly wells: number;
}

/**
 * A well nobody measured yet: the usual room of vehicles of a kind, moved toward what the shop measured on such vehicles, and toward what is
 * read of this one. All are taken as normal; roominess is shared by the things of one vehicle (one factor), so that one reading says something of the others.
 */
export interface StarterWell {
  /** null: nothing is usual there. */
  at(place: StarterPlace): LikelyRoom | null;
  /**
   * Chance that at all places there is at least so much room, each between `leastMm` and `mostMm`, evenly; places with nothing usual are left out.
   * null where none is left.
   */
  chanceOf(places: readonly (StarterPlace & { readonly leastMm: number; readonly mostMm: number })[]): number | null;
}

/** A corner that was surveyed, of a vehicle of the shop's. */
export interface SurveyedWell {
  readonly vehicle: VehicleKind | null;
  readonly key: CornerKey;
  readonly corner: CornerDescription;
}

/** Values of the shared factor that are gone through, in deviations, and how many. */
const FACTOR_TO = 4;
const FACTORS = 33;

/** Deviations either way that hold nine in ten. */
const NINETY = 1.645;

/** Values of what is needed that stand for all between its least and most. */
const NEEDS = [0.1, 0.3, 0.5, 0.7, 0.9] as const;

/** mm a tape and a hand are off. */
const TAPE_SD_MM = 6;

export function starterWell(
  kind: VehicleKind | null,
  key: CornerKey,
  readings: readonly StarterReading[],
  wells: readonly SurveyedWell[] = [],
): StarterWell {
  const side = sideOf(key);
  const alike = wells.filter((well) => axleOf(well.key) === axleOf(key) && (kind === null || well.vehicle === kind));
  const known = new Map<string, (UsualRoom & { readonly wells: number }) | null>();
  const roomAt = ({ thing, steer }: StarterPlace): (UsualRoom & { readonly wells: number }) | null => {
    const of = `${thing} ${steer}`;
    if (!known.has(of)) known.set(of, learned(kind, { thing, steer }, side, alike));
    return known.get(of)!;
  };
  const factors = Array.from({ length: FACTORS }, (_, i) => -FACTOR_TO + (2 * FACTOR_TO * i) / (FACTORS - 1));
  const weights = factors.map((factor) => {
    const logs = readings.map(({ gapMm, sdMm, ...place }) => {
      const room = roomAt(place);
      if (!room) return 0;
      const miss = (gapMm - room.meanMm - factor * room.sharedSdMm) / Math.hypot(room.ownSdMm, room.meanSdMm, sdMm);
      return -0.5 * miss * miss;
    });
    return Math.exp(-0.5 * factor * factor + logs.reduce((sum, v) => sum + v, 0));
  });
  const whole = weights.reduce((sum, w) => sum + w, 0);
  const over = (of: (factor: number) => number): number =>
    factors.reduce((sum, factor, i) => sum + weights[i]! * of(factor), 0) / whole;
  const readAt = ({ thing, steer }: StarterPlace): StarterReading | undefined =>
    readings.find((one) => one.thing === thing && one.steer === steer);
  const givenFactor = (place: StarterPlace, factor: number): { readonly mean: number; readonly sd: number } | null => {
    const room = roomAt(place);
    if (!room) return null;
    const [mean, sd] = [room.meanMm + factor * room.sharedSdMm, Math.hypot(room.ownSdMm, room.meanSdMm)];
    const read = readAt(place);
    if (!read) return { mean, sd };
    // What is read at a place is what is there, as far as the tape goes.
    const share = sd ** 2 / (sd ** 2 + read.sdMm ** 2);
    return { mean: mean + share * (read.gapMm - mean), sd: sd * Math.sqrt(1 - share) };
  };
  return {
    at(place) {
      const room = roomAt(place);
      if (!room) return null;
      const meanMm = over((factor) => givenFactor(place, factor)!.mean);
      const square = over((factor) => {
        const { mean, sd } = givenFactor(place, factor)!;
        return (mean - meanMm) ** 2 + sd ** 2;
      });
      const sdMm = Math.sqrt(square);
      return {
        meanMm,
        sdMm,
        fromMm: Math.max(0, meanMm - NINETY * sdMm),
        toMm: meanMm + NINETY * sdMm,
        isRead: readAt(place) !== undefined,
        wells: room.wells,
      };
    },
    chanceOf(places) {
      const usual = places.filter((place) => roomAt(place) !== null);
      if (usual.length === 0) return null;
      return over((factor) =>
        usual.reduce((product, { leastMm, mostMm, ...place }) => {
          const { mean, sd } = givenFactor(place, factor)!;
          const clear = NEEDS.map((share) => {
            const need = leastMm + share * (mostMm - leastMm);
            return sd > 0 ? normalShare((mean - need) / sd) : Number(mean >= need);
          });
          return (product * clear.reduce((sum, v) => sum + v, 0)) / clear.length;
        }, 1),
      );
    },
  };
}

/** The usual room at a place with the mean moved by what was read there on other vehicles (normal mean under a normal prior). */
function learned(
  kind: VehicleKind | null,
  place: StarterPlace,
  side: Side,
  wells: readonly SurveyedWell[],
): (UsualRoom & { readonly wells: number }) | null {
  const usual = usualRoom(kind, place.thing, place.steer !== 'straight');
  if (!usual) return null;
  const read = wells.flatMap((well) => {
    const steer = sideOf(well.key) === side ? place.steer : mirroredSteer(place.steer);
    return readOf(well.corner, { ...place, steer }) ?? [];
  });
  const betweenSd = Math.hypot(usual.sharedSdMm, usual.ownSdMm, TAPE_SD_MM);
  const precision = usual.meanSdMm ** -2 + read.length * betweenSd ** -2;
  const sum = usual.meanMm * usual.meanSdMm ** -2 + read.reduce((total, mm) => total + mm, 0) * betweenSd ** -2;
  return { ...usual, meanMm: sum / precision, meanSdMm: precision ** -0.5, wells: read.length };
}

/** The least gap that was read of a thing at ride height and that steer; null where none was. */
function readOf({ obstacles }: Pick<CornerDescription, 'obstacles'>, { thing, steer }: StarterPlace): number | null {
  const readings = obstacles.find(({ id }) => id === thing)?.readings ?? [];
  const there = readings.filter((one) => one.steer === steer && isAtRide(one)).map(({ gapMm }) => gapMm);
  return there.length === 0 ? null : Math.min(...there);
}

const isAtRide = ({ travelMm, hubToLipMm }: ReadingDescription): boolean => hubToLipMm === undefined && !travelMm;

/** What was read of a corner so far, as a starter well takes it. */
export const starterReadings = ({ obstacles }: CornerDescription): StarterReading[] =>
  obstacles.flatMap(({ id }) =>
    (['straight', 'left', 'right'] as const).flatMap((steer): StarterReading[] => {
      const gapMm = readOf({ obstacles }, { thing: id, steer });
      return gapMm === null ? [] : [{ thing: id, steer, gapMm, sdMm: TAPE_SD_MM }];
    }),
  );
