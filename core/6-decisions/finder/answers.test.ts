import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bitOf, CONSTRAINTS } from './constraints';
import { contradictionOf } from './contradiction';
import { covers, edgeAtTop } from '../../5-consequences/stance/fender-edge';
import { paretoSet } from './pareto';
import { spanValues } from './span';
import { formatMoney, parseMoney } from '../../1-base/units/money';

test('a set that none beats: what is left out is beaten or equalled, what is kept is not', () => {
  const point = fc.record({ costs: fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 3, maxLength: 3 }) });
  fc.assert(
    fc.property(fc.array(point, { maxLength: 40 }), (points) => {
      const kept = paretoSet(points, Infinity);
      const covered = (one: { costs: number[] }, other: { costs: number[] }): boolean =>
        one.costs.every((cost, i) => cost <= other.costs[i]!);
      for (const one of points) expect(kept.some((other) => covered(other, one))).toBe(true);
      for (const one of kept) expect(kept.some((other) => other !== one && covered(other, one))).toBe(false);
    }),
  );
});

describe('contradictions', () => {
  test('one that all break is named alone, else two of which each breaks one, else none', () => {
    const [load, poke, budget] = [bitOf('loadIndex'), bitOf('poke'), bitOf('budget')];
    expect(contradictionOf([load | poke, load])).toEqual(['loadIndex']);
    expect(contradictionOf([load, poke, load | budget])).toEqual(['loadIndex', 'poke']);
    expect(contradictionOf([load, poke, budget])).toBeNull();
    expect(contradictionOf([])).toBeNull();
  });

  test('the bits are one each', () => {
    expect(new Set(CONSTRAINTS.map(bitOf)).size).toBe(CONSTRAINTS.length);
  });
});

test('a fender covers a tire where its edge is known all round, and not where it is short somewhere', () => {
  const edge = (values: (number | null)[]) => ({ outboardMm: values });
  const upright = (widestMm: number) => ({ widestMm, widestRadiusMm: 300, camberRad: 0 });
  expect(covers(edge([150, 152, 150, 151, 150, 150, 150, 150]), upright(149))).toBe(true);
  expect(covers(edge([150, 140, 150, 151, 150, 150, 150, 150]), upright(149))).toBe(false);
  expect(covers(edge([150, null, 150, 151, 150, 150, 150, 150]), upright(149))).toBeNull();
  expect(covers(edge([140, null, 150, 151, 150, 150, 150, 150]), upright(149))).toBe(false);
  expect(edgeAtTop(edge([1, 2, 3, 4, 150, 152, 5, 6]))).toBe(152);
  expect(edgeAtTop(edge([1, 2, 3, 4, null, null, 5, 6]))).toBeNull();
});

test('a span has both its ends', () => {
  expect(spanValues({ from: -30, to: 45, step: 25 }, '')).toEqual([-30, -5, 20, 45]);
  expect(spanValues({ from: 0, to: 0.3, step: 0.1 }, '')).toEqual([0, 0.1, 0.2, 0.3]);
  expect(spanValues({ from: 7, to: 7, step: 0 }, '')).toEqual([7]);
  expect(() => spanValues({ from: 0, to: Number.NaN, step: 1 }, 'a')).toThrow();
});

test('money is kept in whole minor units', () => {
  expect(['189', '189.5', '1 250,05', "12'000"].map((text) => parseMoney(text))).toEqual([
    18900, 18950, 125005, 1200000,
  ]);
  expect(formatMoney(125005)).toBe('1250.05');
  for (const bad of ['', '-3', '1.234', 'free', '1e3']) expect(() => parseMoney(bad)).toThrow();
});
