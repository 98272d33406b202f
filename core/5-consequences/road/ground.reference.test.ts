import { describe, expect, test } from '@jest/globals';
import { driveshaftAt } from '../driveline/driveshaft';
import {
  breakoverAngleDeg,
  effectiveAxleRatio,
  endAngleDeg,
  engineSpeed,
  restoringAxleRatio,
  staticStabilityFactor,
  tiltAngleDeg,
} from './ground';

describe('angles to the ground (SAE J1100, ISO 612: definitions from memory)', () => {
  test('a line from the overhang touches the tire: its distance from the hub is the loaded radius', () => {
    for (const [reach, height] of [
      [750, 420],
      [900, 300],
      [620, 700],
    ] as const) {
      const radius = 390;
      const angle = (endAngleDeg(reach, height, radius) * Math.PI) / 180;
      // The hub stands at (0, radius); the line runs through (reach, height) at that angle.
      const away = Math.abs(Math.sin(angle) * (0 - reach) - Math.cos(angle) * (radius - height));
      expect(away).toBeCloseTo(radius, 9);
    }
  });

  test('an overhang on the ground has no angle, one higher than the tire more than 45 degrees close by', () => {
    expect(endAngleDeg(800, 0, 390)).toBeCloseTo(0, 9);
    expect(endAngleDeg(500, 780, 390)).toBeGreaterThan(45);
    expect(endAngleDeg(200, 390, 390)).toBe(90);
  });

  test('breakover in the middle of two like tires is twice the angle of one, and more clearance is more of it', () => {
    const one = endAngleDeg(1400, 260, 390);
    expect(breakoverAngleDeg(1400, 260, 2800, 390, 390)).toBeCloseTo(2 * one, 12);
    expect(breakoverAngleDeg(1400, 310, 2800, 390, 390)).toBeGreaterThan(2 * one);
  });
});

test('static stability factor is half the track over the height of the center of gravity (NHTSA, from memory)', () => {
  expect(staticStabilityFactor(1600, 640)).toBeCloseTo(1.25, 12);
  // As wide as twice its height it tips at 45 degrees.
  expect(tiltAngleDeg(staticStabilityFactor(1400, 700))).toBeCloseTo(45, 9);
});

test('gearing: engine speed by turns of the wheel, and the axle ratio that restores it', () => {
  // 100 km/h on a circumference of 2.5 m are 666.7 turns a minute.
  expect(engineSpeed(100, 2500, 3.73, 0.8)).toBeCloseTo((100_000 / 60 / 2.5) * 3.73 * 0.8, 6);
  const restored = restoringAxleRatio(3.73, 880 / 780);
  expect(restored).toBeCloseTo((3.73 * 880) / 780, 12);
  expect(effectiveAxleRatio(restored, 880 / 780)).toBeCloseTo(3.73, 12);
});

describe('driveshaft', () => {
  const level = { lengthMm: 1000, riseMm: 0, outputDeg: 0, pinionDeg: 0, engagedMm: 82.55, leastMm: 50.8 } as const;

  test('3.25 in engaged, the front axle an inch forward leaves 2.25 of the 2 wanted (common practice, no source)', () => {
    const moved = driveshaftAt({ ...level, axle: 'front' }, { droppedMm: 0, forwardMm: 25.4, pinionUpDeg: 0 });
    expect(moved.engagedMm! / 25.4).toBeCloseTo(2.25, 9);
    // So a quarter of an inch may be lost through travel.
    expect((moved.engagedMm! - level.leastMm) / 25.4).toBeCloseTo(0.25, 9);
    const rear = driveshaftAt({ ...level, axle: 'rear' }, { droppedMm: 0, forwardMm: 25.4, pinionUpDeg: 0 });
    expect(rear.engagedMm! / 25.4).toBeCloseTo(4.25, 9);
  });

  test('an axle that drops away from a shaft sloping down pulls it apart; one that a link draws in as it drops pushes it together', () => {
    const sloped = { ...level, axle: 'rear', riseMm: 150 } as const;
    const drop = (forwardMm: number) =>
      driveshaftAt(sloped, { droppedMm: 80, forwardMm, pinionUpDeg: 0 }).pulledApartMm;
    expect(drop(0)).toBeCloseTo(Math.hypot(Math.sqrt(1e6 - 150 ** 2), 230) - 1000, 9);
    expect(drop(0)).toBeGreaterThan(0);
    expect(drop(25)).toBeLessThan(0);
  });

  test('joints work at the shaft’s angle to output and pinion; turning the pinion up takes its joint’s away', () => {
    const shaft = driveshaftAt({ ...level, axle: 'rear' }, { droppedMm: 176.3, forwardMm: 0, pinionUpDeg: 0 });
    expect(shaft.shaftDeg).toBeCloseTo(10, 1);
    expect(shaft.outputJointDeg).toBeCloseTo(shaft.shaftDeg, 12);
    const turned = driveshaftAt(
      { ...level, axle: 'rear' },
      { droppedMm: 176.3, forwardMm: 0, pinionUpDeg: shaft.shaftDeg },
    );
    expect(turned.pinionJointDeg).toBeCloseTo(0, 12);
  });
});
