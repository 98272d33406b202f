import { expect, test } from '@jest/globals';
import { FITTED, madeCase, madeCorner } from '../../fixtures/made-corner';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import { roadReport } from './road-report';

const tall = { ...fittedAsSetup(FITTED), tire: { size: '285/75R17' } };
const describedAt = (keys: readonly ('frontLeft' | 'rearLeft')[], corners?: object) =>
  roadReport(
    madeCase({
      corners: Object.fromEntries(keys.map((key) => [key, madeCorner()])),
      setup: { ...tall, ...(corners ? { corners } : {}) },
    }),
    {},
  );
// ISO 4000-1: 285/75R17 is 431.8 + 2 x 214 = 859.8 mm, 265/70R17 is 803.8 mm.
const RATIO = 859.8 / 803.8;

test('with only the front described the speedometer goes by its tires, not as if nothing changed', () => {
  expect(describedAt(['frontLeft']).speedometer!.shownKmh).toBeCloseTo(100 / RATIO, 6);
});

test('where the axles have other tires it goes by the rear axle’s own', () => {
  const ofOld = describedAt(['frontLeft', 'rearLeft'], { rearLeft: { tire: FITTED.tire } });
  expect(ofOld.speedometer!.shownKmh).toBeCloseTo(100, 6);
  expect(describedAt(['frontLeft', 'rearLeft']).speedometer!.shownKmh).toBeCloseTo(100 / RATIO, 6);
});
