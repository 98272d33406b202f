import { expect, test } from '@jest/globals';
import { blankCorner, mirroredCorner, newCorner } from './blank-corner';
import { acrossFrom } from '../../core/2-vehicle/setup/corner-key';
import { shockProblem, UNDERBODY } from './underbody-entries';

test('every number of the underbody sheet is written, read back and cleared', () => {
  const corner = blankCorner('frontLeft');
  for (const entry of UNDERBODY) {
    entry.write(corner, 42);
    expect([entry.label, entry.read(corner)]).toEqual([entry.label, 42]);
    entry.write(corner, undefined);
    expect([entry.label, entry.read(corner)]).toEqual([entry.label, undefined]);
  }
});

test.each([
  [{}, null],
  [{ shockOpenMm: 500, shockClosedMm: 310, shockNowMm: 400 }, null],
  [{ shockOpenMm: 300, shockClosedMm: 310 }, 'Open (300 mm) must be longer than closed (310 mm).'],
  [{ shockOpenMm: 500, shockNowMm: 510 }, 'longer than fully open (500 mm)'],
  [{ shockClosedMm: 310, shockNowMm: 300 }, 'shorter than fully closed (310 mm)'],
])('a shock of %p', (sheet, said) => {
  if (said === null) expect(shockProblem(sheet)).toBeNull();
  else expect(shockProblem(sheet)).toContain(said);
});

test('a mirrored corner swaps the locks, takes no reading and no height over, and says so', () => {
  const left = {
    ...blankCorner('frontLeft'),
    hubToLipMm: 520,
    groundToLipMm: 905,
    typed: { hubToLipMm: '520', bumpMm: '80' },
  };
  left.steering = { ...left.steering!, lockLeftDeg: 35, lockRightDeg: 31 };
  left.obstacles = [{ id: 'x', mount: 'body', material: 'liner', readings: [] }];
  const right = mirroredCorner('frontRight', left);
  expect(right).toMatchObject({
    mirroredFrom: 'frontLeft',
    obstacles: [],
    typed: { bumpMm: '80' },
    steering: { lockLeftDeg: 31, lockRightDeg: 35 },
  });
  expect(right.hubToLipMm).toBeUndefined();
  expect(right.groundToLipMm).toBeUndefined();
  expect(newCorner('frontRight', { frontLeft: left })).toEqual(right);
  expect(newCorner('rearRight', { frontLeft: left }).mirroredFrom).toBeUndefined();
  expect(acrossFrom('rearRight')).toBe('rearLeft');
});
