import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { liftPartShift } from '../../2-vehicle/setup/part-shift';
import {
  addedLeafLiftMm,
  axleShares,
  collarMm,
  GRAVITY,
  loadedLengthMm,
  sagUnderWeightMm,
  springSwapLiftMm,
} from '../../2-vehicle/setup/springs';
import { expectedHeights } from './expected-height';

const INCH = 25.4;

/** A front corner with heights read, another tire and parts on it. */
function stood(
  fittedSize: string,
  size: string,
  rimIn: number,
  parts: readonly LiftPart[],
  more: Partial<ReturnType<typeof fittedAsSetup>> = {},
): CaseDescription {
  const wheel = { diameterIn: rimIn, widthIn: 8, offsetMm: 20 };
  const fitted = { tire: { size: fittedSize }, wheel, spacerMm: 0 };
  return madeCase({
    corners: {
      frontLeft: madeCorner({
        travel: { bumpMm: 90, droopMm: 110 },
        hubToLipMm: 520,
        groundToLipMm: 900,
        fitted,
      }),
    },
    setup: { ...fittedAsSetup(fitted), tire: { size }, parts, ...more },
  });
}

const riseOf = (description: CaseDescription) => expectedHeights(description, 'frontLeft');

describe('heights against what the trade measured (common practice, no source)', () => {
  test('265/60R18 to 265/65R18: about an inch taller, the fender rises 10 to 15 mm from the tire', () => {
    const { tireShareMm, hubToLip } = riseOf(stood('265/60R18', '265/65R18', 18, []));
    expect(tireShareMm).toBeGreaterThan(10);
    expect(tireShareMm).toBeLessThan(15);
    // Hub to lip knows nothing of the tire.
    expect(hubToLip!.mm).toBe(520);
  });

  test('the same with springs sold as 40 mm: the band holds the 56 to 57 mm that were measured', () => {
    const { rise, groundToLip } = riseOf(stood('265/60R18', '265/65R18', 18, [{ kind: 'ride', liftMm: 40 }]));
    for (const measured of [56, 57]) {
      expect(rise.lowMm).toBeLessThan(measured);
      expect(rise.highMm).toBeGreaterThan(measured);
    }
    expect(groundToLip!.mm - 900).toBeCloseTo(rise.mm, 9);
  });

  test('a leveling kit of 3 in that gave 2.5, a rear 2 in that was exact: the band holds both', () => {
    const front = riseOf(stood('265/70R17', '265/70R17', 17, [{ kind: 'ride', liftMm: 3 * INCH }])).rise;
    expect(front.lowMm).toBeLessThan(2.5 * INCH);
    const block: LiftPart = {
      kind: 'block',
      thicknessMm: 3 * INCH,
      replacesMm: INCH,
      stopBearsOn: 'axle',
      droopSetBy: 'spring',
    };
    const rear = riseOf(stood('265/70R17', '265/70R17', 17, [block])).rise;
    // A new rear block replaces the old: 3 in for 1 in nets 2.
    expect(rear.mm).toBeCloseTo(2 * INCH, 9);
    expect(rear.highMm - rear.lowMm).toBeLessThan(8);
  });

  test('2 in of suspension, 3 in of body and 30.5 to 35 in tires stand about 7 in taller', () => {
    const { rise } = riseOf(
      stood('30.5x9.50R15LT', '35x12.50R15LT', 15, [
        { kind: 'ride', liftMm: 2 * INCH },
        { kind: 'body', liftMm: 3 * INCH },
      ]),
    );
    expect(rise.mm / INCH).toBeGreaterThan(6.7);
    expect(rise.mm / INCH).toBeLessThan(7.4);
  });

  test('a 2 in spacer on top of a strut gives about 3 in at a ratio of two thirds; 1.5 and 0.75 in spacers on coils of beam axles level by 0.75', () => {
    const top = liftPartShift({ kind: 'strutTopSpacer', thicknessMm: 2 * INCH, motionRatio: 0.67 });
    expect(top.suspensionLiftMm / INCH).toBeCloseTo(3, 1);
    const coil = (inches: number) =>
      liftPartShift({ kind: 'springSpacer', thicknessMm: inches * INCH, motionRatio: 1 }).suspensionLiftMm;
    expect(coil(1.5) - coil(0.75)).toBeCloseTo(0.75 * INCH, 9);
  });

  test('a shackle gives half its extra length by geometry, all of it by the other school', () => {
    const shackle = (share: number) => liftPartShift({ kind: 'shackle', extraMm: 50, share }).suspensionLiftMm;
    expect([shackle(0.5), shackle(1)]).toEqual([25, 50]);
  });

  test('a threaded collar meant for half an inch stands an inch over the seat it replaces at its lowest', () => {
    expect(collarMm(INCH, 0, 1.5)).toBe(INCH);
    expect(collarMm(INCH, 4, 1.5)).toBeCloseTo(INCH + 6, 12);
    const collar: LiftPart = { kind: 'collar', lowestOverSeatMm: INCH, turns: 0, pitchMm: 1.5, motionRatio: 1 };
    expect(liftPartShift(collar).suspensionLiftMm).toBe(INCH);
    // Beside a lift, it is the stack that overshoots.
    expect(riseOf(stood('265/70R17', '265/70R17', 17, [{ kind: 'ride', liftMm: 40 }, collar])).stacked).toEqual([
      'ride',
      'collar',
    ]);
  });
});

