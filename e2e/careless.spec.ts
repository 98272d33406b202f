import { expect, test } from '@playwright/test';
import { ownPickup, room, staysHere } from './helpers';

/** A stranger in a hurry, in inches, who types as it comes: nothing careless turns into a green answer. */
staysHere();

test('a shop of inches types bare numbers; what can hardly be is asked about before it counts', async ({ page }) => {
  await page.goto('/');
  const wanted = page.getByLabel('What is wanted, on which vehicle');
  // The first page of a cold server: once seen to put the dialog away again by itself.
  await expect(async () => {
    if (!(await wanted.isVisible())) await page.getByRole('button', { name: 'New job' }).click();
    await expect(wanted).toBeVisible({ timeout: 3000 });
  }).toPass();
  await wanted.fill('Stranger: 40s today');
  await page.getByRole('button', { name: /^Inches/ }).click();
  await page.getByRole('button', { name: 'Start with the intake' }).click();
  await room(page, 'Baseline').click();

  const height = (corner: string, what: string) => page.getByLabel(`${corner}: ${what}`);
  await height('Front left', 'hub to lip').fill('20 1/2');
  await height('Front left', 'ground to lip').fill('36');
  await expect(page.getByTestId('radius-frontLeft')).toContainText('393.7 mm');
  // The other side cannot stand three inches and a half higher: nothing is taken until somebody says so.
  await height('Front right', 'hub to lip').fill('24');
  await expect(page.getByText('The other side reads 520.7 mm (20 1/2 in)')).toBeVisible();
  await height('Front right', 'hub to lip').fill('20 3/4');
  // Millimeters typed without a word of it.
  await height('Rear left', 'hub to lip').fill('540');
  await expect(page.getByText('or 540 mm with its unit; found 540.')).toBeVisible();
  await height('Front left', 'pressure').fill('240');
  await height('Front left', 'pressure').press('Tab');
  await expect(page.getByText('its unit too, such as 240 kPa')).toBeVisible();

  // A number that was begun and refused leaves nothing of itself; 80 mm stands in, to the sixteenth.
  const bump = page.getByLabel('Ride height to full squash').or(page.getByLabel(/bump/i)).first();
  await expect(bump).toHaveAttribute('placeholder', '3 1/8 in');

  // Four readings of the lip, three in inches, a bare number goes on in inches; the slip is asked about.
  await room(page, 'Survey').click();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('What it is').fill('Fender lip');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const gap = page.getByTestId('gap-field').locator('input');
  for (const [clock, text] of [
    ['11:30', '5 5/8'],
    ['12:00', '5 7/8'],
    ['12:30', '6'],
  ] as const) {
    await page.getByLabel('Clock', { exact: true }).fill(clock);
    await gap.fill(text);
    if (text === '6') await expect(page.getByText('understood as 152.4 mm (6 in)')).toBeVisible();
    await gap.press('Enter');
    await expect(gap).toHaveValue('');
  }
  await page.getByLabel('Clock', { exact: true }).fill('1:00');
  await gap.fill('1/8');
  await gap.press('Enter');
  await expect(page.getByTestId('reading-question')).toContainText('It was 152.4 mm (6 in) at 12:30');
  await expect(page.getByRole('row', { name: /12:30 tread straight ride 6 in straight out/ })).toBeVisible();

  // Nothing green anywhere: the strip, the tab, the bench, the claim check.
  await expect(page.getByTestId('gap-strip')).toContainText('not known');
  await expect(page.getByRole('button', { name: /^Front left/ }).first()).toContainText('not known');
  await room(page, 'Bench').click();
  await page.getByRole('button', { name: 'Try another tire or wheel' }).click();
  await expect(page.getByRole('link', { name: /Bench/ })).toContainText('not known');
  await room(page, 'Finder').click();
  await page
    .getByRole('tab', { name: 'Claim check' })
    .or(page.getByRole('button', { name: 'Claim check' }))
    .click();
  await page.getByLabel('A claim').fill('40x15.5R17');
  await page.getByRole('button', { name: 'Check it' }).click();
  await expect(page.getByTestId('claim-says')).toBeVisible();
  await expect(page.getByTestId('claim-says')).not.toContainText(/^Holds/i);

  // Handed over as it is: only with a reason.
  await room(page, 'Follow-up').click();
  await expect(page.getByTestId('still-open')).toContainText('no test fit was made');
  await page.getByRole('button', { name: 'Handed over', exact: true }).click();
  await expect(page.getByText('Say why it goes home all the same')).toBeVisible();
});

test('the fitted tire judges the survey: a slip has it rub, the reading is named, the answer stays as evidence', async ({
  page,
}) => {
  await ownPickup(page, 'Judged by its tire');
  await room(page, 'Survey').click();
  await expect(page.getByTestId('today')).toContainText('touches nothing that it is not said to touch');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('What it is').fill('Hose clip');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  // On a slow machine a number typed behind the dialog would go to the part before.
  await expect(page.getByRole('heading', { name: 'Next reading: Hose clip' })).toBeVisible();
  const gap = page.getByTestId('gap-field').locator('input');
  for (const [clock, text] of [
    ['12:00', '160 mm'],
    ['2:30', '4 mm'],
  ] as const) {
    await page.getByLabel('Clock', { exact: true }).fill(clock);
    await gap.fill(text);
    await gap.press('Enter');
    await expect(gap).toHaveValue('');
  }
  await expect(page.getByTestId('today-doubt')).toContainText('Hose clip: by the numbers the fitted tire is', {
    timeout: 30_000,
  });
  await expect(page.getByTestId('suspect').first()).toContainText('reading 2');
  await page.getByRole('button', { name: 'It does not' }).click();
  await expect(page.getByTestId('today-doubt')).toContainText('it is said not to rub', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Remove the reading at 2:30' }).click();
  await expect(page.getByTestId('today-doubt')).toHaveCount(0, { timeout: 30_000 });
});

test('a change shows old numbers as old until the new ones stand', async ({ page }) => {
  // The engine hears everything half a second late: what is answered sooner than can be read is never shown as old.
  await page.route('**/clearance.worker-*.js', async (route) => {
    const response = await route.fetch();
    const late = `const listen = self.addEventListener.bind(self);
      self.addEventListener = (kind, hear, ...rest) =>
        listen(kind, kind === 'message' ? (event) => setTimeout(() => hear(event), 500) : hear, ...rest);`;
    await route.fulfill({ response, body: `${late}\n${await response.text()}` });
  });
  await ownPickup(page, 'Old numbers');
  // Every state of the strip is written down while a tire is typed.
  await page.evaluate(() => {
    const seen: (string | null)[] = [];
    Object.assign(window, { seen });
    const strip = document.querySelector('[data-testid="gap-strip"]')!;
    new MutationObserver(() => seen.push(strip.getAttribute('data-old'))).observe(strip, { attributes: true });
  });
  await page.getByTestId('tire-size').locator('input').fill('275/70R17');
  const seen = () => page.evaluate(() => (window as unknown as { seen: (string | null)[] }).seen);
  await expect.poll(async () => (await seen()).includes('true')).toBe(true);
  await expect(page.getByTestId('gap-strip')).not.toHaveAttribute('data-old', /.*/);
});
