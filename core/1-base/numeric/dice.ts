import { seededNormal, seededRandom } from './seeded-random';

/** Repeatable even and normal draws from one seed. */
export interface Dice {
  between(low: number, high: number): number;
  normal(): number;
}

export const dice = (seed: number): Dice => {
  const random = seededRandom(seed);
  return { between: (low, high) => low + (high - low) * random(), normal: seededNormal(seed + 7919) };
};
