import { describe, expect, test } from '@jest/globals';
import { place, rotate } from '../../1-base/geometry/pose';
import { attempt } from '../../1-base/problem';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import { madeCase, madeCorner, LEANING_AXIS } from '../../fixtures/made-corner';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { travelLimits } from '../../4-clearance/envelope/envelope';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { LiftPart } from './lift-part';
import { liftPartShift } from './part-shift';
import { motionUnder } from './motion-under';
import { bodyRiseMm, countParts, fittedAsSetup, frameRiseMm } from './setup';
import { blockStop, strutStops } from './stop-place';

const withParts = (corner: CornerDescription, ...parts: LiftPart[]) =>
  countParts({ ...fittedAsSetup(corner.fitted), parts });
const motionOf = (corner: CornerDescription, ...parts: LiftPart[]) =>
  motionUnder('frontLeft', corner, withParts(corner, ...parts));

/** A strut seen from the front alone: nothing leans fore and aft. */
const TAPE = {
  lowerArmMm: 340,
  lowerArmRiseMm: 20,
  lowerJointDownMm: 120,
  lowerJointInboardMm: 60,
  topUpMm: 540,
  topInboardMm: 200,
  topBehindMm: 0,
};
const strut = madeCorner({
  motion: { type: 'macphersonStrut', tape: TAPE },
  steering: LEANING_AXIS,
  travel: { bumpMm: 80, droopMm: 90 },
});

/**
 * The same strut in the plane, its mount let down by `drop`: the joint on its circle about the arm's pivot, the line from there to the mount
 * turns the knuckle. Hub place across and camber (degrees, + = top out) with the hub at a height, found by halving.
 */
function planarStrut(drop: number, height: number): { readonly y: number; readonly camberDeg: number } {
  const pivot = [-60 - Math.sqrt(340 * 340 - 20 * 20), -120 + 20] as const;
  const top = [-200, 540 - drop] as const;
  const lean = (y: number, z: number, upTo: readonly [number, number]): number => Math.atan2(upTo[0] - y, upTo[1] - z);
  const home = lean(-60, -120, [-200, 540]);
  const at = (angle: number): { readonly y: number; readonly z: number; readonly turn: number } => {
    const joint = [pivot[0] + 340 * Math.cos(angle), pivot[1] + 340 * Math.sin(angle)] as const;
    const turn = lean(joint[0], joint[1], top) - home;
    // From joint to hub: 60 outboard and 120 up, turned with the knuckle (+ turn takes up toward outboard).
    const [out, up] = [60 * Math.cos(turn) + 120 * Math.sin(turn), 120 * Math.cos(turn) - 60 * Math.sin(turn)];
    return { y: joint[0] + out, z: joint[1] + up, turn };
  };
  let [low, high] = [-0.6, 0.6];
  for (let n = 0; n < 80; n++) {
    const middle = (low + high) / 2;
    if (at(middle).z < height) low = middle;
    else high = middle;
  }
  const found = at((low + high) / 2);
  return { y: found.y, camberDeg: toDegrees(found.turn) };
}

describe('a spacer on top of the strut', () => {
  const spacer = (stops?: 'inStrut' | 'onFrame'): LiftPart => ({
    kind: 'strutTopSpacer',
    thicknessMm: 40,
    motionRatio: 1,
    ...(stops ? { stops } : {}),
  });

  test.each([-110, -60, 0, 40, 75])('takes the mount down: place and camber at %d mm as in the plane', (travel) => {
    for (const drop of [0, 25, 40]) {
      const parts = drop ? [{ ...spacer('inStrut'), thicknessMm: drop } as LiftPart] : [];
      const pose = motionOf(strut, ...parts).wheelPose({ travel, steer: 0 });
      const expected = planarStrut(drop, travel);
      expect(pose.origin[1]).toBeCloseTo(expected.y, 6);
      const up = rotate(pose.rotation, [0, 0, 1]);
      expect(toDegrees(Math.atan2(up[1], up[2]))).toBeCloseTo(expected.camberDeg, 6);
    }
  });

  test('moves the top of the tread by the millimeters the trade sees', () => {
    // 40 mm on a strut of about this lean: between 5 and 9 mm inboard at the top of a 400 mm radius (common practice, no source).
    const top = (...parts: LiftPart[]) =>
      place(motionOf(strut, ...parts).wheelPose({ travel: 0, steer: 0 }), [0, 0, 400])[1];
    const moved = top() - top(spacer('inStrut'));
    expect(moved).toBeGreaterThan(4);
    expect(moved).toBeLessThan(10);
  });

  test('stops inside the strut come down with it, on the frame they stay: full bump decides', () => {
    expect(liftPartShift(spacer('inStrut'))).toMatchObject({ bumpLimitShiftMm: -40, droopLimitShiftMm: -40 });
    expect(liftPartShift(spacer('onFrame'))).toMatchObject({ bumpLimitShiftMm: 0, droopLimitShiftMm: -40 });
    const fender = (stops: 'inStrut' | 'onFrame') =>
      evaluateCase(
        madeCase({
          corners: {
            frontLeft: {
              ...strut,
              obstacles: [
                { id: 'f', mount: 'body', material: 'sheetMetal', shape: { type: 'points', points: [[0, -60, 500]] } },
              ],
            },
          },
          setup: { ...fittedAsSetup(strut.fitted), parts: [spacer(stops)] },
        }),
      ).obstacles[0]!;
    expect(fender('onFrame').travelMm).toBeCloseTo(80, 3);
    expect(fender('inStrut').travelMm).toBeCloseTo(40, 3);
    expect(fender('inStrut').gapMm - fender('onFrame').gapMm).toBeGreaterThan(35);
  });

  test('a file that does not say keeps its meaning: stops inside, the mount where it was', () => {
    expect(liftPartShift(spacer())).toMatchObject({ bumpLimitShiftMm: -40, strutTopDropMm: 0 });
    expect(motionOf(strut, spacer()).wheelPose({ travel: 0, steer: 0 })).toEqual(
      motionOf(strut).wheelPose({ travel: 0, steer: 0 }),
    );
  });

  test('where nobody looked nothing is promised of a stop', () => {
    expect(strutStops(strut)).toBe('onFrame');
    expect(blockStop(strut)).toBe('axle');
    const looked = (stopSits: 'insideStrut' | 'springPack') => ({ travel: { ...strut.travel, stopSits } });
    expect(strutStops(looked('insideStrut'))).toBe('inStrut');
    expect(blockStop(looked('springPack'))).toBe('springPack');
  });
});

