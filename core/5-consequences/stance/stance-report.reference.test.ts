import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup, type SetupDescription, countParts } from '../../2-vehicle/setup/setup';
import { doubleWishboneFromTape } from '../../2-vehicle/motion/from-tape';
import { calledFor, calledForBySchool, type CornerFindings } from './called-for';
import { cornerStance, type AxleAbility, type CornerUnderside } from './stance-report';

const FITTED = { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 25 }, spacerMm: 0 };
const TAPE = { lowerArmMm: 400, upperArmMm: 260, lowerArmRiseMm: 0 };

function stood(more: Partial<SetupDescription>, beam = false): CaseDescription {
  return madeCase({
    corners: {
      frontLeft: madeCorner({
        motion: beam
          ? {
              type: 'beamAxle',
              hubSpacingMm: 1600,
              points: { panhardFrame: [0, -1300, 120], panhardAxle: [0, -300, 0] },
            }
          : { type: 'doubleWishbone', tape: TAPE },
        steering: beam
          ? { inclinationDeg: 8, casterDeg: 5, kingpinOffsetMm: 100, lockLeftDeg: 32, lockRightDeg: 30 }
          : { lockLeftDeg: 32, lockRightDeg: 30 },
        hubToLipMm: 520,
        fitted: FITTED,
      }),
    },
    setup: { ...fittedAsSetup(FITTED), ...more },
  });
}

const report = (description: CaseDescription, underside: CornerUnderside = {}, ability: AxleAbility = {}) =>
  cornerStance(description, 'frontLeft', underside, ability);

const findings = (description: CaseDescription, underside: CornerUnderside, ability: AxleAbility): CornerFindings => ({
  stance: report(description, underside, ability),
  corner: description.corners.frontLeft!,
  setup: countParts(description.setup!),
  ability,
});

const calls = (description: CaseDescription, underside: CornerUnderside, ability: AxleAbility = {}) =>
  calledFor(findings(description, underside, ability)).map(({ what }) => what);

describe('what a height does to a corner', () => {
  test('lift on the spring moves the parked height alone: droop and bump are where they were (common practice, no source)', () => {
    const { before, after } = report(stood({ suspensionLiftMm: 40 }));
    expect([after.limits.droop, after.limits.bump, after.limits.ride]).toEqual([-100, 80, -40]);
    expect(after.bump!.camberDeg).toBeCloseTo(before.bump!.camberDeg, 9);
    expect(after.ride!.camberDeg).not.toBeCloseTo(before.ride!.camberDeg, 2);
  });

  test('a strut-top spacer takes droop’s angles further down, and the ball joints with them', () => {
    const part = { kind: 'strutTopSpacer', thicknessMm: 30, motionRatio: 0.6 } as const;
    const { before, after, heights } = report(stood({ parts: [part] }));
    expect(after.limits.droop).toBeCloseTo(-150, 9);
    expect(after.droop!.upperJointDeg!).toBeGreaterThan(before.droop!.upperJointDeg!);
    expect(heights.hubToLip!.mm).toBeCloseTo(570, 9);
  });

  test('a ball joint swings as its arm turns against the knuckle: by the arm’s own angle, from its length and drop', () => {
    const { before } = report(stood({}));
    const points = doubleWishboneFromTape(TAPE);
    const arm = Math.hypot(
      points.lowerBallJoint[1] - points.lcaFrontPivot[1],
      points.lowerBallJoint[2] - points.lcaFrontPivot[2],
    );
    // Level at the survey. The hub drops 100; the knuckle leans by its change of camber, which adds to the arm's angle.
    const armDeg = (Math.asin(100 / arm) * 180) / Math.PI;
    expect(before.droop!.lowerJointDeg!).toBeGreaterThan(armDeg - 6);
    expect(before.droop!.lowerJointDeg!).toBeLessThan(armDeg + 6);
  });

  test('adjusters: what has to be taken back, whether they can, and at which lift they no longer do', () => {
    const { adjust } = report(stood({ suspensionLiftMm: 60 }), {}, { camberByDeg: 0.4, casterByDeg: 2 });
    expect(adjust!.canCamber).toBe(Math.abs(adjust!.camberDeg) <= 0.4);
    const at = adjust!.upToMm!;
    const just = report(stood({ suspensionLiftMm: at }), {}, { camberByDeg: 0.4 }).adjust!;
    const before = report(stood({ suspensionLiftMm: at - 4 }), {}, { camberByDeg: 0.4 }).adjust!;
    expect([before.canCamber, just.canCamber]).toEqual([true, false]);
    expect(report(stood({ suspensionLiftMm: 60 })).adjust).toMatchObject({
      canCamber: null,
      canCaster: null,
      upToMm: null,
    });
  });
});

