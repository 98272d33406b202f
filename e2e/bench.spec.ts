import { readFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { asCase } from '@/contracts/as-case';
import { jobFileSchema } from '@/contracts/job-file';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import { MOTIONS } from '@/core/fixtures/scattered-corner';
import { gapInPosture } from '@/core/4-clearance/oracle/plain-sweep';
import { toDegrees, toRadians } from '@/core/1-base/units/angle';
import { axeFinds, jobCalled, lowGap, ownPickup, printed, saved, shown, staysHere } from './helpers';

staysHere();

const open = async (page: Page, view: string): Promise<void> => page.getByTestId(`view-${view}`).click();

/** Takes hold of the middle of an element and moves it, in steps, by so many pixels. */
async function drag(page: Page, target: Locator, x: number, y: number): Promise<void> {
  await target.scrollIntoViewIfNeeded();
  const box = (await target.boundingBox())!;
  const [fromX, fromY] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(fromX, fromY);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(fromX + (x * i) / 8, fromY + (y * i) / 8);
  await page.mouse.up();
}

const stored = (path: string): LowgapFile => jobFileSchema.parse(JSON.parse(readFileSync(path, 'utf8'))).document;

/** The gap of an obstacle in a posture, by the core itself. */
function gapThere(file: LowgapFile, corner: CornerKey, id: string, steerDeg: number, travel: number): number {
  const prepared = prepareDescribed(asCase(file), corner);
  const obstacle = prepared.obstacles.find((o) => o.id === id)!;
  return gapInPosture(prepared, obstacle, { steer: toRadians(steerDeg), travel, cross: 0 }).gapMm;
}

function leftLockDeg(file: LowgapFile, corner: CornerKey, travel: number): number {
  const { motion } = prepareDescribed(asCase(file), corner);
  return toDegrees(motion.locksAt(motion.carrierAt(travel, 0)).left);
}

const gapShown = async (here: Locator): Promise<number> =>
  Number(/(-?[\d.]+) mm$/.exec(((await here.textContent()) ?? '').trim())![1]);

test('the section is dragged for offset, diameter and width, and says what the command line says', async ({
  page,
}, info) => {
  await ownPickup(page, 'Dragged');
  const before = await lowGap(page);
  const field = (name: string) => page.getByLabel(name, { exact: true });
  const offset = Number(await field('Offset').inputValue());

  await drag(page, page.getByTestId('handle-offset'), 30, 0);
  await expect.poll(() => lowGap(page)).not.toBe(before);
  // About a millimeter a pixel: out along the axle is less offset.
  const dragged = Number(await field('Offset').inputValue());
  expect(dragged).toBeLessThan(offset - 20);
  expect(dragged).toBeGreaterThan(offset - 50);
  const first = await printed(page, info);
  await expect(page.getByTestId('low-gap')).toHaveText(shown(first.lowGap.gapMm));

  await drag(page, page.getByTestId('handle-diameter'), 0, 14);
  await expect(page.getByTestId('drawn-tire')).toContainText('not as 285/75R17 says');
  await drag(page, page.getByTestId('handle-width'), -10, 0);
  const second = await printed(page, info);
  const { tire } = stored(second.path).setup!;
  expect(tire.measuredDiameterMm).toBeLessThan(859);
  expect(tire.measuredWidthMm).toBeLessThan(292);
  await expect(page.getByTestId('low-gap')).toHaveText(shown(second.lowGap.gapMm));

  // A size in use near what was drawn, then back: each drag is one undo.
  await page.getByTestId('drawn-tire').getByRole('button').first().click();
  await expect(page.getByTestId('drawn-tire')).toHaveCount(0);
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByTestId('low-gap')).toHaveText(before);
  await expect(field('Offset')).toHaveValue(String(offset));
});

