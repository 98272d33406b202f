import { describe, expect, test } from '@jest/globals';
import { toDegrees, toRadians } from '../units/angle';
import type { SteeringDescription } from '../motion/steering';
import { lockShare, steerAt, steeringLocks, type Envelope } from './envelope';

const street: Envelope = {
  kind: 'street',
  limits: { droop: -100, ride: -20, bump: 85 },
  locks: { left: 0.6, right: 0.5 },
};

describe('the street envelope', () => {
  test.each([
    ['parked', -20, 1],
    ['25 mm up', 5, 1],
    ['25 mm down', -45, 1],
    ['at the bump stop', 85, 0.25],
    ['at the droop stop', -100, 0.25],
    // d = (52.5 - 25) / (105 - 25) = 0.34375
    ['half way up', 32.5, 1 - 0.75 * 0.34375],
  ])('%s', (_name, t, share) => {
    expect(lockShare(street, t)).toBeCloseTo(share, 12);
  });

  test('never less than a quarter of the lock, and full where there is hardly any travel', () => {
    expect(lockShare(street, 500)).toBe(0.25);
    expect(lockShare({ ...street, limits: { droop: -10, ride: 0, bump: 20 } }, 20)).toBe(1);
  });

  test('steer takes the lock of its own side', () => {
    const trail: Envelope = { ...street, kind: 'trail' };
    expect(steerAt(trail, 85, 1)).toBe(0.6);
    expect(steerAt(trail, 85, -1)).toBe(-0.5);
    expect(steerAt(street, 85, -1)).toBeCloseTo(-0.125, 12);
  });
});

describe('locks', () => {
  const steering: SteeringDescription = {
    inclinationDeg: 12,
    casterDeg: 4,
    kingpinOffsetMm: 90,
    casterTrailMm: 0,
    lockLeftDeg: 35,
    lockRightDeg: 30,
  };

  test('a wheel without steering has none; stops replace the surveyed ones', () => {
    expect(steeringLocks(undefined, {}, 'left')).toEqual({ left: 0, right: 0 });
    const locks = steeringLocks(steering, { steerStopLeftDeg: 20 }, 'left');
    expect(toDegrees(locks.left)).toBeCloseTo(20, 12);
    expect(toDegrees(locks.right)).toBeCloseTo(30, 12);
  });

  test('a heading read off a plate is a little less than the angle about a leaning axis; both sides agree', () => {
    const plate = { ...steering, lockMeasured: 'heading' as const };
    const left = steeringLocks(plate, {}, 'left');
    const right = steeringLocks({ ...plate, lockLeftDeg: 30, lockRightDeg: 35 }, {}, 'right');
    expect(Math.abs(left.left - toRadians(35))).toBeGreaterThan(1e-3);
    expect(right.right).toBeCloseTo(left.left, 10);
    expect(right.left).toBeCloseTo(left.right, 10);
  });
});