describe('what it calls for, computed from the corner', () => {
  const shock = { shockOpenMm: 560, shockClosedMm: 440, shockNowMm: 500 };

  test('nothing changed calls for nothing', () => {
    expect(calls(stood({}), { ...shock, brakeHoseSpareMm: 20 }, { shockRatio: 0.6, camberByDeg: 0.5 })).toEqual([]);
  });

  test('a block with the spring setting droop hangs the axle lower: shock and hose come short, lift on the spring does not', () => {
    const block = { kind: 'block', thicknessMm: 60, replacesMm: 0, stopBearsOn: 'axle', droopSetBy: 'spring' } as const;
    const hanging = stood({ parts: [block] }, true);
    expect(calls(hanging, { ...shock, brakeHoseSpareMm: 20 }, { shockRatio: 0.6 })).toEqual(
      expect.arrayContaining(['longerShock', 'longerHose']),
    );
    const spring = stood({ suspensionLiftMm: 60 }, true);
    const found = calls(spring, { ...shock, brakeHoseSpareMm: 20 }, { shockRatio: 0.6 });
    expect(found).not.toContain('longerHose');
    expect(found).not.toContain('longerShock');
    // Its panhard swings the axle sideways all the same.
    expect(found).toContain('panhardCorrection');
  });

  test('a body lift calls for what follows the body; a joint limit entered is kept', () => {
    expect(calls(stood({ bodyLiftMm: 50 }), {})).toEqual(['bodyLiftParts']);
    const lifted = stood({ parts: [{ kind: 'strutTopSpacer', thicknessMm: 40, motionRatio: 0.6 }] });
    expect(calls(lifted, {}, { jointMostDeg: 12 })).toContain('jointCorrection');
    expect(calls(lifted, {})).not.toContain('jointCorrection');
    // From which travel on: there the swing passes the limit, nearer to the parked height it does not.
    const { fromMm } = calledFor(findings(lifted, {}, { jointMostDeg: 12 })).find(
      ({ what }) => what === 'jointCorrection',
    )!;
    const { after } = report(lifted);
    const swing = (travel: number): number => {
      const stand = after.curve.stands.find(({ travelMm }) => Math.abs(travelMm - travel) < 0.01)!;
      return Math.max(stand.upperJointDeg!, stand.lowerJointDeg!);
    };
    expect(swing(fromMm!)).toBeGreaterThan(12);
    const nearer = after.curve.stands.filter(
      ({ travelMm }) => Math.abs(travelMm - after.limits.ride) < Math.abs(fromMm! - after.limits.ride) - 0.01,
    );
    for (const { travelMm } of nearer) expect(swing(travelMm)).toBeLessThanOrEqual(12);
  });

  test('schools differ by what they keep to spare: a hose with 10 mm left is enough for one, too short for the others', () => {
    const hose = calledForBySchool(findings(stood({}), { brakeHoseSpareMm: 10 }, {})).find(
      ({ what }) => what === 'longerHose',
    );
    expect(hose).toMatchObject({ schools: ['keepReserve', 'correctedParts'], by: 5 });
    const short = calledForBySchool(findings(stood({}), { brakeHoseSpareMm: -1 }, {})).find(
      ({ what }) => what === 'longerHose',
    );
    expect(short!.schools).toHaveLength(3);
  });

  test('shaft joints, slip joint, sway link and drag link call by their own numbers', () => {
    const base = findings(stood({ suspensionLiftMm: 40 }), {}, { shaftMostDeg: 20 });
    const same = <State>(state: State) => ({ droop: state, ride: state, bump: state });
    const shaft = {
      lengthMm: 1200,
      shaftDeg: 9,
      outputJointDeg: 23,
      pinionJointDeg: 4,
      pulledApartMm: 20,
      engagedMm: 45,
    };
    const state = { linkLeanDeg: 2, armToLinkDeg: 24, armTurnDeg: 5 };
    const full: CornerFindings = {
      ...base,
      propshaft: { before: same(shaft), after: same(shaft) },
      slipJointLeastMm: 50,
      swayBar: { before: same(state), after: same(state) },
      dragLink: {
        before: same({ steerDeg: 0, steeringWheelDeg: 0 }),
        after: same({ steerDeg: 1, steeringWheelDeg: -16 }),
      },
    };
    const found = Object.fromEntries(calledFor(full).map(({ what, by }) => [what, by]));
    expect(found).toMatchObject({ propshaftJoint: 3, slipJoint: 5, swayLink: 0, dragLink: -16 });
    expect(calledFor(base).map(({ what }) => what)).toEqual(['alignment']);
  });

  test('what was not measured is not answered', () => {
    expect(report(stood({}), { shockOpenMm: 560 }).shock).toBeNull();
    expect(report(stood({}), shock).shock).toBeNull();
    expect(report(stood({}), {}).lines).toEqual([]);
  });
});
