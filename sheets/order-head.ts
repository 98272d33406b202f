import { AXLES, CORNERS_OF } from '@/core/2-vehicle/setup/corner-key';
import type { CaseDescription } from '@/core/4-clearance/case/case-description';
import { formatMm } from '@/core/1-base/units/length';

type WholeSetup = NonNullable<CaseDescription['setup']>;
type Shown = Pick<WholeSetup, 'tire' | 'wheel' | 'spacerMm'>;

/**
 * A setup in a line: `285/75R17 on 17 x 8.5, offset 12 mm, 20 mm spacer`; where the axles differ, one after the other:
 * `front 275/70R17 on ...; rear 285/75R17 on ...`.
 */
export function setupLine({ corners, ...common }: Shown & Pick<WholeSetup, 'corners'>): string {
  const [front, rear] = AXLES.map((axle) => {
    const own = CORNERS_OF[axle].map((key) => corners?.[key]).find((one) => one !== undefined);
    return lineOf({ ...common, ...own });
  });
  return front === rear ? front! : `front ${front}; rear ${rear}`;
}

function lineOf({ tire, wheel, spacerMm }: Shown): string {
  const stands = wheel.offsetMm === undefined ? '' : `, offset ${formatMm(wheel.offsetMm)} mm`;
  return `${tire.size} on ${wheel.diameterIn} x ${wheel.widthIn}${stands}${spacerMm ? `, ${formatMm(spacerMm)} mm spacer` : ''}`;
}
