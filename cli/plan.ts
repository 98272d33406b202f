import { writeFile } from 'node:fs/promises';
import { asCase } from '@/contracts/as-case';
import { asPlanQuestion, vehicleFacts, besidePlan } from '@/contracts/as-plan-question';
import { planSchema } from '@/contracts/plan';
import { chosenOf, judgePlan } from '@/core/6-decisions/plan/judge-plan';
import { planCase, type PlanAnswer } from '@/core/6-decisions/plan/planner';
import { workOrder } from '@/core/6-decisions/plan/work-order';
import { ProblemError } from '@/core/1-base/problem';
import { setupLine } from '@/sheets/order-head';
import { orderDocument } from '@/sheets/order-document';
import { partsCsv } from '@/sheets/parts-csv';
import { fontsOnDisk } from '@/sheets/fonts-on-disk';
import { writeOrderPdf } from '@/sheets/write-order-pdf';
import { paperOption } from './cut';
import { readCase } from './outcome';

export interface OrderCommandOptions {
  readonly out: string;
  readonly paper: string;
  readonly date?: string;
}

/** `lowgap plan FILE` */
export async function planCommand(path: string): Promise<PlanAnswer> {
  const file = await readCase(path);
  return planCase(asCase(file), asPlanQuestion(file.plan ?? planSchema.parse({})));
}

/** `lowgap order FILE --out ORDER.pdf|.csv [--paper A4] [--date DATE]` */
export async function orderCommand(path: string, { out, paper, date }: OrderCommandOptions) {
  const kind = /\.(pdf|csv)$/i.exec(out)?.[1]?.toLowerCase();
  if (!kind) {
    throw new ProblemError({
      code: 'wrongFormat',
      path: '--out',
      expected: 'a name ending in .pdf or .csv',
      found: out,
    });
  }
  const size = paperOption(paper);
  const file = await readCase(path);
  const plan = file.plan ?? planSchema.parse({});
  const question = asPlanQuestion(plan);
  const best = plan.chosen ?? (await planCommand(path)).leastPermanent;
  if (!best) {
    throw new ProblemError({
      code: 'notFound',
      path: 'plan',
      expected: 'a plan that clears',
      found: 'none: see `lowgap plan`',
    });
  }
  const judged = judgePlan(asCase(file), 'steps' in best ? chosenOf(best) : best, question, vehicleFacts(file));
  const order = workOrder(judged.plan, plan.shop, besidePlan(file, plan));
  const head = {
    job: file.vehicle.label,
    customer: '',
    vehicle: file.vehicle.label,
    date: date ?? '',
    setup: setupLine(judged.setup),
    standard: file.standard,
    localRules: file.intake?.localRules ?? '',
    reTorqueAfter: plan.spacer?.reTorqueAfter ?? '',
    taxMillionths: plan.shop.taxMillionths,
    consents: plan.consents.map(({ corner, obstacle, owner, date: signed }) => ({
      label: file.corners[corner]?.obstacles.find(({ id }) => id === obstacle)?.label ?? obstacle,
      owner,
      date: signed,
    })),
  };
  const written =
    kind === 'csv'
      ? partsCsv(order.parts)
      : await writeOrderPdf(orderDocument(head, judged, order), size, fontsOnDisk());
  await writeFile(out, written);
  return { file: out, clears: judged.clears, minutes: order.minutes, ...order.sums };
}
