import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { asCase } from '@/contracts/as-case';
import { roadReport } from '@/core/5-consequences/stance/road-report';
import { liftPartShift } from '@/core/2-vehicle/setup/part-shift';
import type { JobStore } from '../stores/job';
import { composed } from '../testing/composing';
import { mounted, mountedInJob, openedJob } from '../testing/mounting';
import { all, choose, field, fields, keys, pageText, press, said, type } from '../testing/page';
import { setAxleParts } from './axle-parts';
import PartsEditor from './PartsEditor.vue';
import StanceRoom from './StanceRoom.vue';
import { blankPart, nameOf, PART_FIELDS, PART_WORDS } from './part-fields';
import { ROAD_FIELD_WORDS } from './stance-words';
import { roadMeasured, useStance } from './use-stance';

let job: JobStore | null = null;
let wrapper: VueWrapper | null = null;

const stance = async (view: string): Promise<void> => {
  wrapper = await mountedInJob(StanceRoom, {}, { room: 'stance', query: { view } });
  await flushPromises();
};

afterEach(() => {
  wrapper?.unmount();
  job?.close();
  job = null;
});

describe('the stance of the open job', () => {
  beforeEach(async () => {
    ({ job } = await openedJob());
  });

  test('every corner has a report, or says why it has none', async () => {
    const { state, leave } = await composed(useStance, { room: 'stance' });
    expect(state.reports.value.map(({ key }) => key)).toEqual(job!.corners);
    for (const { stance: found } of state.reports.value) expect(found.ok).toBe(true);
    job!.changeSetup((file) => (file.setup!.tire.size = '35x12.50R22'));
    const [first] = state.reports.value;
    expect(first!.stance.ok).toBe(false);
    expect(first!.calls).toEqual([]);
    leave();
  });

  test('a lift of so much raises the hub-to-lip height expected by so much, less or more by its band', async () => {
    const { state, leave } = await composed(useStance, { room: 'stance' });
    const expected = () => {
      const [{ stance: found }] = state.reports.value as [(typeof state.reports.value)[number]];
      return found.ok ? found.value.heights.hubToLip! : null;
    };
    job!.changeSetup((file) => {
      setAxleParts(file, 'front', []);
      file.setup!.suspensionLiftMm = 0;
    });
    const before = expected()!;
    job!.changeSetup((file) => setAxleParts(file, 'front', [{ part: { kind: 'ride', liftMm: 50 }, side: 'both' }]));
    const after = expected()!;
    expect(after.mm - before.mm).toBeCloseTo(50, 6);
    expect(after.lowMm).toBeLessThan(after.mm);
    expect(after.highMm).toBeGreaterThanOrEqual(after.mm);
    leave();
  });

  test('the road is that of the core, with what the job measured', async () => {
    const { state, leave } = await composed(useStance, { room: 'stance' });
    const file = job!.document!;
    expect(state.road.value).toEqual({ ok: true, value: roadReport(asCase(file), roadMeasured(file)) });
    leave();
  });

  test('what was not measured for the road is asked for by name, and a number that is typed answers', async () => {
    job!.changeSetup((file) => (file.stance = { ...file.stance, road: {} }));
    await stance('road');
    const missing = () => said('road-rows').split('measure ').length - 1;
    const before = missing();
    expect(before).toBeGreaterThan(3);
    for (const [key, text] of [
      ['frontReachMm', '800'],
      ['frontHeightMm', '16 in'],
    ] as const) {
      await type(new RegExp(`^${ROAD_FIELD_WORDS[key]}`, 'i'), text);
    }
    expect(job!.document!.stance!.road).toEqual({ frontReachMm: 800, frontHeightMm: 406.4 });
    expect(missing()).toBeLessThan(before);
  });

  test('an axle’s load asks for the index that carries it', async () => {
    await stance('road');
    await type(/^Heaviest front axle/, '1800');
    // 900 kg a tire, a tenth more for a passenger tire: index 108 carries 1000 kg, 107 only 975 (ISO 4000-1; 49 CFR 571.110: from memory).
    expect(said('load-says')).toContain('Each front tire carries 900 kg: load index 108 or more');
    await choose(wrapper!, /^Counts as/, 'car');
    expect(said('load-says')).toContain('Each front tire carries 900 kg: load index 104 or more');
  });

  test('a part is added to an axle, moves what it says, and goes with a press', async () => {
    job!.changeSetup((file) => {
      setAxleParts(file, 'front', []);
      setAxleParts(file, 'rear', []);
    });
    await stance('heights');
    const parts = () => job!.document!.setup!.corners?.frontLeft?.parts ?? job!.document!.setup!.parts ?? [];
    const before = parts().length;
    await press(/^Add$/);
    expect(parts().length).toBe(before + 1);
    expect(said('part-wanting')).toContain('Not counted yet');
    await type(/^At the wheel/, '2 in');
    expect(pageText()).toContain('Moves: parked height +50.8 mm');
    await press(new RegExp(`Remove: `));
    expect(parts().length).toBe(before);
  });

  test('the fender says how the tire stands to it, and flush is one press away where it is not', async () => {
    await stance('heights');
    expect(said('fender-rows')).toMatch(/tucked|pokes|flush|not surveyed/);
    const flush = keys(/^Flush (front|rear)/);
    if (flush.length > 0) {
      const offset = Number(/([+-]?\d+)/.exec(flush[0]!.text().split('offset')[1]!)![0]);
      await flush[0]!.trigger('click');
      await flushPromises();
      const { setup } = job!.document!;
      const offsets = [
        setup!.wheel.offsetMm,
        ...Object.values(setup!.corners ?? {}).map((own) => own?.wheel?.offsetMm),
      ];
      expect(offsets).toContain(offset);
    }
    expect(flush.length + Number(/not surveyed|flush/.test(said('fender-rows')))).toBeGreaterThan(0);
  });
});

