import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { seenClock } from '@/core/1-base/units/clock';
import { gradedVerdict } from '@/core/4-clearance/case/standard';
import { VERDICT_WORDS } from '@/web/words';
import { axeFinds, lowGap, openPickup, ownPickup, room, saved, staysHere, unfold } from './helpers';

staysHere();

test('a specialist opens a job, takes readings, tries a setup, and keeps it all over a reload', async ({ page }) => {
  await ownPickup(page, 'Slice walk');

  await test.step('sees what is fitted and the ride height', async () => {
    await room(page, 'Baseline').click();
    await expect(page.getByTestId('tire-size').locator('input')).toHaveValue('265/70R17');
    await expect(page.getByLabel('Front left: hub to lip')).toHaveValue('524');
  });

  await test.step('types a gap in fractions of an inch', async () => {
    await room(page, 'Survey').click();
    await page.getByRole('button', { name: /Bumper cap corner/ }).click();
    await page.getByRole('radio', { name: 'outer shoulder' }).click();
    await page.getByRole('button', { name: 'Full left' }).click();
    await page.getByLabel('Clock', { exact: true }).fill('3:25');
    const gap = page.getByTestId('gap-field').locator('input');
    await gap.fill('1 7/8');
    await gap.press('Enter');
    await expect(page.getByRole('row', { name: /3:25 outer shoulder full left ride 1 7\/8/ })).toBeVisible();
    await expect(gap).toHaveValue('');
  });

  await test.step('is told what is wrong with a bad reading, and keeps what was typed', async () => {
    const gap = page.getByTestId('gap-field').locator('input');
    await gap.fill('-4 mm');
    await gap.press('Enter');
    await expect(page.getByText('Expected 0 to 800 mm; found -4 mm.')).toBeVisible();
    await expect(gap).toHaveValue('-4 mm');
    await page.getByLabel('Clock', { exact: true }).fill('6:00');
    await page.getByRole('radio', { name: 'tread' }).click();
    await gap.fill('20 mm');
    await gap.press('Enter');
    await expect(page.getByText(/outside 5:00 to 7:00/)).toBeVisible();
    await expect(page.getByRole('row')).toHaveCount(5);
  });

  await test.step('types a gap on the number pad, by glove', async () => {
    await page.getByRole('radio', { name: 'outer shoulder' }).click();
    await page.getByLabel('Clock', { exact: true }).fill('3:00');
    for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'Delete' }).click();
    for (const key of ['5', '5', 'mm'])
      await page.getByRole('group', { name: 'Number pad' }).getByRole('button', { name: key, exact: true }).click();
    await page.getByRole('button', { name: 'Take the reading' }).click();
    await expect(page.getByRole('row', { name: /3:00 outer shoulder full left ride 55 mm/ })).toBeVisible();
  });

  let verdict = '';
  await test.step('tries another tire, offset, backspacing and height, and the low gap follows', async () => {
    await room(page, 'Bench').click();
    const before = await lowGap(page);
    await page.getByTestId('tire-size').locator('input').fill('275/70R17');
    await expect.poll(() => lowGap(page)).not.toBe(before);
    const second = await lowGap(page);
    await page.getByLabel('Offset', { exact: true }).fill('25');
    await expect.poll(() => lowGap(page)).not.toBe(second);
    await expect(page.getByLabel('Backspacing', { exact: true })).toHaveValue('145.7');
    await page.getByLabel('Backspacing', { exact: true }).fill('5 3/4');
    await expect(page.getByLabel('Offset', { exact: true })).toHaveValue('25.4');
    await page.getByLabel('Suspension lift', { exact: true }).fill('2 in');
    await page.getByRole('button', { name: 'Spacer: more' }).click();
    await saved(page);
    await expect(page.getByTestId('sentence')).toContainText(/(comes down to|is overlapped by) .* mm/);
    verdict = await lowGap(page);
  });

  await test.step('an unreadable size is refused in its place and the verdict stays', async () => {
    await page.getByTestId('tire-size').locator('input').fill('big ones');
    await expect(page.getByText(/Expected a tire size such as .*; found big ones\./)).toBeVisible();
    expect(await lowGap(page)).toBe(verdict);
    await page.getByTestId('tire-size').locator('input').fill('275/70R17');
  });

  await test.step('a rim the tire is not made for gives no verdict, and says so', async () => {
    await page.getByLabel('Rim diameter').fill('18');
    await expect(page.getByTestId('strip-problem')).toContainText('the rim that 275/70R17 is made for');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByTestId('low-gap')).toHaveText(verdict);
  });

  await test.step('everything is there after a reload', async () => {
    await saved(page);
    await page.reload();
    await expect(page.getByTestId('low-gap')).toHaveText(verdict);
    await expect(page.getByLabel('Backspacing', { exact: true })).toHaveValue('5 3/4');
    await expect(page.getByLabel('Suspension lift', { exact: true })).toHaveValue('2 in');
    await room(page, 'Survey').click();
    await page.getByRole('button', { name: /Bumper cap corner/ }).click();
    await expect(page.getByRole('row', { name: /3:25 .* 1 7\/8/ })).toBeVisible();
  });
});

