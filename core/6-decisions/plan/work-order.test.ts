import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { madeCase, madeCorner } from '../../fixtures/made-corner';
import { crowded, QUESTION, SHOP } from '../../fixtures/plan-wells';
import { CUTS } from './modification';
import { planCase } from './planner';
import { labourMinor } from './plan-question';
import { axleSteps, bodySteps, planOf, stepOf, type Plan } from './plan-step';
import { NO_AXLE_CHANGE, NO_CHANGE } from './setup-changes';
import { cheapestOf, planPrice, taxMinor, workOrder } from './work-order';

const at = { corner: 'frontLeft', obstacle: 'lip', label: 'Fender lip' } as const;

const PLAN = planOf(NO_CHANGE, [
  stepOf(SHOP, 'cutSheetMetal', at, 12),
  stepOf(SHOP, 'unbolt', { ...at, obstacle: 'flap', label: 'Mud flap' }, 0),
  stepOf(SHOP, 'spacer', { axle: 'front' }, 20),
  stepOf(SHOP, 'bumpStop', { axle: 'front' }, 15),
  stepOf(SHOP, 'bumpStop', { axle: 'rear' }, 15),
]);

describe('a work order', () => {
  test('what can be undone first, a trial fit before any cut, flexing and sealing after it, re-torque last', () => {
    const { lines } = workOrder(PLAN, SHOP);
    expect(lines.map(({ what }) => what)).toEqual([
      'stand',
      'unbolt',
      'bumpStop',
      'bumpStop',
      'spacer',
      'trialFit',
      'lookBehind',
      'cutSheetMetal',
      'flexAgain',
      'sealEdges',
      'reTorque',
    ]);
    expect(lines.find(({ what }) => what === 'cutSheetMetal')!.cautions).toEqual(
      expect.arrayContaining(['eyeProtection', 'noHeatNearFuelOrAirbag']),
    );
    expect(lines.find(({ what }) => what === 'unbolt')!.cautions).not.toContain('eyeProtection');
  });

  test('nothing is cut in a plan that does not need it, nor is there work without a plan', () => {
    const plan = planOf(NO_CHANGE, [stepOf(SHOP, 'unbolt', at, 0)]);
    expect(workOrder(plan, SHOP).lines.map(({ what }) => what)).toEqual(['stand', 'unbolt']);
    expect(workOrder(planOf(NO_CHANGE, []), SHOP)).toMatchObject({ lines: [], parts: [], minutes: 0 });
  });

  test('a kit maker’s step is recorded with its source, and parts of one kind are counted together', () => {
    const order = workOrder(PLAN, SHOP, {
      prescribed: [{ text: 'Drill the subframe tab', source: 'Kit sheet 4, step 7', minutes: 30 }],
      entered: [{ name: 'Wheel nuts, black', quantity: 24, unitMinor: 275 }],
    });
    expect(order.lines[1]).toMatchObject({ what: 'prescribed', prescribed: { source: 'Kit sheet 4, step 7' } });
    expect(order.parts.find(({ what }) => what === 'bumpStop')).toMatchObject({ quantity: 2, sumMinor: 8000 });
    expect(order.parts.find(({ what }) => what === 'entered')).toMatchObject({ quantity: 24, sumMinor: 6600 });
    expect(order.parts.map(({ what }) => what)).toEqual(expect.arrayContaining(['primer', 'paint', 'seamSealer']));
  });

  test('by hand: 75 minutes at 90.50 an hour, 19 % on all', () => {
    // 113.125 is charged as 113.13; 19 % of 113.13 is 21.4947.
    expect(labourMinor(SHOP, 75)).toBe(11_313);
    expect(taxMinor(11_313, 190_000)).toBe(2149);
    // Half a minor unit goes up.
    expect(taxMinor(50, 10_000)).toBe(1);
    expect(taxMinor(49, 10_000)).toBe(0);
  });

  test('sums are exact whatever the prices: every sum is that of its lines, tax within half a minor unit', () => {
    const part = fc.record({
      name: fc.string({ minLength: 1, maxLength: 8 }),
      quantity: fc.integer({ min: 1, max: 400 }),
      unitMinor: fc.integer({ min: 0, max: 10_000_000 }),
    });
    const terms = fc.record({
      labourMinorPerHour: fc.integer({ min: 0, max: 50_000 }),
      taxMillionths: fc.integer({ min: 0, max: 400_000 }),
      taxOn: fc.constantFrom('all' as const, 'parts' as const, 'nothing' as const),
    });
    fc.assert(
      fc.property(fc.array(part, { maxLength: 30 }), terms, (entered, own) => {
        const shop = { ...SHOP, ...own };
        const { lines, parts, sums } = workOrder(PLAN, shop, { entered });
        const exact = (amounts: readonly number[]): bigint => amounts.reduce((sum, next) => sum + BigInt(next), 0n);
        expect(BigInt(sums.labourMinor)).toBe(exact(lines.map((line) => line.labourMinor)));
        expect(BigInt(sums.partsMinor)).toBe(exact(parts.map(({ quantity, unitMinor }) => quantity * unitMinor)));
        expect(sums.totalMinor).toBe(sums.labourMinor + sums.partsMinor + sums.taxMinor);
        const due = BigInt(sums.taxedMinor) * BigInt(own.taxMillionths);
        const off = due - BigInt(sums.taxMinor) * 1_000_000n;
        expect(off >= -500_000n && off <= 500_000n).toBe(true);
      }),
      { seed: 8, numRuns: 200 },
    );
  });

  test('of a plan that was found: each change once, in the plan’s order', () => {
    const plan = planCase(crowded(1, 'cutToFit'), QUESTION).leastPermanent!;
    const { lines } = workOrder(plan, SHOP);
    const kinds = lines.filter(({ at: place }) => place !== null).map(({ what }) => what);
    expect(kinds).toEqual(plan.steps.map(({ kind }) => kind));
    expect(lines.some(({ what }) => what === 'flexAgain')).toBe(plan.steps.some(({ kind }) => CUTS.includes(kind)));
  });
});

