import { fallsShort } from '@/core/4-clearance/case/standard';
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { asCase } from '@/contracts/as-case';
import { asPlanQuestion, besidePlan, vehicleFacts } from '@/contracts/as-plan-question';
import { chosenOf, judgePlan, type PlanJudgement } from '@/core/6-decisions/plan/judge-plan';
import { planCase, type PlanAnswer } from '@/core/6-decisions/plan/planner';
import { formatMoney } from '@/core/1-base/units/money';
import { demoJobs } from '@/demo/demo-jobs';
import { mounted } from '../testing/mounting';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { planPrice, workOrder } from '@/core/6-decisions/plan/work-order';
import PlanCards from './PlanCards.vue';
import ThingsTable from './ThingsTable.vue';

/** The demo's wagon with what its plan room would ask. */
const { document: file } = demoJobs().find(({ title }) => title.startsWith('Rescue'))!;
let answer: PlanAnswer;
let judged: PlanJudgement;
let wrapper: VueWrapper;
const priceOf = (plan: Plan) => planPrice(plan, file.plan!.shop, besidePlan(file, file.plan!));

beforeAll(() => {
  const question = asPlanQuestion(file.plan!);
  answer = planCase(asCase(file), question);
  judged = judgePlan(asCase(file), chosenOf(answer.leastPermanent!), question, vehicleFacts(file));
});
afterEach(() => wrapper.unmount());

describe('plans side by side', () => {
  test('each card says what it costs and every step, and is taken with a press', async () => {
    wrapper = mounted(PlanCards, { answer, stale: false, priceOf, sections: new Map() }).wrapper;
    const { leastPermanent } = answer;
    expect(wrapper.text()).toContain(formatMoney(leastPermanent!.costMinor));
    // The sum on the card is the one at the foot of its work order, before tax.
    const { shop } = file.plan!;
    expect(wrapper.findAll('[data-testid="card-sum"]')[0]!.text()).toBe(
      formatMoney(workOrder(leastPermanent!, shop, besidePlan(file, file.plan!)).sums.netMinor),
    );
    expect(wrapper.findAll('ol')[0]!.findAll('li')).toHaveLength(leastPermanent!.steps.length);
    await wrapper
      .findAll('button')
      .find((key) => key.text() === 'Take this plan')!
      .trigger('click');
    expect(wrapper.emitted('take')).toEqual([[leastPermanent]]);
  });

  test('an answer to an older question says that it is', async () => {
    wrapper = mounted(PlanCards, { answer, stale: true, priceOf, sections: new Map() }).wrapper;
    expect(wrapper.find('[role="status"]').exists()).toBe(true);
    await wrapper.setProps({ stale: false });
    expect(wrapper.find('[role="status"]').exists()).toBe(false);
  });

  test('where nothing clears it says why, thing by thing, and offers no plan', () => {
    const none = planCase(asCase(file), { ...asPlanQuestion(file.plan!), allowed: {} });
    expect(none.leastPermanent).toBeNull();
    wrapper = mounted(PlanCards, { answer: none, stale: false, priceOf, sections: new Map() }).wrapper;
    expect(wrapper.findAll('button').filter((key) => key.text() === 'Take this plan')).toHaveLength(0);
    expect(wrapper.text().length).toBeGreaterThan(60);
  });
});

describe('every thing before and after', () => {
  test('what rubs, is near or is touched has a row; the others come at a press', async () => {
    wrapper = mounted(ThingsTable, { things: judged.things }).wrapper;
    const about = judged.things.filter(({ before, after, fix }) => fallsShort(before) || fallsShort(after) || fix);
    expect(wrapper.findAll('tbody tr')).toHaveLength(about.length);
    expect(about.length).toBeGreaterThan(3);
    const all = wrapper.findAll('button').find((key) => /more that clear/.test(key.text()));
    if (judged.things.length > about.length) {
      await all!.trigger('click');
      expect(wrapper.findAll('tbody tr')).toHaveLength(judged.things.length);
    } else expect(all).toBeUndefined();
  });
});
