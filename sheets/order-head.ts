import type { CaseDescription } from '@/core/4-clearance/case/case-description';
import { formatMm } from '@/core/1-base/units/length';

/** A setup in a line: `285/75R17 on 17 x 8.5, offset 12 mm, 20 mm spacer`. */
export function setupLine({
  tire,
  wheel,
  spacerMm,
}: Pick<NonNullable<CaseDescription['setup']>, 'tire' | 'wheel' | 'spacerMm'>): string {
  const stands = wheel.offsetMm === undefined ? '' : `, offset ${formatMm(wheel.offsetMm)} mm`;
  return `${tire.size} on ${wheel.diameterIn} x ${wheel.widthIn}${stands}${spacerMm ? `, ${formatMm(spacerMm)} mm spacer` : ''}`;
}
