import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { attempt } from '../../1-base/problem';
import { searchToleranceMm } from '../../1-base/tolerances';
import { inToMm } from '../../1-base/units/length';
import { type CaseDescription } from '../case/case-description';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { evaluateCase, type ObstacleVerdict } from './evaluate';
import { SectionCache } from '../search/section-cache';

/** A wheel that only goes up and down, so that every gap can be worked out by hand. */
const CORNER: CornerDescription = madeCorner({
  travel: { bumpMm: 90, droopMm: 100 },
  fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 0 }, spacerMm: 0 },
});
const RADIUS = 803.8 / 2;
const HALF_WIDTH = 272.08 / 2;

const point = (id: string, at: Vec3, more: Partial<ObstacleDescription> = {}): ObstacleDescription => ({
  id,
  mount: 'body',
  material: 'sheetMetal',
  shape: { type: 'points', points: [at] },
  ...more,
});

const verdicts = (
  obstacles: readonly ObstacleDescription[],
  setup: Partial<SetupDescription> = {},
  more: Partial<CaseDescription> = {},
  corner: Partial<CornerDescription> = {},
): Map<string, ObstacleVerdict> => {
  const description: CaseDescription = madeCase({
    corners: { frontLeft: { ...CORNER, ...corner, obstacles } },
    setup: { ...fittedAsSetup(CORNER.fitted), ...setup },
    ...more,
  });
  return new Map(evaluateCase(description).obstacles.map((o) => [o.id, o]));
};

const ABOVE = point('above', [0, 0, 600]);

describe('lift parts move what they really move (facts of the trade: common practice, no source)', () => {
  const gap = (setup: Partial<SetupDescription>, obstacle = ABOVE): number =>
    verdicts([obstacle], setup).get(obstacle.id)!.gapMm;
  const stock = gap({});

  test('by hand: full bump leaves 600 - 90 - radius', () => {
    expect(stock).toBeCloseTo(600 - 90 - RADIUS, 6);
  });

  test.each<[string, SetupDescription['parts'], number]>([
    ['springs leave the stop and so the gap at full bump', [{ kind: 'ride', liftMm: 50 }], 0],
    ['a preload spacer too', [{ kind: 'springSpacer', thicknessMm: 30, motionRatio: 0.6 }], 0],
    ['a shackle too', [{ kind: 'shackle', extraMm: 60, share: 0.5 }], 0],
    [
      'a strut-top spacer lowers both limits: 2 in through 0.67 is about 3 in',
      [{ kind: 'strutTopSpacer', thicknessMm: inToMm(2), motionRatio: 0.67 }],
      inToMm(2) / 0.67,
    ],
    [
      'a bump stop of 20 mm at a ratio of 0.5 is 40 at the wheel',
      [{ kind: 'bumpStop', lengthMm: 20, motionRatio: 0.5 }],
      40,
    ],
    [
      'a block under a stop that bears on the axle changes nothing there',
      [{ kind: 'block', thicknessMm: 76, replacesMm: 25, stopBearsOn: 'axle', droopSetBy: 'spring' }],
      0,
    ],
    [
      'a block under a stop that bears on the spring pack: 3 in for 1 in nets 2 in',
      [
        {
          kind: 'block',
          thicknessMm: inToMm(3),
          replacesMm: inToMm(1),
          stopBearsOn: 'springPack',
          droopSetBy: 'shock',
        },
      ],
      inToMm(2),
    ],
    ['a drop bracket lowers the wheel against the body', [{ kind: 'drop', dropMm: 35 }], 35],
    ['a body lift raises body things', [{ kind: 'body', liftMm: 60 }], 60],
  ])('%s', (_name, parts, more) => {
    expect(gap({ parts })).toBeCloseTo(stock + more, 6);
  });

  test('a body lift leaves frame-mounted things where they were', () => {
    const frame = point('frame', [0, 0, 600], { mount: 'frame' });
    expect(gap({ parts: [{ kind: 'body', liftMm: 60 }] }, frame)).toBeCloseTo(stock, 6);
  });

  test('longer droop meets what hangs below; a strut-top spacer goes there too', () => {
    const below = point('below', [0, HALF_WIDTH + 30, -480], { mount: 'frame' });
    const before = gap({}, below);
    expect(gap({ parts: [{ kind: 'longerShock', extraMm: 30, motionRatio: 0.6 }] }, below)).toBeLessThan(before - 1);
    expect(gap({ parts: [{ kind: 'strutTopSpacer', thicknessMm: 30, motionRatio: 0.6 }] }, below)).toBeLessThan(
      before - 1,
    );
  });
});

