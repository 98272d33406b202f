import { describe, expect, test } from '@jest/globals';
import { fittedAsSetup, type CornerOverrides } from '../../2-vehicle/setup/setup';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { liftPartShift } from '../../2-vehicle/setup/part-shift';
import { fromMeasured } from './next-change';
import { axleToe, toeDegFromMm, toeMm } from './alignment';
import { usualFollowUps } from './due';
import { NM_PER_LB_FT, parseTorque, torqueWords } from '../../1-base/units/torque';

describe('toe as an angle and as a length, by the angle’s definition (ISO 8855:2011, from memory)', () => {
  test('a tenth of a degree at 800 mm is 1.396 mm: the small angle times the diameter', () => {
    expect(toeMm(0.1, 800)).toBeCloseTo((800 * Math.PI) / 1800, 4);
    expect(toeDegFromMm(toeMm(0.35, 742), 742)).toBeCloseTo(0.35, 12);
    expect(toeDegFromMm(900, 800)).toBeNaN();
  });

  test('1/8 in of toe-in on an axle is shared by both wheels: a quarter of a degree in all at 28 in', () => {
    const each = toeDegFromMm(25.4 / 8 / 2, 28 * 25.4);
    expect(axleToe(each, each)).toEqual({ totalDeg: expect.closeTo(0.2558, 3), crabDeg: 0 });
    // All of it on the left wheel turns it right: the vehicle runs a little crabwise.
    expect(axleToe(2 * each, 0).crabDeg).toBeCloseTo(-each, 12);
  });
});

describe('torque in both units (NIST SP 811: 1 lbf ft = 1.355818 N m)', () => {
  test.each([
    ['140', 140],
    ['140 N m', 140],
    ['140 Nm', 140],
    ['140 N·m', 140],
    ['100 lb ft', 135.5818],
    ['100 ft-lbs', 135.5818],
    ['35,5 Nm', 35.5],
  ])('%s', (text, nm) => expect(parseTorque(text, 'nm')).toBeCloseTo(nm, 4));

  test('anything else is refused with what was expected', () => {
    for (const text of ['tight', '', '100 kg', '1.2.3']) expect(() => parseTorque(text, 'nm')).toThrow(/N m or/);
    expect(NM_PER_LB_FT).toBeCloseTo(1.355818, 6);
    expect(torqueWords(140)).toBe('140 N m, 103.3 lb ft');
  });
});

test('U-bolts and alignment are followed up where they were touched; every list is in order of days', () => {
  const all = usualFollowUps({ uBolts: true, alignment: true });
  expect(all.map(({ afterDays }) => afterDays)).toEqual(
    [...all.map(({ afterDays }) => afterDays)].sort((a, b) => a - b),
  );
  const few = usualFollowUps({ uBolts: false, alignment: false }).map(({ kind }) => kind);
  expect(few).not.toContain('uBolts');
  expect(few).not.toContain('alignment');
  expect(few.filter((kind) => kind === 'wheelNuts').length).toBeGreaterThan(1);
  expect(few).toContain('yearly');
});

test('half an inch more starts from what was measured: promised 40, came out at 33, so the next stands at 45.7', () => {
  const fitted = { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 };
  const setup = {
    ...fittedAsSetup(fitted),
    parts: [{ kind: 'ride', liftMm: 40 } as const],
    corners: undefined as CornerOverrides | undefined,
  };
  const next = fromMeasured(
    setup,
    [{ key: 'frontLeft', expectedMm: 560, measuredMm: 553 }],
    ['frontLeft', 'rearLeft'],
    12.7,
  );
  const lift = (parts: readonly LiftPart[]): number =>
    parts.reduce((sum, part) => sum + liftPartShift(part).suspensionLiftMm, 0);
  expect(lift(next.corners!.frontLeft!.parts!)).toBeCloseTo(45.7, 9);
  // Nobody measured the rear: it starts from what was promised.
  expect(lift(next.corners!.rearLeft!.parts!)).toBeCloseTo(52.7, 9);
  expect(
    fromMeasured(setup, [{ key: 'frontLeft', expectedMm: 560, measuredMm: 560.2 }], ['frontLeft']).corners,
  ).toEqual({});
});
