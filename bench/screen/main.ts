/**
 * How fast the bench room is in a real browser: `npm run bench:screen -- --write` (needs a build). Headless Chromium, the
 * production server, a corner with 40 obstacles of 20 places.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { chromium } from '@playwright/test';
import { CHROMIUM_LAUNCH } from '@/e2e/chromium-launch';
import { writeSection } from '../page-section';
import { MOTIONS, type MotionName } from '../surveyed-corner';
import { figures } from './figures';
import { measureFirstView } from './first-view';
import { SERVER } from './made-job';
import { measureMoves } from './moves';
import { SCREEN_HEADING, screenReport, type ScreenFound } from './report';

/** `--only beamAxle`: one kind of suspension; `--only firstView`: none. */
const only = process.argv.indexOf('--only');
const names = [...Object.keys(MOTIONS), 'firstView'];
if (only >= 0 && !names.includes(process.argv[only + 1] ?? ''))
  throw new Error(`--only takes one of ${names.join(', ')}`);
const motions = (Object.keys(MOTIONS) as MotionName[]).filter((name) => only < 0 || name === process.argv[only + 1]);

async function main(): Promise<void> {
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(SERVER.port), LOWGAP_DATA: 'memory://' },
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
    writeFileSync(new URL('./found.json', import.meta.url), `${JSON.stringify(found, null, 2)}\n`);
    writeSection(SCREEN_HEADING, screenReport(found));
  }
}

await main();
