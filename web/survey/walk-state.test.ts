import { describe, expect, test } from '@jest/globals';
import type { LowgapCorner, LowgapReading } from '@/contracts/lowgap-file';
import { STEERED_WALK, STRAIGHT_WALK } from '@/core/3-survey/walk/usual-walk';
import { blankCorner } from '../baseline/blank-corner';
import {
  engineAsks,
  knownHeight,
  numbersLeft,
  obstacleOfStop,
  openSteps,
  skipKey,
  type Asked,
  type GapAsked,
} from './walk-state';

const front = (): LowgapCorner => ({ ...blankCorner('frontLeft'), hubToLipMm: 520 });
const rear = (): LowgapCorner => ({ ...blankCorner('rearLeft'), hubToLipMm: 540 });
const reading = (more: Partial<LowgapReading>): LowgapReading => ({
  clock: '12:00',
  across: 'tread',
  gapMm: 80,
  steer: 'straight',
  travelMm: 0,
  ...more,
});
const isGap = (asked: Asked): asked is GapAsked => asked.kind === 'gap';

/** Answers what is asked as the room does, one number after another. */
function answer(corner: LowgapCorner, asked: Asked): LowgapCorner {
  const known = corner.obstacles.find(({ id }) => id === asked.stop);
  const obstacle = known ?? obstacleOfStop(asked.stop, corner)!;
  const readings = obstacle.readings ?? [];
  const next = isGap(asked)
    ? [...readings, reading({ clock: asked.clock, steer: asked.steer, walkStep: asked.step! })]
    : readings.map((r) => (r.walkStep === asked.step ? { ...r, outboardMm: 12 } : r));
  const obstacles = corner.obstacles.filter((o) => o !== known);
  return { ...corner, obstacles: [...obstacles, { ...obstacle, readings: next }] };
}

function walkThrough(start: LowgapCorner, side: 'left' | 'right'): { asked: Asked[]; corner: LowgapCorner } {
  const asked: Asked[] = [];
  let corner = start;
  for (let open = openSteps(corner, side); open.length > 0; open = openSteps(corner, side)) {
    expect(asked.length).toBeLessThan(60);
    asked.push(open[0]!);
    corner = answer(corner, open[0]!);
  }
  return { asked, corner };
}

describe('the walk', () => {
  test('a steered corner takes twenty-one numbers, counted down truly, and ends', () => {
    expect(numbersLeft(openSteps(front(), 'left'))).toBe(21);
    const { asked } = walkThrough(front(), 'left');
    expect(asked).toHaveLength(21);
    expect(new Set(asked.map(({ stop }) => stop))).toEqual(new Set(STEERED_WALK.map(({ id }) => id)));
    expect(asked.filter(({ kind }) => kind === 'outboard')).toHaveLength(2);
  });

  test('the steering wheel is turned twice only: straight, left, right', () => {
    const steers = walkThrough(front(), 'left')
      .asked.filter(isGap)
      .map(({ steer }) => steer);
    const changes = steers.filter((steer, i) => i > 0 && steer !== steers[i - 1]);
    expect([steers[0], ...changes]).toEqual(['straight', 'left', 'right']);
  });

  test('on a right wheel the locks change places, and what is inboard ahead is read with the wheel turned toward it', () => {
    const asksOf = (side: 'left' | 'right', stop: string) =>
      openSteps(front(), side)
        .filter(isGap)
        .filter((asked) => asked.stop === stop)
        .map(({ steer }) => steer);
    expect(asksOf('left', 'sway-bar-link')).toEqual(['straight', 'right']);
    expect(asksOf('right', 'sway-bar-link')).toEqual(['straight', 'left']);
    expect(asksOf('left', 'body-mount')).toEqual(['straight', 'left', 'right']);
  });

  test('a wheel that does not steer has a shorter walk with heights last, and no lock in it', () => {
    const { asked } = walkThrough(rear(), 'left');
    expect(new Set(asked.map(({ stop }) => stop))).toEqual(new Set(STRAIGHT_WALK.map(({ id }) => id)));
    const gaps = asked.filter(isGap);
    expect(gaps.every(({ steer }) => steer === 'straight')).toBe(true);
    const heights = gaps.map(({ height }) => height);
    expect(heights.indexOf('bump')).toBeGreaterThan(heights.lastIndexOf('ride'));
    expect(heights.at(-1)).toBe('hang');
  });

  test('an outboard distance is asked right after its gap and handed on to the next reading of the lip', () => {
    let corner = front();
    const [first] = openSteps(corner, 'left');
    corner = answer(corner, first!);
    expect(openSteps(corner, 'left')[0]).toMatchObject({ kind: 'outboard', stop: 'fender-lip', step: 0 });
    corner = answer(corner, openSteps(corner, 'left')[0]!);
    expect(openSteps(corner, 'left')[0]).toMatchObject({ kind: 'gap', step: 1, outboardMm: 12 });
  });

  test('what was skipped, is not on the vehicle, or was surveyed another way is not asked for', () => {
    const skipped = { ...front(), skipped: [skipKey('fender-lip', 0), 'arm-end'] };
    const open = openSteps(skipped, 'left');
    expect(open.some(({ stop, step }) => stop === 'fender-lip' && step === 0)).toBe(false);
    expect(open.some(({ stop }) => stop === 'arm-end')).toBe(false);
    const freely = { ...front(), obstacles: [{ ...obstacleOfStop('frame-rail', front())!, readings: [reading({})] }] };
    expect(openSteps(freely, 'left').some(({ stop }) => stop === 'frame-rail')).toBe(false);
  });
});

