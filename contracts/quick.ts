/** The quick look as it goes over the address bar, into a worker and into a job. */
import { AXLES, axleOf, CORNER_KEYS, type Axle } from '@/core/2-vehicle/setup/corner-key';
import type { WheelAndTire } from '@/core/2-vehicle/setup/wheel-and-tire';
import { underPrint } from '@/core/2-vehicle/tire/tire-shape';
import { wheelOffsetMm } from '@/core/2-vehicle/wheel/rim';
import { VEHICLE_KINDS } from '@/core/2-vehicle/setup/vehicle-kind';
import { parseFitmentText } from '@/core/6-decisions/quick/fitment-text';
import { QUICK_SUSPENSIONS, type QuickQuestion } from '@/core/6-decisions/quick/quick-question';
import type { RecordedWell } from '@/core/6-decisions/quick/quick-record';
import { parseSaidGap } from '@/core/6-decisions/quick/said-gap';
import { attempt, type Problem, type Result } from '@/core/1-base/problem';
import type { LengthUnit } from '@/core/1-base/units/length';
import { meantLength } from '@/core/1-base/units/meant-length';
import { LIMITS } from '@/core/1-base/limits';
import { fittedSchema } from './lowgap-file';
import { parseWith } from './parse';
import type { Job } from './job-api';
import { vehicleOf } from './copied-job';
import type { Well } from './well-api';

/** What was typed, as it stands in the address: texts alone, so that a link opens just what was seen. */
export interface QuickTexts {
  readonly fitted: string;
  readonly wanted: string;
  readonly lift: string;
  readonly axle: Axle;
  readonly vehicle: string;
  readonly suspension: string;
  readonly units: LengthUnit;
  /** By place. */
  readonly answers: Readonly<Record<string, string>>;
}

/** What stands in a query of an address by these names, `said.<place>` for an answer; anything else is left alone. */
export function quickTexts(query: Readonly<Record<string, unknown>>, unit: LengthUnit): QuickTexts {
  const text = (name: string): string => (typeof query[name] === 'string' ? query[name].slice(0, MOST_TEXT) : '');
  const one = (name: string, of: readonly string[]): string => of.find((each) => each === text(name)) ?? '';
  const answers = Object.keys(query).flatMap((name) =>
    name.startsWith(SAID) && text(name) !== '' ? [[name.slice(SAID.length), text(name)] as const] : [],
  );
  return {
    fitted: text('fitted'),
    wanted: text('wanted'),
    lift: text('lift'),
    axle: AXLES.find((each) => each === text('axle')) ?? 'front',
    vehicle: one('vehicle', VEHICLE_KINDS),
    suspension: one('suspension', QUICK_SUSPENSIONS),
    units: text('units') === 'in' ? 'in' : text('units') === 'mm' ? 'mm' : unit,
    answers: Object.fromEntries(answers),
  };
}

const SAID = 'said.';
const MOST_TEXT = 120;

/** The same as a query; what is empty is left out. */
export function quickQuery({ answers, ...texts }: QuickTexts): Record<string, string> {
  const said = Object.entries(answers).map(([place, text]) => [`${SAID}${place}`, text] as const);
  return Object.fromEntries([...Object.entries(texts), ...said].filter(([, text]) => text.trim() !== ''));
}

/** What the texts ask: null while a setup or the lift cannot be read. An answer that cannot be read is left out of it. Problems by the name of their text. */
export interface ReadQuick {
  readonly question: QuickQuestion | null;
  readonly problems: readonly Problem[];
}

export function quickQuestion(texts: QuickTexts): ReadQuick {
  const fitted = at('fitted', readFitment(texts.fitted));
  const wanted = at('wanted', readFitment(texts.wanted));
  const lift = at(
    'lift',
    attempt(() => liftOf(texts)),
  );
  const answers = Object.entries(texts.answers).map(
    ([place, text]) => [place, attempt(() => parseSaidGap(text, texts.units, `${SAID}${place}`))] as const,
  );
  const all = [fitted, wanted, lift, ...answers.map(([, read]) => read)];
  const problems = all.flatMap((one): readonly Problem[] => (one.ok ? [] : one.problems));
  if (!fitted.ok || !wanted.ok || !lift.ok) return { question: null, problems };
  return {
    problems,
    question: {
      axle: texts.axle,
      vehicle: VEHICLE_KINDS.find((one) => one === texts.vehicle) ?? null,
      suspension: QUICK_SUSPENSIONS.find((one) => one === texts.suspension) ?? null,
      fitted: { ...fitted.value, tire: underPrint(fitted.value.tire) },
      wanted: wanted.value,
      liftMm: lift.value,
      answers: Object.fromEntries(answers.flatMap(([place, read]) => (read.ok ? [[place, read.value]] : []))),
    },
  };
}

/** A setup as it was said, within what a job may hold. */
function readFitment(text: string): Result<WheelAndTire> {
  const read = attempt(() => parseFitmentText(text));
  if (!read.ok) return read;
  const checked = parseWith(fittedSchema, read.value);
  if (!checked.ok) return checked;
  const stands = attempt(() => wheelOffsetMm(read.value.wheel));
  return stands.ok ? read : stands;
}

/** Problems of one text lie at it. */
const at = <T>(path: string, read: Result<T>): Result<T> =>
  read.ok ? read : { ok: false, problems: read.problems.map((problem) => ({ ...problem, path })) };

function liftOf({ lift, units }: QuickTexts): number {
  if (lift.trim() === '') return 0;
  return meantLength(lift, LIMITS.suspensionLiftMm, units).mm;
}

/** What the shop measured: of every vehicle one wheel of each axle, the one with the most readings; and the wells of its library. */
export function recordedWells(
  jobs: readonly Pick<Job, 'id' | 'title' | 'document'>[],
  wells: readonly Pick<Well, 'title' | 'kind' | 'cornerKey' | 'corner'>[],
): RecordedWell[] {
  const best = new Map<string, RecordedWell>();
  for (const job of jobs) {
    const { vehicle, corners } = job.document;
    for (const key of CORNER_KEYS) {
      const corner = corners[key];
      if (!corner || corner.obstacles.length === 0) continue;
      const of = `${vehicleOf(job)}:${axleOf(key)}`;
      const known = best.get(of);
      if (known && readingsOf(known.corner) >= readingsOf(corner)) continue;
      best.set(of, { title: job.title, vehicle: vehicle.kind ?? null, key, corner });
    }
  }
  return [
    ...best.values(),
    ...wells.map(({ title, kind, cornerKey, corner }) => ({ title, vehicle: kind ?? null, key: cornerKey, corner })),
  ];
}

const readingsOf = ({ obstacles }: RecordedWell['corner']): number =>
  obstacles.reduce((sum, { readings, shape }) => sum + (readings?.length ?? 0) + (shape ? 1 : 0), 0);
