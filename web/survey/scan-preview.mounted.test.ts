import { expect, test } from '@jest/globals';
import type { LowgapObstacle } from '@/contracts/lowgap-file';
import { mounted } from '../testing/mounting';
import ScanPreview from './ScanPreview.vue';

const part = (id: string, points: [number, number, number][]): LowgapObstacle => ({
  id,
  label: `Part ${id}`,
  mount: 'body',
  material: 'liner',
  shape: { type: 'scan', points },
});

test('every part is drawn and numbered in both views, inside the picture; many points are thinned', () => {
  const many = Array.from({ length: 5000 }, (_, i): [number, number, number] => [i / 10, -40, 420]);
  const { wrapper } = mounted(ScanPreview, {
    parts: [part('a', many), part('b', [[-300, 60, -100]])],
    tire: { radiusMm: 400, innerMm: -180, outerMm: 90 },
  });
  const views = wrapper.findAll('svg');
  expect(views).toHaveLength(2);
  for (const view of views) {
    expect(view.findAll('text').map((one) => one.text())).toEqual(['1', '2']);
    expect(view.attributes('aria-label')).toContain('1 Part a, 2 Part b');
    const [left, top, width, height] = view.attributes('viewBox')!.split(' ').map(Number) as number[];
    for (const path of view.findAll('path')) {
      const places = [...path.attributes('d')!.matchAll(/M(-?\d+) (-?\d+)/g)];
      expect(places.length).toBeGreaterThan(0);
      expect(places.length).toBeLessThanOrEqual(700);
      for (const [, x, y] of places) {
        expect(Number(x)).toBeGreaterThan(left!);
        expect(Number(x)).toBeLessThan(left! + width!);
        expect(Number(y)).toBeGreaterThan(top!);
        expect(Number(y)).toBeLessThan(top! + height!);
      }
    }
  }
  // From the front the tire stands between its sidewalls.
  expect(views[1]!.find('rect').attributes()).toMatchObject({ x: '-180', width: '270', height: '800' });
  wrapper.unmount();
});
