import { LEANING_AXIS, SWINGING, madeCase, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { polygonArea, polygonHull } from 'd3-polygon';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { cross, length, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { ProblemError } from '../../1-base/problem';
import { panelCase } from './panel-case';
import { panelThrough, type PanelMesh } from '../../3-survey/shape/panel-mesh';

const FITTED = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 0 },
  spacerMm: 0,
} as const;

const caseOf = (obstacles: readonly ObstacleDescription[], more: Partial<CornerDescription> = {}): CaseDescription =>
  madeCase({
    corners: {
      frontLeft: madeCorner({
        travel: { bumpMm: 90, droopMm: 60 },
        fitted: FITTED,
        obstacles,
        ...more,
      }),
    },
    setup: fittedAsSetup(FITTED),
    standard: 'cutToFit',
  });

const area = ({ points, triangles }: PanelMesh): number =>
  triangles.reduce((sum, [i, j, k]) => {
    const [p, q, r] = [points[i]!, points[j]!, points[k]!];
    return sum + length(cross(subtract(q, p), subtract(r, p))) / 2;
  }, 0);

describe('a flat panel over a wheel that only goes up and down', () => {
  const [low, high, half] = [420, 620, 180];
  const panel: ObstacleDescription = {
    id: 'panel',
    mount: 'body',
    material: 'sheetMetal',
    shape: {
      type: 'panel',
      points: [
        [-half, 0, low],
        [half, 0, low],
        [half, 0, high],
        [-half, 0, high],
      ],
      triangles: [
        [0, 1, 2],
        [0, 2, 3],
      ],
    },
  };
  const { cut, field } = panelCase(caseOf([panel]), 'frontLeft', 'panel');
  // 265/70R17 by ISO 4000-1: 431.8 + 2 x 186; sheet metal is left 8 mm.
  const radius = 803.8 / 2 + 8;

  test('is cut along the circle of the tire at full bump and the gap wanted', () => {
    expect(cut.lines).toHaveLength(1);
    for (const [x, y, z] of cut.lines[0]!) {
      expect(y).toBe(0);
      expect(Math.abs(Math.hypot(x, z - 90) - radius)).toBeLessThan(0.05);
    }
  });

  test('length, area and depth are those of the arc', () => {
    const angle = 2 * Math.asin(half / radius);
    expect(cut.lengthMm / (radius * angle)).toBeCloseTo(1, 3);
    const segment = (radius * radius * (angle - Math.sin(angle))) / 2;
    const chord = 90 + Math.sqrt(radius * radius - half * half);
    expect(cut.areaMm2 / (segment + 2 * half * (chord - low))).toBeCloseTo(1, 3);
    expect(area(cut.left) + area(cut.removed)).toBeCloseTo(2 * half * (high - low), 3);
    expect(cut.depthMm).toBeCloseTo(90 + radius - low, 0);
  });

  test('the field is the distance less what is wanted', () => {
    field.points.forEach(([x, , z], i) => {
      const distance = Math.hypot(x, z - 90) - radius;
      if (distance > -25) expect(Math.abs(field.marginsMm[i]! - distance)).toBeLessThan(0.25);
    });
  });
});

