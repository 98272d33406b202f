import { type LowgapCorner, type LowgapObstacle, type LowgapReading } from '@/contracts/lowgap-file';
import { readingSchema } from '@/contracts/obstacle-schema';
import { parseWith } from '@/contracts/parse';
import type { Side } from '@/core/2-vehicle/motion/steering';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { surveyedObstacles } from '@/core/3-survey/prepared/surveyed-obstacles';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { parseClock, seenClock } from '@/core/1-base/units/clock';
import { attempt, type Problem, type Result } from '@/core/1-base/problem';
import { tireSection } from '@/core/2-vehicle/tire/section';
import type { Doubt } from '@/core/3-survey/reading/doubt';
import type { ReadingPlace } from '@/core/3-survey/reading/reading';
import { bothUnits, type LengthUnit } from '@/core/1-base/units/length';
import { keptText, parseQuantity } from '../kit/quantity';

/** A reading as it stands in the form, every number still as typed. */
export interface ReadingForm {
  readonly clock: string;
  readonly across: ReadingPlace;
  readonly steer: 'left' | 'straight' | 'right';
  /** Slid along the thing to where the gap is least, rather than straight out at the clock. */
  readonly nearest: boolean;
  /** Empty: taken at ride height. */
  readonly hubToLip: string;
  readonly gap: string;
  readonly outboard: string;
}

/** Fields of the form a problem can belong to. */
export type FormField = 'clock' | 'across' | 'steer' | 'hubToLip' | 'gap' | 'outboard';

const FIELD_OF_PATH: Readonly<Record<string, FormField>> = {
  clock: 'clock',
  across: 'across',
  steer: 'steer',
  hubToLipMm: 'hubToLip',
  travelMm: 'hubToLip',
  gapMm: 'gap',
  outboardMm: 'outboard',
};

/** Which form field a problem's path ends in; the gap when it is none of them. */
export const formField = (problem: Problem): FormField => FIELD_OF_PATH[problem.path.split('.').at(-1) ?? ''] ?? 'gap';

/** Reads the form, and lands the reading on the corner to see that it can be. */
export function readForm(
  form: ReadingForm,
  key: CornerKey,
  corner: LowgapCorner,
  obstacle: LowgapObstacle,
  /** Of a bare number within a range. */
  unitOf: (text: string, range: Range) => LengthUnit,
): Result<LowgapReading> {
  const problems: Problem[] = [];
  const typed: Record<string, string> = {};
  const take = (text: string, field: 'gapMm' | 'outboardMm' | 'hubToLipMm'): number | undefined => {
    const unit = unitOf(text, LIMITS[field]);
    const parsed = parseQuantity(text, 'length', LIMITS[field], unit);
    if (parsed.ok) {
      typed[field] = keptText(text, 'length', unit);
      return parsed.value;
    }
    problems.push(...parsed.problems.map((p) => ({ ...p, path: field })));
    return undefined;
  };
  const clock = attempt(() => parseClock(form.clock, 'clock'));
  if (!clock.ok) problems.push(...clock.problems);
  const gapMm = take(form.gap, 'gapMm');
  const outboardMm =
    form.across === 'tread' && form.outboard.trim() !== '' ? take(form.outboard, 'outboardMm') : undefined;
  const hubToLipMm = form.hubToLip.trim() === '' ? undefined : take(form.hubToLip, 'hubToLipMm');
  if (problems.length > 0) return { ok: false, problems };
  const read = parseWith(readingSchema, {
    clock: form.clock.trim(),
    across: form.across,
    gapMm,
    ...(outboardMm === undefined ? {} : { outboardMm }),
    steer: form.steer,
    ...(form.nearest ? { nearest: true } : {}),
    ...(hubToLipMm === undefined ? { travelMm: 0 } : { hubToLipMm }),
    typed,
  });
  if (!read.ok) return read;
  const alone = { ...corner, obstacles: [{ ...obstacle, readings: [read.value], shape: undefined }] };
  const landed = attempt(() => surveyedObstacles(key, alone));
  return landed.ok ? read : landed;
}

const DOUBT_ENDS = 'Enter the same number once more if it is so.';

/** What is asked about a reading before it counts; '': nothing. */
export function doubtText(doubt: Doubt | null, mm: number, side: Side): string {
  if (!doubt) return '';
  if (doubt.kind === 'large') return `${bothUnits(mm)} is more than a wheel well leaves. ${DOUBT_ENDS}`;
  const about = bothUnits(doubt.expectedMm);
  return doubt.kind === 'foretold'
    ? `The other readings foretell about ${about} here, not ${bothUnits(mm)}. ${DOUBT_ENDS}`
    : `It was ${about} at ${seenClock(doubt.clock, side)}; ${bothUnits(mm)} is further from it than one part can be. ${DOUBT_ENDS}`;
}

/** Radius of the tire the corner's gaps are taken against, mm; without one that can be, a usual one. */
export function fittedRadiusMm({ fitted: { tire, wheel } }: LowgapCorner): number {
  const section = attempt(() => tireSection(tire, wheel.widthIn));
  return section.ok ? section.value.diameterMm / 2 : 380;
}
