import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { quickQuery, quickQuestion, quickTexts, recordedWells, type QuickTexts } from '@/contracts/quick';
import type { Problem } from '@/core/1-base/problem';
import type { QuickLook } from '@/core/6-decisions/quick/quick-look';
import type { QuickLikely } from '@/core/6-decisions/quick/quick-likely';
import type { QuickPlace } from '@/core/6-decisions/quick/quick-places';
import type { QuickQuestion } from '@/core/6-decisions/quick/quick-question';
import type { QuickRecord, RecordedWell } from '@/core/6-decisions/quick/quick-record';
import { api } from '../api';
import { useJobDocuments } from '../stores/job-documents';
import { useUnits } from '../stores/units';
import type { QuickWorker } from '../workers/quick.worker';
import { WorkerLink } from '../workers/worker-link';

interface AskedOfRecord {
  readonly question: QuickQuestion;
  readonly places: readonly QuickPlace[];
  readonly wells: readonly RecordedWell[];
}

/** What the quick look is asked and answers; what was typed stands in the address, so that it can be sent and comes back. */
export function useQuickLook() {
  const route = useRoute();
  const router = useRouter();
  const units = useUnits();
  const texts = ref<QuickTexts>(quickTexts(route.query, units.chosen ?? 'in'));
  watch(texts, (now) => void router.replace({ query: quickQuery(now) }));
  const set = (said: Partial<QuickTexts>): void => void (texts.value = { ...texts.value, ...said });
  const answer = (place: string, text: string): void => {
    const { [place]: _, ...rest } = texts.value.answers;
    set({ answers: text.trim() === '' ? rest : { ...rest, [place]: text } });
  };

  const read = computed(() => quickQuestion(texts.value));
  const question = computed(() => read.value.question);
  /** What is wrong with one text; what is still empty is only waited for. */
  const problemAt = (name: string): Problem | undefined => {
    return [...read.value.problems, ...engineProblems.value].find(
      ({ path }) => path === name || path.startsWith(`${name}.`),
    );
  };

  const look = shallowRef<QuickLook | null>(null);
  const record = shallowRef<QuickRecord | null>(null);
  const likely = shallowRef<QuickLikely | null>(null);
  const engineProblems = shallowRef<readonly Problem[]>([]);
  const working = ref(false);
  const wells = shallowRef<readonly RecordedWell[] | null>(null);
  const recordUnreachable = ref(false);

  const link = new WorkerLink<QuickWorker>(
    () => new Worker(new URL('../workers/quick.worker.ts', import.meta.url), { type: 'module' }),
  );
  const askLook = link.newest<QuickQuestion, QuickLook>(
    ({ remote }, asked) => remote.look(asked),
    (result, asked) => {
      if (asked !== question.value) return;
      working.value = false;
      look.value = result.ok ? result.value : null;
      engineProblems.value = result.ok ? [] : result.problems;
    },
  );
  const askRecord = link.newest<AskedOfRecord, QuickRecord>(
    ({ remote }, asked) => remote.record(asked.question, asked.places, asked.wells),
    (result) => (record.value = result.ok ? result.value : null),
  );
  const askLikely = link.newest<AskedOfRecord, QuickLikely>(
    ({ remote }, asked) => remote.likely(asked.question, asked.places, asked.wells),
    (result) => (likely.value = result.ok ? result.value : null),
  );
  onBeforeUnmount(() => link.close());

  watch(
    question,
    (asked) => {
      engineProblems.value = [];
      working.value = asked !== null;
      if (asked) askLook(asked);
      else record.value = likely.value = null;
    },
    { immediate: true },
  );
  watch([look, wells], () => {
    const asked = question.value;
    if (!asked || !look.value) return;
    const { places } = look.value;
    askLikely({ question: asked, places, wells: wells.value ?? [] });
    if (wells.value) askRecord({ question: asked, places, wells: wells.value });
  });

  onMounted(async () => {
    const [jobs, library] = await Promise.all([api.listJobs(), api.listWells()]);
    recordUnreachable.value = !jobs.ok || !library.ok;
    const surveyed = jobs.ok ? jobs.value.jobs.filter(({ summary }) => summary?.surveyed) : [];
    const documents = await useJobDocuments().documentsOf(surveyed);
    wells.value = recordedWells(documents, library.ok ? library.value.wells : []);
  });

  /** What is shown is of something typed before. */
  const isOld = computed(() => working.value || question.value === null);
  return { texts, set, answer, question, problemAt, look, record, likely, isOld, recordUnreachable };
}