describe('a bent panel beside a steered wheel', () => {
  // A fender's lower corner: bent, leaning, met by the shoulder at lock.
  const points: Vec3[] = [];
  for (let i = 0; i <= 4; i++) {
    for (let j = 0; j <= 3; j++) points.push([330 + 35 * j - 4 * i * i, 60 + 25 * j, -140 + 55 * i]);
  }
  const triangles: [number, number, number][] = [];
  for (let i = 0; i < 4; i++) {
    for (let j = 0; j < 3; j++) {
      const k = 4 * i + j;
      triangles.push([k, k + 1, k + 4], [k + 1, k + 5, k + 4]);
    }
  }
  const corner: ObstacleDescription = {
    id: 'corner',
    mount: 'body',
    material: 'plastic',
    shape: { type: 'panel', points, triangles, thicknessMm: 3 },
    behind: ['bracket'],
  };
  const bracket: ObstacleDescription = {
    id: 'bracket',
    mount: 'body',
    material: 'sheetMetal',
    shape: { type: 'points', points: [[415, 90, 0]] },
  };
  const described = caseOf([corner, bracket], {
    motion: SWINGING,
    steering: LEANING_AXIS,
  });
  const { cut, uncovers } = panelCase(described, 'frontLeft', 'corner');

  test('what is left of it keeps just the gap wanted', () => {
    expect(cut.lines.length).toBeGreaterThan(0);
    const used = new Map<number, number>();
    for (const i of cut.left.triangles.flat()) if (!used.has(i)) used.set(i, used.size);
    const rest: ObstacleDescription = {
      ...corner,
      shape: {
        type: 'panel',
        points: [...used.keys()].map((i) => cut.left.points[i]!),
        triangles: cut.left.triangles
          .filter(([i, j, k]) => {
            const [p, q, r] = [cut.left.points[i]!, cut.left.points[j]!, cut.left.points[k]!];
            return length(cross(subtract(q, p), subtract(r, p))) > 1e-3;
          })
          .map(([i, j, k]) => [used.get(i)!, used.get(j)!, used.get(k)!] as const),
        thicknessMm: 3,
      },
    };
    const before = evaluateCase(described).obstacles[0]!;
    const { corners } = described;
    const after = evaluateCase({ ...described, corners: { frontLeft: { ...corners.frontLeft!, obstacles: [rest] } } });
    expect(before.marginMm).toBeLessThan(-5);
    expect(after.obstacles[0]!.marginMm).toBeGreaterThan(-0.25);
    expect(after.obstacles[0]!.marginMm).toBeLessThan(0.25);
  });

  test('what the cut uncovers is named with its own margin, or is unknown', () => {
    expect(uncovers!.map(({ id }) => id)).toEqual(['bracket']);
    const { marginMm } = evaluateCase(described).obstacles[1]!;
    expect(uncovers![0]!.marginMm).toBeCloseTo(marginMm, 9);
    const unlooked = caseOf([{ ...corner, behind: undefined }], described.corners.frontLeft!);
    expect(
      panelCase(
        {
          ...unlooked,
          corners: { frontLeft: { ...described.corners.frontLeft!, obstacles: [{ ...corner, behind: undefined }] } },
        },
        'frontLeft',
        'corner',
      ).uncovers,
    ).toBeNull();
  });

  test('another gap can be asked for', () => {
    const wider = panelCase(described, 'frontLeft', 'corner', { requiredMm: 20 });
    expect(wider.cut.areaMm2).toBeGreaterThan(cut.areaMm2);
  });
});

describe('panels from what a shop has', () => {
  // d3-polygon: hull and area of a point set, an independent implementation.
  test('points are joined over their whole hull', () => {
    const random = seededRandom(8);
    const flat = Array.from({ length: 40 }, () => [200 * random(), 120 * random()] as [number, number]);
    const leaning = flat.map(([u, v]): Vec3 => [u, 0.6 * v + 10, 0.8 * v - 30]);
    expect(area(panelThrough(leaning, ''))).toBeCloseTo(Math.abs(polygonArea(polygonHull(flat)!)), 6);
  });

  test('an edge stands up from its lip by the depth asked for', () => {
    const lip: ObstacleDescription = {
      id: 'lip',
      mount: 'body',
      material: 'sheetMetal',
      shape: {
        type: 'polyline',
        points: [
          [-200, 20, 440],
          [0, 20, 480],
          [200, 20, 440],
        ],
      },
    };
    const { field, cut } = panelCase(caseOf([lip]), 'frontLeft', 'lip', { depthMm: 60 });
    expect(Math.max(...field.points.map(([x, , z]) => Math.hypot(x, z)))).toBeCloseTo(Math.hypot(200, 440) + 60, 6);
    expect(cut.depthMm).toBeGreaterThan(10);
    expect(cut.depthMm).toBeLessThan(60);
  });

  const problemOf = (obstacle: ObstacleDescription): string => {
    try {
      panelCase(caseOf([obstacle]), 'frontLeft', 'it');
    } catch (error) {
      if (error instanceof ProblemError)
        return error.problems.map((p) => `${p.path}: ${p.expected}; ${p.found}`).join();
      throw error;
    }
    return 'none';
  };

  test.each([
    [
      'two points',
      [
        [0, 0, 500],
        [50, 0, 500],
      ],
      /shape\.points: at least three places.*2/,
    ],
    [
      'one line',
      [
        [0, 0, 500],
        [50, 0, 500],
        [100, 0, 500],
        [150, 0, 500],
      ],
      /span a panel; one line/,
    ],
  ] as const)('%s are no panel', (_name, points, words) => {
    expect(problemOf({ id: 'it', mount: 'body', material: 'liner', shape: { type: 'points', points } })).toMatch(words);
  });

  test('a rod has no sheet, an id nobody surveyed none either', () => {
    const rod = {
      type: 'capsule',
      points: [
        [0, 0, 500],
        [50, 0, 500],
      ],
      radiusMm: 9,
    } as const;
    expect(problemOf({ id: 'it', mount: 'body', material: 'frame', shape: rod })).toMatch(/a rod has no sheet/);
    expect(problemOf({ id: 'other', mount: 'body', material: 'frame', shape: rod })).toMatch(/one of other; it/);
  });
});
