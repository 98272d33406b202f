import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { asCase } from '@/contracts/as-case';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { jobJoints } from '@/core/7-job/install/joints';
import { setupWork } from '@/core/6-decisions/plan/setup-work';
import { jointWords } from '@/sheets/install-words';
import { readPdf } from '@/sheets/pdf-reader';
import { workName, workWords } from '@/sheets/setup-work-words';
import { jobCalled, lowGap, room, saved, staysHere } from './helpers';

staysHere();

type Document = LowgapFile;

/** A job of its own from a demo job's file, opened in the Plan room. */
async function ownJob(page: Page, from: string, title: string, edit: (document: Document) => void): Promise<Document> {
  await page.goto('/');
  const { document } = (await jobCalled(page, from)) as { document: Document };
  for (const part of ['install', 'testFits', 'followUp', 'plan'] as const) delete document[part];
  edit(document);
  const made = await page.request.post('/api/jobs', { data: { title, customer: 'Piste team', document } });
  expect(made.status()).toBe(201);
  await page.goto(`/jobs/${(await made.json()).id}/plan?corner=frontLeft`);
  await expect(page.getByTestId('low-gap')).toBeVisible({ timeout: 30_000 });
  return lowgapFileSchema.parse(document);
}

const view = (page: Page, name: string): Promise<void> =>
  page.getByRole('button', { name, exact: true }).first().click();
const flat = (text: string): string => text.replace(/\s+/g, ' ');

/** The work order on the screen and as PDF; both in one line of text. */
async function readOrder(page: Page): Promise<{ readonly screen: string; readonly paper: string }> {
  await room(page, 'Plan').click();
  await view(page, 'Work order');
  const order = page.getByTestId('work-order');
  await expect(order).toBeVisible();
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF', exact: true }).click();
  const pages = await readPdf(new Uint8Array(readFileSync(await (await pdf).path())), 40);
  return {
    screen: flat((await order.textContent()) ?? ''),
    paper: flat(pages.flatMap(({ texts }) => texts).join(' ')),
  };
}

/** All papers after the order, made from the account: pieces, sheet, fasteners, hand-over. */
async function readPapers(page: Page) {
  await room(page, 'Install').click();
  await view(page, 'Parts received');
  await page.getByRole('button', { name: /^Take \d+ from the work order/ }).click();
  const received = flat((await page.getByRole('region', { name: 'Parts received' }).textContent()) ?? '');
  await view(page, 'Sheet');
  await page.getByRole('button', { name: /^(Make the sheet|Make it anew)/ }).click();
  const sheet = page.getByRole('region', { name: 'Installation sheet' });
  await expect(sheet.getByRole('listitem').first()).toBeVisible();
  const steps = flat((await sheet.textContent()) ?? '');
  await page.getByRole('button', { name: /^Take \d+ from the work/ }).click();
  const fasteners = flat((await page.getByRole('region', { name: 'Fasteners' }).textContent()) ?? '');
  await room(page, 'Follow-up').click();
  await page.getByLabel('Why it goes home all the same').fill('Needed on the hill tonight');
  await page.getByRole('button', { name: /^Handed over/ }).click();
  const due = flat((await page.getByTestId('due').textContent()) ?? '');
  await view(page, 'Hand-over sheet');
  const handOver = flat((await page.getByRole('article', { name: 'Hand-over sheet' }).textContent()) ?? '');
  await saved(page);
  return { received, steps, fasteners, due, handOver };
}

/** What is written on a step of the sheet about time, in minutes, summed. */
const minutesIn = (text: string): number =>
  [...text.matchAll(/about (?:(\d+) h)?\s?(?:(\d+) min)?/g)].reduce(
    (sum, [, hours, minutes]) => sum + 60 * Number(hours ?? 0) + Number(minutes ?? 0),
    0,
  );

