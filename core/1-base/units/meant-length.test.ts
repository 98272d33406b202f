import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LIMITS } from '../limits';
import { attempt } from '../problem';
import { formatFraction, formatMm, LENGTH_UNITS, lengthIn, type LengthUnit } from './length';
import { meantLength, rangeText, unitInRun, withItsUnit } from './meant-length';

const read = (text: string, bare: LengthUnit, range = LIMITS.hubToLipMm) =>
  attempt(() => meantLength(text, range, bare));
const refusal = (text: string, bare: LengthUnit, range = LIMITS.hubToLipMm) => {
  const result = read(text, bare, range);
  return result.ok ? null : result.problems[0]!;
};

describe('a length as it was meant', () => {
  test.each([
    ['22', 'in', 558.8],
    ['540', 'mm', 540],
    ['22 1/4', 'mm', 565.15],
    ['540 mm', 'in', 540],
    ['22"', 'mm', 558.8],
    ['160 mm', 'in', 160],
  ] as const)('%s in a shop of %s is %f mm', (text, bare, mm) => {
    expect(meantLength(text, LIMITS.hubToLipMm, bare).mm).toBeCloseTo(mm, 6);
  });

  // Hub to lip: 22 in and 540 mm are usual (common practice, no source); 22 mm and 540 in are not.
  test.each([
    ['22', 'mm', '50 to 1500 mm, or 22 in with its unit'],
    ['540', 'in', '2 to 59.1 in (50 to 1500 mm), or 540 mm with its unit'],
  ] as const)('%s in a shop of %s asks for its unit', (text, bare, expected) => {
    expect(refusal(text, bare)).toMatchObject({ code: 'unitUnclear', expected, found: text });
  });

  test('a backspacing of 4.5 in a shop of mm is asked for its unit, with one it is taken', () => {
    expect(refusal('4.5', 'mm', LIMITS.backspacingMm)).toMatchObject({
      code: 'unitUnclear',
      expected: 'its unit too, 4.5 in or 4.5 mm',
    });
    expect(meantLength('4.5 mm', LIMITS.backspacingMm, 'mm').mm).toBe(4.5);
    expect(meantLength('4.5', LIMITS.backspacingMm, 'in').mm).toBeCloseTo(114.3, 9);
  });

  test('nothing is asked about nought, nor where no unit would make it likely', () => {
    expect(meantLength('0', LIMITS.suspensionLiftMm, 'in').mm).toBe(0);
    expect(refusal('99999', 'mm')).toMatchObject({ code: 'outOfRange', expected: '50 to 1500 mm' });
    expect(refusal('0.5', 'in')).toMatchObject({ code: 'outOfRange', expected: '2 to 59.1 in (50 to 1500 mm)' });
    expect(rangeText({ min: 0, max: 5, unit: 'degrees' }, 'in')).toBe('0 to 5 degrees');
  });

  test('whatever the notation and the shop, it is what was meant or is asked about: never another length', () => {
    const notations: readonly ((mm: number) => { readonly text: string; readonly own: LengthUnit })[] = [
      (mm) => ({ text: formatMm(mm), own: 'mm' }),
      (mm) => ({ text: `${formatMm(mm)}mm`, own: 'mm' }),
      (mm) => ({ text: `${formatMm(mm / 10, 2)} cm`, own: 'mm' }),
      (mm) => ({ text: `${formatFraction(mm)}"`, own: 'in' }),
      (mm) => ({ text: formatFraction(mm), own: 'in' }),
      (mm) => ({ text: (mm / 25.4).toFixed(2).replace('.', ','), own: 'in' }),
    ];
    let asked = 0;
    fc.assert(
      fc.property(
        // Hub to lip of what people bring: a small cart to a tall truck.
        fc.double({ min: 300, max: 1000, noNaN: true }),
        fc.constantFrom(...notations),
        fc.constantFrom(...LENGTH_UNITS),
        (mm, notation, bare) => {
          const { text, own } = notation(mm);
          const result = read(text, bare);
          if (!result.ok) {
            asked++;
            // Only a bare number of the other unit may be asked about.
            expect(text).toMatch(/^[\d.,]+$/);
            expect(own).not.toBe(bare);
          } else expect(Math.abs(result.value.mm - mm)).toBeLessThan(0.8);
        },
      ),
      { seed: 20, numRuns: 2000 },
    );
    expect(asked).toBeGreaterThan(100);
  });
});

describe('as it is written again', () => {
  test.each([
    ['4', 'in', '4 in'],
    ['57', 'mm', '57 mm'],
    ['3 5/8', 'mm', '3 5/8'],
    ['57mm', 'in', '57mm'],
    ['0', 'in', '0'],
    ['gibberish', 'in', 'gibberish'],
  ] as const)('%s typed in a shop of %s is kept as %s', (text, bare, kept) => {
    expect(withItsUnit(text, bare)).toBe(kept);
  });

  test('a length reads back as itself in either shop', () => {
    fc.assert(
      fc.property(fc.double({ min: 60, max: 1400, noNaN: true }), fc.constantFrom(...LENGTH_UNITS), (mm, unit) => {
        expect(
          Math.abs(meantLength(withItsUnit(lengthIn(mm, unit), unit), LIMITS.hubToLipMm, 'mm').mm - mm),
        ).toBeLessThan(0.03);
      }),
    );
    expect(lengthIn(73.025, 'in')).toBe('2 7/8');
    expect(lengthIn(73.4, 'in')).toBe('73.4 mm');
  });
});

test('a run goes on in its unit, unless the number can only be of the shop’s own', () => {
  const gap = LIMITS.gapMm;
  expect(unitInRun('4', gap, 'in', 'mm')).toBe('in');
  expect(unitInRun('60', gap, 'in', 'mm')).toBe('mm');
  expect(unitInRun('60', gap, 'mm', 'in')).toBe('mm');
  expect(unitInRun('wide', gap, 'in', 'mm')).toBe('in');
  // 12 in of gap or beside the tire no well has; 12 mm is usual (common practice, no source).
  for (const range of [gap, LIMITS.outboardMm]) expect(unitInRun('12', range, 'in', 'mm')).toBe('mm');
});
