import { computed, nextTick, ref, shallowRef, watch } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { LowgapCorner, LowgapReading } from '@/contracts/lowgap-file';
import { WHOLE_VEHICLE } from '@/core/3-survey/walk/usual-walk';
import { CORNER_KEYS, type CornerKey, sideOf } from '@/core/2-vehicle/setup/corner-key';
import type { WalkHeight } from '@/core/3-survey/walk/walk-height';
import { LIMITS } from '@/core/1-base/limits';
import type { ReadingPlace } from '@/core/3-survey/reading/reading';
import { attempt, type Problem } from '@/core/1-base/problem';
import { formatMm, parseLength } from '@/core/1-base/units/length';
import { formatClock, parseClock } from '@/core/1-base/units/clock';
import { doubtOf, SAME_READING_MM } from '@/core/3-survey/reading/doubt';
import { heardText, keptText, parseQuantity } from '../kit/quantity';
import { useJobStore } from '../stores/job';
import { useUnits } from '../stores/units';
import { useMeasuringUnit } from './measuring-unit';
import { doubtText, fittedRadiusMm, readForm } from './new-reading';
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

const isSame = (mm: number, before: number | null): boolean =>
  before !== null && Math.abs(mm - before) <= SAME_READING_MM;

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
  const units = useUnits();
  const measuring = useMeasuringUnit(() => props.corner);
  const limit = computed(
    () => LIMITS[heightAsked.value ? 'hubToLipMm' : asked.value?.kind === 'outboard' ? 'outboardMm' : 'gapMm'],
  );
  const unit = computed(() => measuring.of(text.value, limit.value));
  /** What was just typed settles the unit of the bare numbers after it. */
  function goOn(): void {
    const read = attempt(() => parseLength(text.value, unit.value));
    if (read.ok) units.goOn('gaps', read.value.unit);
  }
  const heard = computed(() => heardText(text.value, limit.value, unit.value));
  const across = ref<ReadingPlace>('tread');
  /** How the tape is held: as asked, unless somebody holds it otherwise. */
  const nearest = ref(false);
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
        nearest.value = now.nearest;
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
    if (heightAsked.value) return 'Hub center to fender lip, as the wheel stands now';
    return nearest.value ? 'Slide the tape along it to where the gap is least' : 'Gap, straight out from the tire';
  });

  /** The readings of the thing asked for, which one more must go with. */
  const others = (stop: string): readonly LowgapReading[] =>
    props.corner.obstacles.find(({ id }) => id === stop)?.readings ?? [];

  /** What is wrong with a height: no length, or beyond the surveyed travel. */
  function heightProblems(hubToLip: string): readonly Problem[] {
    const read = parseQuantity(hubToLip, 'length', LIMITS.hubToLipMm, unit.value);
    if (!read.ok) return read.problems;
    const trial = { clock: '12:00', across: 'tread', steer: 'straight', nearest: false, outboard: '' } as const;
    const thing = { id: 'trial', mount: 'body', material: 'sheetMetal' } as const;
    const landed = readForm({ ...trial, gap: '50 mm', hubToLip }, props.cornerKey, props.corner, thing, measuring.of);
    return landed.ok ? [] : landed.problems;
  }

  function take(by: 'tape' | 'gauge' = 'tape'): void {
    const now = asked.value;
    if (!now) return;
    refusal.value = '';
    if (heightAsked.value && now.kind === 'gap') {
      const wrong = heightProblems(text.value);
      if (wrong.length > 0) return void (refusal.value = wrong.map(fieldText).join(' '));
      heights.value = { ...heights.value, [now.height]: keptText(text.value, 'length', unit.value) };
      goOn();
      text.value = '';
      question.value = '';
      return;
    }
    if (now.kind === 'outboard') {
      const read = parseQuantity(text.value, 'length', LIMITS.outboardMm, unit.value);
      if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
      takeOutboard(job, props.cornerKey, now, read.value, keptText(text.value, 'length', unit.value));
      goOn();
      last.value = true;
      return;
    }
    const typed = parseQuantity(text.value, 'length', LIMITS.gapMm, unit.value);
    if (!typed.ok && !(text.value.trim() === '' && several.value.length > 0)) {
      return void (refusal.value = typed.problems.map(fieldText).join(' '));
    }
    const all = typed.ok ? [...several.value, typed.value] : [...several.value];
    const mm = all.reduce((sum, v) => sum + v, 0) / all.length;
    const averaged = all.length > 1;
    const read = readForm(
      {
        clock: props.clock,
        across: across.value,
        steer: now.steer,
        nearest: nearest.value,
        hubToLip: heightText(now.height) ?? '',
        gap: averaged ? `${formatMm(mm)} mm` : text.value,
        outboard: now.outboardMm === undefined ? '' : `${now.outboardMm} mm`,
      },
      props.cornerKey,
      props.corner,
      { id: now.stop, mount: 'body', material: 'sheetMetal' },
      measuring.of,
    );
    if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
    const doubt = doubtOf(read.value, others(now.stop), fittedRadiusMm(props.corner), now.expectedMm);
    if (doubt && !isSame(mm, doubted)) {
      // Only the same number entered once more is an answer; another one is questioned anew.
      doubted = mm;
      question.value = doubtText(doubt, mm, sideOf(props.cornerKey));
      return;
    }
    const reading: LowgapReading = {
      ...read.value,
      ...(now.outboardMm === undefined || across.value !== 'tread' ? {} : { outboardAsBefore: true }),
      ...(now.step === null ? {} : { walkStep: now.step }),
      ...(averaged ? { average: all } : {}),
      ...(question.value === '' ? {} : { confirmed: true }),
      ...(by === 'gauge' ? { by } : {}),
    };
    if (by === 'tape' && text.value.trim() !== '') goOn();
    takeGap(job, props.cornerKey, now.stop, reading);
    last.value = true;
    if (now.step === null) passed.value = [...passed.value, askedId.value];
  }

  function takeFromGauge(mm: number): void {
    text.value = `${formatMm(mm)} mm`;
    take('gauge');
  }

  function addToAverage(): void {
    const read = parseQuantity(text.value, 'length', LIMITS.gapMm, unit.value);
    if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
    refusal.value = '';
    goOn();
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
    const isEverywhere = whole && WHOLE_VEHICLE.includes(now.stop);
    job.change((file) => {
      for (const key of isEverywhere ? CORNER_KEYS : [props.cornerKey]) {
        const corner = file.corners[key];
        if (corner) corner.skipped = [...new Set([...(corner.skipped ?? []), name])];
      }
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
    nearest,
    refusal,
    question,
    several,
    last,
    heightAsked,
    heard,
    unit,
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
