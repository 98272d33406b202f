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

test('a corner is stepped through its travel, and its half shafts are looked at with the differential lowered', async ({
  page,
}) => {
  await ownPickup(page, 'Stance cycle');
  await room(page, 'Stance').click();
  await page.getByRole('button', { name: 'Travel cycle' }).click();
  const step = page.getByRole('form', { name: 'Next step' });
  for (const [lip, slack] of [
    ['604', '6'],
    ['524', '2 in'],
  ] as const) {
    await step.getByLabel('Hub to lip').fill(lip);
    await step.getByLabel('Brake hose slack').fill(slack);
    await step.getByRole('button', { name: 'Add the step' }).click();
    await expect(step.getByLabel('Hub to lip')).toHaveValue('');
  }
  await expect(page.getByTestId('cycle-rows').getByRole('row').nth(1)).toContainText('-80');
  await expect(page.getByTestId('cycle-trends')).toContainText(
    /Brake hose slack grows as the wheel rises, .*it runs out \d+ mm down/,
  );
  await step.getByLabel('Hub to lip').fill('5');
  await expect(page.getByText(/50 to 1500 mm/)).toBeVisible();
  await page.getByRole('button', { name: /Remove the step at 604/ }).click();
  await expect(page.getByTestId('cycle-trends')).toHaveCount(0);

  await page.getByRole('button', { name: 'Shocks and lines' }).click();
  const drive = page.getByRole('region', { name: 'Driveline, front' });
  await expect(drive).toContainText('Not answered: measure inner joint inboard of hub face');
  await drive.getByLabel('Inner joint inboard of hub face').fill('480');
  await drive.getByLabel('Inner joint above hub centre').fill('10');
  await drive.getByLabel('Outer joint inboard of hub face').fill('90');
  const table = page.getByTestId('drive-front');
  await expect(table.getByRole('row', { name: /Inner joint/ })).toHaveCount(1);
  await drive.getByLabel('Differential dropped by').fill('25');
  await expect(table.getByRole('row', { name: /Inner joint, differential dropped/ })).toBeVisible();
  await saved(page);
});

test('axe finds nothing in the stance, and it is read on a phone without scrolling sideways', async ({ page }) => {
  await ownPickup(page, 'Stance for all');
  await room(page, 'Stance').click();
  expect(await axeFinds(page)).toEqual([]);
  for (const view of ['Through the travel', 'Shocks and lines', 'Travel cycle', 'On the road']) {
    await page.getByRole('button', { name: view }).click();
    expect(await axeFinds(page)).toEqual([]);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'Heights' }).click();
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(sideways).toBeLessThanOrEqual(0);
});
