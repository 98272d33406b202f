import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { length, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { panelCase, type PanelAnswer } from '../../5-consequences/panel/panel-case';
import { ProblemError } from '../../1-base/problem';
import { cutSheet } from './cut-sheet';

const FITTED = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 10 },
  spacerMm: 0,
} as const;
/** Each panel measured once: a sheet and what it is held against are of the same measuring. */
const known = new Map<string, PanelAnswer>();
const measured: typeof panelCase = (description, key, id, options = {}) => {
  const name = JSON.stringify([description, key, id, options.requiredMm]);
  const found = known.get(name) ?? panelCase(description, key, id, options);
  known.set(name, found);
  return found;
};

const TRIED = ['285/70R17', '35x12.50R17LT', '275/70R17'] as const;

/** A flat panel of an invented well, tilted and turned at random, that hangs into the way of the tire. */
function tilted(random: () => number): Vec3[] {
  const between = (a: number, b: number): number => a + (b - a) * random();
  const angle = between(-0.8, 0.8);
  const low = between(455, 480);
  const centre: Vec3 = [low * Math.sin(angle), between(-40, 90), low * Math.cos(angle)];
  const along: Vec3 = [Math.cos(angle), between(-0.25, 0.25), -Math.sin(angle)];
  const back: Vec3 = [Math.sin(angle), between(-0.3, 0.3), Math.cos(angle)];
  const corner = (a: number, b: number): Vec3 => [
    centre[0] + a * along[0] + b * back[0],
    centre[1] + a * along[1] + b * back[1],
    centre[2] + a * along[2] + b * back[2],
  ];
  return [corner(-150, 0), corner(150, 0), corner(150, 150), corner(-150, 150)];
}

const panelOf = (points: readonly Vec3[]): ObstacleDescription => ({
  id: 'panel',
  label: 'Inner fender',
  mount: 'body',
  material: 'sheetMetal',
  shape: {
    type: 'panel',
    points: [...points],
    triangles: [
      [0, 1, 2],
      [0, 2, 3],
    ],
  },
});

function caseWith(
  obstacle: ObstacleDescription,
  size: string,
  key: 'frontLeft' | 'frontRight' = 'frontLeft',
): CaseDescription {
  return madeCase({
    corners: {
      [key]: madeCorner({
        motion: { type: 'swingArm', frontView: { y: -900, z: -30 }, sideView: null },
        steering: { inclinationDeg: 10, casterDeg: 3, kingpinOffsetMm: 90, lockLeftDeg: 25, lockRightDeg: 25 },
        travel: { bumpMm: 60, droopMm: 70 },
        fitted: FITTED,
        obstacles: [obstacle],
      }),
    },
    setup: { ...fittedAsSetup(FITTED), tire: { size } },
    standard: 'cutToFit',
  });
}

/** The margin once only a part of the panel is left; null where nothing is. */
function marginOf(
  description: CaseDescription,
  left: { readonly points: readonly Vec3[]; readonly triangles: readonly (readonly [number, number, number])[] },
): number | null {
  if (left.triangles.length === 0) return null;
  const shape = { type: 'panel' as const, points: left.points, triangles: left.triangles };
  const corner = description.corners.frontLeft!;
  const cut = {
    ...description,
    corners: { frontLeft: { ...corner, obstacles: [{ ...corner.obstacles[0]!, shape }] } },
  };
  return evaluateCase(cut).lowGap!.mm;
}

