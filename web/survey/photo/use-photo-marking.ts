import { computed, nextTick, ref, shallowRef, watch, type ComputedRef } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { WheelPhotoEntry } from '@/contracts/wheel-photo-schema';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { PHOTO_MARKS, type PhotoPlace } from '@/core/3-survey/description/wheel-photo';
import { useJobStore } from '../../stores/job';
import { obstacleOfStop } from '../walk-state';
import { isStageDone, marksOf, mostMarks, nextStage, STAGES, traceableOf, withMarks, type Stage } from './photo-state';

/** What marking does to the panel around it; `gesture` is one undo for a mark and what comes of it. */
export interface MarkingTold {
  begun(thing: string): void;
  marked(stage: Stage, gesture: string): void;
}

/** The marks of one picture: which stage is on, what is traced, and what becomes of a mark that is set, moved or taken off. */
export function usePhotoMarking(
  props: { readonly cornerKey: CornerKey; readonly corner: LowgapCorner },
  photo: ComputedRef<WheelPhotoEntry | undefined>,
  { begun, marked }: MarkingTold,
) {
  const job = useJobStore();
  const stage = ref<Stage>('hub');
  const tracing = ref<string | null>(null);
  /** The first end of a plumb line, until the second is there. */
  const half = shallowRef<readonly PhotoPlace[]>([]);
  const traceable = computed(() => traceableOf(props.corner));
  watch(
    () => photo.value?.photoId,
    () => {
      tracing.value = null;
      to(photo.value ? nextStage(photo.value) : 'hub');
    },
    { immediate: true },
  );
  const tracingName = computed(() => traceable.value.find(({ id }) => id === tracing.value)?.label ?? '');
  const marks = computed(() =>
    photo.value
      ? stage.value === 'plumb' && half.value.length > 0
        ? half.value
        : marksOf(photo.value, stage.value, tracing.value)
      : [],
  );
  const others = computed(() => {
    const one = photo.value;
    if (!one) return [];
    const of = (each: Stage): readonly PhotoPlace[] =>
      each === 'trace'
        ? one.traces.flatMap((trace) => (stage.value === 'trace' && trace.of === tracing.value ? [] : trace.along))
        : each === stage.value
          ? []
          : marksOf(one, each, null);
    return STAGES.flatMap(of);
  });
  function change(edit: (photo: WheelPhotoEntry) => WheelPhotoEntry, gesture?: string): void {
    const id = photo.value?.photoId;
    job.change((file) => {
      const corner = file.corners[props.cornerKey];
      if (corner?.photos) corner.photos = corner.photos.map((one) => (one.photoId === id ? edit(one) : one));
    }, gesture);
  }

  function setMarks(next: readonly PhotoPlace[]): void {
    if (!photo.value) return;
    if (stage.value === 'plumb' && next.length < 2) {
      half.value = next;
      if (photo.value.plumb) change((one) => withMarks(one, 'plumb', null, []));
      return;
    }
    half.value = [];
    const [now, traced] = [stage.value, tracing.value];
    const gesture = `mark-${++gestures}`;
    if (now === 'trace' && traced !== null) beginThing(traced, gesture);
    change((one) => withMarks(one, now, traced, next), gesture);
    marked(now, gesture);
  }
  /** One undo for a mark and what comes of it. */
  let gestures = 0;

  /** A part of the usual walk is added with the first mark of it. */
  function beginThing(id: string, gesture: string): void {
    if (!props.corner.obstacles.some((o) => o.id === id)) {
      job.change((file) => {
        const corner = file.corners[props.cornerKey];
        const made = corner && obstacleOfStop(id, corner);
        if (corner && made) corner.obstacles.push(made);
      }, gesture);
    }
    begun(id);
  }

  function mark(place: PhotoPlace): void {
    if (stage.value === 'trace' && tracing.value === null) return;
    const most = mostMarks(stage.value);
    const before = stage.value === 'hub' ? [] : marks.value;
    if (before.length >= most && stage.value !== 'plumb') return;
    setMarks([...(before.length >= most ? [] : before), place]);
    const now = stage.value;
    void nextTick(() => {
      if (photo.value && isStageDone(photo.value, now) && marks.value.length <= mostToGoOn(now)) goOn(now);
    });
  }
  /** Somebody who adds a mark to enough of them stays. */
  const mostToGoOn = (now: Stage): number => (now === 'rim' || now === 'outline' ? PHOTO_MARKS[now].good : 2);
  const goOn = (from: Stage): void => to(STAGES[Math.min(STAGES.length - 1, STAGES.indexOf(from) + 1)]!);
  function to(next: Stage): void {
    stage.value = next;
    half.value = [];
    if (next === 'trace') tracing.value ??= traceable.value[0]?.id ?? null;
  }
  const move = (at: number, place: PhotoPlace): void => setMarks(marks.value.map((one, i) => (i === at ? place : one)));
  const remove = (at: number): void => setMarks(marks.value.filter((_, i) => i !== at));

  return { stage, tracing, traceable, tracingName, marks, others, change, mark, move, remove, to, goOn };
}
