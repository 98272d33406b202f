import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, choose, field, keys, pageText, press, said, type, valueIn } from '../testing/page';
import { cornerLimits } from '../job/corner-limits';
import BaselineRoom from './BaselineRoom.vue';
import { blankCorner, mirroredCorner, newCorner } from './blank-corner';

let job: JobStore;
let wrapper: VueWrapper;

const baseline = async (corner: CornerKey = 'frontLeft'): Promise<void> => {
  wrapper = await mountedInJob(BaselineRoom, {}, { room: 'baseline', query: { corner } });
  await flushPromises();
};
const corners = () => job.document!.corners;

beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => {
  wrapper.unmount();
  job.close();
});

describe('heights round the vehicle', () => {
  test('are kept in mm with what was typed, corner by corner', async () => {
    await baseline();
    await type(/^Front left: hub to lip/, '20 1/2 in');
    expect(corners().frontLeft!.hubToLipMm).toBeCloseTo(520.7, 6);
    expect(corners().frontLeft!.typed).toMatchObject({ hubToLipMm: '20 1/2 in' });
  });

  test('a corner that was not there is taken with its first height', async () => {
    job.change((file) => delete file.corners.rearRight);
    await baseline();
    expect(corners().rearRight).toBeUndefined();
    await type(/^Rear right: ground to lip/, '900');
    expect(corners().rearRight!.groundToLipMm).toBe(900);
  });

  test('both heights of a corner make a loaded radius, and one that no tire can stand is said', async () => {
    await baseline();
    await type(/^Front left: hub to lip/, '520');
    await type(/^Front left: ground to lip/, '900');
    expect(said('radius-frontLeft')).toContain('380 mm');
    await type(/^Front left: ground to lip/, '1100');
    expect(field(/^Front left: ground to lip/).text()).toContain('The other side reads');
    await press(/^It is so/);
    expect(said('radius-frontLeft')).toContain('more than this tire can stand');
  });

  test('what is folded says what stands in it, and warns of what cannot move', async () => {
    await baseline();
    const says = (title: string): string =>
      all('details > summary')
        .find((one) => one.text().startsWith(title))!
        .text();
    expect(says('Bushing give')).toContain('none of 4 entered');
    await type(/^Bushings give toward the body by/, '3');
    expect(says('Bushing give')).toContain('1 of 4 entered');
    await type(/^Shock fully open/, '500 mm');
    await type(/^Shock fully closed/, '520 mm');
    const underbody = all('details').find((one) => one.find('summary').text().startsWith('Underbody'))!;
    expect(underbody.find('summary .verdict-close').exists()).toBe(true);
    expect(underbody.text()).toContain('must be longer than closed');
  });

  test('the rake is the rear over the front, both sides together', async () => {
    await baseline();
    for (const [name, mm] of [
      ['Front left', 900],
      ['Front right', 900],
      ['Rear left', 930],
      ['Rear right', 930],
    ] as const) {
      await type(new RegExp(`^${name}: ground to lip`), String(mm));
    }
    expect(said('rake')).toBe('+30 mm');
  });

  test('pressure is read in psi or kPa; what cannot be one is refused at its field', async () => {
    await baseline();
    await type(/^Front left: pressure/, '35 psi');
    // 1 psi = 6.894757 kPa (NIST SP 811, B.8).
    expect(corners().frontLeft!.tirePressureKpa).toBeCloseTo(35 * 6.894757, 2);
    await type(/^Front left: pressure/, 'hard');
    expect(field(/^Front left: pressure/).text()).toContain('hard');
    expect(corners().frontLeft!.tirePressureKpa).toBeCloseTo(241.316, 2);
    await type(/^Front left: pressure/, '');
    expect(corners().frontLeft).not.toHaveProperty('tirePressureKpa');
  });
});

