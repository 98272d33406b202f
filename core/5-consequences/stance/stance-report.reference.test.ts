import { LEANING_AXIS, madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import { doubleWishboneFromTape } from '../../2-vehicle/motion/from-tape';
import { calledFor, calledForBySchool, notAnswered } from './called-for';
import { cornerFindings, type CornerFindings } from './findings';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
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

const findings = (description: CaseDescription, underside: CornerUnderside, ability: AxleAbility): CornerFindings =>
  cornerFindings(description, 'frontLeft', { underside, ability });

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

  const lower = (mm: number) => stood({ suspensionLiftMm: mm, droopLimitShiftMm: -mm });
  const hoseOf = (mm: number, spare: number) =>
    calledForBySchool(findings(lower(mm), { brakeHoseSpareMm: spare }, {})).find(({ what }) => what === 'longerHose');

  test('schools differ by what they keep to spare: a hose with 10 mm left is enough for one, too short for the others', () => {
    // 30 mm to spare hanging, 20 lower then: 10 left; 25 are kept by the strictest.
    expect(hoseOf(20, 30)).toMatchObject({ schools: ['keepReserve', 'correctedParts'], by: 15 });
    expect(hoseOf(20, 19)!.schools).toHaveLength(3);
  });

  test('what was wanting before the change is not called for by it', () => {
    // Short by 5 today, by 25 then: the change adds 20.
    const [hose] = calledFor(findings(lower(20), { brakeHoseSpareMm: -5 }, {})).filter(
      ({ what }) => what === 'longerHose',
    );
    expect(hose).toMatchObject({ by: 20, already: 5 });
    expect(hoseOf(0, -5)).toBeUndefined();
  });

  test('parked nearer to full droop: 100 mm less 60 leave 40, of which one school keeps 50', () => {
    const found = calledForBySchool(findings(stood({ suspensionLiftMm: 60 }), {}, {})).find(
      ({ what }) => what === 'droopTravel',
    );
    expect(found).toMatchObject({ by: 35, schools: ['keepReserve', 'correctedParts'] });
  });

  test('what nobody measured is not answered, and named', () => {
    const open = notAnswered(findings(lower(50), { shockOpenMm: 560 }, {}));
    expect(Object.fromEntries(open.map(({ what, missing }) => [what, missing]))).toMatchObject({
      longerShock: ['shockLengths', 'shockRatio'],
      longerHose: ['brakeHose'],
      jointCorrection: ['jointLimits'],
      differentialDrop: ['halfShafts', 'shaftLimit'],
      camberCorrection: ['camberReach'],
    });
    expect(open.map(({ what }) => what)).not.toContain('panhardCorrection');
    const answered = findings(lower(50), { brakeHoseSpareMm: 60 }, { camberByDeg: 1 });
    expect(notAnswered(answered).map(({ what }) => what)).not.toContain('longerHose');
  });

  test('new upper arms bring their own ball joint; arms at the frame have a limit of their own', () => {
    const arms = { kind: 'upperArm', casterDeg: 0, jointMostDeg: 60 } as const;
    const longer = { kind: 'longerShock', extraMm: 50, motionRatio: 1 } as const;
    const of = (parts: readonly LiftPart[], ability: AxleAbility) =>
      calledFor(findings(stood({ parts: [longer, ...parts] }), {}, ability)).find(
        ({ what }) => what === 'jointCorrection',
      );
    expect(of([], { upperJointMostDeg: 30 })).toBeDefined();
    expect(of([arms], { upperJointMostDeg: 30 })).toBeUndefined();
    // Lower arm of 400 level at the survey: asin(150 / 400) = 22 degrees at full droop.
    expect(of([], { armMostDeg: 60 })).toBeUndefined();
    expect(of([], { armMostDeg: 20 })!.by).toBeGreaterThan(0);
  });

  test('a longer shock is not called for again once it is on', () => {
    const measured = { shockOpenMm: 560, shockClosedMm: 440, shockNowMm: 500 };
    const longer = { kind: 'longerShock', extraMm: 30, closedExtraMm: 10, motionRatio: 0.6 } as const;
    const shock = report(stood({ parts: [longer] }), measured, { shockRatio: 0.6 });
    // As much droop more as the shock is longer: its spare stroke there is what it was; closed it has 10 less.
    expect(shock.shock!.droopSpareMm).toBeCloseTo(shock.shockBefore!.droopSpareMm, 9);
    expect(shock.shock!.bumpSpareMm).toBeCloseTo(shock.shockBefore!.bumpSpareMm - 10, 9);
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
      corner: { ...base.corner, motion: { type: 'beamAxle', hubSpacingMm: 1600, leaf: true }, steering: LEANING_AXIS },
      driveshaft: { before: same({ ...shaft, outputJointDeg: 19, engagedMm: 60 }), after: same(shaft) },
      slipJointLeastMm: 50,
      swayBar: { before: same({ ...state, armToLinkDeg: 60 }), after: same(state) },
      dragLink: {
        before: same({ steerDeg: 0, steeringWheelDeg: 0 }),
        after: same({ steerDeg: 1, steeringWheelDeg: -16 }),
      },
    };
    const found = Object.fromEntries(calledFor(full).map(({ what, by }) => [what, by]));
    expect(found).toMatchObject({ driveshaftJoint: 3, slipJoint: 5, dragLink: -16 });
    expect(found).toHaveProperty('swayLink');
    expect(calledFor(base).map(({ what }) => what)).toEqual(['alignment']);
  });

  test('what was not measured is not answered', () => {
    expect(report(stood({}), { shockOpenMm: 560 }).shock).toBeNull();
    expect(report(stood({}), shock).shock).toBeNull();
    expect(report(stood({}), {}).lines).toEqual([]);
  });
});
