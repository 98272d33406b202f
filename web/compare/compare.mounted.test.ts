import { marginWords } from '@/core/4-clearance/case/standard';
import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { asCase } from '@/contracts/as-case';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { formatMm } from '@/core/1-base/units/length';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, pageText, press, said } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import CompareRoom from './CompareRoom.vue';

let job: JobStore;
let wrapper: VueWrapper | null = null;

const room = async (): Promise<void> => {
  wrapper = await mountedInJob(CompareRoom, {}, { room: 'compare' });
  await flushPromises();
};
const keep = (name: string, liftMm: number): void =>
  job.changeSetup((file) => {
    const setup = { ...structuredClone(file.setup!), suspensionLiftMm: liftMm };
    file.compared = [...(file.compared ?? []), { name, setup }];
  });

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob());
  job.changeSetup((file) => delete file.compared);
});
afterEach(() => {
  wrapper?.unmount();
  job.close();
  endWorkersHere();
});

describe('setups side by side', () => {
  test('with none kept it says how one is', async () => {
    await room();
    expect(pageText()).toContain('No setup is kept yet');
  });

  test('each column has the low gap that its own setup comes to, the fitted one first', async () => {
    keep('Low', 0);
    keep('High', 40);
    await room();
    await until(() => said('compare-low-2') !== '');
    const { setup: _, ...fitted } = asCase(job.document!);
    const setups = [null, ...job.document!.compared!.map(({ setup }) => setup)];
    setups.forEach((setup, i) => {
      const { lowGap } = evaluateCase((setup ? { ...fitted, setup } : fitted) as never);
      expect(said(`compare-low-${i}`)).toContain(`${formatMm(lowGap!.gapMm)} mm`);
      expect(said(`compare-low-${i}`)).toContain(marginWords(lowGap!.mm));
    });
  });

  test('one that cannot be says why in its own column, and the others stand', async () => {
    keep('Good', 0);
    keep('Bad', 0);
    job.changeSetup((file) => (file.compared![1]!.setup.tire.size = '35x12.50R22'));
    await room();
    await until(() => said('compare-low-2') !== '');
    expect(said('compare-low-2')).not.toMatch(/^-?[\d.]+ mm/);
    expect(said('compare-low-1')).toMatch(/mm/);
  });

  test('a name is changed and never emptied; one is taken out; one is tried', async () => {
    keep('One', 0);
    keep('Two', 25);
    await room();
    const name = all('input.name')[0]!;
    await name.setValue('  Snow tires ');
    await name.trigger('change');
    expect(job.document!.compared![0]!.name).toBe('Snow tires');
    await name.setValue('');
    await name.trigger('change');
    expect(job.document!.compared![0]!.name).toBe('Snow tires');
    expect((name.element as HTMLInputElement).value).toBe('Snow tires');
    await press(/^Try$/, 1);
    expect(job.document!.setup!.suspensionLiftMm).toBe(25);
    await press(/Take out Snow tires/);
    expect(job.document!.compared!.map(({ name: left }) => left)).toEqual(['Two']);
  });

  test('a browser that lets no page copy shows the address', async () => {
    Object.assign(navigator, { clipboard: { writeText: () => Promise.reject(new Error('no')) } });
    await room();
    await press(/^Copy the link/);
    expect(pageText()).toContain('does not let pages copy');
    Object.assign(navigator, { clipboard: { writeText: () => Promise.resolve() } });
    await press(/^Copy the link/);
    expect(pageText()).toContain('is copied');
  });
});
