import { expect, test } from '@jest/globals';
import { fittedAsSetup, type CornerDescription } from '../clearance/description';
import { fitmentChange } from './fitment-change';

const corner: CornerDescription = {
  motion: { type: 'swingArm' },
  staticCamberDeg: 0,
  staticToeDeg: 0,
  travel: { bumpMm: 80, droopMm: 80 },
  fitted: { tire: { size: '265/60R18' }, wheel: { diameterIn: 18, widthIn: 8, offsetMm: 40 }, spacerMm: 0 },
  obstacles: [],
};
const setup = fittedAsSetup(corner.fitted);

test('nothing changes when nothing is changed', () => {
  expect(fitmentChange(corner, setup)).toEqual({
    diameterMm: 0,
    widthMm: 0,
    pokeMm: 0,
    inboardMm: 0,
    fenderHeightMm: 0,
    trueSpeedAt100: 100,
  });
});

test('the same size 5 % taller with 40 mm springs raises the fender 56-57 mm (common practice, no source)', () => {
  const change = fitmentChange(corner, { ...setup, tire: { size: '265/65R18' }, suspensionLiftMm: 43 });
  // 40 mm quoted gave about 43; the rest is half the change of diameter: round(172.25) - 159 = 13.
  expect(change.fenderHeightMm).toBeCloseTo(56, 6);
});

test('20 mm less offset and a 10 mm spacer push the outer sidewall out by 30 mm and pull the inner one away', () => {
  const change = fitmentChange(corner, { ...setup, wheel: { ...setup.wheel, offsetMm: 20 }, spacerMm: 10 });
  expect(change.pokeMm).toBeCloseTo(30, 9);
  expect(change.inboardMm).toBeCloseTo(-30, 9);
});

test('suspension 2 in + body 3 in + 30.5 to 35 in tires stand about 7 in taller (common practice, no source)', () => {
  const truck = {
    ...corner,
    fitted: { ...corner.fitted, tire: { size: '30.5x9.50R15' }, wheel: { ...corner.fitted.wheel, diameterIn: 15 } },
  };
  const change = fitmentChange(truck, {
    ...fittedAsSetup(truck.fitted),
    tire: { size: '35x12.50R15' },
    suspensionLiftMm: 2 * 25.4,
    bodyLiftMm: 3 * 25.4,
  });
  expect(Math.abs(change.fenderHeightMm / 25.4 - 7)).toBeLessThan(0.5);
});

test('a taller tire is driven faster than shown, in proportion', () => {
  const change = fitmentChange(corner, { ...setup, tire: { size: '265/65R18' } });
  expect(change.trueSpeedAt100).toBeCloseTo((100 * (457.2 + 2 * 172)) / (457.2 + 2 * 159), 9);
});
