import { expect, test, type Page } from '@playwright/test';
import type { WheelPhoto } from '@/core/3-survey/description/wheel-photo';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { hardWell } from '@/core/fixtures/wells/hard-well';
import { photographed, USUAL_PHOTOGRAPHER } from '@/core/fixtures/wells/photographer';
import { readOff } from '@/core/fixtures/wells/tape';
import { surveyScene } from '@/core/3-survey/landing/survey-scene';
import { STEERED_WALK } from '@/core/3-survey/walk/usual-walk';
import { dice } from '@/core/1-base/numeric/dice';
import { wheelPicture } from '../scripts/wheel-picture';
import { axeFinds, lowGap, room, saved, staysHere } from './helpers';

staysHere();

/** A made-up well of known shape, its picture as a camera takes it, and where a careful finger marks it. */
const SEED = 3;
const well = hardWell(SEED);
const scene = surveyScene('frontLeft', well.truth);
const { photo, camera } = photographed(well.truth, SEED, { ...USUAL_PHOTOGRAPHER, markPx: 1.5, writesFocal: false });
const picture = (blurPx = 0) => ({
  name: 'wheel.jpg',
  mimeType: 'image/jpeg',
  buffer: wheelPicture({ key: 'frontLeft', corner: well.truth, camera, held: photo, blurPx }),
});
const wanted = well.setups[2]!;

