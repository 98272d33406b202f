import { afterEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { asCase } from '@/contracts/as-case';
import { describedCorners } from '@/core/4-clearance/case/described-corner';
import { cornerStance } from '@/core/5-consequences/stance/stance-report';
import { demoJobs } from '@/demo/demo-jobs';
import { mounted } from '../testing/mounting';
import TravelCurves from './TravelCurves.vue';

let wrapper: VueWrapper | null = null;
afterEach(() => wrapper?.unmount());

const corners = demoJobs().flatMap(({ title, document }) =>
  describedCorners(asCase(document)).map((key) => [title, key, document] as const),
);

describe('through the travel, on every corner of every demo job', () => {
  test.each(corners)('%s, %s: its table holds a figure or a dash in every cell', async (_, key, document) => {
    const stance = cornerStance(asCase(document), key, {}, {});
    wrapper = mounted(TravelCurves, { stance }).wrapper;
    await wrapper
      .findAll('button')
      .find((one) => one.text() === 'Table')!
      .trigger('click');
    const cells = wrapper.findAll('td').map((cell) => cell.text());
    expect(cells).toHaveLength(48);
    for (const cell of cells) expect(cell).toMatch(/^(-?\d+(\.\d+)?|—)$/);
    // A wheel that does not steer has neither caster nor scrub radius.
    const dashes = cells.filter((cell) => cell === '—').length;
    expect(dashes > 0).toBe(document.corners[key]!.steering === undefined || dashes > 0);
    if (document.corners[key]!.steering === undefined) expect(dashes).toBeGreaterThanOrEqual(12);
  });
});
