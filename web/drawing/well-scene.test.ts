import { describe, expect, test } from '@jest/globals';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import { evaluateCase, type ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { distance } from '@/core/1-base/geometry/vec3';
import { demoJobs } from '@/demo/demo-jobs';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { lookedAt, touchSection } from '@/core/4-clearance/pictures/touch-section';
import { projector, sceneWindow, silhouette, viewBox, wellScene } from './well-scene';

const { document } = demoJobs().at(-1)!;
const { obstacles } = evaluateCase(document);

const sceneOf = (key: CornerKey, picked: ObstacleVerdict | null) => {
  const prepared = prepareDescribed(document, key);
  return wellScene(prepared, document.corners[key]!, obstacles, lookedAt(prepared, picked));
};

describe('what the well views draw is what the engine says', () => {
  test.each(obstacles.map((o) => [`${o.corner} ${o.id}`, o] as const))(
    '%s: the drawn gap has the printed length',
    (_name, o) => {
      const { touch } = sceneOf(o.corner, o);
      expect(distance(touch!.tire, touch!.obstacle)).toBeCloseTo(Math.abs(o.gapMm), 6);
      const prepared = prepareDescribed(document, o.corner);
      const { posture, met } = lookedAt(prepared, o);
      const cut = touchSection(prepared, document.corners[o.corner]!, { posture, met: met! });
      expect(Math.hypot(cut.nearest[0] - cut.obstacle[0], cut.nearest[1] - cut.obstacle[1])).toBeCloseTo(
        Math.abs(o.gapMm),
        6,
      );
    },
  );

  test('without a pick the tried tire stands parked and straight', () => {
    const scene = sceneOf('rearLeft', null);
    expect(scene.touch).toBeNull();
    expect(scene.hub).toEqual([0, 0, -38.1]);
  });

  test('the silhouette from outside is as tall as the tire', () => {
    const scene = sceneOf('rearLeft', null);
    const heights = silhouette(scene.tried, projector('side', 'left')).map(([, y]) => y);
    // 285/75R17: 431.8 + 2 x 214 = 859.8.
    expect(Math.max(...heights) - Math.min(...heights)).toBeCloseTo(859.8, 0);
  });
});

describe('the views fold out of one another', () => {
  const scene = sceneOf(
    'frontRight',
    obstacles.find((o) => o.corner === 'frontRight')!,
  );
  const window = sceneWindow(scene);

  test('above and front share their width, front and side their height', () => {
    const above = viewBox(window, 'above', 'right');
    const front = viewBox(window, 'front', 'right');
    const side = viewBox(window, 'side', 'right');
    expect([above[0], above[2]]).toEqual([front[0], front[2]]);
    expect([front[1], front[3]]).toEqual([side[1], side[3]]);
  });

  test('everything drawn lies in the window', () => {
    for (const view of ['above', 'front', 'side'] as const) {
      const [left, top, width, height] = viewBox(window, view, 'right');
      const project = projector(view, 'right');
      for (const point of [...scene.tried, ...scene.fitted, ...scene.obstacles.flatMap((o) => o.strands.flat())]) {
        const [x, y] = project(point);
        expect(x >= left && x <= left + width && y >= top && y <= top + height).toBe(true);
      }
    }
  });

  test('outboard is to the right on a left corner seen from the front, and the front is to the left from outside', () => {
    expect(projector('front', 'left')([0, 100, 0])[0]).toBe(100);
    expect(projector('front', 'right')([0, 100, 0])[0]).toBe(-100);
    expect(projector('side', 'left')([100, 0, 0])[0]).toBe(-100);
    expect(projector('side', 'right')([100, 0, 0])[0]).toBe(100);
  });
});
