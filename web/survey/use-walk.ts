import { computed, nextTick, ref, shallowRef, watch } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { LowgapCorner, LowgapReading } from '@/contracts/lowgap-file';
import { type CornerKey, sideOf } from '@/core/2-vehicle/setup/corner-key';
import type { WalkHeight } from '@/core/3-survey/walk/walk-height';
import { LIMITS } from '@/core/1-base/limits';
import type { ReadingPlace } from '@/core/3-survey/reading/reading';
import { attempt, type Problem } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { formatClock, parseClock } from '@/core/1-base/units/clock';
import { parseQuantity } from '../kit/quantity';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { readForm } from './new-reading';
import { takeGap, takeOutboard } from './take-reading';
import { engineAsks, knownHeight, numbersLeft, openSteps, skipKey, type Asked } from './walk-state';

/** The corner the walk goes round, and the clock shown beside it. */
export interface WalkPlace {
  readonly cornerKey: CornerKey;
  readonly corner: LowgapCorner;
  readonly clock: string;
}

/** What the walk does to the room around it. */
export interface WalkTold {
  setClock(clock: string): void;
  ask(asked: Asked | null): void;
  focus(): void;
}

/** mm: a tape from the tire to the inside of a wheel well does not read more. */
const LARGEST_LIKELY_MM = 260;

/** mm within which a number typed again is the same: a sixteenth of an inch by eye, half of it. */
const SAME_MM = 0.8;
const isSame = (mm: number, before: number | null): boolean => before !== null && Math.abs(mm - before) <= SAME_MM;

/** mm and share by which a reading may differ from what the others foretell. */
const FORETOLD = { mm: 15, share: 0.25 } as const;

