import { afterEach, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { pageText, press } from '../testing/page';
import HistoryDialog from './HistoryDialog.vue';

let wrapper: VueWrapper;
let job: JobStore;
afterEach(() => {
  wrapper.unmount();
  job.close();
});

/** The server has one change of a job, by the other bay; before it the spacer was `before`. */
function oneChange({ server }: Awaited<ReturnType<typeof openedJob>>, before: number): void {
  const now = server.fetch;
  Object.assign(globalThis, {
    fetch: async (path: string, init: RequestInit) => {
      const answer = (body: unknown) => ({ status: 200, ok: true, json: async () => body }) as Response;
      const set = { revision: 2, at: '2026-02-03T08:00:00', by: 'Bay 2', count: 1, paths: ['document.setup.spacerMm'] };
      if (path.endsWith('/history')) return answer({ sets: [set] });
      const { title, customer, document } = server.job;
      const then = {
        title,
        customer,
        revision: 1,
        document: { ...document, setup: { ...document.setup, spacerMm: before } },
      };
      return path.endsWith('/history/1') ? answer(then) : now(path, init);
    },
  });
}

test('what was changed is told by its field; an earlier state is looked at first, and brought back as one change', async () => {
  const opened = await openedJob();
  job = opened.job;
  const before = job.document!.setup!.spacerMm;
  opened.server.somebodySaves((other) => void (other.document.setup!.spacerMm = 17));
  oneChange(opened, before);
  job.change((file) => void (file.setup!.spacerMm = 17));
  wrapper = await mountedInJob(HistoryDialog, { modelValue: false });
  await wrapper.setProps({ modelValue: true });
  await flushPromises();
  expect(pageText()).toContain('3 Feb 2026, 08:00');
  expect(pageText()).toContain('Bay 2: setup, spacer');
  await press(/^As it was before/);
  expect(pageText()).toContain('17 mm');
  expect(job.document!.setup!.spacerMm).toBe(17);
  await press(/^Bring it back/);
  expect(job.document!.setup!.spacerMm).toBe(before);
  job.undo();
  expect(job.document!.setup!.spacerMm).toBe(17);
});

test('opened before it has come, it asks as well', async () => {
  const opened = await openedJob();
  job = opened.job;
  oneChange(opened, 0);
  wrapper = await mountedInJob(HistoryDialog, { modelValue: true });
  await flushPromises();
  expect(pageText()).toContain('Bay 2: setup, spacer');
});
