import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { room } from './helpers';
import { cleared, killAll, start } from './own-server';
import { expect, test } from '@playwright/test';
import { demoJobs } from '@/demo/demo-jobs';

const PORT = 4781;
const BASE = `http://127.0.0.1:${PORT}`;
test.afterEach(killAll);

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

    // Killed without a word: the lock went with the process and the next start takes over.
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
    // The last of what is fetched ahead.
    const isFetched = () =>
      page.evaluate(() => performance.getEntriesByType('resource').some(({ name }) => name.includes('scan.worker')));
    await expect.poll(isFetched, { timeout: 30_000 }).toBe(true);
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

test('a tablet on the network is paired, measures with the server gone, and the counter sees every number', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const data = mkdtempSync(join(tmpdir(), 'lowgap-data-'));
  const env = { LOWGAP_HOST: '127.0.0.1' };
  const base = `https://127.0.0.1:${PORT}`;
  const context = () => browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 1280, height: 800 } });
  try {
    const first = start(data, PORT, env);
    await expect.poll(first.output, { timeout: 90_000 }).toContain('The code that makes the owner');
    const [, code = ''] = /good for a day: (\S+)/.exec(first.output()) ?? [];

    // The owner, at the counter: made by the code, makes Bo and pairs a tablet.
    const counter = await (await context()).newPage();
    await counter.goto(`${base}/`);
    await counter.getByLabel('Code from the console').fill(code);
    await counter.getByLabel('Name', { exact: true }).fill('Ada');
    await counter.getByLabel('Password').fill('steep and narrow');
    await counter.getByRole('button', { name: 'Make the owner' }).click();
    await counter.getByRole('link', { name: 'People' }).click();
    await counter.getByRole('button', { name: 'Somebody new' }).click();
    await counter.getByLabel('Name', { exact: true }).fill('Bo');
    await counter.getByLabel('PIN, for paired tablets').fill('4711');
    await counter.getByRole('button', { name: 'Keep' }).click();
    await expect(counter.getByText('PIN on a paired device')).toBeVisible();
    await counter.getByRole('button', { name: 'Pair a tablet' }).click();
    const address = await counter.getByText(`${base}/pair#`).textContent();

    // Bo, at the tablet.
    const tablet = await (await context()).newPage();
    await tablet.goto(address!.trim());
    await tablet.getByLabel('What this device is called').fill('Bay 2');
    await tablet.getByRole('button', { name: 'Pair it' }).click();
    await tablet.getByRole('radio', { name: 'Bo' }).click();
    await tablet.getByLabel('PIN').fill('4711');
    await tablet.getByRole('button', { name: 'Sign in' }).click();
    await expect(tablet.getByRole('heading', { name: 'Bay board' })).toBeVisible();
    await expect(tablet.getByText('This installation')).toHaveCount(0);

    // A job from nothing, in inches: the first corner is walked round, and the server goes in the middle of it.
    await tablet.getByRole('button', { name: 'New job' }).click();
    await tablet.getByLabel('What is wanted, on which vehicle').fill('In the bay');
    await tablet.getByRole('button', { name: /^Inches/ }).click();
    await tablet.getByRole('button', { name: 'Start with the intake' }).click();
    await room(tablet, 'Baseline').click();
    await tablet.getByLabel('Front left: hub to lip').fill('20 1/2');
    await room(tablet, 'Survey').click();
    const answer = async (inches: string): Promise<void> => {
      const walk = tablet.getByTestId('walk');
      const asked = await walk.getAttribute('data-asked');
      const field = tablet.getByTestId('walk-field').locator('input');
      await field.fill(inches);
      await field.press('Enter');
      await expect(walk).not.toHaveAttribute('data-asked', asked!);
    };
    const [before, after] = [
      ['4 1/4', '1/2', '4 3/8'],
      ['4', '3/8', '4 1/4', '2 7/8', '3 3/4', '3 1/4'],
    ];
    for (const inches of before) await answer(inches);
    await expect(tablet.getByTestId('save-state')).toHaveText('Saved');
    await tablet.waitForLoadState('load');
    first.child.kill('SIGKILL');
    await first.ended;
    for (const inches of after) await answer(inches);
    await expect(tablet.getByTestId('save-state')).toContainText('kept in this browser');

    const again = start(data, PORT, env);
    await expect.poll(again.output, { timeout: 90_000 }).toContain('ready');
    await expect(tablet.getByTestId('save-state')).toHaveText('Saved', { timeout: 60_000 });
    const { pathname } = new URL(tablet.url());
    await counter.goto(base + pathname.replace(/survey$/, 'survey?corner=frontLeft'));
    await expect(counter.getByText('also open: Bo at Bay 2')).toBeVisible();
    const id = pathname.split('/')[2]!;
    const { document } = await (await counter.request.get(`${base}/api/jobs/${id}`)).json();
    // Each number, a sixteenth of an inch being 1.6 mm, whatever it is kept as.
    const kept = [...JSON.stringify(document.corners.frontLeft.obstacles).matchAll(/-?\d+(\.\d+)?/g)].map(([text]) =>
      Number(text),
    );
    const typed = [...before, ...after].map((inches) => inchesInMm(inches));
    expect(typed.filter((mm) => !kept.some((one) => Math.abs(one - mm) < 0.1))).toEqual([]);
    // And they are what the counter is shown.
    await expect(counter.getByRole('button', { name: /^Fender lip.*4 places/ })).toBeVisible();
    await counter.getByRole('button', { name: 'History of this job' }).click();
    await expect(counter.getByText(/^Bo at Bay 2: /).first()).toBeVisible();
    again.child.kill('SIGTERM');
    expect(await again.ended).toBe(0);
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

/** `4 1/4` in mm. */
const inchesInMm = (inches: string): number =>
  25.4 * inches.split(' ').reduce((sum, part) => sum + Number(part.split('/')[0]) / Number(part.split('/')[1] ?? 1), 0);
