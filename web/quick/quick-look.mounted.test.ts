import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { FakeServer } from '../testing/fake-server';
import { mounted } from '../testing/mounting';
import { all, field, key, pageText, press, said, type } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import { quickQuestion } from '@/contracts/quick';
import { jobOfQuick } from './quick-job';
import QuickLook from './QuickLook.vue';

let wrapper: VueWrapper;

beforeAll(runWorkersHere);
beforeEach(() => {
  localStorage.clear();
  ({ wrapper } = mounted(QuickLook));
});
afterEach(() => {
  wrapper.unmount();
  endWorkersHere();
});

async function asked(): Promise<void> {
  await type(/^On it now/, '265/70R17 on 17x8 +30');
  await type(/^Wanted/, '285/70R17 on 17x9 -12');
  await until(() => all('[data-testid="quick-place"]').length > 0);
}

describe('a question on the phone', () => {
  test('says what changes and four to six places, each with what it must have', async () => {
    await asked();
    // By hand: 20 mm more of width at 70 %, twice, is 28 mm; 42 mm of offset and half of 25 mm of width.
    expect(said('quick-changes')).toContain('1 1/8 in (28 mm) taller');
    expect(said('quick-changes')).toContain('2 1/8 in (54 mm) further out');
    const places = all('[data-testid="quick-place"]');
    expect(places.length).toBeGreaterThanOrEqual(4);
    expect(places.length).toBeLessThanOrEqual(6);
    for (const place of places) expect(place.text()).toMatch(/at \d+:\d\d, .*(straight|steered).*\d mm\)/);
    expect(pageText()).not.toMatch(/\bit (?:will )?fits?\b/i);
  });

  test('what was said of a gap is judged at its place', async () => {
    await asked();
    await type(/^Gap now/, 'touches');
    await until(() => said('quick-together') !== '');
    expect(said('quick-together')).toContain('By what was said it comes too close');
    await type(/^Gap now/, 'plenty');
    expect(field(/^Gap now/).text()).toContain('such as two fingers');
  });

  test('says what is likely before anybody measures, and every gap that is said moves it', async () => {
    await asked();
    await until(() => all('[data-testid="quick-likely"]').length > 0);
    const before = said('quick-likely');
    expect(before).toMatch(
      /Before anybody measures: (about|less than|more than) \d+ % that it clears at all these places/,
    );
    expect(said('quick-room')).toMatch(/usually [\d /]+ to [\d /]+ in/);
    await type(/^Gap now/, 'touches');
    await until(() => said('quick-room').includes('as was said'));
    expect(said('quick-room')).toMatch(/about 0 in/);
  });

  test('what cannot be read is said at its field, and makes no job', async () => {
    expect((key(/^Make it a job/).element as HTMLButtonElement).disabled).toBe(true);
    await type(/^On it now/, '265/70R17 on 18x8 +30');
    expect(field(/^On it now/).text()).toContain('a wheel of 17 in');
    expect(field(/^Wanted/).text()).not.toContain('Expected');
  });

  test('without a server the record is not known, and the look stands', async () => {
    wrapper.unmount();
    const server = new FakeServer();
    server.away = true;
    Object.assign(globalThis, { fetch: server.fetch });
    ({ wrapper } = mounted(QuickLook));
    await asked();
    await until(() => said('quick-record').includes('does not answer'));
    await press(/^Make it a job/);
    expect(pageText()).toContain('an answer from the server');
  });
});

test('a job made of it keeps both setups, the suspension and what was said; what nobody said stays unmeasured', () => {
  const texts = {
    fitted: '265/70R17 on 17x8 +30',
    wanted: '285/70R17 on 17x9 -12',
    lift: '2',
    axle: 'front' as const,
    vehicle: 'wagon',
    suspension: 'beamAxle',
    units: 'in' as const,
    answers: { 'fender-lip.body.0': 'two fingers' },
  };
  const { question } = quickQuestion(texts);
  const place = { id: 'fender-lip.body.0', label: 'Fender lip', clock: '12:00', across: 'tread', steer: 'straight' };
  const { document } = jobOfQuick(question!, texts, [place] as unknown as Parameters<typeof jobOfQuick>[2]);
  const corner = document.corners.frontRight!;
  expect(corner.fitted).toMatchObject({ tire: { size: '265/70R17' }, wheel: { widthIn: 8, offsetMm: 30 } });
  expect(corner.motion.type).toBe('beamAxle');
  for (const value of ['motion', 'bumpMm', 'lockLeftDeg', 'kingpinOffsetMm']) expect(corner.starting).toContain(value);
  expect(corner.starting).not.toContain('tire');
  expect(document.setup).toMatchObject({ tire: { size: '285/70R17' }, suspensionLiftMm: 50.8 });
  expect(document.vehicle).toMatchObject({ kind: 'wagon' });
  expect(document.vehicle.notes).toContain('Fender lip, at 12:00, tread, wheel straight: two fingers');
});