describe('springs, by Hooke’s law and virtual work', () => {
  test('a longer spring of the same rate lifts by its extra length over the ratio; a stiffer one sinks less', () => {
    const fitted = { freeLengthMm: 360, rateNPerMm: 60 };
    expect(loadedLengthMm(fitted, 6000)).toBe(260);
    expect(springSwapLiftMm(fitted, { ...fitted, freeLengthMm: 380 }, 6000, 0.8)).toBeCloseTo(25, 12);
    // 6000 N press a spring of 75 N/mm by 80 mm instead of 100.
    expect(springSwapLiftMm(fitted, { ...fitted, rateNPerMm: 75 }, 6000, 1)).toBeCloseTo(20, 12);
  });

  test('a bumper of 50 kg, 60 % of it on this wheel, sinks the corner by its share over the wheel rate', () => {
    // 30 kg on this wheel is 294.2 N; the wheel rate is 60 x 0.7 x 0.7 = 29.4 N/mm.
    expect(sagUnderWeightMm(50, 0.6, 60, 0.7)).toBeCloseTo((30 * GRAVITY) / 29.4, 9);
    // Ahead of the front axle it weighs more than itself on it, and lightens the rear.
    expect(axleShares(-600, 3000)).toEqual({ front: 1.2, rear: -0.2 });
    const part: LiftPart = { kind: 'load', weightKg: 50, share: 0.6, rateNPerMm: 60, motionRatio: 0.7 };
    expect(liftPartShift(part).suspensionLiftMm).toBeCloseTo(-10.007, 3);
  });
});

describe('torsion bars, added leaves and blocks, by plane geometry and springs side by side', () => {
  test('a key turned by atan(20 / 40) turns an arm of 400 mm by as much', () => {
    const part: LiftPart = { kind: 'torsionBar', turns: 10, pitchMm: 2, keyMm: 40, armMm: 400 };
    expect(liftPartShift(part)).toMatchObject({
      suspensionLiftMm: expect.closeTo((400 * 20) / Math.hypot(20, 40), 9),
      droopLimitShiftMm: 0,
    });
  });

  test('a leaf as stiff as half the pack, arched 30 mm over it, lifts by a third of that; forces balance there', () => {
    const lift = addedLeafLiftMm(40, 20, 30);
    expect(lift).toBeCloseTo(10, 12);
    // What the pack no longer carries, the leaf does.
    expect(40 * lift).toBeCloseTo(20 * (30 - lift), 9);
  });

  test('a tapered block with its narrow end forward adds caster; its pin off the middle moves the axle', () => {
    const block: LiftPart = {
      kind: 'block',
      thicknessMm: 50,
      replacesMm: 0,
      stopBearsOn: 'axle',
      droopSetBy: 'spring',
      taperDeg: 2,
      centrePinMm: -12,
    };
    expect(liftPartShift(block)).toMatchObject({ suspensionLiftMm: 50, casterChangeDeg: 2, axleShiftMm: -12 });
  });
});

test('two parts that lift on one spring are named as stacked; a body lift beside one is not', () => {
  const long: LiftPart = { kind: 'ride', liftMm: 50 };
  const collar: LiftPart = { kind: 'springSpacer', thicknessMm: 12, motionRatio: 0.6 };
  expect(riseOf(stood('265/70R17', '265/70R17', 17, [long, collar])).stacked).toEqual(['ride', 'springSpacer']);
  expect(riseOf(stood('265/70R17', '265/70R17', 17, [long, { kind: 'body', liftMm: 30 }])).stacked).toEqual([]);
});

test('a height nobody read is not made up', () => {
  const description = stood('265/70R17', '265/70R17', 17, []);
  const { groundToLipMm: _, ...corner } = description.corners.frontLeft!;
  expect(riseOf({ ...description, corners: { frontLeft: corner } }).groundToLip).toBeNull();
});