test('a leveling with spacers and blocks: every part is on every paper, U-bolts and both joints of the spacers with it', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const file = await ownJob(page, 'Lift-line', 'Leveled, whole job', (document) => {
    const rear = {
      kind: 'block',
      thicknessMm: 25.4,
      replacesMm: 0,
      stopBearsOn: 'axle',
      droopSetBy: 'spring',
    } as const;
    const front = { kind: 'springSpacer', thicknessMm: 19.05, motionRatio: 0.6 } as const;
    document.units = 'in';
    document.setup = {
      ...document.setup!,
      parts: [],
      spacerMm: 25.4,
      spacerType: 'boltOn',
      corners: {
        frontLeft: { parts: [front] },
        frontRight: { parts: [front] },
        rearLeft: { parts: [rear], spacerMm: 0 },
      },
    };
  });
  const works = setupWork(asCase(file));
  expect(works.map(({ part, what }) => part?.kind ?? what)).toEqual(
    expect.arrayContaining(['springSpacer', 'block', 'spacer', 'wheelsAndTires']),
  );
  const order = await readOrder(page);
  for (const work of works) {
    expect(order.screen).toContain(workWords(work));
    expect(order.paper).toContain(workWords(work));
  }
  expect(order.screen).not.toContain('Nothing has to be done');
  const papers = await readPapers(page);
  for (const work of works) {
    if (work.what !== 'wheelsAndTires') expect(papers.steps.toLowerCase()).toContain(workName(work).toLowerCase());
    expect(papers.handOver).toContain(workWords(work));
  }
  expect(papers.received).toContain('Spring spacers, 19.1 mm (3/4 in)');
  expect(papers.received).toContain('Blocks, 25.4 mm (1 in)');
  for (const joint of jobJoints(asCase(file), null)) expect(papers.fasteners).toContain(jointWords(joint));
  expect(papers.fasteners).toContain('Front: spacer to hub');
  expect(papers.fasteners).toContain('Rear: U-bolt nuts');
  expect(papers.fasteners).not.toContain('Front: U-bolt');
  expect(papers.steps).toContain('Rear axle: new U-bolts');
  expect(papers.steps).not.toContain('Front axle: new U-bolts');
  expect(papers.due).toContain('U-bolts');
  expect(papers.due).toMatch(/50 mi/);
  // The sheet takes as long as the order says.
  const [, hours, minutes] = /Labor, (?:(\d+) h)? ?(?:(\d+) min)?/.exec(order.screen)!;
  expect(minutesIn(papers.steps)).toBe(60 * Number(hours ?? 0) + Number(minutes ?? 0));
});

test('an axle moved, with two parts that come near each other: planned for, and on every paper', async ({ page }) => {
  test.setTimeout(240_000);
  await ownJob(page, 'Rescue', 'Axle moved, whole job', (document) => {
    const { steering: _, ...unsteered } = structuredClone(document.corners.frontLeft!);
    document.corners.rearLeft = {
      ...unsteered,
      motion: { type: 'beamAxle', hubSpacingMm: 1600, stopSpacingMm: 960, shockSpacingMm: 1080 },
      obstacles: [
        {
          id: 'perch',
          label: 'Spring perch',
          mount: 'frame',
          material: 'frame',
          shape: { type: 'points', points: [[30, -420, 300]] },
        },
        {
          id: 'track-bar',
          label: 'Track bar',
          mount: 'axle',
          material: 'frame',
          shape: { type: 'points', points: [[20, -420, 160]] },
        },
        {
          id: 'lip',
          label: 'Rear lip',
          mount: 'body',
          material: 'sheetMetal',
          shape: {
            type: 'polyline',
            points: [
              [-300, 60, 450],
              [0, 60, 560],
              [300, 60, 450],
            ],
          },
        },
      ],
      pairs: [{ a: 'perch', b: 'track-bar', requiredMm: 90 }],
    };
    document.setup = { ...document.setup!, tire: { size: '265/70R17' } };
  });
  // At full bump the bar comes within 140 less 78 mm of the perch, and 90 are wanted: of the stops that are tried 30 mm do.
  const pair = page.getByTestId('plan-pairs');
  await expect(pair).toContainText('Spring perch and Track bar, rear left', { timeout: 60_000 });
  await expect(pair).toContainText(/62\.\d mm before, 92\.\d mm after, 90 mm wanted/);
  const rear = page.getByRole('group', { name: 'Rear axle' });
  await rear.getByLabel('Axle, + forward').fill('15');
  await expect(rear.getByLabel('Longer bump stop')).toHaveValue('30');
  await rear.getByLabel('Longer bump stop').fill('20');
  await expect(pair).toContainText('too near each other');
  await rear.getByLabel('Longer bump stop').fill('40');
  await expect(pair).not.toContainText('too near each other');
  await expect(page.getByTestId('knock-ons')).toContainText('The rear axle stands 15 mm further forward');
  await saved(page);
  const order = await readOrder(page);
  for (const text of [order.screen, order.paper]) {
    expect(text).toContain('Move the axle 15 mm forward: rear axle');
    expect(text).toContain('Longer bump stop 40 mm: rear axle');
    expect(text).toContain('Spring perch and Track bar, rear left');
  }
  const papers = await readPapers(page);
  expect(papers.steps).toContain('axle moved 15 mm (9/16 in) forward');
  expect(papers.steps).toContain('bump stops, 40 mm');
  expect(papers.steps).toContain('Rear axle: carry its weight on a jack');
  expect(papers.fasteners).toContain('Rear: arm and link bushing bolts, at ride height');
  expect(papers.fasteners).toContain('Rear: bump stops');
  expect(papers.handOver).toContain('Move the axle 15 mm forward: rear axle');
  expect(papers.due).toContain('Alignment');
});

