import { expect, test } from '@jest/globals';
import { parsePressure } from './pressure';

test.each([
  ['240', 240],
  ['240 kPa', 240],
  ['2,4 bar', 240],
  // NIST SP 811: 1 psi = 6.894757 kPa.
  ['35psi', 241.3165],
])('%s is %s kPa', (text, kPa) => {
  expect(parsePressure(text)).toBeCloseTo(kPa, 3);
});

test.each(['', 'hard', '35 lb', '-2 bar', '2.4.1'])('%p is refused with what it was', (text) => {
  expect(() => parsePressure(text)).toThrow(`found ${text || 'nothing'}`);
});
