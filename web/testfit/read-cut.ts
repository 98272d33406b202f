import { fittedCorner } from '@/contracts/as-fit';
import type { MeasuredCut } from '@/contracts/cut-edges';
import type { LowgapFile, LowgapObstacle, LowgapTestFit } from '@/contracts/lowgap-file';
import { attempt, ProblemError, type Result } from '@/core/1-base/problem';
import { parseClock } from '@/core/1-base/units/clock';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { modificationsOf, RESHAPES } from '@/core/6-decisions/plan/modification';
import { asCut, type CutReading } from '@/core/7-job/test-fit/as-cut';

export type Reshape = (typeof RESHAPES)[number];

/** A cut as it is typed in, with the gaps taken to the new edge so far. */
export interface CutForm {
  /** `corner:obstacle`. */
  thing: string;
  kind: Reshape | '';
  fromClock: string;
  toClock: string;
  readings: CutReading[];
  /** Heights of this corner are read to what was cut. */
  isLip: boolean;
}

export const blankCut = (): CutForm => ({
  thing: '',
  kind: '',
  fromClock: '',
  toClock: '',
  readings: [],
  isLip: false,
});

/** Ways in which a thing can have been reshaped, by what it is. */
export const reshapesOf = (obstacle: LowgapObstacle): Reshape[] => {
  const kinds = modificationsOf(obstacle);
  return RESHAPES.filter((kind) => kinds.includes(kind));
};

/** Degrees from straight up within which a gap says how far the lip came up. */
const TOP_DEG = 10;

/** What was typed as a cut to take in. @returns problems with their places below `cut`. */
export function readCut(file: LowgapFile, round: LowgapTestFit, form: CutForm, date: string): Result<MeasuredCut> {
  return attempt(() => {
    const [corner, obstacle] = form.thing.split(':') as [CornerKey, string | undefined];
    if (!obstacle) throw missing('cut.obstacle', 'the part that was cut');
    if (form.kind === '') throw missing('cut.kind', 'what was done to it');
    const { fromClock, toClock, readings } = form;
    const at = fittedCorner(file, round, corner);
    const left = asCut(at, obstacle, { fromClock, toClock, readings });
    return {
      corner,
      obstacle,
      left,
      cut: {
        date,
        round: round.id,
        kind: form.kind,
        fromClock: fromClock.trim(),
        toClock: toClock.trim(),
        readings: readings.map((reading, i) => ({ ...reading, gainedMm: Math.round(10 * left.gainedMm[i]!) / 10 })),
        ...(form.isLip ? { lipRaisedMm: raisedMm(readings, left.gainedMm) } : {}),
      },
    };
  });
}

function raisedMm(readings: readonly CutReading[], gainedMm: readonly number[]): number {
  const offTop = ({ clock }: CutReading): number => Math.abs(((parseClock(clock) + 180) % 360) - 180);
  const top = readings.findIndex((reading) => reading.steer === 'straight' && offTop(reading) <= TOP_DEG);
  if (top < 0)
    throw missing('cut.readings', 'a gap at 12:00, wheel straight, for the heights that are read to this edge');
  return Math.round(10 * gainedMm[top]!) / 10;
}

const missing = (path: string, expected: string): ProblemError =>
  new ProblemError({ code: 'missing', path, expected, found: 'nothing' });
