import { FITTED, LEANING_AXIS, SWINGING, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { ClearSection } from '../../4-clearance/search/clear-section';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { cornerVerdicts } from '../../4-clearance/verdict/evaluate';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { STANDARDS } from '../../4-clearance/case/standard';
import { surveyScene } from '../../3-survey/landing/survey-scene';
import { place, unplace } from '../../1-base/geometry/pose';
import { MOTIONS } from '../../fixtures/scattered-corner';
import type { BeamAxleDescription } from '../../2-vehicle/motion/beam-axle';
import { seededNormal, seededRandom } from '../../1-base/numeric/seeded-random';
import { clockOfPoint } from '../../3-survey/reading/reading';
import { formatClock } from '../../1-base/units/clock';
import { plainDraw } from './plain-spread';
import { sharedErrors, type Fit } from './shared-errors';
import { cornerSpread, drawnErrors } from './spread';
import { makeSpreadModel } from './spread-model';
import { USUAL } from '../../3-survey/reading/usual-errors';

const TRIED = { tire: { size: '285/70R17' }, wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 10 }, spacerMm: 0 };

const corner = (obstacles: readonly ObstacleDescription[], more: Partial<CornerDescription> = {}): CornerDescription =>
  madeCorner({
    motion: SWINGING,
    steering: LEANING_AXIS,
    staticCamberDeg: -0.3,
    staticToeDeg: 0.1,
    travel: { bumpMm: 90, droopMm: 100 },
    fitted: FITTED,
    obstacles,
    ...more,
  });

/** 5 to 95 % of a normal distribution, in standard deviations: any table of the normal distribution. */
const WIDTH_90 = 2 * 1.6449;

const { neverRub } = STANDARDS;

describe('closed forms', () => {
  const still: Partial<CornerDescription> = {
    motion: { type: 'swingArm' },
    steering: undefined,
    staticCamberDeg: 0,
    staticToeDeg: 0,
  };
  const roof: ObstacleDescription = {
    id: 'roof',
    mount: 'body',
    material: 'sheetMetal',
    shape: { type: 'points', points: [[0, -20, 560]] },
    toleranceMm: 8,
  };

  test('a place straight above the crown: variances of place, bump limit and radius add up', () => {
    const fit: Fit = { corner: corner([roof], still), setup: { ...fittedSetup(FITTED), ...TRIED } };
    const { obstacles, lowMargin } = cornerSpread('frontLeft', fit, 'trail', neverRub, { draws: 20_000 });
    const radius = 831.8 / 2; // 285/70R17 by ISO 4000-1: 431.8 + 2 x 200
    const { gap } = obstacles[0]!;
    expect(gap.p50Mm).toBeCloseTo(560 - 90 - radius, 0);
    const sigma = Math.hypot(4, USUAL.bumpMm, USUAL.diameterShare * radius);
    expect((gap.p95Mm - gap.p5Mm) / (WIDTH_90 * sigma)).toBeCloseTo(1, 1.5);
    expect(lowMargin.p50Mm).toBeCloseTo(gap.p50Mm - neverRub.requiredMm.sheetMetal, 6);
  });

  test('the fitted tire tried where it was measured: neither its size nor its offset matters, only the tape', () => {
    const read: ObstacleDescription = {
      id: 'lip',
      mount: 'body',
      material: 'sheetMetal',
      readings: [{ clock: '12:01', across: 'tread', gapMm: 60, outboardMm: -100, steer: 'straight', travelMm: 0 }],
    };
    const fit: Fit = {
      corner: corner([read], { ...still, travel: { bumpMm: 0.01, droopMm: 0.01 } }),
      setup: fittedSetup(FITTED),
    };
    const { obstacles, next } = cornerSpread('frontLeft', fit, 'trail', neverRub, { draws: 20_000 });
    const { gap } = obstacles[0]!;
    // The parked height and both stops are off as ever; the bump limit is the highest the wheel gets.
    const sigma = Math.hypot(USUAL.gapMm, USUAL.bumpMm);
    expect((gap.p95Mm - gap.p5Mm) / (WIDTH_90 * sigma)).toBeCloseTo(1, 1.5);
    for (const { share } of next.filter(({ source }) => source.startsWith('fitted'))) expect(share).toBeLessThan(0.002);
    expect(next.map(({ source }) => source).slice(0, 2)).toEqual(['bumpTravel', 'reading']);
    // Taken once more: half the variance of the stop's measurement is left.
    const narrowed = WIDTH_90 * (sigma - Math.hypot(USUAL.gapMm, USUAL.bumpMm / Math.SQRT2));
    expect(next[0]!.narrowsMm / narrowed).toBeCloseTo(1, 0.7);
  });
});

