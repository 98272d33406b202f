import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { attempt } from '../../1-base/problem';
import { describe, expect, test } from '@jest/globals';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { NOTHING_ALLOWED, type FinderQuestion } from './question';
import { FinderSession } from './session';

/** An invented corner that steers 33 degrees each way, with one arm inboard and one fender corner outboard. */
const INBOARD: ObstacleDescription = {
  id: 'arm',
  label: 'Upper arm',
  mount: 'frame',
  material: 'arm',
  shape: { type: 'points', points: [[0, -205, 300]] },
};
const OUTBOARD: ObstacleDescription = {
  id: 'corner',
  label: 'Fender corner',
  mount: 'body',
  material: 'frame',
  shape: { type: 'points', points: [[462, 118, 140]] },
};
const ABOVE: ObstacleDescription = {
  id: 'cache',
  label: 'Inner fender',
  mount: 'body',
  material: 'frame',
  shape: { type: 'points', points: [[0, -20, 505]] },
};

const vehicle = (...obstacles: ObstacleDescription[]): CaseDescription => withStop(undefined, ...obstacles);

const withStop = (stopSits: 'insideStrut' | undefined, ...obstacles: ObstacleDescription[]): CaseDescription =>
  madeCase({
    corners: {
      frontLeft: madeCorner({
        steering: { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 95, lockLeftDeg: 33, lockRightDeg: 33 },
        travel: { bumpMm: 80, droopMm: 90, ...(stopSits ? { stopSits } : {}) },
        fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
        obstacles,
      }),
    },
  });

const question = (more: Partial<FinderQuestion> = {}): FinderQuestion => ({
  fit: 'allRound',
  tires: { from: 'list', list: [{ size: '35x10.50R17LT' }, { size: '35x12.50R17LT' }] },
  wheels: { from: 'ranges', diametersIn: [17], widthsIn: [8.5], offsetMm: { from: -60, to: 60, step: 2 } },
  spacers: [],
  allowed: NOTHING_ALLOWED,
  constraints: {},
  ...more,
});

function found(description: CaseDescription, asked: FinderQuestion) {
  const session = new FinderSession(description, asked);
  for (const _ of session.run());
  return session.answer().axles[0]!;
}

/** Effective offsets at which a tire of so wide a bucket clears as it is. */
const offsets = (description: CaseDescription, size: string): number[] =>
  found(description, question({ tires: { from: 'list', list: [{ size }] } }))
    .board.filter(({ result }) => result === 'clears')
    .map(({ effectiveOffsetMm }) => effectiveOffsetMm);

describe("the trade's check values (common practice, no source)", () => {
  test('narrow beats wide at the same diameter', () => {
    const between = vehicle(INBOARD, OUTBOARD);
    const narrow = offsets(between, '35x10.50R17LT');
    const wide = offsets(between, '35x12.50R17LT');
    expect(narrow.length).toBeGreaterThan(wide.length);
    expect(narrow).toEqual(expect.arrayContaining(wide));
  });

  test('more offset hurts inboard: the arm sets the most offset', () => {
    const clear = offsets(vehicle(INBOARD), '35x12.50R17LT');
    expect(clear.length).toBeGreaterThan(0);
    expect(clear).toContain(-60);
    expect(clear).not.toContain(60);
    // One stretch from the least offset up: nothing clears above one that does not.
    expect(Math.max(...clear)).toBe(-60 + 2 * (clear.length - 1));
  });

  test('less offset hurts outboard: the fender corner sets the least offset', () => {
    const clear = offsets(vehicle(OUTBOARD), '35x12.50R17LT');
    expect(clear.length).toBeGreaterThan(0);
    expect(clear).toContain(60);
    expect(clear).not.toContain(-60);
    expect(Math.min(...clear)).toBe(60 - 2 * (clear.length - 1));
  });

  test('lift on the spring admits nothing that fails at full bump; a spacer on a strut with its stop inside does', () => {
    const tires = {
      from: 'ranges',
      diameterMm: { from: 740, to: 900, step: 10 },
      widthMm: { from: 270, to: 270, step: 1 },
    } as const;
    const biggest = (lift: FinderQuestion['lift'], stopSits?: 'insideStrut'): number =>
      Math.max(...found(withStop(stopSits, ABOVE), question({ tires, lift })).rows.map(({ diameterMm }) => diameterMm));
    const none = biggest(undefined);
    expect(none).toBeLessThan(900);
    expect(biggest({ kind: 'spring', amountsMm: [50] })).toBe(none);
    expect(biggest({ kind: 'strutTop', amountsMm: [50] }, 'insideStrut')).toBeGreaterThan(none);
    // Where nobody looked where it sits, the stop is not taken to come down.
    expect(biggest({ kind: 'strutTop', amountsMm: [50] })).toBe(none);
  });

  test('a tire an inch taller stands half an inch nearer all round', () => {
    const rows = found(
      vehicle(ABOVE),
      question({
        tires: {
          from: 'ranges',
          diameterMm: { from: 780, to: 805.4, step: 25.4 },
          widthMm: { from: 270, to: 270, step: 1 },
        },
        wheels: { from: 'list', list: [{ diameterIn: 17, widthIn: 8.5, offsetMm: 20 }] },
      }),
    ).rows;
    // Straight above the crown: the whole of the radius counts.
    expect(rows[1]!.lowGapMm - rows[0]!.lowGapMm).toBeCloseTo(12.7, 1);
  });
});

