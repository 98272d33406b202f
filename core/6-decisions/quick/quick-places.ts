import { mountsOf } from '../../2-vehicle/motion/motion-description';
import { sideOf, type CornerKey } from '../../2-vehicle/setup/corner-key';
import { steerOn, usualWalk, type WalkStop } from '../../3-survey/walk/usual-walk';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { pokeNeeds, type Poke } from '../finder/poke';
import { quickCases, type QuickCase } from './quick-cases';
import { quickCorner, type QuickQuestion, type QuickSuspension } from './quick-question';
import type { SaidGap } from './said-gap';

/** What a said gap comes to: room in every vehicle it might be, in none, in some. Never that it fits. */
export type SaidVerdict = 'enough' | 'short' | 'between';

/** One place where today's tire must have room for the wanted setup to clear there. Lengths in mm. */
export interface QuickPlace extends Poke {
  readonly id: string;
  /** What of the usual walk stands there. */
  readonly thing: string;
  readonly label: string;
  /** Suspensions that have it, of those that were looked at. */
  readonly under: readonly QuickSuspension[];
  /** From the vehicle that asks least of it to the one that asks most. */
  readonly leastMm: number;
  readonly mostMm: number;
  /** How much more that is, at most, than the fitted tire itself needs. */
  readonly moreMm: number;
  readonly said: SaidVerdict | null;
}

export const MOST_PLACES = 6;
export const LEAST_PLACES = 4;

/** mm: a wheel with all its bump travel left, flexed, comes from further off than one that a card is made for. */
const FURTHEST_MM = 300;

/** No thing is asked about at more places. */
const MOST_OF_THING = 2;

/** mm within which places are alike in how much more they need. */
const ALIKE_MM = 4;

/** mm: longer sticks from a sidewall or shoulder point past what is meant, and are asked for last. */
const HANDY_MM = 130;

/** mm more than the fitted tire needs, from which a place is worth a question. */
const WORTH_MM = 1;

/** One place at a thing of the walk that somebody without a jack can poke at. */
interface StopPoke {
  readonly id: string;
  readonly stop: WalkStop;
  readonly poke: Poke;
}

function stopsOf({ corner }: QuickCase, key: CornerKey): StopPoke[] {
  const have = mountsOf(corner.motion);
  return usualWalk(corner).flatMap((stop) => {
    const mount = stop.mounts.find((one) => have.includes(one));
    if (mount === undefined) return [];
    return stop.steps.flatMap((step, at): StopPoke[] =>
      step.height === 'ride'
        ? [
            {
              id: `${stop.id}.${mount}.${at}`,
              stop,
              poke: {
                clock: step.clock,
                across: step.across,
                steer: steerOn(sideOf(key), step),
                travelMm: 0,
                mount,
                material: stop.material,
              },
            },
          ]
        : [],
    );
  });
}

interface Range {
  readonly leastMm: number;
  readonly mostMm: number;
  readonly moreMm: number;
}

/** What a place needs over the vehicles that have the thing; null where in one of them it shows nothing. */
function rangeOf(needs: readonly ReturnType<ReturnType<typeof pokeNeeds>>[]): Range | null {
  const found = needs.flatMap((need) =>
    need && need.needMm !== null && need.moreMm !== null ? [{ needMm: need.needMm, moreMm: need.moreMm }] : [],
  );
  if (found.length < needs.length || found.length === 0) return null;
  return {
    leastMm: Math.min(...found.map(({ needMm }) => needMm)),
    mostMm: Math.max(...found.map(({ needMm }) => needMm)),
    moreMm: Math.max(...found.map(({ moreMm }) => moreMm)),
  };
}

/** What a gap as it was said comes to at a place. */
export function saidVerdict({ leastMm, mostMm }: Pick<Range, 'leastMm' | 'mostMm'>, said: SaidGap): SaidVerdict {
  if (said.fromMm >= mostMm) return 'enough';
  return said.toMm < leastMm ? 'short' : 'between';
}

/**
 * The four to six places to ask about: where the most more is needed than the fitted tire needs, and of those alike where the most room
 * is; no thing more than twice, no place twice.
 * @throws ProblemError for tires and wheels that do not go together.
 */
export function quickPlaces(question: QuickQuestion): QuickPlace[] {
  const key = quickCorner(question);
  const cases = quickCases(question).map((one) => ({
    stops: stopsOf(one, key),
    suspension: one.suspension,
    needOf: pokeNeeds(one.description, key, new SectionCache(), FURTHEST_MM),
  }));
  const found = new Map<string, { readonly of: StopPoke; readonly under: (typeof cases)[number][] }>();
  for (const one of cases) {
    for (const of of one.stops) {
      const known = found.get(of.id) ?? { of, under: [] };
      known.under.push(one);
      found.set(of.id, known);
    }
  }
  const places = [...found.values()]
    .flatMap(({ of: { id, stop, poke }, under }): QuickPlace[] => {
      const range = rangeOf(under.map(({ needOf }) => needOf(poke)));
      if (!range) return [];
      const answer = question.answers[id];
      return [
        {
          ...poke,
          ...range,
          id,
          thing: stop.id,
          label: stop.label,
          under: [...new Set(under.map(({ suspension }) => suspension))],
          said: answer ? saidVerdict(range, answer) : null,
        },
      ];
    })
    .sort((a, b) => roughly(b.moreMm) - roughly(a.moreMm) || b.mostMm - a.mostMm);
  return firstOf(places);
}

const roughly = (mm: number): number => Math.round(mm / ALIKE_MM);

function firstOf(places: readonly QuickPlace[]): QuickPlace[] {
  const chosen: QuickPlace[] = [];
  // What a hand can reach first, then the longer sticks, and last what needs no more than it does today.
  const rankOf = ({ mostMm, moreMm, across }: QuickPlace): number =>
    moreMm < WORTH_MM ? 2 : across !== 'tread' && mostMm > HANDY_MM ? 1 : 0;
  for (const place of [...places].sort((a, b) => rankOf(a) - rankOf(b))) {
    const isAsked = chosen.some((one) => placeOf(one) === placeOf(place));
    const ofThing = chosen.filter(({ thing }) => thing === place.thing).length;
    const isWorth = chosen.length < LEAST_PLACES || (chosen.length < MOST_PLACES && place.moreMm >= WORTH_MM);
    if (place.said !== null || (isWorth && !isAsked && ofThing < MOST_OF_THING)) chosen.push(place);
  }
  return chosen.sort((a, b) => roughly(b.moreMm) - roughly(a.moreMm) || b.mostMm - a.mostMm);
}

const placeOf = ({ clock, across, steer }: Poke): string => `${clock}:${across}:${steer}`;
