import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { axeFinds, lowGap, newJob, ownPickup, room, saved, staysHere, unfold } from './helpers';

staysHere();

/** Plausible gaps of an invented well, mm, in the order each thing is asked for. */
const GAPS: Readonly<Record<string, readonly string[]>> = {
  'Fender lip': ['110', '12', '112', '104', '8', '108'],
  'Lower front corner': ['72', '95', '84'],
  'Rear edge': ['64', '2 1/4', '70'],
  'Body mount': ['71', '60', '90'],
  'Frame rail': ['82', '66', '60'],
  'Sway-bar link': ['90', '48'],
  'Upper arm': ['66', '58', '62'],
};

const walkField = (page: Page) => page.getByTestId('walk-field').locator('input');
const gauge = (page: Page, act: object) =>
  page.request.post('/api/devices/simulated-gauge/act', { data: act }).then((answer) => expect(answer.ok()).toBe(true));

test('a front corner is surveyed from nothing by keyboard and gauge: one number and one Enter each, no more than 25', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await newJob(page, 'Walk round one corner');
  await room(page, 'Survey').click();
  const left = Object.fromEntries(Object.entries(GAPS).map(([name, all]) => [name, [...all]]));
  let numbers = 0;
  let enters = 0;
  const lows = new Set<string>();

  const answer = async (text?: string): Promise<void> => {
    const what = (await page.getByTestId('walk-what').textContent()) ?? '';
    const name = Object.keys(left).find((key) => what.startsWith(key))!;
    const number = text ?? left[name]!.shift()!;
    const before = await page.getByTestId('walk').getAttribute('data-asked');
    await walkField(page).fill(number);
    await walkField(page).press('Enter');
    numbers++;
    enters++;
    await expect(page.getByTestId('walk')).not.toHaveAttribute('data-asked', before!);
  };

  await test.step('the first numbers by keyboard; what comes next is lit on the tire', async () => {
    await expect(page.getByTestId('walk-clock')).toHaveText('12:00');
    await expect(page.getByTestId('lit')).toBeVisible();
    for (let i = 0; i < 6; i++) {
      await answer();
      await expect(page.getByTestId('low-gap')).toBeVisible();
      lows.add(await lowGap(page));
    }
    await expect(page.getByTestId('edge-fit')).toContainText('An edge round the wheel: within');
  });

  await test.step('a gap larger than the well is questioned where it stands, and kept in the field', async () => {
    await walkField(page).fill('30 in');
    await walkField(page).press('Enter');
    await expect(page.getByTestId('walk-question')).toContainText('more than a wheel well leaves');
    await expect(walkField(page)).toHaveValue('30 in');
    await walkField(page).fill('nearly an inch');
    await walkField(page).press('Enter');
    await expect(page.getByText(/found nearly an inch/)).toBeVisible();
  });

  await test.step('the gauge takes over; its button counts as Enter; a dropped link comes back by itself', async () => {
    await gauge(page, { act: 'newBattery' });
    await gauge(page, { act: 'hold', mm: 72 });
    await page.getByRole('button', { name: 'Use the gauge' }).click();
    await expect(page.getByTestId('gauge')).toContainText('Gauge linked');
    await expect(page.getByTestId('gauge')).toContainText(/7[123](\.\d)? mm/);
    const before = await page.getByTestId('walk').getAttribute('data-asked');
    await gauge(page, { act: 'press' });
    await expect(page.getByTestId('walk')).not.toHaveAttribute('data-asked', before!);
    numbers++;
    left['Lower front corner']!.shift();

    await gauge(page, { act: 'pullCable', ms: 1500 });
    await expect(page.getByTestId('gauge')).toContainText('No link to the gauge');
    await answer();
    await expect(page.getByTestId('gauge')).toContainText('Gauge linked', { timeout: 10_000 });
    await gauge(page, { act: 'drainBattery' });
    await expect(page.getByTestId('gauge')).toContainText('battery is empty');
    await gauge(page, { act: 'newBattery' });
    await expect(page.getByTestId('gauge')).toContainText('Gauge linked');
    await page.getByRole('button', { name: 'Put away' }).click();
  });

  await test.step('the rest by keyboard; the answer moves with the readings', async () => {
    while ((await page.getByTestId('walk').textContent())?.includes('of the usual walk')) {
      expect(numbers).toBeLessThan(25);
      await answer();
      lows.add(await lowGap(page));
    }
    expect(numbers).toBeLessThanOrEqual(25);
    expect(enters).toBeLessThanOrEqual(25);
    expect(lows.size).toBeGreaterThan(5);
  });

  await test.step('then the engine asks for what would settle the low gap, and the last can be taken again', async () => {
    await expect(page.getByText(/Beyond the usual walk/).or(page.getByTestId('walk-done'))).toBeVisible({
      timeout: 20_000,
    });
    await saved(page);
    await page.reload();
    await expect(page.getByRole('link', { name: /Survey/ })).toContainText(/(19|2\d) readings/);
  });
});

