import { describe, expect, test } from '@jest/globals';
import { fittedAsSetup, type CornerOverrides } from '../../2-vehicle/setup/setup';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { liftPartShift } from '../../2-vehicle/setup/part-shift';
import { madeCase, madeCorner } from '../../fixtures/made-corner';
import { setupWork } from '../../6-decisions/plan/setup-work';
import { asMeasured, raised } from './next-change';
import { axleToe, toeDegFromMm, toeMm } from './alignment';
import { KM_PER_MILE } from '../../1-base/units/distance';
import type { Joint, JointAt } from '../install/joints';
import { usualFollowUps } from './due';
import { NM_PER_LB_FT, otherTorque, parseTorque, torqueWords, withTorqueUnit } from '../../1-base/units/torque';

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

  test('what was typed stays as typed, with the unit it was meant in', () => {
    expect(withTorqueUnit('90', 'lbft')).toBe('90 lb ft');
    expect(withTorqueUnit(' 140 Nm', 'lbft')).toBe('140 Nm');
    expect([otherTorque('90 lb ft'), otherTorque('140 N m'), otherTorque('100 ft-lbs')]).toEqual(['nm', 'lbft', 'nm']);
  });

  test('anything else is refused with what was expected', () => {
    for (const text of ['tight', '', '100 kg', '1.2.3']) expect(() => parseTorque(text, 'nm')).toThrow(/N m or/);
    expect(NM_PER_LB_FT).toBeCloseTo(1.355818, 6);
    expect(torqueWords(140)).toBe('140 N m, 103.3 lb ft');
  });
});

describe('what is followed up is what the work opened', () => {
  const front = (joint: Joint): JointAt => ({ joint, axle: 'front' });
  const kinds = (...joints: Joint[]) => usualFollowUps(joints.map(front)).map(({ kind }) => kind);
  test('U-bolts, spacers and alignment only where they were touched; wheels and marks always; in order of days', () => {
    expect(kinds('uBolts', 'wheelNuts')).toEqual(
      expect.arrayContaining(['uBolts', 'alignment', 'wheelNuts', 'yearly']),
    );
    expect(kinds('spacerToHub', 'wheelToSpacer')).toContain('spacers');
    const few = kinds('wheelNuts');
    for (const none of ['uBolts', 'alignment', 'steeringWheel', 'spacers']) expect(few).not.toContain(none);
    expect(few.filter((kind) => kind === 'wheelNuts')).toHaveLength(2);
    const days = usualFollowUps([front('uBolts')]).map(({ afterDays }) => afterDays);
    expect(days).toEqual([...days].sort((a, b) => a - b));
  });
  // 50 and 500 miles (common practice, no source).
  test('joints by distance', () => {
    const by = usualFollowUps([front('spacerToHub')]).filter(({ kind }) => kind === 'spacers');
    expect(by.map(({ orAfterKm }) => Math.round(orAfterKm! / KM_PER_MILE / 10) * 10)).toEqual([50, 500]);
  });
});

describe('half an inch more', () => {
  const fitted = { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 };
  const setup = {
    ...fittedAsSetup(fitted),
    parts: [{ kind: 'ride', liftMm: 40 } as const],
    corners: undefined as CornerOverrides | undefined,
  };
  const lift = (parts: readonly LiftPart[]): number =>
    parts.reduce((sum, part) => sum + liftPartShift(part).suspensionLiftMm, 0);
  const CORNERS = ['frontLeft', 'rearLeft'] as const;
  const on = asMeasured(setup, [{ key: 'frontLeft', expectedMm: 560, measuredMm: 553 }], CORNERS);
  const next = raised(on, CORNERS, 12.7);

  test('starts from what was measured: promised 40, came out at 33, so the next stands at 45.7', () => {
    expect(lift(on.corners!.frontLeft!.parts!)).toBeCloseTo(33, 9);
    expect(lift(next.corners!.frontLeft!.parts!)).toBeCloseTo(45.7, 9);
    // Nobody measured the rear: it starts from what was promised.
    expect(lift(next.corners!.rearLeft!.parts!)).toBeCloseTo(52.7, 9);
    expect(
      asMeasured(setup, [{ key: 'frontLeft', expectedMm: 560, measuredMm: 560.2 }], ['frontLeft']).corners,
    ).toEqual({});
  });

  test('and the work is half an inch, no more and no less: what is on stays on', () => {
    const corner = madeCorner({ fitted });
    const work = setupWork(madeCase({ corners: { frontLeft: corner, rearLeft: corner }, installed: on, setup: next }));
    expect(work.map(({ part, at }) => [part, at])).toEqual([
      [{ kind: 'ride', liftMm: 12.7 }, { axle: 'front' }],
      [{ kind: 'ride', liftMm: 12.7 }, { axle: 'rear' }],
    ]);
  });
});
