import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { MOST_KEPT_ROWS, type FinderQuestionEntry, type KeptAnswer, type KeptRow } from '@/contracts/finder';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import type { FirstLook, PartialDot } from '@/core/6-decisions/finder/search';
import type { Explanation, FinderResult, FoundOn } from '@/core/6-decisions/finder/session';
import type { Problem, Result } from '@/core/1-base/problem';
import { seedOf } from '@/core/1-base/numeric/seeded-random';
import { api, NO_ANSWER, problemsOf } from '../api';
import { useJobStore } from '../stores/job';
import { FinderClient } from '../workers/finder-client';
import { startingQuestion } from './starting-question';

/** ms between two looks at how far the server is. */
const ASK_EVERY_MS = 300;

export interface Picked {
  readonly axle: FoundOn;
  readonly number: number;
}

/** Names what an answer depends on beside its question: survey, setup and standard. */
const fingerprint = ({ corners, setup, envelope, standard, drawnEnvelope }: LowgapFile): number =>
  seedOf(JSON.stringify([corners, setup, envelope, standard, drawnEnvelope]));

/** The finder of the open job: its question, the search under way, the answer, and the combination looked at. */
export function useFinder() {
  const job = useJobStore();
  const client = new FinderClient();
  onBeforeUnmount(() => client.cancel());

  /** Long searches may run on the server's own threads. */
  const onServer = ref(false);
  const running = ref(false);
  const share = ref(0);
  const combinations = ref(0);
  /** Searches of others before this one at the server; null: it does not wait. */
  const ahead = ref<number | null>(null);
  const first = shallowRef<readonly FirstLook[]>([]);
  const dots = shallowRef<readonly PartialDot[]>([]);
  const result = shallowRef<FinderResult | null>(null);
  /** The question and the survey the answer belongs to. */
  const answered = shallowRef<{ readonly question: FinderQuestionEntry; readonly of: number } | null>(null);
  const problems = shallowRef<readonly Problem[]>([]);
  const tookMs = ref(0);

  const picked = shallowRef<Picked | null>(null);
  const explanation = shallowRef<Explanation | null>(null);
  const ways = shallowRef<readonly FoundRow[]>([]);
  const explaining = ref(false);
  /** How often the first rows would be short of what is wanted, by axle and number: worked out while nothing else is. */
  const chances = shallowRef<ReadonlyMap<string, number | null>>(new Map());

  const question = computed(() => {
    const file = job.document;
    return file ? (file.finder?.question ?? startingQuestion(file)) : null;
  });
  const kept = computed<KeptAnswer | null>(() => job.document?.finder?.kept ?? null);
  const now = computed(() => (job.document ? fingerprint(job.document) : 0));
  const stale = computed(
    () =>
      answered.value !== null &&
      (answered.value.of !== now.value || JSON.stringify(answered.value.question) !== JSON.stringify(question.value)),
  );

  function change(edit: (question: FinderQuestionEntry) => void): void {
    const next = structuredClone(question.value);
    if (!next) return;
    edit(next);
    job.changeSetup((file) => (file.finder = { ...file.finder, question: next }), 'finder question');
  }

  async function find(): Promise<void> {
    const file = job.document;
    const asked = question.value;
    if (!file || !asked) return;
    if (running.value) client.cancel();
    forget();
    running.value = true;
    const start = performance.now();
    const found = await (onServer.value ? findOnServer(file, asked) : findHere(file, asked));
    if (found === null) return;
    running.value = false;
    tookMs.value = performance.now() - start;
    if (!found.ok) {
      problems.value = found.problems;
      return;
    }
    result.value = found.value;
    answered.value = { question: asked, of: fingerprint(file) };
    keep(found.value, fingerprint(file), asked);
    // The best that does; where nothing does, what misses least.
    const [axle] = found.value.axles;
    const number = axle?.rows[0]?.number ?? axle?.refused.find((tire) => tire.number !== null)?.number;
    if (axle && number !== undefined && number !== null) pick({ axle: axle.axle, number });
  }

  const findHere = (file: LowgapFile, asked: FinderQuestionEntry) =>
    client.find(file, asked, (news) => {
      share.value = news.total > 0 ? news.done / news.total : 0;
      combinations.value = news.combinations;
      if (news.first) first.value = news.first;
      if (news.dots) dots.value = [...dots.value, ...news.dots];
    });

  let serverRun: string | null = null;

  async function findOnServer(file: LowgapFile, asked: FinderQuestionEntry): Promise<Result<FinderResult> | null> {
    let read = await api.startFind({ document: file, question: asked });
    while (read.ok && (read.value.state === 'running' || read.value.state === 'waiting')) {
      const { id, state, done, total, combinations: count } = read.value;
      serverRun = id;
      ahead.value = state === 'waiting' ? read.value.ahead : null;
      share.value = done / total;
      combinations.value = count;
      await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
      if (serverRun !== id) return null;
      read = await api.readFind(id);
    }
    serverRun = null;
    ahead.value = null;
    if (!read.ok) return { ok: false, problems: problemsOf(read) };
    const { state, result: found, problems: said } = read.value;
    if (state === 'canceled') return null;
    if (state !== 'done') return { ok: false, problems: said.length > 0 ? said : [NO_ANSWER] };
    await client.takeUp(file, asked);
    return { ok: true, value: found as FinderResult };
  }

  function cancel(): void {
    if (serverRun !== null) void api.cancelFind(serverRun);
    serverRun = null;
    ahead.value = null;
    client.cancel();
    running.value = false;
  }

  function forget(): void {
    share.value = 0;
    first.value = [];
    dots.value = [];
    result.value = null;
    answered.value = null;
    problems.value = [];
    picked.value = null;
    explanation.value = null;
    ways.value = [];
    chances.value = new Map();
  }

  /** The answer goes with the job. */
  function keep({ axles }: FinderResult, of: number, asked: FinderQuestionEntry): void {
    const rows = axles
      .flatMap(({ axle, rows: found }) => found.map((row) => keptRow(axle, row)))
      .slice(0, MOST_KEPT_ROWS);
    const sum = (of: 'combinations' | 'clears' | 'withChanges'): number =>
      axles.reduce((total, { tally }) => total + tally[of], 0);
    const answer: KeptAnswer = {
      of,
      combinations: sum('combinations'),
      clears: sum('clears'),
      withChanges: sum('withChanges'),
      rows,
    };
    job.changeSetup((file) => (file.finder = { ...file.finder, question: asked, kept: answer }), 'finder question');
  }

  function pick(one: Picked): void {
    picked.value = one;
  }

  watch(picked, async (one) => {
    explanation.value = null;
    ways.value = [];
    if (!one || one.number < 0 || !result.value) return;
    explaining.value = true;
    const explained = await client.explain(one.axle, one.number);
    if (picked.value !== one) return;
    explaining.value = false;
    if (explained?.ok) explanation.value = explained.value;
    else if (explained) problems.value = explained.problems;
    const row = rowOf(one);
    const found = row ? await client.waysTo(one.axle, row.tire) : null;
    if (picked.value === one && found?.ok) ways.value = found.value;
    if (picked.value === one) await fillChances(one);
  });

  /** Row by row, until something else is looked at. */
  async function fillChances(during: Picked): Promise<void> {
    for (const { axle, rows } of result.value?.axles ?? []) {
      for (const { number } of rows.slice(0, MOST_CHANCES)) {
        const key = chanceKey(axle, number);
        if (chances.value.has(key)) continue;
        const found = await client.chanceOfRub(axle, number);
        if (picked.value !== during || !found?.ok) return;
        chances.value = new Map(chances.value).set(key, found.value);
      }
    }
  }

  const rowOf = ({ axle, number }: Picked): FoundRow | null => {
    const answer = result.value?.axles.find((one) => one.axle === axle);
    const known = [...(answer?.rows ?? []), ...(answer?.pareto ?? []), ...ways.value];
    return known.find((row) => row.number === number) ?? null;
  };

  return {
    client,
    question,
    change,
    onServer,
    running,
    share,
    combinations,
    ahead,
    first,
    dots,
    result,
    answered,
    stale,
    kept,
    keptIsCurrent: computed(() => kept.value?.of === now.value),
    problems,
    tookMs,
    picked,
    pick,
    explanation,
    explaining,
    chances,
    ways,
    find,
    cancel,
  };
}

/** Rows whose chance is worked out. */
const MOST_CHANCES = 15;

export const chanceKey = (axle: FoundOn, number: number): string => `${axle}:${number}`;

const keptRow = (axle: FoundOn, row: FoundRow): KeptRow => ({
  axle,
  size: row.size,
  diameterMm: row.diameterMm,
  widthMm: row.widthMm,
  wheelDiameterIn: row.wheelDiameterIn,
  wheelWidthIn: row.wheelWidthIn,
  offsetMm: row.offsetMm,
  spacerMm: row.spacerMm,
  liftMm: row.stand.liftMm,
  result: row.result,
  lowGapMm: row.lowGapMm,
  ...(row.requiredMm === null ? {} : { requiredMm: row.requiredMm }),
  ...(row.obstacleLabel === null ? {} : { obstacle: row.obstacleLabel }),
  remedies: [...row.remedies],
  depthMm: row.depthMm,
  permanence: row.permanence,
  ...(row.costMinor === null ? {} : { costMinor: row.costMinor }),
});