test('cut, measured, cut again and folded: the strip speaks of the vehicle as it is, and the plan has nothing left to cut', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await ownJob(page, 'Rescue', 'Cut twice, whole job', (document) => {
    // The right side is done; this job is about the left.
    delete document.corners.frontRight;
    document.corners.frontLeft!.obstacles = document.corners.frontLeft!.obstacles.filter(
      ({ id }) => id !== 'inner-fender' && id !== 'mud-flap',
    );
    document.intake = { allowed: ['trimPlastic', 'foldLip', 'cutSheetMetal'] };
  });
  await expect(page.getByText('Clears as planned').first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTestId('plan-things')).toContainText('Liner, front');
  const before = Number(await lowGap(page));
  expect(before).toBeLessThan(5);
  await saved(page);

  await room(page, 'Test fit').click();
  await page.getByRole('button', { name: /As planned/ }).click({ timeout: 30_000 });
  const cut = page.getByRole('region', { name: 'Cut after this round' });
  const form = page.getByRole('group', { name: 'The cut' });
  const pick = async (name: string, option: string | RegExp): Promise<void> => {
    await expect(async () => {
      await form.getByRole('combobox', { name }).focus();
      await page.keyboard.press('ArrowDown');
      await page.getByRole('option', { name: option }).first().click({ timeout: 4_000 });
    }).toPass({ timeout: 40_000 });
  };
  /** Cuts a thing between two clocks, `mm` further than it stood at each reading: what it was is read off the refusal. */
  const cutThing = async (thing: string, how: string, from: string, to: string, clocks: string[], mm: number) => {
    await pick('What was cut', thing);
    await pick('How', how);
    await form.getByLabel('From clock').fill(from);
    await form.getByLabel('To clock').fill(to);
    for (const clock of clocks) {
      await cut.getByLabel('At clock').fill(clock);
      await cut.getByLabel('Gap now').fill('0 mm');
      await cut.getByRole('button', { name: 'Put the new edge' }).click();
      const refusal = await cut.getByRole('alert').filter({ hasText: 'no less than before the cut' }).textContent();
      const was = Number(/before the cut, (-?[\d.]+) mm/.exec(refusal!)![1]);
      await cut.getByRole('button', { name: new RegExp(`Remove: ${clock}`) }).click();
      await cut.getByLabel('At clock').fill(clock);
      await cut.getByLabel('Gap now').fill(`${(was + mm).toFixed(1)} mm`);
      await cut.getByRole('button', { name: 'Next reading' }).click();
    }
    await cut.getByRole('button', { name: 'Put the new edge' }).click();
    await expect(cut.getByRole('alert')).toHaveCount(0);
  };
  await cutThing('Liner, front, front left', 'Trim plastic', '7:30', '10:30', ['9:30', '9:00', '8:30'], 12);
  await expect(page.getByTestId('cuts')).toContainText('Liner, front, front left: trim plastic, 7:30 to 10:30');
  await saved(page);
  await expect.poll(async () => Number(await lowGap(page))).toBeGreaterThan(before + 1);
  const after = Number(await lowGap(page));

  // The second time, after another round.
  await page.getByRole('button', { name: 'Begin a test fit' }).click();
  await page
    .getByRole('button', { name: /As planned|The bench/ })
    .first()
    .click({ timeout: 30_000 });
  await cutThing('Liner, front, front left', 'Trim plastic', '7:30', '10:30', ['9:30', '9:00', '8:30'], 8);
  await cutThing('Fender lip, front left', 'Fold the lip', '10:30', '1:30', ['11:00', '12:00', '1:00'], 10);
  await expect(page.getByTestId('cuts').getByRole('listitem')).toHaveCount(2);
  await expect.poll(async () => Number(await lowGap(page))).toBeGreaterThanOrEqual(after);

  // What was cut is no work any more; it is told on the hand-over sheet.
  const order = await readOrder(page);
  expect(order.screen).not.toContain('Trim plastic');
  expect(order.paper).not.toContain('Trim plastic');
  const papers = await readPapers(page);
  expect(papers.steps).not.toContain('Trim plastic');
  expect(papers.handOver.match(/Liner, front, front left: cut and measured/g)).toHaveLength(2);
  expect(papers.handOver).toContain('Fender lip, front left: cut and measured');
  expect(papers.handOver).toContain('Cut edges were sealed');
});