describe('a lift spindle', () => {
  const corner = madeCorner({ motion: { type: 'doubleWishbone', tape: { lowerArmMm: 380 } }, steering: LEANING_AXIS });
  const part: LiftPart = { kind: 'liftSpindle', dropMm: 45 };

  test('puts the hub lower on its knuckle: joints and arms stand where they did, at every height and steer', () => {
    const [before, after] = [motionOf(corner), motionOf(corner, part)];
    for (const posture of [
      { travel: 0, steer: 0 },
      { travel: 60, steer: 0.4 },
    ]) {
      for (const mount of ['knuckle', 'lowerArm', 'upperArm'] as const) {
        expect(after.mountPose(mount, posture)).toEqual(before.mountPose(mount, posture));
      }
      // Along the knuckle's own upright.
      const down = rotate(before.mountPose('knuckle', posture).rotation, [0, 0, -45]);
      const [was, is] = [before.wheelPose(posture).origin, after.wheelPose(posture).origin];
      is.forEach((v, k) => expect(v - was[k]!).toBeCloseTo(down[k]!, 9));
    }
    const setup = withParts(corner, part);
    expect([frameRiseMm(setup), bodyRiseMm(setup)]).toEqual([45, 45]);
  });

  test('a brake goes with the hub, a joint nears the tire above it', () => {
    const thing = (id: string, material: 'brake' | 'knuckle') => ({
      id,
      mount: 'knuckle' as const,
      material,
      shape: { type: 'points' as const, points: [[0, -90, 300] as [number, number, number]] },
    });
    const described = { ...corner, obstacles: [thing('caliper', 'brake'), thing('joint', 'knuckle')] };
    const gaps = (parts: LiftPart[]) =>
      evaluateCase(
        madeCase({ corners: { frontLeft: described }, setup: { ...fittedAsSetup(corner.fitted), parts } }),
      ).obstacles.map(({ gapMm }) => gapMm);
    const [before, after] = [gaps([]), gaps([part])];
    expect(after[0]).toBeCloseTo(before[0]!, 2);
    expect(Math.abs(after[1]! - before[1]!)).toBeGreaterThan(15);
  });
});

describe('brackets that lower the arms of a beam axle', () => {
  const beam = madeCorner({
    motion: { type: 'beamAxle', hubSpacingMm: 1500, points: { linkPivot: [-900, 0, 0] } },
    steering: LEANING_AXIS,
  });
  const bracket: LiftPart = { kind: 'armBracket', dropMm: 60 };

  test('give caster back and do not lift', () => {
    const corner = motionOf(beam, bracket);
    const axle = corner.mountPose('axle', { travel: 0, steer: 0 });
    // The arm, 900 mm long from a pivot 60 mm lower, points up to the hub by asin(60/900).
    const turn = Math.asin(60 / 900);
    expect(axle.origin[2]).toBeCloseTo(0, 9);
    expect(axle.origin[0]).toBeCloseTo(-900 + 900 * Math.cos(turn), 6);
    const up = rotate(axle.rotation, [0, 0, 1]);
    // The top leans back: caster.
    expect(Math.atan2(-up[0], up[2])).toBeCloseTo(turn, 9);
    const { ride, bump, droop } = travelLimits(beam, withParts(beam, bracket));
    expect(ride).toBeCloseTo(0, 12);
    expect([bump, droop]).toEqual([80, -100]);
  });

  test('of 60 mm take back what 60 mm of lift took', () => {
    const lifted = motionOf(beam, bracket).mountPose('axle', { travel: -60, steer: 0 });
    const stock = motionOf(beam).mountPose('axle', { travel: 0, steer: 0 });
    lifted.rotation.forEach((v, k) => expect(v).toBeCloseTo(stock.rotation[k]!, 12));
  });

  test('cannot be counted where nobody measured the arms', () => {
    const bare = madeCorner({ motion: { type: 'beamAxle', hubSpacingMm: 1500 } });
    expect(attempt(() => motionOf(bare, bracket))).toMatchObject({
      problems: [{ code: 'missing', path: 'corners.frontLeft.motion.points.linkPivot' }],
    });
  });
});

