import { describe, expect, test } from '@jest/globals';
import { axleWeightsKg, cargoSag, emptyRakeMm, holdingRateNPerMm, seenWheelRateNPerMm } from './loaded-rake';
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

describe('rates from what was seen, and the rate that holds a height (Hooke)', () => {
  test('100 kg over an axle that sinks it by 12 mm: half of it on each wheel', () => {
    const rate = seenWheelRateNPerMm(100, 12);
    expect(rate).toBeCloseTo((50 * GRAVITY) / 12, 9);
    expect(
      cargoSag({ weightKg: 100, behindFrontMm: 0 }, 3000, { frontNPerMm: rate, rearNPerMm: 50 }).frontMm,
    ).toBeCloseTo(12, 9);
  });

  test('a winch ahead of the axle loads it with more than its weight and lightens the other', () => {
    const { front, rear } = axleWeightsKg({ weightKg: 60, behindFrontMm: -600 }, 3000);
    expect(front).toBeCloseTo(72, 9);
    expect(rear).toBeCloseTo(-12, 9);
  });

  test('springs of that rate stand under the load as long as the old ones without it', () => {
    const [rate, stands, more] = [40, 900, 72];
    const next = holdingRateNPerMm(rate, stands, more);
    const pressed = (kg: number, by: number): number => (kg * GRAVITY) / 2 / by;
    expect(pressed(stands + more, next)).toBeCloseTo(pressed(stands, rate), 9);
    expect(next / rate).toBeCloseTo(1.08, 9);
  });
});
