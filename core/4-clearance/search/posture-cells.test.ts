import { describe, expect, test } from '@jest/globals';
import { place, unplace } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { cornerMotion, type CornerMotion } from '../../2-vehicle/motion/corner-motion';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import type { Mount } from '../../2-vehicle/motion/mount';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { POSTURE_TABLE_MM } from '../../1-base/tolerances';
import { makeEnvelope, type TravelLimits } from '../envelope/envelope';
import { boundAt, MISS, MISS_TURN, REACH, TURN } from './posture-bounds';
import { OTHER_STEPS, PostureCells, SLOPE_TRAVEL, STEER_STEPS, TRAVEL_STEPS } from './posture-cells';
import { LIMIT_NUMBERS, PostureClip } from './posture-clip';
import { CarrierStates, LockTable, PLACE_NUMBERS } from './posture-table';

/** Wider than the limits of every envelope here, as the surveyed travel is under a bump-stop extension. */
const RANGE = { from: -110, to: 95 };
/** Steps of steer. */
const ROUNDING = 1e-3;

const LIMITS: TravelLimits = {
  droop: -100,
  ride: -20,
  bump: 85,
  firstTouch: null,
  lowest: -100,
  highest: 85,
  stops: null,
};

const MOTIONS: [string, MotionDescription, Mount][] = [
  ['swing arm, frame', { type: 'swingArm', frontView: { y: -700, z: -80 }, sideView: { x: -900, z: 60 } }, 'frame'],
  ['double wishbone, upper arm', { type: 'doubleWishbone', tape: { lowerArmMm: 330, upperArmMm: 210 } }, 'upperArm'],
  ['strut, body', { type: 'macphersonStrut', tape: { lowerArmMm: 310, lowerArmRiseMm: 30 } }, 'body'],
  ['beam axle, frame', { type: 'beamAxle', hubSpacingMm: 1450, points: { linkPivot: [-700, 0, 90] } }, 'frame'],
];

const cornerOf = (motion: MotionDescription, lockLeftDeg = 34, lockRightDeg = 38): CornerMotion =>
  cornerMotion({
    path: '',
    side: 'right',
    motion,
    steering: { inclinationDeg: 11, casterDeg: 4, kingpinOffsetMm: 80, lockLeftDeg, lockRightDeg },
    camberDeg: -0.5,
    toeDeg: 0.2,
    casterChangeDeg: 0,
    axleShiftMm: 8,
    linkageDropMm: 0,
    bodyLiftMm: 0,
  });

const image = (data: Float64Array, at: number, [x, y, z]: Vec3): number[] =>
  [0, 4, 8].map((row) => data[at + row]! * x + data[at + row + 1]! * y + data[at + row + 2]! * z + data[at + row + 3]!);

