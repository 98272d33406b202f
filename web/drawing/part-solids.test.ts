import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { place, unplace } from '@/core/1-base/geometry/pose';
import { add, type Vec3 } from '@/core/1-base/geometry/vec3';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import { cornersOf, makePieces, vertexOf } from '@/core/3-survey/shape/shape';
import type { PreparedObstacle } from '@/core/3-survey/prepared/prepared-obstacle';
import { cloudsOf, fittedGap, partSolids } from './part-solids';

const PARKED = { travel: 0, steer: 0 };
const corners = demoJobs().flatMap(({ title, document }) =>
  (Object.keys(document.corners) as (keyof typeof document.corners)[]).map((key) => {
    const corner = document.corners[key]!;
    return { name: `${title}, ${key}`, key, corner, prepared: prepareDescribed(document, key) };
  }),
);
const placesOf = ({ pieces }: PreparedObstacle): Vec3[] =>
  Array.from(pieces.corners, (_, i) =>
    Array.from({ length: cornersOf(pieces, i) }, (_two, j) => vertexOf(pieces, i, j)),
  ).flat();

describe('the solids that parts are drawn as', () => {
  test.each(corners)(
    '$name: none reaches into the fitted tire further than what was measured',
    ({ key, corner, prepared }) => {
      const gap = fittedGap(key, corner);
      for (const part of prepared.obstacles) {
        const survey = prepared.motion.mountPose(part.mount, PARKED);
        const measured = Math.min(...placesOf(part).map((at) => gap(part, place(survey, at))));
        const drawn = partSolids(part, survey, gap).flatMap(cloudsOf).flat();
        expect(Number.isFinite(measured)).toBe(true);
        const nearest = Math.min(Infinity, ...drawn.map((at) => gap(part, place(survey, at))));
        // A line's width of the drawing.
        if (measured - nearest > 2)
          throw new Error(`${part.id} is drawn ${measured - nearest} mm nearer than measured`);
      }
    },
  );

  test('a part whose measured shape is a solid already is drawn as that alone', () => {
    const part = corners.flatMap(({ prepared }) => prepared.obstacles)[0]!;
    const survey = { rotation: [1, 0, 0, 0, 1, 0, 0, 0, 1], origin: [0, 0, 0] } as const;
    expect(partSolids({ ...part, radiusMm: 12 }, survey, () => 10)).toEqual([]);
  });

  test('it lies behind what was measured, the way out of the wheel, told in its mount’s frame', () => {
    const { key, corner, prepared } = corners.find(({ name }) => name.startsWith('Rescue wagon'))!;
    const part = prepared.obstacles.find(({ material }) => material === 'bodyMount')!;
    const gap = fittedGap(key, corner);
    const still = prepared.motion.mountPose(part.mount, PARKED);
    const [puck] = partSolids(part, still, gap);
    if (puck?.kind !== 'puck') throw new Error('no puck');
    const measured = Math.min(...placesOf(part).map((at) => gap(part, place(still, at))));
    expect(gap(part, place(still, puck.center))).toBeGreaterThan(measured + 20);
    // Its mount stands 10 mm further forward: told in that frame it is 10 mm further back.
    const ahead = { rotation: still.rotation, origin: add(still.origin, [10, 0, 0]) };
    const moved = { ...part, pieces: makePieces(placesOf(part).map((at) => [unplace(ahead, place(still, at))])) };
    const [again] = partSolids(moved, ahead, gap);
    if (again?.kind !== 'puck') throw new Error('no puck');
    for (const i of [0, 1, 2]) expect(place(ahead, again.center)[i]).toBeCloseTo(place(still, puck.center)[i]!, 6);
  });
});
