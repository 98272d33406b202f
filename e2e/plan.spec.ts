import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import DxfParser from 'dxf-parser';
import { axeFinds, jobCalled, printed, room, saved, staysHere, unfold } from './helpers';

staysHere();

/** A job of its own from the demo's rescue wagon, opened in the Plan room with its plans found. */
async function ownWagon(page: Page, title: string, edit: (document: Wagon) => void = () => undefined): Promise<void> {
  await page.goto('/');
  const { document } = await jobCalled(page, 'Rescue wagon');
  edit(document);
  const made = await page.request.post('/api/jobs', { data: { title, customer: 'A customer', document } });
  await page.goto(`/jobs/${(await made.json()).id}/plan?corner=frontLeft`);
  await expect(page.getByRole('button', { name: 'Find plans' })).toBeVisible();
}

interface Wagon {
  plan: { allowed: Record<string, number>; tried: { front: Record<string, number[]> } };
  corners: Record<string, { obstacles: { id: string; part?: string; shape?: unknown }[] }>;
}

const view = async (page: Page, name: string): Promise<void> =>
  page.getByRole('button', { name, exact: true }).first().click();
const says = (page: Page) => page.getByTestId('plan-says');
const row = (page: Page, name: RegExp) => page.getByTestId('plan-things').getByRole('row', { name });
const plansFound = (page: Page) =>
  expect(page.getByRole('article', { name: /Least permanent/ })).toBeVisible({ timeout: 30_000 });

test('plans are found, one is taken, and the command line finds the same; the order’s sums and PDF come with it', async ({
  page,
}, info) => {
  await ownWagon(page, 'Plan from question to order');
  await plansFound(page);
  await expect(says(page)).toContainText('Clears as planned');
  await expect(page.getByRole('article', { name: 'Runner-up' })).toContainText('Without “');

  const { path } = await printed(page, info);
  const json = execFileSync('npm', ['run', '-s', 'lowgap', '--', 'plan', path], { encoding: 'utf8' });
  const { leastPermanent } = JSON.parse(json) as { leastPermanent: { costMinor: number; steps: { kind: string }[] } };
  await expect(page.getByRole('article', { name: /Least permanent/ })).toContainText(
    (leastPermanent.costMinor / 100).toFixed(2),
  );
  await expect(page.getByRole('article', { name: /Least permanent/ }).getByRole('listitem')).toHaveCount(
    leastPermanent.steps.length,
  );

  const cardSum = await page
    .getByRole('article', { name: /Least permanent/ })
    .getByTestId('card-sum')
    .textContent();
  await view(page, 'Work order');
  const order = page.getByTestId('work-order');
  await expect(order).toContainText('Eye protection when cutting or grinding.');
  await expect(order).toContainText('Trial fit with nothing cut');
  const amounts = (await page.getByTestId('order-sums').getByRole('cell').allTextContents()).map((text) =>
    Math.round(100 * Number(text)),
  );
  const [labor, parts, net, tax, total] = amounts as [number, number, number, number, number];
  expect(net).toBe(labor + parts);
  expect(Math.round(100 * Number(cardSum))).toBe(net);
  expect(tax).toBe(Math.round(net * 0.2));
  expect(total).toBe(net + tax);

  await page.getByText('Add a part').click();
  await page.getByLabel('Part', { exact: true }).fill('Edge trim, 5 m');
  await page.getByLabel('Quantity').fill('two');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText(/whole number from 1 to 999; found two/)).toBeVisible();
  await expect(page.getByLabel('Part', { exact: true })).toHaveValue('Edge trim, 5 m');
  await page.getByLabel('Quantity').fill('2');
  await page.getByLabel('Each').fill('12.50');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(order).toContainText('25.00');

  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF', exact: true }).click();
  expect(
    readFileSync(await (await pdf).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  const csv = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Parts as CSV' }).click();
  expect(readFileSync(await (await csv).path(), 'utf8')).toContain('"Edge trim, 5 m",,2,12.50,25.00');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('work-order')).toContainText('Edge trim, 5 m');
  expect(await axeFinds(page)).toEqual([]);
});

