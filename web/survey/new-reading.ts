import { readingSchema, type LowgapCorner, type LowgapObstacle, type LowgapReading } from '@/contracts/lowgap-file';
import { parseWith } from '@/contracts/parse';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { surveyedObstacles } from '@/core/3-survey/prepared/surveyed-obstacles';
import { LIMITS } from '@/core/1-base/limits';
import { attempt, type Problem, type Result } from '@/core/1-base/problem';
import type { ReadingPlace } from '@/core/3-survey/reading/reading';
import { parseQuantity } from '../kit/quantity';

/** A reading as it stands in the form, every number still as typed. */
export interface ReadingForm {
  readonly clock: string;
  readonly across: ReadingPlace;
  readonly steer: 'left' | 'straight' | 'right';
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
): Result<LowgapReading> {
  const problems: Problem[] = [];
  const typed: Record<string, string> = {};
  const take = (text: string, field: 'gapMm' | 'outboardMm' | 'hubToLipMm'): number | undefined => {
    const parsed = parseQuantity(text, 'length', LIMITS[field]);
    if (parsed.ok) {
      typed[field] = text.trim();
      return parsed.value;
    }
    problems.push(...parsed.problems.map((p) => ({ ...p, path: field })));
    return undefined;
  };
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
    ...(hubToLipMm === undefined ? { travelMm: 0 } : { hubToLipMm }),
    typed,
  });
  if (!read.ok) return read;
  const alone = { ...corner, obstacles: [{ ...obstacle, readings: [read.value], shape: undefined }] };
  const landed = attempt(() => surveyedObstacles(key, alone));
  return landed.ok ? read : landed;
}
