/**
 * The cut line on sheets whose margins are known in closed form: plane geometry (areas of triangles, trapezoids and circle
 * segments), no engine involved.
 */
import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { PanelMesh } from '../../3-survey/shape/panel-mesh';
import fc from 'fast-check';
import { panelFromEdge } from '../../3-survey/shape/panel-mesh';
import { borderLines, cutLine, distanceToLines, meshAreaMm2 } from './cut-line';
import { gapField } from './gap-field';

/** A flat rectangle, 200 wide and 100 high, standing in the x-z plane. */
const SHEET: PanelMesh = {
  points: [
    [0, 0, 0],
    [200, 0, 0],
    [200, 0, 100],
    [0, 0, 100],
  ],
  triangles: [
    [0, 1, 2],
    [0, 2, 3],
  ],
};
const AREA = 20_000;

const cutBy = (marginAt: (p: Vec3) => number) => {
  const field = gapField(SHEET, { marginAt });
  return { field, cut: cutLine(field, { marginAt }) };
};

describe('a straight margin', () => {
  test('everything below a level line goes: its length, area and depth', () => {
    const { cut } = cutBy(([, , z]) => z - 30);
    expect(cut.lines).toHaveLength(1);
    expect(cut.lengthMm).toBeCloseTo(200, 1);
    expect(cut.areaMm2).toBeCloseTo(30 * 200, -2);
    // The furthest from the border that a line 30 above the lower edge runs.
    expect(cut.depthMm).toBeCloseTo(30, 1);
    for (const [x, , z] of cut.lines[0]!) {
      expect(z).toBeGreaterThanOrEqual(30 - 1e-9);
      expect(z).toBeLessThan(30.03);
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThanOrEqual(200);
    }
  });

  test('a corner cut off at 45 degrees: half the square of its side', () => {
    const { cut } = cutBy(([x, , z]) => (x + z - 60) / Math.SQRT2);
    expect(cut.areaMm2).toBeCloseTo(1800, -1);
    expect(cut.lengthMm).toBeCloseTo(60 * Math.SQRT2, 1);
  });

  test('what is left and what is removed are the whole sheet', () => {
    const { cut } = cutBy(([x, , z]) => z - 20 - 0.2 * x);
    expect(meshAreaMm2(cut.left) + meshAreaMm2(cut.removed)).toBeCloseTo(AREA, 0);
    // A trapezoid 20 high on the left, 60 on the right.
    expect(cut.areaMm2).toBeCloseTo(((20 + 60) / 2) * 200, -2);
  });
});

describe('a round margin', () => {
  test('a half circle about the middle of the lower edge goes', () => {
    const { cut } = cutBy(([x, , z]) => Math.hypot(x - 100, z) - 40);
    expect(Math.abs(cut.areaMm2 - (Math.PI * 40 ** 2) / 2)).toBeLessThan(15);
    expect(Math.abs(cut.lengthMm - Math.PI * 40)).toBeLessThan(0.5);
    expect(cut.depthMm).toBeCloseTo(40, 0);
  });

  test('a hole within the sheet has a closed line', () => {
    const { cut } = cutBy(([x, , z]) => Math.hypot(x - 100, z - 50) - 25);
    expect(cut.lines).toHaveLength(1);
    expect(cut.lines[0]!.at(-1)).toEqual(cut.lines[0]![0]);
    expect(Math.abs(cut.lengthMm - 2 * Math.PI * 25)).toBeLessThan(0.6);
  });
});

describe('nothing, and everything', () => {
  test('room everywhere: no line, nothing removed', () => {
    const { cut } = cutBy(() => 5);
    expect(cut).toMatchObject({ lines: [], lengthMm: 0, areaMm2: 0, depthMm: 0 });
    expect(cut.left.triangles.length).toBeGreaterThan(0);
  });

  test('room nowhere: all of it goes, and there is no line to saw along', () => {
    const { cut } = cutBy(() => -5);
    expect(cut.lines).toEqual([]);
    expect(cut.areaMm2).toBeCloseTo(AREA, 6);
    expect(cut.left.triangles).toEqual([]);
  });
});

