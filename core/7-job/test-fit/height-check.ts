import type { Expected } from '../../5-consequences/stance/expected-height';

/** A measured height against its expected band. */
export type HeightVerdict =
  | { readonly is: 'within' }
  | { readonly is: 'below' | 'above'; readonly byMm: number }
  /** A slip of the pen: ten times too large or too small, or further off than any part moves it. */
  | { readonly is: 'cannotBe'; readonly meantMm: number | null };

/** mm from the expected height that no part kind's surprise explains. Working value of this project. */
const FURTHER_MM = 150;

/** How near a tenth or ten times what was typed must come to the expected height to be taken for what was meant. */
const MEANT_SHARE = 0.1;

export function heightVerdict(expected: Expected, measuredMm: number): HeightVerdict {
  if (Math.abs(measuredMm - expected.mm) > FURTHER_MM) {
    const meant = [10 * measuredMm, measuredMm / 10, measuredMm * 25.4].find(
      (mm) => Math.abs(mm - expected.mm) < MEANT_SHARE * expected.mm,
    );
    return { is: 'cannotBe', meantMm: meant ?? null };
  }
  if (measuredMm < expected.lowMm) return { is: 'below', byMm: expected.lowMm - measuredMm };
  if (measuredMm > expected.highMm) return { is: 'above', byMm: measuredMm - expected.highMm };
  return { is: 'within' };
}
