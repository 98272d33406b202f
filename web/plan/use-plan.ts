import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { besidePlan } from '@/contracts/as-plan-question';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { PlanEntry } from '@/contracts/plan';
import type { BesidePlan } from '@/core/6-decisions/plan/work-order';
import { chosenOf, type PlanJudgement } from '@/core/6-decisions/plan/judge-plan';
import type { PlanSection } from '@/core/6-decisions/plan/plan-section';
import type { PlanAnswer } from '@/core/6-decisions/plan/planner';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import type { Problem } from '@/core/1-base/problem';
import { seedOf } from '@/core/1-base/numeric/seeded-random';
import { useJobStore } from '../stores/job';
import { PlanClient } from '../workers/plan-client';
import { usePlanEntry } from './use-plan-entry';

/** The plan of the open job: what may be done, the plans found, the one chosen and what it does. */
export function usePlan() {
  const job = useJobStore();
  const { plan, chosen, change, choose } = usePlanEntry();
  const judgement = shallowRef<PlanJudgement | null>(null);
  const judgeProblems = shallowRef<readonly Problem[]>([]);
  const client = new PlanClient((answer) => {
    judgement.value = answer.ok ? answer.value : null;
    judgeProblems.value = answer.ok ? [] : answer.problems;
  });
  onBeforeUnmount(() => client.close());

  const answer = shallowRef<PlanAnswer | null>(null);
  const answeredOf = ref(0);
  /** What the plans found do to the part that wants it most. */
  const sections = shallowRef<ReadonlyMap<Plan, PlanSection>>(new Map());
  const problems = shallowRef<readonly Problem[]>([]);
  const running = ref(false);
  const share = ref(0);

  /** What the work order holds beside the plan. */
  const beside = computed<BesidePlan>(() => (job.document && plan.value ? besidePlan(job.document, plan.value) : {}));
  /** Everything the plans found depend on. */
  const asked = computed(() => {
    const { corners, setup, envelope, standard, drawnEnvelope } = job.document ?? {};
    const { allowed, tried, bodyLiftsMm, shop, consents } = plan.value ?? {};
    return seedOf(
      JSON.stringify([corners, setup, envelope, standard, drawnEnvelope, allowed, tried, bodyLiftsMm, shop, consents]),
    );
  });
  const stale = computed(() => answer.value !== null && answeredOf.value !== asked.value);

  const take = (found: Plan): void =>
    change((next) => (next.chosen = structuredClone(chosenOf(found)) as NonNullable<PlanEntry['chosen']>));

  async function search(): Promise<void> {
    const file = job.document;
    if (!file || !plan.value) return;
    running.value = true;
    share.value = 0;
    const of = asked.value;
    const found = await client.search(file, plan.value, (done, total) => (share.value = done / total));
    if (found === null) return;
    running.value = false;
    answer.value = found.ok ? found.value : null;
    answeredOf.value = of;
    problems.value = found.ok ? [] : found.problems;
    sections.value = new Map();
    if (found.ok) void cut(file, plan.value, found.value);
    // The first plan found is taken up where none was chosen yet: every edit starts from it.
    if (found.ok && found.value.leastPermanent && !plan.value.chosen) take(found.value.leastPermanent);
  }

  async function cut(file: LowgapFile, asked: PlanEntry, of: PlanAnswer): Promise<void> {
    const plans = [of.leastPermanent, of.cheapest, of.runnerUp, ...of.alternatives.map((one) => one.plan)].filter(
      (one): one is Plan => one !== null,
    );
    const drawn = await client.sections(file, asked, plans.map(chosenOf));
    if (!drawn?.ok || answer.value !== of) return;
    sections.value = new Map(plans.flatMap((one, i) => (drawn.value[i] ? [[one, drawn.value[i]] as const] : [])));
  }

  function stop(): void {
    client.cancel();
    running.value = false;
  }

  watch(
    [() => job.document, plan, chosen],
    ([file, now, what]) => {
      if (file && now) client.judge({ file, plan: now, chosen: what });
    },
    { immediate: true },
  );

  return {
    client,
    plan,
    beside,
    chosen,
    answer,
    stale,
    problems,
    running,
    sections,
    share,
    judgement,
    judgeProblems,
    change,
    choose,
    take,
    search,
    stop,
  };
}

export type PlanState = ReturnType<typeof usePlan>;
