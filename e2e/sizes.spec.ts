import { expect, test, type Locator, type Page } from '@playwright/test';
import { ownPickup, room, staysHere } from './helpers';

/** Every room at the sizes it is used at: what it is for in view without scrolling, nothing cut off, nothing that has the focus under the strip. */
staysHere();

const SIZES = [
  { name: 'a bench laptop', width: 1280, height: 800 },
  { name: 'a tablet', width: 1024, height: 768 },
  { name: 'twice as large on a bench laptop', width: 640, height: 400 },
  { name: 'a phone', width: 390, height: 844 },
] as const;

/** What each room is for. */
const MAIN: readonly (readonly [room: string, what: (page: Page) => Locator])[] = [
  ['Intake', (page) => page.getByRole('group', { name: 'Kind of vehicle' })],
  ['Baseline', (page) => page.getByLabel('Front left: hub to lip')],
  ['Survey', (page) => page.getByRole('button', { name: /^Take the reading/ })],
  ['Stance', (page) => page.getByRole('heading', { level: 2 }).first()],
  ['Bench', (page) => page.getByTestId('clear-section').first()],
  ['Finder', (page) => page.getByRole('button', { name: /^Find/ }).first()],
  ['Plan', (page) => page.getByRole('button', { name: /^Find plans/ })],
  ['Install', (page) => page.getByRole('button', { name: /^Make the sheet/ })],
  ['Test fit', (page) => page.getByRole('button', { name: /^Begin a test fit|^As / }).first()],
  ['Follow-up', (page) => page.getByRole('button', { name: /^Handed over/ })],
];

const stripTop = async (page: Page): Promise<number> => (await page.getByTestId('gap-strip').boundingBox())!.y;

/** What of a thing is out of sight: below the strip, above or beside the window. */
async function hidden(page: Page, thing: Locator): Promise<number> {
  const box = (await thing.boundingBox())!;
  const { width } = page.viewportSize()!;
  return Math.max(0, box.y + box.height - (await stripTop(page)), -box.y, -box.x, box.x + box.width - width);
}

for (const { name, width, height } of SIZES) {
  test(`${name}, ${width} x ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await ownPickup(page, `Sizes ${width}`);
    for (const [label, what] of MAIN) {
      await room(page, label).click();
      const main = what(page);
      await expect(main).toBeVisible({ timeout: 30_000 });
      // Nothing hangs out of the page to the side.
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(wide, `${label}: the page is wider than the window`).toBeLessThanOrEqual(0);
      if (width >= 1024) expect(await hidden(page, main), `${label}: out of sight`).toBeLessThanOrEqual(1);
      // Head and strip leave room for the rest.
      const used = await page.evaluate(() => {
        const head = document.querySelector('.shell')!.getBoundingClientRect();
        const strip = document.querySelector('[data-testid="gap-strip"]')!.getBoundingClientRect();
        return head.height + strip.height;
      });
      expect(used, `${label}: head and strip`).toBeLessThanOrEqual(height <= 500 ? 120 : 230);
      // Whatever has the focus is not under the strip.
      for (let i = 0; i < 24; i++) {
        await page.keyboard.press('Tab');
        const under = await page.evaluate(() => {
          const own = document.activeElement;
          const strip = document.querySelector('[data-testid="gap-strip"]')!;
          if (!own || own === document.body || strip.contains(own)) return 0;
          const box = own.getBoundingClientRect();
          // A thing taller than the window cannot be seen whole.
          if (box.height > 200) return 0;
          return box.bottom - strip.getBoundingClientRect().top;
        });
        expect(under, `${label}: the focus after ${i + 1} tabs`).toBeLessThanOrEqual(1);
      }
    }
  });
}

test('the ladder of ten is whole beside its picture, on the laptop and on the tablet', async ({ page }) => {
  await ownPickup(page, 'Sizes of the ladder');
  for (const { width, height } of SIZES.slice(0, 2)) {
    await page.setViewportSize({ width, height });
    await page.evaluate(() => window.scrollTo(0, 0));
    const rungs = page.getByRole('region', { name: 'Gap ladder' }).getByRole('listitem');
    await expect(rungs).toHaveCount(10);
    expect(await hidden(page, rungs.last()), `the last rung at ${width}`).toBeLessThanOrEqual(1);
    expect(
      await hidden(page, page.getByTestId('clear-section').first()),
      `the picture at ${width}`,
    ).toBeLessThanOrEqual(1);
  }
});

test('on a phone the names in the clear section stand clear of its scales', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await ownPickup(page, 'Names on a phone');
  const section = page.getByTestId('clear-section').first();
  await expect(section.locator('.name text').first()).toBeVisible();
  const met = await section.evaluate((figure) => {
    const boxes = (what: string): { text: string; box: DOMRect }[] =>
      [...figure.querySelectorAll(what)].map((one) => ({
        text: one.textContent.trim(),
        box: one.getBoundingClientRect(),
      }));
    const scales = boxes('.axes text');
    return boxes('.name text').flatMap(({ text, box }) =>
      scales
        .filter(
          (scale) =>
            scale.box.left < box.right &&
            scale.box.right > box.left &&
            scale.box.top < box.bottom &&
            scale.box.bottom > box.top,
        )
        .map((scale) => `${text} on ${scale.text}`),
    );
  });
  expect(met).toEqual([]);
});