describe.each(MOTIONS)('%s', (_name, motion, mount) => {
  const corner = cornerOf(motion);
  const states = new CarrierStates(corner, RANGE);
  const locks = new LockTable(states);
  const cells = new PostureCells(states, locks, mount);

  test('a place in the tables is where the linkage itself puts it', () => {
    const random = seededRandom(17);
    const out = new Float64Array(PLACE_NUMBERS);
    for (let n = 0; n < 200; n++) {
      const [t, u, v] = [TRAVEL_STEPS, STEER_STEPS, OTHER_STEPS].map((all) => all * random()) as [
        number,
        number,
        number,
      ];
      cells.placeAt(t, u, v, out);
      const { travel, steer, cross } = cells.describe(t, u, v);
      const state = corner.carrierAt(travel, cross ?? 0);
      const p: Vec3 = [700 * (random() - 0.5), 500 * (random() - 0.5), 700 * (random() - 0.5)];
      const [a, b, c] = unplace(corner.wheelFrom(state, steer), place(corner.mountFrom(state, mount, steer), p));
      const [x, y, z] = image(out, 0, p) as [number, number, number];
      const off = Math.hypot(x - a, y - b, z - c);
      // The table is compared with the linkage at few places, so between them it may be a little worse.
      expect(off).toBeLessThan(3 * POSTURE_TABLE_MM);
    }
  });

  test('what a cell promises of its postures holds at random places in it', () => {
    const random = seededRandom(31);
    const there = new Float64Array(PLACE_NUMBERS);
    for (let n = 0; n < 400; n++) {
      const levels = [0, 1, 2].map(() => Math.floor(5 * random()));
      const steps = [TRAVEL_STEPS, STEER_STEPS, OTHER_STEPS];
      // The middle of a random cell, and a random position in it.
      const halves = steps.map((all, k) => all >> (levels[k]! + 1));
      const middle = halves.map((half, k) => half * (2 * Math.floor(random() * (1 << levels[k]!)) + 1));
      const off = halves.map((half) => half * (2 * random() - 1));
      const p: Vec3 = [900 * (random() - 0.5), 600 * (random() - 0.5), 900 * (random() - 0.5)];
      const at = cells.posture(middle[0]!, middle[1]!, middle[2]!);
      const data = cells.postureData;
      const from = image(data, at, p);
      const tangent = from.map((value, row) =>
        [0, 1, 2].reduce((sum, k) => {
          if (!cells.moves[k]) return sum;
          const s = at + SLOPE_TRAVEL + 12 * k + 4 * row;
          const slope = data[s]! * p[0] + data[s + 1]! * p[1] + data[s + 2]! * p[2] + data[s + 3]!;
          return sum + (slope * off[k]!) / steps[k]!;
        }, value),
      );
      cells.placeAt(middle[0]! + off[0]!, middle[1]! + off[1]!, middle[2]! + off[2]!, there);
      const to = image(there, 0, p);
      const missed = Math.hypot(...to.map((value, row) => value - tangent[row]!));
      const way = Math.hypot(...to.map((value, row) => value - from[row]!));
      const b = boundAt(levels[0]!, levels[1]!, cells.moves[2] ? levels[2]! : 0);
      const lever = Math.hypot(...p);
      expect(missed).toBeLessThanOrEqual(cells.bounds[b + MISS]! + cells.bounds[b + MISS_TURN]! * lever);
      expect(way).toBeLessThanOrEqual(cells.bounds[b + REACH]! + cells.bounds[b + TURN]! * lever);
    }
  });

  test.each([
    ['trail with stops', makeEnvelope('trail', LIMITS, {}, ''), cornerOf(motion, 30, 22)],
    ['street', makeEnvelope('street', LIMITS, {}, ''), corner],
    [
      'drawn in forty rows',
      makeEnvelope(
        'drawn',
        LIMITS,
        {
          drawn: Array.from({ length: 40 }, (_, i) => ({
            travelMm: -95 + 4 * i,
            leftDeg: 5 + 20 * Math.abs(Math.sin(i)),
            rightDeg: 30,
          })),
        },
        '',
      ),
      corner,
    ],
  ])('%s: no posture allowed lies outside the straight limits of its cell', (_kind, envelope, stopped) => {
    const clip = new PostureClip(states, locks, stopped, envelope, { from: LIMITS.droop, to: LIMITS.bump });
    const random = seededRandom(5);
    const limits = new Float64Array(LIMIT_NUMBERS);
    let slanted = 0;
    for (let n = 0; n < 600; n++) {
      const level = Math.floor(11 * random());
      const half = TRAVEL_STEPS / (2 << level);
      const middle = half * (2 * Math.floor(random() * (1 << level)) + 1);
      const low = Math.max(middle - half, clip.lowTravel);
      const high = Math.min(middle + half, clip.highTravel);
      if (low > high) continue;
      clip.limits(level, middle, limits);
      if (limits[0] !== limits[2] || limits[1] !== limits[3]) slanted++;
      const share = random();
      const t = low + share * (high - low);
      const travel = cells.describe(t, 0, 0).travel;
      const allowed = envelope.steerRange(travel, stopped.locksAt(stopped.carrierAt(travel, 0)));
      const steps = (steer: number): number => {
        const ends = [0, STEER_STEPS].map((u) => cells.describe(t, u, 0).steer) as [number, number];
        return ((steer - ends[0]) / (ends[1] - ends[0])) * STEER_STEPS;
      };
      const right = limits[0]! + share * (limits[2]! - limits[0]!);
      const left = limits[1]! + share * (limits[3]! - limits[1]!);
      expect(steps(allowed.low)).toBeGreaterThanOrEqual(right - ROUNDING);
      expect(steps(allowed.high)).toBeLessThanOrEqual(left + ROUNDING);
      expect(clip.rightAt(t)).toBeCloseTo(steps(allowed.low), 2);
      expect(clip.leftAt(t)).toBeCloseTo(steps(allowed.high), 2);
    }
    if (envelope.kind !== 'trail') expect(slanted).toBeGreaterThan(100);
  });
});
