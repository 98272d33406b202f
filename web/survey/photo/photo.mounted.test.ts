import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { WheelPhotoEntry } from '@/contracts/wheel-photo-schema';
import { hardWell } from '@/core/fixtures/wells/hard-well';
import { photographed, USUAL_PHOTOGRAPHER } from '@/core/fixtures/wells/photographer';
import type { JobStore } from '../../stores/job';
import { mounted, mountedInJob, openedJob } from '../../testing/mounting';
import { all, field, key, pageText, press, said, type } from '../../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../../testing/worker-here';
import SurveyRoom from '../SurveyRoom.vue';
import PhotoMarks from './PhotoMarks.vue';
import PhotoSays from './PhotoSays.vue';

const PHOTO_ID = '7e032031-cf29-438c-98f4-73c7bf84d91f';
const { truth, blank } = hardWell(3);
const taken = photographed(truth, 3, USUAL_PHOTOGRAPHER).photo;

let job: JobStore | null = null;
let wrapper: VueWrapper | null = null;

const unmarked: WheelPhotoEntry = {
  photoId: PHOTO_ID,
  widthPx: taken.widthPx,
  heightPx: taken.heightPx,
  focal35Mm: taken.focal35Mm,
  steer: 'straight',
  travelMm: 0,
  rim: [],
  outline: [],
  traces: [],
};

/** The job's front left corner becomes the made-up one, with its picture. */
async function pictured(photo: WheelPhotoEntry): Promise<void> {
  job!.change((file) => {
    file.corners.frontLeft = { ...structuredClone(blank as unknown as LowgapCorner), obstacles: [], photos: [photo] };
  });
  wrapper = await mountedInJob(SurveyRoom, {}, { room: 'survey', query: { corner: 'frontLeft' } });
  await flushPromises();
  await press(/^Photo$/);
}
const photo = (): WheelPhotoEntry => job!.document!.corners.frontLeft!.photos![0]!;
const picture = () => all('[data-testid="photo-marks"]')[0]!;

/** With keys: from the middle of the picture, by 16 pixels and by 1, then Enter. */
async function markAt(x: number, y: number): Promise<void> {
  const svg = picture();
  await svg.trigger('keydown', { key: 'Enter' });
  const go = async (arrow: string, px: number): Promise<void> => {
    for (let i = 0; i < Math.floor(px / 16); i++) await svg.trigger('keydown', { key: arrow });
    for (let i = 0; i < Math.round(px % 16); i++) await svg.trigger('keydown', { key: arrow, shiftKey: true });
  };
  const [dx, dy] = [x * taken.widthPx - taken.widthPx / 2, y * taken.heightPx - taken.heightPx / 2];
  await go(dx > 0 ? 'ArrowRight' : 'ArrowLeft', Math.abs(dx));
  await go(dy > 0 ? 'ArrowDown' : 'ArrowUp', Math.abs(dy));
  await svg.trigger('keydown', { key: 'Enter' });
  await svg.trigger('keydown', { key: 'Escape' });
  await flushPromises();
}

afterEach(() => {
  wrapper?.unmount();
  job?.close();
  job = null;
  endWorkersHere();
});