test('a plan comes to what its work order sums up, and the cheapest is so as a whole', () => {
  const cut = planOf(NO_CHANGE, [stepOf(SHOP, 'cutSheetMetal', at, 5)]);
  const stop = planOf(NO_CHANGE, [stepOf(SHOP, 'steeringStop', { axle: 'front' }, 2)]);
  const priceOf = (plan: Plan) => planPrice(plan, SHOP);
  for (const plan of [PLAN, cut, stop]) {
    const { sums, minutes } = workOrder(plan, SHOP);
    expect(priceOf(plan)).toEqual({ netMinor: sums.netMinor, minutes, besideMinor: sums.netMinor - plan.costMinor });
  }
  // Cutting brings a trial fit, looking behind and sealing with it.
  expect(priceOf(cut).besideMinor).toBeGreaterThan(priceOf(stop).besideMinor);
  const entered = planPrice(cut, SHOP, { entered: [{ name: 'Flare', quantity: 2, unitMinor: 5000 }] });
  expect(entered.netMinor).toBe(priceOf(cut).netMinor + 10_000);
  expect(cheapestOf([PLAN, stop, cut], priceOf)).toBe(stop);
  expect(cheapestOf([], priceOf)).toBeNull();
});

test('a lift by power tools: 1.5 to 2.5 h on a beam axle, 3 to 4 on independent suspension, a body lift about 4 (common practice, no source)', () => {
  const shop = { ...SHOP, toolSet: 'power', minutes: {} } as const;
  const hours = (type: 'beamAxle' | 'swingArm'): number => {
    const motion = type === 'beamAxle' ? ({ type, hubSpacingMm: 1600 } as const) : ({ type } as const);
    const description = madeCase({ corners: { frontLeft: madeCorner({ motion }) } });
    const [step] = axleSteps(shop, description, 'front', { ...NO_AXLE_CHANGE, liftMm: 50 });
    return step!.minutes / 60;
  };
  expect(hours('beamAxle')).toBeGreaterThanOrEqual(1.5);
  expect(hours('beamAxle')).toBeLessThanOrEqual(2.5);
  expect(hours('swingArm')).toBeGreaterThanOrEqual(3);
  expect(hours('swingArm')).toBeLessThanOrEqual(4);
  expect(bodySteps(shop, 50)[0]!.minutes / 60).toBe(4);
  const byHand = bodySteps({ ...shop, toolSet: 'hand' }, 50)[0]!.minutes / 60;
  expect(byHand).toBeGreaterThanOrEqual(8);
  expect(byHand).toBeLessThanOrEqual(10);
  // The shop's own time goes before both.
  expect(
    axleSteps({ ...shop, minutes: { lift: 77 } }, madeCase({ corners: {} }), 'rear', {
      ...NO_AXLE_CHANGE,
      liftMm: 9,
    })[0]!.minutes,
  ).toBe(77);
});