test('the border of a sheet is its outline, and distances to lines are those to the nearest place on them', () => {
  const [outline] = borderLines(SHEET);
  const length = outline!.slice(1).reduce((sum, p, i) => sum + Math.hypot(...p.map((v, k) => v - outline![i]![k]!)), 0);
  expect(length).toBeCloseTo(600, 9);
  expect(
    distanceToLines(
      [100, 30, 50],
      [
        [
          [0, 0, 0],
          [200, 0, 0],
        ],
      ],
    ),
  ).toBeCloseTo(Math.hypot(30, 50), 12);
  expect(
    distanceToLines(
      [230, 0, 40],
      [
        [
          [0, 0, 0],
          [200, 0, 0],
        ],
      ],
    ),
  ).toBeCloseTo(50, 12);
});

describe('strips behind an arch, over random ones: how deep is from the present edge alone', () => {
  test('cut to a larger circle about the hub: the difference of radii, whatever the strip’s own depth and ends', () => {
    fc.assert(
      fc.property(
        fc.record({
          radius: fc.double({ min: 380, max: 460, noNaN: true }),
          start: fc.double({ min: -1.2, max: 0.2, noNaN: true }),
          span: fc.double({ min: 0.3, max: 1, noNaN: true }),
          deep: fc.double({ min: 4, max: 70, noNaN: true }),
          strip: fc.double({ min: 75, max: 200, noNaN: true }),
        }),
        ({ radius, start, span, deep, strip }) => {
          const edge = Array.from({ length: 41 }, (_, i): Vec3 => {
            const angle = start + (span * i) / 40;
            return [radius * Math.sin(angle), 0, radius * Math.cos(angle)];
          });
          const marginAt = ([x, , z]: Vec3): number => Math.hypot(x, z) - (radius + deep);
          const mesh = panelFromEdge(edge, strip);
          const cut = cutLine({ ...gapField(mesh, { marginAt }), edge: mesh.edge }, { marginAt });
          expect(Math.abs(cut.depthMm - deep)).toBeLessThan(0.25);
          // A ring's part: span / 2 (R² - r²).
          const area = (span / 2) * ((radius + deep) ** 2 - radius ** 2);
          expect(Math.abs(cut.areaMm2 / area - 1)).toBeLessThan(0.01 + 2 / deep / 40);
          const said = cut.lines.flat().reduce((most, p) => Math.max(most, distanceToLines(p, cut.presentEdge)), 0);
          expect(said).toBeCloseTo(cut.depthMm, 9);
        },
      ),
      { numRuns: 25, seed: 22 },
    );
  });

  test('a cut all through a sheet is as deep as the sheet', () => {
    const edge: Vec3[] = [
      [-100, 0, 400],
      [100, 0, 400],
    ];
    const mesh = panelFromEdge(edge, 50);
    const cut = cutLine({ ...gapField(mesh, { marginAt: () => -1 }), edge }, { marginAt: () => -1 });
    // Straight back from the edge's ends, away from the hub.
    expect(cut.depthMm).toBeCloseTo(50, 9);
  });
});

describe('the field is refined where the line may run, and only there', () => {
  test('margins are those of the gauge, sides are short near the line, long away from it', () => {
    const marginAt = ([, , z]: Vec3): number => z - 30;
    const { field } = cutBy(marginAt);
    field.points.forEach((p, i) => expect(field.marginsMm[i]).toBe(marginAt(p)));
    expect(meshAreaMm2(field)).toBeCloseTo(AREA, 6);
    const sides = field.triangles.flatMap(([a, b, c]) => [
      [a, b],
      [b, c],
      [c, a],
    ]);
    for (const [i, j] of sides) {
      const side = Math.hypot(...field.points[i!]!.map((v, k) => v - field.points[j!]![k]!));
      expect(side).toBeLessThanOrEqual(40 + 1e-9);
      const nearest = Math.min(Math.abs(field.marginsMm[i!]!), Math.abs(field.marginsMm[j!]!));
      if (nearest <= 1) expect(side).toBeLessThanOrEqual(4 + 1e-9);
    }
    // Were all of it as fine as at the line there would be thousands.
    expect(field.points.length).toBeLessThan(2500);
  });
});