test('a reading that contradicts the others is set aside and questioned at once; it stands when it is confirmed', async ({
  page,
}) => {
  await newJob(page, 'One slip');
  await room(page, 'Survey').click();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('What it is').fill('Flare edge');
  await page.getByRole('combobox', { name: 'What its readings make together' }).focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: 'An edge round the wheel' }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const gap = page.getByTestId('gap-field').locator('input');
  for (const [clock, text] of [
    ['9:20', '80'],
    ['10:10', '81'],
    ['11:00', '106'],
    ['12:00', '80'],
    ['1:00', '79'],
    ['1:50', '80'],
  ] as const) {
    await page.getByLabel('Clock', { exact: true }).fill(clock);
    await gap.fill(text);
    await page.getByLabel('Outboard of sidewall').fill('-10');
    await gap.press('Enter');
    await expect(gap).toHaveValue('');
  }
  const doubt = page.getByTestId('contradiction');
  await expect(doubt).toHaveCount(1);
  await expect(doubt).toContainText(/The others say 2\d(\.\d)? mm less here/);
  await doubt.getByRole('button', { name: 'It stands' }).click();
  await expect(doubt).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await doubt.getByRole('button', { name: 'Take it again' }).click();
  await expect(doubt).toHaveCount(0);
  await expect(page.getByRole('row')).toHaveCount(6);
});

test('a scan from the simulated scanner and one from a file become obstacles; a wrong unit and a broken file are refused', async ({
  page,
}, info) => {
  await ownPickup(page, 'Scanned well');
  await page.goto(page.url().replace('/bench', '/survey'));
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  await page.getByRole('button', { name: 'From the scanner' }).click();
  await expect(page.getByTestId('scan-panel')).toContainText('simulated-scanner.ply');
  await page.getByRole('button', { name: 'Read the scan' }).click();
  await expect(page.getByTestId('scan-answer')).toContainText(/Read in m; targets agree within 0(\.\d)? mm/, {
    timeout: 20_000,
  });
  await expect(page.getByTestId('scan-answer')).toContainText(
    /Understood: \d+ points, [\d.]+ × [\d.]+ × [\d.]+ m over all/,
  );
  await expect(page.getByTestId('scan-preview').getByRole('img')).toHaveCount(2);
  const before = await page.getByRole('button', { name: /^Front left/ }).textContent();
  await page.getByRole('button', { name: 'Take these as parts' }).click();
  await expect(page.getByRole('button', { name: 'Inner fender (scanned) Liner' })).toBeVisible();
  await expect.poll(() => page.getByRole('button', { name: /^Front left/ }).textContent()).not.toBe(before);

  const { ply, plan } = await (await page.request.post('/api/devices/simulated-scanner/scan')).json();
  const file = info.outputPath('well.ply');
  const planFile = info.outputPath('plan.json');
  const { unit: _unit, ...unitless } = plan;
  writeFileSync(file, ply);
  writeFileSync(planFile, JSON.stringify(unitless));
  await page.getByTestId('scan-file').setInputFiles(file);
  await page.getByTestId('scan-plan').setInputFiles(planFile);
  await page.getByRole('combobox', { name: 'Unit of the scan' }).click({ force: true });
  await page.getByRole('option', { name: 'in', exact: true }).click();
  await page.getByRole('button', { name: 'Read the scan' }).click();
  await expect(page.getByTestId('scan-problems')).toContainText('as large as a wheel well');
  const broken = info.outputPath('broken.ply');
  writeFileSync(broken, 'this is no scan');
  await page.getByTestId('scan-file').setInputFiles(broken);
  await page.getByRole('button', { name: 'Read the scan' }).click();
  await expect(page.getByTestId('scan-problems')).toContainText('broken.ply');
});