describe('the three standards on one corner', () => {
  // A liner pressed in by less than 5 mm at full bump is a kiss.
  const liner = (z: number): ObstacleDescription => point('liner', [0, 0, z], { material: 'liner' });
  const full = 90 + RADIUS;

  test('a kiss near full bump is clear for one school and rubs for the other', () => {
    const kissed = [liner(full - 4)];
    expect(verdicts(kissed).get('liner')!.marginMm).toBeCloseTo(-4 - 5, 6);
    const kind = verdicts(kissed, {}, { standard: 'plasticKiss' }).get('liner')!;
    expect(kind.verdict).not.toBe('rubs');
    expect(kind.marginMm).toBeCloseTo(1, 6);
    expect(kind.requiredMm).toBe(-5);
  });

  test('below three quarters of bump the kiss is a rub: the worst region decides', () => {
    const deep = verdicts([liner(full - 20)], {}, { standard: 'plasticKiss' }).get('liner')!;
    // At three quarters the gap is 22.5 - 20 = 2.5 where 5 is wanted; at full bump -20 where -5 is: the latter is worse.
    expect(deep.marginMm).toBeCloseTo(-15, 6);
    const middle = verdicts(
      [liner(full - 24)],
      {},
      { standard: 'plasticKiss' },
      { travel: { bumpMm: 90, droopMm: 10 } },
    );
    expect(middle.get('liner')!.verdict).toBe('rubs');
  });

  test('metal is metal to all of them', () => {
    for (const standard of ['neverRub', 'plasticKiss', 'cutToFit'] as const) {
      const lip = verdicts([point('lip', [0, 0, full + 7])], {}, { standard }).get('lip')!;
      expect(lip.requiredMm).toBe(8);
      // Seven of the eight wanted are left: too close, not yet a rub.
      expect(lip.verdict).toBe('tooClose');
    }
  });
});

describe('first touch and full squash', () => {
  const travel = { bumpMm: 90, droopMm: 100, firstTouchMm: 70 };
  test.each([
    [120, 'fullSquash'],
    [95, 'firstTouch'],
    [60, 'neither'],
  ] as const)('a thing %s mm above the parked tire keeps its gap up to %s', (above, keptUpTo) => {
    const found = verdicts([point('p', [0, 0, RADIUS + above])], {}, {}, { travel }).get('p')!;
    expect(found.keptUpTo).toBe(keptUpTo);
  });

  test('nothing is said where first touch was not measured', () => {
    expect(verdicts([ABOVE]).get('above')).not.toHaveProperty('keptUpTo');
  });
});

describe('allowances widen the tire', () => {
  const ahead = point('ahead', [500, 0, 0], { mount: 'frame' });
  // At the height of the widest place: rim radius and half the section height.
  const beside = point('beside', [0, 200, 17 * 12.7 + (RADIUS - 17 * 12.7) / 2], { mount: 'frame' });
  const still = { travel: { bumpMm: 0.001, droopMm: 0.001 } };
  const gapsWith = (allowances: SetupDescription['allowances']) => verdicts([ahead, beside], { allowances }, {}, still);

  test('SAE J1232 class S chains: 1.46 in off the tread, 0.59 in off the sidewall (value from memory)', () => {
    const bare = gapsWith(undefined);
    const chained = gapsWith({ chain: { treadMm: inToMm(1.46), sidewallMm: inToMm(0.59) } });
    expect(bare.get('ahead')!.gapMm - chained.get('ahead')!.gapMm).toBeCloseTo(inToMm(1.46), 3);
    expect(bare.get('beside')!.gapMm - chained.get('beside')!.gapMm).toBeCloseTo(inToMm(0.59), 3);
  });

  test('growth and tolerance add up; lugs stand out sideways; a rim protector guards the flange', () => {
    const bare = gapsWith(undefined);
    const grown = gapsWith({ growthMm: 5, radiusToleranceMm: 3, lugsMm: 6 });
    expect(bare.get('ahead')!.gapMm - grown.get('ahead')!.gapMm).toBeCloseTo(8, 3);
    expect(bare.get('beside')!.gapMm - grown.get('beside')!.gapMm).toBeCloseTo(6, 1);
    const flange = point('flange', [0, 150, 215], { mount: 'frame' });
    const rim = (rimProtectorMm: number) =>
      verdicts([flange], { allowances: { rimProtectorMm } }, {}, still).get('flange')!.gapMm;
    expect(rim(0) - rim(8)).toBeGreaterThan(4);
  });

  test('the loaded tire bulges near the ground and nowhere else', () => {
    const low = point('low', [60, HALF_WIDTH + 20, -300], { mount: 'frame' });
    const high = point('high', [60, HALF_WIDTH + 20, 300], { mount: 'frame' });
    const found = verdicts([low, high], {}, {}, still);
    const deflection = 0.12 * (RADIUS - 17 * 12.7);
    expect(found.get('high')!.gapMm - found.get('low')!.gapMm).toBeCloseTo(0.4 * deflection, 0);
  });
});

