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
  await expect(front.getByTestId('part-wanting')).toContainText('Not counted yet');
  await expect(page.getByText(/parts lift on one spring/)).toHaveCount(0);
  await front.getByLabel('At the wheel, - lowers').last().fill('20');
  await expect(page.getByText(/parts lift on one spring/).first()).toBeVisible();
  await front
    .getByRole('button', { name: /Remove/ })
    .last()
    .click();
  await front.getByRole('combobox').last().focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: 'Spacer on top of the strut' }).click();
  await front.getByRole('button', { name: 'Add', exact: true }).click();
  // Nobody looked where the stop sits: full bump stays, until it is said to be inside the strut.
  await expect(front.getByTestId('asks-stop')).toContainText('Nobody said where the bump stop sits');
  await front.getByLabel('Thickness').fill('20');
  await front.getByLabel('Spring travel over wheel travel').fill('0.7');
  await expect(front).toContainText('full droop -28.6 mm');
  await front.locator('.v-select', { hasText: 'Where the stop is' }).click();
  await page.getByRole('option', { name: 'Stop inside the strut' }).click();
  await expect(front).toContainText('full bump -28.6, full droop -28.6 mm');
  await expect.poll(() => lowGap(page)).not.toBe(before);
  const { lowGap: said } = await printed(page, info);
  expect(await lowGap(page)).toBe(shown(said.gapMm));
  await room(page, 'Bench').click();
  expect(await lowGap(page)).toBe(shown(said.gapMm));
  // Where the stop is, the ratio, and the spacer itself.
  for (let step = 0; step < 3; step++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => lowGap(page)).not.toBe(shown(said.gapMm));
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

  await page.getByRole('button', { name: 'Underneath' }).click();
  await page.getByRole('button', { name: /^Shock and lines.*front left/ }).click();
  const corner = page.getByRole('region', { name: 'Front left', exact: true });
  await expect(corner).toContainText('Not answered: enter its length at ride height');
  await page.getByRole('button', { name: /^Joints and adjusters.*front/ }).click();
  const ability = page.getByRole('region', { name: 'What adjusters and joints can do, front' });
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
  await page.getByRole('button', { name: 'Underneath' }).click();
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

  await page.getByRole('button', { name: /^Shafts.*front/ }).click();
  const drive = page.getByRole('region', { name: 'Driveline, front' });
  await expect(drive).toContainText('Not answered: measure inner joint inboard of hub face');
  await drive.getByLabel('Inner joint inboard of hub face').fill('480');
  await drive.getByLabel('Inner joint above hub center').fill('10');
  await drive.getByLabel('Outer joint inboard of hub face').fill('90');
  const table = page.getByTestId('drive-front');
  await expect(table.getByRole('row', { name: /Inner joint/ })).toHaveCount(1);
  await drive.getByLabel('Differential dropped by').fill('25');
  await expect(table.getByRole('row', { name: /Inner joint, differential dropped/ })).toBeVisible();

  // The same joints against travel.
  await page.getByRole('button', { name: 'Through the travel' }).click();
  await page.getByRole('button', { name: 'Half shaft, inner joint' }).click();
  await expect(page.getByTestId('curve-says')).toContainText(/Half shaft, inner joint at ride height: \d/);
  await page.getByRole('button', { name: 'Lower ball joint' }).click();
  await expect(page.getByTestId('curve-says')).toContainText('0.00 ° as fitted');
  await saved(page);
});

