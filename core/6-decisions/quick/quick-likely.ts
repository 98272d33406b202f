import { starterWell, type LikelyRoom, type StarterReading } from '../../3-survey/well/starter-well';
import type { QuickPlace } from './quick-places';
import { quickCorner, type QuickQuestion } from './quick-question';
import type { RecordedWell } from './quick-record';

/** What is likely before the vehicle is there. */
export interface QuickLikely {
  /** That the wanted setup clears at all places that are asked about; null: nothing is usual at any of them. */
  readonly chance: number | null;
  /** Of the fitted tire, by place. */
  readonly rooms: Readonly<Record<string, LikelyRoom>>;
  /** Vehicles of the shop's that count in it: most at one place. */
  readonly wells: number;
}

/** mm by which a gap that was said in fingers is off at least, standard deviation. */
const SAID_SD_MM = 3;

/** Usual wells of such vehicles, moved by the shop's own and by what was said of this one. */
export function quickLikely(
  question: QuickQuestion,
  places: readonly QuickPlace[],
  wells: readonly RecordedWell[],
): QuickLikely {
  const readings = places.flatMap(({ id, thing, steer }): StarterReading[] => {
    const said = question.answers[id];
    if (!said) return [];
    const sdMm = Math.max(SAID_SD_MM, (said.toMm - said.fromMm) / 4);
    return [{ thing, steer, gapMm: (said.fromMm + said.toMm) / 2, sdMm }];
  });
  const start = starterWell(question.vehicle, quickCorner(question), readings, wells);
  const rooms = Object.fromEntries(
    places.flatMap((place) => {
      const room = start.at(place);
      return room ? [[place.id, room]] : [];
    }),
  );
  return {
    chance: start.chanceOf(places),
    rooms,
    wells: Math.max(0, ...Object.values(rooms).map((room) => room.wells)),
  };
}
