import { VERDICT_WORDS } from '../words';
import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { RouterView } from 'vue-router';
import type { JobStore } from '../stores/job';
import { ID } from '../testing/fake-server';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, key, keys, pageText, press, said } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import CornerTabs from './CornerTabs.vue';
// Both views stand loaded before the router asks for them: two fetched at once may trip Jest's loader.
import '../intake/IntakeRoom.vue';
import './JobShell.vue';
import NextLine from './NextLine.vue';
import RoomsBar from './RoomsBar.vue';

let job: JobStore;
let wrapper: VueWrapper | null = null;

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => {
  wrapper?.unmount();
  job.close();
  endWorkersHere();
});

describe('the bar of rooms', () => {
  const bar = async (): Promise<void> => {
    wrapper = await mountedInJob(RoomsBar, { id: ID }, { room: 'bench', query: { corner: 'frontLeft' } });
    await until(() => job.evaluation);
    await flushPromises();
  };
  const stateOf = (room: string): string =>
    all('.room')
      .find((one) => one.text().startsWith(room))!
      .find('.room-state')
      .text();

  test('leads to all ten rooms in the order of the work, each with what it says of itself', async () => {
    await bar();
    expect(all('.room-name').map((one) => one.text())).toEqual([
      'Intake',
      'Baseline',
      'Survey',
      'Stance',
      'Bench',
      'Finder',
      'Plan',
      'Install',
      'Test fit',
      'Follow-up',
    ]);
    for (const one of all('.room-state')) expect(one.text()).not.toBe('');
    expect(stateOf('Survey')).toMatch(/^\d+ readings/);
  });

  test('the bench says how many things are too close, as the verdict does', async () => {
    await bar();
    const rubbing = job.evaluation!.obstacles.filter(({ verdict }) => verdict === 'tooClose').length;
    expect(stateOf('Bench')).toContain(String(rubbing));
  });

  test('each corner has the gap of its worst part and the verdict on it; one that was not taken says so', async () => {
    wrapper = await mountedInJob(CornerTabs, {}, { room: 'bench', query: { corner: 'frontLeft' } });
    await until(() => job.evaluation);
    await flushPromises();
    const worst = job
      .evaluation!.obstacles.filter((one) => one.corner === 'frontLeft')
      .reduce((least, next) => (next.marginMm < least.marginMm ? next : least));
    const tab = (name: string): string =>
      all('.corner')
        .find((one) => one.text().startsWith(name))!
        .text();
    expect(tab('Front left')).toMatch(
      new RegExp(`${Number(worst.gapMm.toFixed(1))} mm\\s*${VERDICT_WORDS[worst.verdict]}`),
    );
    expect(tab('Rear right')).toContain('not taken');
    expect(key(/^Front left/).attributes('aria-pressed')).toBe('true');
  });
});

describe('what every room ends with', () => {
  test('the way to what is missing and matters most', async () => {
    wrapper = await mountedInJob(NextLine, { id: ID }, { room: 'bench', query: { corner: 'frontLeft' } });
    await until(() => job.evaluation);
    await flushPromises();
    expect(said('next-line')).toMatch(/^Next: 2 parts are too close/);
    expect(key(/^Plan/).attributes('href')).toContain(`/jobs/${ID}/plan`);
  });

  test('in the room where it is to be done it says so, without a way', async () => {
    wrapper = await mountedInJob(NextLine, { id: ID }, { room: 'plan' });
    await until(() => job.evaluation);
    await flushPromises();
    expect(said('next-line')).toMatch(/^Next, here: /);
    expect(keys(/^Plan/)).toHaveLength(0);
  });
});

describe('the shell', () => {
  const shell = async (): Promise<void> => {
    // As the program does: the shell stands at the job's address, with the room inside it.
    job.close();
    wrapper = await mountedInJob(RouterView as never, {}, { room: 'intake' });
    await until(() => job.document);
    await flushPromises();
  };
  const load = async (text: string): Promise<void> => {
    const input = all('[data-testid="load-file"]')[0]!;
    Object.defineProperty(input.element, 'files', { value: [new File([text], 'job.lowgap.json')], configurable: true });
    await input.trigger('change');
    await new Promise((resolve) => setTimeout(resolve, 50));
    await flushPromises();
  };

  test('undo and redo go by key and by press, and not while somebody types', async () => {
    await shell();
    const before = job.document!.standard;
    job.change((file) => void (file.standard = before === 'cutToFit' ? 'neverRub' : 'cutToFit'));
    await flushPromises();
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }));
    expect(job.document!.standard).toBe(before);
    await flushPromises();
    await press(/^\s*Redo/);
    expect(job.document!.standard).not.toBe(before);
    const input = document.createElement('input');
    document.body.append(input);
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }));
    expect(job.document!.standard).not.toBe(before);
    await press(/^\s*Undo/);
    expect(job.document!.standard).toBe(before);
  });

  test('a file that is none is refused, and the job is as it was', async () => {
    await shell();
    const before = JSON.stringify(job.document);
    await load('{"format":"lowgap"');
    expect(said('file-problems')).toContain('the job is as it was');
    expect(JSON.stringify(job.document)).toBe(before);
  });

  test('a file that is loaded is one change: undo brings the former back', async () => {
    await shell();
    const before = JSON.stringify(job.document);
    const other = { format: 'lowgap', version: 1, vehicle: { label: 'Another' }, corners: {} };
    await load(JSON.stringify(other));
    // Nothing is replaced unasked.
    expect(JSON.stringify(job.document)).toBe(before);
    await press(/^Load into this job/);
    expect(job.document!.vehicle.label).toBe('Another');
    expect(job.document!.corners).toEqual({});
    job.undo();
    expect(JSON.stringify(job.document)).toBe(before);
  });

  test('the strip says the low gap that the verdict says, and where', async () => {
    await shell();
    await until(() => job.evaluation);
    await flushPromises();
    const low = job.evaluation!.lowGap!;
    expect(said('low-gap')).toContain(low.gapMm.toFixed(1));
    expect(said('low-margin')).toContain(`needs ${low.requiredMm} mm, short by ${(-low.mm).toFixed(1)} mm`);
    const label = job.evaluation!.obstacles.find(
      ({ corner, id }) => corner === low.corner && id === low.obstacle,
    )!.label;
    expect(pageText()).toContain(label);
    // The setup goes on all four; of a corner that was not taken nothing is said.
    expect(said('gap-strip')).toMatch(/says nothing of .*rear right/);
    expect(keys(/Save as a file/)).toHaveLength(1);
  });
});
