import { madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { fittedSetup, countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { fitmentChange } from './fitment-change';
import { scrubRadiusMm } from './scrub-radius';

const corner: CornerDescription = madeCorner({
  travel: { bumpMm: 80, droopMm: 80 },
  fitted: { tire: { size: '265/60R18' }, wheel: { diameterIn: 18, widthIn: 8, offsetMm: 40 }, spacerMm: 0 },
});
const setup = fittedSetup(corner.fitted);

test('nothing changes when nothing is changed', () => {
  expect(fitmentChange('frontLeft', corner, setup)).toEqual({
    diameterMm: 0,
    widthMm: 0,
    pokeMm: 0,
    inboardMm: 0,
    backspacingMm: 0,
    rideHeightMm: 0,
    trackMm: 0,
    scrubRadiusMm: null,
    fenderHeightMm: 0,
    trueSpeedAt100: 100,
  });
});

test('the same size 5 % taller with 40 mm springs raises the fender 56-57 mm (common practice, no source)', () => {
  const change = fitmentChange('frontLeft', corner, { ...setup, tire: { size: '265/65R18' }, suspensionLiftMm: 43 });
  // 40 mm quoted gave about 43; the rest is half the change of diameter: round(172.25) - 159 = 13.
  expect(change.fenderHeightMm).toBeCloseTo(56, 6);
});

test('20 mm less offset and a 10 mm spacer push the outer sidewall out by 30 mm and pull the inner one away', () => {
  const change = fitmentChange('frontLeft', corner, {
    ...setup,
    wheel: { ...setup.wheel, offsetMm: 20 },
    spacerMm: 10,
  });
  expect(change.pokeMm).toBeCloseTo(30, 9);
  expect(change.inboardMm).toBeCloseTo(-30, 9);
});

test('suspension 2 in + body 3 in + 30.5 to 35 in tires stand about 7 in taller (common practice, no source)', () => {
  const truck = {
    ...corner,
    fitted: { ...corner.fitted, tire: { size: '30.5x9.50R15' }, wheel: { ...corner.fitted.wheel, diameterIn: 15 } },
  };
  const change = fitmentChange('frontLeft', truck, {
    ...fittedSetup(truck.fitted),
    tire: { size: '35x12.50R15' },
    suspensionLiftMm: 2 * 25.4,
    bodyLiftMm: 3 * 25.4,
  });
  expect(Math.abs(change.fenderHeightMm / 25.4 - 7)).toBeLessThan(0.5);
});

test('a taller tire is driven faster than shown, in proportion', () => {
  const change = fitmentChange('frontLeft', corner, { ...setup, tire: { size: '265/65R18' } });
  expect(change.trueSpeedAt100).toBeCloseTo((100 * (457.2 + 2 * 172)) / (457.2 + 2 * 159), 9);
});

describe('where the steering axis meets the ground (ISO 8855:2011, definition from memory)', () => {
  const steering = { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 95, lockLeftDeg: 35, lockRightDeg: 31 };
  const steered = { ...corner, steering };
  /** 457.2 + 2 x 159 = 775.2 mm free; the loaded radius is lower by 12 % of the section height of 159 mm. */
  const loaded = 387.6 - 0.12 * 159;
  const byHand = (centrePlane: number, radius: number): number =>
    centrePlane + 95 - radius * Math.tan((12 * Math.PI) / 180);

  test('an upright wheel, by hand', () => {
    expect(scrubRadiusMm('frontLeft', steered, setup)).toBeCloseTo(byHand(-40, loaded), 6);
    expect(scrubRadiusMm('frontRight', steered, setup)).toBeCloseTo(byHand(-40, loaded), 6);
  });

  test('every mm of spacer or less offset moves the tire out by as much, and the track by twice that', () => {
    const change = fitmentChange('frontLeft', steered, { ...setup, spacerMm: 25 });
    expect(change.scrubRadiusMm!.after - change.scrubRadiusMm!.before).toBeCloseTo(25, 9);
    expect(change.trackMm).toBeCloseTo(50, 9);
    // A spacer leaves the wheel as it is.
    expect(change.backspacingMm).toBeCloseTo(0, 9);
  });

  test('a taller tire makes it less, as the axis leans in', () => {
    const change = fitmentChange('frontLeft', steered, { ...setup, tire: { size: '265/65R18' } });
    expect(change.scrubRadiusMm!.after - change.scrubRadiusMm!.before).toBeCloseTo(
      -(172 - 159) * Math.tan((12 * Math.PI) / 180),
      6,
    );
  });

  test('a wheel that does not steer has none', () => {
    expect(scrubRadiusMm('rearLeft', corner, setup)).toBeNull();
  });
});

test('backspacing: half an inch of rim on either side, and the offset (common practice, no source)', () => {
  const wheel = { ...setup.wheel, widthIn: 9, offsetMm: 10 };
  expect(fitmentChange('frontLeft', corner, { ...setup, wheel }).backspacingMm).toBeCloseTo(12.7 - 30, 9);
});

test('parts count: a strut-top spacer lifts by its thickness over the motion ratio', () => {
  const parts = [{ kind: 'strutTopSpacer', thicknessMm: 20, motionRatio: 0.5 } as const];
  expect(
    fitmentChange('frontLeft', corner, countParts({ ...fittedAsSetup(corner.fitted), parts })).rideHeightMm,
  ).toBeCloseTo(40, 9);
});