describe('what a question leaves out', () => {
  test('constraints refuse by name; what nobody said is not checked rather than passed', () => {
    const answer = found(
      vehicle(ABOVE),
      question({
        tires: {
          from: 'list',
          list: [{ size: '265/70R17 121Q' }, { size: '265/70R17 112S' }, { size: '265/70R17' }],
        },
        wheels: { from: 'list', list: [{ diameterIn: 17, widthIn: 8, offsetMm: 20, boltPattern: '6 × 139,7' }] },
        constraints: { loadIndexLeast: 115, boltPattern: '6x139.7', hubBoreMm: 106.1 },
      }),
    );
    expect(answer.rows.map(({ size, unchecked }) => [size, unchecked])).toEqual([
      ['265/70R17 121Q', ['bore']],
      ['265/70R17', ['loadIndex', 'bore']],
    ]);
    expect(answer.refused).toMatchObject([{ size: '265/70R17 112S', refusedBy: ['loadIndex'], verdict: null }]);
  });

  test.each([
    ['6x5.5', 1],
    ['6 x 5.5 in', 1],
    ['6x139.7', 1],
    ['6x135', 0],
    ['5x5.5', 0],
  ])('a bolt pattern is compared as numbers: %s on 6x139.7 leaves %d', (boltPattern, count) => {
    const wheels = { from: 'list', list: [{ diameterIn: 17, widthIn: 8, offsetMm: 20, boltPattern }] } as const;
    const tires = { from: 'list', list: [{ size: '265/70R17' }] } as const;
    const constraints = { boltPattern: '6x139.7' };
    const rows = attempt(() => found(vehicle(ABOVE), question({ tires, wheels, constraints })).rows.length);
    expect(rows.ok ? rows.value : 0).toBe(count);
  });

  test('what a tire of the catalog may be beyond its size takes room from that tire alone', () => {
    const list = [{ size: '265/70R17' }, { size: '265/70R17', label: 'grows', growthMm: 6, radiusToleranceMm: 2 }];
    const { rows } = found(vehicle(ABOVE), question({ tires: { from: 'list', list } }));
    const of = (label: string | undefined) => rows.find((row) => (row.label || undefined) === label)!.lowGapMm;
    expect(of(undefined) - of('grows')).toBeCloseTo(8, 0);
  });

  test('two constraints that leave nothing are named; a refusal names obstacle, gap and the nearest that does', () => {
    const asked = question({
      tires: { from: 'list', list: [{ size: '245/70R17 121Q' }, { size: '285/70R17 110Q' }] },
      wheels: { from: 'list', list: [{ diameterIn: 17, widthIn: 8, offsetMm: 20 }] },
    });
    const strict = { loadIndexLeast: 115, speedometerErrorShare: 0.02 };
    // The strong one is too small for a speedometer set for the fitted tire by less than nothing; the lawful one too weak.
    const none = found(vehicle(ABOVE), {
      ...asked,
      constraints: { ...strict, spare: { mostDiameterMm: 770, mostWidthMm: 240 } },
    });
    expect(none.rows).toEqual([]);
    expect(none.contradiction).toEqual(['spare']);
    const two = found(vehicle(ABOVE), {
      ...asked,
      constraints: { loadIndexLeast: 115, groundClearance: { nowMm: 200, leastMm: 205, at: 'axle' } },
    });
    expect(two.contradiction).toEqual(['loadIndex', 'groundClearance']);
    const tall = found(
      vehicle(ABOVE),
      question({ tires: { from: 'list', list: [{ size: '265/70R17' }, { size: '40x13.50R17LT' }] } }),
    );
    expect(tall.refused[0]).toMatchObject({
      size: '40x13.50R17LT',
      verdict: { id: 'cache', corner: 'frontLeft', verdict: 'rubs' },
      nearest: { size: '265/70R17' },
    });
  });

  test.each([
    [
      'an empty range',
      {
        tires: {
          from: 'ranges',
          diameterMm: { from: 900, to: 800, step: 5 },
          widthMm: { from: 270, to: 270, step: 1 },
        },
      },
      'finder.tires.diameterMm.to',
    ],
    ['no tire at all', { tires: { from: 'list', list: [] } }, 'finder.tires'],
    ['no wheel at all', { wheels: { from: 'list', list: [] } }, 'finder.wheels'],
    [
      'a wheel that says nothing of its pad',
      { wheels: { from: 'list', list: [{ diameterIn: 17, widthIn: 8 }] } },
      'finder.wheels.list[0].offsetMm',
    ],
    [
      'tires for another rim',
      { wheels: { from: 'list', list: [{ diameterIn: 16, widthIn: 8, offsetMm: 0 }] } },
      'finder.tires',
    ],
    [
      'a least poke above the most',
      { constraints: { pokeLeastMm: 20, pokeMostMm: 10 } },
      'finder.constraints.pokeMostMm',
    ],
    ['covered and poking out', { constraints: { pokeLeastMm: 20, covered: true } }, 'finder.constraints.pokeLeastMm'],
    [
      'too many steps',
      { wheels: { from: 'ranges', diametersIn: [17], widthsIn: [8], offsetMm: { from: -200, to: 200, step: 0.1 } } },
      'finder.wheels.offsetMm.step',
    ],
    ['a corner that is not there', { fit: 'rear' }, 'finder.fit'],
  ] as const)('%s is refused where it stands', (_, change, path) => {
    const ask = () => new FinderSession(vehicle(ABOVE), question(change as unknown as Partial<FinderQuestion>));
    expect(ask).toThrow(expect.objectContaining({ problems: [expect.objectContaining({ path })] }));
  });

  test('a corner with nothing surveyed is not called clear', () => {
    expect(() => new FinderSession(vehicle(), question())).toThrow(/something surveyed/);
  });

  test('a height the wheel cannot hang at is said, and the others are answered', () => {
    const answer = found(
      vehicle(ABOVE),
      question({
        tires: { from: 'list', list: [{ size: '265/70R17' }] },
        lift: { kind: 'spring', amountsMm: [0, 120] },
      }),
    );
    expect(answer.cannotStand).toMatchObject([{ stance: { liftMm: 120 } }]);
    expect(answer.rows.length).toBeGreaterThan(0);
  });
});

