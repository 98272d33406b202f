import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { flatten, nearestPlace, pieceEnd, pieceStart, signedDistance } from '../../1-base/geometry/outline';
import { attempt } from '../../1-base/problem';
import { tireSection } from './section';

const SIZES: readonly (readonly [string, number])[] = [
  ['265/70R17', 8],
  ['35x12.50R17LT', 8.5],
  ['225/45R17', 7.5],
  ['285/30R20', 8],
  ['205/40R17', 9.5],
  ['18x8.50-8', 7],
  ['7.50R16LT', 6],
];

describe.each(SIZES)('section of %s on %s in', (size, rim) => {
  const section = tireSection({ size }, rim);
  const { pieces } = section.outline;

  test('is one closed path from axis to axis, inboard to outboard', () => {
    pieces.slice(1).forEach((piece, i) => {
      const before = pieceEnd(pieces[i]!);
      const after = pieceStart(piece);
      expect(Math.hypot(before.a - after.a, before.r - after.r)).toBeLessThan(1e-9);
    });
    expect(pieceStart(pieces[0]!).r).toBe(0);
    expect(pieceEnd(pieces[pieces.length - 1]!).r).toBe(0);
  });

  test('reaches exactly its diameter and its width', () => {
    const polygon = flatten(section.outline, 0.001);
    const tire = polygon.filter((p) => p.r >= section.widestRadiusMm - 1e-9);
    expect(Math.max(...polygon.map((p) => p.r))).toBeCloseTo(section.diameterMm / 2, 9);
    expect(Math.max(...tire.map((p) => p.a))).toBeCloseTo(section.widthMm / 2, 6);
  });

  test('shoulder and sidewall arcs meet without a kink', () => {
    const arcs = pieces.filter((p) => p.kind === 'arc');
    const shoulder = arcs.find((p) => p.tag === 'outerShoulder')!;
    const sidewall = arcs.find((p) => p.tag === 'outerSidewall')!;
    expect(sidewall.start).toBeCloseTo(shoulder.end, 9);
  });

  test('distance agrees with a fine polygon of the same outline', () => {
    const polygon = flatten(section.outline, 1e-4);
    fc.assert(
      fc.property(
        fc.double({ min: -400, max: 400, noNaN: true }),
        fc.double({ min: 0.1, max: 700, noNaN: true }),
        (a, r) => {
          const exact = signedDistance(section.outline, a, r);
          const byPolygon = polygonDistance(polygon, a, r);
          // A point within the polygon's sag of the outline may fall on either side of it.
          expect(Math.abs(exact - byPolygon)).toBeLessThan(3e-4);
        },
      ),
      { numRuns: 150, seed: 7 },
    );
  });
});

/** Signed distance to an open polygon from axis to axis: textbook segment distance and even-odd rule. */
function polygonDistance(polygon: readonly { a: number; r: number }[], a: number, r: number): number {
  let least = Infinity;
  let inside = false;
  for (let i = 0; i + 1 < polygon.length; i++) {
    const p = polygon[i]!;
    const q = polygon[i + 1]!;
    const squared = (q.a - p.a) ** 2 + (q.r - p.r) ** 2;
    const u = squared ? Math.max(0, Math.min(1, ((a - p.a) * (q.a - p.a) + (r - p.r) * (q.r - p.r)) / squared)) : 0;
    least = Math.min(least, Math.hypot(a - p.a - u * (q.a - p.a), r - p.r - u * (q.r - p.r)));
    if (p.a > a !== q.a > a && r < p.r + ((a - p.a) / (q.a - p.a)) * (q.r - p.r)) inside = !inside;
  }
  return inside ? -least : least;
}

test('closed forms: straight above the crown, beside the widest place, deep inside', () => {
  const section = tireSection({ size: '35x12.50R17LT' }, 10);
  expect(signedDistance(section.outline, 0, 889 / 2 + 40)).toBeCloseTo(40, 9);
  expect(signedDistance(section.outline, 317.5 / 2 + 25, section.widestRadiusMm)).toBeCloseTo(25, 9);
  expect(signedDistance(section.outline, 0, 889 / 2 - 10)).toBeCloseTo(-10, 9);
  expect(signedDistance(section.outline, 0, 10)).toBeLessThan(-100);
  expect(nearestPlace(section.outline, -300, section.widestRadiusMm).tag).toBe('innerSidewall');
});

test('measured dimensions replace the size, and a section without a sidewall is refused', () => {
  const worn = tireSection({ size: '265/70R17', measuredDiameterMm: 790, measuredWidthMm: 270 }, 8);
  expect(worn).toMatchObject({ diameterMm: 790, widthMm: 270 });
  const flat = attempt(() => tireSection({ size: '265/70R17', measuredDiameterMm: 440 }, 8, 'setup.tire'));
  expect(flat).toMatchObject({ ok: false, problems: [{ path: 'setup.tire' }] });
});

test('any sane size on any sane rim makes a finite section without a kink', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 125, max: 355 }),
      fc.integer({ min: 30, max: 85 }),
      fc.integer({ min: 12, max: 24 }),
      fc.double({ min: 0.6, max: 1.05, noNaN: true }),
      (width, aspect, rim, ratio) => {
        const section = tireSection({ size: `${width}/${aspect}R${rim}` }, (width * ratio) / 25.4);
        const points = flatten(section.outline, 0.02);
        expect(points.every((p) => Number.isFinite(p.a) && Number.isFinite(p.r) && p.r >= -1e-9)).toBe(true);
        expect(section.treadWidthMm).toBeLessThanOrEqual(section.widthMm);
      },
    ),
    { seed: 11 },
  );
});
