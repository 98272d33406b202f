import { expect, test, type Locator } from '@playwright/test';
import { ownPickup, room, staysHere } from './helpers';

/** A first verdict on a new job by keyboard alone: keys pressed beside what is typed as text and numbers. */
staysHere();
test.setTimeout(60_000);

test('a new job has its first low gap after fewer than 60 keys beside the numbers', async ({ page }) => {
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    await page.keyboard.press(key);
    keys++;
  };
  /** On by Tab until it has the focus. */
  const tabTo = async (what: Locator): Promise<void> => {
    for (let i = 0; i < 40; i++) {
      if (await what.evaluate((element) => element === document.activeElement)) return;
      await press('Tab');
    }
    throw new Error(`not reached by Tab: ${String(what)}`);
  };
  const fill = async (label: string | RegExp, text: string): Promise<void> => {
    const field = page.getByRole('textbox', { name: label });
    await tabTo(field);
    await field.selectText();
    await page.keyboard.type(text);
  };
  const at: string[] = [];
  const note = (what: string): number => at.push(`${keys} ${what}`);

  await page.goto('/');
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
  await tabTo(page.getByRole('button', { name: 'New job' }));
  await press('Enter');
  await expect(page.getByLabel('What is wanted, on which vehicle')).toBeFocused();
  await page.keyboard.type('Groomer escort, taller tires');
  await press('Enter');
  await page.waitForURL(/intake/);
  await expect(page.getByTestId('next-line')).toBeVisible();
  note('the job is made');

  await tabTo(page.getByRole('group', { name: 'Suspension at the front' }).getByRole('button').nth(1));
  await press('Enter');
  note('its suspension is said');

  await press('Control+Enter');
  await page.waitForURL(/baseline/);
  await fill('Front left: hub to lip', '20 1/2 in');
  await fill('Tire size', '265/70R17');
  await fill('Rim width', '8');
  await fill('Offset', '20');
  await fill('Travel to full squash of the bump stop', '80 mm');
  await fill('Travel to full droop', '100 mm');
  await press('Tab');
  note('what is fitted and how far it moves is typed');

  await press('Alt+Shift+Digit3');
  await page.waitForURL(/survey/);
  note('in the survey');
  await expect(page.getByRole('button', { name: 'Take it' })).toBeVisible();
  await page.keyboard.type('2 1/4 in');
  await press('Enter');
  await expect(page.getByTestId('low-gap')).toBeVisible();
  note('the first low gap');
  expect(keys, at.join('\n')).toBeLessThan(60);
});

test('the focus goes to a room that is entered, to where a dialog was opened from, and Ctrl+Enter goes on', async ({
  page,
}) => {
  await ownPickup(page, 'Keys');
  await room(page, 'Survey').click();
  await page.waitForURL(/survey/);
  const isInside = (): Promise<boolean> =>
    page.evaluate(() => document.querySelector('#content')!.contains(document.activeElement));
  await expect.poll(isInside).toBe(true);

  const add = page.getByRole('button', { name: 'Add a part' });
  await add.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'A part near the tire' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(add).toBeFocused();

  await page.keyboard.press('Alt+Shift+Digit5');
  await page.waitForURL(/bench/);
  const catalog = page.getByRole('button', { name: 'From the catalog' });
  await catalog.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'From the catalog' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(catalog).toBeFocused();

  const says = await page.getByTestId('next-line').getByRole('link').textContent();
  await page.keyboard.press('Control+Enter');
  await expect(room(page, says!.trim())).toHaveClass(/router-link-active/);
});