describe('front and rear', () => {
  const corner = vehicle(ABOVE).corners.frontLeft!;
  const lower: ObstacleDescription = {
    ...ABOVE,
    shape: { type: 'points', points: [[0, -20, 488]] },
  };
  const { steering: _, ...unsteered } = corner;
  const both: CaseDescription = {
    ...vehicle(),
    corners: { frontLeft: corner, rearLeft: { ...unsteered, obstacles: [lower] } },
  };
  const tires = {
    from: 'list',
    list: ['245/70R17', '265/70R17', '275/70R17', '285/70R17'].map((size) => ({ size })),
  } as const;
  const wheels = { from: 'list', list: [{ diameterIn: 17, widthIn: 8, offsetMm: 20 }] } as const;
  const run = (more: Partial<FinderQuestion>): FinderSession => {
    const session = new FinderSession(both, question({ tires, wheels, ...more }));
    for (const __ of session.run());
    return session;
  };
  const sizes = (session: FinderSession, axle: string): string[] =>
    session
      .answer()
      .axles.find((one) => one.axle === axle)!
      .rows.map(({ size }) => size);

  test('one size all round has to clear at both; staggered, each axle takes its own', () => {
    const session = run({ fit: 'staggered' });
    const [front, rear] = [sizes(session, 'front'), sizes(session, 'rear')];
    expect(front.length).toBeGreaterThan(rear.length);
    expect(sizes(run({}), 'all')).toEqual(rear);
    expect(sizes(run({ fit: 'front' }), 'front')).toEqual(front);
  });

  test('pairs differ by no more than is allowed, and go on the bench with each axle its own', () => {
    const session = run({ fit: 'staggered', constraints: { staggerMostShare: 0.04 } });
    const { pairs } = session.answer();
    expect(pairs.length).toBeGreaterThan(0);
    for (const { front, rear } of pairs) {
      expect(Math.abs(front.diameterMm - rear.diameterMm)).toBeLessThanOrEqual(
        0.04 * Math.max(front.diameterMm, rear.diameterMm),
      );
    }
    const { front, rear } = pairs.find((pair) => pair.front.size !== pair.rear.size)!;
    const setup = session.pairSetup(front.number, rear.number);
    expect(setup.tire.size).toBe(front.size);
    expect(setup.corners?.rearLeft?.tire?.size).toBe(rear.size);
  });

  test('a front tire alone leaves the rear as it is', () => {
    const session = run({ fit: 'front' });
    const { number, size } = session.answer().axles[0]!.rows[0]!;
    const setup = session.setup('front', number);
    expect(setup.tire.size).toBe(size);
    expect(setup.corners?.rearLeft?.tire?.size).toBe('265/70R17');
  });
});
