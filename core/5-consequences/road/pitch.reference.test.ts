import { describe, expect, test } from '@jest/globals';
import { Vector2 } from 'three';
import { pitched, type AxlesRaised } from './pitch';

const HUB = 400;
const axles = (
  frontRise: number,
  rearRise: number,
  more: Partial<Record<'front' | 'rear', number>> = {},
): AxlesRaised => ({
  wheelbaseMm: 3000,
  front: { hubHeightMm: HUB, riseMm: frontRise, forwardMm: more.front ?? 0 },
  rear: { hubHeightMm: HUB, riseMm: rearRise, forwardMm: more.rear ?? 0 },
});

describe('lifting one axle turns the vehicle about the other (rotation by a general library, three)', () => {
  test.each([
    [76.2, 0],
    [0, 76.2],
    [50, 100],
    [-40, -25],
  ])('front %d, rear %d mm: every place lies where the turned vehicle has it', (front, rear) => {
    const pitch = pitched(axles(front, rear));
    // The vehicle with its hubs level, turned about the front hub's place and let up there.
    const turn = Math.asin((front - rear) / 3000);
    for (const [behind, height] of [
      [-900, 520],
      [3800, 480],
      [1500, 300],
      [3000, HUB],
    ] as const) {
      // x forward, y up; nose up is a turn to the left seen from the left side, which this library counts positive.
      const turned = new Vector2(-behind, height).rotateAround(new Vector2(0, HUB), turn).add(new Vector2(0, front));
      const place = pitch.place({ behindFrontMm: behind, heightMm: height });
      expect(place.behindFrontMm).toBeCloseTo(-turned.x, 9);
      expect(place.heightMm).toBeCloseTo(turned.y, 9);
    }
    expect(pitch.noseUpDeg).toBeCloseTo((turn * 180) / Math.PI, 9);
    expect(pitch.place({ behindFrontMm: 3000, heightMm: HUB }).heightMm).toBeCloseTo(HUB + rear, 9);
  });

  test('3 in in front alone: a bumper 900 mm ahead of a 3000 mm wheelbase rises 1.3 times that, the tail goes down', () => {
    const pitch = pitched(axles(76.2, 0));
    expect(pitch.place({ behindFrontMm: -900, heightMm: 500 }).heightMm - 500).toBeCloseTo(76.2 * 1.3, 0);
    expect(pitch.place({ behindFrontMm: 3900, heightMm: 500 }).heightMm - 500).toBeCloseTo(-76.2 * 0.3, 0);
  });

  test('both alike turn nothing; an axle moved forward stands that much further forward', () => {
    const pitch = pitched(axles(60, 60, { front: 25.4, rear: -10 }));
    expect(pitch.noseUpDeg).toBe(0);
    expect(pitch.place({ behindFrontMm: 700, heightMm: 250 })).toEqual({ behindFrontMm: 700, heightMm: 310 });
    expect([pitch.frontHubMm, pitch.rearHubMm]).toEqual([-25.4, 3010]);
  });

  test('50 mm of nose on 2864.4 mm aim headlamps a degree up', () => {
    expect(pitched({ ...axles(50, 0), wheelbaseMm: 2864.4 }).noseUpDeg).toBeCloseTo(1, 2);
  });

  test('other tires front and rear stand level at the survey all the same', () => {
    const other = { ...axles(10, 10), rear: { hubHeightMm: 450, riseMm: 10, forwardMm: 0 } };
    expect(pitched(other).noseUpDeg).toBe(0);
    expect(() => pitched({ ...axles(3500, 0) })).toThrow(RangeError);
  });
});
