import { describe, expect, test } from '@jest/globals';
import type { CaseDescription, ObstacleDescription } from '../clearance/description';
import { evaluateCase } from '../clearance/evaluate';
import { seededRandom } from '../numeric/seeded-random';
import { MODIFICATION_RULES, modificationsOf, MODIFICATIONS, type Modification } from './modification';
import {
  byCost,
  byPermanence,
  planCase,
  withChanges,
  type Plan,
  type PlanQuestion,
  type SetupChanges,
} from './planner';

const MATERIALS = ['sheetMetal', 'liner', 'plastic', 'hose', 'bodyMount'] as const;

/** An invented corner crowded by things that can be changed, some of them taken off. */
function crowded(seed: number, standard: CaseDescription['standard']): CaseDescription {
  const random = seededRandom(seed);
  const obstacles = Array.from({ length: 5 }, (_, i): ObstacleDescription => {
    const angle = -1.4 + 2.8 * random();
    const radius = 415 + 55 * random();
    return {
      id: `thing-${i}`,
      mount: i % 2 ? 'frame' : 'body',
      material: MATERIALS[Math.floor(random() * MATERIALS.length)]!,
      shape: {
        type: 'points',
        points: [[radius * Math.sin(angle), -140 + 240 * random(), radius * Math.cos(angle) + 40]],
      },
      ...(random() < 0.2 ? { removable: true, behind: [] } : {}),
    };
  });
  return {
    corners: {
      frontLeft: {
        motion: { type: 'swingArm', frontView: null, sideView: null },
        steering: { inclinationDeg: 8, casterDeg: 3, kingpinOffsetMm: 90, lockLeftDeg: 30, lockRightDeg: 30 },
        staticCamberDeg: 0,
        staticToeDeg: 0,
        travel: { bumpMm: 40, droopMm: 60 },
        fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
        obstacles,
      },
    },
    envelope: 'trail',
    standard,
  };
}

const QUESTION: PlanQuestion = {
  allowed: {
    unbolt: 0,
    reroute: 30,
    tuckLiner: 15,
    trimPlastic: 60,
    rollFender: 12,
    foldLip: 20,
    cutSheetMetal: 60,
    bodyMountChop: 60,
  },
  tried: { bumpStopMm: [15, 30], steeringStopDeg: [5], spacerMm: [20], liftMm: [] },
  toolSet: 'power',
  labourMinorPerHour: 9000,
  partsMinor: { bumpStop: 4000, spacer: 9000, reroute: 500, cutSheetMetal: 2500, bodyMountChop: 6000 },
};

/** Every way to mend every failing thing under every setting, tried one by one. */
function exhaustive(description: CaseDescription, question: PlanQuestion): Pick<Plan, 'permanence' | 'costMinor'>[] {
  const plans: Pick<Plan, 'permanence' | 'costMinor'>[] = [];
  const priced = (kind: Modification): number =>
    Math.round(MODIFICATION_RULES[kind].hours[question.toolSet] * question.labourMinorPerHour) +
    (question.partsMinor[kind] ?? 0);
  for (const bumpStopMm of [0, ...question.tried.bumpStopMm]) {
    for (const steeringStopDeg of [0, ...question.tried.steeringStopDeg]) {
      for (const spacerMm of [0, ...question.tried.spacerMm]) {
        const changes: SetupChanges = { bumpStopMm, steeringStopDeg, spacerMm, liftMm: 0 };
        const { obstacles } = evaluateCase(withChanges(description, changes));
        const own: Modification[] = [
          ...(bumpStopMm ? (['bumpStop'] as const) : []),
          ...(steeringStopDeg ? (['steeringStop'] as const) : []),
          ...(spacerMm ? (['spacer'] as const) : []),
        ];
        let combinations: Modification[][] = [own];
        for (const { id, marginMm } of obstacles.filter(({ verdict }) => verdict === 'rubs')) {
          const entry = description.corners.frontLeft!.obstacles.find((o) => o.id === id)!;
          const ways = MODIFICATIONS.filter((kind) => {
            const { most, needs } = MODIFICATION_RULES[kind];
            const limit = most === null ? Infinity : Math.min(most, question.allowed[kind] ?? -1);
            const permitted =
              needs === null ||
              description.standard === 'cutToFit' ||
              ['unbolt', 'reroute', 'tuckLiner'].includes(needs);
            return modificationsOf(entry).includes(kind) && kind in question.allowed && permitted && limit >= -marginMm;
          });
          combinations = combinations.flatMap((chosen) => ways.map((way) => [...chosen, way]));
        }
        for (const chosen of combinations) {
          plans.push({
            permanence: Math.max(0, ...chosen.map((kind) => MODIFICATION_RULES[kind].permanence)),
            costMinor: chosen.reduce((sum, kind) => sum + priced(kind), 0),
          });
        }
      }
    }
  }
  return plans;
}

describe('plans against every way there is, seeded', () => {
  test('the least permanent and the cheapest are the best there are, and there is one where there is any', () => {
    let [found, none, changed] = [0, 0, 0];
    for (let seed = 1; seed <= 10; seed++) {
      const description = crowded(seed, seed % 3 ? 'cutToFit' : 'neverRub');
      const { leastPermanent, cheapest, runnerUp, nearest } = planCase(description, QUESTION);
      const all = exhaustive(description, QUESTION) as Plan[];
      const measured = ({ permanence, costMinor }: Plan) => ({ permanence, costMinor });
      const withSteps = all.map((plan) => ({ ...plan, steps: [] }));
      if (all.length === 0) {
        none++;
        expect({ seed, leastPermanent, cheapest, runnerUp }).toEqual({
          seed,
          leastPermanent: null,
          cheapest: null,
          runnerUp: null,
        });
        expect(nearest!.left.length).toBeGreaterThan(0);
        continue;
      }
      found++;
      if (leastPermanent!.steps.length > 0) changed++;
      expect({ seed, ...measured(leastPermanent!) }).toEqual({
        seed,
        ...measured([...withSteps].sort(byPermanence)[0]!),
      });
      expect({ seed, ...measured(cheapest!) }).toEqual({ seed, ...measured([...withSteps].sort(byCost)[0]!) });
      const second = [...withSteps].sort(byPermanence)[1];
      if (second) expect({ seed, ...measured(runnerUp!) }).toEqual({ seed, ...measured(second) });
      else expect(runnerUp).toBeNull();
    }
    expect(Math.min(found, changed)).toBeGreaterThan(2);
    expect(none + found).toBe(10);
  });

  test('steps stand in the order they are done, and their sums are the plan’s', () => {
    const { cheapest } = planCase(crowded(2, 'cutToFit'), QUESTION);
    const order = cheapest!.steps.map(({ kind }) => MODIFICATIONS.indexOf(kind));
    expect([...order].sort((a, b) => a - b)).toEqual(order);
    expect(cheapest!.costMinor).toBe(cheapest!.steps.reduce((sum, { costMinor }) => sum + costMinor, 0));
    expect(Number.isInteger(cheapest!.costMinor)).toBe(true);
  });
});

test('nothing that carries the vehicle is ever offered for cutting, whatever is allowed (common practice, no source)', () => {
  for (const material of ['arm', 'knuckle', 'frame', 'brake'] as const) {
    expect(modificationsOf({ id: 'x', mount: 'frame', material })).toEqual([]);
  }
  const inside = { id: 'x', mount: 'knuckle', material: 'sheetMetal', insideWheel: true, removable: true } as const;
  expect(modificationsOf(inside)).toEqual([]);
});
