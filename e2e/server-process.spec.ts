import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { room } from './helpers';
import { expect, test } from '@playwright/test';
import { demoJobs } from '@/demo/demo-jobs';

const PORT = 4781;
const BASE = `http://127.0.0.1:${PORT}`;
const running = new Set<ChildProcess>();

function start(data: string, port: number) {
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(port), LOWGAP_DATA: data },
  });
  running.add(child);
  let output = '';
  child.stdout.on('data', (chunk) => (output += String(chunk)));
  child.stderr.on('data', (chunk) => (output += String(chunk)));
  const ended = new Promise<number | null>((resolve) =>
    child.on('exit', (code) => {
      running.delete(child);
      resolve(code);
    }),
  );
  return { child, ended, output: () => output };
}

/** Ends whatever still runs on the data before they go, so that what went wrong is what is said. */
async function cleared(data: string): Promise<void> {
  await Promise.all(
    [...running].map((child) => {
      const gone = new Promise((resolve) => child.once('exit', resolve));
      child.kill('SIGKILL');
      return gone;
    }),
  );
  rmSync(data, { recursive: true, force: true, maxRetries: 5 });
}

test.afterEach(() => running.forEach((child) => child.kill('SIGKILL')));

test('jobs outlive a restart and a kill; a second process on the same data is refused', async ({ request }) => {
  const data = mkdtempSync(join(tmpdir(), 'lowgap-data-'));
  try {
    const first = start(data, PORT);
    await expect.poll(first.output, { timeout: 90_000 }).toContain('ready');
    const document = {
      format: 'lowgap',
      version: 1,
      vehicle: { label: 'Snow-fence hauler' },
      corners: {
        rearLeft: {
          motion: { type: 'swingArm' },
          travel: { bumpMm: 60, droopMm: 70 },
          fitted: { tire: { size: '18x8.50-8' }, wheel: { diameterIn: 8, widthIn: 7, offsetMm: 0 } },
        },
      },
    };
    const made = await request.post(`${BASE}/api/jobs`, { data: { title: 'Keeps', document } });
    expect(made.status()).toBe(201);
    const { id } = await made.json();

    const second = start(data, PORT + 1);
    expect(await second.ended).toBe(1);
    expect(second.output()).toContain('Another Low Gap is already running on the data');

    first.child.kill('SIGTERM');
    expect(await first.ended).toBe(0);
    const third = start(data, PORT);
    await expect.poll(third.output, { timeout: 90_000 }).toContain('ready');
    expect((await (await request.get(`${BASE}/api/jobs/${id}`)).json()).title).toBe('Keeps');

    // Killed without a word: the lock goes stale and the next start takes over.
    third.child.kill('SIGKILL');
    await third.ended;
    const fourth = start(data, PORT);
    await expect.poll(fourth.output, { timeout: 90_000 }).toContain('ready');
    expect((await request.get(`${BASE}/api/jobs/${id}`)).status()).toBe(200);
    fourth.child.kill('SIGTERM');
    await fourth.ended;
  } finally {
    await cleared(data);
  }
});

test('the installation goes on with the server gone: rooms never entered open, the sheet is made and ticked, and all of it arrives', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const data = mkdtempSync(join(tmpdir(), 'lowgap-data-'));
  try {
    const first = start(data, PORT);
    await expect.poll(first.output, { timeout: 90_000 }).toContain('ready');
    const { document } = structuredClone(demoJobs().find(({ title }) => title.startsWith('Rescue'))!);
    const made = await page.request.post(`${BASE}/api/jobs`, { data: { title: 'In the bay', document } });
    const { id } = await made.json();
    await page.goto(`${BASE}/jobs/${id}/intake`);
    await expect(page.getByTestId('save-state')).toHaveText('Saved');
    await page.waitForLoadState('networkidle');
    first.child.kill('SIGKILL');
    await first.ended;

    const link = (name: string) => room(page, name);
    await link('Install').click();
    await page.getByRole('button', { name: /^Make the sheet/ }).click();
    await page.getByRole('button', { name: /^Step 1 done/ }).click();
    await expect(page.getByTestId('sheet-says')).toContainText(/1 of \d+ done/);
    await expect(page.getByTestId('save-state')).toContainText('kept in this browser');
    await link('Test fit').click();
    await expect(page.getByText('Which setup is on the vehicle?')).toBeVisible();
    await link('Plan').click();
    await expect(page.getByTestId('plan-says')).toContainText(/Clears as planned|still to do/, { timeout: 60_000 });

    const again = start(data, PORT);
    await expect.poll(again.output, { timeout: 90_000 }).toContain('ready');
    await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: 60_000 });
    const kept = await (await page.request.get(`${BASE}/api/jobs/${id}`)).json();
    expect(kept.document.install.steps[0].doneAt).toBeTruthy();
    again.child.kill('SIGTERM');
    await again.ended;
  } finally {
    await cleared(data);
  }
});

test('settings that cannot be used are named', async () => {
  const data = mkdtempSync(join(tmpdir(), 'lowgap-data-'));
  const child = start(data, 99999);
  expect(await child.ended).toBe(1);
  expect(child.output()).toContain('PORT: expected at most 65535');
  await cleared(data);
});
