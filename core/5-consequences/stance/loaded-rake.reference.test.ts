import { describe, expect, test } from '@jest/globals';
import { cargoSag, emptyRakeMm } from './loaded-rake';
import { GRAVITY } from '../../2-vehicle/setup/springs';

const RATES = { frontNPerMm: 40, rearNPerMm: 50 };

describe('rake under load, by levers and Hooke’s law', () => {
  test('200 kg over the rear axle sink it by their weight over both its springs, and leave the front', () => {
    const sag = cargoSag({ weightKg: 200, behindFrontMm: 3000 }, 3000, RATES);
    expect(sag).toEqual({ frontMm: 0, rearMm: expect.closeTo((200 * GRAVITY) / 100, 9) });
    expect(emptyRakeMm(25, sag)).toBeCloseTo(25 + 19.6133, 4);
  });

  test('on a hitch behind the rear axle it lifts the nose: moments about each axle balance', () => {
    const { frontMm, rearMm } = cargoSag({ weightKg: 100, behindFrontMm: 4200 }, 3000, RATES);
    const [front, rear] = [2 * 40 * frontMm, 2 * 50 * rearMm];
    expect(front).toBeLessThan(0);
    expect(front + rear).toBeCloseTo(100 * GRAVITY, 9);
    expect(rear * 3000).toBeCloseTo(100 * GRAVITY * 4200, 6);
  });
});
