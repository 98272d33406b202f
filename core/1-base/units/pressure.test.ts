import { expect, test } from '@jest/globals';
import { parsePressure, pressureWords } from './pressure';

test.each([
  ['240', 240],
  ['240 kPa', 240],
  ['2,4 bar', 240],
  // NIST SP 811: 1 psi = 6.894757 kPa.
  ['35psi', 241.3165],
])('%s is %s kPa', (text, kPa) => {
  expect(parsePressure(text, 'kPa')).toBeCloseTo(kPa, 3);
});

test.each(['', 'hard', '35 lb', '-2 bar', '2.4.1'])('%p is refused with what it was', (text) => {
  expect(() => parsePressure(text, 'kPa')).toThrow(`found ${text || 'nothing'}`);
});

test('a bare number is in the unit of the shop, and is asked about where only the other unit can be', () => {
  expect(parsePressure('35', 'psi')).toBeCloseTo(241.3165, 3);
  expect(() => parsePressure('35', 'kPa')).toThrow('its unit too, such as 35 psi');
  expect(() => parsePressure('240', 'psi')).toThrow('its unit too, such as 240 kPa');
  // A machine on soft ground: with its unit it is taken.
  expect(parsePressure('5 psi', 'kPa')).toBeCloseTo(34.474, 3);
  expect(() => parsePressure('5000 kPa', 'kPa')).toThrow('20 to 900 kPa (2.9 to 130.5 psi)');
});

test('both units, the shop’s first', () => {
  expect(pressureWords(241.3165, 'psi')).toBe('35 psi (241 kPa)');
  expect(pressureWords(240, 'kPa')).toBe('240 kPa (34.8 psi)');
});
