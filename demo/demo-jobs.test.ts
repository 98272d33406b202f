import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { parseLength } from '@/core/1-base/units/length';
import { demoJobs } from './demo-jobs';
import { DEMO_PICTURE } from './demo-pictures';

test('every demo job is a whole file that the engine answers, and what is fitted does not rub', () => {
  for (const { title, document } of demoJobs()) {
    expect(lowgapFileSchema.parse(document)).toEqual(document);
    const asFitted = evaluateCase({ ...document, setup: undefined });
    expect([title, asFitted.obstacles.filter((o) => o.verdict === 'rubs').map((o) => o.id)]).toEqual([title, []]);
  }
});

test('both front corners of the pickup are surveyed and its wanted tire does not clear as it is', () => {
  const pickup = demoJobs().find((job) => job.title.includes('pickup'))!;
  const { lowGap, obstacles } = evaluateCase(pickup.document);
  expect(new Set(obstacles.map((o) => o.corner))).toEqual(new Set(['frontLeft', 'frontRight']));
  expect(lowGap!.mm).toBeLessThan(0);
});

test('what was typed means what is stored', () => {
  for (const { document } of demoJobs()) {
    for (const corner of Object.values(document.corners)) {
      for (const reading of corner?.obstacles.flatMap((o) => o.readings ?? []) ?? []) {
        for (const [field, text] of Object.entries(reading.typed ?? {})) {
          const stored = (reading as unknown as Record<string, number>)[field]!;
          expect(Math.abs(parseLength(text, 'mm').mm - stored)).toBeLessThan(0.001);
        }
      }
    }
  }
});

test('the picture of the fire-watch wagon is there, of the size its marks were set on, and can be read', () => {
  const { document } = demoJobs().find(({ title }) => title.startsWith(DEMO_PICTURE.job))!;
  const photo = document.corners.frontLeft!.photos![0]!;
  expect(photo.photoId).toBe(DEMO_PICTURE.id);
  const jpeg = readFileSync(DEMO_PICTURE.file);
  // Height and width follow the frame header's marker, length and precision (JPEG, ITU-T T.81, B.2.2).
  const frame = jpeg.indexOf(Buffer.from([0xff, 0xc0]));
  expect([jpeg.readUInt16BE(frame + 7), jpeg.readUInt16BE(frame + 5)]).toEqual([photo.widthPx, photo.heightPx]);
  const { photos, surveyed } = evaluateCase(document);
  expect(photos).toMatchObject([{ status: 'read', lip: null }]);
  expect(surveyed.filter(({ seen }) => seen.length > 0).map(({ id }) => id)).toEqual(photo.traces.map(({ of }) => of));
});