describe('what is inside the wheel', () => {
  const caliper: ObstacleDescription = {
    id: 'caliper',
    mount: 'knuckle',
    material: 'brake',
    insideWheel: true,
    shape: { type: 'points', points: [[0, -60, 190]] },
  };

  test('is measured to the barrel: 17 in seat less 17 mm, by hand', () => {
    const barrel = (17 * 25.4) / 2 - 17;
    expect(verdicts([caliper]).get('caliper')).toMatchObject({
      gapMm: expect.closeTo(barrel - 190, 6),
      across: 'barrel',
    });
  });

  test('a smaller rim takes the room; the spokes stop what stands too far out', () => {
    const fifteen = verdicts([caliper], {
      tire: { size: '265/70R15' },
      wheel: { diameterIn: 15, widthIn: 8, offsetMm: 0 },
    });
    expect(fifteen.get('caliper')!.verdict).toBe('rubs');
    const outward = { ...caliper, shape: { type: 'points' as const, points: [[0, -9, 120]] as Vec3[] } };
    expect(verdicts([outward]).get('caliper')).toMatchObject({ gapMm: expect.closeTo(9, 6), across: 'spokes' });
    // A spacer moves the pad away.
    expect(verdicts([outward], { spacerMm: 20 }).get('caliper')!.gapMm).toBeCloseTo(29, 6);
  });

  test('cannot be read from the tire', () => {
    const read = { ...caliper, readings: [{ clock: '12:00', across: 'tread', gapMm: 5, steer: 'straight' } as const] };
    expect(attempt(() => verdicts([read]))).toMatchObject({
      ok: false,
      problems: [{ path: 'corners.frontLeft.obstacles[0].readings' }],
    });
  });
});

describe('parts that come off', () => {
  const flap = point('flap', [-470, 0, -100], { material: 'plastic', removable: true });
  const bracket = point('bracket', [-520, 0, -100], { material: 'frame' });
  const run = (obstacles: readonly ObstacleDescription[], removed: readonly string[]) =>
    evaluateCase(
      madeCase({
        corners: { frontLeft: { ...CORNER, obstacles } },
        setup: { ...fittedAsSetup(CORNER.fitted), removed },
      }),
    );

  test('what stands behind is unknown until somebody looked, never clear', () => {
    const off = run([flap, bracket], ['flap']);
    expect(off.obstacles.map((o) => o.id)).toEqual(['bracket']);
    expect(off.unmeasured).toEqual([{ corner: 'frontLeft', id: 'flap', label: 'flap', why: 'behindRemoved' }]);
    expect(run([{ ...flap, behind: ['bracket'] }, bracket], ['flap']).unmeasured).toEqual([]);
    expect(run([{ ...flap, behind: [] }, bracket], ['flap']).unmeasured).toEqual([]);
    const unread = { ...bracket, shape: undefined, readings: [] };
    expect(
      run([{ ...flap, behind: ['bracket'] }, unread], ['flap'])
        .unmeasured.map((u) => u.why)
        .sort(),
    ).toEqual(['behindRemoved', 'notMeasured']);
  });

  test('what is bolted for good cannot be taken off', () => {
    expect(attempt(() => run([flap, bracket], ['bracket']))).toMatchObject({
      ok: false,
      problems: [{ code: 'contradiction', path: 'setup.removed[0]' }],
    });
  });
});

