import { describe, expect, test } from '@jest/globals';
import { LEANING_AXIS, madeCase, madeCorner } from '../../fixtures/made-corner';
import type { SteeringDescription } from '../../2-vehicle/motion/steering';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import { evaluateCase } from './evaluate';
import { pastLock } from './past-lock';
import { prepareDescribed } from '../case/described-corner';

/** A post inboard and behind that only the turned wheel comes near. */
const POST = {
  id: 'post',
  label: 'Post',
  mount: 'frame',
  material: 'frame',
  shape: { type: 'points', points: [[-200, -480, 0]] },
} as const;

const found = (steering: SteeringDescription, motion?: MotionDescription) => {
  const corner = madeCorner({
    steering,
    obstacles: [POST],
    travel: { bumpMm: 80, droopMm: 100 },
    ...(motion ? { motion } : {}),
  });
  const description = madeCase({ corners: { frontLeft: corner } });
  return { prepared: prepareDescribed(description, 'frontLeft'), low: evaluateCase(description).lowGap! };
};

describe('no posture beyond the locks without saying why', () => {
  test('a lock turned about the axis itself is kept to', () => {
    const { low } = found({ ...LEANING_AXIS, lockMeasured: 'axis' });
    expect(Math.abs(low.steerDeg)).toBeLessThanOrEqual(35.01);
    expect(low.pastLock).toBeUndefined();
  });

  test('a heading of 35 degrees is more about an axis that leans', () => {
    const steep = { inclinationDeg: 18, casterDeg: 4, kingpinOffsetMm: 95 };
    const { low } = found({ ...steep, lockLeftDeg: 35, lockRightDeg: 35, lockMeasured: 'heading' });
    expect(Math.abs(low.steerDeg)).toBeGreaterThan(35.5);
    expect(low.pastLock).toEqual({ lockDeg: 35, why: 'heading' });
  });

  test('a tie rod short and sloping turns the wheel past the lock that was read at ride height', () => {
    const tape = { lowerArmMm: 380, upperArmMm: 270, tieRodMm: 320, tieRodRiseMm: 40 };
    const { prepared } = found({ lockLeftDeg: 33, lockRightDeg: 30 }, { type: 'doubleWishbone', tape });
    const { motion } = prepared;
    const ends = [-100, 80].map((travel) => ({ travel, ...motion.locksAt(motion.carrierAt(travel, 0)) }));
    const furthest = ends.reduce((a, b) => (b.left > a.left ? b : a));
    expect(furthest.left).toBeGreaterThan((33.6 * Math.PI) / 180);
    expect(pastLock(prepared, { travel: furthest.travel, steer: furthest.left })).toEqual({
      lockDeg: 33,
      why: 'tieRod',
    });
    expect(pastLock(prepared, { travel: 0, steer: (33 * Math.PI) / 180 })).toBeNull();
  });
});
