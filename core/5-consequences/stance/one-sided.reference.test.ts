import { describe, expect, test } from '@jest/globals';
import { CORNER_KEYS } from '../../2-vehicle/setup/corner-key';
import { bodyRisesMm, type ByCorner } from './one-sided';

const lifts = (more: Partial<ByCorner>): ByCorner => ({
  frontLeft: 0,
  frontRight: 0,
  rearLeft: 0,
  rearRight: 0,
  ...more,
});
const SIGNS = { frontLeft: [1, 1], frontRight: [1, -1], rearLeft: [-1, 1], rearRight: [-1, -1] } as const;

describe('a shim on one spring of a stiff body on four springs', () => {
  test('alike rates: three quarters there, a quarter at both neighbours, the far corner sinks by a quarter', () => {
    expect(bodyRisesMm(lifts({ frontLeft: 20 }))).toEqual({ frontLeft: 15, frontRight: 5, rearLeft: 5, rearRight: -5 });
  });

  test.each([
    [lifts({ frontLeft: 20 }), { front: 40, rear: 55 }],
    [lifts({ frontLeft: 30, frontRight: 30, rearRight: 12 }), { front: 90, rear: 30 }],
  ])('forces and both moments balance, and the body stays plane', (given, stiffness) => {
    const rises = bodyRisesMm(given, stiffness);
    const force = (key: (typeof CORNER_KEYS)[number]): number =>
      (key.startsWith('front') ? stiffness.front : stiffness.rear) * (given[key] - rises[key]);
    const sum = (of: (key: (typeof CORNER_KEYS)[number]) => number): number =>
      CORNER_KEYS.reduce((total, key) => total + of(key), 0);
    expect(sum(force)).toBeCloseTo(0, 9);
    expect(sum((key) => force(key) * SIGNS[key][0])).toBeCloseTo(0, 9);
    expect(sum((key) => force(key) * SIGNS[key][1])).toBeCloseTo(0, 9);
    expect(rises.frontLeft - rises.frontRight).toBeCloseTo(rises.rearLeft - rises.rearRight, 9);
  });

  test('both sides alike go up by just that', () => {
    const level = lifts({ frontLeft: 40, frontRight: 40, rearLeft: 20, rearRight: 20 });
    expect(bodyRisesMm(level, { front: 40, rear: 70 })).toEqual(level);
  });
});
