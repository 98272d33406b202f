import type { Joint, JointAt } from '../install/joints';

/** What is looked at again after a vehicle went home. */
export const FOLLOW_UP_KINDS = [
  'wheelNuts',
  'spacers',
  'uBolts',
  'alignment',
  'rubCheck',
  'steeringWheel',
  'customer',
  'yearly',
] as const;
export type FollowUpKind = (typeof FOLLOW_UP_KINDS)[number];

export const COMEBACK_CAUSES = ['rub', 'loose', 'height', 'alignment', 'leakOrLine', 'noise', 'other'] as const;
export type ComebackCause = (typeof COMEBACK_CAUSES)[number];

/**
 * When each is due after the hand-over unless the shop or a maker says otherwise: joints by distance, about 50 and 500 miles (common
 * practice, no source), with the day by which most have driven that. The days are working values of this project; a maker's own distance comes first.
 */
const DUE: Readonly<Record<FollowUpKind, readonly Omit<DueDay, 'kind'>[]>> = {
  wheelNuts: [
    { afterDays: 3, orAfterKm: 80 },
    { afterDays: 14, orAfterKm: 800 },
  ],
  spacers: [
    { afterDays: 3, orAfterKm: 80 },
    { afterDays: 14, orAfterKm: 800 },
  ],
  uBolts: [
    { afterDays: 2, orAfterKm: 80 },
    { afterDays: 9, orAfterKm: 800 },
  ],
  alignment: [{ afterDays: 7 }],
  rubCheck: [{ afterDays: 30 }],
  steeringWheel: [{ afterDays: 7 }],
  customer: [],
  yearly: [{ afterDays: 365 }],
};

export interface DueDay {
  readonly kind: FollowUpKind;
  readonly afterDays: number;
  readonly orAfterKm?: number;
}

/** What a job calls for by the joints it opened: nothing is followed up that nobody touched. */
export function usualFollowUps(joints: readonly JointAt[]): DueDay[] {
  const opened = (...wanted: readonly Joint[]): boolean => joints.some(({ joint }) => wanted.includes(joint));
  const turned = joints.some(({ joint }) => !OF_WHEEL.includes(joint));
  const calls: Readonly<Record<FollowUpKind, boolean>> = {
    wheelNuts: opened('wheelNuts', 'wheelToSpacer') || joints.length === 0,
    spacers: opened('spacerToHub'),
    uBolts: opened('uBolts'),
    alignment: turned,
    rubCheck: true,
    steeringWheel: turned,
    customer: true,
    yearly: true,
  };
  return FOLLOW_UP_KINDS.filter((kind) => calls[kind])
    .flatMap((kind) => DUE[kind].map((due) => ({ kind, ...due })))
    .sort((a, b) => a.afterDays - b.afterDays);
}

/** Joints after which nothing stands otherwise. */
const OF_WHEEL: readonly Joint[] = ['wheelNuts', 'spacerToHub', 'wheelToSpacer', 'bodyMountBolts', 'steeringStopNuts'];
