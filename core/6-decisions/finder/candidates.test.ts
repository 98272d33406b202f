import { tireSection } from '../../2-vehicle/tire/section';
import { describe, expect, test } from '@jest/globals';
import { FITTED, LEANING_AXIS, madeCase, madeCorner } from '../../fixtures/made-corner';
import { madeFinderQuestion } from '../../fixtures/finder-case';
import { bodyRiseMm, countParts, frameRiseMm } from '../../2-vehicle/setup/setup';
import { attempt, type Problem } from '../../1-base/problem';
import { candidateAllowances, candidatesOf, combinedSetup, stanceSetup, type Stance } from './candidates';
import { LIFT_KINDS, NOTHING_ALLOWED, type FinderQuestion } from './question';

function problemOf(work: () => unknown): Problem {
  const done = attempt(work);
  if (done.ok) throw new Error('nothing was refused');
  return done.problems[0]!;
}

const asked =
  (said: Partial<FinderQuestion>): (() => unknown) =>
  () =>
    candidatesOf(madeFinderQuestion(said));
const NONE: Stance = { liftKind: null, liftMm: 0, bumpStopMm: 0, steeringStopDeg: 0, axleShiftMm: 0 };

describe('what a question combines', () => {
  test('without spacers and lifts there is one of each: none', () => {
    const { spacers, stances } = candidatesOf(madeFinderQuestion({ spacers: [], allowed: NOTHING_ALLOWED }));
    expect(spacers).toEqual([{ thicknessMm: 0 }]);
    expect(stances).toEqual([NONE]);
  });

  test('a wheel given by its backspacing has the offset that follows from the flanges', () => {
    // An 8 in wheel measures 9 in over its lips: centre at 4.5 in; 5.25 in of backspacing is 0.75 in of offset.
    const list = [{ diameterIn: 17, widthIn: 8, backspacingMm: 5.25 * 25.4, backspacingSchool: 'lipToPad' as const }];
    const { wheels } = candidatesOf(madeFinderQuestion({ wheels: { from: 'list', list } }));
    expect(wheels[0]!.offsetMm).toBeCloseTo(0.75 * 25.4, 6);
  });

  test('sizes in use are those of the wheels asked for, between the two diameters', () => {
    const tires = { from: 'common', leastDiameterMm: 780, mostDiameterMm: 840 } as const;
    const wheels = {
      from: 'ranges',
      diametersIn: [17, 18],
      widthsIn: [8],
      offsetMm: { from: 0, to: 0, step: 1 },
    } as const;
    const { tires: found, rims } = candidatesOf(madeFinderQuestion({ tires, wheels }));
    expect(new Set(rims)).toEqual(new Set([17, 18]));
    expect(found.map(({ size }) => size)).toContain('265/70R17');
    expect(found.every(({ measuringRimIn }) => measuringRimIn! > 4)).toBe(true);
    expect(found.some((tire) => 'kind' in tire)).toBe(false);
    // Asked as mud tires they have the tread of such: square at the shoulder.
    const mud = candidatesOf(madeFinderQuestion({ tires: { ...tires, kind: 'mud' }, wheels })).tires;
    expect(mud.map(({ size }) => size)).toEqual(found.map(({ size }) => size));
    expect(mud.every(({ kind }) => kind === 'mud')).toBe(true);
    const shoulder = (tire: (typeof mud)[number]) => tireSection(tire, 8).shoulderRadiusMm;
    expect(shoulder(mud[0]!)).toBeLessThan(shoulder(found[0]!) / 2);
  });

  test('a range of diameters and widths leaves out tires without a sidewall', () => {
    const tires = {
      from: 'ranges',
      diameterMm: { from: 450, to: 800, step: 350 },
      widthMm: { from: 250, to: 270, step: 20 },
    } as const;
    const { tires: found } = candidatesOf(madeFinderQuestion({ tires }));
    // 450 mm on a rim of 17 in (432 mm) leaves 9 mm: no tire.
    expect(found.map(({ label }) => label)).toEqual(['800 x 250 mm on 17 in', '800 x 270 mm on 17 in']);
    expect(found[0]).toMatchObject({ measuredDiameterMm: 800, measuredWidthMm: 250 });
  });

  test('stops, axle places and heights are combined, what changes nothing first', () => {
    const { stances } = candidatesOf(
      madeFinderQuestion({
        lift: { kind: 'body', amountsMm: [0, 50, 50] },
        allowed: { ...NOTHING_ALLOWED, bumpStopsMm: [30], axleShiftsMm: [-20, 20] },
      }),
    );
    expect(stances).toHaveLength(2 * 2 * 3);
    expect(stances[0]).toEqual(NONE);
    expect(stances[6]).toEqual({ ...NONE, liftKind: 'body', liftMm: 50 });
    expect(stances.slice(0, 3).map(({ axleShiftMm }) => axleShiftMm)).toEqual([0, 20, -20]);
  });

  test.each<[string, Partial<FinderQuestion>, Partial<Problem>]>([
    ['no tire', { tires: { from: 'list', list: [] } }, { code: 'missing', path: 'finder.tires' }],
    ['no wheel', { wheels: { from: 'list', list: [] } }, { code: 'missing', path: 'finder.wheels' }],
    [
      'a most below the least',
      { tires: { from: 'common', leastDiameterMm: 900, mostDiameterMm: 800 } },
      { code: 'contradiction', path: 'finder.tires.mostDiameterMm', found: '800 mm' },
    ],
    [
      'no size in use in between',
      { tires: { from: 'common', leastDiameterMm: 1601, mostDiameterMm: 1602 } },
      { code: 'missing', path: 'finder.tires' },
    ],
    [
      'tires for other rims',
      { tires: { from: 'list', list: [{ size: '275/65R18' }] } },
      { code: 'contradiction', path: 'finder.tires', found: 'tires for 18 in' },
    ],
    [
      'no rim width',
      { wheels: { from: 'ranges', diametersIn: [17], widthsIn: [], offsetMm: { from: 0, to: 0, step: 1 } } },
      { code: 'missing', path: 'finder.wheels.widthsIn' },
    ],
    [
      'a size that cannot be read',
      { tires: { from: 'list', list: [{ size: '265/70R17' }, { size: 'big' }] } },
      { path: 'finder.tires.list[1].size' },
    ],
    [
      'a range without an end',
      { wheels: { from: 'ranges', diametersIn: [17], widthsIn: [8], offsetMm: { from: 10, to: -10, step: 5 } } },
      { code: 'contradiction', path: 'finder.wheels.offsetMm.to' },
    ],
    [
      'a range of too many steps',
      { wheels: { from: 'ranges', diametersIn: [17], widthsIn: [8], offsetMm: { from: -100, to: 100, step: 0.01 } } },
      { code: 'tooLarge', path: 'finder.wheels.offsetMm.step' },
    ],
    [
      'a range without a step',
      { wheels: { from: 'ranges', diametersIn: [17], widthsIn: [8], offsetMm: { from: 0, to: 10, step: 0 } } },
      { code: 'outOfRange', path: 'finder.wheels.offsetMm.step' },
    ],
  ])('%s is refused where it stands', (_, said, problem) => {
    expect(problemOf(asked(said))).toMatchObject(problem);
  });
});

