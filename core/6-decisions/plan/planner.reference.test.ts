import { fallsShort } from '../../4-clearance/case/standard';
import { madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { chosenOf, judgePlan, NOTHING_CHOSEN } from './judge-plan';
import { crowded, QUESTION, SHOP } from '../../fixtures/plan-wells';
import { MODIFICATION_RULES, modificationsOf, MODIFICATIONS, type Modification } from './modification';
import { planCase } from './planner';
import type { PlanQuestion } from './plan-question';
import { byCost, byPermanence, type Plan } from './plan-step';
import { NO_AXLE_CHANGE, withChanges, type VehicleChanges } from './setup-changes';

/** A plan as told by its steps alone, each named by kind and place. */
interface Tried {
  readonly names: readonly string[];
  readonly permanence: number;
  readonly costMinor: number;
  readonly steps: readonly string[];
}

const priced = (kind: Modification): number =>
  Math.round((MODIFICATION_RULES[kind].minutes.power * SHOP.labourMinorPerHour) / 60) + (SHOP.partsMinor[kind] ?? 0);

/** Every way to mend every failing thing of the whole vehicle under every setting of both axles, one by one. */
function exhaustive(description: CaseDescription, { tried, allowed, bodyLiftsMm }: PlanQuestion): Tried[] {
  const plans: Tried[] = [];
  const { front, rear } = tried;
  const product = [0, ...bodyLiftsMm].flatMap((bodyLiftMm) =>
    [0, ...front.bumpStopMm!].flatMap((stop) =>
      [0, ...front.steeringStopDeg!].flatMap((lock) =>
        [0, ...front.spacerMm!].flatMap((spacer) =>
          [0, ...rear.bumpStopMm!].map((rearStop) => ({ bodyLiftMm, stop, lock, spacer, rearStop })),
        ),
      ),
    ),
  );
  for (const { bodyLiftMm, stop, lock, spacer, rearStop } of product) {
    const changes: VehicleChanges = {
      front: { ...NO_AXLE_CHANGE, bumpStopMm: stop, steeringStopDeg: lock, spacerMm: spacer },
      rear: { ...NO_AXLE_CHANGE, bumpStopMm: rearStop },
      bodyLiftMm,
    };
    const own: [Modification, string][] = [
      ...(bodyLiftMm ? [['bodyLift', 'body'] as [Modification, string]] : []),
      ...(stop ? [['bumpStop', 'front'] as [Modification, string]] : []),
      ...(lock ? [['steeringStop', 'front'] as [Modification, string]] : []),
      ...(spacer ? [['spacer', 'front'] as [Modification, string]] : []),
      ...(rearStop ? [['bumpStop', 'rear'] as [Modification, string]] : []),
    ];
    let combinations: [Modification, string][][] = [own];
    const { obstacles } = evaluateCase(withChanges(description, changes));
    for (const { corner, id, marginMm } of obstacles.filter(({ verdict }) => fallsShort(verdict))) {
      const entry = description.corners[corner]!.obstacles.find((o) => o.id === id)!;
      const ways = MODIFICATIONS.filter((kind) => {
        const { most, needs } = MODIFICATION_RULES[kind];
        const limit = most === null ? Infinity : Math.min(most, allowed[kind] ?? -1);
        const permitted =
          needs === null || description.standard === 'cutToFit' || ['unbolt', 'reroute', 'tuckLiner'].includes(needs);
        return modificationsOf(entry).includes(kind) && kind in allowed && permitted && limit >= -marginMm;
      });
      combinations = combinations.flatMap((chosen) =>
        ways.map((way) => [...chosen, [way, `${corner}:${id}`] as [Modification, string]]),
      );
    }
    for (const chosen of combinations) {
      const names = chosen.map(([kind, place]) => `${kind}@${place}`);
      plans.push({
        names,
        steps: names,
        permanence: Math.max(0, ...chosen.map(([kind]) => MODIFICATION_RULES[kind].permanence)),
        costMinor: chosen.reduce((sum, [kind]) => sum + priced(kind), 0),
      });
    }
  }
  return plans;
}

type Ordered = (a: Plan, b: Plan) => number;
const first = (plans: readonly Tried[], order: Ordered): Tried | undefined =>
  [...plans].sort(order as unknown as (a: Tried, b: Tried) => number)[0];

const measured = (plan: Pick<Plan, 'permanence' | 'costMinor'> | null | undefined) =>
  plan ? { permanence: plan.permanence, costMinor: plan.costMinor } : null;

const namesOf = ({ steps }: Plan): string[] =>
  steps.map(
    ({ kind, at }) => `${kind}@${'corner' in at ? `${at.corner}:${at.obstacle}` : 'axle' in at ? at.axle : 'body'}`,
  );

describe('plans against every way there is, seeded', () => {
  test('the least permanent, the cheapest and the runner-up are the best there are; there is one where there is any', () => {
    let [found, none, rivals] = [0, 0, 0];
    for (let seed = 1; seed <= 9; seed++) {
      const description = crowded(seed, seed % 2 ? 'cutToFit' : 'neverRub');
      // Every second shop may do little: there is not always a plan.
      const question = seed % 2 ? QUESTION : { ...QUESTION, allowed: { unbolt: 0, reroute: 30 } };
      const answer = planCase(description, question);
      const all = exhaustive(description, question);
      if (all.length === 0) {
        none++;
        expect({ seed, plan: answer.leastPermanent, cheapest: answer.cheapest }).toEqual({
          seed,
          plan: null,
          cheapest: null,
        });
        const { plan, left } = answer.nearest!;
        expect(left.length).toBeGreaterThan(0);
        // Carried out as far as it goes, just those remain that nothing mends.
        const { things } = judgePlan(description, chosenOf(plan), question);
        const short = things
          .filter(({ after, fault }) => fallsShort(after) || fault)
          .map(({ corner, id }) => `${corner} ${id}`);
        expect({ seed, short: short.sort() }).toEqual({
          seed,
          short: left.map(({ verdict }) => `${verdict.corner} ${verdict.id}`).sort(),
        });
        continue;
      }
      found++;
      const best = answer.leastPermanent!;
      expect({ seed, ...measured(best) }).toEqual({ seed, ...measured(first(all, byPermanence) as unknown as Plan) });
      expect({ seed, ...measured(answer.cheapest) }).toEqual({
        seed,
        ...measured(first(all, byCost) as unknown as Plan),
      });
      // The runner-up does without a kind of change of the best; so does each alternative without its own.
      const kindOf = (name: string): string => name.split('@')[0]!;
      const lacking = (kind: string): Tried[] =>
        all.filter(({ names }) => !names.some((name) => kindOf(name) === kind));
      for (const { without, plan } of answer.alternatives) {
        const other = first(lacking(without), byPermanence);
        expect({ seed, without, ...measured(plan) }).toEqual({ seed, without, ...measured(other as unknown as Plan) });
      }
      const without = namesOf(best).flatMap((name) => lacking(kindOf(name)));
      if (without.length > 0) rivals++;
      expect({ seed, second: measured(answer.runnerUp) }).toEqual({
        seed,
        second: measured(first(without, byPermanence) as unknown as Plan),
      });
    }
    expect(Math.min(found, rivals)).toBeGreaterThan(2);
    expect(none).toBeGreaterThan(0);
  });

  test('what a plan names is what the bench finds clear: its setup leaves only what its steps mend', () => {
    for (const seed of [1, 2, 4]) {
      const description = crowded(seed, 'cutToFit');
      const plan = planCase(description, QUESTION).cheapest;
      if (!plan) continue;
      const mended = plan.steps.flatMap(({ at }) => ('corner' in at ? [`${at.corner}:${at.obstacle}`] : []));
      const failing = evaluateCase(withChanges(description, plan.changes)).obstacles.filter(({ verdict }) =>
        fallsShort(verdict),
      );
      expect({ seed, failing: failing.map(({ corner, id }) => `${corner}:${id}`).sort() }).toEqual({
        seed,
        failing: mended.sort(),
      });
      const amounts = plan.steps.filter(({ at, amount }) => 'corner' in at && amount > 0);
      for (const { at, amount } of amounts) {
        const { corner, obstacle } = at as { corner: CornerKey; obstacle: string };
        expect(failing.find((o) => o.corner === corner && o.id === obstacle)!.marginMm).toBeCloseTo(-amount, 9);
      }
    }
  });
});

describe('what a plan never does (common practice, no source)', () => {
  test('nothing that carries the vehicle is offered for cutting, nor restraint or crash structure', () => {
    for (const material of ['arm', 'knuckle', 'frame', 'brake'] as const) {
      expect(modificationsOf({ id: 'x', mount: 'frame', material })).toEqual([]);
    }
    const structure = { id: 'x', mount: 'body', material: 'sheetMetal', removable: true, part: 'structure' } as const;
    expect(modificationsOf(structure)).toEqual([]);
    const inside = { id: 'x', mount: 'knuckle', material: 'sheetMetal', insideWheel: true, removable: true } as const;
    expect(modificationsOf(inside)).toEqual([]);
  });

  test('a crash bracket comes off with the owner’s consent to that very one, and is never cut', () => {
    const bracket = crowded(1, 'cutToFit').corners.frontLeft!;
    const description: CaseDescription = madeCase({
      corners: {
        frontLeft: {
          ...bracket,
          obstacles: [
            {
              id: 'bracket',
              mount: 'frame',
              material: 'sheetMetal',
              part: 'crashBracket',
              removable: true,
              shape: { type: 'points', points: [[390, 0, 60]] },
            },
          ],
        },
      },
      standard: 'cutToFit',
    });
    const asked: PlanQuestion = { ...QUESTION, allowed: { ...QUESTION.allowed, crashBracket: 0 }, bodyLiftsMm: [] };
    const refused = planCase(description, { ...asked, tried: { front: {}, rear: {} } });
    expect(refused.leastPermanent).toBeNull();
    expect(refused.nearest!.left[0]!.refusals).toEqual([{ kind: 'crashBracket', why: 'noConsent', mm: Infinity }]);
    const agreed = planCase(description, {
      ...asked,
      tried: { front: {}, rear: {} },
      consents: ['frontLeft:bracket'],
    });
    expect(agreed.leastPermanent!.steps.map(({ kind }) => kind)).toEqual(['crashBracket']);
  });

  test('where nothing is surveyed nothing is said to clear', () => {
    const { corners, ...rest } = crowded(1, 'cutToFit');
    const bare = { ...rest, corners: { frontLeft: { ...corners.frontLeft!, obstacles: [] } } };
    expect(() => planCase(bare, QUESTION)).toThrow(/something surveyed/);
    expect(judgePlan(bare, NOTHING_CHOSEN, QUESTION).clears).toBe(false);
  });

  test('more combinations than can be looked through are refused by name', () => {
    const many = Array.from({ length: 60 }, (_, i) => i + 1);
    const tried = { front: { bumpStopMm: many, spacerMm: many }, rear: {} };
    expect(() => planCase(crowded(1, 'cutToFit'), { ...QUESTION, tried })).toThrow(/combinations of the amounts/);
  });
});
