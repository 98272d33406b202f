import type { Browser, Page } from '@playwright/test';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import type { MotionName } from '../surveyed-corner';
import { add, percentile } from './figures';
import { makeJob, SERVER } from './made-job';
import { keptMegabytes } from './memory';
import { measurePictures } from './pictures';
import { watched, watchTurns } from './turns';

/** The verdict on the screen must be the one that the core gives for what was saved. */
async function agrees(page: Page, id: string): Promise<boolean> {
  await page.getByTestId('save-state').filter({ hasText: 'Saved' }).waitFor();
  await page.getByTestId('spread-note').waitFor();
  const { document } = (await (await fetch(`${SERVER.url}/api/jobs/${id}`)).json()) as { document: LowgapFile };
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

export interface Circumstances {
  readonly name: MotionName;
  readonly envelope: 'trail' | 'street';
  /** How many times slower the processor is made. */
  readonly slower: number;
}

export async function measureMoves(browser: Browser, at: Circumstances): Promise<void> {
  const { name, envelope, slower } = at;
  const id = await makeJob(name, envelope);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  await page.goto(`${SERVER.url}/jobs/${id}/bench`);
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
