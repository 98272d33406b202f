import { SWINGING, madeCase, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { nearestPlace } from '../../1-base/geometry/outline';
import { unplace } from '../../1-base/geometry/pose';
import { attempt } from '../../1-base/problem';
import { formatFraction } from '../../1-base/units/length';
import { type CaseDescription } from '../case/case-description';
import { fittedAsSetup, type SetupDescription, fittedSetup, countParts } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { vertexOf } from '../../3-survey/shape/shape';
import { evaluateCase, type ObstacleVerdict } from './evaluate';
import { plainSweep } from '../oracle/plain-sweep';
import { prepareCorner } from '../case/prepared-corner';

const OBSTACLES: ObstacleDescription[] = [
  {
    id: 'lip',
    mount: 'body',
    material: 'sheetMetal',
    shape: {
      type: 'polyline',
      points: [
        [-330, 118, 420],
        [0, 122, 540],
        [330, 112, 425],
      ],
    },
  },
  {
    id: 'mount',
    mount: 'frame',
    material: 'bodyMount',
    shape: {
      type: 'points',
      points: [
        [-440, -40, -130],
        [-445, -90, -160],
      ],
    },
  },
  {
    id: 'rail',
    mount: 'frame',
    material: 'frame',
    shape: {
      type: 'polyline',
      points: [
        [-420, -330, 60],
        [420, -335, 70],
      ],
    },
  },
  {
    id: 'bumper',
    mount: 'body',
    material: 'plastic',
    shape: {
      type: 'polyline',
      points: [
        [455, 60, -120],
        [450, 170, 20],
      ],
    },
  },
  { id: 'joint', mount: 'knuckle', material: 'knuckle', shape: { type: 'points', points: [[0, -180, 330]] } },
];

const CORNER: CornerDescription = madeCorner({
  motion: SWINGING,
  steering: {
    inclinationDeg: 12,
    casterDeg: 3,
    kingpinOffsetMm: 95,
    casterTrailMm: 0,
    lockLeftDeg: 35,
    lockRightDeg: 31,
  },
  staticCamberDeg: 0.3,
  staticToeDeg: 0.1,
  travel: { bumpMm: 90, droopMm: 100 },
  hubToLipMm: 540,
  fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 },
  obstacles: OBSTACLES,
});

const SETUP: SetupDescription = {
  ...fittedAsSetup(CORNER.fitted),
  tire: { size: '285/70R17' },
  wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 10 },
};

const caseOf = (setup: Partial<SetupDescription> = {}, corner: Partial<CornerDescription> = {}): CaseDescription =>
  madeCase({
    corners: { frontLeft: { ...CORNER, ...corner } },
    setup: { ...SETUP, ...setup },
  });

const gaps = (description: CaseDescription): Map<string, ObstacleVerdict> =>
  new Map(evaluateCase(description).obstacles.map((o) => [o.id, o]));

const gapOf = (description: CaseDescription, id: string): number => gaps(description).get(id)!.gapMm;

describe('facts of the trade (common practice, no source)', () => {
  test('a lift that leaves the stops where they were changes no gap over the trail envelope', () => {
    const before = gaps(caseOf());
    for (const [id, after] of gaps(caseOf({ suspensionLiftMm: 50 }))) {
      expect(after.gapMm).toBeCloseTo(before.get(id)!.gapMm, 9);
    }
  });

  test('a body lift moves body-mounted obstacles and no others', () => {
    const before = gaps(caseOf());
    const after = gaps(caseOf({ bodyLiftMm: 50 }));
    expect(after.get('lip')!.gapMm).toBeGreaterThan(before.get('lip')!.gapMm + 10);
    for (const id of ['mount', 'rail', 'joint']) expect(after.get(id)!.gapMm).toBeCloseTo(before.get(id)!.gapMm, 9);
  });

  test('a longer bump stop helps above; a shorter lock helps the body mount', () => {
    expect(gapOf(caseOf({ bumpStopMm: 30 }), 'lip')).toBeGreaterThan(gapOf(caseOf(), 'lip') + 10);
    const stops = { steerStopLeftDeg: 8, steerStopRightDeg: 8 };
    expect(gapOf(caseOf(stops), 'mount')).toBeGreaterThan(gapOf(caseOf(), 'mount'));
  });

  test('diameter grows in radius: straight ahead, 2 in taller is 1 in closer all round', () => {
    const still = { steering: undefined, travel: { bumpMm: 0.001, droopMm: 0.001 } };
    const ahead: ObstacleDescription[] = [
      {
        id: 'ahead',
        mount: 'frame',
        material: 'frame',
        shape: {
          type: 'points',
          points: [
            [600, 0, 0],
            [0, 0, 600],
          ],
        },
      },
    ];
    const fitment = (size: string) => ({ tire: { size }, wheel: { diameterIn: 17, widthIn: 9, offsetMm: 0 } });
    const smaller = gapOf(caseOf(fitment('33x12.50R17'), { ...still, obstacles: ahead }), 'ahead');
    const taller = gapOf(caseOf(fitment('35x12.50R17'), { ...still, obstacles: ahead }), 'ahead');
    expect(smaller - taller).toBeCloseTo(25.4, 6);
  });

  test('tall and narrow clears more than tall and wide, at the fender and inboard', () => {
    const wheel = { diameterIn: 17, widthIn: 8.5, offsetMm: 10 };
    const narrow = gaps(caseOf({ tire: { size: '35x10.50R17LT' }, wheel }));
    const wide = gaps(caseOf({ tire: { size: '35x12.50R17LT' }, wheel }));
    for (const id of ['lip', 'rail', 'mount', 'joint']) {
      expect(narrow.get(id)!.gapMm).toBeGreaterThan(wide.get(id)!.gapMm);
    }
  });

  test('more offset helps at the fender and hurts inboard; a spacer does the opposite', () => {
    const base = gaps(caseOf());
    const more = gaps(caseOf({ wheel: { ...SETUP.wheel, offsetMm: 30 } }));
    const spaced = gaps(caseOf({ spacerMm: 20 }));
    expect(more.get('lip')!.gapMm).toBeGreaterThan(base.get('lip')!.gapMm);
    expect(more.get('joint')!.gapMm).toBeLessThan(base.get('joint')!.gapMm);
    expect(spaced.get('lip')!.gapMm).toBeLessThan(base.get('lip')!.gapMm);
    expect(spaced.get('joint')!.gapMm).toBeGreaterThan(base.get('joint')!.gapMm);
  });

  test('the street envelope is never worse than the trail envelope', () => {
    const street = gaps({ ...caseOf({ suspensionLiftMm: 20 }), envelope: 'street' });
    for (const [id, trail] of gaps(caseOf({ suspensionLiftMm: 20 }))) {
      expect(street.get(id)!.gapMm).toBeGreaterThanOrEqual(trail.gapMm - 0.01);
    }
  });
});

