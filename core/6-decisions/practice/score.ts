import type { LeverKind } from '../levers/lever-kinds';
import type { MissKind, OffsetTask, TouchTask } from './task';

/** How near an answer must come; working values of this project. */
export const NEAR = {
  /** mm of an offset sum, which can be done exactly. */
  sumMm: 2,
  /** Degrees and mm of a posture pointed at. */
  steerDeg: 12,
  travelMm: 25,
  /** mm of a gap judged by eye, and its share. */
  gapMm: 8,
  gapShare: 0.3,
} as const;

export interface OffsetAnswer {
  readonly inwardMm: number;
  readonly outwardMm: number;
}

export interface TouchAnswer {
  readonly thing: string;
  readonly steerDeg: number;
  readonly travelMm: number;
  readonly gapMm: number;
  readonly lever?: LeverKind | undefined;
}

export const missesOfOffset = (task: OffsetTask, given: OffsetAnswer): MissKind[] =>
  Math.abs(given.inwardMm - task.inwardMm) > NEAR.sumMm || Math.abs(given.outwardMm - task.outwardMm) > NEAR.sumMm
    ? ['arithmetic']
    : [];

/** What was missed. Another thing nearly as near counts as right, and its posture is not asked for. */
export function missesOfTouch({ answer, asGood, levers, level }: TouchTask, given: TouchAnswer): MissKind[] {
  const missed: MissKind[] = [];
  const isIt = given.thing === answer.id;
  if (!isIt && !asGood.includes(given.thing)) missed.push('thing');
  const postureOff =
    Math.abs(given.steerDeg - answer.steerDeg) > NEAR.steerDeg ||
    Math.abs(given.travelMm - answer.travelMm) > NEAR.travelMm;
  if (isIt && postureOff) missed.push('posture');
  if (Math.abs(given.gapMm - answer.gapMm) > Math.max(NEAR.gapMm, NEAR.gapShare * Math.abs(answer.gapMm))) {
    missed.push('amount');
  }
  const anyClears = levers.some(({ clears }) => clears);
  const chosen = levers.find(({ kind }) => kind === given.lever);
  if (level === 'lever' && (anyClears ? !chosen?.clears : chosen !== undefined)) missed.push('lever');
  return missed;
}