test('a plan is changed by hand: what is too little, too deep or not allowed is said and stays typed', async ({
  page,
}) => {
  await ownWagon(page, 'Plan by hand');
  await plansFound(page);
  const liner = row(page, /Liner, front front left/);
  const amount = liner.getByLabel('Gap gained');
  await amount.fill('4');
  await expect(liner).toContainText('Not enough: it takes');
  // Both sides of the axle go together.
  await expect(says(page)).toContainText('2 still to do');
  await amount.fill('65');
  await expect(liner).toContainText('Deeper than the 60 mm that the material allows');
  await expect(amount).toHaveValue('65');
  await amount.fill('4');
  await liner.getByRole('button', { name: 'Take enough' }).click();
  await expect(says(page)).toContainText('Clears as planned');

  // A longer bump stop: what it costs elsewhere is said, and the liner needs no cut any more.
  await page.getByRole('group', { name: 'Front axle' }).getByLabel('Longer bump stop').fill('15');
  await expect(page.getByTestId('knock-ons')).toContainText('bump travel goes from 78 mm to 63 mm');
  await page.getByRole('group', { name: 'Front axle' }).getByLabel('Steering stop').fill('5');
  await expect(page.getByTestId('knock-ons')).toContainText(/outer wheel’s circle goes from \d+\.\d m to \d+\.\d m/);
  await page.getByRole('group', { name: 'Front axle' }).getByLabel('Longer bump stop').fill('banana');
  await expect(page.getByText(/found banana/).first()).toBeVisible();
  await page.getByRole('group', { name: 'Front axle' }).getByLabel('Longer bump stop').fill('15');

  // Kept beside the setup on the bench, which stays what the plan starts from.
  await page.getByRole('button', { name: 'See it side by side' }).click();
  await expect(page).toHaveURL(/\/compare/);
  await expect(page.getByText('As planned')).not.toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('As planned')).toHaveCount(0);
});

test('no plan says why and what comes nearest; a crash bracket takes the owner’s consent', async ({ page }) => {
  await ownWagon(page, 'No plan', (wagon) => {
    wagon.plan.allowed = { reroute: 30, trimPlastic: 60 };
    wagon.plan.tried.front = {};
    // The bracket stands in the way itself.
    for (const corner of Object.values(wagon.corners)) {
      const bracket = corner.obstacles.find(({ id }) => id === 'crash-bracket')!;
      bracket.shape = {
        type: 'polyline',
        points: [
          [432, -120, -60],
          [430, -60, -90],
        ],
      };
    }
  });
  const none = page.getByTestId('no-plan');
  await expect(none).toContainText('Nothing that is allowed clears it', { timeout: 30_000 });
  await expect(none).toContainText(/Inner fender.*short by.*cut sheet metal is not allowed in this job/);
  await expect(none).toContainText(/Lower crash bracket.*take off the crash bracket is not allowed in this job/);

  const consent = page.getByRole('region', { name: 'Crash bracket' });
  await expect(consent).toContainText('the vehicle maker’s word comes first');
  for (const _ of [1, 2]) {
    await consent.getByLabel('Owner’s name').first().fill('An Owner');
    await consent.getByRole('button', { name: 'Owner agrees' }).first().click();
  }
  await expect(consent).toContainText('agreed by An Owner');
  await page.getByLabel('Cut sheet metal, most').fill('60');
  await page.getByLabel('Unbolt').check();
  await page.getByRole('button', { name: 'Find plans' }).click();
  await plansFound(page);
  await expect(page.getByRole('article', { name: /Least permanent/ })).toContainText('Take off the crash bracket');
  await page.getByRole('button', { name: 'Take this plan' }).first().click();
  await expect(page.getByTestId('knock-ons')).toContainText('Nobody has looked behind Lower crash bracket');
  await view(page, 'Work order');
  await expect(page.getByTestId('work-order')).toContainText('I, An Owner, owner, agree');
});

