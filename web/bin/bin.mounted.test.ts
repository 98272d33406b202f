import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { Bin } from '@/contracts/bin-api';
import { mounted } from '../testing/mounting';
import { all, alerts, pageText, press, said } from '../testing/page';
import BinRoom from './BinRoom.vue';

const at = '2026-02-03T08:00:00';
const id = (n: number): string => `0b0b7b5e-51b4-4f6c-9a66-2d1cbe3a4f1${n}`;
const full = (): Bin => ({
  jobs: [
    {
      id: id(1),
      title: 'Patrol pickup',
      customer: '',
      revision: 3,
      createdAt: at,
      updatedAt: at,
      removedAt: at,
      summary: null,
    },
  ],
  wells: [{ id: id(2), title: 'Long bed', cornerKey: 'frontLeft', createdAt: at, removedAt: '2026-02-04T08:00:00' }],
  catalogue: [{ id: id(3), kind: 'tire', data: { size: '285/70R17' }, revision: 1, removedAt: at }],
});
let bin: Bin;
let asked: string[];
let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

async function room(of: Bin | null): Promise<void> {
  asked = [];
  if (of) bin = of;
  Object.assign(globalThis, {
    fetch: async (path: string, { method }: RequestInit) => {
      if (!of) throw new TypeError('fetch failed');
      asked.push(`${method} ${path}`);
      if (method !== 'GET') bin = { ...bin, jobs: [] };
      return { status: method === 'GET' ? 200 : 204, ok: true, json: async () => bin } as Response;
    },
  });
  ({ wrapper } = mounted(BinRoom));
  await flushPromises();
}
const rows = (): string[] => all('tbody tr').map((row) => row.text());

describe('the bin', () => {
  test('holds jobs, wells and parts, thrown away last first', async () => {
    await room(full());
    expect(rows()[0]).toMatch(/^Well Long bed, front left/i);
    expect(rows().join('; ')).toContain('Job Patrol pickup');
    expect(rows().join('; ')).toContain('Tire');
    expect(rows()[0]).toContain('4 Feb 2026, 08:00');
  });

  test('brings back at a press', async () => {
    await room(full());
    await press(/Bring Patrol pickup back/);
    expect(asked).toContain(`POST /api/bin/jobs/${id(1)}/back`);
    expect(rows()).toHaveLength(2);
  });

  test('forgets for good only after a question', async () => {
    await room(full());
    await press(/Forget Patrol pickup for good/);
    expect(asked.some((one) => one.startsWith('DELETE'))).toBe(false);
    expect(pageText()).toContain('Nobody can bring it back then');
    await press(/^Forget it/);
    expect(asked).toContain(`DELETE /api/bin/jobs/${id(1)}`);
  });

  test('an empty one says so; a server that is away too', async () => {
    await room({ jobs: [], wells: [], catalogue: [] });
    expect(said('bin-empty')).toContain('Nothing is in the bin');
    wrapper.unmount();
    await room(null);
    expect(alerts() + pageText()).toContain('The server does not answer');
  });
});
