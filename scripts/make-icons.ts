/** `npm run icons`: the installed program's icons, drawn from the page's own by the browser. */
import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { CHROMIUM_LAUNCH } from '../e2e/chromium-launch';

const drawing = readFileSync('web/public/icon.svg', 'utf8');
const GROUND = '#0d4a57';

const browser = await chromium.launch(CHROMIUM_LAUNCH);
const page = await browser.newPage();

/** `inset`: share of the side left free all round; what a launcher cuts off must be ground alone. */
async function icon(file: string, side: number, inset: number): Promise<void> {
  await page.setViewportSize({ width: side, height: side });
  const part = Math.round(side * (1 - 2 * inset));
  const ground = inset > 0 ? GROUND : 'transparent';
  await page.setContent(
    `<body style="margin:0;display:grid;place-items:center;height:100vh;background:${ground}"><div style="width:${part}px">${drawing}</div>`,
  );
  await page.screenshot({ path: `web/public/${file}`, omitBackground: true });
}

await icon('icon-192.png', 192, 0);
await icon('icon-512.png', 512, 0);
await icon('icon-512-maskable.png', 512, 0.1);
await browser.close();
