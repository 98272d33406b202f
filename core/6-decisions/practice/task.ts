import { ClearSection } from '../../4-clearance/search/clear-section';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { type SetupDescription, fittedAsSetup, countParts } from '../../2-vehicle/setup/setup';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARDS } from '../../4-clearance/case/standard';
import { syntheticWell } from './synthetic-well';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { dice } from '../../1-base/numeric/dice';
import { LEVERS, type LeverKind } from '../levers/lever-kinds';
import { attempt } from '../../1-base/problem';
import { parseTireSize } from '../../2-vehicle/tire/size';
import { tireSection } from '../../2-vehicle/tire/section';

/** From arithmetic to levers, each harder than the one before. */
export const PRACTICE_LEVELS = ['offset', 'touch', 'lifted', 'lever'] as const;
export type PracticeLevel = (typeof PRACTICE_LEVELS)[number];

/** What one can be wrong about. */
export const MISS_KINDS = ['arithmetic', 'thing', 'posture', 'amount', 'lever'] as const;
export type MissKind = (typeof MISS_KINDS)[number];

/** Another wheel and tire: how much further does the inner sidewall come in, and the outer one out? */
export interface OffsetTask {
  readonly level: 'offset';
  readonly seed: number;
  readonly from: SetupDescription;
  readonly to: SetupDescription;
  readonly inwardMm: number;
  readonly outwardMm: number;
}

/** A thing of an invented well, as it is drawn. */
export interface PracticeThing {
  readonly id: string;
  readonly points: readonly Vec3[];
  /** A body with corners at the points, not a line through them. */
  readonly solid: boolean;
}

/** An invented corner with a setup: what touches first, in which posture, by how much? */
export interface TouchTask {
  readonly level: 'touch' | 'lifted' | 'lever';
  readonly seed: number;
  readonly corner: CornerDescription;
  readonly setup: SetupDescription;
  readonly things: readonly PracticeThing[];
  readonly answer: Pick<ObstacleVerdict, 'id' | 'gapMm' | 'steerDeg' | 'travelMm' | 'at' | 'clock'>;
  /** What is nearly as near: naming it is no miss. */
  readonly asGood: readonly string[];
  /** At the level of levers: changes to choose from, and those that clear. */
  readonly levers: readonly { readonly kind: LeverKind; readonly clears: boolean; readonly amount: number }[];
}

export type PracticeTask = OffsetTask | TouchTask;

/** mm by which another thing is nearly as near. */
const AS_GOOD_MM = 3;

/** @param seed the same seed makes the same task */
export function practiceTask(level: PracticeLevel, seed: number): PracticeTask {
  return level === 'offset' ? offsetTask(seed) : touchTask(level, seed);
}

const SIZES = ['245/70R17', '265/70R17', '285/70R17', '315/70R17', '33x10.50R17LT', '35x12.50R17LT'] as const;

function offsetTask(seed: number): OffsetTask {
  const d = dice(seed + 31);
  const pick = (): SetupDescription => {
    const size = SIZES[Math.floor(d.between(0, SIZES.length - 0.001))]!;
    const widthIn = 7.5 + 0.5 * Math.floor(d.between(0, 4.999));
    const offsetMm = 5 * Math.round(d.between(-5, 9));
    return { ...PLAIN, tire: { size }, wheel: { diameterIn: parseTireSize(size).rimDiameterIn, widthIn, offsetMm } };
  };
  const [from, to] = [pick(), pick()];
  const side = (setup: SetupDescription): { readonly inner: number; readonly outer: number } => {
    const half = tireSection(setup.tire, setup.wheel.widthIn).widthMm / 2;
    const offset = (setup.wheel.offsetMm ?? 0) - setup.spacerMm;
    return { inner: half + offset, outer: half - offset };
  };
  return {
    level: 'offset',
    seed,
    from,
    to,
    inwardMm: side(to).inner - side(from).inner,
    outwardMm: side(to).outer - side(from).outer,
  };
}

const PLAIN = fittedAsSetup({
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 },
  spacerMm: 0,
});

/** Changes offered at the level of levers. */
const OFFERED: readonly LeverKind[] = ['offsetMore', 'offsetLess', 'widthLess', 'springLift', 'bumpStop'];

function touchTask(level: TouchTask['level'], seed: number): TouchTask {
  const well = syntheticWell(seed);
  const d = dice(seed + 77);
  const tried = well.setups[Math.floor(d.between(1, well.setups.length - 0.001))]!;
  const setup: SetupDescription = {
    ...tried,
    suspensionLiftMm: level === 'lifted' ? Math.round(d.between(20, 50)) : 0,
  };
  const corner = well.truth;
  const prepared = prepareCorner('frontLeft', corner, countParts(setup), 'trail');
  const verdicts = cornerVerdicts(
    prepared,
    STANDARDS.neverRub,
    {},
    new ClearSection(prepared.motion, prepared.envelope),
  );
  const [least, ...others] = [...verdicts].sort((a, b) => a.gapMm - b.gapMm) as [ObstacleVerdict, ...ObstacleVerdict[]];
  const { id, gapMm, steerDeg, travelMm, at, clock } = least;
  return {
    level,
    seed,
    corner,
    setup,
    things: corner.obstacles.map((obstacle) => ({
      id: obstacle.id,
      points: obstacle.shape?.points ?? [],
      solid: obstacle.shape?.type === 'panel',
    })),
    answer: { id, gapMm, steerDeg, travelMm, at, clock },
    asGood: others.filter((one) => one.gapMm - gapMm < AS_GOOD_MM).map((one) => one.id),
    levers: level === 'lever' ? offeredLevers(corner, setup, id) : [],
  };
}

/** Steps in which a change is tried, up to as far as a shop would go with it. */
const LEVER_STEPS = 6;

/** Which of the offered changes, alone, leaves the thing what the standard wants; `amount`: the first step that does. */
function offeredLevers(corner: CornerDescription, setup: SetupDescription, id: string): TouchTask['levers'] {
  const alone = { ...corner, obstacles: corner.obstacles.filter((obstacle) => obstacle.id === id) };
  const cache = new SectionCache();
  const clearsWith = (entered: SetupDescription): boolean => {
    const tried = countParts(entered);
    const found = attempt(() => {
      const prepared = prepareCorner('frontLeft', alone, tried, 'trail', undefined, cache.survey);
      return cornerVerdicts(prepared, STANDARDS.neverRub, {}, cache.section(prepared, alone, tried));
    });
    return found.ok && found.value[0]!.marginMm >= 0;
  };
  return OFFERED.filter((kind) => LEVERS[kind].applies(corner)).map((kind) => {
    const { most, apply } = LEVERS[kind];
    const amounts = Array.from({ length: LEVER_STEPS }, (_, i) => (most * (i + 1)) / LEVER_STEPS);
    const amount = amounts.find((much) => clearsWith(apply(setup, much, corner)));
    return { kind, clears: amount !== undefined, amount: amount ?? 0 };
  });
}