const LOPSIDED: ObstacleDescription[] = [
  {
    id: 'lip',
    mount: 'body',
    material: 'sheetMetal',
    readingsAs: 'polyline',
    readings: [
      { clock: '10:30', across: 'tread', gapMm: 125, outboardMm: -10, steer: 'straight', travelMm: 0 },
      { clock: '12:00', across: 'tread', gapMm: 120, outboardMm: 5, steer: 'straight', travelMm: 0 },
      { clock: '1:40', across: 'tread', gapMm: 110, outboardMm: -15, steer: 'straight', travelMm: 30 },
    ],
  },
  {
    id: 'mount',
    mount: 'frame',
    material: 'bodyMount',
    readings: [
      { clock: '8:10', across: 'innerShoulder', gapMm: 55, steer: 'left', travelMm: 0 },
      { clock: '8:40', across: 'tread', gapMm: 70, outboardMm: -150, steer: 'left', travelMm: 0 },
    ],
  },
  {
    id: 'rail',
    mount: 'frame',
    material: 'frame',
    shape: {
      type: 'capsule',
      points: [
        [-300, -330, 40],
        [250, -310, 70],
      ],
      radiusMm: 12,
    },
  },
];

const BEAM = MOTIONS['beamAxle'] as BeamAxleDescription;
/** The same with its stops and shocks measured. */
const STOPPED_BEAM = { ...BEAM, stopSpacingMm: 0.6 * BEAM.hubSpacingMm, shockSpacingMm: 0.7 * BEAM.hubSpacingMm };

describe('against every number put off and all worked out anew', () => {
  test.each([
    ['swing arm', corner(LOPSIDED), 2],
    ['double wishbone', corner(LOPSIDED, { motion: { type: 'doubleWishbone', tape: { lowerArmMm: 380 } } }), 2],
    ['steered beam axle', corner(LOPSIDED, { motion: STOPPED_BEAM }), 5],
  ])('%s: the same draws give the same gaps', (_name, described, nineteenOfTwentyMm) => {
    const fit: Fit = { corner: described, setup: { ...fittedSetup(FITTED), ...TRIED } };
    const prepared = prepareCorner('frontLeft', fit.corner, fit.setup, 'trail');
    const verdicts = cornerVerdicts(prepared, neverRub);
    const model = makeSpreadModel(prepared, fit, 'trail', neverRub, undefined, verdicts);
    const draws = 60;
    const errors = drawnErrors(model, draws, 7);
    const { gaps } = model.drawn(errors);
    const off: number[] = [];
    const spread: number[] = [];
    for (let n = 0; n < draws; n++) {
      const z = errors.shared.map((values) => values[n]!);
      const e = errors.own.map((values) => values[n]!);
      plainDraw('frontLeft', fit, 'trail', neverRub, model, z, e).forEach((plain, i) => {
        off.push(Math.abs(gaps[i]![n]! - plain));
        spread.push(Math.abs(plain - verdicts[i]!.gapMm));
      });
    }
    off.sort((a, b) => a - b);
    spread.sort((a, b) => a - b);
    const at = (values: number[], share: number): number => values[Math.floor(share * (values.length - 1))]!;
    // The gaps differ from draw to draw by millimeters, the two ways by a fraction of that.
    expect(at(spread, 0.5)).toBeGreaterThan(2);
    expect(at(off, 0.5)).toBeLessThan(0.5);
    expect(at(off, 0.95)).toBeLessThan(nineteenOfTwentyMm);
  });
});

test('stops of a beam axle that nobody measured can only stand further inboard: no gap grows by it', () => {
  const fit: Fit = { corner: corner(LOPSIDED, { motion: BEAM }), setup: { ...fittedSetup(FITTED), ...TRIED } };
  const prepared = prepareCorner('frontLeft', fit.corner, fit.setup, 'trail');
  const verdicts = cornerVerdicts(prepared, neverRub);
  const model = makeSpreadModel(prepared, fit, 'trail', neverRub, undefined, verdicts);
  const { draws, shared, own } = drawnErrors(model, 200, 7);
  const stops = model.shared.findIndex(({ name }) => name === 'stops inboard');
  const alone = (all: readonly Float64Array[], kept: number) =>
    all.map((drawn, j) => (j === kept ? drawn : new Float64Array(draws)));
  const { gaps } = model.drawn({ draws, shared: alone(shared, stops), own: alone(own, -1) });
  verdicts.forEach(({ gapMm }, i) => expect(Math.max(...gaps[i]!)).toBeLessThan(gapMm + 0.01));
  // And some fall: one wheel goes past its parallel bump while the other hangs.
  expect(verdicts.some(({ gapMm }, i) => Math.min(...gaps[i]!) < gapMm - 5)).toBe(true);
});

