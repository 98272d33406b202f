import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { describedCorner, prepareDescribed } from '../../4-clearance/case/described-corner';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { materialStretches, STANDARDS } from '../../4-clearance/case/standard';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Mount } from '../../2-vehicle/motion/mount';
import { surveyScene } from '../../3-survey/landing/survey-scene';
import { prepareObstacle } from '../../3-survey/prepared/prepared-obstacle';
import type { ReadingPlace } from '../../3-survey/reading/reading';
import type { Material } from '../../3-survey/shape/material';
import { attempt } from '../../1-base/problem';

/** One place to poke at, and how the wheel is held for it. */
export interface Poke {
  readonly clock: string;
  readonly across: ReadingPlace;
  readonly steer: 'straight' | 'left' | 'right';
  /** mm above the surveyed height. */
  readonly travelMm: number;
  /** What the thing that is poked goes with. */
  readonly mount: Mount;
  readonly material: Material;
}

/** What a poke must measure. */
export interface PokeNeed {
  /** mm today's tire must have; 0: whatever is clear of it is clear of the wanted one; null: it sweeps past in another posture. */
  readonly needMm: number | null;
  /** mm more than the fitted tire itself needs there; null: not known. */
  readonly moreMm: number | null;
}

/** mm: what is further than this from the tire in one posture is nearer in another. */
const MOST_MM = 120;

/** mm to which a needed gap is found, never below. */
const ENOUGH_MM = 0.25;

const MOST_ROUNDS = 60;

/**
 * What a place must measure today for the wanted setup to clear there, for any place of one corner. undefined: it cannot be measured.
 * Looked for up to `mostMm`.
 * @throws ProblemError as `prepareDescribed`; `missing` where no setup is wanted.
 */
export function pokeNeeds(
  description: CaseDescription,
  key: CornerKey,
  cache = new SectionCache(),
  mostMm = MOST_MM,
): (poke: Poke) => PokeNeed | undefined {
  const corner = describedCorner(description, key);
  const scene = surveyScene(key, corner);
  const asFitted = fittedSetup(corner.fitted);
  const { envelope, drawnEnvelope } = description;
  const wanted = prepareDescribed(description, key, cache.survey);
  const fitted = prepareCorner(key, corner, asFitted, envelope, drawnEnvelope, cache.survey);
  const setups = [
    { prepared: wanted, section: cache.section(wanted, corner, setupForCorner(description, key)) },
    { prepared: fitted, section: cache.section(fitted, corner, asFitted) },
  ] as const;
  type Sought = (typeof setups)[number];

  /** Least margin of a setup to a thing so far from the fitted tire; null where that cannot be held. */
  const marginAt = ({ prepared, section }: Sought, poke: Poke, gapMm: number): number | null => {
    const { clock, across, steer, travelMm, mount, material } = poke;
    const reading = { clock, across, gapMm, steer, travelMm };
    const landed = attempt(() => prepareObstacle({ id: 'poke', mount, material, readings: [reading] }, scene, 'poke'));
    if (!landed.ok) return null;
    const one = { ...prepared, obstacles: [landed.value] };
    return materialStretches(STANDARDS[description.standard], prepared.envelope.limits, material).reduce(
      (least, { requiredMm, ...over }) => Math.min(least, section.leastGap(one, landed.value, over).gapMm - requiredMm),
      Infinity,
    );
  };

  return (poke) => {
    const [needMm, nowMm] = setups.map((one) => needed((gapMm) => marginAt(one, poke, gapMm), mostMm));
    if (needMm === undefined) return undefined;
    return { needMm, moreMm: needMm === null || nowMm === undefined || nowMm === null ? null : needMm - nowMm };
  };
}

/**
 * The least gap from which on there is room: coming in from far off, a margin of so much stays above nothing for as much
 * of the way. undefined where the place cannot be measured.
 */
function needed(marginAt: (gapMm: number) => number | null, mostMm: number): number | null | undefined {
  let gapMm = mostMm;
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
