import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { attempt } from '../../1-base/problem';
import { inToMm, mmToIn } from '../../1-base/units/length';
import { backspacingFromOffset, offsetFromBackspacing, wheelOffsetMm } from './rim';

describe('backspacing and offset', () => {
  test('nominal school: half the nominal width plus offset', () => {
    expect(mmToIn(backspacingFromOffset(8, 0, 'nominal'))).toBeCloseTo(4, 9);
    expect(offsetFromBackspacing(9, inToMm(4.5) + 18, 'nominal')).toBeCloseTo(18, 9);
  });

  test('lip-to-pad school: the true rim is about 1 in wider than nominal (common practice, no source)', () => {
    expect(mmToIn(backspacingFromOffset(8, 0, 'lipToPad'))).toBeCloseTo(4.5, 9);
    expect(offsetFromBackspacing(8, inToMm(4.5), 'lipToPad')).toBeCloseTo(0, 9);
  });

  test('the two directions undo each other', () => {
    const school = fc.constantFrom('lipToPad' as const, 'nominal' as const);
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 16, noNaN: true }),
        fc.double({ min: -100, max: 100, noNaN: true }),
        school,
        (w, et, s) => {
          expect(offsetFromBackspacing(w, backspacingFromOffset(w, et, s), s)).toBeCloseTo(et, 9);
        },
      ),
    );
  });

  test.each([
    [{ diameterIn: 17, widthIn: 8 }, 'offsetMm'],
    [{ diameterIn: 17, widthIn: 8, offsetMm: 0, backspacingMm: 100 }, 'backspacingMm'],
    [{ diameterIn: 17, widthIn: 8, backspacingMm: 260 }, 'backspacingMm'],
  ])('refuses %p', (wheel, field) => {
    expect(attempt(() => wheelOffsetMm(wheel, 'fitted.wheel'))).toMatchObject({
      ok: false,
      problems: [{ path: `fitted.wheel.${field}` }],
    });
  });
});
