import { beforeAll, describe, expect, test } from '@jest/globals';
import { madeFinderQuestion, madeVehicle } from '../../fixtures/finder-case';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { AnswerReader, type FinderAnswer } from './answer';
import { board, frontier } from './board';
import { plainOutcome } from './plain-outcome';
import { refusedTires } from './refusals';
import { NOTHING_ALLOWED, type FinderQuestion } from './question';
import { admittedCells, foundRow, INSIDE, nearestAdmitted } from './rows';
import { FinderSearch } from './search';
import { foundSetup } from './setup-of';
import { TABLE_REACH_MM } from './stage';
import { FAILS } from './staged-cells';

const description = madeVehicle(202, 'swingArm');

function searched(question: FinderQuestion, about = description): FinderSearch {
  const search = new FinderSearch(about, question);
  for (const _ of search.run());
  return search;
}

/** Load indices below the one wanted: every tire is kept out. */
const STRICT = madeFinderQuestion({
  tires: { from: 'list', list: ['245/60R17', '285/70R17'].map((size) => ({ size, loadIndex: 110 })) },
  constraints: { loadIndexLeast: 115 },
});

let search: FinderSearch;
let answer: FinderAnswer;
let bare: FinderSearch;

beforeAll(() => {
  search = searched(madeFinderQuestion());
  answer = new AnswerReader(search).answer();
  // Nothing may be changed: some tires do, some do not.
  bare = searched(madeFinderQuestion({ allowed: NOTHING_ALLOWED }));
});

/** The corner with one combination on it, by the exact search alone. */
function leastMarginMm(of: FinderSearch, number: number): number {
  const combination = of.axes.combination(number);
  const setup = foundSetup(of.description, [{ search: of, combination }]);
  const { obstacles } = evaluateCase({ ...of.description, setup });
  return Math.min(...obstacles.map(({ marginMm }) => marginMm));
}

describe('rows', () => {
  test('the low gap of a row is that of the whole evaluation, or the table’s reach where there is more', () => {
    for (const row of answer.rows) {
      const exact = leastMarginMm(search, row.number);
      if (row.lowGapIsLeast) expect(exact).toBeGreaterThanOrEqual(TABLE_REACH_MM - 0.25);
      // Where the inside of the wheel is tightest its margin may be a lower bound, and never more than there is.
      else if (row.obstacleLabel === INSIDE) expect(row.lowGapMm).toBeLessThanOrEqual(exact + 0.25);
      else expect(Math.abs(row.lowGapMm - exact)).toBeLessThan(0.25);
    }
  });

  test('there is one for each tire that does, biggest first, and each tire is either there or refused', () => {
    const tires = answer.rows.map(({ tire }) => tire);
    expect(new Set(tires).size).toBe(tires.length);
    const diameters = answer.rows.map(({ diameterMm }) => diameterMm);
    expect(diameters).toEqual([...diameters].sort((a, b) => b - a));
    const all = [...tires, ...answer.refused.map(({ tire }) => tire)].sort((a, b) => a - b);
    expect(all).toEqual(search.axes.candidates.tires.map((_, i) => i));
  });

  test('a row is named by the number of its combination and says what that is', () => {
    for (const row of answer.rows) {
      const combination = search.axes.combination(row.number);
      expect(row).toMatchObject({ ...combination });
      expect(foundRow(search, row.number)).toEqual(row);
      expect(row.size).toBe(search.axes.candidates.tires[combination.tire]!.size);
      expect(row.spacerMm).toBe(search.axes.candidates.spacers[combination.spacer]!.thicknessMm);
    }
  });

  test('what is clear as it is has nothing to be done to it, and the other way round', () => {
    for (const row of answer.rows) {
      expect(row.result === 'clears').toBe(row.remedies.length === 0);
      if (row.result === 'clears') expect(row.depthMm).toBe(0);
    }
  });

  test('ways to a tire are all of that tire, the least permanent first', () => {
    const reader = new AnswerReader(search);
    for (const { tire } of answer.rows) {
      const ways = reader.waysTo(tire);
      expect(ways.length).toBeGreaterThan(0);
      expect(ways.every((way) => way.tire === tire)).toBe(true);
      const hardness = ways.map(({ permanence }) => permanence);
      expect(hardness).toEqual([...hardness].sort((a, b) => a - b));
    }
    expect(reader.waysTo(answer.rows[0]!.tire, 1)).toHaveLength(1);
  });
});

