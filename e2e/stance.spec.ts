import { expect, test } from '@playwright/test';
import { axeFinds, lowGap, ownPickup, printed, room, saved, shown, staysHere } from './helpers';

staysHere();

test('parts give expected heights as bands, solve for level, and move the bench; undo takes them back', async ({
  page,
}, info) => {
  await ownPickup(page, 'Stance from parts');
  const before = await lowGap(page);
  await room(page, 'Stance').click();
  const heights = page.getByTestId('stance-heights');
  // 524 mm hub to lip and an inch and a half of lift.
  await expect(heights.getByRole('row', { name: /Front left/ })).toContainText('562');
  await page.getByRole('button', { name: 'Make it a part' }).first().click();
  const front = page.getByRole('region', { name: 'Front axle' });
  await expect(front.getByLabel('At the wheel, - lowers')).toHaveValue('38.1');
  await page.getByLabel('Rake wanted, 0 is level').fill('10');
  await page.getByRole('button', { name: 'Lift or lower the front' }).click();
  await expect(page.getByTestId('rake-says')).toContainText('10 mm (3/8 in) expected');

  // A second part on the same spring is warned of; a spacer on top of the strut moves the stops, and with them the low gap.
  await front.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText(/parts lift on one spring/).first()).toBeVisible();
  await front
    .getByRole('button', { name: /Remove/ })
    .last()
    .click();
  await front.getByRole('combobox').last().focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: 'Spacer on top of the strut' }).click();
  await front.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(front).toContainText('full bump −28.6, full droop −28.6 mm');
  await expect.poll(() => lowGap(page)).not.toBe(before);
  const { lowGap: said } = await printed(page, info);
  expect(await lowGap(page)).toBe(shown(said.mm));
  await room(page, 'Bench').click();
  expect(await lowGap(page)).toBe(shown(said.mm));
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => lowGap(page)).not.toBe(shown(said.mm));
});

test('curves, shocks and the road: what was measured is answered, what was not is named', async ({ page }) => {
  await ownPickup(page, 'Stance besides');
  await room(page, 'Stance').click();
  await page.getByRole('button', { name: 'Through the travel' }).click();
  await expect(page.getByTestId('curve-says')).toContainText('Camber at ride height: -0.30 ° as fitted');
  await page.getByRole('button', { name: 'Caster' }).click();
  await expect(page.getByTestId('curve-says')).toContainText('Caster at ride height');
  await page.getByRole('button', { name: 'Table' }).click();
  await expect(page.getByRole('row', { name: /Full droop, setup/ })).toBeVisible();

  await page.getByRole('button', { name: 'Shocks and lines' }).click();
  const corner = page.getByRole('region', { name: 'Front left' });
  await expect(corner).toContainText('Not answered: enter its length at ride height');
  const ability = page.getByRole('region', { name: 'What adjusters and joints can do' });
  await ability.getByLabel('Camber adjusts ±').first().fill('0.1');
  await expect(page.getByTestId('calls')).toContainText('Camber correction (arms or cam bolts)');
  await ability.getByLabel('Camber adjusts ±').first().fill('plenty');
  await expect(page.getByText(/found plenty/)).toBeVisible();
  await expect(ability.getByLabel('Camber adjusts ±').first()).toHaveValue('plenty');

  await page.getByRole('button', { name: 'On the road' }).click();
  const approach = page.getByTestId('road-rows').getByRole('row', { name: /Approach angle/ });
  await expect(approach).toContainText('measure lowest place ahead of the front hub, its height over the ground');
  await page.getByLabel('Lowest place ahead of the front hub').fill('29 1/2 in');
  await page.getByLabel('Its height over the ground').fill('420');
  await expect(approach).toContainText(/\d+(\.\d)?°\d+(\.\d)?°/);
  await expect(page.getByTestId('speed-says')).toContainText('shows less than the truth');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Its height over the ground')).toHaveValue('420');
});

test('axe finds nothing in the stance, and it is read on a phone without scrolling sideways', async ({ page }) => {
  await ownPickup(page, 'Stance for all');
  await room(page, 'Stance').click();
  expect(await axeFinds(page)).toEqual([]);
  for (const view of ['Through the travel', 'Shocks and lines', 'On the road']) {
    await page.getByRole('button', { name: view }).click();
    expect(await axeFinds(page)).toEqual([]);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'Heights' }).click();
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(sideways).toBeLessThanOrEqual(0);
});
