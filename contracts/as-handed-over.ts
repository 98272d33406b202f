import type { CaseDescription } from '@/core/4-clearance/case/case-description';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { asCase } from './as-case';
import type { LowgapFile } from './lowgap-file';

/** What goes home: the vehicle with what the last test fit had on, else the bench's setup, and what of the plan comes on top of it. */
export interface HandedOver {
  readonly description: CaseDescription;
  readonly plan: Plan | null;
}

/** A round of the plan had its changes of the setup on: its fixes of things alone are left to be told. */
export function asHandedOver(file: LowgapFile, plan: Plan | null): HandedOver {
  const last = file.testFits?.at(-1);
  const description = asCase(last?.setup ? { ...file, setup: last.setup } : file);
  if (!plan || last?.of !== 'plan') return { description, plan };
  return { description, plan: { ...plan, steps: plan.steps.filter(({ at }) => 'corner' in at) } };
}
