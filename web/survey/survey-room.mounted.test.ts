import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { isProxy } from 'vue';
import type { LowgapObstacle } from '@/contracts/lowgap-file';
import type { JobStore } from '../stores/job';
import { mounted, mountedInJob, openedJob } from '../testing/mounting';
import { all, choose, field, key, keys, pageText, press, said, type, valueIn } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import ObstacleForm from './ObstacleForm.vue';
import RubList from './RubList.vue';
import SurveyRoom from './SurveyRoom.vue';

let job: JobStore | null = null;
let wrapper: VueWrapper | null = null;

const survey = async (corner = 'frontLeft'): Promise<void> => {
  wrapper = await mountedInJob(SurveyRoom, {}, { room: 'survey', query: { corner } });
  await flushPromises();
};
const obstacles = (): LowgapObstacle[] => job!.document!.corners.frontLeft!.obstacles;
/** Types a reading at a clock and takes it. */
const takeReading = async (clock: string, gap: string): Promise<void> => {
  await type(/^Clock$/, clock);
  await type(/^Gap$/, gap);
  await submit();
};
const submit = async (at = -1): Promise<void> => {
  await all('form').at(at)!.trigger('submit');
  await flushPromises();
};

afterEach(() => {
  wrapper?.unmount();
  job?.close();
  job = null;
  endWorkersHere();
});

