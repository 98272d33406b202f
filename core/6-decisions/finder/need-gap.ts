import { describedCorner } from '../../4-clearance/case/described-corner';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { SectionCache } from '../../4-clearance/search/section-cache';
import type { Material } from '../../3-survey/shape/material';
import { READING_PLACES, type ReadingPlace } from '../../3-survey/reading/reading';
import { formatClock } from '../../1-base/units/clock';
import { pokeNeeds, type PokeNeed } from './poke';

/** How the wheel is held for a poke: at the surveyed height straight or at a lock, or straight at the bump stop. */
export const POKE_POSTURES = ['straight', 'left', 'right', 'bump'] as const;
export type PokePosture = (typeof POKE_POSTURES)[number];

/** The gap the fitted tire must have today at one place and posture for the wanted setup to clear what is there. */
export interface NeedGap extends PokeNeed {
  readonly clock: string;
  readonly across: ReadingPlace;
  readonly posture: PokePosture;
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
  const needOf = pokeNeeds(description, key, cache);
  const needs: NeedGap[] = [];
  for (const posture of posturesOf(corner.steering !== undefined)) {
    for (const across of READING_PLACES) {
      for (let degrees = 0; degrees < 360; degrees += CLOCK_STEP) {
        if (degrees > PATCH.from - CLOCK_STEP && degrees < PATCH.to + CLOCK_STEP) continue;
        const clock = formatClock(degrees);
        const steer = posture === 'left' || posture === 'right' ? posture : 'straight';
        const travelMm = posture === 'bump' ? corner.travel.bumpMm : 0;
        const need = needOf({ clock, across, steer, travelMm, mount: 'body', material });
        if (need === undefined) continue;
        needs.push({ clock, across, posture, ...need });
      }
    }
  }
  return { corner: key, material, needs, first: firstPokes(needs), sticks: sticksOf(needs) };
}

const posturesOf = (steered: boolean): PokePosture[] =>
  steered ? ['straight', 'left', 'right', 'bump'] : ['straight', 'bump'];

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
