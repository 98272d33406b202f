import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { formatClock } from '../../1-base/units/clock';
import { doubtOf, isHeightDoubted, type Doubted } from './doubt';

const RADIUS = 400;
const at = (clock: string, gapMm: number, more: Partial<Doubted> = {}): Doubted => ({
  clock,
  across: 'tread',
  gapMm,
  steer: 'straight',
  travelMm: 0,
  ...more,
});

describe('a reading that is asked about', () => {
  test('4 after 3 5/8 and 3 7/8 in, taken for mm, is asked about; 4 in is not', () => {
    const before = [at('11:30', 92.1), at('12:30', 98.4)];
    expect(doubtOf(at('1:00', 4), before, RADIUS)).toEqual({ kind: 'neighbour', expectedMm: 98.4, clock: '12:30' });
    expect(doubtOf(at('1:00', 101.6), before, RADIUS)).toBeNull();
  });

  test('another posture, place across or the far side of the tire says nothing', () => {
    for (const other of [
      at('12:00', 98, { steer: 'left' }),
      at('12:00', 98, { travelMm: 60 }),
      at('12:00', 98, { across: 'innerSidewall' }),
      at('12:00', 98, { travelMm: undefined, hubToLipMm: 540 }),
      at('3:00', 98),
      at('gibberish', 98),
    ])
      expect(doubtOf(at('12:30', 4), [other], RADIUS)).toBeNull();
    expect(doubtOf(at('12:30', 4, { hubToLipMm: 543 }), [at('12:00', 98, { hubToLipMm: 540 })], RADIUS)).toMatchObject({
      kind: 'neighbour',
    });
  });

  test('more than a well leaves is asked about, and what the engine foretells goes before the neighbours', () => {
    expect(doubtOf(at('12:00', 300), [], RADIUS)).toEqual({ kind: 'large' });
    expect(doubtOf(at('12:00', 60), [at('12:00', 60)], RADIUS, 20)).toEqual({ kind: 'foretold', expectedMm: 20 });
    expect(doubtOf(at('12:00', 30), [at('12:00', 200)], RADIUS, 20)).toBeNull();
  });

  // A fender opening rounder or flatter than the tire: its middle up to 60 mm from the hub (common practice, no source).
  test('readings along a round opening are never asked about', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 440, max: 560, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.array(fc.double({ min: -80, max: 80, noNaN: true }), { minLength: 2, maxLength: 8 }),
        (lipMm, x, z, angles) => {
          const readings = angles.map((deg) => {
            const rad = (deg * Math.PI) / 180;
            const [ux, uz] = [Math.sin(rad), Math.cos(rad)];
            const along = x * ux + z * uz;
            const away = along + Math.sqrt(lipMm ** 2 - (x ** 2 + z ** 2 - along ** 2));
            return at(formatClock((deg + 360) % 360), Math.max(0, away - RADIUS));
          });
          readings.forEach((one, i) => {
            if (one.gapMm < 260) expect(doubtOf(one, readings.slice(0, i), RADIUS)).toBeNull();
          });
        },
      ),
      { seed: 7, numRuns: 500 },
    );
  });
});

test('a height is asked about where the other side of the axle reads far from it', () => {
  expect(isHeightDoubted(450, 540)).toBe(true);
  expect([isHeightDoubted(545, 540), isHeightDoubted(450, undefined)]).toEqual([false, false]);
});
