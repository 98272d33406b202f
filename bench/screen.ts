/**
 * How fast the bench room is in a real browser: `npm run bench:screen -- --write` (needs a build). Headless Chromium, the
 * production server, a corner with 40 obstacles of 20 places.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { gzipSync } from 'node:zlib';
import { chromium, type Browser, type Page, type Response } from '@playwright/test';
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

/** What a time is told in besides ms: `ofMs` long, at most `goal` of them 95 times of 100. */
interface Ratio {
  readonly in: string;
  readonly ofMs: number;
  readonly goal: number;
}

function add(name: string, unit: string, samples: readonly number[], goal: number | null, ratio?: Ratio): void {
  const sorted = [...samples].sort((a, b) => a - b);
  const p95 = percentile(sorted, 0.95);
  const ratioOf = ratio && {
    in: ratio.in,
    p95: p95 / ratio.ofMs,
    goal: ratio.goal,
    met: p95 / ratio.ofMs <= ratio.goal,
  };
  figures.push({
    ...(ratioOf ? { ratio: ratioOf } : {}),
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

function documentWith(name: MotionName, envelope: 'trail' | 'street'): LowgapFile {
  return lowgapFileSchema.parse({
    format: 'lowgap',
    version: 1,
    vehicle: { label: 'Made-up vehicle for measuring' },
    corners: { frontLeft: surveyedCorner(name) },
    setup: setupWith(CANDIDATES[0]!),
    envelope,
  });
}

async function makeJob(name: MotionName, envelope: 'trail' | 'street'): Promise<string> {
  const made = await fetch(`${BASE}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ title: `Measured: ${name}`, customer: '', document: documentWith(name, envelope) }),
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
  const { document } = (await (await fetch(`${BASE}/api/jobs/${id}`)).json()) as { document: LowgapFile };
  const settled = Number(evaluateCase(asCase(document)).lowGap!.gapMm.toFixed(1));
  // The settled verdict comes once the hand has rested.
  for (let i = 0; i < 40; i++) {
    if (Number(await page.getByTestId('low-gap').textContent()) === settled) return true;
    await page.waitForTimeout(250);
  }
  return false;
}

/** A key that changes one number on the same page and nothing else, ms from the key to its paint. */
async function emptyRepaints(page: Page): Promise<number[]> {
  await page.evaluate(() => {
    const number = document.createElement('button');
    number.id = 'empty-repaint';
    number.style.cssText = 'position: fixed; left: 2px; bottom: 2px; z-index: 9';
    const took: number[] = [];
    number.addEventListener('keydown', (event) => {
      number.textContent = String(took.length + 1);
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => void took.push(performance.now() - event.timeStamp);
        port2.postMessage(null);
      });
    });
    document.body.append(number);
    Object.assign(window, { emptyRepaints: took });
  });
  await page.locator('#empty-repaint').focus();
  for (let i = 0; i < EMPTY_REPAINTS; i++) {
    await page.keyboard.press('ArrowUp');
    await page.waitForTimeout(90);
  }
  return page.evaluate(() => {
    document.querySelector('#empty-repaint')!.remove();
    return (window as unknown as { emptyRepaints: number[] }).emptyRepaints;
  });
}

const EMPTY_REPAINTS = 20;
const KEYS = 24;
const DRAGGED = 80;

/** Slows the page's own thread; the browser does not slow its workers. */
async function slowDown(page: Page, times: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: times });
}

interface Circumstances {
  readonly name: MotionName;
  readonly envelope: 'trail' | 'street';
  /** How many times slower the processor is made. */
  readonly slower: number;
}

async function measureMoves(browser: Browser, at: Circumstances): Promise<void> {
  const { name, envelope, slower } = at;
  const id = await makeJob(name, envelope);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  await page.goto(`${BASE}/jobs/${id}/bench`);
  await page.getByTestId('low-gap').waitFor();
  await page.waitForTimeout(2500);
  if (slower > 1) await slowDown(page, slower);
  const random = seededRandom(5);
  const pause = (from: number, to: number): Promise<void> => page.waitForTimeout(from + (to - from) * random());
  const where = `${MOTION_WORDS[name]}, ${envelope}${slower > 1 ? `, ${slower} times slower` : ''}`;
  const empty = await emptyRepaints(page);
  const repaintMs = percentile(
    [...empty].sort((a, b) => a - b),
    0.5,
  );
  add(`${where}: empty repaint`, 'ms', empty, null);
  await watchTurns(page);
  const settle = (): Promise<void> => page.waitForTimeout(600 * Math.min(slower, 2));
  const note = async (what: string): Promise<void> => {
    const { delays, unanswered, backward } = await watched(page);
    add(`${where}: ${what}`, 'ms', delays, null, { in: 'empty repaints', ofMs: repaintMs, goal: 2 });
    if (unanswered || backward) throw new Error(`${where} ${what}: ${unanswered} unanswered, ${backward} went back`);
  };
  for (const [what, handle] of [
    ['offset', 'handle-offset'],
    ['diameter', 'handle-diameter'],
  ] as const) {
    await page.getByTestId(handle).focus();
    for (let i = 0; i < KEYS; i++) {
      await page.keyboard.press(i % 12 < 6 ? 'ArrowUp' : 'ArrowDown');
      await pause(60 + 60 * slower, 100 + 100 * slower);
    }
    await settle();
    await note(`${what} by keys, to the repainted verdict`);
  }

  const box = (await page.getByTestId('handle-offset').boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 0; i < DRAGGED; i++) {
    await page.mouse.move(x + 40 * Math.sin(i / 12), y);
    await page.waitForTimeout(16 * slower);
  }
  await page.mouse.up();
  await settle();
  await note('offset dragged without rest, to the repainted verdict');
  if (slower === 1 && !(await agrees(page, id))) throw new Error(`${where}: the settled verdict is not the core's`);
  await measurePictures(page, where);
  if (slower === 1) {
    const { all, workers } = await keptMegabytes(page);
    add(`${where}: memory kept after all that, the page and its ${workers} workers`, 'MB', [all], 128);
  }
  await page.close();
}

const MOTION_WORDS: Readonly<Record<MotionName, string>> = {
  swingArm: 'swing arm',
  doubleWishbone: 'double wishbone',
  beamAxle: 'steered beam axle',
};

interface HeapUse {
  readonly usedSize: number;
  /** Of typed arrays, which lie outside the heap; older browsers do not say. */
  readonly backingStorageSize?: number;
}

const bytesOf = ({ usedSize, backingStorageSize = 0 }: HeapUse): number => usedSize + backingStorageSize;

/** What the page and its workers keep once what nobody needs is let go of, MB. */
async function keptMegabytes(page: Page): Promise<{ readonly all: number; readonly workers: number }> {
  const session = await page.context().newCDPSession(page);
  const workers: string[] = [];
  const waiting = new Map<number, (found: HeapUse) => void>();
  session.on('Target.attachedToTarget', ({ sessionId }) => workers.push(sessionId));
  session.on('Target.receivedMessageFromTarget', ({ message }) => {
    const { id, result } = JSON.parse(message) as { id?: number; result: HeapUse };
    if (id !== undefined) waiting.get(id)?.(result);
  });
  await session.send('Target.setAutoAttach', { autoAttach: true, waitForDebuggerOnStart: false, flatten: false });
  let last = 0;
  const asked = (sessionId: string, method: string): Promise<HeapUse> => {
    const id = ++last;
    const answer = new Promise<HeapUse>((resolve) => waiting.set(id, resolve));
    const message = JSON.stringify({ id, method });
    return session.send('Target.sendMessageToTarget', { sessionId, message }).then(() => answer);
  };
  await session.send('HeapProfiler.collectGarbage');
  const own = bytesOf((await session.send('Runtime.getHeapUsage')) as HeapUse);
  let inWorkers = 0;
  for (const worker of workers) {
    await asked(worker, 'HeapProfiler.collectGarbage');
    inWorkers += bytesOf(await asked(worker, 'Runtime.getHeapUsage'));
  }
  await session.detach();
  return { all: (own + inWorkers) / 1e6, workers: workers.length };
}

const HEIGHTS = 6;

/** From a changed bump stop to the clear section drawn coarse, and to it drawn whole. */
async function measurePictures(page: Page, where: string): Promise<void> {
  await page.evaluate('globalThis.__name = (f) => f');
  const field = page.getByLabel('Bump-stop extension', { exact: true });
  const coarse: number[] = [];
  const whole: number[] = [];
  for (let i = 0; i < HEIGHTS; i++) {
    await page.getByTestId('clear-section').and(page.locator('[aria-busy=false]')).waitFor();
    const drawn = page.evaluate(
      () =>
        new Promise<{ coarse: number; whole: number }>((resolve) => {
          const figure = document.querySelector('[data-testid="clear-section"]')!;
          let start = 0;
          let first = 0;
          window.addEventListener('input', (event) => (start = event.timeStamp), { capture: true, once: true });
          const watcher = new MutationObserver((changes) => {
            if (start === 0) return;
            const isDrawn = changes.some(({ target }) => (target as Element).closest('.zone') !== null);
            if (isDrawn && first === 0) first = performance.now() - start;
            if (first === 0 || figure.getAttribute('aria-busy') !== 'false') return;
            watcher.disconnect();
            const end = performance.now() - start;
            resolve({ coarse: first, whole: end });
          });
          watcher.observe(figure, { attributes: true, childList: true, subtree: true });
        }),
    );
    await field.fill(`${4 + 3 * (i % 5)} mm`);
    const found = await drawn;
    coarse.push(found.coarse);
    whole.push(found.whole);
    await page.waitForTimeout(500);
  }
  add(`${where}: clear section after another bump stop, coarse`, 'ms', coarse, null, {
    in: 'frames',
    ofMs: FRAME_MS,
    goal: 3,
  });
  add(`${where}: the same, whole`, 'ms', whole, null, { in: 'frames', ofMs: FRAME_MS, goal: 15 });
}

/** Of a screen that is drawn sixty times a second. */
const FRAME_MS = 1000 / 60;

/** Loads of a page with nothing on it but as much script as the room has, ms. */
async function emptyLoads(browser: Browser, bytes: number): Promise<number[]> {
  const body = `<!doctype html><title>Empty</title><script>/*${'x'.repeat(bytes)}*/</script><p id="there">0</p>`;
  const times: number[] = [];
  for (let i = 0; i < 8; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.route('**/empty', (route) => route.fulfill({ contentType: 'text/html', body }));
    const start = performance.now();
    await page.goto(`${BASE}/empty`, { waitUntil: 'commit' });
    await page.locator('#there').waitFor();
    if (i > 0) times.push(performance.now() - start);
    await context.close();
  }
  return times;
}

async function measureFirstView(browser: Browser): Promise<void> {
  const id = await makeJob('swingArm', 'trail');
  const times: number[] = [];
  let kilobytes = 0;
  let bytes = 0;
  for (let i = 0; i < 8; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const scripts: Response[] = [];
    page.on('response', (response) => {
      const file = new URL(response.url()).pathname;
      // Pictures and the study of spread and levers start after the verdict.
      if (file.endsWith('.js') && !/(picture|study)\.worker/.test(file)) scripts.push(response);
    });
    await page.addInitScript(() => {
      const watcher = new MutationObserver(() => {
        if (!document.querySelector('[data-testid="low-gap"]')) return;
        watcher.disconnect();
        Object.assign(window, { verdictAt: performance.now() });
      });
      watcher.observe(document, { childList: true, subtree: true });
    });
    const start = performance.now();
    await page.goto(`${BASE}/jobs/${id}/bench`, { waitUntil: 'commit' });
    await page.getByTestId('low-gap').waitFor();
    const took = performance.now() - start;
    // What is asked for once the verdict stands is not part of it.
    const before = await page.evaluate(() => {
      const { verdictAt } = window as unknown as { verdictAt: number };
      return performance.getEntriesByType('resource').flatMap((one) => (one.startTime < verdictAt ? [one.name] : []));
    });
    const bodies = await Promise.all(
      scripts.filter((script) => before.includes(script.url())).map((script) => script.body()),
    );
    bytes = bodies.reduce((sum, body) => sum + body.length, 0);
    kilobytes = bodies.reduce((sum, body) => sum + gzipSync(body).length, 0) / 1000;
    // The first one warms the server.
    if (i > 0) times.push(took);
    await context.close();
  }
  const empty = await emptyLoads(browser, bytes);
  add('load of an empty page of the same size', 'ms', empty, null);
  const ofMs = percentile(
    [...empty].sort((a, b) => a - b),
    0.5,
  );
  add('first view of the room from a warm server, empty browser cache, to the verdict', 'ms', times, 2000, {
    in: 'empty loads',
    ofMs,
    goal: 2,
  });
  add('JavaScript fetched by then, gzip, with the worker of the verdict', 'kB', [kilobytes], 350);
}

/** `--only beamAxle`: one kind of suspension; `--only firstView`: none. */
const only = process.argv.indexOf('--only');
const names = [...Object.keys(MOTIONS), 'firstView'];
if (only >= 0 && !names.includes(process.argv[only + 1] ?? ''))
  throw new Error(`--only takes one of ${names.join(', ')}`);
const motions = (Object.keys(MOTIONS) as MotionName[]).filter((name) => only < 0 || name === process.argv[only + 1]);

async function main(): Promise<void> {
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(PORT), LOWGAP_DATA: 'memory://' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(server.stdout, 'data');
  const browser = await chromium.launch(CHROMIUM_LAUNCH);
  try {
    await measureFirstView(browser);
    for (const slower of [1, 4]) {
      for (const name of motions) {
        const envelopes = slower > 1 ? (['trail'] as const) : (['trail', 'street'] as const);
        for (const envelope of envelopes) await measureMoves(browser, { name, envelope, slower });
      }
    }
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
