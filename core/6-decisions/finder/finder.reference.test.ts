import { describe, expect, test } from '@jest/globals';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { MOTIONS, scattered } from '../../fixtures/scattered-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARD_IDS } from '../../4-clearance/case/standard';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { plainOutcome } from './plain-outcome';
import { NOTHING_ALLOWED, type FinderQuestion } from './question';
import { FinderSearch } from './search';
import { FAILS } from './staged-cells';

const MATERIALS = ['sheetMetal', 'liner', 'plastic', 'frame', 'hose', 'bodyMount'] as const;

/** An invented vehicle with things of every material about its wheels, one of them inside the wheel. */
function vehicle(seed: number, name: string): CaseDescription {
  const random = seededRandom(seed);
  const corner = scattered(random, name, 7, 3);
  const obstacles = corner.obstacles.map((o, i): ObstacleDescription => {
    // Out where some tires clear them and others do not.
    const out = 0.96 + 0.28 * random();
    const shape = o.shape!;
    const moved = {
      ...shape,
      points: shape.points.map(([x, y, z]) => [out * x, y * (1 + random()), out * z] as const),
    } as ObstacleDescription['shape'];
    return {
      ...o,
      shape: moved,
      material: MATERIALS[i % MATERIALS.length]!,
      ...(i === 4 ? { removable: true, behind: [] } : {}),
    };
  });
  const inside: ObstacleDescription = {
    id: 'caliper',
    mount: 'knuckle',
    material: 'brake',
    insideWheel: true,
    shape: {
      type: 'points',
      points: [
        [30, -70, 165],
        [-20, -45, 160],
      ],
    },
  };
  return {
    corners: { frontLeft: { ...corner, obstacles: [...obstacles, inside] } },
    envelope: seed % 2 ? 'trail' : 'street',
    standard: STANDARD_IDS[seed % 3]!,
  };
}

const QUESTION: FinderQuestion = {
  fit: 'allRound',
  tires: {
    from: 'list',
    list: ['225/55R17', '245/60R17', '265/65R17', '31x10.50R17', '285/70R17', '33x12.50R17LT'].map((size) => ({
      size,
    })),
  },
  wheels: { from: 'ranges', diametersIn: [17], widthsIn: [8], offsetMm: { from: -25, to: 45, step: 20 } },
  spacers: [{ thicknessMm: 0 }, { thicknessMm: 7 }],
  allowed: {
    unbolt: true,
    rerouteMm: 30,
    tuckLinerMm: 15,
    trimPlasticMm: 60,
    foldLipMm: 15,
    cutSheetMetalMm: 40,
    bodyMountMm: 0,
    bumpStopsMm: [],
    steeringStopsDeg: [],
    axleShiftsMm: [],
  },
  constraints: {},
};

/** Stances that ask for tables of their own, two a seed: another height, or another stop. */
const questionOf = (seed: number): FinderQuestion =>
  seed % 2
    ? { ...QUESTION, lift: { kind: 'strutTop', amountsMm: [0, 25] } }
    : { ...QUESTION, allowed: { ...QUESTION.allowed, bumpStopsMm: [30] } };

/** mm: how far a search may stop from the true least margin in an overlap of 60 mm. */
const SAME_MM = 1.6;

describe('what a search says of a combination is what each obstacle on its own says, seeded', () => {
  const results = { clears: 0, withChanges: 0, fails: 0, cannotStand: 0 };

  test.each(Object.keys(MOTIONS))('%s', (name) => {
    const cache = new SectionCache();
    for (let seed = 1; seed <= 2; seed++) {
      const description = vehicle(100 * seed + name.length, name);
      const question = questionOf(seed);
      const search = new FinderSearch(description, question);
      for (const progress of search.run()) expect(progress.done).toBeLessThanOrEqual(progress.total);
      const random = seededRandom(seed);
      for (let n = 0; n < 25; n++) {
        const number = Math.floor(random() * search.axes.combinationCount);
        const combination = search.axes.combination(number);
        expect(search.axes.numberOf(combination)).toBe(number);
        const cell = search.axes.cellOf(combination);
        if (cell < 0) continue;
        const plain = plainOutcome(
          description,
          question,
          search.axes.candidates,
          search.corners,
          combination,
          undefined,
          cache,
        );
        results[plain.result]++;
        const staged = search.cellsOfStance[combination.stance] ?? null;
        if (plain.result === 'cannotStand') {
          expect(staged).toBeNull();
          continue;
        }
        // A search may itself stop so far from a limit.
        if (plain.nearestLimitMm < (plain.lowGapMm < -25 ? SAME_MM : 0.25)) continue;
        const fails =
          (staged!.remedies[cell]! & FAILS) !== 0 ||
          (staged!.inside?.at(combination.wheel, combination.spacer) ?? 1) < 0;
        const found = fails
          ? 'fails'
          : search.verdicts.isPlain(staged!, cell, combination.stance)
            ? 'clears'
            : 'withChanges';
        expect({ seed, number, found }).toEqual({ seed, number, found: plain.result });
        if (found !== 'withChanges') continue;
        const permanent = 31 - Math.clz32(plain.remedies);
        expect({ seed, number, worst: 31 - Math.clz32(staged!.remedies[cell]!) }).toEqual({
          seed,
          number,
          worst: permanent,
        });
      }
    }
  });

  test('every way to come out was among them', () => {
    expect(Math.min(results.clears, results.withChanges, results.fails)).toBeGreaterThan(0);
  });

  test('the count over all combinations is the count of their cells', () => {
    const search = new FinderSearch(vehicle(4, 'swingArm'), { ...QUESTION, allowed: NOTHING_ALLOWED });
    for (const _ of search.run());
    const { tally } = search;
    let [clears, fails] = [0, 0];
    for (let number = 0; number < search.axes.combinationCount; number++) {
      const combination = search.axes.combination(number);
      const cell = search.axes.cellOf(combination);
      const staged = search.cellsOfStance[combination.stance];
      if (cell < 0) continue;
      const inside = staged?.inside?.at(combination.wheel, combination.spacer) ?? Infinity;
      if (!staged || staged.remedies[cell]! & FAILS || inside < 0) fails++;
      else clears++;
    }
    expect(tally).toMatchObject({
      clears,
      fails,
      withChanges: 0,
      needless: 0,
      refused: 0,
      combinations: clears + fails,
    });
    expect(clears).toBeGreaterThan(0);
  });
});