test('the engine asks by the names of the obstacles there are', () => {
  const corner = { ...front(), obstacles: [obstacleOfStop('frame-rail', front())!] };
  const next = {
    id: 'frame-rail',
    steer: 'left',
    height: 'bump',
    clock: '11:10',
    across: 'innerSidewall',
    expectedMm: 41,
    worthMm: 3,
    doubtLeft: 0.5,
  } as const;
  expect(engineAsks([next], corner)).toEqual([
    expect.objectContaining({
      kind: 'gap',
      stop: 'frame-rail',
      label: 'Frame rail',
      step: null,
      nearest: true,
      expectedMm: 41,
    }),
  ]);
});

test('a stop becomes an obstacle with a mount that the suspension has', () => {
  const arm = (corner: LowgapCorner) => obstacleOfStop('arm-end', corner)!.mount;
  expect(arm(front())).toBe('upperArm');
  expect(arm({ ...front(), motion: { type: 'doubleWishbone', tape: { lowerArmMm: 380 } } })).toBe('upperArm');
  expect(obstacleOfStop('no such stop', front())).toBeNull();
  const strut = { ...front(), motion: { type: 'macphersonStrut', tape: { lowerArmMm: 380 } } } as LowgapCorner;
  expect(obstacleOfStop('strut', strut)).toMatchObject({ mount: 'knuckle', label: 'Strut or spring seat' });
  expect(obstacleOfStop('sway-bar-link', strut)!.mount).toBe('knuckle');
  expect(openSteps(strut, 'left').map(({ stop }) => stop)).not.toContain('body-mount');
  const beam = { ...front(), motion: { type: 'beamAxle', hubSpacingMm: 1500 } } as LowgapCorner;
  expect(obstacleOfStop('axle-link', beam)!.mount).toBe('axle');
  expect(openSteps(beam, 'left').map(({ label }) => label)).not.toContain('Upper arm, outer end');
});

test('a hump set up once is not asked for again, as it was typed; nothing is known of another height', () => {
  const held = reading({ hubToLipMm: 466.7, typed: { hubToLipMm: '18 3/8' } });
  const corner = { ...front(), obstacles: [{ ...obstacleOfStop('frame-rail', front())!, readings: [held] }] };
  expect(knownHeight(corner, 'bump')).toBe('18 3/8');
  expect(knownHeight(corner, 'hang')).toBeNull();
  expect(knownHeight(corner, 'ride')).toBe('');
});

test('of an edge that a picture shows the walk asks for one place with its distance outboard, once the picture can be read', () => {
  const place = { x: 0.5, y: 0.5 };
  const photo = {
    photoId: '7e032031-cf29-438c-98f4-73c7bf84d91f',
    widthPx: 1600,
    heightPx: 1200,
    steer: 'straight' as const,
    hub: place,
    rim: Array.from({ length: 6 }, () => place),
    outline: Array.from({ length: 3 }, () => place),
    traces: [{ of: 'fender-lip', along: [place, place] }],
  };
  const ofLip = (photos: LowgapCorner['photos']): number[] =>
    openSteps({ ...front(), photos }, 'left').flatMap((asked) =>
      asked.stop === 'fender-lip' && asked.step !== null ? [asked.step] : [],
    );
  const whole = ofLip(undefined);
  expect(whole.length).toBeGreaterThan(3);
  expect(ofLip([photo])).toEqual([0]);
  expect(ofLip([{ ...photo, rim: photo.rim.slice(0, 5) }])).toEqual(whole);
  expect(ofLip([{ ...photo, traces: [{ of: 'fender-lip', along: [place] }] }])).toEqual(whole);
});
