/** Which number the survey's walk asks for next. */
import { withItsUnit } from '@/core/1-base/units/meant-length';
import type { LowgapCorner, LowgapObstacle, LowgapReading } from '@/contracts/lowgap-file';
import type { NextReading } from '@/core/6-decisions/next-reading/next-reading';
import type { WalkHeight } from '@/core/3-survey/walk/walk-height';
import { PHOTO_MARKS } from '@/core/3-survey/description/wheel-photo';
import { steerOn, usualWalk, type PlainSteer, type WalkStep, type WalkStop } from '@/core/3-survey/walk/usual-walk';
import { mountsOf } from '@/core/2-vehicle/motion/motion-description';
import type { Side } from '@/core/2-vehicle/motion/steering';
import type { ReadingPlace } from '@/core/3-survey/reading/reading';

/** A gap to be taken: at what, where and at which steer and travel. */
export interface GapAsked {
  readonly kind: 'gap';
  readonly stop: string;
  readonly label: string;
  /** Index of the walk's step; null: asked by the engine. */
  readonly step: number | null;
  readonly clock: string;
  readonly nearest: boolean;
  readonly across: ReadingPlace;
  readonly steer: PlainSteer;
  readonly height: WalkHeight;
  /** Its distance outboard is asked for as well. */
  readonly withOutboard?: boolean;
  /** Taken over from the reading before. */
  readonly outboardMm?: number;
  readonly expectedMm?: number;
  readonly worthMm?: number;
  readonly doubtLeft?: number;
  readonly isUnread?: true;
}

/** How far the thing lies outboard of the sidewall, at a reading just taken. */
export interface OutboardAsked {
  readonly kind: 'outboard';
  readonly stop: string;
  readonly label: string;
  readonly step: number;
  readonly clock: string;
}

export type Asked = GapAsked | OutboardAsked;

const HEIGHT_ORDER: Readonly<Record<WalkHeight, number>> = { ride: 0, bump: 1, hang: 2 };
const STEER_ORDER: Readonly<Record<PlainSteer, number>> = { straight: 0, left: 1, right: 2 };

export const skipKey = (stop: string, step: number, what: 'gap' | 'outboard' = 'gap'): string =>
  `${stop}.${step}${what === 'outboard' ? '.outboard' : ''}`;

/** Everything the walk still asks for, in the order that turns the steering wheel least often. */
export function openSteps(corner: LowgapCorner, side: Side): Asked[] {
  const skipped = new Set(corner.skipped ?? []);
  const open: { asked: Asked; order: number }[] = [];
  usualWalk(corner).forEach((stop, at) => {
    if (skipped.has(stop.id)) return;
    const obstacle = corner.obstacles.find((o) => o.id === stop.id);
    // Surveyed some other way: from positions, from a scan, or freely.
    if (obstacle?.shape || obstacle?.readings?.some(({ walkStep }) => walkStep === undefined && !walked(obstacle)))
      return;
    const isSeen = isTraced(corner, stop.id);
    stop.steps.forEach((step, i) => {
      // What a picture shows the tape only holds fast, in one place.
      if (isSeen && i > 0) return;
      const steer = steerOn(side, step);
      const order = 10_000 * HEIGHT_ORDER[step.height] + 1_000 * STEER_ORDER[steer] + 20 * at + i;
      const taken = obstacle?.readings?.find((reading) => reading.walkStep === i);
      if (taken) {
        const wanted = step.outboard === 'taken' && taken.outboardMm === undefined;
        if (wanted && !skipped.has(skipKey(stop.id, i, 'outboard')))
          open.push({
            asked: { kind: 'outboard', stop: stop.id, label: stop.label, step: i, clock: taken.clock },
            order,
          });
        return;
      }
      if (skipped.has(skipKey(stop.id, i))) return;
      open.push({ asked: gapAsked(stop, i, step, steer, obstacle), order });
    });
  });
  return open.sort((a, b) => a.order - b.order).map(({ asked }) => asked);
}

/** Whether a picture that is marked well enough to be read shows the edge of a part. */
const isTraced = ({ photos = [] }: LowgapCorner, id: string): boolean =>
  photos.some(
    ({ hub, rim, outline, traces }) =>
      hub !== undefined &&
      rim.length >= PHOTO_MARKS.rim.least &&
      outline.length >= PHOTO_MARKS.outline.least &&
      traces.some(({ of, along }) => of === id && along.length >= PHOTO_MARKS.trace.least),
  );

const walked = ({ readings }: LowgapObstacle): boolean =>
  readings?.some(({ walkStep }) => walkStep !== undefined) ?? false;

function gapAsked(
  stop: WalkStop,
  index: number,
  step: WalkStep,
  steer: PlainSteer,
  obstacle?: LowgapObstacle,
): GapAsked {
  const before = step.outboard === 'before' ? lastOutboard(obstacle) : undefined;
  return {
    kind: 'gap',
    stop: stop.id,
    label: stop.label,
    step: index,
    clock: step.clock,
    nearest: step.nearest,
    across: step.across,
    steer,
    height: step.height,
    ...(step.outboard === 'taken' ? { withOutboard: true } : {}),
    ...(before === undefined ? {} : { outboardMm: before }),
  };
}

const lastOutboard = (obstacle?: LowgapObstacle): number | undefined =>
  obstacle?.readings?.filter((r) => r.outboardMm !== undefined && !r.outboardAsBefore).at(-1)?.outboardMm;

/** Numbers these steps will take: a gap with its distance outboard is two. */
export const numbersLeft = (open: readonly Asked[]): number =>
  open.reduce((sum, asked) => sum + (asked.kind === 'gap' && asked.withOutboard ? 2 : 1), 0);

/** What the engine would have read next, once the walk is done. */
export const engineAsks = (next: readonly NextReading[], corner: LowgapCorner): GapAsked[] =>
  next.map(({ id, ...reading }) => ({
    kind: 'gap',
    stop: id,
    label: corner.obstacles.find((o) => o.id === id)?.label ?? id,
    step: null,
    nearest: true,
    ...reading,
  }));

/** The obstacle that a stop of the walk becomes with its first reading. */
export function obstacleOfStop(id: string, corner: LowgapCorner): LowgapObstacle | null {
  const stop = usualWalk(corner).find((s) => s.id === id);
  if (!stop) return null;
  const possible = mountsOf(corner.motion);
  return {
    id: stop.id,
    label: stop.label,
    mount: stop.mounts.find((mount) => possible.includes(mount)) ?? 'frame',
    material: stop.material,
    readingsAs: stop.readingsAs,
    ...(stop.form ? { form: { ...stop.form } } : {}),
    readings: [],
  };
}

/** The heights readings were already taken at, so that a hump set up once is not asked for again. */
export function knownHeight(corner: LowgapCorner, height: WalkHeight): string | null {
  if (height === 'ride') return '';
  const rideMm = corner.hubToLipMm;
  if (rideMm === undefined) return null;
  const there = corner.obstacles
    .flatMap((o) => o.readings ?? [])
    .filter((r): r is LowgapReading & { hubToLipMm: number } => r.hubToLipMm !== undefined)
    .filter((r) => (height === 'bump' ? r.hubToLipMm < rideMm - 10 : r.hubToLipMm > rideMm + 10))
    .at(-1);
  return there ? withItsUnit(there.typed?.['hubToLipMm'] ?? String(there.hubToLipMm), 'mm') : null;
}