describe('the survey of a corner', () => {
  beforeAll(runWorkersHere);
  beforeEach(async () => {
    ({ job } = await openedJob());
  });

  test('a thing is added with a name, a material and a mount, and is the one read next', async () => {
    await survey();
    const count = obstacles().length;
    await press(/^Add a part/);
    await type(/^What it is/, 'Washer bottle');
    await submit();
    expect(obstacles()).toHaveLength(count + 1);
    expect(obstacles().at(-1)).toMatchObject({ id: 'washer-bottle', label: 'Washer bottle', readings: [] });
    expect(pageText()).toContain('No reading yet');
  });

  test('a thing that is changed in every way is judged anew, and nothing of a form stays in the document', async () => {
    await survey();
    await until(() => job!.evaluation);
    for (const edit of ['name', 'comes off', 'looked behind'] as const) {
      await press(/^\s*Change this part/);
      if (edit === 'name') await type(/^What it is/, 'Lip, front');
      const box = all('.v-dialog input[type="checkbox"], form input[type="checkbox"]');
      if (edit === 'comes off') await box[0]!.setValue(true);
      if (edit === 'looked behind') await box[1]!.setValue(true);
      const asked = job!.turns.asked;
      await submit();
      await until(() => job!.turns.answered > asked);
      expect(job!.problems).toEqual([]);
    }
    const [lip] = obstacles();
    expect(lip).toMatchObject({ label: 'Lip, front', removable: true, behind: [] });
    expect(isProxy(lip!.behind)).toBe(false);
  });

  test('a thing named like another has an id of its own', async () => {
    await survey();
    const [first] = obstacles();
    await press(/^Add a part/);
    await type(/^What it is/, `${first!.id.replace(/-/g, ' ')}!`);
    await submit();
    expect(obstacles().at(-1)!.id).toBe(`${first!.id}-2`);
  });

  test('a new thing is fixed to what its material usually is, until somebody says otherwise', async () => {
    job!.change((file) => (file.corners.frontLeft!.motion = { type: 'doubleWishbone', tape: { lowerArmMm: 380 } }));
    await survey();
    await press(/^Add a part/);
    await type(/^What it is/, 'Ball joint');
    await choose(wrapper!, /^Material/, 'arm');
    expect(field(/^Fixed to/).text()).toContain('swings with the upper arm');
    await choose(wrapper!, /^Fixed to/, 'knuckle');
    await choose(wrapper!, /^Material/, 'hose');
    await submit();
    expect(obstacles().at(-1)).toMatchObject({ label: 'Ball joint', material: 'hose', mount: 'knuckle' });
  });

  test('a reading is taken in inches with its clock, and the gap’s field is empty for the next', async () => {
    job!.change((file) => (file.corners.frontLeft!.obstacles[0]!.readings = []));
    await survey();
    await press(/^Free/);
    await takeReading('10:30', '2 7/8');
    const [reading] = obstacles()[0]!.readings!;
    expect(reading).toMatchObject({ clock: '1:30', gapMm: 73.025, steer: 'straight' });
    expect(valueIn(/^Gap$/)).toBe('');
    expect(said('contradiction')).toBe('');
  });

  test.each([
    ['an unreadable gap', /^Gap$/, 'wide', 'wide'],
    ['a clock that is none', /^Clock$/, '13:75', '13:75'],
    ['a height beyond the travel', /^Hub to lip now/, '5 in', 'surveyed travel'],
  ])('%s is refused in its field and no reading is made', async (_, label, text, found) => {
    await survey();
    await press(/^Free/);
    const before = JSON.stringify(obstacles());
    await type(/^Gap$/, '50 mm');
    await type(label, text);
    await submit();
    expect(JSON.stringify(obstacles())).toBe(before);
    expect(field(label).text()).toContain(found);
    expect(valueIn(label)).toBe(text);
  });

  test('a run of readings in inches goes on in inches: a bare 4 after 3 5/8 and 3 7/8 is 4 in', async () => {
    job!.change((file) => (file.corners.frontLeft!.obstacles[0]!.readings = []));
    await survey();
    await press(/^Free/);
    for (const [clock, gap] of [
      ['11:30', '3 5/8'],
      ['12:00', '3 7/8'],
      ['12:30', '4'],
    ] as const) {
      await type(/^Clock$/, clock);
      await type(/^Gap$/, gap);
      if (gap === '4') expect(field(/^Gap$/).text()).toContain('101.6 mm (4 in)');
      await submit();
    }
    expect(obstacles()[0]!.readings!.map(({ gapMm }) => gapMm)).toEqual([92.075, 98.425, 101.6]);
    expect(obstacles()[0]!.readings!.at(-1)!.typed).toEqual({ gapMm: '4 in' });
  });

  test('a reading is plainly straight out or nearest, in the form and in the table', async () => {
    job!.change((file) => (file.corners.frontLeft!.obstacles[0]!.readings = []));
    await survey();
    await press(/^Free/);
    await takeReading('12:00', '98 mm');
    await press(/^Nearest/);
    await takeReading('1:00', '90 mm');
    expect(obstacles()[0]!.readings!.map(({ nearest }) => nearest)).toEqual([undefined, true]);
    const rows = all('table tbody tr').map((row) => row.text());
    expect(rows[0]).toContain('straight out');
    expect(rows[1]).toContain('nearest');
  });

  test('a reading far from its neighbour is asked about, and only the same number once more counts', async () => {
    job!.change((file) => (file.corners.frontLeft!.obstacles[0]!.readings = []));
    await survey();
    await press(/^Free/);
    await takeReading('12:00', '98 mm');
    await type(/^Clock$/, '12:30');
    for (const gap of ['4 mm', '6 mm', '6 mm']) {
      expect(obstacles()[0]!.readings).toHaveLength(1);
      await type(/^Gap$/, gap);
      await submit();
      if (gap === '4 mm') expect(said('reading-question')).toContain('It was 98 mm (3 7/8 in) at 12:00');
    }
    expect(obstacles()[0]!.readings!.at(-1)).toMatchObject({ gapMm: 6, confirmed: true });
  });

  test('a reading goes with a press and comes back with undo', async () => {
    await survey();
    await press(/^Free/);
    const count = obstacles()[0]!.readings!.length;
    await press(/^Remove the reading at/);
    expect(obstacles()[0]!.readings).toHaveLength(count - 1);
    job!.undo();
    expect(obstacles()[0]!.readings).toHaveLength(count);
  });

  test('two parts are followed through the travel; what cannot be a pair is refused and stays chosen', async () => {
    await survey();
    await until(() => job!.evaluation);
    const pairs = () => job!.document!.corners.frontLeft!.pairs ?? [];
    const submitPair = async (): Promise<void> => {
      await all('form[aria-label="Two parts"]')[0]!.trigger('submit');
      await flushPromises();
    };
    const body = obstacles().filter(({ mount }) => mount === 'body');
    const other = obstacles().find(({ mount }) => mount === 'axle' || mount === 'upperArm' || mount === 'lowerArm')!;
    await choose(wrapper!, /^One part/, body[0]!.id);
    await choose(wrapper!, /^The other part/, body[0]!.id);
    await type(/^Wanted between them/, '3/4 in');
    await submitPair();
    expect(pairs()).toEqual([]);
    expect(pageText()).toContain('two parts that do not move together');
    await choose(wrapper!, /^The other part/, other.id);
    await submitPair();
    expect(pairs()).toEqual([{ a: body[0]!.id, b: other.id, requiredMm: expect.closeTo(19.05, 2) }]);
    await until(() => /between them at the least, 19.1? mm wanted/.test(pageText()));
    // A thing that is taken out takes its pairs along, and the verdict stands.
    const chosen = all('.obstacle').find((one) => one.text().startsWith(other.label ?? other.id))!;
    await chosen.trigger('click');
    await press(/^Remove this part/);
    expect(pairs()).toEqual([]);
    await until(() => job!.evaluation?.pairs.length === 0);
    job!.undo();
    expect(pairs()).toHaveLength(1);
    await flushPromises();
    await press(/^Remove: /);
    expect(pairs()).toEqual([]);
  });

  describe('the fitted tire as the judge', () => {
    const LOW = ['11:00', '11:30', '12:00', '12:30'].map((clock) => ({
      clock,
      across: 'tread' as const,
      outboardMm: -130,
      gapMm: clock === '12:00' ? 6 : 130,
      steer: 'straight' as const,
      travelMm: 0,
    }));
    /** A lip 130 mm off, one reading of which was typed as 6. */
    const slipped = async (): Promise<LowgapObstacle> => {
      job!.change((file) => {
        const corner = file.corners.frontLeft!;
        corner.obstacles = [
          { id: 'lip', label: 'Lip', mount: 'body', material: 'sheetMetal', readingsAs: 'points', readings: [...LOW] },
        ];
      });
      await survey();
      await until(() => !job!.isOld && job!.today);
      await flushPromises();
      return obstacles()[0]!;
    };

    test('says that it would rub, which reading is likeliest to be wrong, and asks', async () => {
      await slipped();
      expect(said('today-doubt')).toMatch(
        /^Lip: by the numbers the fitted tire is .* into it.*no mark and no word says so/,
      );
      expect(said('suspect')).toContain('reading 3');
      await press(/^It rubs/);
      expect(obstacles()[0]!.rubs).toMatchObject([{ seen: 'mark', height: 'bump' }]);
      await until(() => !job!.isOld && job!.today);
      await flushPromises();
      expect(said('today-doubt')).toBe('');
      expect(said('today')).toContain('touches nothing that it is not said to touch');
    });

    test('that it does not rub stays as evidence, and the numbers are asked about again', async () => {
      await slipped();
      await press(/^It does not/);
      expect(obstacles()[0]!.rubs).toEqual([{ seen: 'mark', touches: false, steer: 'any', height: 'any' }]);
      await until(() => !job!.isOld && job!.today);
      await flushPromises();
      expect(said('today-doubt')).toContain('it is said not to rub');
      expect(pageText()).toContain('No mark, steering not known');
    });

    test('what it is fixed to is put right with a press where that would agree', async () => {
      job!.change((file) => {
        const corner = file.corners.frontLeft!;
        const arm = { id: 'arm', label: 'Arm end', mount: 'frame', material: 'arm' } as const;
        corner.motion = { type: 'swingArm' };
        delete corner.steering;
        corner.obstacles = [
          { ...arm, readingsAs: 'points', readings: LOW.map((reading) => ({ ...reading, gapMm: 30 })) },
        ];
      });
      await survey();
      await until(() => !job!.isOld && job!.today);
      await flushPromises();
      await press(/^Fix it to that/);
      expect(obstacles()[0]!.mount).toBe('upperArm');
    });
  });

  test('a reading that the others contradict is set aside until it is said to stand', async () => {
    const straight = obstacles().findIndex(({ readings = [] }) => readings.length >= 4);
    expect(straight).toBeGreaterThanOrEqual(0);
    job!.change((file) => {
      const one = file.corners.frontLeft!.obstacles[straight]!;
      one.readings = [...one.readings!, { ...one.readings![0]!, gapMm: one.readings![0]!.gapMm + 30 }];
    });
    job!.pick = { corner: 'frontLeft', id: obstacles()[straight]!.id };
    await survey();
    await until(() => job!.evaluation);
    await flushPromises();
    expect(`${said('disagreement')} ${said('contradiction')}`).toMatch(/differ by|The others say/);
  });

  test('a place by its position counts from the hub, and all three numbers are wanted', async () => {
    job!.change((file) => delete file.corners.frontLeft!.obstacles[0]!.shape);
    await survey();
    await press(/^Position/);
    await type(/^Ahead of the hub/, '310');
    await type(/^Outboard of the hub/, '-2 in');
    await submit();
    expect(obstacles()[0]!.shape).toBeUndefined();
    await type(/^Above the hub/, '205');
    await submit();
    expect(obstacles()[0]!.shape!.points).toEqual([[310, -50.8, 205]]);
  });

  test('removing a thing leaves the rest, and a corner without a baseline says what comes first', async () => {
    await survey();
    const rest = obstacles()
      .slice(1)
      .map(({ id }) => id);
    await press(/^\s*Remove this part/);
    expect(obstacles().map(({ id }) => id)).toEqual(rest);
    wrapper!.unmount();
    job!.change((file) => delete file.corners.rearRight);
    await survey('rearRight');
    expect(pageText()).toContain('no baseline yet');
  });

  test('the walk asks in order, and a number goes to what it asks for', async () => {
    job!.change((file) => (file.corners.frontLeft!.obstacles = []));
    await survey();
    expect(said('walk-what')).not.toBe('');
    const asked = all('[data-testid="walk"]')[0]!.attributes('data-asked')!;
    const input = all('[data-testid="walk-field"] input')[0]!;
    await input.setValue('no');
    await submit(0);
    expect(all('[data-testid="walk"]')[0]!.attributes('data-asked')).toBe(asked);
    await press(/^Skip$/);
    expect(all('[data-testid="walk"]')[0]!.attributes('data-asked')).not.toBe(asked);
    expect(keys(/^Ask the .* skipped again/)).toHaveLength(1);
    await press(/^Ask the .* skipped again/);
    expect(all('[data-testid="walk"]')[0]!.attributes('data-asked')).toBe(asked);
  });
});

