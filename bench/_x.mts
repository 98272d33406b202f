import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium } from '@playwright/test';
import { CHROMIUM_LAUNCH } from '../e2e/chromium-launch';
const server = spawn(process.execPath, ['dist/server/main.js', '--demo'], { env: { ...process.env, PORT: '4799', LOWGAP_DATA: 'memory://' }, stdio: ['ignore', 'pipe', 'inherit'] });
await once(server.stdout, 'data');
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const base = 'http://127.0.0.1:4799';
try {
  const listed = await (await fetch(`${base}/api/jobs`)).json() as any;
  const idOf = (w: string) => listed.jobs.find((j: any) => j.title.includes(w)).id;
  const { default: steps } = await import(process.argv[2]!);
  const context = await browser.newContext({ viewport: { width: Number(process.env.W ?? 1280), height: 800 }, reducedMotion: 'reduce' });
  const page = await context.newPage();
  page.on('console', (m) => { if (m.type() === 'error' || m.type()==='warning') console.log('CONSOLE', m.text()); });
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message, e.stack?.slice(0,600)));
  await steps({ page, base, idOf });
} finally { await browser.close(); server.kill('SIGTERM'); }
