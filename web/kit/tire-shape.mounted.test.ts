import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { tireSection } from '@/core/2-vehicle/tire/section';
import BaselineRoom from '../baseline/BaselineRoom.vue';
import SetupPanel from '../bench/SetupPanel.vue';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { choose, field, fields, key, press, said, type } from '../testing/page';

let job: JobStore;
let wrapper: VueWrapper;
const fitted = () => job.document!.corners.frontLeft!.fitted;
const setup = () => job.document!.setup!;

beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => {
  wrapper.unmount();
  job.close();
});

describe('the tire now fitted, in the baseline', () => {
  beforeEach(async () => {
    wrapper = await mountedInJob(BaselineRoom, {}, { room: 'baseline', query: { corner: 'frontLeft' } });
    await flushPromises();
  });

  test('kind, picture, tread and radius are kept, and said in one line', async () => {
    await choose(wrapper, /^Kind of tire/, 'mud');
    await press(/^square/);
    await type(/^Tread, edge to edge/, '210');
    await type(/^Shoulder radius/, '12');
    await type(/^Lugs beyond/, '4');
    expect(fitted().tire).toMatchObject({
      kind: 'mud',
      shoulder: 'square',
      treadWidthMm: 210,
      shoulderRadiusMm: 12,
      lugsMm: 4,
    });
    expect(said('tire-shape')).toContain('mud, measured, tread 210 mm, square shoulder');
    const section = tireSection(fitted().tire, fitted().wheel.widthIn);
    expect(said('tire-shape')).toContain(`tread ${section.treadWidthMm.toFixed(0)}, shoulder radius 12`);
    expect(key(/^square/).attributes('aria-pressed')).toBe('true');
    await press(/^square/);
    await type(/^Tread, edge to edge/, '');
    expect(fitted().tire).not.toHaveProperty('shoulder');
    expect(fitted().tire).not.toHaveProperty('treadWidthMm');
  });

  test('a flotation tire nobody measured is taken under its print, once it is measured as it measures', async () => {
    await type(/^Measured diameter/, '');
    expect(fields(/^Measures under its print/)).toHaveLength(0);
    await type(/^Tire size/, '33x12.50R17LT');
    expect(fitted().tire.underPrintMm).toBe(9);
    await type(/^Measures under its print/, '1/2 in');
    expect(fitted().tire.underPrintMm).toBeCloseTo(12.7, 6);
    // The size was read wrong: what was said of the tire stays.
    await type(/^Tire size/, '35x12.50R17LT');
    expect(fitted().tire.underPrintMm).toBeCloseTo(12.7, 6);
    await type(/^Measured diameter/, '878');
    expect(fields(/^Measures under its print/)).toHaveLength(0);
    expect(tireSection(fitted().tire, 10).diameterMm).toBe(878);
    await type(/^Measured diameter/, '');
    await type(/^Tire size/, '265/70R17');
    expect(fitted().tire).not.toHaveProperty('underPrintMm');
  });
});

describe('the tire tried, on the bench', () => {
  beforeEach(async () => {
    wrapper = await mountedInJob(SetupPanel, {}, { room: 'bench', query: { corner: 'frontLeft' } });
    await flushPromises();
  });

  test('another size is another tire: its kind stays, what was measured does not', async () => {
    await choose(wrapper, /^Kind of tire/, 'highway');
    await type(/^Measured width/, '280');
    await type(/^Shoulder radius/, '25');
    expect(setup().tire).toMatchObject({ kind: 'highway', measuredWidthMm: 280, shoulderRadiusMm: 25 });
    await type(/^Tire size/, '33x12.50R17LT');
    expect(setup().tire).toEqual({ size: '33x12.50R17LT', kind: 'highway' });
    expect(Object.keys(setup().typed ?? {})).not.toContain('measuredWidthMm');
  });

  test('what it may be more is entered beside it: making, growth, a chain by class', async () => {
    await type(/^May be taller/, '3');
    await type(/^May be wider/, '2');
    await type(/^Grows in radius/, '1 1/2');
    await choose(wrapper, /^Room for a snow chain/, 'classS');
    expect(setup().allowances).toMatchObject({
      radiusToleranceMm: 3,
      sideToleranceMm: 2,
      chain: { treadMm: 37, sidewallMm: 15 },
    });
    expect(said('tire-may-be')).toContain('a chain on it');
    await choose(wrapper, /^Room for a snow chain/, null);
    await type(/^May be taller/, '');
    await type(/^May be wider/, '');
    await type(/^Grows in radius/, '');
    expect(setup()).not.toHaveProperty('allowances');
  });

  test('a tread that this tire cannot have is refused at its field', async () => {
    await type(/^Tread, edge to edge/, '15000');
    expect(field(/^Tread, edge to edge/).text()).toMatch(/600/);
    expect(setup().tire).not.toHaveProperty('treadWidthMm');
  });

  test('the wheel inside: across, at the drop center, and the spokes’ back by a template; another wheel begins anew', async () => {
    expect(said('wheel-inside')).toContain('398 mm across as usual');
    await type(/^Inside across, where/, '395');
    await press(/^Add a place of the spokes/);
    await type(/^Place 1: out from the axis/, '150');
    await type(/^Place 1: outboard/, '-8');
    await press(/^Add a place of the spokes/);
    expect(setup().wheel).toMatchObject({
      insideDiameterMm: 395,
      spokeBack: [
        { radiusMm: 150, backMm: -8 },
        { radiusMm: 180, backMm: 0 },
      ],
    });
    expect(said('wheel-inside')).toContain('395 mm across, spokes measured at 2 places');
    await press(/^Remove: Spokes’ back, 180/);
    expect(setup().wheel.spokeBack).toHaveLength(1);
    await type(/^Rim width/, '9');
    expect(setup().wheel).not.toHaveProperty('spokeBack');
    expect(setup().wheel).not.toHaveProperty('insideDiameterMm');
  });
});