test('by keyboard alone: the section, the postures, the ladder and the pictures', async ({ page }, info) => {
  await ownPickup(page, 'By keys');
  const offset = page.getByTestId('handle-offset');
  await offset.focus();
  const start = Number(await offset.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(offset).toHaveAttribute('aria-valuenow', String(start - 11));
  await page.getByTestId('handle-diameter').focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByTestId('handle-diameter')).toHaveAttribute('aria-valuenow', '859');
  const now = await printed(page, info);
  await expect(page.getByTestId('low-gap')).toHaveText(shown(now.lowGap.gapMm));

  await page.getByTestId('view-map').focus();
  await page.keyboard.press('Enter');
  await page.getByTestId('rung-fender-lip').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('map-summary')).toContainText('Fender lip');
  const here = page.getByTestId('posture-here');
  await page.getByTestId('map-plot').focus();
  const cursor = page.getByTestId('map-cursor');
  const at = await cursor.getAttribute('transform');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(cursor).not.toHaveAttribute('transform', at!);
  await page.getByTestId('travel-slider').focus();
  await page.keyboard.press('Home');
  await page.getByTestId('steer-slider').focus();
  await page.keyboard.press('Home');
  const file = stored(now.path);
  const droop = Number(await page.getByTestId('travel-slider').getAttribute('min'));
  // The lock at full droop is the rack's, and the slider's end stands within a tenth of a degree of it.
  const lock = leftLockDeg(file, 'frontLeft', droop);
  await expect(here).toContainText(`${lock.toFixed(0)}° left`);
  const gap = gapThere(file, 'frontLeft', 'fender-lip', lock, droop);
  expect(Math.abs((await gapShown(here)) - gap)).toBeLessThan(0.6);
  await page.getByRole('button', { name: 'Worst', exact: true }).click();
  const lip = now.obstacles.find((o) => o.corner === 'frontLeft' && o.id === 'fender-lip')!;
  await expect(here).toContainText(`Fender lip ${shown(lip.gapMm)} mm`);
});

test('a pick in one picture is seen in all', async ({ page }) => {
  await ownPickup(page, 'Picks');
  const sentence = page.getByTestId('sentence');
  await page.getByTestId('rung-body-mount').click();
  await expect(sentence).toContainText('Body mount');
  // By its name in the clear section.
  const name = page.getByTestId('clear-section').locator('.label', { hasNotText: 'Body mount' }).first();
  const label = (await name.textContent())!.trim();
  await name.click();
  await expect(sentence).toContainText(label);
  await expect(page.getByRole('button', { name: label, pressed: true })).toBeVisible();
  await open(page, 'well');
  const front = page.getByRole('img', { name: /^From the front/ });
  await expect(page.getByTestId('posture-here')).toContainText(label);
  await front.locator('.obstacle', { hasText: 'Bumper cap corner' }).locator('circle').first().dispatchEvent('click');
  await expect(sentence).toContainText('Bumper cap corner');
  await open(page, 'map');
  await expect(page.getByTestId('map-summary')).toContainText('Bumper cap corner');
  await expect(page).toHaveURL(/view=map/);
  await page.reload();
  await expect(page.getByTestId('posture-map')).toBeVisible();
});

test('the wheel is taken hold of, steered and lifted; the sweep plays', async ({ page }, info) => {
  await ownPickup(page, 'Postures');
  await open(page, 'well');
  await page.getByTestId('rung-fender-lip').click();
  const here = page.getByTestId('posture-here');
  const worst = await here.textContent();

  const above = page.getByRole('img', { name: /^From above/ }).locator('.tried');
  await drag(page, above, 0, -60);
  await expect(here).not.toHaveText(worst!);
  const steered = await here.textContent();
  await drag(page, page.getByRole('img', { name: /^From the front/ }).locator('.tried'), 0, 40);
  await expect(here).not.toHaveText(steered!);

  // What it says of that posture is the core's own measure.
  const travel = Number(await page.getByTestId('travel-slider').inputValue());
  const steer = -Number(await page.getByTestId('steer-slider').inputValue());
  const { path } = await printed(page, info);
  const gap = await gapShown(here);
  // The sliders stand on half degrees and whole millimeters.
  expect(Math.abs(gapThere(stored(path), 'frontLeft', 'fender-lip', steer, travel) - gap)).toBeLessThan(6);

  await page.getByRole('button', { name: 'Play the sweep' }).click();
  const seen = new Set<string>();
  for (let i = 0; i < 8; i++) {
    await page.waitForTimeout(250);
    seen.add((await here.textContent()) ?? '');
  }
  expect(seen.size).toBeGreaterThan(4);
  await page.getByRole('button', { name: 'Pause the sweep' }).click();
  const paused = await here.textContent();
  await page.waitForTimeout(400);
  await expect(here).toHaveText(paused!);
  await page.getByRole('button', { name: 'Worst', exact: true }).click();
  await expect(here).toHaveText(worst!);
});

