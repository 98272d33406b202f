import type { PlanQuestion } from '@/core/6-decisions/plan/plan-question';
import type { VehicleFacts } from '@/core/6-decisions/plan/knock-ons';
import { setupWork } from '@/core/6-decisions/plan/setup-work';
import type { BesidePlan } from '@/core/6-decisions/plan/work-order';
import { asCase } from './as-case';
import type { LowgapFile } from './lowgap-file';
import type { PlanEntry } from './plan';

/** What the planner is asked, out of what a job keeps. On its own, so that workers do not load the schemas. */
export const asPlanQuestion = ({
  allowed,
  tried,
  bodyLiftsMm,
  sides = 'both',
  shop,
  consents,
}: PlanEntry): PlanQuestion => ({
  allowed,
  tried,
  bodyLiftsMm,
  sides,
  shop,
  consents: consents.map(({ corner, obstacle }) => `${corner}:${obstacle}`),
});

export const vehicleFacts = ({ vehicle, underbody }: LowgapFile): VehicleFacts => ({
  wheelbaseMm: vehicle.wheelbaseMm,
  slipJointEngagedMm: underbody?.slipJointEngagedMm,
  slipJointLeastMm: underbody?.slipJointLeastMm,
});

/** What a job's work order holds beside its plan: the maker's steps, parts entered, and all that the setup itself changes. */
export function besidePlan(file: LowgapFile, { prescribed, parts }: PlanEntry): BesidePlan {
  const description = asCase(file);
  return { prescribed, entered: parts, setup: setupWork(description), description };
}
