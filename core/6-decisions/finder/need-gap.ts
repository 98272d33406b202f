import { describedCorner, prepareDescribed } from '../../4-clearance/case/described-corner';
import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { surveyScene } from '../../3-survey/landing/survey-scene';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { materialStretches, STANDARDS } from '../../4-clearance/case/standard';
import { prepareObstacle } from '../../3-survey/prepared/prepared-obstacle';
import type { Material } from '../../3-survey/shape/material';
import { READING_PLACES, type ReadingPlace } from '../../3-survey/reading/reading';
import { attempt } from '../../1-base/problem';
import { formatClock } from '../../1-base/units/clock';

/** How the wheel is held for a poke: at the surveyed height straight or at a lock, or straight at the bump stop. */
export const POKE_POSTURES = ['straight', 'left', 'right', 'bump'] as const;
export type PokePosture = (typeof POKE_POSTURES)[number];

/** The gap the fitted tire must have today at one place and posture for the wanted setup to clear what is there. */
export interface NeedGap {
  readonly clock: string;
  readonly across: ReadingPlace;
  readonly posture: PokePosture;
  /**
   * mm; 0: whatever is clear of the fitted tire there is clear of the wanted one; null: the tire sweeps past in another
   * posture, in which the thing is to be poked instead.
   */
  readonly needMm: number | null;
  /** How much more that is than the fitted tire itself needs to clear there as the vehicle stands now; null: not known. */
  readonly moreMm: number | null;
}

/** One stick: where it passes all along a place across the tire, the wanted setup clears what is there. */
export interface Stick {
  readonly across: ReadingPlace;
  readonly posture: PokePosture;
  readonly lengthMm: number;
  /** Clock at which so much is needed. */
  readonly clock: string;
}

export interface NeedGapCard {
  readonly corner: CornerKey;
  readonly material: Material;
  readonly needs: readonly NeedGap[];
  /** The ten places to poke first: where most more is needed than now, one in each part of the well. */
  readonly first: readonly NeedGap[];
  readonly sticks: readonly Stick[];
}

/** mm: what is further than this from the tire in one posture is nearer in another. */
const MOST_MM = 120;

/** mm to which a needed gap is found, never below. */
const ENOUGH_MM = 0.25;

const MOST_ROUNDS = 60;

/** Degrees between clock places, and those of the contact patch (5:00 to 7:00), at which no gap is taken. */
const CLOCK_STEP = 15;
const PATCH = { from: 150, to: 210 };

/**
 * Needed gaps all round, for things of one material that go with frame or body.
 * @throws ProblemError as `prepareDescribed`; `missing` where no setup is wanted.
 */
