import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { toRadians } from '../../1-base/units/angle';
import { ClearSection } from '../search/clear-section';
import { fittedSetup, countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { otherLimitsOf } from '../envelope/envelope';
import { gapInPosture } from '../oracle/plain-sweep';
import { postureMap } from './posture-map';
import { prepareCorner } from '../case/prepared-corner';
import { MOTIONS, scattered, SETUPS } from '../../fixtures/scattered-corner';
import { STANDARDS } from '../case/standard';

describe.each(Object.keys(MOTIONS))('the posture map of a %s', (name) => {
  const random = seededRandom(31 + name.length);
  const described = scattered(random, name, 6, 3);
  const setup = countParts({ ...fittedAsSetup(described.fitted), ...SETUPS[0] });
  const corner = prepareCorner('frontRight', described, setup, 'street');
  const size = { steers: 9, travels: 7, others: 3 };
  const map = postureMap(corner, STANDARDS.neverRub, size);

  test('says what the gap is in each of its postures, measured the plain way', () => {
    const steers = map.steersDeg.length;
    map.travelsMm.forEach((travel, row) => {
      const locks = corner.motion.locksAt(corner.motion.carrierAt(travel, 0));
      map.steersDeg.forEach((steerDeg, column) => {
        const steer = Math.min(locks.left, Math.max(-locks.right, toRadians(steerDeg)));
        const { low, high } = otherRange(otherLimitsOf(corner.envelope), travel);
        const heights = corner.motion.crossArticulates
          ? Array.from({ length: size.others }, (_, i) => low + ((high - low) * i) / (size.others - 1))
          : [travel];
        corner.obstacles.forEach((obstacle, k) => {
          const gap = Math.min(
            ...heights.map((other) => gapInPosture(corner, obstacle, { travel, steer, cross: other - travel }).gapMm),
          );
          // Places 8 mm apart stand for the pieces between them, the plain way's 20 mm: a few mm at a sharp shoulder, up
          // to half the way between them where they run into the tire.
          const off = Math.abs(map.obstacles[k]!.gapMm[row * steers + column]! - gap);
          expect(off).toBeLessThan(gap > 0 ? 4 : 10);
        });
      });
    });
  });

  test('is nowhere within the envelope lower than the least gap', () => {
    const least = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
    const steers = map.steersDeg.length;
    for (const [k, { gapMm, marginMm }] of map.obstacles.entries()) {
      let compared = 0;
      gapMm.forEach((gap, i) => {
        const row = map.outline.find(({ travelMm }) => travelMm === map.travelsMm[Math.floor(i / steers)])!;
        const steer = map.steersDeg[i % steers]!;
        if (steer < row.lowDeg - 1e-9 || steer > row.highDeg + 1e-9) return;
        compared++;
        expect(gap).toBeGreaterThan(least[k]!.gapMm - 1.5);
        expect(marginMm[i]).toBeCloseTo(gap - 8, 4);
      });
      expect(compared).toBeGreaterThan(5);
    }
  });

  test('outlines the street rule: full lock parked, a quarter of it at either stop', () => {
    const at = (travel: number) => map.outline.find(({ travelMm }) => Math.abs(travelMm - travel) < 1e-9)!;
    const { droop, bump } = corner.envelope.limits;
    const locks = corner.motion.locksAt(corner.motion.carrierAt(bump, 0));
    expect(toRadians(at(bump).highDeg)).toBeCloseTo(0.25 * locks.left, 9);
    expect(toRadians(at(droop).lowDeg)).toBeCloseTo(
      -0.25 * corner.motion.locksAt(corner.motion.carrierAt(droop, 0)).right,
      9,
    );
    expect(map.rideMm).toBeCloseTo(0, 12);
  });
});

test('what is wanted near full bump is what the standard wants there', () => {
  const described = scattered(seededRandom(2), 'swingArm', 2, 2);
  const obstacles = described.obstacles.map((o) => ({ ...o, material: 'liner' as const }));
  const corner = prepareCorner('frontLeft', { ...described, obstacles }, fittedSetup(described.fitted), 'trail');
  const map = postureMap(corner, STANDARDS.plasticKiss, { steers: 3, travels: 9, others: 1 });
  const wanted = [...map.travelsMm].map(
    (_, row) => map.obstacles[0]!.gapMm[row * 3]! - map.obstacles[0]!.marginMm[row * 3]!,
  );
  expect(wanted[0]).toBeCloseTo(5, 4);
  expect(wanted.at(-1)).toBeCloseTo(-5, 4);
});
