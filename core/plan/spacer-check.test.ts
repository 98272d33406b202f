import { describe, expect, test } from '@jest/globals';
import { bearingMomentRatio, checkSpacerFit, type SpacerFit } from './spacer-check';

const verdicts = (fit: SpacerFit) =>
  Object.fromEntries(checkSpacerFit(fit).map(({ check, verdict }) => [check, verdict]));

const SLIP_ON: SpacerFit = {
  thicknessMm: 6,
  type: 'slipOn',
  studProtrusionMm: 38,
  studDiameterMm: 14,
  threadPitchMm: 1.5,
  padMm: 12,
  hubBoreMm: 106,
  spacerBoreMm: 106.1,
};

describe('spacers', () => {
  test('on the studs: thread left for the nut at least the stud’s diameter and eight turns', () => {
    // 38 - 6 - 12 = 20 mm of thread; 14 mm and 12 mm are wanted.
    expect(checkSpacerFit(SLIP_ON)[0]).toMatchObject({ check: 'engagement', verdict: 'right', haveMm: 20, needMm: 14 });
    expect(verdicts({ ...SLIP_ON, thicknessMm: 13 })).toMatchObject({ engagement: 'wrong' });
    // A coarse thread wants its eight turns.
    expect(checkSpacerFit({ ...SLIP_ON, threadPitchMm: 2 })[0]).toMatchObject({ needMm: 16 });
  });

  test('bolted on: studs that stand out need a pocket; none known is asked for, never assumed', () => {
    const boltOn: SpacerFit = { ...SLIP_ON, type: 'boltOn', thicknessMm: 30 };
    expect(checkSpacerFit(boltOn)).toContainEqual(
      expect.objectContaining({ check: 'pocket', verdict: 'unknown', missing: ['studPocketMm'] }),
    );
    // 8 mm stand out; 1 mm more is wanted.
    expect(verdicts({ ...boltOn, studPocketMm: 9 })).toMatchObject({ pocket: 'right', thickness: 'right' });
    expect(verdicts({ ...boltOn, studPocketMm: 8 })).toMatchObject({ pocket: 'wrong' });
    expect(verdicts({ ...boltOn, thicknessMm: 40 })).toMatchObject({ pocket: 'right' });
    expect(verdicts({ ...boltOn, thicknessMm: 15, studPocketMm: 30 })).toMatchObject({ thickness: 'wrong' });
  });

  test('centred by the hub or not', () => {
    expect(verdicts({ ...SLIP_ON, spacerBoreMm: 108 })).toMatchObject({ register: 'wrong' });
    expect(verdicts({ ...SLIP_ON, spacerBoreMm: 105.9 })).toMatchObject({ register: 'wrong' });
    expect(verdicts({ ...SLIP_ON, hubBoreMm: undefined })).toMatchObject({ register: 'unknown' });
  });

  test('no thickness is no spacer', () => expect(() => checkSpacerFit({ ...SLIP_ON, thicknessMm: 0 })).toThrow());

  test('a wheel 25 mm further out loads a bearing 50 mm inboard of it half as much again', () => {
    expect(bearingMomentRatio(50, 25)).toBeCloseTo(1.5, 12);
    expect(bearingMomentRatio(50, 0)).toBe(1);
  });
});