test('left and right mirror each other, locks included', () => {
  const mirrored = { ...CORNER, steering: { ...CORNER.steering!, lockLeftDeg: 31, lockRightDeg: 35 } };
  const left = evaluateCase(caseOf());
  const right = evaluateCase({ ...caseOf(), corners: { frontRight: mirrored } });
  right.obstacles.forEach((o, i) => {
    const other = left.obstacles[i]!;
    expect(o.gapMm).toBeCloseTo(other.gapMm, 4);
    expect(Math.abs(o.steerDeg + other.steerDeg)).toBeLessThan(0.1);
    expect(Math.hypot(...o.at.map((v, k) => v - other.at[k]!))).toBeLessThan(0.5);
  });
});

describe('readings land where the tape was held', () => {
  const still = { bumpMm: 60, droopMm: 60 };
  const withReading = (reading: object, mount: 'body' | 'knuckle' = 'body'): CornerDescription => ({
    ...CORNER,
    travel: still,
    obstacles: [{ id: 'r', mount, material: 'frame', readings: [reading as never] }],
  });

  test("the gap of the fitted tire in the reading's own posture is the reading", () => {
    for (const across of ['tread', 'outerShoulder', 'innerShoulder', 'outerSidewall', 'innerSidewall']) {
      for (const [steer, travel] of [
        ['straight', 0],
        ['left', 20],
        ['right', -30],
        [12, 55],
      ] as const) {
        for (const clock of ['12:00', '10:20', '2:45', '8:00']) {
          const corner = prepareCorner(
            'frontLeft',
            withReading({ clock, across, gapMm: 73, steer, travelMm: travel }),
            fittedSetup(CORNER.fitted),
            'trail',
          );
          const state = corner.motion.carrierAt(travel, 0);
          const locks = corner.motion.locksAt(state);
          const angle =
            steer === 'straight'
              ? 0
              : steer === 'left'
                ? locks.left
                : steer === 'right'
                  ? -locks.right
                  : (steer * Math.PI) / 180;
          const [x, a, z] = unplace(
            corner.motion.wheelPose({ travel, steer: angle }),
            vertexOf(corner.obstacles[0]!.pieces, 0, 0),
          );
          const d = nearestPlace(
            corner.rotor.section.outline,
            a - corner.rotor.centrePlaneMm,
            Math.hypot(x, z),
          ).distance;
          expect(d).toBeCloseTo(73, 6);
        }
      }
    }
  });

  test('with an outboard distance the gap is radial; by hand: 12:00, straight, ride', () => {
    const corner = prepareCorner(
      'frontLeft',
      {
        ...withReading({ clock: '12:00', across: 'tread', gapMm: 110, outboardMm: 12, steer: 'straight' }),
        staticCamberDeg: 0,
        staticToeDeg: 0,
      },
      fittedSetup(CORNER.fitted),
      'trail',
    );
    // Radius 803.8/2 + 110; y = -30 + width/2 + 12, width = 265 + 0.4 x (8 x 25.4 - 0.7 x 265) = 272.08.
    const [x, y, z] = vertexOf(corner.obstacles[0]!.pieces, 0, 0);
    expect(x).toBeCloseTo(0, 9);
    expect(y).toBeCloseTo(-30 + 272.08 / 2 + 12, 9);
    expect(z).toBeCloseTo(803.8 / 2 + 110, 9);
    expect(corner.obstacles[0]!.lateralToleranceMm).toBe(0);
  });

  test('a bump reading by hub-to-lip is the same reading by travel', () => {
    const at = (extra: object) =>
      prepareCorner(
        'frontLeft',
        withReading({ clock: '11:00', across: 'tread', gapMm: 40, steer: 'left', ...extra }),
        countParts(SETUP),
        'trail',
      ).obstacles[0]!;
    expect(at({ hubToLipMm: 500 }).pieces).toEqual(at({ travelMm: 40 }).pieces);
    expect(at({ travelMm: 40 }).lateralToleranceMm).toBeCloseTo(272.08 / 2, 6);
  });

  test('a thing on the knuckle keeps its gap in every posture', () => {
    const swept = plainSweep(
      prepareCorner(
        'frontLeft',
        withReading({ clock: '1:00', across: 'innerSidewall', gapMm: 22, steer: 'left', travelMm: 30 }, 'knuckle'),
        fittedSetup(CORNER.fitted),
        'trail',
      ),
    );
    expect(swept[0]!.gapMm).toBeCloseTo(22, 6);
  });

  test.each([
    [{ clock: '6:00', across: 'tread', gapMm: 10, steer: 'straight' }, 'clock'],
    [{ clock: '25:00', across: 'tread', gapMm: 10, steer: 'straight' }, 'clock'],
    [{ clock: '12:00', across: 'tread', gapMm: 10, steer: 'straight', travelMm: 200 }, 'travelMm'],
    [{ clock: '12:00', across: 'tread', gapMm: 10, steer: 60 }, 'steer'],
    [{ clock: '12:00', across: 'outerSidewall', gapMm: 10, outboardMm: 5, steer: 'straight' }, 'outboardMm'],
    [{ clock: '12:00', across: 'tread', gapMm: 10, steer: 'straight', travelMm: 1, hubToLipMm: 500 }, 'hubToLipMm'],
  ])('refuses %p', (reading, field) => {
    expect(attempt(() => prepareCorner('frontLeft', withReading(reading), countParts(SETUP), 'trail'))).toMatchObject({
      ok: false,
      problems: [{ path: `corners.frontLeft.obstacles[0].readings[0].${field}` }],
    });
  });
});

