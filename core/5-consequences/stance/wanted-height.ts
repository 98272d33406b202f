import { liftOf } from './expected-height';
import type { Axle } from '../../2-vehicle/setup/corner-key';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { MM_PER_IN } from '../../1-base/units/length';

/** Fender lip over the ground of one axle, mm: expected, and as it is wanted; null: nobody said. */
export interface WantedLip {
  readonly axle: Axle;
  readonly thenMm: number;
  readonly wantedMm: number | null;
  readonly parts: readonly LiftPart[];
}

/** How expected heights stand to the wanted ones. Lengths mm. */
export type HeightSaying =
  | { readonly is: 'asWanted'; readonly axle: Axle }
  | {
      readonly is: 'overshoots' | 'fallsShort';
      readonly axle: Axle;
      readonly byMm: number;
      readonly instead: Instead | null;
    }
  | { readonly is: 'noseHigh' | 'tailHigh'; readonly byMm: number };

/** The part that would bring it there, by a thickness that is sold. */
export interface Instead {
  readonly kind: LiftPart['kind'];
  readonly fromMm: number;
  readonly toMm: number;
}

/** mm by which a height may miss and still be as wanted: what a tape at the lip does not tell. */
const SAME_MM = 3;

/** Blocks and spacers are sold in quarters of an inch (common practice, no source). */
const STEP_MM = MM_PER_IN / 4;

/** Expected heights against the wanted ones, and against the rake that is wanted (rear lip over front lip); null where nothing of it is. */
export function wantedSaid(
  front: WantedLip | null,
  rear: WantedLip | null,
  rakeMm: number | null,
): readonly HeightSaying[] {
  const axles = [front, rear].flatMap((lip) => (lip && lip.wantedMm !== null ? [saidOf(lip, lip.wantedMm)] : []));
  if (!front || !rear || rakeMm === null) return axles;
  const noseMm = rakeMm - (rear.thenMm - front.thenMm);
  return Math.abs(noseMm) <= SAME_MM
    ? axles
    : [...axles, { is: noseMm > 0 ? 'noseHigh' : 'tailHigh', byMm: Math.abs(noseMm) }];
}

function saidOf({ axle, thenMm, parts }: WantedLip, wantedMm: number): HeightSaying {
  const byMm = thenMm - wantedMm;
  if (Math.abs(byMm) <= SAME_MM) return { is: 'asWanted', axle };
  return { is: byMm > 0 ? 'overshoots' : 'fallsShort', axle, byMm: Math.abs(byMm), instead: insteadOf(parts, byMm) };
}

type Thick = Extract<LiftPart, { readonly thicknessMm: number }>;
const isThick = (part: LiftPart): part is Thick => 'thicknessMm' in part;

/** The thickness in which the first block or spacer would leave nothing of `byMm`; null: there is none, or it would have to be none. */
function insteadOf(parts: readonly LiftPart[], byMm: number): Instead | null {
  const part = parts.find(isThick);
  if (!part) return null;
  const perMm = liftOf({ ...part, thicknessMm: part.thicknessMm + 1 }) - liftOf(part);
  // A part with a number nobody typed moves nothing yet.
  if (perMm === 0) return null;
  const toMm = STEP_MM * Math.round((part.thicknessMm - byMm / perMm) / STEP_MM);
  return toMm > 0 && Math.abs(toMm - part.thicknessMm) >= STEP_MM / 2
    ? { kind: part.kind, fromMm: part.thicknessMm, toMm }
    : null;
}