test('a cut sheet at full size: lines, a flap, a line for looks, the other side, and files that measure true', async ({
  page,
}) => {
  await ownWagon(page, 'Cut sheet');
  await plansFound(page);
  await row(page, /Inner fender.*front left/)
    .getByRole('button', { name: 'Cut sheet' })
    .click();
  const deepest = page.getByTestId('sheet-says');
  await expect(deepest).toContainText('Deepest', { timeout: 30_000 });
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DXF' }).click();
  const dxf = new DxfParser().parseSync(readFileSync(await (await waiting).path(), 'utf8'))!;
  expect(Object.keys(dxf.tables.layer.layers)).toEqual(expect.arrayContaining(['EDGE', 'CUT', 'FIRST_CUT', 'CHECK']));
  const square = (dxf.entities as unknown as { layer: string; vertices?: { x: number; y: number }[] }[]).find(
    ({ layer, vertices }) => layer === 'CHECK' && vertices?.length === 4,
  )!.vertices!;
  expect(Math.max(...square.map(({ x }) => x)) - Math.min(...square.map(({ x }) => x))).toBeCloseTo(100, 6);

  await page.getByRole('button', { name: 'Redraw the line for looks' }).click();
  const place = page.getByRole('slider', { name: /Place 2 of the line for looks/ });
  await place.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.getByTestId('looks-says')).toContainText(/cm² beyond need|takes too little/);
  await page.getByLabel('Flap to fold over').fill('12');
  await expect(deepest).toContainText('Fold line leaves');
  // The other side was surveyed itself: it has a sheet of its own.
  await page.getByRole('button', { name: 'The other side’s own sheet' }).click();
  await expect(page.getByRole('slider')).toHaveCount(0);
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF at full size' }).click();
  expect((await pdf).suggestedFilename()).toMatch(/^cut-frontRight-inner-fender.*-A4\.pdf$/);
  expect(await axeFinds(page)).toEqual([]);
});

test('a spacer is checked: what is not measured is asked for, and the thickness that reaches the gap is said', async ({
  page,
}) => {
  await ownWagon(page, 'Spacer');
  await plansFound(page);
  await room(page, 'Bench').click();
  await unfold(page, 'Spacer');
  await expect(page.getByTestId('spacer-says')).toContainText('Everything clears with', { timeout: 30_000 });
  const checks = page.getByTestId('spacer-checks');
  const pocket = checks.getByRole('row', { name: /Stud ends/ });
  await expect(pocket).toContainText('not measured');
  await expect(pocket).toContainText('pocket depth in the wheel’s pad');
  await page.getByLabel('Pocket depth in the wheel’s pad').fill('10');
  // 36 mm of stud less 25 of spacer stand 11 mm out, and 1 mm more is wanted.
  await expect(pocket).toContainText('WRONG');
  await page.getByLabel('Pocket depth in the wheel’s pad').fill('1/2 in');
  await expect(pocket).toContainText('right');
  await page.getByLabel('Hub bolt pattern').fill('6 by 139');
  await expect(page.getByText(/studs x circle/)).toBeVisible();
  await expect(page.getByLabel('Hub bolt pattern')).toHaveValue('6 by 139');
  await page.getByLabel('Hub bolt pattern').fill('6x139.7');
  await page.getByLabel('Wheel bolt pattern').fill('6x5.5 in');
  await expect(checks.getByRole('row', { name: /Bolt pattern/ })).toContainText('right');
  await expect(page.getByText('12 x Nut to hold the spacer')).toBeVisible();
  const before = await page.getByTestId('low-gap').textContent();
  await page.getByRole('button', { name: 'Try it on the bench' }).click();
  await expect(page.getByTestId('low-gap')).not.toHaveText(before!);
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Put it into the plan' }).click();
  await room(page, 'Plan').click();
  await expect(page.getByTestId('knock-ons')).toContainText('The front track is 50 mm wider');
  expect(await axeFinds(page)).toEqual([]);
});

test('in the dark and on a phone the plan is read without scrolling sideways', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.addInitScript(() => localStorage.setItem('lowgap.theme', 'bay'));
  await ownWagon(page, 'Plan on a phone');
  await plansFound(page);
  await expect(says(page)).toContainText('Clears as planned');
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(sideways).toBeLessThanOrEqual(0);
  expect(await axeFinds(page)).toEqual([]);
  await room(page, 'Plan').focus();
});