describe('readings that contradict each other', () => {
  const reading = (gapMm: number, more = {}) => ({
    clock: '2:30',
    across: 'outerShoulder' as const,
    gapMm,
    steer: 'straight' as const,
    ...more,
  });
  const disagreementsOf = (readings: ObstacleDescription['readings']) =>
    evaluateCase(
      madeCase({
        corners: { frontLeft: { ...CORNER, obstacles: [{ id: 'cap', mount: 'body', material: 'plastic', readings }] } },
      }),
    ).disagreements;

  test('two gaps at one place in one posture that differ beyond the tape are shown, with how far apart', () => {
    expect(disagreementsOf([reading(50), reading(30), reading(63)])).toEqual([
      { corner: 'frontLeft', id: 'cap', first: 0, second: 1, apartMm: 20 },
      { corner: 'frontLeft', id: 'cap', first: 0, second: 2, apartMm: 13 },
      { corner: 'frontLeft', id: 'cap', first: 1, second: 2, apartMm: 33 },
    ]);
  });

  test('a tape reads twice within a few millimeters; other places and postures are other readings', () => {
    expect(disagreementsOf([reading(50), reading(53)])).toEqual([]);
    expect(disagreementsOf([reading(50), reading(20, { travelMm: 40 })])).toEqual([]);
    expect(disagreementsOf([reading(50), reading(20, { clock: '3:00' })])).toEqual([]);
    expect(disagreementsOf([reading(50), reading(20, { across: 'innerShoulder' })])).toEqual([]);
  });
});

test.each([
  [{ bumpMm: 0, droopMm: 0 }, 'setup.bumpStopMm'],
  [{ bumpMm: 60, droopMm: 80, firstTouchMm: 70 }, 'corners.frontLeft.travel.firstTouchMm'],
])('travel %p is refused', (travel, path) => {
  expect(attempt(() => verdicts([ABOVE], {}, {}, { travel }))).toMatchObject({ ok: false, problems: [{ path }] });
});

test('what is kept from one question to the next changes no answer beyond the tolerance of the search', () => {
  const cache = new SectionCache();
  const steering = { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 95, lockLeftDeg: 35, lockRightDeg: 31 };
  const corner: CornerDescription = {
    ...CORNER,
    motion: { type: 'doubleWishbone', tape: { lowerArmMm: 380 } },
    steering,
    loadedSagMm: 30,
    obstacles: [point('lip', [300, 140, 480]), point('rail', [-380, -260, 60], { mount: 'frame' })],
  };
  const base = { ...fittedAsSetup(CORNER.fitted) };
  const rows = [{ travelMm: 0, leftDeg: 30, rightDeg: 30 }];
  const questions: [CornerDescription, Partial<SetupDescription>, Partial<CaseDescription>][] = [
    [corner, {}, {}],
    [corner, { tire: { size: '285/70R17' } }, {}],
    [corner, { spacerMm: 20 }, {}],
    [corner, { suspensionLiftMm: 30 }, {}],
    [corner, { suspensionLiftMm: 30 }, { envelope: 'street' }],
    [corner, { suspensionLiftMm: 10 }, { envelope: 'street' }],
    [corner, {}, { envelope: 'loaded' }],
    [{ ...corner, loadedSagMm: 50 }, {}, { envelope: 'loaded' }],
    [corner, {}, { envelope: 'drawn', drawnEnvelope: rows }],
    [corner, {}, { envelope: 'drawn', drawnEnvelope: [{ ...rows[0]!, leftDeg: 12 }] }],
    [corner, { steerStopLeftDeg: 20 }, {}],
    [corner, { bumpStopMm: 25 }, {}],
    [corner, { bodyLiftMm: 40 }, {}],
    [corner, { camberChangeDeg: -1 }, {}],
    [corner, { casterChangeDeg: 2 }, {}],
    [corner, { axleShiftMm: 15 }, {}],
    [corner, { parts: [{ kind: 'drop', dropMm: 20 }] }, {}],
    [{ ...corner, steering: { ...steering, lockLeftDeg: 30 } }, {}, {}],
    [{ ...corner, staticCamberDeg: 1 }, {}, {}],
    [{ ...corner, obstacles: [point('lip', [310, 140, 480])] }, {}, {}],
    [corner, {}, { standard: 'plasticKiss' }],
  ];
  const answers = questions.map(([c, setup, more]) => {
    const description: CaseDescription = madeCase({
      corners: { frontLeft: c },
      setup: { ...base, ...setup },
      ...more,
    });
    const fresh = evaluateCase(description);
    const kept = evaluateCase(description, {}, cache);
    kept.obstacles.forEach((o, i) => {
      expect(Math.abs(o.gapMm - fresh.obstacles[i]!.gapMm)).toBeLessThanOrEqual(searchToleranceMm(0));
    });
    // An answer from nothing is the same every time.
    expect(evaluateCase(description)).toEqual(fresh);
    return fresh.obstacles.map((o) => o.gapMm.toFixed(3)).join();
  });
  // The questions really differ.
  expect(new Set(answers).size).toBeGreaterThan(14);
});

