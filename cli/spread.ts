import { asCase } from '@/contracts/as-case';
import { requireRange } from '@/core/1-base/problem';
import { spreadCase } from '@/core/5-consequences/spread/spread-case';
import type { CornerSpread } from '@/core/5-consequences/spread/spread';
import { numberOption, readCase } from './outcome';

/** `lowgap spread FILE [--draws N] [--seed N]` */
export async function spreadCommand(
  file: string,
  options: { readonly draws: string; readonly seed: string },
): Promise<{ readonly corners: readonly CornerSpread[] }> {
  const draws = Math.round(requireRange(numberOption('draws', options.draws), 20, 100_000, '--draws', 'draws'));
  const seed = Math.round(numberOption('seed', options.seed));
  return { corners: spreadCase(asCase(await readCase(file)), { draws, seed }) };
}
