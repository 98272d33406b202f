import { expect, test } from '@playwright/test';
import { CHROMIUM_3D } from './chromium-launch';
import { axeFinds, ownPickup, staysHere } from './helpers';

staysHere();
test.use({ launchOptions: CHROMIUM_3D });

test('in space: turned by key, picked by a press, and without WebGL the sections say the same', async ({
  page,
  browser,
}) => {
  await ownPickup(page, 'In space');
  await page.getByTestId('view-space').click();
  const scene = page.getByTestId('scene-3d');
  await expect(scene.locator('canvas')).toBeVisible({ timeout: 30_000 });
  await page.getByTestId('rung-body-mount').click();
  await scene.focus();
  const before = await scene.screenshot();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Buffer.compare(before, await scene.screenshot())).not.toBe(0);
  const box = (await scene.boundingBox())!;
  const pressed = async (): Promise<boolean> => {
    for (let y = 0.1; y < 0.9; y += 0.035) {
      for (let x = 0.2; x < 0.85; x += 0.03) {
        await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
        if (!(await page.getByTestId('sentence').textContent())!.includes('Body mount')) return true;
      }
    }
    return false;
  };
  expect(await pressed()).toBe(true);
  expect(await axeFinds(page)).toEqual([]);

  const context = await browser.newContext();
  const bare = await context.newPage();
  await bare.addInitScript(() => {
    const real = HTMLCanvasElement.prototype.getContext;
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, ...args: unknown[]) {
      return String(args[0]).includes('webgl') ? null : (real as (...a: unknown[]) => unknown).apply(this, args);
    } as typeof real;
  });
  await bare.goto(page.url());
  await expect(bare.getByTestId('no-3d')).toContainText('no WebGL');
  await bare.getByRole('button', { name: 'To the well views' }).click();
  await expect(bare.getByRole('img', { name: /^From the front/ })).toBeVisible();
  await context.close();
});
