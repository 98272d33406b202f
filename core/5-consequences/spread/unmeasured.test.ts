import { expect, test } from '@jest/globals';
import { FITTED, LEANING_AXIS, madeCase, madeCorner, SWINGING } from '../../fixtures/made-corner';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import { STARTING_VALUES, type StartingValue } from '../../3-survey/known/known';
import { cornerSpreadOf } from './spread-case';

/** How wide 5 to 95 % of the gap to a lip over the tire is, with so many values that nobody measured. */
function widthMm(starting: readonly StartingValue[]): number {
  const described = madeCase({
    corners: {
      frontLeft: madeCorner({
        motion: SWINGING,
        steering: LEANING_AXIS,
        starting,
        obstacles: [
          {
            id: 'lip',
            mount: 'body',
            material: 'sheetMetal',
            readingsAs: 'points',
            readings: [
              { clock: '12:00', across: 'tread', outboardMm: -60, gapMm: 130, steer: 'straight', travelMm: 0 },
            ],
          },
        ],
      }),
    },
    setup: { ...fittedAsSetup(FITTED), tire: { size: '285/70R17' } },
  });
  const { gap } = cornerSpreadOf(described, 'frontLeft', { draws: 400 }).obstacles[0]!;
  return gap.p95Mm - gap.p5Mm;
}

test('what nobody measured widens the spread: the travel, the fitted tire, all of it', () => {
  const measured = widthMm([]);
  const travel = widthMm(['bumpMm']);
  // Full bump decides: 25 mm of standard deviation either way, 1.645 of them to each side.
  expect(travel).toBeGreaterThan(2.5 * measured);
  expect(travel).toBeGreaterThan(60);
  expect(widthMm(['tire'])).toBeGreaterThan(1.3 * measured);
  const all = widthMm(STARTING_VALUES);
  expect(all).toBeGreaterThan(travel);
  expect(Number.isFinite(all)).toBe(true);
});

/** The same for a lip ahead of the wheel, with what was said of the corner. */
function aheadMm(said: Parameters<typeof madeCorner>[0]): number {
  const described = madeCase({
    corners: {
      rearLeft: madeCorner({
        obstacles: [
          {
            id: 'lip',
            mount: 'body',
            material: 'sheetMetal',
            readingsAs: 'points',
            readings: [{ clock: '2:30', across: 'tread', outboardMm: -60, gapMm: 90, steer: 'straight', travelMm: 0 }],
          },
        ],
        ...said,
      }),
    },
  });
  const { gap } = cornerSpreadOf(described, 'rearLeft', { draws: 2000 }).obstacles[0]!;
  return gap.p95Mm - gap.p5Mm;
}

test('what the model leaves out where nobody measured it is in the spread: give, shape, stops inboard', () => {
  const measured = { complianceMm: { body: 2 } };
  expect(aheadMm({})).toBeGreaterThan(aheadMm(measured));
  const axle = (said: object) => ({ ...measured, motion: { type: 'beamAxle', hubSpacingMm: 1500, ...said } as const });
  const known = aheadMm(axle({ stopSpacingMm: 900, shockSpacingMm: 900 }));
  // Counted at its hubs, as an older job has it: how far it flexes is anybody's guess, which a wheel that goes straight up does not share.
  expect(aheadMm(axle({}))).toBeGreaterThan(1.05 * aheadMm(measured));
  const guessed = {
    ...axle({ stopSpacingMm: 900, shockSpacingMm: 900 }),
    starting: ['stopSpacingMm', 'shockSpacingMm'],
  };
  expect(aheadMm(guessed)).toBeGreaterThan(known);
});