test('each picture has a table of the same and a sentence', async ({ page }, info) => {
  await ownPickup(page, 'Tables');
  const { obstacles } = await printed(page, info);
  const gapOf = (id: string): number => obstacles.find((o) => o.corner === 'frontLeft' && o.id === id)!.gapMm;
  await expect(page.getByTestId('section-summary')).toContainText(/has a gap of -?[\d.]+ mm/);
  await expect(page.getByTestId('clear-section')).toHaveAttribute('aria-busy', 'false', { timeout: 20_000 });
  await page.getByTestId('clear-section').getByRole('button', { name: 'Table' }).click();
  const row = page
    .getByTestId('section-table')
    .getByRole('row', { name: /Body mount/ })
    .first();
  // Drawn to about 2 mm.
  const drawn = Number(await row.getByRole('cell').nth(1).textContent());
  expect(Math.abs(drawn - gapOf('body-mount'))).toBeLessThan(3);

  await open(page, 'map');
  await page.getByTestId('rung-bumper-cap').click();
  await expect(page.getByTestId('posture-map')).toHaveAttribute('aria-busy', 'false', { timeout: 20_000 });
  await page.getByTestId('posture-map').getByRole('button', { name: 'Table' }).click();
  await expect(page.getByTestId('map-table').getByRole('cell').first()).toBeVisible();
  const cells = await page.getByTestId('map-table').getByRole('cell').allTextContents();
  expect(cells.length).toBeGreaterThan(40);
  // A coarse reading of the map: nowhere lower than the least gap, but for drawing it.
  expect(Math.min(...cells.map(Number))).toBeGreaterThan(gapOf('bumper-cap') - 2);
});

test('what would clear it is said aloud, tried with one press and undone with one', async ({ page }) => {
  await ownPickup(page, 'Said');
  await page.getByTestId('rung-body-mount').click();
  await expect(page.getByTestId('lever-sentence')).toContainText(/, or .*(less|does nothing)/, { timeout: 30_000 });
  const before = await lowGap(page);
  await page.getByTestId('try-steerStopLeft').click();
  await expect(page.getByTestId('tried')).toContainText('less lock to the left');
  await expect(page.getByTestId('rung-body-mount')).not.toContainText(/too close|rubs/);
  await expect(page.getByRole('textbox', { name: 'Steering stop, left' })).not.toHaveValue('');
  await page.getByRole('button', { name: 'Undo it' }).click();
  await expect(page.getByTestId('low-gap')).toHaveText(before);
  await expect(page.getByTestId('tried')).toHaveCount(0);
});

test('setups are kept, compared with the fitted one, renamed, tried again and printed', async ({ page }, info) => {
  await ownPickup(page, 'Compared');
  const first = await printed(page, info);
  await page.getByRole('button', { name: 'Keep this one' }).click();
  await page.getByRole('button', { name: 'Tire size: next lower' }).click();
  await page.getByRole('button', { name: 'Offset: more' }).click();
  await page.getByRole('button', { name: 'Keep this one' }).click();
  await page.getByRole('link', { name: 'Side by side' }).click();
  await expect(page.getByTestId('compare-low-1')).toContainText(`${shown(first.lowGap.gapMm)} mm`);
  const second = await printed(page, info);
  await expect(page.getByTestId('compare-low-2')).toContainText(`${shown(second.lowGap.gapMm)} mm`);
  const mount = second.obstacles.find((o) => o.corner === 'frontLeft' && o.id === 'body-mount')!;
  const row = page
    .getByTestId('compare-table')
    .getByRole('row', { name: /^Body mount/ })
    .first();
  await expect(row.getByRole('cell').nth(2)).toContainText(shown(Math.abs(mount.marginMm)));

  await page.getByLabel('Name of setup 1').fill('Customer likes this one');
  await page.getByLabel('Name of setup 1').press('Tab');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of setup 1')).toHaveValue('Customer likes this one');
  await page.getByRole('button', { name: 'Copy the link' }).click();
  await expect(page.getByText(page.url()).first()).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation')).toBeHidden();
  await expect(page.getByTestId('gap-strip')).toBeHidden();
  await expect(page.getByText('Customer likes this one').last()).toBeVisible();
  await page.emulateMedia({ media: 'screen' });

  await page.getByRole('button', { name: 'Try', exact: true }).first().click();
  await expect(page.getByTestId('low-gap')).toHaveText(shown(first.lowGap.gapMm));
  await page.getByRole('link', { name: 'Side by side' }).click();
  await page
    .getByRole('button', { name: /^Take out/ })
    .first()
    .click();
  await expect(page.getByTestId('compare-low-2')).toHaveCount(0);
});