describe('one corner', () => {
  test('a corner not taken yet says so, and is taken with a press', async () => {
    job.change((file) => delete file.corners.rearLeft);
    await baseline('rearLeft');
    expect(pageText()).toContain('Rear left has not been taken yet');
    await press(/^Take this corner/);
    expect(corners().rearLeft).toBeDefined();
  });

  test('a tire and wheel that are just what stands in are confirmed by a press; another number in one settles that one', async () => {
    const starting = (): readonly string[] => corners().frontLeft!.starting ?? [];
    const again = (): void => job.change((file) => void (file.corners.frontLeft!.starting = ['tire', 'wheel']));
    again();
    await baseline();
    await press(/^Read off: it is so/);
    expect(starting()).toEqual([]);
    again();
    await flushPromises();
    await type(/^Rim width/, `${corners().frontLeft!.fitted.wheel.widthIn + 0.5} in`);
    expect(starting()).toEqual(['tire']);
  });

  test('starting values are said to be nobody’s measurements', async () => {
    job.change((file) => (file.corners.frontLeft = blankCorner('frontLeft')));
    await baseline();
    expect(said('starting-values')).toContain('the travel to full droop');
    expect(said('starting-values')).toContain('the size of the tire now fitted');
  });

  test('a starting value stays one until that very number is typed, even the same, whatever else is', async () => {
    job.change((file) => (file.corners.frontLeft = blankCorner('frontLeft')));
    await baseline();
    const starting = () => corners().frontLeft!.starting ?? [];
    await type(/^Travel to full droop/, '95');
    expect(starting()).not.toContain('droopMm');
    expect(starting()).toContain('bumpMm');
    // Eighty is what stood there.
    await type(/^Travel to full squash/, '80');
    expect(starting()).not.toContain('bumpMm');
    expect(corners().frontLeft!.travel).toMatchObject({ bumpMm: 80, droopMm: 95 });
    await type(/^Tire size/, '275/65R18');
    expect(starting()).not.toContain('tire');
    expect(starting()).toContain('wheel');
    await type(/^Spacer/, '5');
    await type(/^Measured width/, '270');
    expect(starting()).toContain('wheel');
    expect(field(/^This wheel at full left lock/).text()).toContain('not measured');
  });

  test('a suspension that is chosen brings numbers that nobody measured, until they are typed', async () => {
    job.change((file) => delete file.corners.frontLeft!.starting);
    await baseline();
    await choose(wrapper, /^Suspension/, 'macphersonStrut');
    expect(corners().frontLeft).toMatchObject({ motion: { type: 'macphersonStrut' }, starting: ['motion'] });
    await type(/^Lower arm, pivot/, '340');
    expect(corners().frontLeft).not.toHaveProperty('starting');
  });

  test('a beam axle starts from stops inboard, flagged; a ramp reading is taken hub to lip, and says where they stand', async () => {
    job.change((file) => {
      const corner = file.corners.frontLeft!;
      delete corner.starting;
      Object.assign(corner, { hubToLipMm: 500, travel: { bumpMm: 90, droopMm: 120 }, obstacles: [] });
      delete file.corners.frontRight!.hubToLipMm;
    });
    await baseline();
    await choose(wrapper, /^Suspension/, 'beamAxle');
    const motion = () => corners().frontLeft!.motion;
    expect(motion()).toMatchObject({ stopSpacingMm: 900, shockSpacingMm: 900 });
    expect(corners().frontLeft!.starting).toEqual(
      expect.arrayContaining(['motion', 'stopSpacingMm', 'shockSpacingMm']),
    );
    for (const axis of [/^Steering axis inboard/, /^Steering axis leans/, /^Caster/, /^Axis ahead/])
      await type(axis, '4');
    await type(/^Hub face to hub face/, '1600');
    // What stands in goes with the axle.
    expect(motion()).toMatchObject({ hubSpacingMm: 1600, stopSpacingMm: 960 });
    await type(/^Shock to shock/, '1100');
    expect(corners().frontLeft!.starting).toEqual(['stopSpacingMm']);
    await type(/^Panhard rod, frame end: inboard/, '1300');
    await type(/^Panhard rod, axle end: inboard/, '200');
    expect(motion()).toMatchObject({ points: { panhardFrame: [0, -1300, 0], panhardAxle: [0, -200, 0] } });
    await choose(wrapper, /^The axle is led by/, 'leaf');
    expect(motion()).toMatchObject({ leaf: true });
    await choose(wrapper, /^The axle is led by/, 'arms');
    expect(motion()).not.toHaveProperty('leaf');
    await type(/^Lower arm, frame end/, '-650');
    // A front axle's arms run back from it.
    expect(motion()).toMatchObject({ points: { lowerArmFrame: [-650, 0, 20], upperArmAxle: [-40, 0, 120] } });
    await choose(wrapper, /^The axle is led by/, 'link');
    expect(motion()).not.toHaveProperty('points.lowerArmFrame');

    expect(pageText()).toContain('take hub center to fender lip of both wheels first');
    await type(/^Front right: hub to lip/, '496');
    await type(/^On a ramp, this stop closed/, '352');
    await type(/^… and hub to lip at the other wheel/, '616');
    expect(corners().frontLeft!.travel).toMatchObject({ rampHereMm: 148, rampOtherMm: -120 });
    expect(cornerLimits(job.document, 'frontLeft')!.stops!.stops).toBeCloseTo((2 * 90 - 28) / 268, 9);
    const { highest } = cornerLimits(job.document, 'frontLeft')!;
    expect(said('flex-says')).toMatch(/^Both wheels together reach 90 mm .* up and 120 mm .* down\./);
    expect(said('flex-says')).toContain(`One wheel alone reaches ${highest.toFixed(1)} mm`);
    await type(/^Bump stop to bump stop/, '900');
    expect(corners().frontLeft).not.toHaveProperty('starting');
    expect(cornerLimits(job.document, 'frontLeft')!.stops!.stops).toBeCloseTo(900 / 1600, 9);
    // Another suspension has no such stops, and nobody's numbers of them.
    await choose(wrapper, /^Suspension/, 'trailingArm');
    expect(corners().frontLeft!.starting).toEqual(['motion']);
  });

  test('the angle of an arm stands for the rise of its pivot: its length times the sine', async () => {
    await baseline();
    await choose(wrapper, /^Suspension/, 'doubleWishbone');
    await type(/^Lower arm, pivot to ball joint/, '400');
    await type(/^Or its angle/, '10');
    // 400 mm x sin 10 degrees.
    expect(corners().frontLeft!.motion).toMatchObject({ tape: { lowerArmRiseMm: 69.5 } });
    await type(/^Its pivot above the ball joint/, '-35');
    expect(valueIn(/^Or its angle/)).toBe('-5');
    await type(/^Or its angle/, '');
    expect(corners().frontLeft!.motion).not.toHaveProperty('tape.lowerArmRiseMm');
  });

  test('where the bump stop sits is kept, and can be taken back to not looked at', async () => {
    await baseline();
    await choose(wrapper, /^The bump stop sits/, 'insideStrut');
    expect(corners().frontLeft!.travel.stopSits).toBe('insideStrut');
    await choose(wrapper, /^The bump stop sits/, null);
    expect(corners().frontLeft!.travel).not.toHaveProperty('stopSits');
  });

  test('the lock nobody read follows the one that was, once wheelbase and track are known', async () => {
    job.change((file) => {
      file.corners.frontLeft = blankCorner('frontLeft');
      delete file.vehicle.wheelbaseMm;
      delete file.vehicle.trackFrontMm;
    });
    await baseline();
    const steering = () => corners().frontLeft!.steering!;
    // Left is the inner lock of the left wheel, read on a turn plate.
    expect(steering()).toMatchObject({ lockLeftDeg: 37, lockRightDeg: 32, lockMeasured: 'heading' });
    await type(/^This wheel at full left lock/, '36');
    expect(steering().lockRightDeg).toBe(32);
    await type(/^Wheelbase/, '120 in');
    await type(/^Front track/, '1600');
    expect(job.document!.vehicle).toMatchObject({ wheelbaseMm: 3048, trackFrontMm: 1600 });
    await type(/^This wheel at full left lock/, '38');
    // cot 38 + 1600/3048 = cot 29.0 (Ackermann).
    expect(steering().lockRightDeg).toBeCloseTo(29, 1);
    expect(corners().frontLeft!.starting).toContain('lockRightDeg');
    await type(/^This wheel at full right lock/, '31');
    await type(/^This wheel at full left lock/, '37');
    expect(steering().lockRightDeg).toBe(31);
    await type(/^Front track/, '');
    expect(job.document!.vehicle).not.toHaveProperty('trackFrontMm');
  });

  test('what bushings give, what it is aligned to and how far that adjusts are kept, and can be left out again', async () => {
    await baseline();
    await type(/^Bushings give toward the body/, '4');
    await type(/^Aligned to a camber/, '-0.5');
    await type(/^Camber adjusts either way/, '1.2');
    expect(corners().frontLeft).toMatchObject({
      complianceMm: { body: 4 },
      alignTo: { camberDeg: -0.5 },
      adjusters: { camberByDeg: 1.2 },
    });
    await type(/^Bushings give toward the body/, '');
    await type(/^Aligned to a camber/, '');
    await type(/^Camber adjusts either way/, '');
    for (const gone of ['alignTo', 'adjusters']) expect(corners().frontLeft).not.toHaveProperty(gone);
    expect(corners().frontLeft!.complianceMm ?? {}).not.toHaveProperty('body');
  });

  test('what is fixed to an arm goes to the arm once the arms are measured, and back to the axle without', async () => {
    job.change((file) => {
      const corner = file.corners.frontLeft!;
      corner.motion = { type: 'swingArm' };
      corner.obstacles = [{ id: 'arm-end', mount: 'axle', material: 'arm', readings: [] }];
    });
    await baseline();
    await choose(wrapper, /^Suspension/, 'doubleWishbone');
    expect(job.document!.corners.frontLeft!.obstacles[0]!.mount).toBe('upperArm');
    await choose(wrapper, /^Suspension/, 'beamAxle');
    expect(job.document!.corners.frontLeft!.obstacles[0]!.mount).toBe('axle');
  });

  test('mirroring takes the other side over, keeps heights and readings, and says that it was not measured', async () => {
    job.change((file) => {
      file.corners.frontRight = newCorner('frontRight', file.corners);
      delete file.corners.frontRight.mirroredFrom;
      file.corners.frontRight.hubToLipMm = 511;
      file.corners.frontLeft!.travel.bumpMm = 77;
    });
    await baseline('frontRight');
    const { obstacles } = corners().frontRight!;
    await press(/^Mirror front left/);
    expect(corners().frontRight).toMatchObject({ hubToLipMm: 511, travel: { bumpMm: 77 }, mirroredFrom: 'frontLeft' });
    expect(corners().frontRight!.obstacles).toEqual(obstacles);
    expect(said('mirrored-frontRight')).toContain('not measured');
    await press(/^It has been measured now/);
    expect(corners().frontRight).not.toHaveProperty('mirroredFrom');
    expect(said('mirrored-frontRight')).toBe('');
  });

  test('a travel beyond what any vehicle has stays typed and changes nothing', async () => {
    await baseline();
    const before = corners().frontLeft!.travel.bumpMm;
    await type(/^Bump/, '9000');
    expect(corners().frontLeft!.travel.bumpMm).toBe(before);
    expect(valueIn(/^Bump/)).toBe('9000');
    expect(field(/^Bump/).text()).toContain('found 9000');
  });

  test('a lock is in degrees; an unsteered corner has none', async () => {
    await baseline();
    await type(/lock.*left|left.*lock/i, '33.5');
    expect(corners().frontLeft!.steering!.lockLeftDeg).toBe(33.5);
    wrapper.unmount();
    await baseline('rearLeft');
    expect(keys(/Full left lock/)).toEqual([]);
    expect(corners().rearLeft?.steering).toBeUndefined();
  });
});

