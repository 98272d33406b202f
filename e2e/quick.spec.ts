import { expect, test } from '@playwright/test';
import { axeFinds, room, staysHere } from './helpers';

/** Somebody is on the phone: nothing is measured, and nobody wants to make a job. */
staysHere();

const NOW = '265/70R17 on 17x8 +30';
const WANTED = '285/70R17 on 17x8 +30';

test('a phone question is answered from two lines; what is needed is what one reckons by hand', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Quick look' }).click();
  await page.getByLabel('On it now').fill(NOW);
  await page.getByLabel('Wanted').fill(WANTED);
  await page.getByRole('button', { name: 'Rear', exact: true }).click();
  await page.getByRole('button', { name: 'Pickup' }).click();
  await page.getByRole('button', { name: 'Two arms' }).click();
  await page.getByRole('button', { name: 'mm', exact: true }).click();

  // 20 mm wider at 70 % is 28 mm taller; the speedometer shows 802.8 where it rolls 830.8.
  const changes = page.getByTestId('quick-changes');
  await expect(changes).toContainText('28 mm (1 1/8 in) taller');
  await expect(changes).toContainText('shows 100 at a true 103.5');
  // Over a rear tire: 60 to 100 mm of bump travel, 14 mm more radius, 8 mm to metal.
  const top = page.getByTestId('quick-place').filter({ hasText: 'at 12:00, tread' });
  const [, least, most] = /(\d+) to (\d+) mm/.exec((await top.textContent()) ?? '')!;
  expect(Number(least)).toBeGreaterThanOrEqual(60 + 14 + 8 - 1);
  expect(Number(least)).toBeLessThanOrEqual(60 + 14 + 8 + 3);
  expect(Number(most)).toBeGreaterThanOrEqual(100 + 14 + 8 - 1);
  expect(Number(most)).toBeLessThanOrEqual(100 + 14 + 8 + 3);

  // Three answers, each judged at its place; it never says that it fits.
  await top.getByRole('textbox').fill('two fingers');
  await expect(top).toContainText('too little there');
  await expect(page.getByTestId('quick-together')).toContainText('too close: fender lip');
  await top.getByRole('textbox').fill('130 mm');
  await expect(top).toContainText('room enough there');
  await top.getByRole('textbox').fill('100 mm');
  await expect(top).toContainText('could be either: measure it');
  await expect(page.getByTestId('quick-record')).toContainText('surveyed here');
  expect(await page.locator('main').textContent()).not.toMatch(/\bit (will )?fits?\b/i);
  expect(await axeFinds(page)).toEqual([]);

  // The link opens the same question; a job keeps it.
  const link = page.url();
  await page.goto('/');
  await page.goto(link);
  await expect(top).toContainText('could be either');
  await page.getByRole('button', { name: 'Make it a job' }).click();
  await expect(page).toHaveURL(/\/jobs\/.*\/intake/);
  await expect(page.getByRole('button', { name: 'Two arms' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByTestId('gap-strip')).toContainText('No low gap yet');
  await room(page, 'Bench').click();
  await expect(page.getByTestId('tire-size').locator('input')).toHaveValue('285/70R17');
});

test('on a phone, with a wheel that is of no such tire: said at its line, and nothing typed is lost', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/quick');
  await page.getByLabel('On it now').fill('265/70R17 on 18x8 +30');
  await expect(page.getByText('a wheel of 17 in')).toBeVisible();
  await page.getByLabel('Wanted').fill(WANTED);
  await expect(page.getByLabel('On it now')).toHaveValue('265/70R17 on 18x8 +30');
  await page.getByLabel('On it now').fill(NOW);
  await expect(page.getByTestId('quick-place').first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
});

test('by keyboard: the first key skips to the content, help opens by ? and the focus comes back, Next leads on', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Patrol pickup/ }).click();
  await expect(page).toHaveTitle(/^Bench · Patrol pickup/);
  await page.reload();
  await expect(page.getByTestId('low-gap')).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to content' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#content')).toBeFocused();

  await page.getByRole('button', { name: 'Help' }).focus();
  await page.keyboard.press('?');
  await expect(page.getByTestId('help')).toContainText('How to measure');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('help')).toBeHidden();
  await expect(page.getByRole('button', { name: 'Help' })).toBeFocused();

  const next = page.getByTestId('next-line');
  await expect(next).toContainText('too close: find the least change');
  await next.getByRole('link', { name: 'Plan' }).click();
  await expect(page).toHaveURL(/\/plan/);
  await expect(next).toContainText('Next, here');
});