async function pictured(page: Page): Promise<void> {
  const document = {
    format: 'lowgap',
    version: 1,
    vehicle: { label: 'Plow truck' },
    corners: { frontLeft: { ...well.blank, obstacles: [] } },
    setup: wanted,
  };
  const made = await page.request.post('/api/jobs', { data: { title: 'By picture', customer: 'Ski hill', document } });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/jobs/${id}/survey?corner=frontLeft`);
  await page.getByRole('button', { name: 'Photo', exact: true }).click();
}

async function touch(page: Page, places: readonly { readonly x: number; readonly y: number }[]): Promise<void> {
  const marks = page.getByTestId('photo-marks');
  for (const { x, y } of places) {
    const box = (await marks.boundingBox())!;
    await marks.click({ position: { x: x * box.width, y: y * box.height }, force: true });
  }
}
const asks = (page: Page) => page.getByTestId('photo-asks');

async function markWheel(page: Page, { hub, rim, outline }: WheelPhoto): Promise<void> {
  await expect(asks(page)).toContainText('middle of the hub');
  await touch(page, [hub!]);
  await expect(asks(page)).toContainText('edge of the rim');
  await touch(page, rim);
  await expect(asks(page)).toContainText('outline of the tire');
  await touch(page, outline);
  await expect(asks(page)).toContainText('plumb');
}

test('a corner is surveyed by one picture and the tape: what is behind the tire by gaps, the rest traced', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await pictured(page);

  await test.step('a smeared picture is refused when it is marked, and goes', async () => {
    await page.getByTestId('wheel-photo-file').setInputFiles(picture(14));
    await markWheel(page, photo);
    await expect(page.getByTestId('photo-refused')).toContainText('a sharp picture');
    await page.getByRole('button', { name: 'Remove the picture' }).click();
    await expect(page.getByTestId('photo-marks')).toHaveCount(0);
  });

  await test.step('a sharp one is read as soon as rim, hub and tire are marked', async () => {
    await page.getByTestId('wheel-photo-file').setInputFiles(picture());
    await markWheel(page, photo);
    await expect(page.getByTestId('photo-says')).toContainText('from square to the wheel');
    await page.getByRole('button', { name: 'Nothing plumb on it' }).click();
  });

  await test.step('the lip, the corner and the rear edge are traced, and lie where they were touched', async () => {
    for (const { of, along } of photo.traces) {
      const { label } = STEERED_WALK.find(({ id }) => id === of)!;
      await expect(async () => {
        if ((await asks(page).textContent())!.includes(label)) return;
        await page.getByRole('combobox', { name: 'What is traced' }).focus();
        await page.keyboard.press('ArrowDown');
        await page.getByRole('option', { name: label }).click({ timeout: 5_000 });
        await expect(asks(page)).toContainText(label, { timeout: 2_000 });
      }).toPass();
      await touch(page, along);
      await expect(page.getByTestId('photo-says')).toContainText(label);
    }
    await expect(page.getByTestId('photo-edge')).toHaveCount(photo.traces.length);
    await expect(page.getByTestId('photo-untaped')).toContainText('By the picture alone');
    expect(await axeFinds(page)).toEqual([]);
  });

  let numbers = 0;
  await test.step('the walk asks for few numbers more, and the low gap is about the true one', async () => {
    await page.getByRole('button', { name: 'On with the tape' }).click();
    const walk = page.getByTestId('walk');
    const field = page.getByTestId('walk-field').locator('input');
    const d = dice(SEED);
    while (numbers < 14 && (await page.getByText(/more numbers? of the usual walk/).count()) > 0) {
      const asked = (await walk.getAttribute('data-asked'))!;
      const [stop, step, how] = asked.split(':') as [string, string, string];
      const thing = well.truth.obstacles.find(({ id }) => id === stop)!;
      const usual = STEERED_WALK.find(({ id }) => id === stop)!.steps[Number(step)]!;
      const isOutboard = how === 'outboard';
      const steer = isOutboard ? 'straight' : (how as 'straight');
      const read = readOff(thing, scene, { ...usual, steer }, { tapeMm: 1, clockStepDeg: 5 }, d, undefined);
      await field.fill(`${(isOutboard ? read!.outboardMm! : read!.gapMm).toFixed(1)} mm`);
      await field.press('Enter');
      const question = page.getByTestId('walk-question');
      if (await question.isVisible()) await field.press('Enter');
      numbers++;
      await expect(walk).not.toHaveAttribute('data-asked', asked);
    }
    const truth = evaluateCase({
      corners: { frontLeft: well.truth },
      setup: well.trueSetups[2]!,
      envelope: 'trail',
      standard: 'neverRub',
    }).lowGap!;
    await saved(page);
    await expect.poll(async () => Math.abs(Number(await lowGap(page)) - truth.gapMm)).toBeLessThan(12);
  });

  await test.step('picture and marks are there when the job is opened again', async () => {
    await page.reload();
    await room(page, 'Survey').click();
    await page.getByRole('button', { name: 'Photo', exact: true }).click();
    await expect(page.getByTestId('photo-edge')).toHaveCount(photo.traces.length);
    await expect(page.getByRole('button', { name: 'Picture 1' })).toBeVisible();
  });
});

test('a picture of another rim than the one entered, a mark off the rim, and marks where no rim is: refused, and kept', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await pictured(page);
  await page.getByTestId('wheel-photo-file').setInputFiles(picture());
  await markWheel(page, photo);
  await expect(page.getByTestId('photo-says')).toContainText('from square to the wheel');

  await test.step('across the rim as typed: 15 inches are not what stands in the tire', async () => {
    const across = page.getByLabel('Across the rim’s edges, if measured');
    await across.fill('16 3/8 in');
    await across.press('Enter');
    await expect(page.getByTestId('photo-refused')).toContainText('as large as the fitted tire beside its rim');
    await across.fill('');
    await across.press('Enter');
    await expect(page.getByTestId('photo-refused')).toHaveCount(0);
  });

  await test.step('a mark on the spokes is said to be off the rim', async () => {
    await page.getByRole('button', { name: /^Rim/ }).click();
    const mark = page.getByTestId('photo-mark').nth(2);
    await mark.focus();
    for (let i = 0; i < 5; i++) await mark.press('ArrowLeft');
    for (let i = 0; i < 5; i++) await mark.press('ArrowUp');
    await expect(page.getByTestId('photo-refused')).toContainText('on the edge of one rim');
    await expect(page.getByTestId('photo-mark')).toHaveCount(8);
  });

  await test.step('marks on the plain sheet of the body have no edge under them', async () => {
    await page.getByRole('button', { name: 'Remove the picture' }).click();
    await page.getByTestId('wheel-photo-file').setInputFiles(picture());
    const round = (radius: number, count: number) =>
      Array.from({ length: count }, (_, i) => {
        const turn = (2 * Math.PI * i) / count;
        return { x: 0.16 + (radius * Math.cos(turn)) / 1600, y: 0.34 + (radius * Math.sin(turn)) / 1200 };
      });
    await markWheel(page, { ...photo, hub: { x: 0.16, y: 0.34 }, rim: round(60, 8), outline: round(102, 4) });
    await expect(page.getByTestId('photo-refused')).toContainText('the edge of a rim under the marks');
    await expect(page.getByRole('button', { name: 'Rim (8)' })).toBeVisible();
  });
});