describe('a cut sheet, over random panels and setups, seeded', () => {
  test('cut along its line the panel leaves just what is wanted; the first cut leaves so much for a second', () => {
    let cuts = 0;
    for (let seed = 1; seed <= 5; seed++) {
      const random = seededRandom(seed);
      const description = caseWith(panelOf(tilted(random)), TRIED[seed % TRIED.length]!);
      const { cut } = measured(description, 'frontLeft', 'panel');
      if (cut.lines.length === 0) continue;
      cuts++;
      const margin = marginOf(description, cut.left);
      if (margin !== null) expect({ seed, exact: Math.abs(margin) <= 0.25, margin }).toMatchObject({ exact: true });
      const first = measured(description, 'frontLeft', 'panel', { requiredMm: 8 - 5 });
      const firstMargin = marginOf(description, first.cut.left);
      if (firstMargin !== null && first.cut.lines.length > 0) {
        expect({ seed, exact: Math.abs(firstMargin + 5) <= 0.25, firstMargin }).toMatchObject({ exact: true });
      }
      const sheet = cutSheet(description, 'frontLeft', 'panel', { mostDepthMm: 400 }, measured);
      expect(sheet.firstAreaMm2).toBeLessThan(sheet.areaMm2);
      expect(sheet.offPlaneMm).toBeLessThan(1e-6);
      // A flat panel comes out at full size: lengths along the line are those in space.
      const lengths = (lines: readonly (readonly (readonly number[])[])[]): number[] =>
        lines.flatMap((line) => line.slice(1).map((p, i) => Math.hypot(...p.map((x, k) => x - line[i]![k]!))));
      const inSpace = cut.lines.flatMap((line) => line.slice(1).map((p, i) => length(subtract(p, line[i]!))));
      lengths(sheet.need).forEach((mm, i) => expect(mm).toBeCloseTo(inSpace[i]!, 9));
    }
    expect(cuts).toBeGreaterThan(2);
  });

  const upright: Vec3[] = [
    [-150, 40, 440],
    [150, 40, 440],
    [150, 40, 640],
    [-150, 40, 640],
  ];

  test('seen from outside: up is up, and the vehicle’s front is to the left on its left side, to the right on its right', () => {
    // A mark at the forward upper corner tells which way it lies.
    const lopsided = upright.map((p, i): Vec3 => (i === 2 ? [150, 40, 700] : p));
    for (const [key, mirrored, front] of [
      ['frontLeft', false, -1],
      ['frontLeft', true, 1],
      ['frontRight', false, 1],
      ['frontRight', true, -1],
    ] as const) {
      const sheet = cutSheet(caseWith(panelOf(lopsided), '35x12.50R17LT', key), key, 'panel', {
        mirrored,
        mostDepthMm: 400,
      });
      const highest = sheet.outline.flat().reduce((top, p) => (p[1] > top[1] ? p : top));
      expect(highest[1]).toBeCloseTo(700, 6);
      expect(highest[0] - sheet.hub[0]).toBeCloseTo(front * 150, 6);
      expect(sheet.hub[1]).toBeCloseTo(0, 9);
      expect(sheet.isUpright).toBe(true);
    }
  });

  test('a cut deeper than the material allows, and a panel of two points, are refused by name', () => {
    const description = caseWith(panelOf(upright), '35x12.50R17LT');
    const { depthMm } = cutSheet(description, 'frontLeft', 'panel', { mostDepthMm: 400 });
    expect(depthMm).toBeGreaterThan(20);
    expect(() => cutSheet(description, 'frontLeft', 'panel', { mostDepthMm: depthMm - 1 })).toThrow(/no deeper than/);
    const two: ObstacleDescription = {
      ...panelOf(upright),
      shape: { type: 'points', points: [upright[0]!, upright[1]!] },
    };
    expect(() => cutSheet(caseWith(two, '285/70R17'), 'frontLeft', 'panel')).toThrow(ProblemError);
  });

  test('a flap ends so far from the fold line; a line for looks says what it takes beyond need, or where too little', () => {
    const description = caseWith(panelOf(upright), '35x12.50R17LT');
    const plain = cutSheet(description, 'frontLeft', 'panel', { mostDepthMm: 400 }, measured);
    const folded = cutSheet(description, 'frontLeft', 'panel', { mostDepthMm: 400, flapMm: 12 }, measured);
    expect(folded.firstCut).toEqual([]);
    expect(folded.need).toEqual(plain.need);
    const far = folded.flapEdge.flat().map((p) => distanceTo(p, folded.need));
    far.forEach((mm) => expect(Math.abs(mm - 12)).toBeLessThan(0.1));
    expect(far.length).toBeGreaterThan(4);

    // A straight line above the highest place of the need takes a known area of the 300 mm wide panel, from 440 up.
    const top = Math.max(...plain.need.flat().map(([, y]) => y));
    const straight = (y: number) => [[-200, y] as const, [200, y] as const];
    const above = cutSheet(
      description,
      'frontLeft',
      'panel',
      { mostDepthMm: 400, looks: straight(top + 5) },
      measured,
    ).looks!;
    expect(above.areaMm2).toBeCloseTo(300 * (top + 5 - 440), -1);
    expect(above.beyondNeedMm2).toBeCloseTo(above.areaMm2 - plain.areaMm2, -1);
    expect(above.leftStandingMm2).toBeCloseTo(0, 0);
    expect(above.marginMm).toBeGreaterThan(0);
    const below = cutSheet(
      description,
      'frontLeft',
      'panel',
      { mostDepthMm: 400, looks: straight(top - 8) },
      measured,
    ).looks!;
    expect(below.marginMm).toBeLessThan(-1);
    expect(below.leftStandingMm2).toBeGreaterThan(50);
    // The same line drawn the other way round takes the same.
    const turned = cutSheet(
      description,
      'frontLeft',
      'panel',
      {
        mostDepthMm: 400,
        looks: [...straight(top + 5)].reverse(),
      },
      measured,
    ).looks!;
    expect(turned.areaMm2).toBeCloseTo(above.areaMm2, 6);
  });

  test('what carries the vehicle or protects is given no sheet, nor anything by a standard that cuts nothing', () => {
    for (const change of [
      { material: 'frame' },
      { material: 'arm' },
      { part: 'structure' },
      { part: 'crashBracket' },
    ]) {
      const description = caseWith({ ...panelOf(upright), ...change } as ObstacleDescription, '35x12.50R17LT');
      expect(() => cutSheet(description, 'frontLeft', 'panel')).toThrow(/may be cut/);
    }
    const strict = { ...caseWith(panelOf(upright), '35x12.50R17LT'), standard: 'neverRub' as const };
    expect(() => cutSheet(strict, 'frontLeft', 'panel')).toThrow(/standard that allows/);
  });
});

/** mm from a place on the drawing to the nearest of some lines, end to end. */
function distanceTo([x, y]: readonly [number, number], lines: readonly (readonly (readonly [number, number])[])[]) {
  const all = lines.flatMap((line) => line.slice(1).map((b, i) => [line[i]!, b] as const));
  return Math.min(
    ...all.map(([[ax, ay], [bx, by]]) => {
      const along = [bx - ax, by - ay] as const;
      const t = ((x - ax) * along[0] + (y - ay) * along[1]) / (along[0] ** 2 + along[1] ** 2);
      const at = Math.min(1, Math.max(0, t));
      return Math.hypot(x - ax - at * along[0], y - ay - at * along[1]);
    }),
  );
}
