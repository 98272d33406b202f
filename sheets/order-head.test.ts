import { describe, expect, test } from '@jest/globals';
import { setupLine } from './order-head';

const COMMON = { tire: { size: '285/75R17' }, wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 12 }, spacerMm: 0 };

describe('a setup in a line', () => {
  test('tire, wheel, offset, and a spacer where there is one', () => {
    expect(setupLine(COMMON)).toBe('285/75R17 on 17 x 8.5, offset 12 mm');
    expect(setupLine({ ...COMMON, spacerMm: 20 })).toBe('285/75R17 on 17 x 8.5, offset 12 mm, 20 mm spacer');
    // As it was typed, as long as that still is it.
    const inches = { ...COMMON, spacerMm: 19.05, typed: { spacerMm: '3/4' } };
    expect(setupLine(inches)).toBe('285/75R17 on 17 x 8.5, offset 12 mm, 3/4 in (19.1 mm) spacer');
    expect(setupLine({ ...inches, spacerMm: 25 })).toContain('25 mm spacer');
    const { offsetMm: _, ...byBackspacing } = COMMON.wheel;
    expect(setupLine({ ...COMMON, wheel: byBackspacing })).toBe('285/75R17 on 17 x 8.5');
  });

  test('each axle’s own where they differ, whatever side says it', () => {
    const corners = { frontLeft: { tire: { size: '275/70R17' } }, frontRight: { tire: { size: '275/70R17' } } };
    expect(setupLine({ ...COMMON, corners })).toBe(
      'front 275/70R17 on 17 x 8.5, offset 12 mm; rear 285/75R17 on 17 x 8.5, offset 12 mm',
    );
    expect(setupLine({ ...COMMON, corners: { rearRight: { spacerMm: 30 } } })).toBe(
      'front 285/75R17 on 17 x 8.5, offset 12 mm; rear 285/75R17 on 17 x 8.5, offset 12 mm, 30 mm spacer',
    );
  });

  test('an axle with other parts and the same tires is no other line', () => {
    expect(setupLine({ ...COMMON, corners: { frontLeft: { suspensionLiftMm: 40 } } })).toBe(setupLine(COMMON));
  });
});
