import { describe, expect, test } from '@jest/globals';
import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { prepareCorner, type PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { gapInPosture } from '../../4-clearance/oracle/plain-sweep';
import { FITTED, LEANING_AXIS, madeCorner } from '../../fixtures/made-corner';
import { MOTIONS } from '../../fixtures/scattered-corner';
import { CandidateFinder, placesAlong, postureAt, type CandidatePlace } from './candidate-places';

const prepared = (obstacle: ObstacleDescription): PreparedCorner => {
  const corner = madeCorner({
    motion: MOTIONS['beamAxle']!,
    steering: LEANING_AXIS,
    travel: { bumpMm: 90, droopMm: 100 },
    fitted: FITTED,
    obstacles: [obstacle],
  });
  return prepareCorner('frontLeft', corner, fittedSetup(FITTED), 'trail');
};

/** A run of places around the top of the tire, `stepMm` apart. */
const arch = (count: number, stepMm: number): Vec3[] =>
  Array.from({ length: count }, (_, k): Vec3 => {
    const angle = ((k - count / 2) * stepMm) / 540;
    return [540 * Math.sin(angle), -60, 540 * Math.cos(angle)];
  });

const lip = (points: Vec3[], type: 'polyline' | 'scan'): ObstacleDescription => ({
  id: 'it',
  mount: 'body',
  material: 'sheetMetal',
  shape: { type, points },
});

const twice = (candidates: readonly CandidatePlace[], withinMm: number): boolean =>
  candidates.some((one, i) =>
    candidates
      .slice(i + 1)
      .some((next) => next.shares.join() === one.shares.join() && distance(next.point, one.point) < withinMm),
  );

describe('places that may become nearest', () => {
  test('a place where two stretches join is looked at once', () => {
    const points = arch(20, 12);
    const [obstacle] = prepared(lip(points, 'polyline')).obstacles;
    const places = placesAlong(obstacle!).map(({ point }) => point);
    expect(places).toHaveLength(20);
    points.forEach((point, k) => expect(distance(places[k]!, point)).toBeLessThan(1e-6));
  });

  test('a steered beam axle meets one edge in many postures: more than a dozen are kept, none twice', () => {
    const corner = prepared(lip(arch(20, 12), 'polyline'));
    const candidates = new CandidateFinder(corner).of(corner.obstacles[0]!);
    expect(candidates.length).toBeGreaterThan(12);
    expect(twice(candidates, 1)).toBe(false);
    for (const { shares, gapMm, point } of candidates) {
      // Each place has at least the edge's own gap in its posture.
      const posture = postureAt(corner, shares);
      expect(gapMm).toBeGreaterThan(gapInPosture(corner, corner.obstacles[0]!, posture).gapMm - 0.01);
      expect(distance(point, [0, -60, 0])).toBeCloseTo(540, 0);
    }
  });

  test('of a scan’s crowded points one stands for those around it', () => {
    const corner = prepared(lip(arch(200, 1), 'scan'));
    const candidates = new CandidateFinder(corner).of(corner.obstacles[0]!);
    expect(candidates.length).toBeGreaterThan(3);
    expect(twice(candidates, 9.9)).toBe(false);
  });
});
