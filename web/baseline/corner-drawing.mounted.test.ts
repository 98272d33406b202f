import { afterEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { demoJobs } from '@/demo/demo-jobs';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { mounted } from '../testing/mounting';
import { all } from '../testing/page';
import CornerDrawing from './CornerDrawing.vue';

let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

const CORNERS = demoJobs().find(({ title }) => title.startsWith('Patrol'))!.document.corners;
function drawn(key: CornerKey, change: Partial<LowgapCorner> = {}): void {
  const corner = { ...CORNERS.frontLeft!, ...change };
  ({ wrapper } = mounted(CornerDrawing, { corner, cornerKey: key }));
}
/** Every number pair of a path's points. */
const points = (path: string): [number, number][] =>
  [...path.matchAll(/(-?[\d.e-]+) (-?[\d.e-]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);
const tire = () => points(all('path.tire')[0]!.attributes('d')!);
const span = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

describe('the wheel from the front', () => {
  test('it is to scale: as tall as the tire was measured, in the place its offset gives it', () => {
    drawn('frontLeft', {
      fitted: {
        tire: { size: '265/70R17', measuredDiameterMm: 798, measuredWidthMm: 270 },
        wheel: { diameterIn: 17, widthIn: 7.5, offsetMm: 30 },
        spacerMm: 5,
      },
    });
    expect(span(tire().map(([, y]) => y))).toBeCloseTo(798, 0);
    const across = tire().map(([x]) => x);
    expect(span(across)).toBeCloseTo(270, 0);
    // Center plane = spacer - offset from the hub face, inboard of it with a positive offset (common practice, no source).
    expect((Math.max(...across) + Math.min(...across)) / 2).toBeCloseTo(5 - 30, 6);
  });

  test('the outside of a right wheel is to the left, facing the vehicle', () => {
    const middle = (): number => {
      const across = tire().map(([x]) => x);
      return (Math.max(...across) + Math.min(...across)) / 2;
    };
    drawn('frontLeft');
    const left = middle();
    wrapper.unmount();
    drawn('frontRight');
    expect(middle()).toBeCloseTo(-left, 6);
  });

  test('it stands as far up and down again as it was measured to go, each named', () => {
    drawn('frontLeft', { travel: { bumpMm: 82, droopMm: 98, firstTouchMm: 40 } });
    expect(all('path.reach').map((one) => one.attributes('transform'))).toEqual([
      'translate(0 -82)',
      'translate(0 98)',
    ]);
    const names = all('text').map((one) => one.text().replace(/\s+/g, ' '));
    expect(names).toEqual(expect.arrayContaining(['full squash 82', 'first touch 40', 'full droop 98']));
  });

  test('a tire that cannot be read leaves the heights, not an error', () => {
    drawn('frontLeft', { fitted: { ...CORNERS.frontLeft!.fitted, tire: { size: 'round' } } });
    expect(all('path.tire')[0]!.attributes('d') ?? '').toBe('');
    expect(all('path.height').length).toBeGreaterThan(2);
  });
});