test('an axle gets a setup of its own, the worst corner leads, and a rotation is checked', async ({ page }, info) => {
  await ownPickup(page, 'Staggered');
  await expect(page.getByTestId('rotation')).toContainText('changes nothing', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Its own for the front' }).click();
  await page.getByTestId('tire-size').locator('input').fill('265/70R17');
  await expect(page.getByTestId('rotation')).toContainText(/[Rr]otate/, { timeout: 30_000 });
  const { obstacles, path } = await printed(page, info);
  expect(stored(path).setup!.corners!.frontRight!.tire!.size).toBe('265/70R17');
  expect(stored(path).setup!.tire.size).toBe('285/75R17');
  const worst = [...obstacles].sort((a, b) => a.marginMm - b.marginMm)[0]!;
  const leading = page.getByLabel('All four corners').getByRole('listitem').first();
  await expect(leading).toContainText(`${shown(worst.marginMm)} mm`);
  await page.getByRole('button', { name: 'Same all round' }).click();
  await expect(page.getByTestId('tire-size').locator('input')).toHaveValue('285/75R17');
});

test('a tire is taken from the catalogue', async ({ page }) => {
  await ownPickup(page, 'From the shelf');
  const before = await lowGap(page);
  await page.getByRole('button', { name: 'From the catalog' }).click();
  const list = page.getByRole('dialog');
  await list.getByRole('button', { name: /R17/ }).first().click();
  await expect(list).toBeHidden();
  await expect.poll(() => lowGap(page)).not.toBe(before);
});

test('a corner without a survey says what is missing, and draws what is known', async ({ page }) => {
  await ownPickup(page, 'Bare corner');
  await page
    .getByRole('button', { name: /^Rear left/ })
    .first()
    .click();
  const bare = page.getByTestId('missing');
  await expect(bare).toContainText('Nothing around the wheel');
  await expect(page.getByTestId('clear-section').locator('.tried')).toBeVisible();
  await expect(page.getByText('the white says nothing yet')).toBeVisible();
  await page
    .getByRole('button', { name: /^Rear right/ })
    .first()
    .click();
  await expect(page.getByText('Rear right has no baseline yet')).toBeVisible();
});

test('an impossible linkage says at which travel it locks', async ({ page }) => {
  await page.goto('/');
  const { document } = await jobCalled(page, 'Patrol pickup');
  const { frontLeft } = document.corners;
  const broken = {
    ...document,
    corners: { frontLeft: { ...frontLeft, motion: MOTIONS['doubleWishbone'], travel: { bumpMm: 60, droopMm: 390 } } },
    setup: undefined,
  };
  const made = await page.request.post('/api/jobs', { data: { title: 'Locks', customer: '', document: broken } });
  await page.goto(`/jobs/${(await made.json()).id}/bench?corner=frontLeft`);
  await expect(page.getByTestId('cannot-draw')).toContainText(/locks.*-?\d+(\.\d+)? mm|-?\d+(\.\d+)? mm.*locks/);
  await expect(page.getByTestId('strip-problem')).toBeVisible();
});

test('stud ends in a bolt-on spacer: asked for, never assumed', async ({ page }) => {
  await ownPickup(page, 'Studs');
  await open(page, 'inside');
  await expect(page.getByTestId('stud-pocket')).toContainText('No bolt-on spacer');
  await page.getByLabel('Spacer', { exact: true }).fill('25');
  await page.getByLabel('The spacer is').focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: /bolted on/ }).click();
  await expect(page.getByTestId('stud-pocket')).toContainText('nobody knows whether the wheel seats');
});

for (const theme of ['counter', 'bay'] as const) {
  test(`axe finds nothing in any picture of the bench and in the comparison, ${theme} theme`, async ({ page }) => {
    await page.addInitScript((name) => localStorage.setItem('lowgap.theme', name), theme);
    await ownPickup(page, `Checked in the ${theme} theme`);
    for (const view of ['section', 'well', 'map', 'inside', 'space'] as const) {
      await open(page, view);
      expect(await axeFinds(page), view).toEqual([]);
    }
    await page.getByRole('button', { name: 'Keep this one' }).click();
    await page.getByRole('link', { name: 'Side by side' }).click();
    await expect(page.getByTestId('compare-low-1')).toBeVisible();
    expect(await axeFinds(page), 'compare').toEqual([]);
  });
}

test('a long name of a part is cut in the ladder, so that its gap stays in sight', async ({ page }) => {
  await page.goto('/');
  const { document } = (await jobCalled(page, 'Patrol pickup')) as { document: LowgapFile };
  for (const one of document.corners.frontLeft!.obstacles) one.label = 'Rear edge of the well: pinch weld or rocker';
  const made = await page.request.post('/api/jobs', { data: { title: 'Long names', customer: '', document } });
  await page.goto(`/jobs/${(await made.json()).id}/bench?corner=frontLeft`);
  const rungs = page.getByRole('region', { name: 'Gap ladder' }).getByRole('listitem');
  await expect(rungs.first()).toBeVisible();
  for (const width of [1280, 1024, 390]) {
    await page.setViewportSize({ width, height: 800 });
    const panel = (await page.locator('.answer').boundingBox())!;
    for (const gap of await rungs.locator('.gap').all()) {
      const box = (await gap.boundingBox())!;
      expect(box.x + box.width).toBeLessThanOrEqual(panel.x + panel.width);
    }
  }
});
