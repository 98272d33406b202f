import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, field, key, keys, press, said, type, valueIn } from '../testing/page';
import IntakeRoom from './IntakeRoom.vue';

let job: JobStore;
let wrapper: VueWrapper;

beforeEach(async () => {
  ({ job } = await openedJob());
  wrapper = await mountedInJob(IntakeRoom);
});
afterEach(() => {
  wrapper.unmount();
  job.close();
});

const intake = () => job.document!.intake!;

describe('the intake', () => {
  test('name and customer are those of the job, and an empty name is not taken', async () => {
    await type(/^Job$/, 'Winter tires');
    expect(job.title).toBe('Winter tires');
    await type(/^Job$/, '   ');
    expect(job.title).toBe('Winter tires');
    await type(/^Customer$/, 'Night crew');
    expect(job.customer).toBe('Night crew');
  });

  test('the vehicle is named, and never by nothing', async () => {
    const before = job.document!.vehicle.label;
    await type(/^Vehicle/, '');
    expect(job.document!.vehicle.label).toBe(before);
    await type(/^Vehicle/, 'Tow rig, long bed');
    expect(job.document!.vehicle.label).toBe('Tow rig, long bed');
  });

  test('uses go on and off one by one; of the looks there is one or none', async () => {
    const uses = () => intake().uses ?? [];
    const had = [...uses()];
    await press(/^Towing/);
    expect(uses().includes('towing')).toBe(!had.includes('towing'));
    await press(/^Towing/);
    expect([...uses()].sort()).toEqual([...had].sort());
    await press(/^Flush/);
    const first = intake().look;
    await press(/^Poking/);
    expect(intake().look).toBe('poke');
    expect(first === 'flush' || first === undefined).toBe(true);
    await press(/^Poking/);
    expect(intake()).not.toHaveProperty('look');
  });

  test('what may be changed is written down, and what never is cut is said', async () => {
    job.change((file) => (file.intake = { ...file.intake, allowed: [] }));
    await flushPromises();
    await press(/^Fold or roll/);
    expect(intake().allowed).toEqual(['foldLip']);
    expect(wrapper.text()).toContain('never cut for gap');
    expect(wrapper.text()).toContain('welded by a qualified person');
  });

  test('the poke wanted is a number with what was typed; a wrong one stays typed and changes nothing', async () => {
    await type(/^Sidewall beyond/, '3/4');
    expect(intake().lookPokeMm).toBeCloseTo(19.05, 6);
    expect(intake().typed).toMatchObject({ lookPokeMm: '3/4' });
    await type(/^Sidewall beyond/, 'a bit');
    expect(intake().lookPokeMm).toBeCloseTo(19.05, 6);
    expect(valueIn(/^Sidewall beyond/)).toBe('a bit');
    expect(field(/^Sidewall beyond/).text()).toContain('found a bit');
    await type(/^Sidewall beyond/, '');
    expect(intake()).not.toHaveProperty('lookPokeMm');
  });

  test('heights are read on the same walk, and are those of the baseline', async () => {
    await type(/^Front left: hub to lip/, '21 in');
    expect(job.document!.corners.frontLeft!.hubToLipMm).toBeCloseTo(21 * 25.4, 6);
    expect(job.document!.corners.frontLeft!.typed!['hubToLipMm']).toBe('21 in');
  });

  test('a note that is emptied goes', async () => {
    await type(/^Rust and/, 'Rear bolts seized');
    expect(intake().rust).toBe('Rear bolts seized');
    await type(/^Rust and/, '');
    expect(intake()).not.toHaveProperty('rust');
  });
});

describe('photos', () => {
  const PHOTO = { id: '22222222-2222-4222-8222-222222222222', caption: 'Rub mark', marks: [] };

  test('a mark stands where the photo was tapped, as a share of it, and the last one goes with a press', async () => {
    job.change((file) => (file.intake = { ...file.intake, photos: [PHOTO] }));
    await flushPromises();
    await press(/^Open photo 1: Rub mark/);
    await type(/^Name of the next mark/, 'fresh');
    const big = key(/^Mark a place/).element as HTMLElement;
    big.getBoundingClientRect = () => ({ left: 100, top: 50, width: 400, height: 300 }) as DOMRect;
    await key(/^Mark a place/).trigger('click', { clientX: 200, clientY: 200 });
    expect(intake().photos![0]!.marks).toEqual([{ x: 0.25, y: 0.5, label: 'fresh' }]);
    await press(/^Remove the last mark/);
    expect(intake().photos![0]!.marks).toEqual([]);
    await press(/^Remove the photo/);
    expect(intake().photos).toEqual([]);
  });

  test('a file that is no picture is refused by name', async () => {
    const before = intake().photos?.length ?? 0;
    const input = all('[data-testid="photo-file"]')[0]!;
    Object.defineProperty(input.element, 'files', {
      value: [new File(['no picture'], 'notes.txt', { type: 'text/plain' })],
    });
    await input.trigger('change');
    await flushPromises();
    expect(said('photo-problems')).toContain('notes.txt');
    expect(intake().photos?.length ?? 0).toBe(before);
    expect(keys(/^Add photos/)).toHaveLength(1);
  });
});
