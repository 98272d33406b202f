/**
 * How fast the bench room is in a real browser: `npm run bench:screen -- --write` (needs a build). Headless Chromium, the
 * production server, a corner with 40 obstacles of 20 places.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { gzipSync } from 'node:zlib';
import { chromium, type Browser, type Page } from '@playwright/test';
import { asCase } from '@/contracts/as-case';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';
import { CHROMIUM_LAUNCH } from '@/e2e/chromium-launch';
import { MOTIONS, surveyedCorner, setupWith, CANDIDATES, type MotionName } from './surveyed-corner';
import { writeSection } from './page-section';
import { SCREEN_HEADING, screenReport, type ScreenFigure, type ScreenFound } from './screen-report';

const PORT = 4793;
const BASE = `http://127.0.0.1:${PORT}`;

const percentile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] as number;

const figures: ScreenFigure[] = [];

function add(name: string, unit: string, samples: readonly number[], goal: number | null): void {
  const sorted = [...samples].sort((a, b) => a - b);
  const p95 = percentile(sorted, 0.95);
  figures.push({
    name,
    unit,
    count: sorted.length,
    median: percentile(sorted, 0.5),
    p95,
    most: sorted.at(-1) as number,
    goal,
    met: goal === null ? null : p95 <= goal,
  });
  process.stderr.write(`${name}: ${JSON.stringify(figures.at(-1))}\n`);
}

function documentWith(name: MotionName): LowgapFile {
  return lowgapFileSchema.parse({
    format: 'lowgap',
    version: 1,
    vehicle: { label: 'Made-up vehicle for measuring' },
    corners: { frontLeft: surveyedCorner(name) },
    setup: setupWith(CANDIDATES[0]!),
  });
}

async function makeJob(name: MotionName): Promise<string> {
  const made = await fetch(`${BASE}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ title: `Measured: ${name}`, customer: '', document: documentWith(name) }),
  });
  return ((await made.json()) as { id: string }).id;
}

/**
 * In the page: notes when each move of a control was asked, and when the verdict on it (or on a newer one) was painted.
 * Frames count from the browser's own event time to the frame after the change.
 */
async function watchTurns(page: Page): Promise<void> {
  // The TypeScript runner wraps functions in a helper of its own, which the page does not have.
  await page.evaluate('globalThis.__name = (f) => f');
  await page.evaluate(() => {
    const strip = document.querySelector<HTMLElement>('[data-testid="gap-strip"]')!;
    const turns: { asked: number; at: number; painted: number }[] = [];
    let last = Number(strip.dataset['answered']);
    let backward = 0;
    let event = 0;
    const note = (e: Event): void => {
      event = e.timeStamp;
    };
    for (const kind of ['keydown', 'pointermove'] as const) window.addEventListener(kind, note, true);
    new MutationObserver(() => {
      const asked = Number(strip.dataset['asked']);
      if (asked > (turns.at(-1)?.asked ?? 0)) turns.push({ asked, at: event, painted: 0 });
      const answered = Number(strip.dataset['answered']);
      if (answered < last) backward++;
      last = answered;
      const waiting = turns.filter((turn) => turn.painted === 0 && turn.asked <= answered);
      if (waiting.length === 0) return;
      requestAnimationFrame(() => {
        // After this frame's paint.
        const channel = new MessageChannel();
        channel.port1.onmessage = () => {
          for (const turn of waiting) turn.painted = performance.now();
        };
        channel.port2.postMessage(null);
      });
    }).observe(strip, { attributes: true });
    Object.assign(window, { watched: { turns, backward: () => backward } });
  });
}

interface Watched {
  readonly delays: readonly number[];
  readonly unanswered: number;
  readonly backward: number;
}

const watched = (page: Page): Promise<Watched> =>
  page.evaluate(() => {
    const { turns, backward } = (
      window as unknown as { watched: { turns: { at: number; painted: number }[]; backward: () => number } }
    ).watched;
    const found = {
      delays: turns.filter((t) => t.painted > 0).map((t) => t.painted - t.at),
      unanswered: turns.filter((t) => t.painted === 0).length,
      backward: backward(),
    };
    turns.length = 0;
    return found;
  });

