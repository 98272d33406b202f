import { bothUnits } from '../../1-base/units/length';
import type { Known } from '../../3-survey/known/known';
import type { CornerSpread } from '../../5-consequences/spread/spread';
import type { NextReading } from './next-reading';

/** Why a survey may stop: more readings would not change its verdict. */
export type Enough =
  /** One thing falls short whatever else is found. */
  | { readonly kind: 'fallsShort'; readonly id: string; readonly chance: number }
  /** Nothing does, and every thing of the walk was looked at. */
  | { readonly kind: 'clear'; readonly chance: number };

/** Chance at which a verdict is sure enough to put the tape away: one in forty is left to be wrong. Working value of this project. */
const SURE = 0.975;

/**
 * Whether the verdict of a corner is sure already; null: it is not. Of what falls short one thing is enough to know, however little of
 * the rest was read; that nothing does can be said only of a known corner, read at every lock at which something is nearest.
 */
export function enoughRead(spread: CornerSpread, known: Known, next: readonly NextReading[]): Enough | null {
  const worst = spread.obstacles.reduce<(typeof spread.obstacles)[number] | null>(
    (a, b) => (a && a.chanceOfRub >= b.chanceOfRub ? a : b),
    null,
  );
  if (worst && worst.chanceOfRub >= SURE) return { kind: 'fallsShort', id: worst.id, chance: worst.chanceOfRub };
  if (!known.isEnough || next.some(({ isUnread }) => isUnread) || spread.chanceOfRub > 1 - SURE) return null;
  return { kind: 'clear', chance: 1 - spread.chanceOfRub };
}

/** Shares of a doubt by the words for what is left of it. */
const LEFT = [
  [0.3, 'settles most of the doubt'],
  [0.58, 'halves the doubt'],
  [0.8, 'takes a third of the doubt'],
] as const;

/** What one reading is worth, as it is said. */
export function worthWords({ worthMm, doubtLeft }: Pick<NextReading, 'worthMm' | 'doubtLeft'>): string {
  const words = LEFT.find(([most]) => doubtLeft <= most)?.[1] ?? 'takes a little of the doubt';
  return worthMm > 0 ? `${words}: the low gap is known ${bothUnits(worthMm)} better` : words;
}