/** The guided walk of a corner: what it asks for, and what becomes of the number that is typed. */
export function useWalk(props: WalkPlace, { setClock, ask, focus }: WalkTold) {
  const job = useJobStore();
  const open = computed(() => openSteps(props.corner, sideOf(props.cornerKey)));
  const engine = computed(() =>
    job.study?.corner === props.cornerKey ? engineAsks(job.study.next, props.corner) : [],
  );
  const passed = ref<readonly string[]>([]);
  const idOf = (asked: Asked): string =>
    asked.kind === 'gap'
      ? [asked.stop, asked.step, asked.steer, asked.height].join(':')
      : [asked.stop, asked.step, 'outboard'].join(':');
  const asked = computed<Asked | null>(
    () => open.value[0] ?? engine.value.find((next) => !passed.value.includes(idOf(next))) ?? null,
  );
  const askedId = computed(() => (asked.value ? idOf(asked.value) : ''));

  const text = ref('');
  const across = ref<ReadingPlace>('tread');
  const refusal = ref('');
  const question = ref('');
  const several = shallowRef<readonly number[]>([]);
  const heights = ref<Partial<Record<WalkHeight, string>>>({});
  const last = shallowRef(false);
  /** The number that was questioned, mm. */
  let doubted: number | null = null;

  const heightText = (height: WalkHeight): string | null => heights.value[height] ?? knownHeight(props.corner, height);
  const heightAsked = computed(() => asked.value?.kind === 'gap' && heightText(asked.value.height) === null);

  watch(
    askedId,
    () => {
      const now = asked.value;
      text.value = '';
      refusal.value = '';
      question.value = '';
      doubted = null;
      several.value = [];
      if (now?.kind === 'gap') {
        setClock(now.clock);
        across.value = now.across;
      }
      ask(now);
      void nextTick(focus);
    },
    { immediate: true },
  );
  watch(
    () => props.cornerKey,
    () => ((heights.value = {}), (last.value = false), (passed.value = [])),
  );

  const prompt = computed(() => {
    const now = asked.value;
    if (!now) return '';
    if (now.kind === 'outboard') return 'How far outboard of the tire’s outer sidewall does it lie? (- inboard)';
    if (heightAsked.value) return 'Hub centre to fender lip, as the wheel stands now';
    return now.nearest ? 'Slide the tape along it to where the gap is least' : 'Gap, straight out from the tire';
  });

  function doubtOf(mm: number): string {
    const now = asked.value;
    if (mm > LARGEST_LIKELY_MM)
      return `${bothUnits(mm)} is more than a wheel well leaves. Enter once more if it is so.`;
    if (now?.kind !== 'gap' || now.expectedMm === undefined) return '';
    if (Math.abs(mm - now.expectedMm) <= Math.max(FORETOLD.mm, FORETOLD.share * now.expectedMm)) return '';
    return `The other readings foretell about ${bothUnits(now.expectedMm)} here. Enter once more if it is so.`;
  }

  /** What is wrong with a height: no length, or beyond the surveyed travel. */
  function heightProblems(hubToLip: string): readonly Problem[] {
    const read = parseQuantity(hubToLip, 'length', LIMITS.hubToLipMm);
    if (!read.ok) return read.problems;
    const trial = { clock: '12:00', across: 'tread', steer: 'straight', gap: '50', outboard: '' } as const;
    const landed = readForm({ ...trial, hubToLip }, props.cornerKey, props.corner, {
      id: 'trial',
      mount: 'body',
      material: 'sheetMetal',
    });
    return landed.ok ? [] : landed.problems;
  }

  function take(by: 'tape' | 'gauge' = 'tape'): void {
    const now = asked.value;
    if (!now) return;
    refusal.value = '';
    if (heightAsked.value && now.kind === 'gap') {
      const wrong = heightProblems(text.value);
      if (wrong.length > 0) return void (refusal.value = wrong.map(fieldText).join(' '));
      heights.value = { ...heights.value, [now.height]: text.value.trim() };
      text.value = '';
      question.value = '';
      return;
    }
    if (now.kind === 'outboard') {
      const read = parseQuantity(text.value, 'length', LIMITS.outboardMm);
      if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
      takeOutboard(job, props.cornerKey, now, read.value, text.value.trim());
      last.value = true;
      return;
    }
    const typed = parseQuantity(text.value, 'length', LIMITS.gapMm);
    if (!typed.ok && !(text.value.trim() === '' && several.value.length > 0)) {
      return void (refusal.value = typed.problems.map(fieldText).join(' '));
    }
    const all = typed.ok ? [...several.value, typed.value] : [...several.value];
    const mm = all.reduce((sum, v) => sum + v, 0) / all.length;
    const doubt = doubtOf(mm);
    if (doubt !== '' && !isSame(mm, doubted)) {
      // Only the same number entered once more is an answer; another one is questioned anew.
      doubted = mm;
      question.value = doubt;
      return;
    }
    const averaged = all.length > 1;
    const read = readForm(
      {
        clock: props.clock,
        across: across.value,
        steer: now.steer,
        hubToLip: heightText(now.height) ?? '',
        gap: averaged ? formatMm(mm) : text.value,
        outboard: now.outboardMm === undefined ? '' : String(now.outboardMm),
      },
      props.cornerKey,
      props.corner,
      { id: now.stop, mount: 'body', material: 'sheetMetal' },
    );
    if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
    const reading: LowgapReading = {
      ...read.value,
      ...(now.nearest ? { nearest: true } : {}),
      ...(now.outboardMm === undefined || across.value !== 'tread' ? {} : { outboardAsBefore: true }),
      ...(now.step === null ? {} : { walkStep: now.step }),
      ...(averaged ? { average: all } : {}),
      ...(question.value === '' ? {} : { confirmed: true }),
      ...(by === 'gauge' ? { by } : {}),
    };
    takeGap(job, props.cornerKey, now.stop, reading);
    last.value = true;
    if (now.step === null) passed.value = [...passed.value, askedId.value];
  }

  function takeFromGauge(mm: number): void {
    text.value = formatMm(mm);
    take('gauge');
  }

  function addToAverage(): void {
    const read = parseQuantity(text.value, 'length', LIMITS.gapMm);
    if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
    refusal.value = '';
    several.value = [...several.value, read.value];
    text.value = '';
  }

  function skip(whole: boolean): void {
    const now = asked.value;
    if (!now) return;
    if (now.step === null) {
      passed.value = [...passed.value, askedId.value];
      return;
    }
    const name = whole ? now.stop : skipKey(now.stop, now.step, now.kind);
    job.change((file) => {
      const corner = file.corners[props.cornerKey];
      if (corner) corner.skipped = [...new Set([...(corner.skipped ?? []), name])];
    });
  }

  function retake(): void {
    job.undo();
    last.value = false;
    passed.value = passed.value.slice(0, -1);
  }

  /** Arrow keys move the clock by ten minutes: half a degree to a minute. */
  function turnClock(minutes: number): void {
    const now = attempt(() => parseClock(props.clock));
    if (now.ok) setClock(formatClock(now.value + minutes / 2));
  }

  const skippedCount = computed(() => props.corner.skipped?.length ?? 0);
  function askSkippedAgain(): void {
    job.change((file) => delete file.corners[props.cornerKey]?.skipped);
  }
  const remaining = computed(() => numbersLeft(open.value));

  return {
    asked,
    askedId,
    text,
    across,
    refusal,
    question,
    several,
    last,
    heightAsked,
    prompt,
    take,
    takeFromGauge,
    addToAverage,
    skip,
    retake,
    turnClock,
    skippedCount,
    askSkippedAgain,
    remaining,
  };
}
