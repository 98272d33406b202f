import { describe, expect, test } from '@jest/globals';
import { place, rotate } from '../../1-base/geometry/pose';
import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import { attempt } from '../../1-base/problem';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import { madeCorner, LEANING_AXIS } from '../../fixtures/made-corner';
import { motionUnder } from '../setup/motion-under';
import { countParts, fittedAsSetup, fittedSetup } from '../setup/setup';
import { ackermannLockDeg, isInnerLock, STARTING_LOCKS } from './ackermann';
import type { MotionDescription } from './motion-description';
import { doubleWishboneFromTape, macphersonStrutFromTape } from './from-tape';
import { mountsOf } from './motion-description';

const ARMS = {
  lowerArmFrame: [620, 0, 30],
  lowerArmAxle: [-10, 0, -70],
  upperArmFrame: [470, 0, 140],
  upperArmAxle: [45, 0, 125],
} as const satisfies Record<string, Vec3>;
const axleOn = (points: Extract<MotionDescription, { type: 'beamAxle' }>['points']) =>
  madeCorner({ motion: { type: 'beamAxle', hubSpacingMm: 1500, points }, travel: { bumpMm: 100, droopMm: 120 } });

describe('a beam axle on upper and lower arms', () => {
  const corner = axleOn(ARMS);
  const motion = motionUnder('rearLeft', corner, fittedSetup(corner.fitted));

  test.each([-120, -55, 0, 40, 100])('keeps every arm as long as it is, seen from the side, at %d mm', (travel) => {
    const axle = motion.mountPose('axle', { travel, steer: 0 });
    expect(axle.origin[2]).toBeCloseTo(travel, 9);
    for (const which of ['lower', 'upper'] as const) {
      const frame = ARMS[`${which}ArmFrame`];
      const end = ARMS[`${which}ArmAxle`];
      expect(distance(place(axle, end), frame)).toBeCloseTo(distance(end, frame), 6);
    }
  });

  test('turns its pinion as the arms’ angles differ, and not at all where they are alike (parallelogram; geometry)', () => {
    const nose = (of: typeof motion) => rotate(of.mountPose('axle', { travel: 80, steer: 0 }).rotation, [1, 0, 0])[2];
    expect(Math.abs(toDegrees(Math.asin(nose(motion))))).toBeGreaterThan(0.5);
    const alike = axleOn({
      lowerArmFrame: [600, 0, -40],
      lowerArmAxle: [0, 0, -70],
      upperArmFrame: [600, 0, 150],
      upperArmAxle: [0, 0, 120],
    });
    expect(nose(motionUnder('rearLeft', alike, fittedSetup(alike.fitted)))).toBeCloseTo(0, 9);
  });

  test('hangs on brackets as it did that much higher', () => {
    const dropped = countParts({ ...fittedAsSetup(corner.fitted), parts: [{ kind: 'armBracket', dropMm: 40 }] });
    const lowered = motionUnder('rearLeft', corner, dropped).mountPose('axle', { travel: -40, steer: 0 });
    expect(lowered.rotation).toEqual(
      motion.mountPose('axle', { travel: 0, steer: 0 }).rotation.map((v) => expect.closeTo(v, 9)),
    );
  });

  test('asks for all four ends, and says at which height arms do not reach', () => {
    const three = axleOn({ lowerArmFrame: [620, 0, 30], lowerArmAxle: [0, 0, -70], upperArmFrame: [470, 0, 140] });
    expect(attempt(() => motionUnder('rearLeft', three, fittedSetup(three.fitted)))).toMatchObject({
      problems: [{ code: 'missing', path: 'corners.rearLeft.motion.points.upperArmAxle' }],
    });
    expect(attempt(() => motion.mountPose('axle', { travel: 900, steer: 0 }))).toMatchObject({
      problems: [{ code: 'impossiblePosture' }],
    });
  });
});

describe('locks nobody read', () => {
  test('follow Ackermann: both front axles of rotation meet on the line of the rear axle (R. Ackermann, 1818; from memory)', () => {
    const base = { wheelbaseMm: 3100, trackMm: 1580 };
    for (const innerDeg of [12, 25, 37, 41]) {
      const outerDeg = ackermannLockDeg(innerDeg, true, base);
      // From the rear axle's line each wheel's own axis reaches so far to the turning centre: one track apart.
      const [inner, outer] = [innerDeg, outerDeg].map((d) => base.wheelbaseMm / Math.tan(toRadians(d))) as [
        number,
        number,
      ];
      expect(outer - inner).toBeCloseTo(base.trackMm, 6);
      expect(ackermannLockDeg(outerDeg, false, base)).toBeCloseTo(innerDeg, 9);
    }
    expect(ackermannLockDeg(80, false, { wheelbaseMm: 1500, trackMm: 1500 })).toBe(90);
  });

  test('start where turn plates read light trucks (common practice, no source)', () => {
    expect(STARTING_LOCKS.innerDeg).toBeGreaterThanOrEqual(36);
    expect(STARTING_LOCKS.innerDeg).toBeLessThanOrEqual(38);
    expect(STARTING_LOCKS.outerDeg).toBeGreaterThanOrEqual(30);
    expect(STARTING_LOCKS.outerDeg).toBeLessThanOrEqual(34);
    expect([isInnerLock('left', 'left'), isInnerLock('right', 'left')]).toEqual([true, false]);
  });
});

describe('a tie rod by tape', () => {
  const TAPE = { tieRodMm: 360, tieRodBehindMm: 130, tieRodUpMm: -40, tieRodInboardMm: 85, tieRodRiseMm: 25 };

  test.each([
    ['double wishbone', 'doubleWishbone', doubleWishboneFromTape({ lowerArmMm: 380, ...TAPE })],
    ['strut', 'macphersonStrut', macphersonStrutFromTape({ lowerArmMm: 340, ...TAPE })],
  ] as const)('of a %s stands where the tape was held, and steers the wheel over bumps', (_name, type, points) => {
    const [outer, inner] = [points.tieRodOuter!, points.tieRodInner!];
    expect(outer).toEqual([-130, -85, -40]);
    expect(distance(outer, inner)).toBeCloseTo(360, 9);
    expect(inner[2] - outer[2]).toBeCloseTo(25, 9);
    const motion = { type, tape: { lowerArmMm: 380, ...TAPE } } as const;
    expect(mountsOf(motion)).toContain('tieRod');
    const corner = madeCorner({ motion, steering: LEANING_AXIS });
    const moves = motionUnder('frontLeft', corner, fittedSetup(corner.fitted));
    expect(moves.straightSteer(moves.carrierAt(0, 0))).toBeCloseTo(0, 9);
    expect(Math.abs(toDegrees(moves.straightSteer(moves.carrierAt(60, 0))))).toBeGreaterThan(0.05);
  });

  test('without its length there is none', () => {
    const { tieRodMm: _, ...rest } = TAPE;
    expect(doubleWishboneFromTape({ lowerArmMm: 380, ...rest })).not.toHaveProperty('tieRodOuter');
    expect(mountsOf({ type: 'doubleWishbone', tape: { lowerArmMm: 380, ...rest } })).not.toContain('tieRod');
  });
});
