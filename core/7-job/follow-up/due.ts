/** What is looked at again after a vehicle went home. */
export const FOLLOW_UP_KINDS = [
  'wheelNuts',
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
 * Days after the hand-over at which each is due unless the shop or a maker says otherwise. Working values of this project, no published source;
 * a maker's own distance comes first.
 */
const DAYS: Readonly<Record<FollowUpKind, readonly number[]>> = {
  wheelNuts: [3, 14],
  uBolts: [2, 9],
  alignment: [7],
  rubCheck: [30],
  steeringWheel: [7],
  customer: [],
  yearly: [365],
};

export interface DueDay {
  readonly kind: FollowUpKind;
  readonly afterDays: number;
}

/** What a job calls for: U-bolts only where leaf springs were opened, an alignment only where something turned. */
export function usualFollowUps(has: { readonly uBolts: boolean; readonly alignment: boolean }): DueDay[] {
  const kinds = FOLLOW_UP_KINDS.filter(
    (kind) =>
      (kind !== 'uBolts' || has.uBolts) && ((kind !== 'alignment' && kind !== 'steeringWheel') || has.alignment),
  );
  return kinds
    .flatMap((kind) => DAYS[kind].map((afterDays) => ({ kind, afterDays })))
    .sort((a, b) => a.afterDays - b.afterDays);
}
