import { describe, expect, test } from '@jest/globals';
import { FITTED, LEANING_AXIS, madeCorner } from '../../fixtures/made-corner';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import type { TriedPosture } from './postures';
import { triedPicture } from './tried-picture';

const CORNER = madeCorner({
  steering: { ...LEANING_AXIS, lockLeftDeg: 32, lockRightDeg: 30 },
  travel: { bumpMm: 90, droopMm: 100 },
  hubToLipMm: 520,
  fitted: FITTED,
});
const picture = (...postures: readonly TriedPosture[]) =>
  triedPicture('frontLeft', CORNER, fittedSetup(FITTED), { envelope: 'trail' }, postures);
const hump = (hubToLipMm: number): TriedPosture => ({ kind: 'humpFrontLeft', done: true, hubToLipMm });

describe('what of a corner was tried', () => {
  test('the whole is what stops and locks allow: right is less than nothing, up is toward the stop', () => {
    const { outline, tried } = picture();
    expect([outline[0]!.travelMm, outline.at(-1)!.travelMm]).toEqual([-100, 90]);
    for (const { lowDeg, highDeg } of outline) {
      expect(lowDeg).toBeCloseTo(-30, 6);
      expect(highDeg).toBeCloseTo(32, 6);
    }
    expect(tried).toEqual([]);
  });

  test('a hump counts from where it is parked to where the hub was read, with the lock that holds there', () => {
    const { tried, rideMm } = picture(hump(478.3));
    expect(tried[0]!.travelMm).toBe(rideMm);
    expect(tried.at(-1)!.travelMm).toBeCloseTo(41.7, 9);
    expect(tried.at(-1)!.highDeg).toBeCloseTo(32, 6);
  });

  test('what is past the stop is not more than the stop', () => {
    expect(picture(hump(400)).tried.at(-1)!.travelMm).toBe(90);
  });

  test('parked it was turned only where it was driven both ways', () => {
    const ride = (kind: TriedPosture['kind']): TriedPosture => ({ kind, done: true });
    expect(picture(ride('rideForward')).turnedBothWays).toBe(false);
    expect(picture(ride('rideForward'), ride('rideReverse')).turnedBothWays).toBe(true);
  });
});
