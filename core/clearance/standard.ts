import type { Material } from '../obstacle/material';

export const STANDARD_IDS = ['neverRub'] as const;
export type StandardId = (typeof STANDARD_IDS)[number];

/** How much room each material must be left, and when a margin counts as close. */
export interface Standard {
  readonly id: StandardId;
  /** Gap in mm required over the whole envelope. */
  readonly requiredMm: Readonly<Record<Material, number>>;
  /** mm of margin below which a clear obstacle is called close. */
  readonly closeMm: number;
}

const METAL_MM = 8;
const HOSE_MM = 15;
const SOFT_MM = 5;

/** Never rub, at any lock, ever. Working values of this project, no published source. */
export const NEVER_RUB: Standard = {
  id: 'neverRub',
  requiredMm: {
    sheetMetal: METAL_MM,
    bodyMount: METAL_MM,
    frame: METAL_MM,
    arm: METAL_MM,
    knuckle: METAL_MM,
    brake: METAL_MM,
    spring: METAL_MM,
    swayBar: METAL_MM,
    hose: HOSE_MM,
    wire: HOSE_MM,
    plastic: SOFT_MM,
    liner: SOFT_MM,
  },
  closeMm: 6,
};

export const STANDARDS: Readonly<Record<StandardId, Standard>> = { neverRub: NEVER_RUB };

export type Verdict = 'clear' | 'close' | 'rubs';

/** Verdict on a margin (gap less the required gap), mm. */
export function verdictOf(marginMm: number, standard: Standard): Verdict {
  if (marginMm >= standard.closeMm) return 'clear';
  return marginMm >= 0 ? 'close' : 'rubs';
}