test('the file answers the same on the command line, to the displayed digit, and comes back', async ({
  page,
}, info) => {
  await openPickup(page);
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toMatch(/\.lowgap\.json$/);
  const path = info.outputPath('job.lowgap.json');
  await download.saveAs(path);

  const printed = JSON.parse(
    execFileSync('npm', ['run', '-s', 'lowgap', '--', 'evaluate', path], { encoding: 'utf8' }),
  );
  const spreads = JSON.parse(
    execFileSync('npm', ['run', '-s', 'lowgap', '--', 'spread', path], { encoding: 'utf8' }),
  ) as {
    readonly corners: readonly {
      readonly corner: string;
      readonly obstacles: readonly { readonly id: string; readonly chanceOfRub: number }[];
    }[];
  };
  const chanceOf = (corner: string, id: string): number =>
    spreads.corners.find((one) => one.corner === corner)!.obstacles.find((one) => one.id === id)!.chanceOfRub;
  const shown = (mm: number): string => String(Number(mm.toFixed(1)));
  await expect(page.getByTestId('low-gap')).toHaveText(shown(printed.lowGap.gapMm));
  await page.getByLabel('Gap ladder').getByRole('button', { name: 'Table' }).click();
  for (const corner of ['frontLeft', 'frontRight']) {
    await page
      .getByRole('group', { name: 'Corner of the vehicle' })
      .getByRole('button', { name: corner === 'frontLeft' ? /^Front left/ : /^Front right/ })
      .click();
    for (const o of printed.obstacles.filter((each: { corner: string }) => each.corner === corner)) {
      const cells = page.getByTestId('ladder-table').getByRole('row', { name: o.label }).getByRole('cell');
      await expect(cells.nth(0)).toHaveText(shown(o.gapMm));
      await expect(cells.nth(2)).toHaveText(
        o.marginMm < 0 ? `short by ${shown(-o.marginMm)} mm` : `${shown(o.marginMm)} mm to spare`,
      );
      // What the command line prints apart, the verdict and the chance of falling short, is one grade on the screen.
      await expect(cells.nth(3)).toHaveText(VERDICT_WORDS[gradedVerdict(o.verdict, chanceOf(corner, o.id))]);
      // On the left side the clock is said as whoever faces the wheel sees it.
      await expect(cells.nth(6)).toContainText(seenClock(o.clock, corner === 'frontLeft' ? 'left' : 'right'));
    }
  }

  await page.goto('/');
  await page.getByTestId('import-file').setInputFiles(path);
  await expect(page.getByTestId('low-gap')).toHaveText(shown(printed.lowGap.gapMm));

  const half = info.outputPath('half.lowgap.json');
  writeFileSync(half, readFileSync(path, 'utf8').slice(0, 700));
  await page.getByTestId('load-file').setInputFiles(half);
  await expect(page.getByTestId('file-problems')).toContainText('not a whole JSON file');
  const other = info.outputPath('other.lowgap.json');
  writeFileSync(other, readFileSync(path, 'utf8').replace('"version": 1', '"version": 3'));
  await page.getByTestId('load-file').setInputFiles(other);
  await expect(page.getByTestId('file-problems')).toContainText('at version: expected 1, found 3');
  await expect(page.getByTestId('low-gap')).toHaveText(shown(printed.lowGap.gapMm));
});

