import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import type { Problem } from '@/core/1-base/problem';
import { NOTHING_CHOSEN, type PlanJudgement } from '@/core/6-decisions/plan/judge-plan';
import { useJobStore } from '../stores/job';
import { useShop } from '../stores/shop';
import { PlanClient } from '../workers/plan-client';
import { startingPlan } from './starting-plan';

/** The chosen plan of the open job as judged, for rooms that carry it out; null while it is not known. */
export function usePlanned() {
  const job = useJobStore();
  const shop = useShop();
  shop.ensure();
  const judged = shallowRef<PlanJudgement | null>(null);
  /** The plan as it is now was judged, or cannot be: until then nothing is made from it. */
  const isKnown = ref(false);
  /** Why it cannot be judged. */
  const problems = shallowRef<readonly Problem[]>([]);
  const client = new PlanClient((answer) => {
    judged.value = answer.ok ? answer.value : null;
    problems.value = answer.ok ? [] : answer.problems;
    isKnown.value = true;
  });
  onBeforeUnmount(() => client.close());

  const hasPlan = computed(() => (judged.value?.plan.steps.length ?? 0) > 0);
  /** What the plan hangs on; ticking off a step is none of it. */
  const asked = computed(() => JSON.stringify([job.document?.plan ?? shop.terms, job.document?.setup]));
  watch(
    [asked, () => job.document?.corners],
    () => {
      const file = job.document;
      if (!file) return;
      isKnown.value = false;
      const plan = file.plan ?? startingPlan(file, shop.terms);
      client.judge({ file, plan, chosen: plan.chosen ?? NOTHING_CHOSEN });
    },
    { immediate: true },
  );
  return { judged, hasPlan, isKnown, problems };
}
