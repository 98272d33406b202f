import { describe, expect, test } from '@jest/globals';
import { Matrix } from 'ml-matrix';
import { FITTED } from '../../fixtures/made-corner';
import { turn, IDENTITY_ROTATION } from '../../1-base/geometry/pose';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import type { EdgeModel } from './edge-model';
import type { Evidence } from './evidence';
import { fitEdge } from './fit-edge';

const rotor = prepareRotor(FITTED, 'fitted');

/** Gap read straight above a tire whose axis is that of the mount's frame. */
const above = (gapMm: number): Evidence => ({
  toWheel: turn(IDENTITY_ROTATION),
  rotor,
  up: [0, 1],
  nearest: false,
  gapMm,
  gapSigmaMm: 2,
  outboardMm: null,
  acrossMm: 0,
  acrossHalfMm: 0,
  acrossSigmaMm: 50,
  clockRad: 0,
  clockSigmaRad: 1,
});

/** One place above the tire, as high as `height` makes of the one number there is. */
const standing = (height: (q: number) => number): EdgeModel => ({
  mean: Float64Array.from([0]),
  sigma: Float64Array.from([1000]),
  anywhere: [0],
  dims: 0,
  radiusMm: 0,
  seeds: [[0, 0]],
  limits: () => [0, 0, 0, 0],
  at: (q, _s, _t, out) => out.set([0, rotor.centrePlaneMm, height(q[0]!)]),
  pieces: () => [],
});

const crown = rotor.section.diameterMm / 2;

describe('what a rub tells of a place', () => {
  const inside = standing((q) => crown - 40 + q);
  const here = { toWheel: turn(IDENTITY_ROTATION), rotor };
  const sd = ({ covariance }: ReturnType<typeof fitEdge>): number => Math.sqrt(covariance.get(0, 0));

  test('a tire that touches it says where it is, to 3 mm', () => {
    const { q, ...fit } = fitEdge({ ...standing((z) => crown + 40 + z) }, [], [{ touches: true, postures: [here] }]);
    expect(q[0]).toBeCloseTo(-40, 0);
    expect(sd({ q, ...fit })).toBeLessThan(3.1);
  });

  test('a tire that turns free keeps it out, and says no more of how far out it is', () => {
    const fit = fitEdge(inside, [], [{ touches: false, postures: [here] }]);
    expect(fit.q[0]).toBeGreaterThan(39);
    expect(sd(fit)).toBeCloseTo(1000, 0);
  });

  test('nor does it make a reading any surer', () => {
    const read = [above(1)];
    const free = fitEdge(inside, read, [{ touches: false, postures: [here] }]);
    expect(sd(free)).toBeCloseTo(sd(fitEdge(inside, read)), 3);
  });
});

describe('a fit says how it ended', () => {
  test('a place that can rise to where it was read settles there', () => {
    const model = standing((q) => crown + 20 + q);
    const { status, q, covariance } = fitEdge(model, [above(45)]);
    expect(status).toBe('converged');
    // A prior of a metre hardly holds it back: 25 mm up, known as well as the tape.
    expect(q[0]).toBeCloseTo(25, 3);
    expect(Math.sqrt((covariance as Matrix).get(0, 0))).toBeCloseTo(2, 3);
  });

  test('begun where it ended it has converged still, though no step leads further down', () => {
    const model = standing((q) => crown + 20 + q);
    const { q } = fitEdge(model, [above(45)]);
    expect(fitEdge(model, [above(45)], [], q).status).toBe('converged');
  });

  test('where every step makes it worse though the slope promises better, it is stuck and says so', () => {
    // Rises only where its slope is taken, 0.1 off: wherever a step leads, it falls.
    const model = standing((q) => crown + 20 + (Math.abs(Math.abs(q) - 0.1) < 0.01 ? 5 * q : -Math.abs(q)));
    const { status } = fitEdge(model, [above(45)], [], Float64Array.from([0]), 200);
    expect(status).toBe('stuck');
  });

  test('steps that run out are said to have run out', () => {
    expect(
      fitEdge(
        standing((q) => crown + 20 + q ** 3 / 1e4),
        [above(80)],
        [],
        Float64Array.from([5]),
        1,
      ).status,
    ).toBe('outOfSteps');
  });
});