describe('corners that begin', () => {
  test('a mirrored corner mirrors what stands to the left and right, and turns the locks round', () => {
    const left = blankCorner('frontLeft');
    left.steering = { ...left.steering!, lockLeftDeg: 30, lockRightDeg: 34 };
    const picture = { photoId: '7e032031-cf29-438c-98f4-73c7bf84d91f', widthPx: 1600, heightPx: 1200 };
    left.photos = [{ ...picture, steer: 'straight', rim: [], outline: [], traces: [] }];
    const right = mirroredCorner('frontRight', left);
    expect(right.steering).toMatchObject({ lockLeftDeg: 34, lockRightDeg: 30 });
    expect(right.mirroredFrom).toBe('frontLeft');
    expect(right.obstacles).toEqual([]);
    // What was pictured on the other side was not pictured here.
    expect(right).not.toHaveProperty('photos');
    expect(right.fitted).toEqual(left.fitted);
  });

  test('a panhard rod is the same rod on both sides: its ends are reflected about the middle of the axle', () => {
    const left = blankCorner('rearLeft');
    left.motion = {
      type: 'beamAxle',
      hubSpacingMm: 1500,
      points: { panhardFrame: [120, -300, 60], panhardAxle: [120, -1200, 20] },
    };
    const { motion } = mirroredCorner('rearRight', left);
    // 300 mm inboard of the left hub face is 1 200 mm inboard of the right one.
    expect(motion).toMatchObject({ points: { panhardFrame: [120, -1200, 60], panhardAxle: [120, -300, 20] } });
    expect(mirroredCorner('rearLeft', { ...left, motion }).motion).toEqual(left.motion);
  });

  test('the first corner of another axle starts from the tire, the wheel and the travel known, none of it measured', () => {
    const front = {
      ...blankCorner('frontLeft'),
      travel: { bumpMm: 61, droopMm: 99 },
      skipped: ['body-mount', 'liner'],
    };
    front.fitted = { ...front.fitted, tire: { size: '31x10.50R15', measuredDiameterMm: 780 } };
    delete front.starting;
    const rear = newCorner('rearLeft', { frontLeft: front });
    expect(rear).toMatchObject({ travel: front.travel, fitted: { tire: { size: '31x10.50R15' } } });
    expect(rear.fitted.tire).toEqual({ size: '31x10.50R15' });
    expect(rear.starting).toEqual(expect.arrayContaining(['tire', 'wheel', 'bumpMm', 'droopMm', 'motion']));
    expect(rear.skipped).toEqual(['body-mount']);
  });

  test('what stands in for a measurement still does on the mirrored side', () => {
    const left = blankCorner('frontLeft');
    expect(mirroredCorner('frontRight', left).starting).toEqual(left.starting);
  });

  test('only front corners steer', () => {
    expect(blankCorner('frontRight').steering).toBeDefined();
    expect(blankCorner('rearRight').steering).toBeUndefined();
  });
});