describe('a picture of the wheel', () => {
  beforeAll(runWorkersHere);
  beforeEach(async () => {
    ({ job } = await openedJob());
  });

  test('is marked with keys alone, stage after stage, and each mark can be moved and taken off', async () => {
    await pictured(unmarked);
    expect(said('photo-asks')).toContain('middle of the hub');
    await markAt(taken.hub!.x, taken.hub!.y);
    expect(Math.abs(photo().hub!.x - taken.hub!.x) * taken.widthPx).toBeLessThan(1);
    expect(said('photo-asks')).toContain('8 more');
    await markAt(taken.rim[0]!.x, taken.rim[0]!.y);
    await markAt(taken.rim[1]!.x, taken.rim[1]!.y);
    expect(photo().rim).toHaveLength(2);
    const before = photo().rim[1]!;
    await all('[data-testid="photo-mark"]')[1]!.trigger('keydown', { key: 'ArrowRight', shiftKey: true });
    expect((photo().rim[1]!.x - before.x) * taken.widthPx).toBeCloseTo(1, 6);
    await all('[data-testid="photo-mark"]')[0]!.trigger('keydown', { key: 'Delete' });
    expect(photo().rim).toHaveLength(1);
    await press(/^Take the last mark back/);
    expect(photo().rim).toHaveLength(0);
    job!.undo();
    expect(photo().rim).toHaveLength(1);
  });

  test('says what it shows once it is marked, and a part of the walk is added with the first mark of its edge', async () => {
    await pictured({ ...unmarked, hub: taken.hub, rim: [...taken.rim], outline: [...taken.outline] });
    const shown = await until(() => job!.evaluation?.photos.find(({ status }) => status === 'read'));
    expect(shown).toMatchObject({ corner: 'frontLeft', photoId: PHOTO_ID });
    await flushPromises();
    expect(said('photo-says')).toMatch(/Taken from .* from square to the wheel/);
    expect(said('photo-asks')).toContain('plumb');
    await press(/^Nothing plumb on it/);
    expect(said('photo-asks')).toContain('Fender lip');
    const lip = taken.traces.find(({ of }) => of === 'fender-lip')!;
    await markAt(lip.along[0]!.x, lip.along[0]!.y);
    expect(job!.document!.corners.frontLeft!.obstacles).toMatchObject([{ id: 'fender-lip', readingsAs: 'arch' }]);
    expect(photo().traces).toMatchObject([{ of: 'fender-lip' }]);
    job!.change((file) => (file.corners.frontLeft!.photos![0]!.traces = [{ of: 'fender-lip', along: [...lip.along] }]));
    await until(() => said('photo-says').includes('known within'));
    expect(said('photo-says')).toMatch(/Fender lip\s+known within/);
    expect(said('photo-untaped')).toContain('By the picture alone');
    expect(all('[data-testid="seen-mark"]').length).toBeGreaterThan(5);
    await press(/^On with the tape/);
    expect(said('walk-what')).toBe('Fender lip');
    await press(/^\s*Remove this part/);
    expect(photo().traces).toEqual([]);
  });

  test('one that cannot be read says why, and keeps its marks', async () => {
    await pictured({ ...unmarked, hub: taken.hub, rim: [...taken.rim], outline: [...taken.outline], edgeRisePx: 60 });
    await until(() => job!.evaluation?.photos.find(({ status }) => status === 'refused'));
    await flushPromises();
    expect(said('photo-refused')).toContain('smeared over 60 pixels');
    expect(photo().rim).toHaveLength(taken.rim.length);
  });

  test('what it was taken at and the rim’s size are told, and taken back', async () => {
    await pictured(unmarked);
    await press(/^Full left/);
    expect(photo().steer).toBe('left');
    await type(/^Hub to lip then/, '500 mm');
    await field(/^Hub to lip then/).trigger('change');
    await flushPromises();
    expect(photo()).toMatchObject({ hubToLipMm: 500 });
    expect(photo().travelMm).toBeUndefined();
    await type(/^Hub to lip then/, '');
    await flushPromises();
    expect(photo()).toMatchObject({ travelMm: 0 });
    expect(photo().hubToLipMm).toBeUndefined();
    await press(/^\s*Remove the picture/);
    expect(job!.document!.corners.frontLeft!.photos).toEqual([]);
    expect(key(/Take a picture/)).toBeDefined();
  });

  test('a file that is no picture is refused by name', async () => {
    await pictured(unmarked);
    const input = all('[data-testid="wheel-photo-file"]')[0]!;
    Object.defineProperty(input.element, 'files', { value: [new File(['no'], 'notes.txt', { type: 'text/plain' })] });
    await input.trigger('change');
    await flushPromises();
    expect(said('wheel-photo-problems')).toContain('notes.txt');
    expect(job!.document!.corners.frontLeft!.photos).toHaveLength(1);
  });
});

test('marks that lie off are said so, and what is solved is drawn over the picture', () => {
  const place = (x: number) => ({ x, y: 0.5 });
  ({ wrapper } = mounted(PhotoMarks, {
    href: '',
    widthPx: 1600,
    heightPx: 1200,
    label: 'Rim',
    marks: [place(0.2), place(0.4)],
    off: [1],
    others: [place(0.6)],
    tracing: 'lip',
    shown: {
      tiltDeg: 5,
      awayMm: 2000,
      rim: [place(0.1), place(0.2)],
      outline: [place(0.1), place(0.3)],
      rimOff: [],
      outlineOff: [],
      edges: [{ id: 'lip', along: [place(0.1), place(0.9)] }],
      lip: null,
    },
  }));
  const labels = all('[data-testid="photo-mark"]').map((mark) => mark.attributes('aria-label'));
  expect(labels).toEqual([expect.stringMatching(/^Mark 1\./), expect.stringMatching(/^Mark 2, off\./)]);
  expect(all('[data-testid="photo-edge"]')[0]!.attributes('d')).toBe('M160.0 600.0L1440.0 600.0');
});

test('where the tape says otherwise it is said, of a reading and of the lip over the hub', () => {
  const reading = { at: [0, 100, 500] as const, gapOffMm: 24, clockOffDeg: 0, contradicts: false, misses: true };
  ({ wrapper } = mounted(PhotoSays, {
    said: {
      photoId: PHOTO_ID,
      status: 'read',
      tiltDeg: 31,
      awayMm: 2013,
      rim: [],
      outline: [],
      rimOff: [3],
      outlineOff: [],
      edges: [],
      lip: { saidMm: 486, tapedMm: 520 },
    },
    corner: { ...blank, obstacles: [{ id: 'fender-lip', label: 'Fender lip', mount: 'body', material: 'sheetMetal' }] },
    surveyed: [
      { id: 'fender-lip', toleranceMm: null, fitStatus: 'converged', readings: [reading], edge: null, seen: [] },
    ],
  }));
  expect(pageText()).toMatch(/reading 1, by 24/);
  expect(pageText()).toContain('2000 mm');
  expect(pageText()).toContain('Marks in red');
  expect(pageText()).toContain('Nearer to square');
  expect(said('photo-lip')).toMatch(/486.*520/);
});