export function needGapCard(
  description: CaseDescription,
  key: CornerKey,
  material: Material,
  cache = new SectionCache(),
): NeedGapCard {
  const corner = describedCorner(description, key);
  const scene = surveyScene(key, corner);
  const asFitted = fittedSetup(corner.fitted);
  const { envelope, drawnEnvelope } = description;
  const wanted = prepareDescribed(description, key, cache.survey);
  const fitted = prepareCorner(key, corner, asFitted, envelope, drawnEnvelope, cache.survey);
  const setups = [
    { prepared: wanted, section: cache.section(wanted, corner, setupForCorner(description, key)) },
    { prepared: fitted, section: cache.section(fitted, corner, asFitted) },
  ].map((one) => ({
    ...one,
    stretches: materialStretches(STANDARDS[description.standard], one.prepared.envelope.limits, material),
  }));
  type Sought = (typeof setups)[number];

  /** Least margin of a setup to a thing so far from the fitted tire; null where that cannot be held. */
  const marginAt = (
    { prepared, section, stretches }: Sought,
    clock: string,
    across: ReadingPlace,
    posture: PokePosture,
    gapMm: number,
  ): number | null => {
    const reading = {
      clock,
      across,
      gapMm,
      steer: posture === 'left' || posture === 'right' ? posture : ('straight' as const),
      travelMm: posture === 'bump' ? corner.travel.bumpMm : 0,
    };
    const poked: ObstacleDescription = { id: 'poke', mount: 'body', material, readings: [reading] };
    const landed = attempt(() => prepareObstacle(poked, scene, 'poke'));
    if (!landed.ok) return null;
    const one = { ...prepared, obstacles: [landed.value] };
    return stretches.reduce(
      (least, { requiredMm, ...over }) => Math.min(least, section.leastGap(one, landed.value, over).gapMm - requiredMm),
      Infinity,
    );
  };

  const needs: NeedGap[] = [];
  for (const posture of posturesOf(corner.steering !== undefined)) {
    for (const across of READING_PLACES) {
      for (let degrees = 0; degrees < 360; degrees += CLOCK_STEP) {
        if (degrees > PATCH.from - CLOCK_STEP && degrees < PATCH.to + CLOCK_STEP) continue;
        const clock = formatClock(degrees);
        const [needMm, nowMm] = setups.map((one) => needed((gapMm) => marginAt(one, clock, across, posture, gapMm)));
        if (needMm === undefined) continue;
        const moreMm = needMm === null || nowMm === undefined || nowMm === null ? null : needMm - nowMm;
        needs.push({ clock, across, posture, needMm, moreMm });
      }
    }
  }
  return { corner: key, material, needs, first: firstPokes(needs), sticks: sticksOf(needs) };
}

const posturesOf = (steered: boolean): PokePosture[] =>
  steered ? ['straight', 'left', 'right', 'bump'] : ['straight', 'bump'];

/**
 * The least gap from which on there is room: coming in from far off, a margin of so much stays above nothing for as much
 * of the way. undefined where the place cannot be measured.
 */
function needed(marginAt: (gapMm: number) => number | null): number | null | undefined {
  let gapMm = MOST_MM;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const margin = marginAt(gapMm);
    if (margin === null) return undefined;
    if (margin < 0) return round === 0 ? null : gapMm;
    if (margin < ENOUGH_MM) return gapMm;
    if (gapMm === 0) return 0;
    gapMm = Math.max(0, gapMm - margin + ENOUGH_MM / 2);
  }
  return gapMm;
}

const MOST_POKES = 10;

/** mm more than the fitted tire needs, below which a poke tells nothing new. */
const LEAST_MORE_MM = 1;

/** Parts of the well by clock: above, ahead and behind. */
const partOf = (clock: string): string => {
  const hour = Number(clock.split(':')[0]) % 12;
  return hour >= 11 || hour < 1 ? 'above' : hour < 6 ? 'ahead' : 'behind';
};

function firstPokes(needs: readonly NeedGap[]): NeedGap[] {
  const most = new Map<string, NeedGap>();
  for (const need of needs) {
    if (need.moreMm === null) continue;
    const key = `${need.across}:${partOf(need.clock)}:${need.posture === 'bump' ? 'bump' : 'ride'}`;
    if (need.moreMm > (most.get(key)?.moreMm ?? LEAST_MORE_MM)) most.set(key, need);
  }
  return [...most.values()].sort((a, b) => b.moreMm! - a.moreMm!).slice(0, MOST_POKES);
}

/** For each place across the tire the posture in which the shortest stick does; none where no posture shows all of it. */
function sticksOf(needs: readonly NeedGap[]): Stick[] {
  return READING_PLACES.flatMap((across) => {
    const sticks = POKE_POSTURES.flatMap((posture): Stick[] => {
      const along = needs.filter((need) => need.across === across && need.posture === posture);
      if (along.length === 0 || along.some(({ needMm }) => needMm === null)) return [];
      const most = along.reduce((a, b) => (b.needMm! > a.needMm! ? b : a));
      return [{ across, posture, lengthMm: most.needMm!, clock: most.clock }];
    });
    const [shortest] = sticks.sort((a, b) => a.lengthMm - b.lengthMm);
    return shortest ? [shortest] : [];
  });
}
