import { gradedEvaluation } from '@/core/5-consequences/spread/graded';
import { computed, shallowRef, ref, watch, type ShallowRef } from 'vue';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { Problem } from '@/core/1-base/problem';
import type { TodayDoubt } from '@/core/5-consequences/today/fitted-today';
import { hasAnswered } from '../kit/first-answer';
import { ClearanceClient } from '../workers/clearance-client';
import { StudyClient, type Rotation, type StudyAnswer } from '../workers/study-client';

/** ms that an answer may be about an older document before it says so. */
const LOOKS_OLD_AFTER_MS = 150;

/** One and the same after every answer, so that nothing that shows problems is made anew for having none. */
const NO_PROBLEMS: readonly Problem[] = [];

/** The engine's newest answers about a document: the verdict at once, what is studied once the hand rests. */
export function useEngine(document: Readonly<ShallowRef<LowgapFile | null>>) {
  const evaluation = shallowRef<Evaluation | null>(null);
  /** The document that `evaluation` and `problems` are about. */
  const answered = shallowRef<LowgapFile | null>(null);
  /** How many documents were asked about so far, and how many of them (and those before) are answered. */
  const turns = shallowRef({ asked: 0, answered: 0 });
  const turnOf = new WeakMap<LowgapFile, number>();
  const problems = shallowRef(NO_PROBLEMS);
  const computing = ref(false);
  /** What a room wants studied: a corner, and an obstacle of it that rubs; null: the low gap's corner. */
  const studyOf = shallowRef<{ readonly corner: CornerKey; readonly obstacle: string | null } | null>(null);
  /** Spread and levers of that; null while they are not known for what is shown. */
  const study = shallowRef<StudyAnswer | null>(null);
  /** The verdict with the wheels rotated front to rear; null while it is not known for what is shown. */
  const rotation = shallowRef<Rotation | null>(null);

  /** Where the numbers say otherwise of the fitted tire than it shows; null while that is not known for what is shown. */
  const today = shallowRef<readonly TodayDoubt[] | null>(null);

  let engine: ClearanceClient | null = null;
  let scholar: StudyClient | null = null;

  function start(): void {
    engine = new ClearanceClient((answer, file) => {
      computing.value = false;
      // A setup that cannot be keeps the last answer out of sight rather than showing a stale one.
      evaluation.value = answer.ok ? answer.value : null;
      problems.value = answer.ok ? NO_PROBLEMS : answer.problems;
      answered.value = file;
      turns.value = { ...turns.value, answered: turnOf.get(file) ?? 0 };
      hasAnswered();
    });
    scholar = new StudyClient(
      (answer) => (study.value = answer),
      (answer, file) => {
        if (answer.ok && file === document.value) evaluation.value = answer.value;
      },
      (found) => (rotation.value = found),
      (found, file) => {
        if (file === document.value) today.value = found.ok ? found.value : null;
      },
    );
  }

  function ask(): void {
    if (!document.value || !engine) return;
    computing.value = true;
    const asked = turns.value.asked + 1;
    turns.value = { ...turns.value, asked };
    turnOf.set(document.value, asked);
    scholar?.leave();
    engine.ask(document.value);
  }

  function stop(): void {
    engine?.close();
    scholar?.close();
    engine = scholar = null;
    study.value = null;
    rotation.value = null;
    today.value = null;
    evaluation.value = null;
    answered.value = null;
    problems.value = NO_PROBLEMS;
    computing.value = false;
  }

  watch([answered, studyOf], ([, wanted]) => {
    study.value = null;
    rotation.value = null;
    today.value = null;
    const answer = evaluation.value;
    const corner = wanted?.corner ?? answer?.lowGap?.corner;
    if (!document.value || !corner || !answer?.obstacles.some((o) => o.corner === corner)) return;
    scholar?.ask({ file: document.value, corner, obstacle: wanted?.obstacle ?? null });
  });

  /** What is shown of the newest verdict: graded by how likely each gap is to fall short, once that is known. */
  const graded = computed(() => evaluation.value && gradedEvaluation(evaluation.value, study.value?.spread ?? null));
  /** The shown answers are about a document before this one. */
  const isOld = computed(() => document.value !== null && answered.value !== null && answered.value !== document.value);
  /** The same, once it lasts: what is answered before anybody could read it is painted once, as it is then. */
  const looksOld = ref(false);
  let oldTimer: ReturnType<typeof setTimeout> | undefined;
  watch(
    isOld,
    (now) => {
      clearTimeout(oldTimer);
      looksOld.value = false;
      if (now) oldTimer = setTimeout(() => (looksOld.value = true), LOOKS_OLD_AFTER_MS);
    },
    { flush: 'sync' },
  );

  return {
    evaluation: graded,
    isOld,
    looksOld,
    answered,
    turns,
    problems,
    computing,
    studyOf,
    study,
    rotation,
    today,
    start,
    ask,
    stop,
  };
}