describe('wells whose truth is known', () => {
  test('the 90 % band holds 85 to 95 of 100 truths, and a chance of rub is as often right as it says', () => {
    const random = seededRandom(404);
    const normal = seededNormal(405);
    let held = 0;
    let count = 0;
    let expected = 0;
    let rubbed = 0;
    for (let well = 0; well < 240; well++) {
      const nominal = corner([], {
        motion:
          well % 2
            ? { type: 'doubleWishbone', tape: { lowerArmMm: 340 + 80 * random(), lowerArmRiseMm: 30 * random() } }
            : { type: 'swingArm', frontView: { y: -700 - 600 * random(), z: -60 }, sideView: { x: -1500, z: 60 } },
      });
      const setup = { ...fittedSetup(FITTED), ...TRIED };
      // The true well: every number the shop takes for granted is off by its own error.
      const truth = sharedErrors({ corner: nominal, setup }).reduce((fit, error) => error.disturb(fit, normal()), {
        corner: nominal,
        setup,
      } as Fit);
      const scene = surveyScene('frontLeft', truth.corner);
      const straight = { travel: 0, steer: 0, cross: 0 };
      const wheel = scene.motion.wheelPose(straight);
      const turn = (random() - 0.5) * 3.6;
      const radius = 480 + 90 * random();
      const point = place(wheel, [radius * Math.sin(turn), -130 + 240 * random() - 20, radius * Math.cos(turn)]);
      const obstacle = { id: 'it', mount: 'body', material: 'sheetMetal' } as const;
      const true1: ObstacleDescription = { ...obstacle, shape: { type: 'points', points: [point] } };
      const truePrepared = prepareCorner('frontLeft', { ...truth.corner, obstacles: [true1] }, truth.setup, 'trail');
      const trueGap = new ClearSection(truePrepared.motion, truePrepared.envelope).leastGaps(truePrepared)[0]!.gapMm;
      // A shop measures it: the tape's error, the clock to the next ten minutes.
      const [x, a, z] = unplace(wheel, point);
      const { section, centrePlaneMm } = scene.rotor;
      const clock = Math.round(clockOfPoint(wheel, point) / 5) * 5;
      const measured: ObstacleDescription = {
        ...obstacle,
        readings: [
          {
            clock: formatClock(clock),
            across: 'tread',
            gapMm: Math.hypot(x, z) - section.diameterMm / 2 + USUAL.gapMm * normal(),
            outboardMm: a - centrePlaneMm - section.widthMm / 2 + USUAL.outboardMm * normal(),
            steer: 'straight',
            travelMm: 0,
          },
        ],
      };
      const fit: Fit = { corner: { ...nominal, obstacles: [measured] }, setup };
      const { obstacles } = cornerSpread('frontLeft', fit, 'trail', neverRub, { draws: 400, seed: well });
      const { gap, chanceOfRub } = obstacles[0]!;
      count++;
      if (trueGap >= gap.p5Mm && trueGap <= gap.p95Mm) held++;
      expected += chanceOfRub;
      if (trueGap < neverRub.requiredMm.sheetMetal) rubbed++;
    }
    const share = held / count;
    expect(share).toBeGreaterThan(0.85);
    expect(share).toBeLessThan(0.95);
    expect(rubbed).toBeGreaterThan(20);
    expect(Math.abs(expected - rubbed)).toBeLessThan(0.05 * count);
  });
});

test('the same seed gives the same answer, another seed another', () => {
  const fit: Fit = { corner: corner(LOPSIDED), setup: { ...fittedSetup(FITTED), ...TRIED } };
  const ask = (seed: number) => cornerSpread('frontLeft', fit, 'street', neverRub, { draws: 200, seed });
  expect(ask(3)).toEqual(ask(3));
  expect(ask(4).lowMargin).not.toEqual(ask(3).lowMargin);
});
