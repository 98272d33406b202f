import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { axeFinds, lowGap, ownPickup, printed, room, saved, shown, staysHere } from './helpers';

staysHere();

async function openFinder(page: Page, title: string): Promise<void> {
  await ownPickup(page, title);
  await room(page, 'Finder').click();
  await expect(page.getByRole('button', { name: 'Find', exact: true })).toBeVisible();
}

const view = async (page: Page, name: string): Promise<void> => page.getByRole('button', { name, exact: true }).click();

async function find(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByTestId('picked-says')).toBeVisible({ timeout: 60_000 });
}

/** Which of a row's cells says how often it falls short. */
const CHANCE = 5;

/** The first row's cells, once its chance is worked out: the chance is part of the grade. */
async function bestRow(page: Page): Promise<string[]> {
  const cells = page.getByRole('row').nth(1).getByRole('cell');
  let row: string[] = [];
  // Chances come one after another, and rows change places by them: it is read once it stays.
  await expect(async () => {
    const before = await cells.allTextContents();
    await page.waitForTimeout(1000);
    row = await cells.allTextContents();
    expect(row[CHANCE]).toMatch(/^\s*\d+\s*$/);
    expect(row).toEqual(before);
  }).toPass({ timeout: 60_000 });
  return row;
}

interface PrintedFind {
  readonly combinations: number;
  readonly axles: readonly {
    readonly rows: readonly {
      readonly size: string;
      readonly lowGapMm: number;
      readonly requiredMm: number;
      readonly offsetMm: number;
    }[];
    readonly refused: readonly { readonly size: string }[];
  }[];
}

test('from the question to a setup on the bench: list, command line and bench agree', async ({ page }, info) => {
  await openFinder(page, 'From question to bench');
  await find(page);
  await view(page, 'List');
  const first = page.getByRole('row').nth(1);
  const cells = await first.getByRole('cell').allTextContents();
  const { path } = await printed(page, info);
  const json = execFileSync('npm', ['run', '-s', 'lowgap', '--', 'find', path], { encoding: 'utf8', maxBuffer: 1e8 });
  const said = JSON.parse(json) as PrintedFind;
  const best = said.axles[0]!.rows[0]!;
  expect(cells[1]).toContain(best.size);
  expect(cells[4]).toBe(`${shown(best.lowGapMm + best.requiredMm)}, needs ${best.requiredMm}`);
  await expect(
    page
      .getByText(`${said.combinations.toLocaleString('en')} combinations`)
      .or(page.getByText('combinations looked at'))
      .first(),
  ).toBeVisible();

  await page.getByRole('button', { name: 'Put on the bench' }).click();
  await expect(page).toHaveURL(/\/bench/);
  await expect(page.getByRole('textbox', { name: 'Tire size', exact: true })).toHaveValue(best.size);
  // The bench finds the same low gap, on all corners at once.
  await expect
    .poll(async () => Math.abs(Number(await lowGap(page)) - best.lowGapMm - best.requiredMm))
    .toBeLessThan(0.06);
  const benched = await printed(page, info);
  expect(Math.abs(benched.lowGap.mm - best.lowGapMm)).toBeLessThan(0.02);
});

test('the board is picked by pointer and keys, the refused say why, and the answer stays with the job', async ({
  page,
}) => {
  await openFinder(page, 'Board and refusals');
  await find(page);
  const board = page.getByRole('group', { name: /Diameter against offset/ });
  const says = page.getByTestId('board-says');
  const before = await says.textContent();
  await board.focus();
  await page.keyboard.press('ArrowDown');
  await expect(says).not.toHaveText(before!);
  await expect(page.getByTestId('picked-says')).toBeVisible();

  await view(page, 'List');
  const line = page.getByRole('button', { name: /Closest it comes/ }).first();
  await expect(line).toContainText(/needs \d+ mm, short by [\d.]+ mm/);
  await expect(line).toContainText('Nearest that does');
  await line.click();
  await expect(page.getByTestId('picked-says')).toContainText('Does not do', { timeout: 20_000 });

  await view(page, 'List');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'To CSV' }).click();
  const csv = readFileSync(await (await waiting).path(), 'utf8').split('\n');
  expect(csv[0]).toContain('tire,diameterMm,widthMm');
  expect(csv.length).toBeGreaterThan(5);

  await saved(page);
  await page.reload();
  await view(page, 'Board');
  await expect(page.getByText('Found before on this survey')).toBeVisible();
});

