import { shareOf, type Share } from '../../1-base/numeric/share';
import { attempt } from '../../1-base/problem';
import { axleOf, sideOf, type CornerKey } from '../../2-vehicle/setup/corner-key';
import { countParts } from '../../2-vehicle/setup/setup';
import type { VehicleKind } from '../../2-vehicle/setup/vehicle-kind';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { defaultMount } from '../../3-survey/description/default-mount';
import { mountsOf } from '../../2-vehicle/motion/motion-description';
import { surveyScene } from '../../3-survey/landing/survey-scene';
import { prepareObstacle, type PlacedThing } from '../../3-survey/prepared/prepared-obstacle';
import { cornerKnown } from '../../3-survey/known/known';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { materialStretches, STANDARDS, wantedAs } from '../../4-clearance/case/standard';
import { SectionCache } from '../../4-clearance/search/section-cache';
import type { QuickPlace } from './quick-places';
import { mirroredSteer } from '../../3-survey/walk/usual-walk';
import { quickCorner, quickSuspensionOf, wantedSetup, type QuickQuestion } from './quick-question';

/** A vehicle of the shop's that was surveyed: a job's, or a well of the library. */
export interface RecordedWell {
  readonly title: string;
  /** null: nobody said. */
  readonly vehicle: VehicleKind | null;
  readonly key: CornerKey;
  readonly corner: CornerDescription;
}

/** How often the wanted setup clears in the wells of such vehicles, and what stopped it. */
export interface QuickRecord extends Share {
  /** Things that left too little, the most frequent first. */
  readonly short: readonly { readonly label: string; readonly count: number }[];
  /** Wells of such vehicles that were not surveyed far enough to count, or cannot take the setup. */
  readonly leftOut: number;
}

/** Fewer wells give a count and no chance. */
export const ENOUGH_WELLS = 4;

const isAlike = (question: QuickQuestion, { vehicle, key, corner }: RecordedWell): boolean => {
  const suspension = quickSuspensionOf(corner.motion);
  return (
    axleOf(key) === question.axle &&
    (question.vehicle === null || vehicle === question.vehicle) &&
    (question.suspension === null || suspension === null || suspension === question.suspension)
  );
};

/**
 * The wanted setup in the wells of such vehicles, by never rub over all that the stops allow. Where a gap of this vehicle was said, a
 * thing so far from its tire stands in the place of the well's own: it is in the way if it is so at the least gap that was meant.
 */
export function quickRecord(
  question: QuickQuestion,
  places: readonly QuickPlace[],
  wells: readonly RecordedWell[],
): QuickRecord {
  const alike = wells.filter((well) => isAlike(question, well));
  const judged = alike.flatMap((well) => {
    const found = cornerKnown(well.corner).isEnough ? attempt(() => shortIn(question, places, well)) : null;
    return found?.ok ? [found.value] : [];
  });
  const counts = new Map<string, number>();
  for (const label of judged.flat()) counts.set(label, (counts.get(label) ?? 0) + 1);
  return {
    ...shareOf(judged.filter((short) => short.length === 0).length, judged.length),
    short: [...counts].map(([label, count]) => ({ label, count })).sort((a, b) => b.count - a.count),
    leftOut: alike.length - judged.length,
  };
}

/** Labels of what leaves the wanted setup too little in a well. */
function shortIn(question: QuickQuestion, places: readonly QuickPlace[], { key, corner }: RecordedWell): string[] {
  const cache = new SectionCache();
  const setup = countParts(wantedSetup(question));
  const prepared = prepareCorner(key, corner, setup, 'trail', undefined, cache.survey);
  const section = cache.section(prepared, corner, setup);
  // Its gap was said from the tire that this vehicle has.
  const scene = surveyScene(key, { ...corner, fitted: question.fitted, obstacles: [] });
  const said = places.flatMap(({ id, thing, label, ...poke }) => {
    const answer = question.answers[id];
    if (!answer) return [];
    const { clock, across, steer, travelMm, material } = poke;
    const mount = mountsOf(corner.motion).includes(poke.mount) ? poke.mount : defaultMount(material, corner.motion);
    const reading = {
      clock,
      across,
      gapMm: answer.fromMm,
      steer: sideOf(key) === sideOf(quickCorner(question)) ? steer : mirroredSteer(steer),
      travelMm,
    };
    const placed = attempt(() => prepareObstacle({ id, label, mount, material, readings: [reading] }, scene, id));
    return placed.ok ? [{ thing, placed: placed.value }] : [];
  });
  const answered = new Set(said.map(({ thing }) => thing));
  const things = [...prepared.obstacles.filter(({ id }) => !answered.has(id)), ...said.map(({ placed }) => placed)];
  const isShort = (thing: PlacedThing & Parameters<typeof wantedAs>[0]): boolean =>
    materialStretches(STANDARDS.neverRub, prepared.envelope.limits, wantedAs(thing)).some(
      ({ requiredMm, ...over }) => section.leastGap({ ...prepared, obstacles: [] }, thing, over).gapMm < requiredMm,
    );
  return [...new Set(things.filter(isShort).map(({ label }) => label))];
}