/** The verdict on the screen must be the one that the core gives for what was saved. */
async function agrees(page: Page, id: string): Promise<boolean> {
  await page.getByTestId('save-state').filter({ hasText: 'Saved' }).waitFor();
  await page.getByTestId('spread-note').waitFor();
  const shown = await page.getByTestId('low-gap').textContent();
  const { document } = (await (await fetch(`${BASE}/api/jobs/${id}`)).json()) as { document: LowgapFile };
  return Number(shown) === Number(evaluateCase(asCase(document)).lowGap!.mm.toFixed(1));
}

async function measureMoves(browser: Browser, name: MotionName): Promise<void> {
  const id = await makeJob(name);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  await page.goto(`${BASE}/jobs/${id}/bench`);
  await page.getByTestId('low-gap').waitFor();
  await page.waitForTimeout(4000);
  await watchTurns(page);
  const random = seededRandom(5);
  const pause = (from: number, to: number): Promise<void> => page.waitForTimeout(from + (to - from) * random());

  for (const [what, handle] of [
    ['offset', 'handle-offset'],
    ['diameter', 'handle-diameter'],
  ] as const) {
    await page.getByTestId(handle).focus();
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press(i % 12 < 6 ? 'ArrowUp' : 'ArrowDown');
      await pause(60, 160);
    }
    await page.waitForTimeout(600);
    const { delays, unanswered, backward } = await watched(page);
    add(`${name}: ${what} by step keys, key to repainted verdict`, 'ms', delays, 50);
    if (unanswered || backward) throw new Error(`${name} ${what}: ${unanswered} unanswered, ${backward} went back`);
  }

  const box = (await page.getByTestId('handle-offset').boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 0; i < 240; i++) {
    await page.mouse.move(x + 40 * Math.sin(i / 12), y);
    await page.waitForTimeout(16);
  }
  await page.mouse.up();
  await page.waitForTimeout(600);
  const { delays, unanswered, backward } = await watched(page);
  add(`${name}: offset dragged without rest, move to repainted verdict`, 'ms', delays, 50);
  if (unanswered || backward) throw new Error(`${name} drag: ${unanswered} unanswered, ${backward} went back`);
  if (!(await agrees(page, id))) throw new Error(`${name}: the settled verdict is not the core's`);
  await page.close();
}

async function measureFirstView(browser: Browser): Promise<void> {
  const id = await makeJob('swingArm');
  const times: number[] = [];
  let kilobytes = 0;
  for (let i = 0; i < 8; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    let bytes = 0;
    const reading: Promise<void>[] = [];
    page.on('response', (response) => {
      const file = new URL(response.url()).pathname;
      // Pictures and the study of spread and levers start after the verdict.
      if (!file.endsWith('.js') || /(picture|study)\.worker/.test(file)) return;
      reading.push(response.body().then((body) => void (bytes += gzipSync(body).length)));
    });
    const start = performance.now();
    await page.goto(`${BASE}/jobs/${id}/bench`, { waitUntil: 'commit' });
    await page.getByTestId('low-gap').waitFor();
    const took = performance.now() - start;
    await page.waitForTimeout(1500);
    await Promise.all(reading);
    kilobytes = bytes / 1000;
    // The first one warms the server.
    if (i > 0) times.push(took);
    await context.close();
  }
  add('first view of the room from a warm server, empty browser cache, to the verdict', 'ms', times, 2000);
  add(
    'JavaScript for it, gzip, with the worker of the verdict; those of pictures and study start after it',
    'kB',
    [kilobytes],
    350,
  );
}

async function main(): Promise<void> {
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(PORT), LOWGAP_DATA: 'memory://' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(server.stdout, 'data');
  const browser = await chromium.launch(CHROMIUM_LAUNCH);
  try {
    await measureFirstView(browser);
    for (const name of Object.keys(MOTIONS) as MotionName[]) await measureMoves(browser, name);
  } finally {
    await browser.close();
    server.kill('SIGTERM');
  }
  const machine = `${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, headless Chromium, software drawing`;
  const found: ScreenFound = { machine, figures };
  if (process.argv.includes('--write')) {
    writeFileSync(new URL('./screen-found.json', import.meta.url), `${JSON.stringify(found, null, 2)}\n`);
    writeSection(SCREEN_HEADING, screenReport(found));
  }
}

await main();
