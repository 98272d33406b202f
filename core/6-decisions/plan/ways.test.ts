import { describe, expect, test } from '@jest/globals';
import { FITTED, madeCase, madeCorner } from '../../fixtures/made-corner';
import { QUESTION, SHOP } from '../../fixtures/plan-wells';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { acrossFrom, type CornerKey } from '../../2-vehicle/setup/corner-key';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { fallsShort } from '../../4-clearance/case/standard';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { chosenOf, judgePlan, withFix, type Fix } from './judge-plan';
import { MODIFICATION_RULES, modificationsOf, RESHAPES, type Modification } from './modification';
import { planCase } from './planner';
import { waysToMend } from './ways';
import type { PlanQuestion } from './plan-question';

const NONE = { front: {}, rear: {} } as const;
const BOTH: PlanQuestion = { ...QUESTION, tried: NONE, bodyLiftsMm: [], sides: 'both' };
const EACH: PlanQuestion = { ...BOTH, sides: 'each' };

/** A thing straight above the tire, `mm` higher than its crown. */
const above = (id: string, mm: number, more: Partial<ObstacleDescription> = {}): ObstacleDescription => ({
  id,
  label: id,
  mount: 'body',
  material: 'plastic',
  shape: { type: 'points', points: [[0, -20, 401.4 + mm]] },
  ...more,
});
const travel = { bumpMm: 40, droopMm: 60 };
const axle = (left: readonly ObstacleDescription[], right: readonly ObstacleDescription[] | null): CaseDescription =>
  madeCase({
    standard: 'cutToFit',
    corners: {
      frontLeft: madeCorner({ travel, obstacles: left }),
      ...(right ? { frontRight: madeCorner({ travel, obstacles: right }) } : {}),
    },
  });
const stepsOf = (description: CaseDescription, question: PlanQuestion) =>
  planCase(description, question).leastPermanent!.steps.map(
    ({ kind, at, amount, isBoth }) =>
      `${kind} ${'corner' in at ? at.corner : ''} ${amount.toFixed(0)}${isBoth ? ' both' : ''}`,
  );

describe('both sides of an axle', () => {
  test('what is cut on one is cut on the other, by the most that either wants', () => {
    const [left, right] = [[above('cap', 25)], [above('cap', 33)]];
    expect(stepsOf(axle(left, right), EACH)).toEqual(['trimPlastic frontLeft 21', 'trimPlastic frontRight 13']);
    expect(stepsOf(axle(left, right), BOTH)).toEqual(['trimPlastic frontLeft 21', 'trimPlastic frontRight 21']);
    // Also where the other side clears.
    expect(stepsOf(axle(left, [above('cap', 80)]), EACH)).toEqual(['trimPlastic frontLeft 21']);
    expect(stepsOf(axle(left, [above('cap', 80)]), BOTH)).toEqual([
      'trimPlastic frontLeft 21',
      'trimPlastic frontRight 21',
    ]);
  });

  test('a side that nobody described is counted and said, and costs as much again', () => {
    const description = axle([above('cap', 25)], null);
    expect(stepsOf(description, BOTH)).toEqual(['trimPlastic frontLeft 21 both']);
    const [both, each] = [BOTH, EACH].map((question) => planCase(description, question).leastPermanent!);
    expect(both!.minutes).toBe(2 * each!.minutes);
    expect(judgePlan(description, chosenOf(both!), BOTH).plan.costMinor).toBe(both!.costMinor);
  });

  test('what is taken off, or is another thing there, stays on its side', () => {
    const removable = { removable: true, behind: [] } as const;
    expect(stepsOf(axle([above('flap', 25, removable)], [above('flap', 80, removable)]), BOTH)).toEqual([
      'unbolt frontLeft 0',
    ]);
    expect(stepsOf(axle([above('cap', 25)], [above('lip', 80)]), BOTH)).toEqual(['trimPlastic frontLeft 21']);
  });

  test('no one kind does for both: each is mended for itself, by every way that is admitted', () => {
    const left = [above('cap', 25, { material: 'plastic' })];
    const right = [above('cap', 25, { material: 'sheetMetal' })];
    expect(stepsOf(axle(left, right), BOTH)).toEqual(['trimPlastic frontLeft 21', 'cutSheetMetal frontRight 24']);
    // The dearest of one side is the only one that stays when the others are not to be used.
    const { alternatives } = planCase(axle([above('cap', 35, { material: 'plastic' })], right), BOTH);
    const without = alternatives.find((one) => one.without === 'heatForm') ?? alternatives[0]!;
    expect(without.plan?.steps.map(({ kind }) => kind)).not.toContain(without.without);
    expect(without.plan).not.toBeNull();
  });

  test('by hand the other side goes along, and comes off again with it', () => {
    const description = axle([above('cap', 25)], [above('cap', 80)]);
    const at = { corner: 'frontLeft', obstacle: 'cap' } as const;
    const fix: Fix = { ...at, kind: 'trimPlastic', amountMm: 20 };
    const both = withFix(description, [], at, fix, BOTH);
    expect(both).toEqual([fix, { ...fix, corner: 'frontRight' }]);
    expect(withFix(description, both, { ...at, corner: 'frontRight' }, null, BOTH)).toEqual([]);
    expect(withFix(description, [], at, fix, EACH)).toEqual([fix]);
    // Changed for what is done on one side alone, it leaves the other side's as it was.
    const off: Fix = { ...at, kind: 'unbolt', amountMm: 0 };
    expect(withFix(description, both, at, off, BOTH)).toEqual([{ ...fix, corner: 'frontRight' }, off]);
  });

  test('of all ways there are, with both sides alike, the cheapest; seeded', () => {
    const MATERIALS = ['plastic', 'liner', 'sheetMetal', 'hose'] as const;
    let found = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const random = seededRandom(seed);
      const side = (): ObstacleDescription[] =>
        MATERIALS.map((material, i) =>
          above(`thing-${i}`, 30 + 40 * random(), {
            material,
            shape: { type: 'points', points: [[-60 + 40 * i, -20, 401.4 + 25 + 40 * random()]] },
          }),
        );
      const description = axle(side(), side());
      const plan = planCase(description, BOTH).cheapest;
      const least = cheapestByHand(description);
      expect({ seed, cost: plan?.costMinor ?? null }).toEqual({ seed, cost: least });
      if (plan) found++;
    }
    expect(found).toBeGreaterThan(3);
  });
});

