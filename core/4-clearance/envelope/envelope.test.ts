import { describe, expect, test } from '@jest/globals';
import { cornerMotion, type Locks } from '../../2-vehicle/motion/corner-motion';
import type { SteeringDescription } from '../../2-vehicle/motion/steering';
import { attempt } from '../../1-base/problem';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import { inOrder, makeEnvelope, steerAt, type TravelLimits } from './envelope';

/** Limits of a wheel that is stopped for itself. */
const alone = (droop: number, ride: number, bump: number): TravelLimits => ({
  droop,
  ride,
  bump,
  firstTouch: null,
  lowest: droop,
  highest: bump,
  stops: null,
});

const LIMITS = alone(-100, -20, 85);
const LOCKS: Locks = { left: 0.6, right: 0.5 };
const street = makeEnvelope('street', LIMITS, {}, 'corners.frontLeft');

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
    const { low, high } = street.steerRange(t, LOCKS);
    expect(high / LOCKS.left).toBeCloseTo(share, 12);
    expect(low / -LOCKS.right).toBeCloseTo(share, 12);
  });

  test('full lock where there is hardly any travel', () => {
    const short = makeEnvelope('street', alone(-10, 0, 20), {}, '');
    expect(short.steerRange(20, LOCKS).high).toBe(LOCKS.left);
    expect(short.breaks).toEqual([-10, 20]);
  });

  test('its rule changes where the breaks say', () => {
    expect(street.breaks).toEqual([-100, -45, 5, 85]);
  });

  test('steer runs from full right to full left', () => {
    const trail = makeEnvelope('trail', LIMITS, {}, '');
    expect(steerAt(trail, 85, LOCKS, 1)).toBeCloseTo(0.6, 12);
    expect(steerAt(trail, 85, LOCKS, -1)).toBeCloseTo(-0.5, 12);
    expect(steerAt(street, 85, LOCKS, -1)).toBeCloseTo(-0.125, 12);
    expect(steerAt(street, 85, LOCKS, 0)).toBeCloseTo((0.15 - 0.125) / 2, 12);
  });
});

test('loaded is the street rule about the loaded height, and asks for it', () => {
  const loaded = makeEnvelope('loaded', LIMITS, { loadedSagMm: 40 }, 'corners.rearLeft');
  const about = makeEnvelope('street', { ...LIMITS, ride: 20 }, {}, '');
  for (const t of [-100, -60, 0, 20, 50, 85]) {
    expect(loaded.steerRange(t, LOCKS)).toEqual(about.steerRange(t, LOCKS));
  }
  expect(attempt(() => makeEnvelope('loaded', LIMITS, {}, 'corners.rearLeft'))).toMatchObject({
    ok: false,
    problems: [{ code: 'missing', path: 'corners.rearLeft.loadedSagMm' }],
  });
});

test('a drawn envelope is straight between its rows, never beyond the locks, and asks for a row', () => {
  const rows = [
    { travelMm: 60, leftDeg: 10, rightDeg: 20 },
    { travelMm: 0, leftDeg: 30, rightDeg: 60 },
  ];
  const drawn = makeEnvelope('drawn', LIMITS, { drawn: rows }, '');
  expect(drawn.breaks).toEqual([-100, 0, 60, 85]);
  expect(toDegrees(drawn.steerRange(30, LOCKS).high)).toBeCloseTo(20, 9);
  expect(toDegrees(drawn.steerRange(85, LOCKS).high)).toBeCloseTo(10, 9);
  expect(drawn.steerRange(-50, LOCKS).low).toBe(-LOCKS.right);
  expect(attempt(() => makeEnvelope('drawn', LIMITS, { drawn: [] }, ''))).toMatchObject({
    ok: false,
    problems: [{ path: 'drawnEnvelope' }],
  });
});

test('heights in order keep the limits and drop what lies outside or stands twice', () => {
  expect(inOrder([200, 10, 10, -300], -100, 85)).toEqual([-100, 10, 85]);
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
  const locksOf = (side: 'left' | 'right', given: SteeringDescription | undefined, stops = {}): Locks => {
    const motion = cornerMotion({
      path: 'corners.frontLeft',
      side,
      motion: { type: 'swingArm' },
      steering: given,
      stops,
      camberDeg: 0,
      toeDeg: 0,
      casterChangeDeg: 0,
      axleShiftMm: 0,
      linkageDropMm: 0,
      bodyLiftMm: 0,
    });
    return motion.locksAt(motion.carrierAt(0, 0));
  };

  test('a wheel without steering has none; stops replace the surveyed ones', () => {
    expect(locksOf('left', undefined)).toEqual({ left: 0, right: 0 });
    const locks = locksOf('left', steering, { steerStopLeftDeg: 20 });
    expect(toDegrees(locks.left)).toBeCloseTo(20, 12);
    expect(toDegrees(locks.right)).toBeCloseTo(30, 12);
  });

  test('a heading read off a plate is not the angle about a leaning axis; both sides agree', () => {
    const plate = { ...steering, lockMeasured: 'heading' as const };
    const left = locksOf('left', plate);
    const right = locksOf('right', { ...plate, lockLeftDeg: 30, lockRightDeg: 35 });
    expect(Math.abs(left.left - toRadians(35))).toBeGreaterThan(1e-3);
    expect(right.right).toBeCloseTo(left.left, 10);
    expect(right.left).toBeCloseTo(left.right, 10);
  });

  test('a lock of nothing and a missing axis are refused by name', () => {
    expect(attempt(() => locksOf('left', { ...steering, lockRightDeg: 0 }))).toMatchObject({
      ok: false,
      problems: [{ code: 'outOfRange', path: 'corners.frontLeft.steering.lockRightDeg' }],
    });
    expect(attempt(() => locksOf('left', { ...steering, casterDeg: undefined }))).toMatchObject({
      ok: false,
      problems: [{ code: 'missing', path: 'corners.frontLeft.steering.casterDeg' }],
    });
  });
});
