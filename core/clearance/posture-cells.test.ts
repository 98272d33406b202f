import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../geometry/vec3';
import { cornerMotion } from '../motion/corner-motion';
import type { MotionDescription } from '../motion/motion-description';
import type { Mount } from '../motion/mount';
import { seededRandom } from '../testing/seeded-random';
import { makeEnvelope, type TravelLimits } from './envelope';
import {
  MISS,
  MISS_TURN,
  OTHER_STEPS,
  PostureCells,
  REACH,
  SLOPE_TRAVEL,
  STEER_STEPS,
  TRAVEL_STEPS,
  TURN,
} from './posture-cells';

const LIMITS: TravelLimits = { droop: -100, ride: -20, bump: 85, firstTouch: null };

const MOTIONS: [string, MotionDescription, Mount][] = [
  ['swing arm, frame', { type: 'swingArm', frontView: { y: -700, z: -80 }, sideView: { x: -900, z: 60 } }, 'frame'],
  ['double wishbone, upper arm', { type: 'doubleWishbone', tape: { lowerArmMm: 330, upperArmMm: 210 } }, 'upperArm'],
  ['strut, body', { type: 'macphersonStrut', tape: { lowerArmMm: 310, lowerArmRiseMm: 30 } }, 'body'],
  ['beam axle, frame', { type: 'beamAxle', hubSpacingMm: 1450, points: { linkPivot: [-700, 0, 90] } }, 'frame'],
];

describe.each(MOTIONS)('%s', (_name, motion, mount) => {
  const corner = cornerMotion({
    path: '',
    side: 'right',
    motion,
    steering: { inclinationDeg: 11, casterDeg: 4, kingpinOffsetMm: 80, lockLeftDeg: 34, lockRightDeg: 38 },
    camberDeg: -0.5,
    toeDeg: 0.2,
    casterChangeDeg: 0,
    axleShiftMm: 8,
    linkageDropMm: 0,
    bodyLiftMm: 0,
  });

  test.each(['trail', 'street'] as const)(
    '%s: what a cell promises of its postures holds at random places in it',
    (kind) => {
      const cells = new PostureCells(corner, makeEnvelope(kind, LIMITS, {}, ''), mount, LIMITS.droop, LIMITS.bump);
      const random = seededRandom(31);
      const image = (data: Float64Array, at: number, [x, y, z]: Vec3): number[] =>
        [0, 4, 8].map(
          (row) => data[at + row]! * x + data[at + row + 1]! * y + data[at + row + 2]! * z + data[at + row + 3]!,
        );
      for (let n = 0; n < 400; n++) {
        const stretch = Math.floor(random() * cells.stretches.length);
        const levels = [0, 1, 2].map(() => Math.floor(5 * random()));
        const steps = [TRAVEL_STEPS, STEER_STEPS, OTHER_STEPS];
        // The middle of a random cell, and a random position in it.
        const halves = steps.map((all, k) => all >> (levels[k]! + 1));
        const middle = halves.map((half, k) => half * (2 * Math.floor(random() * (1 << levels[k]!)) + 1));
        const off = halves.map((half) => Math.round(half * (2 * random() - 1)));
        const p: Vec3 = [900 * (random() - 0.5), 600 * (random() - 0.5), 900 * (random() - 0.5)];
        const at = cells.posture(stretch, middle[0]!, middle[1]!, middle[2]!);
        const from = image(cells.postureData, at, p);
        const tangent = from.map((value, row) =>
          [0, 1, 2].reduce((sum, k) => {
            if (!cells.moves[k]) return sum;
            const s = at + SLOPE_TRAVEL + 12 * k + 4 * row;
            const d = cells.postureData;
            const slope = d[s]! * p[0] + d[s + 1]! * p[1] + d[s + 2]! * p[2] + d[s + 3]!;
            return sum + (slope * off[k]!) / steps[k]!;
          }, value),
        );
        const there = cells.corner(stretch, middle[0]! + off[0]!, middle[1]! + off[1]!, middle[2]! + off[2]!);
        const to = image(cells.cornerData, there, p);
        const missed = Math.hypot(...to.map((value, row) => value - tangent[row]!));
        const way = Math.hypot(...to.map((value, row) => value - from[row]!));
        const b = cells.boundAt(levels[0]!, levels[1]!, cells.moves[2] ? levels[2]! : 0);
        const { bounds } = cells.stretches[stretch]!;
        const lever = Math.hypot(...p);
        expect(missed).toBeLessThanOrEqual(bounds[b + MISS]! + bounds[b + MISS_TURN]! * lever + 1e-4);
        expect(way).toBeLessThanOrEqual(bounds[b + REACH]! + bounds[b + TURN]! * lever + 1e-6);
      }
    },
  );
});

test('positions of far stretches are not taken for one another, however many rows were drawn', () => {
  const corner = cornerMotion({
    path: '',
    side: 'left',
    motion: { type: 'swingArm' },
    camberDeg: 0,
    toeDeg: 0,
    casterChangeDeg: 0,
    axleShiftMm: 0,
    linkageDropMm: 0,
    bodyLiftMm: 0,
  });
  const drawn = Array.from({ length: 40 }, (_, i) => ({ travelMm: -95 + 4 * i, leftDeg: 30, rightDeg: 30 }));
  const cells = new PostureCells(
    corner,
    makeEnvelope('drawn', LIMITS, { drawn }, ''),
    'frame',
    LIMITS.droop,
    LIMITS.bump,
  );
  // Numbered through all stretches, these two would be 2^32 apart and so one and the same 32-bit key.
  const first = cells.corner(0, 0, 0, 0);
  expect(cells.corner(31, 401, 335, 1)).not.toBe(first);
  expect(cells.corner(0, 0, 0, 0)).toBe(first);
});