test('the catalogue takes a table from elsewhere, names each bad line, and gives it back', async ({ page }, info) => {
  await page.goto('/catalog');
  const part = (text: RegExp) => page.getByTestId('part').filter({ hasText: text });
  await expect(part(/285\/70R17/)).toBeVisible();
  const csv = info.outputPath('tires.csv');
  writeFileSync(
    csv,
    Buffer.concat([
      Buffer.from('size;Name;Measured diameter, mm;Shelf\n245/75R17;Gr', 'ascii'),
      Buffer.from([0xf6, 0xdf]),
      Buffer.from('er;798,5;A\nbig ones;Bad;800;B\n255/70R17;Odd;many;C\n', 'ascii'),
    ]),
  );
  await page.getByTestId('csv-file').setInputFiles(csv);
  const preview = page.getByTestId('csv-preview');
  await expect(preview).toContainText('1 good line, 2 bad lines');
  await expect(preview).toContainText('Windows-1252, columns parted by semicolons');
  await expect(preview).toContainText('nothing is known of them: Shelf');
  await expect(preview).toContainText('Line 3');
  await expect(preview).toContainText('measuredDiameterMm: Expected');
  await preview.getByRole('button', { name: 'Take the 1 good line' }).click();
  await page.getByRole('textbox', { name: 'Search' }).fill('Größer');
  await expect(part(/245\/75R17.*Größer.*799 x/)).toBeVisible();

  await part(/245\/75R17/)
    .getByRole('button', { name: /^Change/ })
    .click();
  await expect(page.getByLabel('Load index')).toBeVisible();
  // The dialog takes the focus to its first field once it stands.
  await expect(page.getByRole('dialog').getByRole('textbox').first()).toBeFocused();
  await page.getByLabel('Load index').fill('plenty');
  await expect(page.getByLabel('Load index')).toHaveValue('plenty');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Expected a number; found plenty.')).toBeVisible();
  await page.getByLabel('Load index').fill('118');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(part(/245\/75R17.*load and speed 118/)).toBeVisible();

  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'To CSV' }).click();
  const path = info.outputPath('out.csv');
  await (await waiting).saveAs(path);
  expect(readFileSync(path, 'utf8')).toContain('245/75R17,Größer,798.5');

  await page.getByRole('button', { name: 'Common sizes' }).click();
  await page.getByRole('textbox', { name: 'Search' }).fill('33x12.50R17');
  await page.getByRole('button', { name: /Take 33x12.50R17LT/ }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Tires', exact: true }).click();
  await expect(part(/33x12.50R17LT/)).toBeVisible();
});

