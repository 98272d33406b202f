import { describe, expect, test } from '@jest/globals';
import { makeOutline, signedDistance } from './outline';
import { ConvexPiece, newMeasure, rectanglePiece } from './convex-piece';
import { stretchGap } from './piece-distance';
import { multiply, rotate, rotationBetween, transpose } from './pose';
import { cosSinBranch, cosSinBranchRoot, cosSinRoot } from './trig';
import { distance, interpolate, normalize, type Vec3 } from './vec3';
import { seededRandom } from '../numeric/seeded-random';
import { tireSection } from '../../2-vehicle/tire/section';
import { prepareRotor, solidDistance } from '../../2-vehicle/setup/rotor';

const vector = (random: () => number, size = 1): Vec3 => [
  size * (random() - 0.5),
  size * (random() - 0.5),
  size * (random() - 0.5),
];

test('roots of a cos x + b sin x = c satisfy it, lie near, and keep their branch', () => {
  const random = seededRandom(3);
  for (let n = 0; n < 500; n++) {
    const [a, b, x] = [random() - 0.5, random() - 0.5, 2 * Math.PI * (random() - 0.5)];
    const c = a * Math.cos(x) + b * Math.sin(x);
    const near = cosSinRoot(a, b, c, x);
    expect(a * Math.cos(near) + b * Math.sin(near)).toBeCloseTo(c, 9);
    expect(Math.abs(near - x)).toBeLessThan(1e-6);
    expect(Math.cos(cosSinBranchRoot(a, b, c, cosSinBranch(a, b, x)) - x)).toBeCloseTo(1, 9);
  }
  expect(cosSinRoot(1, 0, 2)).toBeNaN();
});

test('the least turn between two directions takes one to the other and is a rotation', () => {
  const random = seededRandom(4);
  for (let n = 0; n < 100; n++) {
    const [from, to] = [normalize(vector(random)), normalize(vector(random))];
    const turn = rotationBetween(from, to);
    expect(distance(rotate(turn, from), to)).toBeLessThan(1e-9);
    multiply(turn, transpose(turn)).forEach((v, i) => expect(v).toBeCloseTo(i % 4 === 0 ? 1 : 0, 9));
  }
});

test('the way between two stretches is what a fine sampling finds, points and parallels included', () => {
  const random = seededRandom(6);
  for (let n = 0; n < 200; n++) {
    const a0 = vector(random, 200);
    const a1 = n % 5 === 0 ? a0 : vector(random, 200);
    const b0 = vector(random, 200);
    const b1: Vec3 =
      n % 7 === 0 ? [b0[0] + a1[0] - a0[0], b0[1] + a1[1] - a0[1], b0[2] + a1[2] - a0[2]] : vector(random, 200);
    const found = stretchGap(a0, a1, b0, b1);
    expect(distance(found.onFirst, found.onSecond)).toBeCloseTo(found.distance, 9);
    let sampled = Infinity;
    for (let i = 0; i <= 60; i++) {
      for (let j = 0; j <= 60; j++) {
        sampled = Math.min(sampled, distance(interpolate(a0, a1, i / 60), interpolate(b0, b1, j / 60)));
      }
    }
    expect(found.distance).toBeLessThanOrEqual(sampled + 1e-9);
    expect(found.distance).toBeGreaterThan(sampled - 6);
  }
});

describe('convex pieces', () => {
  const rectangle = rectanglePiece(-30, 80, 100, 140);
  const out = newMeasure();

  test.each([
    ['above', 0, 150, 10, 0, 1],
    ['beside', 90, 120, 10, 1, 0],
    ['off a corner', 83, 144, 5, 0.6, 0.8],
    ['inside, by the nearest side', 75, 120, -5, 1, 0],
    ['under it', 0, 90, 10, 0, -1],
  ])('%s: signed distance and slope', (_name, a, r, d, slopeA, slopeR) => {
    rectangle.measure(a, r, out);
    expect([...out].slice(0, 3)).toEqual([d, slopeA, slopeR].map((v) => expect.closeTo(v, 12)));
    expect(rectangle.atLeast(a, r)).toBeLessThanOrEqual(d + 1e-12);
  });

  test('inside, the side that is second nearest; outside there is none', () => {
    rectangle.measure(75, 130, out);
    expect([...out]).toEqual([-5, 1, 0, -10, 0, 1].map((v) => expect.closeTo(v, 12)));
    rectangle.measure(90, 130, out);
    expect(out[3]).toBe(-Infinity);
  });

  test("a tire's distance lies above every tangent of it (it is convex), every mean of its two nearest sides, and the quick bound", () => {
    const random = seededRandom(8);
    for (const [size, rim] of [
      ['265/70R17', 8],
      ['205/40R17', 9.5],
      ['18x8.50-8', 7],
    ] as const) {
      const rotor = prepareRotor(
        {
          tire: { size },
          wheel: { diameterIn: tireSection({ size }, rim).size.rimDiameterIn, widthIn: rim, offsetMm: 0 },
          spacerMm: 0,
        },
        '',
      );
      for (const piece of [...rotor.filled.pieces, rotor.filled.hull!]) {
        const [p, q] = [newMeasure(), newMeasure()];
        for (let n = 0; n < 400; n++) {
          const [a, r, b, s] = [500 * (random() - 0.5), 520 * random(), 500 * (random() - 0.5), 520 * random()];
          piece.measure(a, r, p);
          piece.measure(b, s, q);
          expect(q[0]!).toBeGreaterThanOrEqual(p[0]! + p[1]! * (b - a) + p[2]! * (s - r) - 1e-6);
          expect(Math.hypot(p[1]!, p[2]!)).toBeCloseTo(1, 9);
          if (p[3]! > -Infinity) {
            expect(q[0]!).toBeGreaterThanOrEqual(p[3]! + p[4]! * (b - a) + p[5]! * (s - r) - 1e-6);
            expect(p[3]!).toBeLessThanOrEqual(p[0]!);
          }
          expect(piece.atLeast(a, r)).toBeLessThanOrEqual(p[0]! + 1e-9);
        }
      }
    }
  });

  test('together they are the section: the distance outside is that of the outline', () => {
    const random = seededRandom(9);
    const { filled, hollow } = prepareRotor(
      { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
      '',
    );
    for (const solid of [filled, hollow]) {
      for (let n = 0; n < 1000; n++) {
        const [a, r] = [500 * (random() - 0.5), 480 * random()];
        expect(solidDistance(solid, a, r)).toBeCloseTo(signedDistance(solid.outline, a, r), 6);
      }
    }
  });

  test('an arc alone: outside its radius, inside negative', () => {
    const disc = makeOutline([{ kind: 'arc', centre: { a: 0, r: 0 }, radius: 10, start: Math.PI, end: 0, tag: null }]);
    const piece = new ConvexPiece(disc.pieces, false);
    piece.measure(0, 16, out);
    expect(out[0]).toBeCloseTo(6, 12);
    piece.measure(3, 4, out);
    expect(out[0]).toBeCloseTo(-5, 12);
  });
});