describe('the board', () => {
  test('each diameter and effective offset has one dot at most', () => {
    const places = answer.board.map(
      ({ diameterMm, effectiveOffsetMm }) => `${Math.round(diameterMm)}:${Math.round(effectiveOffsetMm)}`,
    );
    expect(new Set(places).size).toBe(places.length);
    // Four offsets, each with two spacers, for every tire of another diameter.
    expect(new Set(answer.board.map(({ effectiveOffsetMm }) => effectiveOffsetMm)).size).toBe(8);
  });

  test('a dot says what its combination comes to when each obstacle is looked at on its own', () => {
    let compared = 0;
    for (const dot of answer.board) {
      const combination = search.axes.combination(dot.number);
      const plain = plainOutcome(description, search.question, search.axes.candidates, search.corners, combination);
      if (plain.nearestLimitMm < 1.6) continue;
      compared++;
      expect({ number: dot.number, result: dot.result }).toEqual({ number: dot.number, result: plain.result });
    }
    expect(compared).toBeGreaterThan(20);
  });

  test('what fails names its obstacle, its corner and what is missing', () => {
    const failing = board(bare).filter(({ result, missMm }) => result === 'fails' && missMm < 0);
    expect(failing.length).toBeGreaterThan(0);
    for (const dot of failing) {
      expect(dot.corner).toBe('frontLeft');
      expect(description.corners.frontLeft!.obstacles.map(({ label, id }) => label ?? id)).toContain(dot.obstacle);
      const exact = leastMarginMm(bare, dot.number);
      // The table's margin is a bound: never more than there is but by a search's own limit, and little less.
      expect(dot.marginMm).toBeLessThan(exact + 0.3);
      expect(dot.marginMm).toBeGreaterThan(exact - 1.6);
    }
  });

  test('a constraint that is broken is named, and its dots are worst of all', () => {
    const strict = searched(STRICT);
    const dots = board(strict);
    expect(dots.length).toBeGreaterThan(0);
    for (const dot of dots) expect(dot).toMatchObject({ result: 'refused', refusedBy: ['loadIndex'] });
    expect(admittedCells(strict)).toEqual([]);
    expect(new AnswerReader(strict).answer().contradiction).toEqual(['loadIndex']);
  });

  test('the frontier is the biggest that does at each offset and width', () => {
    const admitted = admittedCells(search);
    for (const step of frontier(search, admitted)) {
      const there = admitted
        .map(({ cell, number }) => ({ row: foundRow(search, number), planeMm: search.axes.placeOfCell(cell).planeMm }))
        .filter(({ row, planeMm }) => {
          const isAsWide = row.widthMm >= step.widthMm && row.widthMm < step.widthMm + 10;
          return isAsWide && -planeMm === step.effectiveOffsetMm;
        });
      const biggest = (result: string): number | null => {
        const found = there.filter(({ row }) => row.result === result).map(({ row }) => row.diameterMm);
        return found.length > 0 ? Math.max(...found) : null;
      };
      expect(step).toMatchObject({ clearsMm: biggest('clears'), withChangesMm: biggest('withChanges') });
    }
  });
});

describe('tires for which nothing does', () => {
  test('each is refused at the combination that misses least, and says by what', () => {
    const refused = refusedTires(bare, admittedCells(bare));
    expect(refused.length).toBeGreaterThan(0);
    for (const tire of refused) {
      if (tire.number === null) {
        expect(tire.refusedBy.length > 0 || tire.insideMm !== null).toBe(true);
        continue;
      }
      const exact = leastMarginMm(bare, tire.number);
      expect(tire.verdict!.marginMm).toBeCloseTo(exact, 0);
      expect(tire.verdict!.marginMm).toBeLessThan(0);
      // No other wheel or spacer of it misses less.
      const { axes } = bare;
      for (let number = 0; number < axes.combinationCount; number++) {
        const combination = axes.combination(number);
        const cell = axes.cellOf(combination);
        const staged = bare.cellsOfStance[combination.stance];
        if (combination.tire !== tire.tire || cell < 0 || !staged || !(staged.remedies[cell]! & FAILS)) continue;
        expect(staged.missMm[cell]!).toBeLessThanOrEqual(tire.verdict!.marginMm + 1.6);
      }
    }
  });

  test('a tire that a constraint keeps out names it', () => {
    const strict = searched(STRICT);
    const refused = refusedTires(strict, []);
    expect(refused).toHaveLength(2);
    for (const tire of refused) {
      expect(tire).toMatchObject({ number: null, verdict: null, refusedBy: ['loadIndex'], nearest: null });
    }
  });

  test('the nearest that does is nearest in diameter, width, offset and height together', () => {
    const admitted = admittedCells(bare);
    const [miss] = refusedTires(bare, admitted).filter(({ nearest }) => nearest !== null);
    const combination = bare.axes.combination(miss!.number!);
    const cell = bare.axes.cellOf(combination);
    const { planeMm } = bare.axes.placeOfCell(cell);
    const apart = (number: number): number => {
      const row = foundRow(bare, number);
      return (
        Math.abs(row.diameterMm - miss!.diameterMm) +
        Math.abs(row.widthMm - miss!.widthMm) +
        Math.abs(row.spacerMm - row.offsetMm - planeMm)
      );
    };
    const least = Math.min(...admitted.map(({ number }) => apart(number)));
    expect(apart(miss!.nearest!.number)).toBeCloseTo(least, 6);
    const staged = bare.cellsOfStance[combination.stance]!;
    expect(nearestAdmitted(bare, [], { staged, cell })).toBeNull();
  });
});