test('an envelope drawn in many rows at full lock is the trail envelope', () => {
  const steering = { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 95, lockLeftDeg: 35, lockRightDeg: 31 };
  const drawnEnvelope = Array.from({ length: 60 }, (_, i) => ({ travelMm: -99 + 3.1 * i, leftDeg: 60, rightDeg: 60 }));
  const things = [
    point('lip', [300, 140, 480]),
    point('mount', [-430, -60, -150], { mount: 'frame' }),
    point('cap', [470, 90, -60]),
    point('rail', [-300, -300, 80], { mount: 'frame' }),
  ];
  const trail = verdicts(things, {}, {}, { steering });
  const drawn = verdicts(things, {}, { envelope: 'drawn', drawnEnvelope }, { steering });
  for (const [id, { gapMm }] of trail) {
    expect(Math.abs(drawn.get(id)!.gapMm - gapMm)).toBeLessThanOrEqual(searchToleranceMm(0));
  }
});

test.each([
  ['double wishbone', { type: 'doubleWishbone', tape: { lowerArmMm: 370 } }],
  ['beam axle', { type: 'beamAxle', hubSpacingMm: 1500, points: { linkPivot: [-900, 0, 60] } }],
] as const)('%s: left and right mirror each other, locks included', (_name, motion) => {
  const axis = { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 95 };
  const obstacles = [point('mount', [-430, -60, -150], { mount: 'frame' }), point('cap', [470, 90, -60])];
  const run = (key: 'frontLeft' | 'frontRight', lockLeftDeg: number, lockRightDeg: number) =>
    evaluateCase(
      madeCase({
        corners: { [key]: { ...CORNER, motion, steering: { ...axis, lockLeftDeg, lockRightDeg }, obstacles } },
      }),
    ).obstacles;
  const left = run('frontLeft', 36, 30);
  run('frontRight', 30, 36).forEach((o, i) => {
    expect(Math.abs(o.gapMm - left[i]!.gapMm)).toBeLessThanOrEqual(searchToleranceMm(0));
    expect(Math.sign(o.steerDeg)).toBe(-Math.sign(left[i]!.steerDeg));
  });
});

test('bushings let things of their mount come closer, by as much as was entered', () => {
  const stiff = verdicts([ABOVE]).get('above')!.gapMm;
  expect(verdicts([ABOVE], {}, {}, { complianceMm: { body: 3 } }).get('above')!.gapMm).toBeCloseTo(stiff - 3, 9);
  expect(verdicts([ABOVE], {}, {}, { complianceMm: { frame: 3 } }).get('above')!.gapMm).toBeCloseTo(stiff, 9);
});

