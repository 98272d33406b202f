import type { Page } from '@playwright/test';
import { add } from './figures';

const HEIGHTS = 6;

/** From a changed bump stop to the clear section drawn coarse, and to it drawn whole. */
export async function measurePictures(page: Page, where: string): Promise<void> {
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
