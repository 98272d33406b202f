import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LIMITS } from '@/core/1-base/limits';
import { otherUnitText, parseQuantity, quantityText } from './quantity';

describe('numbers in fields', () => {
  test.each([
    ['2 7/8', 'length', 73.025],
    ['57 mm', 'length', 57],
    ['8.5', 'inches', 8.5],
    ['8 1/2', 'inches', 8.5],
    ['215.9 mm', 'inches', 8.5],
  ] as const)('%s as %s is %s', (text, quantity, value) => {
    const range = quantity === 'inches' ? LIMITS.rimWidthIn : LIMITS.gapMm;
    expect(parseQuantity(text, quantity, range, 'mm')).toEqual({ ok: true, value });
  });

  test.each([
    ['32.5°', 32.5],
    ['-3', -3],
    ['1,5 deg', 1.5],
  ])('%s degrees is %s', (text, value) => {
    expect(parseQuantity(text, 'degrees', LIMITS.steerDeg, 'mm')).toEqual({ ok: true, value });
  });

  test.each([
    ['900', 'length', '0 to 800 mm', '900'],
    ['-1', 'length', '0 to 800 mm', '-1'],
    ['about an inch', 'length', 'a length such as 57 mm, 1.25 in or 2 7/8', 'about an inch'],
    ['', 'degrees', 'an angle in degrees', 'nothing'],
    ['NaN', 'degrees', 'an angle in degrees', 'NaN'],
  ] as const)('%p is refused with what was expected and found', (text, quantity, expected, found) => {
    expect(parseQuantity(text, quantity, LIMITS.gapMm, 'mm')).toMatchObject({
      ok: false,
      problems: [{ expected, found }],
    });
  });

  test('what was typed is shown while it still means the stored number', () => {
    expect(quantityText(73.025, '2 7/8', 'length', 'mm')).toBe('2 7/8');
    expect(quantityText(73.1, '2 7/8', 'length', 'mm')).toBe('73.1');
    expect(quantityText(50, 'gibberish', 'length', 'mm')).toBe('50');
    expect(quantityText(undefined, '2 7/8', 'length', 'mm')).toBe('');
    expect(quantityText(8.25, undefined, 'inches', 'mm')).toBe('8.25');
  });

  test('the other unit is shown beside what was typed', () => {
    expect(otherUnitText(73.025, '2 7/8', 'length', 'mm')).toBe('73 mm');
    expect(otherUnitText(57, '57', 'length', 'mm')).toBe('2 1/4 in');
    expect(otherUnitText(17, '17', 'inches', 'mm')).toBe('432 mm');
    expect(otherUnitText(3, '3', 'degrees', 'mm')).toBe('');
  });

  test('a shown number reads back as itself, to the shown digit', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 800, noNaN: true }), (mm) => {
        const read = parseQuantity(quantityText(mm, undefined, 'length', 'mm'), 'length', LIMITS.gapMm, 'mm');
        expect(read.ok && Math.abs(read.value - mm)).toBeLessThanOrEqual(0.05 + 1e-9);
      }),
    );
  });
});