test('intake keeps what is wanted and photos with a place marked; what is no picture or too large is refused', async ({
  page,
}, info) => {
  await ownPickup(page, 'Intake');
  await room(page, 'Intake').click();
  await page.getByRole('button', { name: 'Towing' }).click();
  await page.getByRole('button', { name: 'Flush with it' }).click();
  await page.getByLabel('Sidewall beyond the fender edge').fill('1/4 in');
  await page.getByLabel('Rust and seized fasteners').fill('Rear bolts seized, lip rusty at 10:00');
  const picture = info.outputPath('lip.png');
  writeFileSync(picture, await page.screenshot());
  const text = info.outputPath('notes.jpg');
  writeFileSync(text, 'not a picture at all');
  const huge = info.outputPath('huge.jpg');
  writeFileSync(huge, Buffer.alloc(40_000_000));
  await page.getByTestId('photo-file').setInputFiles([picture, text, huge]);
  await expect(page.getByTestId('photo-problems')).toContainText('notes.jpg');
  await expect(page.getByTestId('photo-problems')).toContainText('a photo of at most 30 MB, found 40 MB');
  await page.getByRole('button', { name: /Open photo 1/ }).click();
  await page.getByLabel('What it shows').fill('Lip at the rear');
  await page.getByLabel('Name of the next mark').fill('rust');
  await page.getByRole('button', { name: 'Mark a place on the photo' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Sidewall beyond the fender edge')).toHaveValue('1/4 in');
  await expect(page.getByRole('button', { name: 'Towing' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: /Open photo 1: Lip at the rear/ }).click();
  const image = page.getByRole('button', { name: 'Mark a place on the photo' });
  await expect(image).toContainText('rust');
  expect(await image.locator('img').evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(600);
});

test('the baseline checks heights against the tire, and a mirrored corner says that nobody measured it', async ({
  page,
}) => {
  await newJob(page, 'Heights');
  await page.getByLabel('Front left: ground to lip').fill('35 3/4 in');
  await expect(page.getByTestId('radius-frontLeft')).toContainText('agrees with the tire');
  await page.getByLabel('Front left: ground to lip').fill('40 in');
  await expect(page.getByTestId('radius-frontLeft')).toContainText('a height or the tire size is wrong');
  await page.getByLabel('Front left: ground to lip').fill('36 in');
  await page.getByLabel('Front right: ground to lip').fill('35 3/4');
  await expect(page.getByTestId('mirrored-frontRight')).toBeVisible();
  await page.getByLabel('Rear left: ground to lip').fill('37 in');
  await expect(page.getByTestId('rake')).toHaveText('+28.6 mm');
  await page.getByRole('button', { name: /^Front right/ }).click();
  await page.getByRole('button', { name: 'It has been measured now' }).click();
  await expect(page.getByTestId('mirrored-frontRight')).toBeHidden();
  const pressure = page.getByLabel('Front right: pressure');
  await pressure.fill('rock hard');
  await pressure.press('Tab');
  await expect(page.getByText('found rock hard.')).toBeVisible();
  await expect(pressure).toHaveValue('rock hard');
  await pressure.fill('35 psi');
  await pressure.press('Tab');
  await expect(page.getByText('found rock hard.')).toBeHidden();
  await expect(pressure).toHaveValue('35 psi');
  await unfold(page, 'Underbody sheet');
  await page.getByLabel('Shock fully open').fill('500 mm');
  await page.getByLabel('Shock fully closed').fill('520 mm');
  await expect(page.getByText('must be longer than closed')).toBeVisible();
});

// Ahead of a left wheel's hub is at the left hand of whoever faces it.
test('a finer clock by two tapes, and a degree ring to print', async ({ page }) => {
  await newJob(page, 'Clock');
  await room(page, 'Survey').click();
  await page.getByRole('button', { name: 'A finer clock' }).click();
  await page.getByLabel('Hub center to the place').fill('500');
  await page.getByLabel('Above the hub').fill('600');
  await expect(page.getByText(/at most 500 mm/)).toBeVisible();
  await page.getByLabel('Above the hub').fill('300');
  await page.getByRole('button', { name: 'Use 10:14' }).click();
  await expect(page.getByTestId('walk-clock')).toHaveText('10:14');
  await page.goto('/degree-ring');
  await expect(page.getByRole('img', { name: 'Clock ring for a left wheel' })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
});

test('axe finds nothing in the walk, the scan and the dialogs of the survey', async ({ page }) => {
  await newJob(page, 'Axe');
  await room(page, 'Survey').click();
  await expect(page.getByTestId('walk')).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole('button', { name: 'Add a part' }).click();
  expect(await axeFinds(page)).toEqual([]);
});

test('the next vehicle of a kind starts from a surveyed well; a few readings say whether it is the same', async ({
  page,
}) => {
  await ownPickup(page, 'Well to keep');
  await page.goto(page.url().replace('/bench', '/survey'));
  await page.getByRole('button', { name: 'Well library' }).click();
  await page.getByLabel('Kind of vehicle').fill('Patrol pickup, long bed');
  await page.getByRole('button', { name: 'Keep this well' }).click();
  await expect(page.getByText('Kept in the library.')).toBeVisible();

  await newJob(page, 'Next of its kind');
  await room(page, 'Survey').click();
  await page.getByRole('button', { name: 'Well library' }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Patrol pickup, long bed' })
    .getByRole('button', { name: 'Start from it' })
    .first()
    .click();
  const check = page.getByTestId('well-check');
  await expect(check).toContainText('Within 24 mm until checked');
  await expect(page.getByTestId('low-gap')).toBeVisible();

  await page.getByRole('button', { name: 'Free', exact: true }).click();
  const gap = page.getByTestId('gap-field').locator('input');
  for (const [name, clock, text] of [
    ['Fender lip', '12:00', '250'],
    ['Fender lip', '11:00', '20'],
    ['Body mount', '8:30', '240'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
    await page.getByLabel('Clock', { exact: true }).fill(clock);
    await gap.fill(text);
    await gap.press('Enter');
    await expect(gap).toHaveValue('');
  }
  await expect(check).toContainText('this is not the same well');
  await check.getByRole('button', { name: 'Take it off again' }).click();
  await expect(check).toBeHidden();
  await expect(page.getByRole('button', { name: /^Fender lip/ })).toBeHidden();
});

test('an obstacle is placed by position, and a position that is no number is said at its axis', async ({ page }) => {
  await newJob(page, 'By position');
  await room(page, 'Survey').click();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('What it is').fill('Bracket tip');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'Position', exact: true }).click();
  await page.getByLabel('Ahead of the hub').fill('-18 in');
  await page.getByLabel('Outboard of the hub face').fill('-80');
  await page.getByLabel('Above the hub').fill('high');
  await page.getByRole('button', { name: 'Add the place' }).click();
  await expect(page.getByText(/found high/)).toBeVisible();
  await page.getByLabel('Above the hub').fill('2 1/2 in');
  await page.getByRole('button', { name: 'Add the place' }).click();
  await expect(page.getByText('Places by position so far: 1.')).toBeVisible();
  await expect(page.getByTestId('low-gap')).toBeVisible();
});