test('a slip joint left too short is said on every view of the stance, with the place where it is', async () => {
  ({ job } = await openedJob());
  job.change((file) => {
    file.corners.rearLeft!.motion = { type: 'beamAxle', hubSpacingMm: 1600 };
    file.underbody = { slipJointEngagedMm: 43, slipJointLeastMm: 51 };
    file.stance = { drive: { rear: { shaftLengthMm: 1200, shaftRiseMm: 100, outputDeg: 3, pinionDeg: 3 } } };
  });
  for (const view of ['heights', 'under']) {
    await stance(view);
    // The demo's setup lifts it, so less is engaged than was read.
    expect(said('slip-short')).toMatch(/rear axle: [\d.]+ mm .*engaged at parked/);
    expect(said('slip-short')).toContain('51 mm');
    wrapper!.unmount();
  }
  await stance('under');
  await press(/^Shafts.*rear/);
  await flushPromises();
  expect(pageText()).toContain('The pinion’s joint is taken at the hub');
  job.change((file) => (file.underbody = { slipJointEngagedMm: 143, slipJointLeastMm: 51 }));
  await flushPromises();
  expect(said('slip-short')).toBe('');
});

describe('the editor of parts', () => {
  const SUSPENSION = { isBeam: true, leaf: 'overAxle' } as const;
  const editor = (parts: unknown[], more: Record<string, unknown> = {}): void => {
    ({ wrapper } = mounted(PartsEditor, {
      title: 'Rear axle',
      parts,
      bothSides: true,
      suspension: SUSPENSION,
      enteredRatio: undefined,
      linkageRatio: null,
      stops: null,
      known: {},
      ownLiftMm: 0,
      ...more,
    }));
  };
  const changed = (): { part: Record<string, unknown>; side: string }[] =>
    (wrapper!.emitted('change')!.at(-1) as [never])[0];

  test.each(Object.keys(PART_WORDS) as (keyof typeof PART_WORDS)[])(
    'a part of the kind %s has a field for each of its numbers',
    (kind) => {
      editor([{ part: blankPart(kind), side: 'both' }]);
      for (const { label } of PART_FIELDS[kind]) {
        const escaped = label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
        expect(field(new RegExp(`^${escaped}`)).exists()).toBe(true);
      }
      // Numbers that nobody typed move nothing.
      expect(said('part-wanting')).toContain('Not counted yet');
    },
  );

  test('where the stop sits is asked of a spacer on the strut: not looked at, it is counted as staying', async () => {
    const front = { suspension: { isBeam: false, leaf: null } };
    const spacer = (stops?: 'inStrut' | 'onFrame') => ({
      part: { kind: 'strutTopSpacer', thicknessMm: 20, motionRatio: 1, ...(stops ? { stops } : {}) },
      side: 'both',
    });
    editor([spacer('onFrame')], front);
    expect(said('asks-stop')).toContain('Nobody said where the bump stop sits');
    expect(pageText()).toContain('strut’s mount down 20');
    expect(pageText()).not.toContain('full bump');
    await choose(wrapper!, /^Where the stop is/, 'inStrut');
    expect(changed()[0]!.part).toMatchObject({ stops: 'inStrut' });
    wrapper!.unmount();
    const answered = { strut: 'inStrut', block: 'springPack' } as const;
    editor([spacer('inStrut')], { ...front, stops: answered });
    expect(said('asks-stop')).toBe('');
    expect(pageText()).toContain('full bump -20');
    wrapper!.unmount();
    editor([spacer()], front);
    expect(pageText()).toContain('As in older jobs');
    wrapper!.unmount();
    editor([], { stops: answered });
    await choose(wrapper!, /^Part for/, 'block');
    await press(/^Add$/);
    expect(changed()[0]!.part).toMatchObject({ kind: 'block', stopBearsOn: 'springPack' });
  });

  test('a new coil moves nothing until its rates are typed, each of them', async () => {
    const coil = blankPart('coilSpring', 1);
    const all = PART_FIELDS.coilSpring;
    expect(coil.starting).toEqual(all.map(nameOf));
    editor([{ part: coil, side: 'both' }], { suspension: { isBeam: true, leaf: null } });
    expect(said('part-wanting')).toContain('new, n/mm');
    await type(/^New, N\/mm/, '65');
    const { part } = changed()[0]!;
    expect(part).toMatchObject({ next: { rateNPerMm: 65 } });
    expect(part['starting']).toHaveLength(all.length - 1);
    wrapper!.unmount();
    const last = { ...coil, starting: ['springLoadN'] };
    editor([{ part: last, side: 'both' }], { suspension: { isBeam: true, leaf: null } });
    await type(/^Load on the spring/, '6000');
    expect(changed()[0]!.part).not.toHaveProperty('starting');
  });

  test('a corner seen to sink under a load answers for rate, share and ratio', async () => {
    editor(
      [{ part: { ...blankPart('load'), starting: ['weightKg', 'share', 'rateNPerMm', 'motionRatio'] }, side: 'both' }],
      {
        suspension: { isBeam: false, leaf: null },
      },
    );
    await type(/^Or seen to sink by/, '1 in');
    expect(changed()[0]!.part).toMatchObject({ sinksMm: 25.4, starting: ['weightKg'] });
  });

  test('what the job measured elsewhere need not be typed: the fitted strut’s lengths', async () => {
    const front = { suspension: { isBeam: false, leaf: null }, known: { replacesOpenMm: 512, replacesClosedMm: 377 } };
    editor([], front);
    await choose(wrapper!, /^Part for/, 'coilOver');
    await press(/^Add$/);
    expect(changed()[0]!.part).toMatchObject({
      replacesOpenMm: 512,
      replacesClosedMm: 377,
      starting: ['liftMm', 'openMm', 'closedMm', 'motionRatio'],
    });
  });

  test('new upper arms say that what was surveyed on the old ones is to be measured anew', async () => {
    editor([{ part: { kind: 'upperArm', casterDeg: 2 }, side: 'both' }], { suspension: { isBeam: false, leaf: null } });
    expect(pageText()).toContain('caster +2.0°');
    wrapper!.findComponent({ name: 'VCheckbox' }).vm.$emit('update:modelValue', true);
    expect(changed()[0]!.part).toMatchObject({ measured: true });
  });

  test('a number is read in inches and changes that part alone', async () => {
    const [first, second] = [blankPart('ride'), blankPart('body')];
    editor([
      { part: first, side: 'both' },
      { part: second, side: 'both' },
    ]);
    const [length] = PART_FIELDS.ride.filter(({ isLength }) => isLength);
    await type(new RegExp(`^${length!.label}`), '2 in');
    expect(changed()[1]).toEqual({ part: second, side: 'both' });
    expect(Object.values(changed()[0]!.part)).toContain(50.8);
  });

  test('a part that does not go with the suspension is said not to', () => {
    editor([{ part: blankPart('block'), side: 'both' }], { suspension: { isBeam: false, leaf: null } });
    expect(
      all('[role="status"]')
        .map((one) => one.text())
        .join(' '),
    ).toContain('not for this suspension');
  });

  test('a lift entered on the bench can be made a part', async () => {
    editor([], { ownLiftMm: 40 });
    expect(pageText()).toContain('+40 mm counts beside these');
    await press(/^Make it a part/);
    expect(wrapper!.emitted('own')).toHaveLength(1);
  });

  test('the ratio is asked once for all parts on the springs: 1 on a beam axle, measured on an independent wheel', async () => {
    const collar = { kind: 'collar', lowestOverSeatMm: 5, turns: 4, pitchMm: 2, motionRatio: 0.6 };
    editor([{ part: collar, side: 'both' }], { linkageRatio: 0.71, suspension: { isBeam: false, leaf: null } });
    expect(fields(/^Spring travel over wheel travel/)).toHaveLength(1);
    await press(/^Take it for all/);
    expect(wrapper!.emitted('ratio')!.at(-1)).toEqual([0.71]);
    await type(/^Spring travel over wheel travel/, '0.65');
    expect(wrapper!.emitted('ratio')!.at(-1)).toEqual([0.65]);
    wrapper!.unmount();
    editor([], { suspension: { isBeam: true, leaf: null } });
    await choose(wrapper!, /^Part for/, 'springSpacer');
    await press(/^Add$/);
    // A coil on a beam axle: a spacer of 2 in lifts 2 in (common practice, no source).
    expect(changed()[0]!.part).toMatchObject({ motionRatio: 1, starting: ['thicknessMm'] });
  });

  test('a turn of a torsion bar’s bolt lifts 5 to 6 mm by its starting key and arm (common practice, no source)', () => {
    const bar = { ...blankPart('torsionBar'), turns: 1, starting: [] } as never;
    expect(liftPartShift(bar).suspensionLiftMm).toBeGreaterThan(5);
    expect(liftPartShift(bar).suspensionLiftMm).toBeLessThan(6);
  });
});

test('the ratio typed in the room reaches every part of the axle on its springs', async () => {
  ({ job } = await openedJob());
  job!.changeSetup((file) =>
    setAxleParts(file, 'front', [
      { part: { ...blankPart('springSpacer'), starting: ['motionRatio'] } as never, side: 'both' },
      { part: { kind: 'bumpStop', lengthMm: 20, motionRatio: 1 }, side: 'both' },
    ]),
  );
  await stance('heights');
  // Half of a number leaves what stood there.
  await type(/^Thickness/, '40x');
  expect(Object.values(job!.document!.setup!.corners!)[0]!.parts![0]).toMatchObject({ thicknessMm: 20 });
  await type(/^Spring travel over wheel travel/, '0.5');
  expect(job!.document!.stance!.front!.springRatio).toBe(0.5);
  const parts = Object.values(job!.document!.setup!.corners!)[0]!.parts!;
  expect(parts).toEqual([
    { kind: 'springSpacer', thicknessMm: 20, motionRatio: 0.5 },
    { kind: 'bumpStop', lengthMm: 20, motionRatio: 1 },
  ]);
});
