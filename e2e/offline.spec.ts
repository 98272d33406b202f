import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { demoJobs } from '@/demo/demo-jobs';
import { room } from './helpers';
import { cleared, killAll, start } from './own-server';

const PORT = 4783;
const BASE = `http://127.0.0.1:${PORT}`;

test.use({ serviceWorkers: 'allow' });
test.afterEach(killAll);

test('the server is gone before the page is opened: board, survey and test fit open, numbers typed then arrive later', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const data = mkdtempSync(join(tmpdir(), 'lowgap-data-'));
  try {
    const first = start(data, PORT);
    await expect.poll(first.output, { timeout: 90_000 }).toContain('ready');
    const pickup = structuredClone(demoJobs().find(({ title }) => title.startsWith('Patrol'))!);
    const made = await page.request.post(`${BASE}/api/jobs`, { data: { ...pickup, title: 'In the bay' } });
    const { id } = await made.json();
    await page.goto(`${BASE}/`);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // Kept from now on: what is opened once.
    await page.goto(`${BASE}/jobs/${id}/bench?corner=frontLeft`);
    await expect(page.getByTestId('low-gap')).toBeVisible();
    await expect(page.getByTestId('offline')).toHaveCount(0);
    expect(await page.evaluate(async () => (await fetch('/manifest.webmanifest')).json())).toMatchObject({
      display: 'standalone',
      icons: [{ sizes: '192x192' }, { sizes: '512x512' }, { purpose: 'maskable' }],
    });
    first.child.kill('SIGKILL');
    await first.ended;

    // A page of its own, from nothing but what this browser has.
    await page.goto('about:blank');
    await page.goto(`${BASE}/`);
    await expect(page.getByTestId('offline')).toContainText('Server not reached. As of');
    await expect(page.getByText('In the bay')).toBeVisible();
    await page.goto(`${BASE}/jobs/${id}/bench?corner=frontLeft`);
    await expect(page.getByTestId('low-gap')).toBeVisible();
    await page.getByLabel('Offset', { exact: true }).fill('31');
    await expect(page.getByTestId('save-state')).toContainText('kept in this browser');
    for (const name of ['Survey', 'Install', 'Test fit']) {
      await room(page, name).click();
      await expect(page.getByTestId('room-failure')).toHaveCount(0);
      await expect(page.locator('#content, main').first()).toBeVisible();
    }
    // Loaded once more: what was typed without the server is there.
    await page.goto(`${BASE}/jobs/${id}/bench?corner=frontLeft`);
    await expect(page.getByLabel('Offset', { exact: true })).toHaveValue('31');
    await page.goto(`${BASE}/`);
    await expect(page.getByText(/not sent yet|Not sent yet/).first()).toBeVisible();

    const again = start(data, PORT);
    await expect.poll(again.output, { timeout: 90_000 }).toContain('ready');
    await page.goto(`${BASE}/jobs/${id}/bench?corner=frontLeft`);
    await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: 60_000 });
    await expect(page.getByTestId('offline')).toHaveCount(0);
    await expect(page.getByLabel('Offset', { exact: true })).toHaveValue('31');
    const offset = async () => (await (await page.request.get(`${BASE}/api/jobs/${id}`)).json()).document.setup.wheel;
    await expect.poll(offset).toMatchObject({ offsetMm: 31 });
    again.child.kill('SIGTERM');
    await again.ended;
  } finally {
    await cleared(data);
  }
});
