import { describe, expect, test } from '@jest/globals';
import type { SurveyedReadings } from '@/core/3-survey/edge-fit/surveyed-readings';
import { drawnThing, MISS_DRAWN, spotOf } from './survey-picture';

const found = (more: Partial<SurveyedReadings> = {}): SurveyedReadings => ({
  id: 'lip',
  toleranceMm: 4,
  fitStatus: 'converged',
  readings: [
    { at: [0, 100, 500], gapOffMm: 4, clockOffDeg: 0, contradicts: false, misses: false },
    { at: [300, 100, 400], gapOffMm: 0.2, clockOffDeg: 0, contradicts: true, misses: true },
  ],
  edge: [
    { at: [-300, 100, 400], radialMm: 20, lateralMm: 30 },
    { at: [0, 100, 500], radialMm: 5, lateralMm: 10 },
    { at: [300, 100, 400], radialMm: 20, lateralMm: 30 },
  ],
  seen: [],
  ...more,
});

describe('the picture of a survey', () => {
  // Facing a left wheel the front is at the left hand; standing before the vehicle its outside is at the right hand (common practice, no source).
  test('is turned as the eye sees it, on both sides', () => {
    expect(spotOf('outside', 'left', [300, 100, 400])).toEqual([-300, -400]);
    expect(spotOf('outside', 'right', [300, 100, 400])).toEqual([300, -400]);
    expect(spotOf('front', 'left', [300, 100, 400])).toEqual([100, -400]);
    expect(spotOf('front', 'right', [300, 100, 400])).toEqual([-100, -400]);
  });

  test('draws a reading’s miss so many times as long, toward the tire where less was read; one of a hair is none', () => {
    const { readings } = drawnThing(found(), 'outside', 'right');
    const [x, y] = readings[0]!.miss!;
    expect(x).toBeCloseTo(0, 9);
    expect(y).toBeCloseTo(-500 + MISS_DRAWN * 4, 9);
    expect(readings[1]).toMatchObject({ miss: null, isDoubted: true });
  });

  test('has a band as wide as the doubt: radially from outside, sideways from the front', () => {
    const corners = (view: 'outside' | 'front'): [number, number][] =>
      drawnThing(found(), view, 'right')
        .band!.slice(1, -1)
        .split('L')
        .map((pair) => pair.split(',').map(Number) as [number, number]);
    const outside = corners('outside');
    expect(outside).toHaveLength(6);
    expect(outside[1]![1]! - outside[4]![1]!).toBeCloseTo(-10, 6);
    const front = corners('front');
    expect(Math.abs(front[0]![0]! - front[5]![0]!)).toBeCloseTo(60, 6);
  });

  test('draws a block as its outline, joined places as a line, single places as no line', () => {
    const corner = (x: number, z: number) => ({ at: [x, 0, z] as const, radialMm: 3, lateralMm: 3 });
    const face = [corner(0, 0), corner(80, 0), corner(80, 60), corner(0, 60)];
    const block = drawnThing(found({ edge: [...face, ...face, ...face] }), 'outside', 'right');
    expect(block).toMatchObject({ isClosed: true, band: null });
    expect(block.edge!.split('L')).toHaveLength(4);
    const loose = found({ edge: null });
    expect(drawnThing(loose, 'outside', 'right').edge).toBeNull();
    const joined = found({ edge: found().edge!.map(({ at }) => ({ at, radialMm: 0, lateralMm: 0 })) });
    expect(drawnThing(joined, 'outside', 'right')).toMatchObject({ edge: expect.stringMatching(/^M/), band: null });
    expect(drawnThing(loose, 'outside', 'right', { shape: { type: 'points', points: [[0, 0, 1]] } }).edge).toBeNull();
  });
});