test('two windows on one job do not overwrite each other unseen', async ({ page, context }) => {
  await ownPickup(page, 'Two windows');
  const other = await context.newPage();
  await other.goto(page.url());
  // Out of reach while the other saves: else it would hear of it before it types.
  await page.route('**/api/**', (route) => route.abort());
  await page.getByLabel('Offset', { exact: true }).fill('5');
  await expect(page.getByTestId('save-state')).toContainText('Server not reached');
  await other.getByLabel('Offset', { exact: true }).fill('30');
  await saved(other);
  await page.unroute('**/api/**');
  await expect(page.getByTestId('conflict')).toContainText('offset');
  await page.getByRole('radio', { name: /^Here: 5/ }).click();
  await page.getByRole('button', { name: 'Go on with these' }).click();
  await saved(page);
  await other.reload();
  await expect(other.getByLabel('Offset', { exact: true })).toHaveValue('5');
});

test('what is typed while the server is away is kept and sent later', async ({ page }) => {
  await ownPickup(page, 'Server away');
  await page.route('**/api/jobs/**', (route) => route.abort());
  await page.getByLabel('Offset', { exact: true }).fill('31');
  await expect(page.getByTestId('save-state')).toContainText('Server not reached');
  await page.unroute('**/api/jobs/**');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Offset', { exact: true })).toHaveValue('31');
});

test('work typed while the server is away survives a reload, and is no conflict with itself afterwards', async ({
  page,
}) => {
  await ownPickup(page, 'Server away over a reload');
  await page.route('**/api/jobs/**', (route) => route.abort());
  await page.getByLabel('Offset', { exact: true }).fill('29');
  await expect(page.getByTestId('save-state')).toContainText('kept in this browser');
  await page.unroute('**/api/jobs/**');
  // As the page goes away it sends what it can, and hears no answer.
  await page.reload();
  await expect(page.getByLabel('Offset', { exact: true })).toHaveValue('29');
  await saved(page);
  await expect(page.getByTestId('conflict')).toHaveCount(0);
});

test('a job left at once takes its last change along', async ({ page }) => {
  await ownPickup(page, 'Left at once');
  const url = page.url();
  await page.getByLabel('Offset', { exact: true }).fill('17');
  await page.getByLabel('Bay board').first().click();
  await page.goto(url);
  await expect(page.getByLabel('Offset', { exact: true })).toHaveValue('17');
});

test('a new job starts from a baseline, gets an obstacle, a reading and its first low gap', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('What is wanted, on which vehicle').fill('Groomer escort, taller tires');
  await page.getByRole('button', { name: /^Millimeters/ }).click();
  await page.getByRole('button', { name: 'Start with the intake' }).click();
  await room(page, 'Baseline').click();
  await expect(page.getByText('starting values that nobody measured')).toBeVisible();
  await page.getByLabel('Front left: hub to lip').fill('20 1/2 in');
  // One edit measures one value: the others stay what they are.
  await expect(page.getByTestId('starting-values')).toContainText('the travel to full droop');
  await expect(page.getByTestId('gap-strip')).toContainText('front left is not known (0 of 7 parts)');
  await room(page, 'Survey').click();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('What it is').fill('Frame horn');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('radio', { name: 'inner sidewall' }).click();
  await page.getByLabel('Clock', { exact: true }).fill('9:00');
  await page.getByTestId('gap-field').locator('input').fill('62');
  await page.getByTestId('gap-field').locator('input').press('Enter');
  await expect(page.getByTestId('low-gap')).toBeVisible();
  await room(page, 'Bench').click();
  await page.getByRole('button', { name: 'Try another tire or wheel' }).click();
  await expect(page.getByTestId('rung-frame-horn')).toBeVisible();
});

