import { newId } from '@/web/kit/entries';
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import { installSchema, type InstallEntry, type InstallStep } from '@/contracts/install';
import { besidePlan } from '@/contracts/as-plan-question';
import { installSheet } from '@/core/7-job/install/install-sheet';
import { holds } from '@/core/7-job/install/receiving';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { planOf } from '@/core/6-decisions/plan/plan-step';
import { NO_CHANGE } from '@/core/6-decisions/plan/setup-changes';
import { workOrder, type WorkOrder } from '@/core/6-decisions/plan/work-order';
import { installStepText, installTools } from '@/sheets/install-words';
import { startingPlan } from '../plan/starting-plan';
import { useJobStore } from '../stores/job';
import { useShop } from '../stores/shop';

const NO_PLAN = planOf(NO_CHANGE, []);

/** Characters that a step's text takes; a maker's step with its source is the longest. */
export const MOST_TEXT = 700;

/** The installation of the open job: what was received, the sheet, fasteners, surprises. */
export function useInstall() {
  const job = useJobStore();
  const shop = useShop();
  const install = computed<InstallEntry>(() => job.document?.install ?? installSchema.parse({}));
  const change = (edit: (install: InstallEntry) => void, gesture: string | null = null): void =>
    job.changeSetup((file) => {
      file.install ??= installSchema.parse({});
      edit(file.install);
    }, gesture);

  const onHold = computed(() => holds(install.value.pieces));
  const steps = computed(() => install.value.steps);
  const done = computed(() => steps.value.filter(({ doneAt }) => doneAt !== undefined).length);
  const next = computed(() => steps.value.find(({ doneAt }) => doneAt === undefined) ?? null);

  /** The work order of the job as it is now. */
  function order(plan: Plan | null): WorkOrder {
    const file = job.document!;
    const entry = file.plan ?? startingPlan(file, shop.terms);
    return workOrder(plan ?? NO_PLAN, entry.shop, besidePlan(file, entry));
  }

  /** The sheet anew from setup and plan; steps of one's own stay at the end. */
  function makeSheet(plan: Plan | null): void {
    const file = job.document;
    if (!file) return;
    const whole = order(plan);
    const made = installSheet(asCase(file), plan, whole).map((step): InstallStep => {
      const tools = installTools(step);
      return {
        id: newId(),
        kind: step.kind,
        text: installStepText(step).slice(0, MOST_TEXT),
        cautions: [...step.cautions],
        ...(tools ? { tools } : {}),
        ...(step.minutes > 0 ? { plannedMinutes: step.minutes } : {}),
      };
    });
    change((own) => {
      own.plannedMinutes = whole.minutes;
      own.steps = [...made, ...own.steps.filter(({ kind }) => kind === 'own')];
    });
  }
  const editStep = (id: string, edit: (step: InstallStep) => void, gesture: string | null = null): void =>
    change((own) => {
      const found = own.steps.find((one) => one.id === id);
      if (found) edit(found);
    }, gesture);

  return { install, change, onHold, steps, done, next, order, makeSheet, editStep };
}

export type InstallState = ReturnType<typeof useInstall>;
