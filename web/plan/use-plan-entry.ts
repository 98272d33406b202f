import { computed } from 'vue';
import type { PlanEntry } from '@/contracts/plan';
import { NOTHING_CHOSEN, type ChosenPlan } from '@/core/6-decisions/plan/judge-plan';
import { useJobStore } from '../stores/job';
import { useShop } from '../stores/shop';
import { startingPlan } from './starting-plan';

type Writable<T> = { -readonly [K in keyof T]: T[K] extends object ? Writable<T[K]> : T[K] };
export type PlanEdit = (plan: PlanEntry) => void;

/** What the open job keeps of its plan: what may be done and what was chosen; every edit is one change of the job. */
export function usePlanEntry() {
  const job = useJobStore();
  const shop = useShop();
  shop.ensure();

  const plan = computed<PlanEntry | null>(() => {
    const file = job.document;
    return file ? (file.plan ?? startingPlan(file, shop.terms)) : null;
  });
  const chosen = computed<ChosenPlan>(() => plan.value?.chosen ?? NOTHING_CHOSEN);

  function change(edit: PlanEdit, gesture: string | null = null): void {
    const next = structuredClone(plan.value);
    if (!next) return;
    edit(next);
    job.changeSetup((file) => (file.plan = next), gesture);
  }

  const choose = (edit: (chosen: Writable<ChosenPlan>) => void, gesture: string | null = null): void =>
    change((next) => {
      const now = structuredClone(chosen.value) as Writable<ChosenPlan>;
      edit(now);
      next.chosen = now as NonNullable<PlanEntry['chosen']>;
    }, gesture);

  return { plan, chosen, change, choose };
}

export type PlanEntryState = ReturnType<typeof usePlanEntry>;