describe('the form of a thing', () => {
  const MOTION = { type: 'swingArm', frontView: null, sideView: null };
  const form = (obstacle: Partial<LowgapObstacle> | null, taken: string[] = []): void => {
    ({ wrapper } = mounted(ObstacleForm, { obstacle, taken, motion: MOTION }));
  };
  const done = (): LowgapObstacle => (wrapper!.emitted('done')!.at(-1) as [LowgapObstacle])[0];

  test('without a name nothing is done', async () => {
    form(null);
    expect((key(/^\s*Add$/).element as HTMLButtonElement).disabled).toBe(true);
    await submit();
    expect(wrapper!.emitted('done')).toBeUndefined();
  });

  test('what is not of its kind is not kept: a rod’s diameter goes with the rod', async () => {
    form({ id: 'link', label: 'Link', material: 'arm', mount: 'body', readingsAs: 'rod', form: { rodDiameterMm: 20 } });
    await submit();
    expect(done().form).toMatchObject({ rodDiameterMm: 20 });
    wrapper!.unmount();
    form({
      id: 'link',
      label: 'Link',
      material: 'arm',
      mount: 'body',
      readingsAs: 'points',
      form: { rodDiameterMm: 20 },
    });
    await submit();
    expect(done()).not.toHaveProperty('form');
  });

  test('what nobody has looked behind stays unknown', async () => {
    form({ id: 'flap', label: 'Flap', material: 'plastic', mount: 'body', removable: true });
    expect(pageText()).toContain('counts as unknown, never as clear');
    await submit();
    expect(done()).toMatchObject({ removable: true });
    expect(done()).not.toHaveProperty('behind');
  });

  test('readings and rubs of a thing that is changed stay', async () => {
    const readings = [{ clock: '12:00', across: 'tread', steer: 'straight', gapMm: 40 }] as never;
    form({ id: 'lip', label: 'Lip', material: 'sheetMetal', mount: 'body', readings });
    await type(/^What it is/, 'Fender lip');
    await submit();
    expect(done()).toMatchObject({ id: 'lip', label: 'Fender lip', readings });
  });
});

test('a rub is said with how it is known and at which steer and travel, and goes with a press', async () => {
  const rubs = [{ seen: 'driver', steer: 'left', height: 'bump', going: 'reverse', loaded: true, note: 'front edge' }];
  ({ wrapper } = mounted(RubList, { obstacle: { id: 'lip', rubs } }));
  expect(pageText()).toContain('The driver tells of it, turning left, over bumps, in reverse, loaded, front edge');
  await press(/^\s*Remove this rub/);
  expect(wrapper.emitted('change')!.at(-1)).toEqual([[]]);
  await press(/^Rubs today/);
  await type(/^Where, in words/, ' shiny patch ');
  await submit();
  expect(wrapper.emitted('change')!.at(-1)).toEqual([
    [...rubs, { seen: 'mark', steer: 'any', height: 'any', note: 'shiny patch' }],
  ]);
});

test('that a thing does not rub is entered like a rub', async () => {
  ({ wrapper } = mounted(RubList, { obstacle: { id: 'lip' } }));
  await press(/^Rubs today/);
  await choose(wrapper, /^Today/, false);
  await submit();
  expect(wrapper.emitted('change')!.at(-1)).toEqual([[{ touches: false, seen: 'mark', steer: 'any', height: 'any' }]]);
});