describe('shapes', () => {
  test('a rod is its axis less its radius, a sheet both its faces', () => {
    const rod: ObstacleDescription = {
      ...ABOVE,
      id: 'rod',
      shape: {
        type: 'capsule',
        points: [
          [-300, 0, 600],
          [300, 0, 600],
        ],
        radiusMm: 12,
      },
    };
    const sheet: ObstacleDescription = {
      ...ABOVE,
      id: 'sheet',
      shape: {
        type: 'panel',
        points: [
          [-300, -200, 600],
          [300, -200, 600],
          [0, 400, 600],
        ],
        triangles: [[0, 1, 2]],
        thicknessMm: 4,
      },
    };
    const found = verdicts([rod, sheet]);
    expect(found.get('rod')!.gapMm).toBeCloseTo(600 - 90 - RADIUS - 12, 3);
    expect(found.get('sheet')!.gapMm).toBeCloseTo(600 - 90 - RADIUS - 2, 3);
  });

  test.each([
    [[0, 1, 7], 'outOfRange'],
    [[0, 1, 1], 'contradiction'],
  ] as const)('a triangle %p is refused', (triangle, code) => {
    const points: Vec3[] = [
      [0, 0, 600],
      [50, 0, 600],
      [0, 50, 600],
    ];
    const bad = { ...ABOVE, shape: { type: 'panel' as const, points, triangles: [triangle] } };
    expect(attempt(() => verdicts([bad]))).toMatchObject({
      ok: false,
      problems: [{ code, path: 'corners.frontLeft.obstacles[0].shape.triangles[0]' }],
    });
  });

  test('an edge read round an arch follows it: no chord cuts inside', () => {
    // Five readings an hour and a quarter apart on an arch 100 mm off the tread: every place between is 100 mm off too.
    const readings = ['9:30', '10:45', '12:00', '1:15', '2:30'].map((clock) => ({
      clock,
      across: 'tread' as const,
      gapMm: 100,
      outboardMm: 0,
      steer: 'straight' as const,
    }));
    const arch: ObstacleDescription = {
      id: 'arch',
      mount: 'frame',
      material: 'sheetMetal',
      readings,
      readingsAs: 'polyline',
    };
    const corner = { travel: { bumpMm: 0.001, droopMm: 0.001 } };
    const found = verdicts([arch], {}, {}, corner).get('arch')!;
    const single = verdicts([{ ...arch, readings: readings.slice(2, 3) }], {}, {}, corner).get('arch')!;
    expect(single.gapMm - found.gapMm).toBeLessThan(0.4);
  });
});

describe('gaps between pairs of parts', () => {
  const hung = (travel: number, link: number): number => Math.hypot(60, 80 - (travel - link));

  test('a thing on the axle rises past one on the frame; the least is where they pass', () => {
    const axle = point('perch', [0, -300, 0], { mount: 'axle' });
    const frame = point('bar', [60, -300, 80], { mount: 'frame' });
    const [pair] = evaluateCase(
      madeCase({
        corners: {
          frontLeft: { ...CORNER, obstacles: [axle, frame], pairs: [{ a: 'perch', b: 'bar', requiredMm: 8 }] },
        },
      }),
    ).pairs;
    expect(pair!.gapMm).toBeCloseTo(hung(80, 0), 3);
    expect(pair!.travelMm).toBeCloseTo(80, 1);
    expect(pair!.marginMm).toBeCloseTo(52, 3);
  });

  test.each([
    [{ a: 'perch', b: 'nobody', requiredMm: 8 }, 'corners.frontLeft.pairs[0].b', 'notFound'],
    [{ a: 'perch', b: 'other', requiredMm: 8 }, 'corners.frontLeft.pairs[0].b', 'contradiction'],
  ])('%p is refused', (pair, path, code) => {
    const axle = (id: string) => point(id, [0, -300, 0], { mount: 'axle' });
    const description: CaseDescription = madeCase({
      corners: { frontLeft: { ...CORNER, obstacles: [axle('perch'), axle('other')], pairs: [pair] } },
    });
    expect(attempt(() => evaluateCase(description))).toMatchObject({ ok: false, problems: [{ path, code }] });
  });
});

test('studs longer than a bolt-on spacer need pockets in the wheel', () => {
  const run = (spacerMm: number, studPocketMm?: number) =>
    evaluateCase(
      madeCase({
        corners: { frontLeft: { ...CORNER, studProtrusionMm: 32 } },
        setup: {
          ...fittedAsSetup(CORNER.fitted),
          wheel: { ...CORNER.fitted.wheel, studPocketMm },
          spacerMm,
          spacerType: 'boltOn',
        },
      }),
    ).studPockets[0];
  expect(run(25)).toMatchObject({ protrusionMm: 7, gapMm: -7 });
  expect(run(25, 10)).toMatchObject({ gapMm: 3 });
  expect(run(38)).toMatchObject({ protrusionMm: 0, gapMm: 0 });
});

test('on a beam axle the other wheel counts: flexed is worse than both wheels together (common practice, no source)', () => {
  const corner: Partial<CornerDescription> = {
    motion: { type: 'beamAxle', hubSpacingMm: 1500 },
    obstacles: [],
  };
  // Above and inboard of the tire: rolling the axle leans the tire's top toward it.
  const rail = point('rail', [0, -260, 330], { mount: 'frame' });
  const flexed = verdicts([rail], {}, {}, corner).get('rail')!;
  const level = verdicts([rail]).get('rail')!;
  expect(flexed.gapMm).toBeLessThan(level.gapMm - 5);
  expect(Math.abs(flexed.crossMm)).toBeGreaterThan(50);
});