describe('a combination as a setup', () => {
  const steered = madeCase({ corners: { frontLeft: madeCorner({ steering: LEANING_AXIS }) } });

  test('each way of lifting is the part that does it, and raises what it should', () => {
    const counted = LIFT_KINDS.map((liftKind) => {
      const setup = countParts(stanceSetup(steered, 'frontLeft', { ...NONE, liftKind, liftMm: 40 }));
      return [liftKind, frameRiseMm(setup), bodyRiseMm(setup)];
    });
    // All but a body lift raise the frame over the hub; the body rises with each.
    expect(counted).toEqual([
      ['spring', 40, 40],
      ['strutTop', 40, 40],
      ['linkageDrop', 40, 40],
      ['body', 0, 40],
    ]);
  });

  test('a steering stop takes from both locks, and never the last of one', () => {
    const stopped = stanceSetup(steered, 'frontLeft', { ...NONE, steeringStopDeg: 33 });
    expect([stopped.steerStopLeftDeg, stopped.steerStopRightDeg]).toEqual([2, 0.1]);
  });

  test('a stop on an axle that does not steer is none', () => {
    const plain = madeCase({ corners: { rearLeft: madeCorner() } });
    expect(stanceSetup(plain, 'rearLeft', { ...NONE, steeringStopDeg: 5 })).not.toHaveProperty('steerStopLeftDeg');
  });

  test('tire, wheel and spacer are those of the combination, stops add to the setup there is', () => {
    const description = { ...steered, setup: { ...FITTED, bumpStopMm: 10, axleShiftMm: 5 } as never };
    const made = combinedSetup(
      description,
      'frontLeft',
      { ...NONE, bumpStopMm: 20, axleShiftMm: -15 },
      { size: '285/70R17', measuredDiameterMm: 828, priceMinor: 1 },
      { diameterIn: 17, widthIn: 9, offsetMm: -12, studPocketMm: 14 },
      { thicknessMm: 7, type: 'slipOn' },
      undefined,
    );
    expect(made).toMatchObject({
      tire: { size: '285/70R17', measuredDiameterMm: 828 },
      wheel: { diameterIn: 17, widthIn: 9, offsetMm: -12, studPocketMm: 14 },
      spacerMm: 7,
      spacerType: 'slipOn',
      bumpStopMm: 30,
      axleShiftMm: -10,
    });
    expect(made.tire).not.toHaveProperty('priceMinor');
  });

  test('room for a chain is asked of every candidate, beside what the setup allows for already', () => {
    const allowances = { wear: { treadMm: 2 } } as never;
    const description = { ...steered, setup: { allowances } as never };
    const chain = { treadMm: 12, sidewallMm: 9 };
    expect(candidateAllowances(description, madeFinderQuestion())).toBe(allowances);
    expect(candidateAllowances(description, madeFinderQuestion({ constraints: { chain } }))).toEqual({
      wear: { treadMm: 2 },
      chain,
    });
  });
});
