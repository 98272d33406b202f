import { expect, test } from '@jest/globals';
import { place, unplace } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import { MOTIONS, scattered } from '../../fixtures/scattered-corner';
import { prepareCorner } from '../case/prepared-corner';
import { placeGap } from './posture-gap';
import { DOWN, gapSeen, SEEN_NUMBERS, seenFromWheel } from './seen-from-wheel';

test.each(Object.keys(MOTIONS))(
  '%s: a place seen from the wheel is where the poses put it, with the same gap',
  (name) => {
    const random = seededRandom(6);
    const description = scattered(random, name, 1, 0);
    const { motion, envelope, rotor } = prepareCorner(
      'frontRight',
      description,
      countParts(fittedAsSetup(description.fitted)),
      'trail',
    );
    const { lowest, highest } = envelope.limits;
    const seen = new Float64Array(2 * SEEN_NUMBERS);
    let nearGround = 0;
    for (let n = 0; n < 300; n++) {
      const travel = lowest + (highest - lowest) * random();
      const state = motion.carrierAt(travel, 0);
      const steer = 0.5 * (random() - 0.5);
      const wheel = motion.wheelFrom(state, steer);
      const mount = motion.mountFrom(state, 'frame', steer);
      seenFromWheel(wheel, mount, seen, SEEN_NUMBERS);
      const there = seen.subarray(SEEN_NUMBERS);
      const p: Vec3 = [900 * (random() - 0.5), 500 * (random() - 0.5), 900 * (random() - 0.5)];
      const expected = unplace(wheel, place(mount, p));
      for (let row = 0; row < 3; row++) {
        const k = 4 * row;
        const found = there[k]! * p[0] + there[k + 1]! * p[1] + there[k + 2]! * p[2] + there[k + 3]!;
        expect(found).toBeCloseTo(expected[row]!, 9);
      }
      // Straight down in the corner frame, turned into the wheel plane.
      const below = unplace(wheel, [wheel.origin[0], wheel.origin[1], wheel.origin[2] - 1]);
      const upright = Math.hypot(below[0], below[2]);
      expect(there[DOWN]).toBeCloseTo(below[0] / upright, 9);
      expect(there[DOWN + 1]).toBeCloseTo(below[2] / upright, 9);
      for (const insideWheel of [false, true]) {
        const measured = { insideWheel, radiusMm: 4, complianceMm: 1.5 };
        expect(gapSeen(rotor, measured, there, p)).toBeCloseTo(placeGap(rotor, measured, wheel, place(mount, p)), 8);
      }
      const angle = Math.acos(
        (expected[0] * below[0] + expected[2] * below[2]) / upright / Math.hypot(expected[0], expected[2]),
      );
      if (angle < 0.6) nearGround++;
    }
    expect(nearGround).toBeGreaterThan(20);
  },
);
