import { describe, expect, test } from '@jest/globals';
import { place } from '../../1-base/geometry/pose';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import { MOTIONS, scattered } from '../../fixtures/scattered-corner';
import { prepareCorner } from '../case/prepared-corner';
import { postureGrid } from './posture-grid';

const SIZE = { travel: 13, steer: 7, other: 4 };

describe('heights left out of a grid of postures', () => {
  test.each(Object.keys(MOTIONS))(
    '%s: a place on the tread is where the straight way between those kept puts it',
    (name) => {
      let leftOut = 0;
      for (const kind of ['trail', 'street'] as const) {
        const described = scattered(seededRandom(3), name, 1, 1);
        const corner = prepareCorner('frontLeft', described, fittedSetup(described.fitted), kind);
        const { lowest, highest, ride } = corner.envelope.limits;
        const grid = postureGrid(corner, { from: lowest, to: highest }, SIZE);
        const [heights, steers, others] = grid.counts;
        expect(heights).toBeGreaterThan(1);
        expect(grid.postures).toHaveLength(heights * steers * others);
        const at = (h: number, o: number) => grid.postures[(h * steers + (steers >> 1)) * others + o]!;
        const travels = Array.from({ length: heights }, (_, h) => at(h, 0).travel);
        expect(travels[0]).toBeCloseTo(lowest, 9);
        expect(travels.at(-1)).toBeCloseTo(highest, 9);
        // The street's rule turns at 25 mm about the parked height: chords must not cut that off.
        if (kind === 'street') expect(travels.some((t) => Math.abs(t - ride - 25) < 1e-6)).toBe(true);
        const tread = [0, 0, 400] as const;
        for (let h = 0; h + 1 < heights; h++) {
          const [from, to] = [at(h, 0), at(h + 1, 0)];
          const isLeftOut = to.travel - from.travel > (1.5 * (highest - lowest)) / (SIZE.travel - 1);
          if (!isLeftOut) continue;
          leftOut++;
          const middle = {
            travel: (from.travel + to.travel) / 2,
            steer: (from.steer + to.steer) / 2,
            cross: (from.cross! + to.cross!) / 2,
          };
          const ends = [from, to].map((p) => place(corner.motion.wheelPose(p), tread));
          const there = place(corner.motion.wheelPose(middle), tread);
          const off = Math.hypot(...there.map((v, i) => v - (ends[0]![i]! + ends[1]![i]!) / 2));
          expect({ name, kind, h, off: off < 0.5 ? 'no' : off }).toEqual({ name, kind, h, off: 'no' });
        }
      }
      // Long arms move nearly straight; a rack's heading or a short arm bends too much for any to be left out.
      if (name === 'swingArm' || name === 'beamAxle') expect(leftOut).toBeGreaterThan(0);
    },
  );
});
