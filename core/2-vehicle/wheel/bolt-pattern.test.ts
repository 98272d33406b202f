import { expect, test } from '@jest/globals';
import { parseBoltPattern, samePattern } from './bolt-pattern';

test('patterns as they are typed: millimeters, inches, and what is none', () => {
  expect(parseBoltPattern('6x139.7')).toEqual({ studs: 6, circleMm: 139.7 });
  expect(parseBoltPattern(' 5 × 114,3 mm')).toEqual({ studs: 5, circleMm: 114.3 });
  expect(samePattern(parseBoltPattern('5x4.5'), parseBoltPattern('5x114.3'))).toBe(true);
  expect(samePattern(parseBoltPattern('6x5.5 in'), parseBoltPattern('6x139.7'))).toBe(true);
  expect(samePattern(parseBoltPattern('5x112'), parseBoltPattern('5x114.3'))).toBe(false);
  for (const text of ['', '6', '2x100', '5x1000', '5x114.3kg', '40x100']) {
    expect(() => parseBoltPattern(text)).toThrow(/studs x circle/);
  }
});