/** The least of every kind for every thing, one by one; null where one thing cannot be mended. */
function cheapestByHand(description: CaseDescription): number | null {
  const failing = evaluateCase(description).obstacles.filter(({ verdict }) => fallsShort(verdict));
  const priced = (kind: Modification): number =>
    Math.round((MODIFICATION_RULES[kind].minutes.power * SHOP.labourMinorPerHour) / 60) + (SHOP.partsMinor[kind] ?? 0);
  let sum = 0;
  for (const id of new Set(failing.map((one) => one.id))) {
    const group = failing.filter((one) => one.id === id);
    const kinds = group.map((verdict) => waysToMend(description, verdict, BOTH).steps.map(({ kind }) => kind));
    if (kinds.some((own) => own.length === 0)) return null;
    const common = kinds[0]!.filter((kind) => kinds.every((own) => own.includes(kind)));
    const twins = (kind: Modification): number => {
      const other: CornerKey = acrossFrom(group[0]!.corner);
      const twin = description.corners[other]!.obstacles.find((one) => one.id === id)!;
      const goesAlong = RESHAPES.some((one) => one === kind) && modificationsOf(twin).includes(kind);
      return goesAlong ? 2 : group.length;
    };
    const ways = common.map((kind) => twins(kind) * priced(kind));
    sum += ways.length > 0 ? Math.min(...ways) : kinds.reduce((each, own) => each + Math.min(...own.map(priced)), 0);
  }
  return sum;
}

describe('two parts whose own gap matters', () => {
  /** A coil's end on the frame, and a bracket on the axle 100 mm below it: 60 mm at full bump. */
  const COIL: ObstacleDescription = {
    id: 'coil',
    label: 'Coil',
    mount: 'frame',
    material: 'spring',
    shape: { type: 'points', points: [[0, -400, 300]] },
  };
  const BRACKET: ObstacleDescription = {
    ...COIL,
    id: 'bracket',
    label: 'Bracket',
    mount: 'axle',
    material: 'frame',
    shape: { type: 'points', points: [[0, -400, 200]] },
  };
  const paired = (requiredMm: number, setup?: CaseDescription['setup']): CaseDescription =>
    madeCase({
      corners: {
        rearLeft: madeCorner({
          travel,
          obstacles: [COIL, BRACKET],
          pairs: [{ a: 'coil', b: 'bracket', requiredMm }],
        }),
      },
      ...(setup ? { setup } : {}),
    });
  const stops: PlanQuestion = { ...BOTH, tried: { front: {}, rear: { bumpStopMm: [10, 20], liftMm: [30] } } };

  test('are planned for: the least change that parts them is found', () => {
    expect(planCase(paired(55), stops).leastPermanent!.steps).toEqual([]);
    const [step] = planCase(paired(75), stops).leastPermanent!.steps;
    // 100 mm at ride less 40 of bump: 15 more want a stop 15 mm longer, and 20 is the next that is tried.
    expect(step).toMatchObject({ kind: 'bumpStop', at: { axle: 'rear' }, amount: 20 });
  });

  test('nothing that is tried parts them: no plan, and that pair is what remains', () => {
    const { leastPermanent, nearest } = planCase(paired(90), stops);
    expect(leastPermanent).toBeNull();
    expect(nearest!.plan.steps).toMatchObject([{ kind: 'bumpStop', amount: 20 }]);
    expect(nearest!.pairs).toMatchObject([{ corner: 'rearLeft', a: 'coil', b: 'bracket', requiredMm: 90 }]);
    expect(nearest!.pairs[0]!.gapMm).toBeCloseTo(80, 3);
  });

  test('a plan by hand is no plan while they are too near, and says by how much', () => {
    const judged = judgePlan(
      paired(75),
      { changes: chosenOf(planCase(paired(55), stops).leastPermanent!).changes, fixes: [] },
      stops,
    );
    expect(judged.pairs).toMatchObject([{ a: 'Coil', b: 'Bracket', isShort: true, requiredMm: 75 }]);
    expect(judged.pairs[0]!.afterGapMm).toBeCloseTo(60, 3);
    expect(judged.clears).toBe(false);
  });

  test('one of them taken off is no pair any more', () => {
    const description = paired(75);
    const [coil, bracket] = description.corners.rearLeft!.obstacles;
    const off = {
      ...description,
      corners: {
        rearLeft: {
          ...description.corners.rearLeft!,
          obstacles: [coil!, { ...bracket!, removable: true, behind: [] }],
        },
      },
      setup: { ...fittedAsSetup(FITTED), removed: ['bracket'] },
    };
    expect(evaluateCase(off).pairs).toEqual([]);
  });

  test('one that has no place yet is not known, and stops nothing', () => {
    const description = paired(75);
    const { shape: _, ...unread } = BRACKET;
    const corner = { ...description.corners.rearLeft!, obstacles: [COIL, { ...unread, readings: [] }] };
    const { pairs, unmeasured } = evaluateCase({ ...description, corners: { rearLeft: corner } });
    expect(pairs).toEqual([]);
    expect(unmeasured).toMatchObject([{ id: 'bracket' }]);
  });
});

