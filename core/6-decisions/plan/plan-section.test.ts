import { describe, expect, test } from '@jest/globals';
import { crowded, QUESTION } from '../../fixtures/plan-wells';
import { chosenOf, judgePlan, NOTHING_CHOSEN } from './judge-plan';
import { planCase } from './planner';
import { planSection, type PlanCut, type PlanSection } from './plan-section';

const drawnGap = ({ part, nearest }: PlanCut): number => Math.hypot(part![0] - nearest[0], part![1] - nearest[1]);

describe('the section of a plan', () => {
  test('the gap drawn is the gap said, before and after', () => {
    let [cut, taken] = [0, 0];
    for (let seed = 1; seed <= 8; seed++) {
      const description = crowded(seed, 'cutToFit');
      const plan = planCase(description, QUESTION).leastPermanent;
      if (!plan?.steps.length) continue;
      const { before, after, requiredMm } = planSection(
        description,
        judgePlan(description, chosenOf(plan), QUESTION),
      ) as PlanSection;
      expect(before.gapMm!).toBeLessThan(requiredMm);
      expect(drawnGap(before)).toBeCloseTo(Math.abs(before.gapMm!), 6);
      if (after.part === null) {
        expect(plan.steps.some(({ kind }) => kind === 'unbolt')).toBe(true);
        expect([after.gapMm, after.verdict]).toEqual([null, 'takenAway']);
        taken++;
        continue;
      }
      cut++;
      expect(after.gapMm!).toBeGreaterThanOrEqual(requiredMm - 1e-6);
      expect(drawnGap(after)).toBeCloseTo(after.gapMm!, 6);
    }
    expect(Math.min(cut, taken)).toBeGreaterThan(0);
  });

  test('it is of the part that falls shortest', () => {
    const description = crowded(1, 'cutToFit');
    const judgement = judgePlan(description, NOTHING_CHOSEN, QUESTION);
    const least = Math.min(...judgement.things.map(({ unmendedMarginMm }) => unmendedMarginMm));
    const section = planSection(description, judgement)!;
    expect(section.before.gapMm! - section.requiredMm).toBeCloseTo(least, 6);
    expect(section.after).toEqual(section.before);
  });

  test('a case in which nothing falls short has none', () => {
    const description = crowded(1, 'cutToFit');
    const judgement = judgePlan(description, NOTHING_CHOSEN, QUESTION);
    const things = judgement.things.map((thing) => ({ ...thing, before: 'clear' as const }));
    expect(planSection(description, { ...judgement, things })).toBeNull();
  });
});
