import { expect, test } from '@jest/globals';
import { FORMULA, plainNumber, withoutGuard } from './csv-cells';

test('formulas are caught on their first letter, numbers never', () => {
  for (const cell of ['=1+1', '+cmd', '-2+3', '@SUM(A1)', '\t=1', '-12.5.3'])
    expect([cell, FORMULA.test(cell)]).toEqual([cell, true]);
  for (const cell of ['-12.5', '+4', '-0,5', '12', 'x=1', ''])
    expect([cell, FORMULA.test(cell)]).toEqual([cell, false]);
  expect(withoutGuard("'=1+1")).toBe('=1+1');
  expect(withoutGuard("'quoted")).toBe("'quoted");
});

test.each([
  ['1.234,5', '1234.5'],
  ['1 234,50', '1234.50'],
  ['1\u202f234', '1234'],
  ["1'234.5", '1234.5'],
  ['1,234,567.8', '1234567.8'],
  ['-1.234.567', '-1234567'],
  // Three decimals, or a thousand: left as it stands.
  ['1.234', '1.234'],
  ['1,234', '1,234'],
  ['8,5', '8,5'],
  ['5 1/4 in', '5 1/4 in'],
])('%s is %s', (text, plain) => expect(plainNumber(text)).toBe(plain));
