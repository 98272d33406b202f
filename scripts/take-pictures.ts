/**
 * Pictures of the main views at 1280 x 800 from demo data only, into docs/screenshots/. Needs a build.
 * `npm run pictures`, or `npm run pictures -- bench` for those whose name begins so.
 */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { once } from 'node:events';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_3D } from '../e2e/chromium-launch';

const PORT = 4790;
const FOLDER = process.env['PICTURES_FOLDER'] ?? 'docs/screenshots';

interface Picture {
  readonly name: string;
  /** Room of a job; absent: the bay board. */
  readonly room?: string;
  /** Address of a view outside a job; absent with `room` absent: the bay board. */
  readonly path?: string;
  /** A word of the job's title; the pickup's by default. */
  readonly job?: string;
  readonly theme?: 'bay' | 'counter';
  readonly width?: number;
  readonly prepare?: (page: Page) => Promise<void>;
  readonly afterStudy?: (page: Page) => Promise<void>;
}

/** Asks the finder what it would ask by itself, and waits until the first rows are looked at closely. */
async function foundAnswer(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByTestId('picked-says').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(6000);
}

/** The Plan room asks by itself where something rubs and nothing is chosen yet; what it chose stays with the job. */
async function planChosen(page: Page): Promise<void> {
  await page.getByText('Clears as planned').waitFor({ timeout: 60_000 });
}

const PICTURES: readonly Picture[] = [
  // Its verdicts are worked out one job after the other.
  {
    name: 'bay-board',
    prepare: async (page) => {
      await page.getByText('front left too close').first().waitFor({ timeout: 60_000 });
      await page.waitForTimeout(8000);
    },
  },
  { name: 'baseline', room: 'baseline?corner=frontLeft' },
  { name: 'survey', room: 'survey?corner=frontLeft' },
  {
    name: 'survey-photo',
    room: 'survey?corner=frontLeft',
    job: 'Fire-watch wagon',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Photo', exact: true }).click();
      await page.getByTestId('photo-edge').first().waitFor({ timeout: 60_000 });
      await page.waitForFunction(() => (document.querySelector<HTMLImageElement>('img.pixels')?.naturalWidth ?? 0) > 0);
    },
  },
  { name: 'intake', room: 'intake' },
  { name: 'catalogue', path: '/catalog' },
  { name: 'stance', room: 'stance?view=under&corner=frontLeft' },
  { name: 'bench', room: 'bench' },
  { name: 'bench-well', room: 'bench?corner=frontLeft&view=well' },
  {
    name: 'bench-space',
    room: 'bench?corner=frontLeft&view=space',
    prepare: async (page) => page.locator('canvas').waitFor(),
  },
  {
    name: 'bench-dark',
    room: 'bench?corner=frontLeft',
    theme: 'bay',
    prepare: async (page) => page.getByTestId('rung-bumper-cap').click(),
  },
  {
    name: 'bench-phone',
    room: 'bench',
    width: 390,
  },
  { name: 'finder', room: 'finder', prepare: foundAnswer },
  { name: 'plan', room: 'plan?corner=frontLeft', job: 'Rescue wagon', prepare: planChosen },
  {
    name: 'plan-cut-sheet',
    room: 'plan?corner=frontLeft',
    job: 'Rescue wagon',
    prepare: async (page) => {
      await planChosen(page);
      await page.getByRole('button', { name: 'Cut sheet' }).first().click();
      await page.getByTestId('sheet-says').waitFor({ timeout: 60_000 });
    },
  },
  { name: 'install', room: 'install', job: 'Lift-line pickup' },
  {
    name: 'test-fit',
    room: 'test-fit',
    job: 'Lift-line pickup',
    prepare: async (page) => page.getByTestId('residuals-say').waitFor(),
  },
  {
    name: 'quick-look',
    path: '/quick?fitted=265/70R17 on 17x8 %2B30&wanted=285/70R17 on 17x9 -12&vehicle=pickup&units=in&said.pinch-weld.body.2=two fingers',
    prepare: async (page) => page.getByTestId('quick-record').waitFor(),
  },
  {
    name: 'customer',
    room: 'customer',
    prepare: async (page) => page.locator('.wheel-picture').waitFor({ timeout: 60_000 }),
  },
];

async function main(): Promise<void> {
  mkdirSync(FOLDER, { recursive: true });
  const server = spawn(process.execPath, ['dist/server/main.js', '--demo'], {
    env: { ...process.env, PORT: String(PORT), LOWGAP_DATA: 'memory://' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(server.stdout, 'data');
  const browser = await chromium.launch(CHROMIUM_3D);
  try {
    const base = `http://127.0.0.1:${PORT}`;
    const listed = (await (await fetch(`${base}/api/jobs`)).json()) as { jobs: { id: string; title: string }[] };
    const idOf = (word: string): string => {
      const found = listed.jobs.find((job) => job.title.includes(word));
      if (!found) throw new Error(`the demo has no job with "${word}"`);
      return found.id;
    };
    const wanted = process.argv[2] ?? '';
    for (const picture of PICTURES.filter((p) => p.name.startsWith(wanted))) {
      const context = await browser.newContext({
        viewport: { width: picture.width ?? 1280, height: 800 },
        reducedMotion: 'reduce',
      });
      await context.addInitScript((theme) => localStorage.setItem('lowgap.theme', theme), picture.theme ?? 'counter');
      const page = await context.newPage();
      await page.goto(
        picture.room
          ? `${base}/jobs/${idOf(picture.job ?? 'pickup')}/${picture.room}`
          : `${base}${picture.path ?? '/'}`,
      );
      if (picture.path?.startsWith('/catalog')) await page.getByTestId('part').first().waitFor();
      else if (picture.path) await page.getByTestId('quick-changes').waitFor();
      else await page.getByTestId(picture.room ? 'low-gap' : 'import-file').waitFor({ state: 'attached' });
      await page.evaluate(() => document.fonts.ready);
      await picture.prepare?.(page);
      await page.waitForTimeout(400);
      // The bench goes on studying once the hand rests.
      if (picture.room?.startsWith('bench')) await page.getByTestId('spread-note').waitFor();
      await picture.afterStudy?.(page);
      await page.screenshot({ path: `${FOLDER}/${picture.name}.png`, animations: 'disabled' });
      await context.close();
      process.stdout.write(`${picture.name}\n`);
    }
  } finally {
    await browser.close();
    server.kill('SIGTERM');
  }
}

await main();
