import { AXLES, CORNERS_OF } from '@/core/2-vehicle/setup/corner-key';
import type { CaseDescription } from '@/core/4-clearance/case/case-description';
import { attempt } from '@/core/1-base/problem';
import { SAME_LENGTH_MM } from '@/core/1-base/tolerances';
import { formatMm, parseLength } from '@/core/1-base/units/length';

type WholeSetup = NonNullable<CaseDescription['setup']>;
type Shown = Pick<WholeSetup, 'tire' | 'wheel' | 'spacerMm'> & {
  /** What was typed, by field. */
  readonly typed?: Readonly<Record<string, string>> | undefined;
};

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

function lineOf({ tire, wheel, spacerMm, typed }: Shown): string {
  const stands = wheel.offsetMm === undefined ? '' : `, offset ${formatMm(wheel.offsetMm)} mm`;
  return `${tire.size} on ${wheel.diameterIn} x ${wheel.widthIn}${stands}${spacerMm ? `, ${asTyped(spacerMm, typed?.['spacerMm'])} spacer` : ''}`;
}

/** A length as it was typed, with mm beside it where that was something else: `3/4 in (19.1 mm)`; else in mm. */
function asTyped(mm: number, text: string | undefined): string {
  const read = text === undefined ? null : attempt(() => parseLength(text, 'mm'));
  const plain = `${formatMm(mm)} mm`;
  if (!read?.ok || read.value.unit === 'mm' || Math.abs(read.value.mm - mm) > SAME_LENGTH_MM) return plain;
  return `${withUnit(text!)} (${plain})`;
}

const withUnit = (text: string): string => (/[a-z"″”]$/i.test(text.trim()) ? text.trim() : `${text.trim()} in`);
