import { describe, expect, test } from '@jest/globals';
import { attempt } from '../../1-base/problem';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import { fitmentText, parseFitmentText } from './fitment-text';

const read = (text: string) => {
  const { tire, wheel, spacerMm } = parseFitmentText(text);
  return [tire.size, wheel.diameterIn, wheel.widthIn, wheel.offsetMm, wheel.backspacingMm, spacerMm];
};

describe('tire, wheel and offset as they are said', () => {
  test.each([
    ['265/70R17 on 17x8 +30', ['265/70R17', 17, 8, 30, undefined, 0]],
    ['285/70R17 17x9 -12', ['285/70R17', 17, 9, -12, undefined, 0]],
    ['35x12.50R17 on 17 x 9, -12', ['35x12.50R17', 17, 9, -12, undefined, 0]],
    ['225/45R17 94Y 8x17 ET35', ['225/45R17 94Y', 17, 8, 35, undefined, 0]],
    ['LT285/70R17 121/118Q on 17x8.5 0', ['LT285/70R17 121/118Q', 17, 8.5, 0, undefined, 0]],
    ['265/70R17, 17x8 +30 spacer 1 1/4', ['265/70R17', 17, 8, 30, undefined, 31.75]],
    ['265/70R17 17x8 +30 20 mm spacer', ['265/70R17', 17, 8, 30, undefined, 20]],
    ['265/70R17 17x8 -12 spacer 30', ['265/70R17', 17, 8, -12, undefined, 30]],
    ['7.50R16LT on 16x6 5 bs', ['7.50R16LT', 16, 6, undefined, 127, 0]],
    ['265/70R17 17x9 4 1/2 backspacing and 1 in spacer', ['265/70R17', 17, 9, undefined, 114.3, 25.4]],
    ['265/70R17 17x9 bs 4.5', ['265/70R17', 17, 9, undefined, 114.3, 0]],
  ])('%s', (text, expected) => expect(read(text)).toEqual(expected));

  // 9 in lip to lip is 10 in outside the flanges: 4.5 in of backspacing is half an inch to the outside (common practice, no source).
  test('backspacing is lip to pad', () =>
    expect(wheelOffsetMm(parseFitmentText('265/70R17 17x9 4.5 bs').wheel)).toBeCloseTo(-12.7, 6));

  test.each([
    ['', 'tire, wheel and offset', 'nothing'],
    ['33s on 17x8', 'a tire size first', '33s'],
    ['265/70R17', 'the wheel after the tire', 'nothing'],
    ['265/70R17 on 18x8 +30', 'a wheel of 17 in', '18x8'],
    ['265/70R17 on 17x8', 'its offset or backspacing', 'nothing'],
    ['265/70R17 on 17x8 +30 no lift', 'nothing more than', 'no lift'],
  ])('%j is refused with what is wanting', (text, expected, found) => {
    const result = attempt(() => parseFitmentText(text, 'wanted'));
    expect(result).toMatchObject({ ok: false, problems: [{ path: 'wanted', found }] });
    expect(result.ok ? '' : result.problems[0]!.expected).toContain(expected);
  });

  test('written out it reads back as the same', () => {
    for (const text of ['265/70R17 on 17x8 +30', '285/70R17 on 17x9 -12, spacer 30 mm', '7.50R16LT on 16x6 5 bs'])
      expect(parseFitmentText(fitmentText(parseFitmentText(text)))).toEqual(parseFitmentText(text));
  });
});
