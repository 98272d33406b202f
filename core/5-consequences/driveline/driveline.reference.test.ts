import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import { liftPartShift } from '../../2-vehicle/setup/part-shift';
import { halfShaftReport, driveshaftReport } from './driveline-report';
import { slipJointShort } from './driveshaft';

const FITTED = { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 25 }, spacerMm: 0 };

function stood(more: Partial<SetupDescription>, isBeam: boolean): CaseDescription {
  return madeCase({
    corners: {
      rearLeft: madeCorner({
        motion: isBeam
          ? { type: 'beamAxle', hubSpacingMm: 1600, points: { linkPivot: [700, -200, 120] } }
          : { type: 'swingArm', frontView: null, sideView: null },
        fitted: FITTED,
      }),
    },
    setup: { ...fittedAsSetup(FITTED), ...more },
  });
}

describe('half shafts, by plane geometry', () => {
  const shaft = { innerInboardMm: 500, innerRiseMm: 0, outerInboardMm: 100 };

  test('level at ride; hanging, both joints work at the slope of 100 mm over 400, and the shaft is longer', () => {
    const { before } = halfShaftReport(stood({}, false), 'rearLeft', shaft);
    expect(before.ride).toMatchObject({ outerDeg: expect.closeTo(0, 6), lengthMm: 400 });
    const slope = (Math.atan(100 / 400) * 180) / Math.PI;
    expect(before.droop!.innerDeg).toBeCloseTo(slope, 9);
    expect(before.droop!.outerDeg).toBeCloseTo(slope, 9);
    expect(before.droop!.lengthMm).toBeCloseTo(Math.hypot(400, 100), 9);
  });

  test('a lift parks it on a slope; a differential lowered as much takes that away at ride, and adds it in bump', () => {
    const lifted = stood({ suspensionLiftMm: 50 }, false);
    const without = halfShaftReport(lifted, 'rearLeft', shaft).after;
    const dropped = halfShaftReport(lifted, 'rearLeft', shaft, 50).after;
    expect(without.ride!.innerDeg).toBeCloseTo((Math.atan(50 / 400) * 180) / Math.PI, 9);
    expect(dropped.ride!.innerDeg).toBeCloseTo(0, 6);
    expect(dropped.bump!.innerDeg).toBeGreaterThan(without.bump!.innerDeg);
  });
});