test('links: the sway bar is worked out, the linkage gives the motion ratio, schools differ', async ({ page }) => {
  await ownPickup(page, 'Stance links');
  await room(page, 'Stance').click();
  await page.getByRole('button', { name: 'Underneath' }).click();
  await page.getByRole('button', { name: /^Sway bar.*front/ }).click();
  const sway = page.getByRole('region', { name: 'Sway bar, front' });
  await expect(sway).toContainText('Not answered: measure arm, bar to link');
  for (const [label, value] of [
    ['Arm, bar to link', '9 in'],
    ['Link’s joint above the bar', '300'],
    ['Link, joint to joint', '140'],
    ['Wheel end further from the bar', '5'],
    ['Link per wheel travel', '0.7'],
  ] as const) {
    await sway.getByLabel(label).fill(value);
  }
  await expect(sway.getByRole('alert')).toContainText('do not go together');
  await sway.getByLabel('Link’s joint above the bar').fill('10');
  await expect(page.getByTestId('sway-front').getByRole('row', { name: /Between arm and link/ })).toContainText('90°');

  await page.getByRole('button', { name: /^Shock and lines.*front left/ }).click();
  const spring = page.getByRole('region', { name: 'Spring, Front left' });
  for (const [label, value] of [
    ['Upper end forward', '0'],
    ['Upper end outboard', '-230'],
    ['Upper end up', '300'],
    ['Lower end forward', '0'],
    ['Lower end outboard', '-200'],
    ['Lower end up', '-150'],
  ] as const) {
    await spring.getByLabel(label).fill(value);
  }
  const ratios = page.getByTestId('ratio-frontLeft').getByRole('row', { name: /Spring travel over wheel travel/ });
  const parked = (await ratios.getByRole('cell').nth(1).textContent())!.trim().split(/\s+/)[0]!;
  await spring.getByRole('button', { name: `Shock moves alike: take ${parked}` }).click();
  await page.getByRole('button', { name: /^Joints and adjusters.*front/ }).click();
  const ability = page.getByRole('region', { name: 'What adjusters and joints can do, front' });
  await expect(ability.getByLabel('Shock per wheel travel').first()).toHaveValue(String(Number(parked)));

  // Lift on the spring alone swings no joint further than today; 4 in with longer shocks do.
  await ability.getByLabel('Ball joints swing at most').first().fill('30');
  const heights = page.getByTestId('height-table');
  await expect(heights.getByRole('row', { name: /^4 in/ })).toContainText('arms that spare the joints');
  await page.getByRole('button', { name: 'a usual beam front axle' }).click();
  await expect(heights.getByRole('row', { name: /^3 in/ })).toContainText(
    /longer brake hoses 16 mm, .*caster correction/,
  );
  await page.getByRole('button', { name: 'Heights' }).click();
  const front = page.getByRole('region', { name: 'Front axle' });
  await front.getByRole('combobox').last().focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: 'Threaded collar under a coil' }).click();
  await front.getByRole('button', { name: 'Add', exact: true }).click();
  await front.getByLabel('At its lowest, over the old seat').fill('5');
  await front.getByLabel('Turns up from there').fill('4');
  await front.getByLabel('Thread, mm a turn').fill('2');
  await expect(front).toContainText('Screwed right down it still lifts');
  await expect(front.getByLabel('Spring travel over wheel travel')).toHaveAttribute(
    'placeholder',
    `${Number(parked)} by the linkage`,
  );
  await saved(page);
});

test('rake is kept with the cargo on, a lean is shimmed, a tire is made flush', async ({ page }) => {
  await ownPickup(page, 'Stance loaded');
  await room(page, 'Stance').click();
  const rake = page.getByRole('region', { name: 'Rake' });
  await rake.getByLabel('Keep it when loaded').check();
  await expect(page.getByTestId('cargo-missing')).toContainText('the weight carried, where it sits');
  await expect(rake.getByRole('button', { name: 'Lift or lower the rear' })).toBeDisabled();
  const load = page.getByRole('region', { name: 'Load', exact: true });
  await load.getByLabel('Weight carried, kg').fill('200');
  await load.getByLabel('Behind the front axle').fill('3550');
  await load.getByLabel('Wheel rate, front, N/mm').fill('40');
  await load.getByLabel('Wheel rate, rear, N/mm').fill('50');
  await rake.getByLabel('Rake wanted, 0 is level').fill('25');
  // 200 kg over the rear axle: 1961 N on two springs of 50 N/mm.
  await expect(page.getByTestId('cargo-says')).toContainText(
    'the front sinks 0 mm (0 in), the rear sinks 19.6 mm (3/4 in): stand at 44.6 mm',
  );
  await rake.getByRole('button', { name: 'Lift or lower the rear' }).click();
  await expect(page.getByTestId('rake-says')).toContainText('25 mm (1 in) with the cargo on');

  await rake.getByRole('button', { name: 'Shim the right' }).click();
  await expect(rake.getByRole('button', { name: 'Shim the right' })).toHaveCount(0);
  const fender = page.getByTestId('fender-rows').getByRole('row', { name: /Front right/ });
  await expect(fender).toContainText('pokes');
  await page.getByRole('button', { name: /Flush front: offset/ }).click();
  await expect(fender).toContainText(/flush|tucked/);
  await saved(page);
});

