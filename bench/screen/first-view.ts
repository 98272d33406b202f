import { gzipSync } from 'node:zlib';
import type { Browser, Response } from '@playwright/test';
import { add, percentile } from './figures';
import { makeJob, SERVER } from './made-job';

/** Loads of a page with nothing on it but as much script as the room has, ms. */
async function emptyLoads(browser: Browser, bytes: number): Promise<number[]> {
  const body = `<!doctype html><title>Empty</title><script>/*${'x'.repeat(bytes)}*/</script><p id="there">0</p>`;
  const times: number[] = [];
  for (let i = 0; i < 8; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.route('**/empty', (route) => route.fulfill({ contentType: 'text/html', body }));
    const start = performance.now();
    await page.goto(`${SERVER.url}/empty`, { waitUntil: 'commit' });
    await page.locator('#there').waitFor();
    if (i > 0) times.push(performance.now() - start);
    await context.close();
  }
  return times;
}

export async function measureFirstView(browser: Browser): Promise<void> {
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
    await page.goto(`${SERVER.url}/jobs/${id}/bench`, { waitUntil: 'commit' });
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
