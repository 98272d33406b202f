import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { cutLine } from './cut-line';
import { depthGain } from './depth-gain';
import { gapField } from './gap-field';
import type { PanelAnswer } from './panel-case';

/** A flat sheet 200 mm long that begins at z = 0 and reaches 120 mm back, with a margin of one's own at every place. */
function sheet(marginAt: (point: Vec3) => number): PanelAnswer {
  const points: Vec3[] = [
    [-100, 0, 0],
    [100, 0, 0],
    [100, 0, 120],
    [-100, 0, 120],
  ];
  const gauge = { marginAt };
  const edge = [points[0]!, points[1]!];
  const field = {
    ...gapField(
      {
        points,
        triangles: [
          [0, 1, 2],
          [0, 2, 3],
        ],
        edge,
      },
      gauge,
    ),
    edge,
  };
  return { corner: 'frontLeft', id: 'sheet', field, cut: cutLine(field, gauge), marginAt, uncovers: null };
}

describe('a cut of one depth all along the edge', () => {
  // A margin that grows a millimeter with each of depth: 20 short at the edge, so 25 deep leaves 5 to spare.
  test('gains as much as it is deep where the gap grows with the depth', () => {
    const answer = sheet(([, , z]) => z - 20);
    const { marginMm, gainedMm } = depthGain(answer, 25);
    expect(marginMm).toBeCloseTo(5, 1);
    expect(gainedMm).toBeCloseTo(25, 1);
  });

  test('gains half of it where the sheet leans toward the tire', () => {
    expect(
      depthGain(
        sheet(([, , z]) => z / 2 - 20),
        30,
      ).gainedMm,
    ).toBeCloseTo(15, 1);
  });

  test('a place further back that is as near gains nothing', () => {
    const answer = sheet(([x, , z]) => Math.min(z - 20, Math.hypot(x, z - 80) - 20));
    expect(depthGain(answer, 30).gainedMm!).toBeLessThan(3);
  });

  test('deeper than the sheet takes it all', () => {
    expect(
      depthGain(
        sheet(([, , z]) => z - 20),
        130,
      ),
    ).toEqual({ depthMm: 130, marginMm: null, gainedMm: null });
  });

  test('never more than the least of a dense raster of what is left, and little less; deeper never leaves less. Seeded', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const random = seededRandom(seed);
      const [a, b, c] = [random() - 0.5, 0.4 + 0.5 * random(), 60 * random()];
      const answer = sheet(([x, , z]) => Math.hypot(a * x, b * z + 6, 10) - 40 + 0.05 * c * Math.sin(x / 40));
      let last = -Infinity;
      for (const depthMm of [5, 20, 45, 80]) {
        let least = Infinity;
        for (let x = -100; x <= 100; x += 2)
          for (let z = depthMm; z <= 120; z += 2) least = Math.min(least, answer.marginAt([x, 0, z]));
        const { marginMm } = depthGain(answer, depthMm);
        expect(marginMm!).toBeLessThan(least + 1);
        expect(marginMm!).toBeGreaterThan(least - 1);
        expect(marginMm!).toBeGreaterThanOrEqual(last - 1e-9);
        last = marginMm!;
      }
    }
  });
});
