import { describe, expect, test } from '@jest/globals';
import { attempt } from '../../1-base/problem';
import { parseSaidGap } from './said-gap';

describe('a gap said over the phone', () => {
  // A finger as a measure of length is 3/4 in, a palm 3 in (old English measures; from memory).
  test.each([
    ['two fingers', 2 * 19.05],
    ['a finger', 19.05],
    ['3 fingers', 57.15],
    ['a thumb', 25.4],
    ['about a palm', 76.2],
    ['3/4', 19.05],
    ['20 mm', 20],
    ['1', 25.4],
  ])('%s holds its measure', (text, mm) => {
    const { fromMm, toMm } = parseSaidGap(text, 'in');
    expect(fromMm).toBeLessThan(mm);
    expect(toMm).toBeGreaterThan(mm);
  });

  test('a bare number is in the unit of the shop', () => expect(parseSaidGap('20', 'mm').toMm).toBeCloseTo(23));
  test('more fingers are less well known', () => {
    const width = ({ fromMm, toMm }: { fromMm: number; toMm: number }): number => toMm - fromMm;
    expect(width(parseSaidGap('three fingers', 'in'))).toBeGreaterThan(width(parseSaidGap('one finger', 'in')));
  });
  test('what touches has no gap', () => expect(parseSaidGap('touches', 'in').fromMm).toBe(0));

  test.each(['plenty', '', '-5', '60 in', 'five apples'])('%j is refused', (text) =>
    expect(attempt(() => parseSaidGap(text, 'in', 'answers.frame-rail'))).toMatchObject({
      ok: false,
      problems: [{ code: 'unreadableLength', path: 'answers.frame-rail' }],
    }),
  );
});
