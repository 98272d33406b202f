import { expect, test } from '@jest/globals';
import { FITTED, madeCorner } from '../../fixtures/made-corner';
import { countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import { kitGot } from './kit-got';

const at = (hubToLipMm: number | undefined, liftMm: number, bodyLiftMm = 0) =>
  kitGot({
    key: 'frontLeft',
    corner: madeCorner({ hubToLipMm: 520 }),
    setup: countParts({ ...fittedAsSetup(FITTED), bodyLiftMm, parts: [{ kind: 'ride', liftMm }] }),
    postures: [],
    hubToLipMm,
    trimmedMm: new Map(),
  });

test('promised 40, the lip came up 33: what a body lift gave is none of the kit’s', () => {
  expect(at(553, 40)).toEqual({ promisedMm: 40, gotMm: 33 });
  expect(at(603, 40, 50)).toEqual({ promisedMm: 40, gotMm: 33 });
  expect(at(490, -25)).toEqual({ promisedMm: -25, gotMm: -30 });
});

test('nothing promised, or nothing read, says nothing', () => {
  expect(at(553, 0)).toBeNull();
  expect(at(undefined, 40)).toBeNull();
});