describe('why a lift does or does not help', () => {
  const tried = { front: { liftMm: [25, 50] }, rear: {} };
  test('where the stops decide, nothing: the wheel still comes up to them', () => {
    const [help] = planCase(axle([above('cap', 25)], null), { ...BOTH, tried }).lift;
    expect(help).toMatchObject({ liftMm: 50, verdict: { id: 'cap' } });
    expect(help!.afterGapMm).toBeCloseTo(help!.verdict.gapMm, 6);
  });
  test('on the street, where lock is free near the parked height alone, it may', () => {
    const description: CaseDescription = { ...axle([above('cap', 25)], null), envelope: 'street' };
    const { lift } = planCase(description, { ...BOTH, tried });
    for (const { afterGapMm, verdict } of lift) expect(afterGapMm).toBeGreaterThanOrEqual(verdict.gapMm - 1e-6);
  });
  test('no lift tried: nothing is said of one', () => {
    expect(planCase(axle([above('cap', 25)], null), BOTH).lift).toEqual([]);
  });
});

describe('folding before cutting, as the intake allows', () => {
  /** A lip `mm` over the crown: what it wants is had by folding up to 20 mm of it. */
  const lip = (mm: number) =>
    axle(
      [
        above('lip', mm, {
          material: 'sheetMetal',
          shape: {
            type: 'polyline',
            points: [
              [-40, -20, 401.4 + mm],
              [40, -20, 401.4 + mm],
            ],
          },
        }),
      ],
      null,
    );
  const kinds = (description: CaseDescription, allowed: PlanQuestion['allowed']) =>
    planCase(description, { ...EACH, allowed }).leastPermanent?.steps.map(({ kind }) => kind) ?? null;
  test('what a fold gives is folded; what it does not is cut; where folding is not allowed it is cut', () => {
    const both = { foldLip: 20, cutSheetMetal: 60 };
    expect(kinds(lip(35), both)).toEqual(['foldLip']);
    expect(kinds(lip(15), both)).toEqual(['cutSheetMetal']);
    expect(kinds(lip(35), { cutSheetMetal: 60 })).toEqual(['cutSheetMetal']);
    expect(kinds(lip(15), { foldLip: 20 })).toBeNull();
  });
});

describe('a change by hand that may not be', () => {
  const description = axle([above('cap', 25)], null);
  const fault = (allowed: PlanQuestion['allowed'], amountMm: number) =>
    judgePlan(
      description,
      {
        changes: chosenOf(planCase(description, BOTH).leastPermanent!).changes,
        fixes: [{ corner: 'frontLeft', obstacle: 'cap', kind: 'trimPlastic', amountMm }],
      },
      { ...BOTH, allowed },
    ).things[0]!.fault;
  test.each([
    [{}, 20, { why: 'notAllowed', limitMm: 0 }],
    [{ trimPlastic: 15 }, 20, { why: 'moreThanAllowed', limitMm: 15 }],
    [{ trimPlastic: 60 }, 61, { why: 'tooDeep', limitMm: 60 }],
    [{ trimPlastic: 60 }, 10, { why: 'notEnough', limitMm: 20.5 }],
    [{ trimPlastic: 60 }, 21, null],
  ] as const)('%j, %d mm', (allowed, amountMm, expected) => expect(fault(allowed, amountMm)).toEqual(expected));
});
