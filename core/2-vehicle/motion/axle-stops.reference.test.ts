import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import {
  axleStops,
  oneWheelReach,
  otherLimits,
  otherRange,
  parallelBumpOf,
  parallelDroopOf,
  stopShareOf,
  withinStops,
} from './axle-stops';

/**
 * A rigid beam on two stops and two shocks, in another form: a bar of length W heaved by h and rolled by the angle whose sine is s;
 * a place b from its middle then stands h + b s high. (Statics of a rigid bar; nothing is taken from the code under test.)
 */
const STEPS = 120;

const heights = (h: number, s: number, half: number): readonly [number, number] => [h + half * s, h - half * s];

describe('a beam axle on its stops', () => {
  // Hubs 1600 apart, stops at +-450, 90 of bump: one wheel reaches 148 while the other hangs at -120 (worked by hand:
  // (148 - 120) / 2 + 450/800 * (148 + 120) / 2 = 89.4).
  const stops = axleStops({ type: 'beamAxle', hubSpacingMm: 1600, stopSpacingMm: 900 })!;

  test('goes on past its parallel bump: the worked example', () => {
    expect(stops.stops).toBeCloseTo(450 / 800, 12);
    expect(parallelBumpOf(stops.stops, { here: 148, other: -120 })).toBeCloseTo(89.4, 1);
    const { high } = otherRange(otherLimits(stops, { droop: -120, bump: 90 }), -120);
    expect(high).toBeCloseTo(148.8, 1);
  });

  test('the reach of one wheel, and the other one at each of its heights, as found by heaving and rolling a bar', () => {
    const random = seededRandom(21);
    for (let n = 0; n < 20; n++) {
      const width = 1300 + 600 * random();
      const [stopAt, shockAt] = [width * (0.15 + 0.35 * random()), width * (0.15 + 0.35 * random())];
      const limits = { bump: 60 + 60 * random(), droop: -60 - 80 * random() };
      const found = axleStops({
        type: 'beamAxle',
        hubSpacingMm: width,
        stopSpacingMm: 2 * stopAt,
        shockSpacingMm: 2 * shockAt,
      })!;
      const lines = otherLimits(found, limits);
      const reach = oneWheelReach(found, limits);
      let [highest, lowest, allowed] = [-Infinity, Infinity, 0];
      const wrong: string[] = [];
      for (let i = 0; i <= STEPS; i++) {
        const h = limits.droop + ((limits.bump - limits.droop) * i) / STEPS;
        for (let j = -STEPS; j <= STEPS; j++) {
          const s = (0.6 * j) / STEPS;
          const fits =
            Math.max(...heights(h, s, stopAt)) <= limits.bump && Math.min(...heights(h, s, shockAt)) >= limits.droop;
          const [here, other] = heights(h, s, width / 2);
          const range = otherRange(lines, here);
          const within = other > range.low - 1e-6 && other < range.high + 1e-6;
          const beyond = here < reach.lowest || here > reach.highest;
          if (withinStops(found, limits, { here, other }) !== fits) wrong.push(`stops at ${here}, ${other}`);
          if (fits ? !within || beyond : within && !beyond) wrong.push(`range at ${here}, ${other}`);
          if (!fits) continue;
          allowed++;
          highest = Math.max(highest, here);
          lowest = Math.min(lowest, here);
        }
      }
      expect(wrong).toEqual([]);
      expect(allowed).toBeGreaterThan(100);
      // The grid comes within a step of the corners: of heave, and of roll at the hub.
      const step = (limits.bump - limits.droop) / STEPS + (0.6 / STEPS) * (width / 2);
      expect(reach.highest - highest).toBeLessThan(2 * step);
      expect(lowest - reach.lowest).toBeLessThan(2 * step);
    }
  });

  test('stops at the hubs stop each wheel for itself; none given is that', () => {
    expect(axleStops({ type: 'beamAxle', hubSpacingMm: 1500 })).toBeNull();
    expect(axleStops({ type: 'swingArm' })).toBeNull();
    const atHubs = { stops: 1, shocks: 1 };
    const limits = { droop: -110, bump: 75 };
    expect(oneWheelReach(atHubs, limits)).toEqual({ highest: 75, lowest: -110 });
    for (const here of [-110, 0, 75]) {
      expect(otherRange(otherLimits(atHubs, limits), here)).toEqual({ low: -110, high: 75 });
      expect(otherRange(otherLimits(null, limits), here)).toEqual({ low: -110, high: 75 });
    }
  });

  test('a ramp reading says where the stops stand, or how far the axle goes up level', () => {
    const ramp = { here: 148, other: -120 };
    expect(stopShareOf(89.4, ramp)).toBeCloseTo(450 / 800, 3);
    expect(parallelDroopOf(1, ramp)).toBe(-120);
    // A wheel that came no higher than level, or higher than stops anywhere would let it, contradicts that bump.
    expect(stopShareOf(200, ramp)).toBeNaN();
    expect(stopShareOf(10, ramp)).toBeNaN();
  });
});