test('a sub-frame drop takes arms, knuckle and wheel down together', () => {
  const corner = madeCorner({ motion: { type: 'doubleWishbone', tape: { lowerArmMm: 380 } }, steering: LEANING_AXIS });
  const posture = { travel: 20, steer: toRadians(12) };
  const [before, after] = [motionOf(corner), motionOf(corner, { kind: 'drop', dropMm: 50 })];
  for (const mount of ['knuckle', 'lowerArm', 'upperArm'] as const) {
    expect(after.mountPose(mount, posture).origin[2]).toBeCloseTo(before.mountPose(mount, posture).origin[2] - 50, 9);
  }
});

describe('parts with numbers of their own', () => {
  const shiftOf = (part: LiftPart) => liftPartShift(part);
  const strutOf = (more: object): LiftPart =>
    ({
      kind: 'coilOver',
      liftMm: 60,
      openMm: 560,
      closedMm: 395,
      replacesOpenMm: 520,
      replacesClosedMm: 380,
      motionRatio: 0.8,
      stops: 'onFrame',
      ...more,
    }) as LiftPart;

  test('a longer strut lets the wheel hang by what it opens more, over the ratio; its stop, inside it, comes sooner by what it closes less', () => {
    expect(shiftOf(strutOf({}))).toMatchObject({ suspensionLiftMm: 60, droopLimitShiftMm: -50, bumpLimitShiftMm: 0 });
    expect(shiftOf(strutOf({ stops: 'inStrut' })).bumpLimitShiftMm).toBeCloseTo(-15 / 0.8, 9);
    // A lift beyond today's droop goes with it that was refused before: 100 mm with 90 of droop.
    const lift = { ...fittedAsSetup(strut.fitted), suspensionLiftMm: 0 };
    const limits = (parts: readonly LiftPart[]) => attempt(() => travelLimits(strut, countParts({ ...lift, parts })));
    expect(limits([{ kind: 'ride', liftMm: 100 }]).ok).toBe(false);
    expect(limits([strutOf({ liftMm: 100 })])).toMatchObject({ ok: true, value: { droop: -140, ride: -100 } });
  });

  test('the refusal names the ways on', () => {
    const refused = attempt(() => travelLimits(strut, withParts(strut, { kind: 'ride', liftMm: 100 })));
    expect(refused.ok).toBe(false);
    expect(refused.ok ? '' : refused.problems[0]!.expected).toMatch(/longer strut or coil-over, a longer shock/);
  });

  test('a weight seen to sink a corner is believed before its rates', () => {
    const load: LiftPart = { kind: 'load', weightKg: 80, share: 0.5, rateNPerMm: 50, motionRatio: 1 };
    // 80 kg x 9.80665 x 0.5 / 50 = 7.845 mm (Hooke).
    expect(shiftOf(load).suspensionLiftMm).toBeCloseTo(-7.845, 3);
    expect(shiftOf({ ...load, sinksMm: 12 }).suspensionLiftMm).toBe(-12);
    // Ahead of the front axle the rear rises: a share below 0.
    expect(shiftOf({ ...load, share: -0.1 }).suspensionLiftMm).toBeGreaterThan(0);
  });

  test('a part with a number that nobody read moves nothing, and is not among those counted', () => {
    const spacer: LiftPart = { kind: 'springSpacer', thicknessMm: 30, motionRatio: 1, starting: ['thicknessMm'] };
    const setup = withParts(strut, spacer, { kind: 'body', liftMm: 50 });
    expect(bodyRiseMm(setup)).toBe(50);
    expect(setup.countedParts.map(({ kind }) => kind)).toEqual(['body']);
    expect(bodyRiseMm(withParts(strut, { ...spacer, starting: [] }))).toBe(30);
  });

  test('new upper arms add caster; aligned, the wheel keeps it as far as its target says', () => {
    expect(shiftOf({ kind: 'upperArm', casterDeg: 1.5 }).casterChangeDeg).toBe(1.5);
    expect(shiftOf({ kind: 'swayBarDrop', dropMm: 25 })).toMatchObject({ swayBarDropMm: 25, suspensionLiftMm: 0 });
  });
});
