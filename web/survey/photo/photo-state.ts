/** What is marked on a picture of a wheel, and what comes next. */
import type { LowgapCorner, LowgapObstacle } from '@/contracts/lowgap-file';
import type { WheelPhotoEntry } from '@/contracts/wheel-photo-schema';
import { PHOTO_MARKS, type PhotoPlace } from '@/core/3-survey/description/wheel-photo';
import type { EdgeKind } from '@/core/3-survey/description/edge-kind';
import { usualWalk } from '@/core/3-survey/walk/usual-walk';

export const STAGES = ['hub', 'rim', 'outline', 'plumb', 'trace'] as const;
export type Stage = (typeof STAGES)[number];

/** Kinds of edge whose line can be followed on a picture. */
const TRACEABLE: readonly (EdgeKind | 'points' | 'polyline' | undefined)[] = [
  'arch',
  'cornerCurve',
  'uprightEdge',
  'rod',
  'tip',
];

export interface Traceable {
  readonly id: string;
  readonly label: string;
}

/** What may be traced: parts of the corner that are read as one edge, and edges of the usual walk that are not begun. */
export function traceableOf(corner: LowgapCorner): Traceable[] {
  const own = corner.obstacles
    .filter(({ readingsAs }) => TRACEABLE.includes(readingsAs))
    .map(({ id, label }) => ({ id, label: label ?? id }));
  const begun = new Set(corner.obstacles.map(({ id }) => id));
  const skipped = new Set(corner.skipped ?? []);
  const usual = usualWalk(corner)
    .filter(({ id, readingsAs, mounts }) => !begun.has(id) && !skipped.has(id) && isOutside(readingsAs, mounts[0]))
    .map(({ id, label }) => ({ id, label }));
  return [...own, ...usual];
}

/** Of what nobody began only the body's edges are offered: they are what a picture from outside shows. */
const isOutside = (kind: EdgeKind, mount: LowgapObstacle['mount'] | undefined): boolean =>
  mount === 'body' && kind !== 'rod' && kind !== 'tip' && TRACEABLE.includes(kind);

/** Marks of a stage, in the order they were set. */
export function marksOf(photo: WheelPhotoEntry, stage: Stage, traced: string | null): readonly PhotoPlace[] {
  switch (stage) {
    case 'hub':
      return photo.hub ? [photo.hub] : [];
    case 'plumb':
      return photo.plumb ?? [];
    case 'trace':
      return photo.traces.find(({ of }) => of === traced)?.along ?? [];
    default:
      return photo[stage];
  }
}

/** The photo with other marks of a stage. Half a plumb line is kept by whoever marks it, not here. */
export function withMarks(
  photo: WheelPhotoEntry,
  stage: Stage,
  traced: string | null,
  marks: readonly PhotoPlace[],
): WheelPhotoEntry {
  const kept = [...marks];
  switch (stage) {
    case 'hub': {
      const { hub: _, ...rest } = photo;
      return kept.length > 0 ? { ...rest, hub: kept.at(-1)! } : rest;
    }
    case 'plumb': {
      const { plumb: _, ...rest } = photo;
      return kept.length === 2 ? { ...rest, plumb: [kept[0]!, kept[1]!] } : rest;
    }
    case 'trace': {
      if (traced === null) return photo;
      const others = photo.traces.filter(({ of }) => of !== traced);
      return { ...photo, traces: kept.length > 0 ? [...others, { of: traced, along: kept }] : others };
    }
    default:
      return { ...photo, [stage]: kept };
  }
}

/** How many marks a stage takes at most. */
export const mostMarks = (stage: Stage): number =>
  stage === 'hub' ? 1 : stage === 'plumb' ? 2 : PHOTO_MARKS[stage].most;

/** The stage to go on with: the first that has not enough, the plumb line only in passing. */
export function nextStage(photo: WheelPhotoEntry): Stage {
  if (!photo.hub) return 'hub';
  if (photo.rim.length < PHOTO_MARKS.rim.good) return 'rim';
  if (photo.outline.length < PHOTO_MARKS.outline.good) return 'outline';
  return photo.traces.length === 0 && !photo.plumb ? 'plumb' : 'trace';
}

/** Whether a mark just set was the last that its stage is good with. */
export function isStageDone(photo: WheelPhotoEntry, stage: Stage): boolean {
  if (stage === 'hub') return photo.hub !== undefined;
  if (stage === 'plumb') return photo.plumb !== undefined;
  return stage !== 'trace' && photo[stage].length >= PHOTO_MARKS[stage].good;
}

export const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  hub: 'Hub',
  rim: 'Rim',
  outline: 'Tire',
  plumb: 'Plumb',
  trace: 'Trace',
};

/** What to touch next. */
export function stageAsks(photo: WheelPhotoEntry, stage: Stage, tracing: string): string {
  const left = (have: number, good: number): string => (have < good ? ` ${good - have} more.` : ' More make it surer.');
  switch (stage) {
    case 'hub':
      return 'Touch the middle of the hub.';
    case 'rim':
      return `Touch the outer edge of the rim, where the metal ends, all the way round.${left(photo.rim.length, PHOTO_MARKS.rim.good)}`;
    case 'outline':
      return `Touch the outline of the tire at its sides and top, not near the ground.${left(photo.outline.length, PHOTO_MARKS.outline.good)}`;
    case 'plumb':
      return 'Touch two ends of something that hangs plumb: a string, a door’s edge. Without one, go on: the picture is then taken as held about level.';
    case 'trace':
      return tracing === ''
        ? 'Choose what to trace.'
        : `Touch along the edge of ${tracing}, from one end to the other, ${PHOTO_MARKS.trace.good} places or so: the edge that is nearest to the tire.`;
  }
}