describe('setups that cannot be', () => {
  test.each([
    [{ suspensionLiftMm: 120 }, 'setup.suspensionLiftMm'],
    [{ suspensionLiftMm: -95 }, 'setup.suspensionLiftMm'],
    [{ bumpStopMm: 200 }, 'setup.bumpStopMm'],
    [{ wheel: { diameterIn: 18, widthIn: 8, offsetMm: 0 } }, 'setup.wheel.diameterIn'],
    [{ tire: { size: 'wide ones' } }, 'setup.tire.size'],
  ])('%p is refused at its field', (setup, path) => {
    expect(attempt(() => evaluateCase(caseOf(setup)))).toMatchObject({ ok: false, problems: [{ path }] });
  });

  test('the heights between its stops are said in both units, as the height that was asked for', () => {
    const refused = attempt(() => evaluateCase(caseOf({ suspensionLiftMm: 254 })));
    const { bumpMm, droopMm } = CORNER.travel;
    expect(refused).toMatchObject({ ok: false, problems: [{ found: '254 mm (10 in)' }] });
    const [problem] = refused.ok ? [] : refused.problems;
    expect(problem!.expected).toContain(`-${bumpMm} mm (`);
    expect(problem!.expected).toContain(`${droopMm} mm (${formatFraction(droopMm)} in)`);
  });

  test('two obstacles of one name, or one without a place', () => {
    const twice = { obstacles: [OBSTACLES[1]!, OBSTACLES[1]!] };
    expect(attempt(() => evaluateCase(caseOf({}, twice)))).toMatchObject({
      ok: false,
      problems: [{ path: 'corners.frontLeft.obstacles[1].id' }],
    });
    const empty = { obstacles: [{ id: 'x', mount: 'body' as const, material: 'liner' as const }] };
    expect(attempt(() => evaluateCase(caseOf({}, empty)))).toMatchObject({
      ok: false,
      problems: [{ code: 'missing' }],
    });
  });
});

test('own overrides of a corner win over the common setup', () => {
  const description = caseOf();
  const both: CaseDescription = {
    ...description,
    corners: { frontLeft: CORNER, frontRight: CORNER },
    setup: { ...SETUP, corners: { frontRight: { spacerMm: 20 } } },
  };
  const lip = evaluateCase(both).obstacles.filter((o) => o.id === 'lip');
  expect(lip[1]!.gapMm).not.toBeCloseTo(lip[0]!.gapMm, 1);
  expect(lip[0]!.gapMm).toBeCloseTo(gapOf(description, 'lip'), 9);
});

test('a corner without a survey has no low gap, and a case without corners is refused', () => {
  expect(evaluateCase(caseOf({}, { obstacles: [] })).lowGap).toBeNull();
  expect(attempt(() => evaluateCase({ ...caseOf(), corners: {} }))).toMatchObject({
    ok: false,
    problems: [{ path: 'corners' }],
  });
});
