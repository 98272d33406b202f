import { describe, expect, test } from '@jest/globals';
import { cornerMotion, type CornerMotionInput } from '../../2-vehicle/motion/corner-motion';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import { toDegrees } from '../../1-base/units/angle';
import { alignmentCurve, wheelStandAt } from './alignment-curve';
import { motionRatio, shockTravel, springLengthMm } from './spring-line';

const TIRE = { centrePlaneMm: -20, loadedRadiusMm: 390 };

const motionOf = (motion: MotionDescription, more: Partial<CornerMotionInput> = {}) =>
  cornerMotion({
    path: 'corner',
    side: 'left',
    motion,
    steering: { inclinationDeg: 10, casterDeg: 4, kingpinOffsetMm: 90, lockLeftDeg: 30, lockRightDeg: 30 },
    camberDeg: -0.5,
    toeDeg: 0.2,
    casterChangeDeg: 0,
    axleShiftMm: 0,
    linkageDropMm: 0,
    bodyLiftMm: 0,
    ...more,
  });

describe('camber, toe and caster against travel', () => {
  test('as surveyed they are what was entered', () => {
    const stand = wheelStandAt(motionOf({ type: 'swingArm', frontView: { y: -900, z: -40 }, sideView: null }), 0, TIRE);
    expect(stand.camberDeg).toBeCloseTo(-0.5, 3);
    expect(stand.toeDeg).toBeCloseTo(0.2, 3);
    expect(stand.casterDeg).toBeCloseTo(4, 9);
    expect(stand.inclinationDeg).toBeCloseTo(10, 9);
    // Axis at the ground: 90 mm inboard, less what 390 mm of 10 degrees bring outboard; camber leans the contact by 3.4 mm.
    expect(stand.scrubRadiusMm).toBeCloseTo(
      -20 + 90 - 390 * Math.tan((10 * Math.PI) / 180) + 390 * Math.sin((0.5 * Math.PI) / 180),
      0,
    );
  });

  test('a swing arm seen from the front turns the wheel as it turns itself (plane geometry)', () => {
    const [y, z] = [-900, -40];
    const motion = motionOf({ type: 'swingArm', frontView: { y, z }, sideView: null }, { camberDeg: 0, toeDeg: 0 });
    const arm = Math.hypot(y, z);
    const angleAt = (travel: number): number => Math.asin((travel - z) / arm);
    for (const travel of [-80, -20, 40, 90]) {
      const { camberDeg } = wheelStandAt(motion, travel, TIRE);
      // Rising, the wheel follows the arm round the centre inboard of it: its top leans in.
      expect(camberDeg).toBeCloseTo(-toDegrees(angleAt(travel) - angleAt(0)), 9);
    }
  });

  test('equal and parallel arms keep camber; a shorter upper arm leans the top in at bump and at droop (common practice, no source)', () => {
    const at = (upper: number, travel: number): number =>
      wheelStandAt(
        motionOf(
          {
            type: 'doubleWishbone',
            points: {
              ucaFrontPivot: [100, -60 - upper, 150],
              ucaRearPivot: [-100, -60 - upper, 150],
              upperBallJoint: [0, -60, 150],
              lcaFrontPivot: [100, -460, -130],
              lcaRearPivot: [-100, -460, -130],
              lowerBallJoint: [0, -60, -130],
            },
          },
          { camberDeg: 0, toeDeg: 0 },
        ),
        travel,
        TIRE,
      ).camberDeg;
    for (const travel of [-80, 80]) {
      expect(at(400, travel)).toBeCloseTo(0, 9);
      expect(at(260, travel)).toBeLessThan(-0.5);
    }
  });

  test('a panhard rod swings a beam axle sideways on the circle about its frame end', () => {
    const points = { panhardFrame: [0, -1300, 100] as const, panhardAxle: [0, -300, 20] as const };
    const motion = motionOf({ type: 'beamAxle', hubSpacingMm: 1600, points }, { camberDeg: 0, toeDeg: 0 });
    const home = wheelStandAt(motion, 0, TIRE).outboardMm;
    for (const travel of [-100, 60]) {
      const rod = Math.hypot(1000, 80);
      const across = (dz: number): number => Math.sqrt(rod * rod - (80 - dz) ** 2);
      expect(wheelStandAt(motion, travel, TIRE).outboardMm - home).toBeCloseTo(across(travel) - across(0), 6);
    }
  });

  test('a linkage that locks says at which heights, and the rest stays', () => {
    const motion = motionOf({ type: 'swingArm', frontView: { y: -120, z: 0 }, sideView: null });
    const { stands, locked } = alignmentCurve(motion, -60, 180, TIRE, 20);
    expect(stands.length).toBeGreaterThan(5);
    expect(Math.min(...locked!.travelsMm)).toBeGreaterThan(100);
    expect(locked!.problem.code).toBe('impossiblePosture');
  });
});

describe('springs and shocks on the linkage', () => {
  test('halfway out on a level arm a spring moves half as much as the wheel: ratio 1/2 (lever law)', () => {
    const motion = motionOf({
      type: 'trailingArm',
      points: { pivotInner: [600, -500, 0], pivotOuter: [600, -100, 0] },
    });
    const line = { top: [300, -60, 400] as const, bottom: [300, -60, 0] as const, on: 'axle' as const };
    expect(motionRatio(motion, line, 0)).toBeCloseTo(0.5, 3);
    expect(springLengthMm(motion, line, 40)).toBeLessThan(springLengthMm(motion, line, 0));
  });

  test('a shock too short stops the droop and one too long bottoms: lengths by hand', () => {
    // 500 mm now, half as fast as the wheel: 560 at 120 mm of droop, 455 at 90 of bump.
    const shock = { openMm: 550, closedMm: 460, nowMm: 500, ratio: 0.5 };
    expect(shockTravel(shock, { droop: -120, ride: 0, bump: 90 })).toEqual({
      droopMm: 560,
      rideMm: 500,
      bumpMm: 455,
      droopSpareMm: -10,
      bumpSpareMm: -5,
      shortMm: 10,
      bottomsMm: 5,
      droopReachedMm: -100,
      bumpReachedMm: 80,
    });
  });
});
