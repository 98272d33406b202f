import AxeBuilder from '@axe-core/playwright';
import { execFileSync } from 'node:child_process';
import { expect, test, type Page, type TestInfo } from '@playwright/test';

/** Every request of every test stays on this machine. */
export const staysHere = () =>
  test.beforeEach(({ page }) => {
    page.on('request', (request) => {
      const { protocol, hostname } = new URL(request.url());
      expect(['127.0.0.1', ''], request.url()).toContain(protocol.startsWith('http') ? hostname : '');
    });
  });

export async function openPickup(page: Page): Promise<void> {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Patrol pickup/ })
    .first()
    .click();
  await expect(page.getByTestId('low-gap')).toBeVisible();
}

/** A job of the demo's whose title begins so, as the server has it. */
export async function jobCalled(page: Page, start: string) {
  const { jobs } = await (await page.request.get('/api/jobs')).json();
  const { id } = jobs.find((job: { title: string }) => job.title.startsWith(start));
  return (await page.request.get(`/api/jobs/${id}`)).json();
}

/** A job of its own for each test, from the demo pickup's file. */
export async function ownPickup(page: Page, title: string): Promise<void> {
  await page.goto('/');
  const pickup = await jobCalled(page, 'Patrol pickup');
  const made = await page.request.post('/api/jobs', { data: { title, customer: '', document: pickup.document } });
  await page.goto(`/jobs/${(await made.json()).id}/bench?corner=frontLeft`);
  await expect(page.getByTestId('low-gap')).toBeVisible();
}

/** What the command line prints for the job as it is saved. */
export async function printed(page: Page, info: TestInfo): Promise<Printed> {
  await saved(page);
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const path = info.outputPath('job.lowgap.json');
  await (await waiting).saveAs(path);
  const json = execFileSync('npm', ['run', '-s', 'lowgap', '--', 'evaluate', path], { encoding: 'utf8' });
  return { ...JSON.parse(json), path };
}

export interface Printed {
  readonly path: string;
  readonly lowGap: { readonly mm: number; readonly gapMm: number; readonly corner: string; readonly obstacle: string };
  readonly obstacles: readonly {
    readonly corner: string;
    readonly id: string;
    readonly label: string;
    readonly gapMm: number;
    readonly marginMm: number;
    readonly steerDeg: number;
    readonly travelMm: number;
    readonly verdict: string;
  }[];
}

/** A length as the screen shows it. */
export const shown = (mm: number): string => String(Number(mm.toFixed(1)));

export const room = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Rooms of this job' }).getByRole('link', { name });
export const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('Saved');
export const lowGap = async (page: Page): Promise<string> => (await page.getByTestId('low-gap').textContent()) ?? '';

/** A new job with the baseline of one front corner begun. */
export async function newJob(page: Page, title: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('What is wanted, on which vehicle').fill(title);
  // Else as the newest job on the server, which may be that of a test beside this one.
  await page.getByRole('button', { name: /^Millimeters/ }).click();
  await page.getByRole('button', { name: 'Start with the intake' }).click();
  await room(page, 'Baseline').click();
  await page.getByLabel('Front left: hub to lip').fill('20 1/2 in');
}

/** What an accessibility checker finds on the page as it stands. */
export async function axeFinds(page: Page): Promise<unknown[]> {
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForTimeout(500);
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return violations.map((v) => [v.id, v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160))]);
}

/** Unfolds a part of a room by its title. */
export async function unfold(page: Page, title: string): Promise<void> {
  await page
    .locator('summary')
    .filter({ has: page.getByRole('heading', { name: title }) })
    .click();
}
