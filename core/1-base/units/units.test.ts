import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { attempt } from '../problem';
import { formatClock, parseClock } from './clock';
import { formatFraction, formatFractionUp, formatMm, parseLength } from './length';

describe('lengths as people type them', () => {
  test.each([
    ['57mm', 57, 'mm'],
    ['57', 57, 'mm'],
    ['12,5 mm', 12.5, 'mm'],
    ['5.5 cm', 55, 'mm'],
    ['1.25in', 31.75, 'in'],
    ['1.25"', 31.75, 'in'],
    ['2 7/8', 73.025, 'in'],
    ['2-7/8', 73.025, 'in'],
    ['1 1/4"', 31.75, 'in'],
    ['3/16', 4.7625, 'in'],
    ['1½ in', 38.1, 'in'],
    ['-3', -3, 'mm'],
    ['.5 in', 12.7, 'in'],
  ])('%s is %s mm', (text, mm, unit) => {
    expect(parseLength(text, 'mm')).toMatchObject({ mm: expect.closeTo(mm, 9), unit });
  });

  test('a plain number takes the unit of the field; a fraction is always inches', () => {
    expect(parseLength('2', 'in').mm).toBeCloseTo(50.8, 9);
    expect(parseLength('1/2', 'mm').mm).toBeCloseTo(12.7, 9);
  });

  test.each(['', 'wide', '1/0', '2 7', '3 m', '1e9', '5 in in', '--2'])('refuses %p', (text) => {
    expect(attempt(() => parseLength(text, 'mm', 'gapMm'))).toMatchObject({
      ok: false,
      problems: [{ code: 'unreadableLength', path: 'gapMm' }],
    });
  });

  test('a printed fraction reads back within half a sixteenth', () => {
    fc.assert(
      fc.property(fc.double({ min: -2000, max: 2000, noNaN: true }), (mm) => {
        expect(Math.abs(parseLength(`${formatFraction(mm)} in`, 'mm').mm - mm)).toBeLessThanOrEqual(25.4 / 32 + 1e-9);
      }),
    );
  });

  test('never prints minus zero', () => {
    expect(formatMm(-0.01)).toBe('0');
    expect(formatFraction(-0.1)).toBe('0');
  });
});

describe('clock positions', () => {
  test.each([
    ['12:00', 0],
    ['12', 0],
    ['3:00', 90],
    ['10:20', 310],
    ['9', 270],
    ['12:30', 15],
  ])('%s is %s degrees', (text, degrees) => {
    expect(parseClock(text)).toBe(degrees);
  });

  test.each(['0:10', '13:00', '4:60', 'noon', '', '4:5'])('refuses %p', (text) => {
    expect(attempt(() => parseClock(text))).toMatchObject({ ok: false });
  });

  test('prints what it reads', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 719 }), (halfDegrees) => {
        expect(parseClock(formatClock(halfDegrees / 2))).toBe(halfDegrees / 2);
      }),
    );
    expect(formatClock(359.9)).toBe('12:00');
  });
});

test('a needed length is never shortened by its sixteenths', () => {
  for (let mm = 0; mm < 130; mm += 0.37) {
    const said = parseLength(formatFractionUp(mm), 'in').mm;
    expect(said).toBeGreaterThanOrEqual(mm - 1e-5);
    expect(said).toBeLessThan(mm + 25.4 / 16);
  }
  expect(formatFractionUp(25.4)).toBe('1');
});
