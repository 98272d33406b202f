import { describe, expect, test } from '@jest/globals';
import { attempt } from '../../1-base/problem';
import { toRadians } from '../../1-base/units/angle';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import { tireSection } from '../../2-vehicle/tire/section';
import { madeCase, madeCorner, FITTED } from '../../fixtures/made-corner';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import { travelLimits } from '../envelope/envelope';
import { evaluateCase } from './evaluate';

/**
 * A plain rear axle: hubs 1600 apart, stops at +-450, 90 of bump. A fender stands over the crown, 118 mm above the parked tire, so
 * level at full bump it is 28 mm clear; flexed, the wheel comes some 58 mm higher and is 20 mm and more into it.
 */
const BEAM = { type: 'beamAxle', hubSpacingMm: 1600 } as const;
const STOPS = { ...BEAM, stopSpacingMm: 900, shockSpacingMm: 1600 } as const;
const RADIUS = tireSection(FITTED.tire, FITTED.wheel.widthIn).diameterMm / 2;
const CENTRE = -FITTED.wheel.offsetMm;
const fender = { z: RADIUS + 118, y: CENTRE };

const axle = (motion: MotionDescription, said: Partial<CornerDescription> = {}): CornerDescription =>
  madeCorner({
    motion,
    travel: { bumpMm: 90, droopMm: 120 },
    obstacles: [
      {
        id: 'fender',
        mount: 'body',
        material: 'sheetMetal',
        shape: {
          type: 'polyline',
          points: [
            [-60, fender.y, fender.z],
            [60, fender.y, fender.z],
          ],
        },
      },
    ],
    ...said,
  });
const fenderOf = (corner: CornerDescription) => evaluateCase(madeCase({ corners: { rearLeft: corner } })).obstacles[0]!;

describe('a beam axle flexed on its stops', () => {
  test('stopped at the hubs, as older jobs have it, the fender is 28 mm clear', () => {
    const { travelMm, gapMm } = fenderOf(axle(BEAM));
    expect(travelMm).toBeCloseTo(90, 3);
    // The other wheel may hang there too: the lean takes under 1 mm.
    expect(gapMm).toBeLessThan(28);
    expect(gapMm).toBeGreaterThan(27);
  });

  test('with the stops where they stand it rubs, by the way the rolled wheel comes up', () => {
    const found = fenderOf(axle(STOPS));
    // The bar on its stop, the other hub hanging: (1 + k) t + (1 - k) o = 2 B with k = 450/800, o = -120.
    const highest = (2 * 90 + (1 - 450 / 800) * 120) / (1 + 450 / 800);
    expect(found.travelMm).toBeCloseTo(highest, 1);
    expect(found.travelMm + found.crossMm).toBeCloseTo(-120, 1);
    // The wheel leans with the axle about the hub, its top inboard of where it was: crown line against the fender's edge.
    const roll = Math.asin((highest + 120) / 1600);
    const middle = [CENTRE * Math.cos(roll) - (1600 / 2) * (1 - Math.cos(roll)), highest + CENTRE * Math.sin(roll)];
    const [dy, dz] = [fender.y - middle[0]!, fender.z - middle[1]!];
    const outward = dz * Math.cos(roll) - dy * Math.sin(roll);
    expect(found.verdict).toBe('rubs');
    expect(found.gapMm).toBeCloseTo(outward - RADIUS, 0);
    expect(found.gapMm).toBeLessThan(-20);
  });

  test('reaching at least as far as a ramp showed, and as the stops where that puts them', () => {
    const limits = (corner: CornerDescription) => travelLimits(corner, fittedSetup(corner.fitted));
    const ramp = { rampHereMm: 148, rampOtherMm: -120 };
    // Nobody knows where the stops stand: ramp and parallel bump say it.
    const found = limits(axle(BEAM, { travel: { bumpMm: 90, droopMm: 120, ...ramp } }));
    expect(found.stops!.stops).toBeCloseTo((2 * 90 - 28) / 268, 9);
    expect(found.highest).toBeCloseTo(148, 6);
    // The spacing is known and the bump was guessed too small: the ramp says that too.
    const guessed = limits(axle(STOPS, { travel: { bumpMm: 60, droopMm: 120, ...ramp }, starting: ['bumpMm'] }));
    expect(guessed.bump).toBeCloseTo(14 + (450 / 800) * 134, 9);
    expect(guessed.highest).toBeCloseTo(148, 6);
    expect(attempt(() => limits(axle(BEAM, { travel: { bumpMm: 90, droopMm: 120, rampHereMm: 148 } })))).toMatchObject({
      problems: [{ path: 'corner.travel.rampOtherMm' }],
    });
    const upside = { bumpMm: 90, droopMm: 120, rampHereMm: -20, rampOtherMm: 60 };
    expect(attempt(() => limits(axle(BEAM, { travel: upside })))).toMatchObject({
      problems: [{ code: 'contradiction', path: 'corner.travel.rampOtherMm' }],
    });
    const tooFar = { bumpMm: 20, droopMm: 120, rampHereMm: 148, rampOtherMm: -20 };
    expect(attempt(() => limits(axle(BEAM, { travel: tooFar })))).toMatchObject({
      problems: [{ code: 'contradiction', path: 'corner.travel.rampHereMm' }],
    });
  });

  test('a bump-stop extension counts at the stop: less of it reaches the wheel that hangs', () => {
    const corner = axle(STOPS);
    const fitted = fittedSetup(corner.fitted);
    const before = travelLimits(corner, fitted);
    const after = travelLimits(corner, { ...fitted, bumpStopMm: 20 });
    // 20 mm at stops 0.5625 of the way out stop the wheel 20 * 2 / (1 + 0.5625) = 25.6 mm earlier, the other one at its shock.
    expect(before.highest - after.highest).toBeCloseTo(40 / 1.5625, 6);
  });

  test('the steer of the street rule stays at its least share beyond the parallel stop', () => {
    const corner = axle(STOPS, {
      steering: { inclinationDeg: 8, casterDeg: 3, kingpinOffsetMm: 100, lockLeftDeg: 32, lockRightDeg: 36 },
    });
    const { obstacles } = evaluateCase(madeCase({ corners: { frontLeft: corner }, envelope: 'street' }));
    const { travelMm, steerDeg } = obstacles[0]!;
    expect(travelMm).toBeGreaterThan(90);
    expect(toRadians(Math.abs(steerDeg))).toBeLessThan(toRadians(36) * 0.25 + 1e-6);
  });
});