test('the suspension is chosen and measured by tape; what cannot move is said beside it, and the standard changes the verdict', async ({
  page,
}) => {
  await ownPickup(page, 'Suspension by tape');
  await room(page, 'Baseline').click();
  await unfold(page, 'How the wheel moves');
  await page.getByRole('combobox', { name: 'Suspension' }).click({ force: true });
  await page.getByRole('option', { name: 'Strut (one arm)' }).click();
  const arm = page.getByLabel('Lower arm, pivot to ball joint');
  await arm.fill('13 1/2');
  const tab = page.getByRole('button', { name: /^Front left/ });
  const before = await tab.textContent();
  await arm.fill('9 in');
  await expect.poll(() => tab.textContent()).not.toBe(before);

  await arm.fill('60 mm');
  await expect(page.getByTestId('motion-problem')).toContainText(/locks at -?\d+\.\d mm/);
  await arm.fill('340');
  await expect(page.getByTestId('motion-problem')).toBeHidden();
  await saved(page);
  await page.reload();
  await unfold(page, 'How the wheel moves');
  await expect(page.getByLabel('Lower arm, pivot to ball joint')).toHaveValue('340 mm');

  await room(page, 'Bench').click();
  await page.getByRole('combobox', { name: 'Standard' }).focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: 'Cut to fit' }).click();
  await expect(page.getByTestId('gap-strip')).toContainText('Cut to fit standard');
});

test('two readings of one place that contradict each other are shown as such', async ({ page }) => {
  await ownPickup(page, 'Contradiction');
  await room(page, 'Survey').click();
  await page.getByRole('button', { name: /Bumper cap corner/ }).click();
  await page.getByRole('radio', { name: 'outer shoulder' }).click();
  await page.getByRole('button', { name: 'Full left' }).click();
  for (const text of ['70 mm', '41 mm']) {
    await page.getByLabel('Clock', { exact: true }).fill('3:00');
    const gap = page.getByTestId('gap-field').locator('input');
    await gap.fill(text);
    await gap.press('Enter');
    if (text === '41 mm') {
      // Further from the one before than one thing can be: asked about, and entered once more.
      await expect(page.getByTestId('reading-question')).toContainText('It was 70 mm');
      await gap.press('Enter');
    }
    await expect(gap).toHaveValue('');
  }
  await expect(page.getByTestId('disagreement')).toContainText('differ by 29 mm');
});

test('the bench says how sure a gap is and what would clear it; a change is tried with one press and undone', async ({
  page,
}) => {
  await ownPickup(page, 'Levers');
  await page.getByTestId('rung-body-mount').click();
  await expect(page.getByTestId('rung-body-mount')).toContainText('too close');
  await expect(page.getByTestId('spread-note')).toContainText(/gap is -?[\d.]+ to [\d.]+ mm with the measuring error/);
  await expect(page.getByTestId('whisker').first()).toBeAttached();
  const before = await page.getByTestId('sentence').textContent();

  await page.getByTestId('try-steerStopLeft').click({ timeout: 30_000 });
  await expect(page.getByTestId('rung-body-mount')).not.toContainText(/too close|rubs/);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('sentence')).toHaveText(before!);

  await page.getByLabel('Gap ladder').getByRole('button', { name: 'Table' }).click();
  await expect(page.getByTestId('ladder-table')).toContainText(/\d+ %/);
});

test('there is an answer for an address that leads nowhere and for a job that is gone', async ({ page }) => {
  await page.goto('/jobs/00000000-0000-4000-8000-000000000000/bench');
  await expect(page.getByText('There is no such job')).toBeVisible();
  await page.goto('/no/such/room');
  await expect(page.getByText('There is nothing at this address')).toBeVisible();
});

for (const theme of ['counter', 'bay'] as const) {
  test(`axe finds nothing in any room, ${theme} theme`, async ({ page }) => {
    await page.addInitScript((name) => localStorage.setItem('lowgap.theme', name), theme);
    await openPickup(page);
    for (const name of ['Intake', 'Baseline', 'Survey']) {
      await room(page, name).click();
      expect(await axeFinds(page), name).toEqual([]);
    }
    for (const address of ['/', '/catalog']) {
      await page.goto(address);
      expect(await axeFinds(page), address).toEqual([]);
    }
  });
}