test('on the customer’s own photo: marked wheels scale it, and the new tires stand lower and larger', async ({
  page,
}, info) => {
  await ownPickup(page, 'Stance photo');
  await room(page, 'Stance').click();
  await page.getByRole('button', { name: 'Side photo' }).click();
  await expect(page.getByText('No photo yet')).toBeVisible();
  await room(page, 'Intake').click();
  // Any picture will do: this page's own.
  const picture = info.outputPath('side.png');
  await page.screenshot({ path: picture });
  await page.getByTestId('photo-file').setInputFiles(picture);
  await expect(page.getByRole('button', { name: /Open photo 1/ })).toBeVisible();
  await room(page, 'Stance').click();
  await page.getByRole('button', { name: 'Side photo' }).click();
  await page.getByRole('button', { name: /Take photo 1/ }).click();
  const drawing = page.getByRole('img', { name: /The vehicle/ });
  const at = async (x: number, y: number): Promise<void> => {
    const box = (await drawing.boundingBox())!;
    await drawing.click({ position: { x: x * box.width, y: y * box.height } });
  };
  await expect(page.getByTestId('photo-asks')).toContainText('the middle of the front wheel');
  await at(0.25, 0.7);
  await at(0.25, 0.7);
  await expect(page.getByTestId('photo-asks')).toContainText('the middle of the rear wheel');
  await page.getByRole('button', { name: 'The rear wheel is not on it' }).click();
  await expect(page.getByTestId('photo-says')).toContainText('marks lie on one place: mark it again');
  await page.getByRole('button', { name: 'Mark again' }).click();
  for (const x of [0.25, 0.18, 0.75, 0.68]) await at(x, 0.7);
  await expect(page.getByTestId('photo-says').first()).toContainText(
    // 38 mm of lift and half the change of diameter.
    'Front left: tire 798 to 860 mm, fender over the ground +69 mm',
  );
  const [was, will] = [drawing.locator('circle.was').first(), drawing.locator('circle.will').first()];
  const ratio = Number(await will.getAttribute('r')) / Number(await was.getAttribute('r'));
  expect(ratio).toBeCloseTo(860 / 798, 1);
  expect(Number(await will.getAttribute('cy'))).toBeGreaterThan(Number(await was.getAttribute('cy')));
  await page.getByRole('button', { name: 'Show as it is' }).click();
  await expect(drawing.locator('circle.will')).toHaveCount(0);
  await saved(page);
});

test('axe finds nothing in the stance, and it is read on a phone without scrolling sideways', async ({ page }) => {
  await ownPickup(page, 'Stance for all');
  await room(page, 'Stance').click();
  expect(await axeFinds(page)).toEqual([]);
  for (const view of [
    'Through the travel',
    'Underneath',
    'Shafts front',
    'Sway bar front',
    'Joints and adjusters front',
    'On the road',
    'Side photo',
  ]) {
    await page.getByRole('button', { name: view }).first().click();
    expect(await axeFinds(page)).toEqual([]);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'Heights' }).click();
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(sideways).toBeLessThanOrEqual(0);
});
