import { describe, expect, test } from '@jest/globals';
import { parseBoltPattern } from '../../2-vehicle/wheel/bolt-pattern';
import { checkSpacerFit, spacerHardware, type SpacerFit, type SpacerFinding } from './spacer-check';

const verdicts = (fit: SpacerFit) =>
  Object.fromEntries(checkSpacerFit(fit).map(({ check, verdict }) => [check, verdict]));

const found = (fit: SpacerFit, check: SpacerFinding['check']): SpacerFinding =>
  checkSpacerFit(fit).find((one) => one.check === check)!;

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
    expect(found(SLIP_ON, 'engagement')).toMatchObject({ verdict: 'right', haveMm: 20, needMm: 14 });
    expect(verdicts({ ...SLIP_ON, thicknessMm: 13 })).toMatchObject({ engagement: 'wrong' });
    // A coarse thread wants its eight turns.
    expect(found({ ...SLIP_ON, threadPitchMm: 2 }, 'engagement')).toMatchObject({ needMm: 16 });
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

  test('nuts of a bolt-on hold the hub’s studs over what is left of it below them; the wheel’s nuts its own', () => {
    const boltOn: SpacerFit = { ...SLIP_ON, type: 'boltOn', thicknessMm: 30, underNutMm: 12, ownStudMm: 30 };
    // 38 - 12 = 26 mm of thread on the hub, 30 - 12 of pad = 18 on the spacer; 14 wanted.
    expect(found(boltOn, 'hubNuts')).toMatchObject({ verdict: 'right', haveMm: 26, needMm: 14 });
    expect(found(boltOn, 'engagement')).toMatchObject({ verdict: 'right', haveMm: 18, needMm: 14 });
    expect(found({ ...boltOn, underNutMm: 26 }, 'hubNuts').verdict).toBe('wrong');
    expect(found({ ...boltOn, ownStudMm: undefined }, 'engagement').missing).toEqual(['ownStudMm']);
    expect(found({ ...boltOn, underNutMm: undefined }, 'hubNuts').missing).toEqual(['underNutMm']);
  });

  test('a closed nut bottoms on a stud longer than it is deep (common practice, no source)', () => {
    // 20 mm of stud beyond the seat, and 1 to spare.
    expect(found({ ...SLIP_ON, nutDepthMm: 21 }, 'nutDepth')).toMatchObject({ verdict: 'right', needMm: 21 });
    expect(found({ ...SLIP_ON, nutDepthMm: 20 }, 'nutDepth').verdict).toBe('wrong');
    expect(found({ ...SLIP_ON, nutDepthMm: 0 }, 'nutDepth').verdict).toBe('right');
    expect(found(SLIP_ON, 'nutDepth')).toMatchObject({ verdict: 'unknown', missing: ['nutDepthMm'] });
  });

  test('centered by the hub or not', () => {
    // Bores are turned some tenths larger so that they go on at all (common practice, no source).
    expect(verdicts({ ...SLIP_ON, spacerBoreMm: SLIP_ON.hubBoreMm! + 0.2 })).toMatchObject({ register: 'right' });
    expect(verdicts({ ...SLIP_ON, spacerBoreMm: 108 })).toMatchObject({ register: 'wrong' });
    expect(verdicts({ ...SLIP_ON, spacerBoreMm: 105.9 })).toMatchObject({ register: 'wrong' });
    expect(verdicts({ ...SLIP_ON, hubBoreMm: undefined })).toMatchObject({ register: 'unknown' });
  });

  test('the wheel is centered by what is left of the hub’s register or by the spacer’s own, and asks which', () => {
    expect(found(SLIP_ON, 'wheelRegister')).toMatchObject({ verdict: 'unknown', missing: ['spacerLipMm'] });
    const plain = { ...SLIP_ON, spacerLipMm: 0, hubRegisterMm: 10 };
    expect(found(plain, 'wheelRegister')).toMatchObject({ verdict: 'right', haveMm: 4 });
    expect(found({ ...plain, thicknessMm: 8 }, 'wheelRegister')).toMatchObject({ verdict: 'wrong', haveMm: 2 });
    const lipped = { ...SLIP_ON, spacerLipMm: 106, wheelBoreMm: 106.1 };
    expect(verdicts(lipped)).toMatchObject({ wheelRegister: 'right' });
    expect(verdicts({ ...lipped, wheelBoreMm: 110 })).toMatchObject({ wheelRegister: 'wrong' });
    expect(found({ ...lipped, wheelBoreMm: undefined }, 'wheelRegister').missing).toEqual(['wheelBoreMm']);
  });

  test('another bolt pattern takes an adapter that is bolted on; faces not looked at are unknown', () => {
    const patterns = {
      hubPattern: parseBoltPattern('6x139.7'),
      wheelPattern: parseBoltPattern('5 x 5 in'),
    };
    expect(verdicts(SLIP_ON)).toMatchObject({ pattern: 'unknown', faces: 'unknown' });
    expect(verdicts({ ...SLIP_ON, ...patterns, facesBare: false })).toMatchObject({ pattern: 'wrong', faces: 'wrong' });
    expect(verdicts({ ...SLIP_ON, ...patterns, type: 'boltOn' })).toMatchObject({ pattern: 'right' });
    const same = { hubPattern: parseBoltPattern('5x114.3'), wheelPattern: parseBoltPattern('5x4.5"') };
    expect(verdicts({ ...SLIP_ON, ...same, facesBare: true })).toMatchObject({ pattern: 'right', faces: 'right' });
  });

  test('hardware: longer studs where the thread is short, nuts of a bolt-on, a ring where the bore is loose', () => {
    const hub = { hubPattern: parseBoltPattern('6x139.7'), wheelPattern: parseBoltPattern('6x139.7') };
    expect(spacerHardware({ ...SLIP_ON, ...hub }, 2)).toEqual([{ what: 'spacer', quantity: 2, lengthMm: 6 }]);
    // 13 mm of spacer, 12 of pad, 14 of thread.
    expect(spacerHardware({ ...SLIP_ON, ...hub, thicknessMm: 13 }, 2)).toContainEqual({
      what: 'longerStud',
      quantity: 12,
      lengthMm: null,
      beyondFaceMm: 39,
    });
    // Under the head: the hub's flange of 10 mm and the disc's hat of 7 more.
    const short = { ...SLIP_ON, ...hub, thicknessMm: 13, flangeMm: 17 };
    expect(spacerHardware(short, 2)).toContainEqual(expect.objectContaining({ what: 'longerStud', lengthMm: 56 }));
    const boltOn = spacerHardware({ ...SLIP_ON, ...hub, type: 'boltOn', thicknessMm: 30, spacerBoreMm: 110 }, 4);
    expect(boltOn.map(({ what, quantity }) => [what, quantity])).toEqual([
      ['spacer', 4],
      ['spacerNut', 24],
      ['wheelNut', 24],
      ['hubRing', 4],
    ]);
  });

  test('no thickness is no spacer', () => expect(() => checkSpacerFit({ ...SLIP_ON, thicknessMm: 0 })).toThrow());
});
