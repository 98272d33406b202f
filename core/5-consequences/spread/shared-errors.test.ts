import { expect, test } from '@jest/globals';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import { madeCorner, SWINGING } from '../../fixtures/made-corner';
import { sharedErrors } from './shared-errors';

test('what is off with an arm nobody measured and what is off with the centers are off together, whichever comes first', () => {
  const arm = { id: 'arm-end', mount: 'upperArm', material: 'arm', readings: [] } as const;
  const corner = madeCorner({ motion: SWINGING, obstacles: [arm] });
  const fit = { corner, setup: fittedSetup(corner.fitted) };
  const errors = sharedErrors(fit);
  const [pivot, center] = ['upperPivotYMm', 'frontView.y'].map((name) => errors.find((one) => one.name === name)!);
  const both = center!.disturb(pivot!.disturb(fit, 1), 1).corner.motion;
  expect(pivot!.disturb(center!.disturb(fit, 1), 1).corner.motion).toEqual(both);
  expect(both).toMatchObject({ frontView: { z: SWINGING.frontView.z } });
  expect(both).not.toMatchObject({ frontView: { y: SWINGING.frontView.y } });
  expect(both).toHaveProperty('upperPivotYMm');
});