describe('driveshaft of a beam axle on its links', () => {
  const shaft = {
    axle: 'rear',
    lengthMm: 1200,
    riseMm: 180,
    outputDeg: 4,
    pinionDeg: 4,
    engagedMm: 90,
    leastMm: 50,
  } as const;

  test('where it stands at the survey nothing is pulled, and the joints work between slope and flanges', () => {
    const { before } = driveshaftReport(stood({}, true), 'rearLeft', shaft);
    expect(before.ride!.pulledApartMm).toBeCloseTo(0, 9);
    expect(before.ride!.shaftDeg).toBeCloseTo((Math.asin(180 / 1200) * 180) / Math.PI, 9);
    expect(before.ride!.outputJointDeg).toBeCloseTo(before.ride!.shaftDeg - 4, 9);
  });

  test('signs at both ends are computed, not guessed: the links draw the axle fore and aft as it moves', () => {
    const { before } = driveshaftReport(stood({}, true), 'rearLeft', shaft);
    // The link's pivot stands 700 ahead and 120 above the hub: an arc of radius 710.2.
    const radius = Math.hypot(700, 120);
    const forward = (travel: number): number => 700 - Math.sqrt(radius ** 2 - (120 - travel) ** 2);
    for (const [place, travel] of [
      ['droop', -100],
      ['bump', 80],
    ] as const) {
      const along = Math.sqrt(1200 ** 2 - 180 ** 2) - forward(travel);
      const expected = Math.hypot(along, 180 - travel) - 1200;
      expect(before[place]!.pulledApartMm).toBeCloseTo(expected, 6);
    }
    expect(before.droop!.engagedMm).toBeCloseTo(90 - before.droop!.pulledApartMm, 12);
  });

  test('lift on the spring steepens it where it is parked, and not at the ends of its travel', () => {
    const { before, after } = driveshaftReport(stood({ suspensionLiftMm: 60 }, true), 'rearLeft', shaft);
    expect(after.ride!.outputJointDeg).toBeGreaterThan(before.ride!.outputJointDeg);
    expect(after.droop).toEqual(before.droop);
  });

  test('hangs on the pinion’s joint: as the axle turns on its link the joint rises or falls beside the hub', () => {
    const joint = { ...shaft, pinionReachMm: 260, pinionRiseMm: 30 };
    const { before } = driveshaftReport(stood({}, true), 'rearLeft', joint);
    // The link from its pivot at (700, 120) turns by the difference of its slopes; the joint goes round the hub by as much.
    const radius = Math.hypot(700, 120);
    const turn = (travel: number): number => Math.asin((120 - travel) / radius) - Math.asin(120 / radius);
    for (const [place, travel] of [
      ['droop', -100],
      ['bump', 80],
    ] as const) {
      // Nose up is +: the hub hangs lower on the link, so the axle's nose, ahead of it, comes up.
      const up = turn(travel);
      const hub = [700 - Math.sqrt(radius ** 2 - (120 - travel) ** 2), travel] as const;
      const at = [
        hub[0] + 260 * Math.cos(up) - 30 * Math.sin(up),
        hub[1] + 260 * Math.sin(up) + 30 * Math.cos(up),
      ] as const;
      const along = Math.sqrt(1200 ** 2 - 180 ** 2) - (at[0] - 260);
      const expected = Math.hypot(along, 180 - (at[1] - 30)) - 1200;
      expect(before[place]!.pulledApartMm).toBeCloseTo(expected, 6);
      expect(
        Math.abs(expected - driveshaftReport(stood({}, true), 'rearLeft', shaft).before[place]!.pulledApartMm),
      ).toBeGreaterThan(1);
    }
  });

  test('less engaged than its maker wants is named, place by place', () => {
    const { after } = driveshaftReport(stood({}, true), 'rearLeft', { ...shaft, engagedMm: 43 });
    const short = slipJointShort(after, 51);
    expect(short.map(({ place }) => place)).toContain('ride');
    expect(short.find(({ place }) => place === 'ride')).toMatchObject({
      engagedMm: expect.closeTo(43, 6),
      leastMm: 51,
    });
    expect(slipJointShort(after, undefined)).toEqual([]);
    expect(
      slipJointShort(driveshaftReport(stood({}, true), 'rearLeft', { ...shaft, engagedMm: 200 }).after, 51),
    ).toEqual([]);
  });

  test('a longer shackle turns the axle: spring and axle by its extra over the spring’s length', () => {
    const part = { kind: 'shackle', extraMm: 60, share: 0.5, springMm: 1300 } as const;
    const degrees = (Math.asin(60 / 1300) * 180) / Math.PI;
    expect(liftPartShift({ ...part, sits: 'behind' })).toMatchObject({
      suspensionLiftMm: 30,
      casterChangeDeg: expect.closeTo(degrees, 9),
    });
    expect(liftPartShift({ ...part, sits: 'ahead' }).casterChangeDeg).toBeCloseTo(-degrees, 9);
    // A file that does not say how long the spring is means no turn.
    expect(liftPartShift({ kind: 'shackle', extraMm: 60, share: 0.5 }).casterChangeDeg).toBe(0);
    const { before, after } = driveshaftReport(
      stood({ parts: [{ ...part, sits: 'behind' }] }, true),
      'rearLeft',
      shaft,
    );
    // A rear pinion looks forward: caster turns it up. At full bump the links stand alike, so that is all.
    expect(Math.abs(after.bump!.pinionJointDeg - before.bump!.pinionJointDeg)).toBeCloseTo(degrees, 0);
  });
});
