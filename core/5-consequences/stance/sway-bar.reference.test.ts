import { describe, expect, test } from '@jest/globals';
import { nearlyInLine, swayBarAt, type SwayBar } from './sway-bar';

const BAR: SwayBar = { armMm: 250, armRiseMm: 0, linkMm: 120, linkLeanMm: 0, linkRunsUp: false, linkRatio: 0.8 };
const degrees = (rad: number): number => (rad * 180) / Math.PI;

describe('sway bar and link as a four-bar linkage', () => {
  test('level arm and upright link stand square, as measured', () => {
    const state = swayBarAt(BAR, 0)!;
    expect(state.linkLeanDeg).toBeCloseTo(0, 9);
    expect(state.armToLinkDeg).toBeCloseTo(90, 9);
    expect(state.armTurnDeg).toBeCloseTo(0, 9);
  });

  test.each([-120, -60, 30, 90])('at %d mm of travel it closes by Freudenstein’s equation (1955, from memory)', (t) => {
    const { armTurnDeg } = swayBarAt(BAR, t)!;
    // The wheel's end slides upright: crank a, coupler b, slider at x = a, height z. |B - W| = b, by the crank's angle.
    const turn = (armTurnDeg * Math.PI) / 180;
    const [a, b, x, z] = [250, 120, 250, -120 + 0.8 * t];
    const k1 = x * Math.cos(turn) + z * Math.sin(turn);
    expect(k1).toBeCloseTo((a * a + x * x + z * z - b * b) / (2 * a), 6);
  });

  test('the angle between arm and link is that of the triangle with known sides (law of cosines)', () => {
    const bar: SwayBar = { ...BAR, armRiseMm: 60, linkLeanMm: 25, linkRunsUp: true };
    for (const t of [-70, 0, 55]) {
      const along = Math.sqrt(250 ** 2 - 60 ** 2) + 25;
      const z = 60 + Math.sqrt(120 ** 2 - 25 ** 2) + 0.8 * t;
      const across = along ** 2 + z ** 2;
      const expected = degrees(Math.acos((250 ** 2 + 120 ** 2 - across) / (2 * 250 * 120)));
      expect(swayBarAt(bar, t)!.armToLinkDeg).toBeCloseTo(expected, 9);
    }
  });

  test('a wheel that hangs far draws arm and link into line, and further than both are long nothing is said', () => {
    expect(nearlyInLine(swayBarAt(BAR, 0)!)).toBe(false);
    expect(nearlyInLine(swayBarAt(BAR, -180)!)).toBe(true);
    expect(swayBarAt(BAR, -400)).toBeNull();
  });

  test('an arm that rises more than it is long is no arm', () => {
    expect(swayBarAt({ ...BAR, armRiseMm: 260 }, 0)).toBeNull();
  });
});

test('a bar lowered with the axle stands to its link as before the lift', () => {
  const bar: SwayBar = { armMm: 250, armRiseMm: 10, linkMm: 110, linkLeanMm: 15, linkRunsUp: false, linkRatio: 1 };
  const home = swayBarAt(bar, 0)!;
  const lifted = swayBarAt(bar, -40)!;
  expect(lifted.armTurnDeg).toBeLessThan(-5);
  expect(swayBarAt(bar, -40, 40)).toEqual({
    linkLeanDeg: expect.closeTo(home.linkLeanDeg, 9),
    armToLinkDeg: expect.closeTo(home.armToLinkDeg, 9),
    armTurnDeg: expect.closeTo(0, 9),
  });
});
