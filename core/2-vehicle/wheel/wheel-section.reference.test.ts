import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { prepareRotor, solidDistance } from '../setup/rotor';
import { makeOutline, signedDistance } from '../../1-base/geometry/outline';
import { madeCase, madeCorner, FITTED } from '../../fixtures/made-corner';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { hollowWheel, wheelSectionPolygon, type HollowWheelSizes } from './wheel-section';

/** Signed area of a closed polygon by the shoelace formula, mm^2. */
const area = (places: readonly { readonly a: number; readonly r: number }[]): number =>
  Math.abs(
    places.reduce((sum, { a, r }, i) => {
      const next = places[(i + 1) % places.length]!;
      return sum + (a * next.r - next.a * r) / 2;
    }, 0),
  );

const SIZES: readonly (readonly [string, HollowWheelSizes])[] = [
  ['17 x 8 +30', { diameterIn: 17, widthIn: 8, offsetMm: 30 }],
  ['16 x 8 -12', { diameterIn: 16, widthIn: 8, offsetMm: -12 }],
  [
    '20 x 9 +50, measured inside',
    { diameterIn: 20, widthIn: 9, offsetMm: 50, insideDiameterMm: 470, dropCentreInsideMm: 446 },
  ],
  [
    '17 x 8.5 +10, spokes measured',
    {
      diameterIn: 17,
      widthIn: 8.5,
      offsetMm: 10,
      spokeBack: [
        { radiusMm: 90, backMm: 4 },
        { radiusMm: 130, backMm: -12 },
        { radiusMm: 165, backMm: 22 },
      ],
    },
  ],
  ['8 x 7 cart wheel', { diameterIn: 8, widthIn: 7, offsetMm: -20 }],
];

describe.each(SIZES)('inside of %s', (_name, sizes) => {
  const { metal, outline } = hollowWheel(sizes);

  test('the outline runs round the same metal as the blocks: both areas by counting', () => {
    const random = seededRandom(17);
    const polygon = wheelSectionPolygon(sizes);
    const closed = makeOutline(outline);
    const seat = (sizes.diameterIn * 25.4) / 2;
    const [wide, high] = [sizes.widthIn * 25.4 + 60, seat + 25];
    const count = 40_000;
    let [inBlocks, both] = [0, 0];
    for (let n = 0; n < count; n++) {
      const [a, r] = [(random() - 0.5) * wide, random() * high];
      const inBlock = metal.some(([a0, a1, r0, r1]) => a > a0 && a < a1 && r > r0 && r < r1);
      if (inBlock) inBlocks++;
      const inside = signedDistance(closed, a, r) < 0;
      if (inside === inBlock) both++;
    }
    expect(both / count).toBeGreaterThan(0.999);
    expect(area(polygon) / ((inBlocks / count) * wide * high)).toBeCloseTo(1, 1);
  });

  test('its distance is the distance to the nearest block', () => {
    const random = seededRandom(18);
    const rotor = prepareRotor(
      { tire: { size: `${sizes.diameterIn + 12}x10-${sizes.diameterIn}` }, wheel: sizes, spacerMm: 0 },
      'setup',
    );
    for (let n = 0; n < 300; n++) {
      const [a, r] = [(random() - 0.5) * 300, random() * 200];
      const nearest = Math.min(
        ...metal.map(([a0, a1, r0, r1]) => Math.hypot(Math.max(a0 - a, a - a1, 0), Math.max(r0 - r, r - r1, 0))),
      );
      if (nearest > 0) expect(solidDistance(rotor.hollow, a, r)).toBeCloseTo(nearest, 9);
    }
  });
});

test('a 17 in wheel is 395 to 402 mm across inside, less at the drop center (common practice, no source)', () => {
  const [barrel, drop] = hollowWheel({ diameterIn: 17, widthIn: 8, offsetMm: 30 }).metal;
  expect(2 * barrel![2]).toBeGreaterThanOrEqual(395);
  expect(2 * barrel![2]).toBeLessThanOrEqual(402);
  expect(drop![2]).toBeLessThan(barrel![2]);
});

describe('a caliper in the wheel', () => {
  const caliper = (wheel: object = {}) =>
    evaluateCase(
      madeCase({
        corners: {
          frontLeft: madeCorner({
            fitted: { ...FITTED, wheel: { ...FITTED.wheel, ...wheel } },
            obstacles: [
              {
                id: 'caliper',
                mount: 'knuckle',
                material: 'brake',
                insideWheel: true,
                // 190 mm out and 20 mm behind the mounting face.
                shape: { type: 'points', points: [[0, -20, 190]] },
              },
            ],
          }),
        },
      }),
    ).obstacles[0]!;

  test('is asked for 3 to 5 mm, its own number (common practice, no source)', () => {
    expect(caliper().requiredMm).toBeGreaterThanOrEqual(3);
    expect(caliper().requiredMm).toBeLessThanOrEqual(5);
  });

  test('is nearer to a barrel measured narrower, and to spokes measured nearer', () => {
    // 199 mm of radius as usual, 194 as measured.
    expect(caliper().gapMm).toBeCloseTo((17 * 25.4) / 2 - 17 - 190, 1);
    expect(caliper({ insideDiameterMm: 388 }).gapMm).toBeCloseTo(194 - 190, 1);
    const spokes = caliper({
      spokeBack: [
        { radiusMm: 100, backMm: 0 },
        { radiusMm: 180, backMm: -17 },
      ],
    });
    expect(spokes.gapMm).toBeCloseTo(3, 1);
    expect(spokes.verdict).toBe('tooClose');
  });
});