test('what cannot be is said where it stands and stays typed; a search can be stopped', async ({ page }) => {
  await openFinder(page, 'Bad questions');
  const least = page.getByLabel('Least diameter');
  const most = page.getByLabel('Most diameter');
  await most.fill('700');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByText(/no less than the least/).first()).toBeVisible();
  await expect(most).toHaveValue('700');
  await most.fill('banana');
  await expect(page.getByText(/length/i).first()).toBeVisible();
  await expect(most).toHaveValue('banana');
  await most.fill('35 in');
  await expect(least).toHaveValue('783');

  await page.getByText('Has to meet').click();
  await page.getByLabel('Poke, least').fill('30');
  await page.getByLabel('Poke, most').fill('10');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByText(/most poke no less than the least/).first()).toBeVisible();
  await page.getByLabel('Poke, least').fill('');
  await page.getByLabel('Poke, most').fill('');
  // Sizes in use carry no load index of their own: nothing is refused, it is said that nobody could check.
  await page.getByLabel('Load index, least').fill('115');
  await find(page);
  await view(page, 'List');
  await expect(page.getByText(/Not checked where nothing is said: load index/)).toBeVisible();

  await view(page, 'Board');
  await page.getByRole('button', { name: 'Any size' }).click();
  await page.getByLabel('Step', { exact: true }).fill('1');
  await page.getByLabel('Width step').fill('2');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Find', exact: true })).toBeVisible();
});

test('nothing found says the nearest miss and what would admit it; constraints that leave nothing are named', async ({
  page,
}) => {
  await openFinder(page, 'Nothing found');
  await page.getByLabel('Most diameter').fill('1000');
  await page.getByLabel('Least diameter').fill('945');
  await find(page);
  await expect(page.getByTestId('nothing-found')).toContainText(/Nothing does\..*needs \d+ mm, short by/);
  await expect(page.getByTestId('picked-says')).toContainText('Does not do');
  await expect(page.getByRole('region', { name: 'Picked combination' })).toContainText(
    /less diameter|No single change/,
  );

  await page.getByRole('button', { name: 'Our catalog' }).first().click();
  await page.getByText('Has to meet').click();
  await page.getByLabel('Load index, least').fill('130');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByTestId('nothing-found')).toContainText('No combination meets load index');
});

test('the server answers the same', async ({ page }) => {
  await openFinder(page, 'On the server');
  await find(page);
  await view(page, 'List');
  const here = await bestRow(page);
  await page.getByLabel('Let the server do the searching').check();
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByText('Press Find first')).toBeVisible();
  const there = await bestRow(page);
  expect(there).toEqual(here);
});

test('a claim, the schools and the card for a wanted setup', async ({ page }) => {
  await openFinder(page, 'Claims');
  await view(page, 'Claim check');
  const claim = page.getByLabel('A claim');
  await claim.fill('looks fine to me');
  await page.getByRole('button', { name: 'Check it' }).click();
  await expect(page.getByText(/a tire and a height/)).toBeVisible();
  await expect(claim).toHaveValue('looks fine to me');
  await claim.fill('37x12.50R17LT at 2 in');
  await page.getByRole('button', { name: 'Check it' }).click();
  await expect(page.getByTestId('claim-says')).toContainText(/does not hold|holds until/);
  await expect(page.getByText(/short by [\d.]+ mm at/).first()).toBeVisible();

  await view(page, 'Schools');
  await page.getByRole('button', { name: 'Ask every school' }).click();
  await expect(page.getByRole('rowheader')).toHaveCount(3, { timeout: 60_000 });

  await view(page, 'Pre-check card');
  await page.getByRole('button', { name: 'Make the card' }).click();
  await expect(page.getByRole('heading', { name: /Will it fit/ })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('Ten to poke first')).toBeVisible();
});

for (const theme of ['counter', 'bay'] as const) {
  test(`the finder is usable by all in the ${theme} theme`, async ({ page }) => {
    await page.addInitScript((name) => localStorage.setItem('lowgap.theme', name), theme);
    await openFinder(page, `Axe ${theme}`);
    await find(page);
    expect(await axeFinds(page)).toEqual([]);
    for (const name of ['List']) {
      await view(page, name);
      expect(await axeFinds(page)).toEqual([]);
    }
  });
}
