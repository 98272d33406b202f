import { FITTED, LEANING_AXIS, SWINGING, madeCase, madeCorner } from '@/core/fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { quat, vec3 } from 'gl-matrix';
import { fittedAsSetup } from '@/core/2-vehicle/setup/setup';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { ObstacleDescription } from '@/core/3-survey/description/obstacle-description';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import type { Vec3 } from '@/core/1-base/geometry/vec3';
import { seededNormal, seededRandom } from '@/core/1-base/numeric/seeded-random';
import { attempt } from '@/core/1-base/problem';
import { alignByHubFace, alignByPoints, type NamedPoint } from '@/core/3-survey/scan/align';
import { likelyUnits, type ScanPoints } from '@/core/3-survey/scan/scan-unit';
import { surveyScan, type ScanPlanDescription } from '@/core/3-survey/scan/survey-scan';
import { thinScan } from '@/core/3-survey/scan/thin';
import { surveyMotion } from '@/core/2-vehicle/setup/motion-under';
import { place } from '@/core/1-base/geometry/pose';
import { readScan } from './read-scan';

const corner = (obstacles: readonly ObstacleDescription[]): CornerDescription =>
  madeCorner({
    motion: SWINGING,
    steering: LEANING_AXIS,
    staticCamberDeg: -1,
    staticToeDeg: 0.3,
    travel: { bumpMm: 90, droopMm: 100 },
    fitted: FITTED,
    obstacles,
  });

/** A made-up well: an inner fender over the tire and a wall behind it, points as a scanner lays them. Corner frame, mm. */
function well(count: number, seed: number): Vec3[] {
  const random = seededRandom(seed);
  const normal = seededNormal(seed + 1);
  return Array.from({ length: count }, (_, i): Vec3 => {
    if (i % 3 === 0) return [-430 - 20 * random(), -250 + 400 * random(), -200 + 500 * random()];
    const turn = (random() - 0.5) * 2.4;
    const y = -260 + 400 * random();
    const r = 540 + 30 * Math.cos(3 * turn) + 0.0004 * y * y + 0.3 * normal();
    return [r * Math.sin(turn), y, r * Math.cos(turn)];
  });
}

/** The scanner's own frame: turned (gl-matrix quaternions, single precision), moved, and in another unit. */
const TURN = quat.fromEuler(quat.create(), 37, -110, 64);
const scanned = ([x, y, z]: Vec3, perMm = 0.001): Vec3 => {
  const p = vec3.transformQuat(vec3.create(), [x, y, z], TURN);
  return [(p[0] + 812) * perMm, (p[1] - 305) * perMm, (p[2] + 44) * perMm];
};
const named = (name: string, at: Vec3, off: Vec3 = [0, 0, 0]): NamedPoint => ({
  name,
  scan: scanned([at[0] + off[0], at[1] + off[1], at[2] + off[2]]),
  corner: at,
});
const MARKS = [named('front', [600, 80, 100]), named('rear', [-640, 60, 130]), named('top', [0, 120, 560])];
const PARTS: ScanPlanDescription['parts'] = [
  { id: 'wall', mount: 'body', material: 'sheetMetal', min: [-460, -300, -300], max: [-425, 200, 320] },
  { id: 'liner', mount: 'body', material: 'liner', min: [-700, -300, 150], max: [700, 200, 700] },
];
const flat = (points: readonly Vec3[]): ScanPoints => Float64Array.from(points.flat());
const problems = (work: () => unknown): string => {
  const tried = attempt(work);
  return tried.ok ? 'none' : tried.problems.map((p) => `${p.path}: ${p.expected}; ${p.found}`).join(' | ');
};

describe('a scan becomes obstacles', () => {
  const points = well(20_000, 3);
  const scan = flat(points.map((p) => scanned(p)));

  test('where the same points entered by position put them', () => {
    const { unit, alignment, obstacles } = surveyScan('frontLeft', corner([]), scan, { points: MARKS, parts: PARTS });
    expect(unit).toBe('m');
    for (const { mm } of alignment.residuals) expect(mm).toBeLessThan(0.001);
    const gaps = (all: readonly ObstacleDescription[]): number[] =>
      evaluateCase(
        madeCase({
          corners: { frontLeft: corner(all) },
          setup: fittedAsSetup(FITTED),
        }),
      ).obstacles.map((o) => o.gapMm);
    const inside =
      ({ min, max }: (typeof PARTS)[number]) =>
      (p: Vec3): boolean =>
        p.every((v, axis) => v >= min[axis]! && v <= max[axis]!);
    const wall = points.filter(inside(PARTS[0]!));
    const liner = points.filter((p) => inside(PARTS[1]!)(p) && !inside(PARTS[0]!)(p));
    const direct = [wall, liner].map((all, i): ObstacleDescription => {
      const { id, mount, material } = PARTS[i]!;
      return { id, mount, material, shape: { type: 'scan', points: all } };
    });
    const [a, b] = [gaps(obstacles), gaps(direct)];
    a.forEach((gap, i) => expect(Math.abs(gap - b[i]!)).toBeLessThan(0.25));
  });

  test('by the hub face and two more points: spin axis and centre from the circle, camber and toe kept', () => {
    const wheel = surveyMotion('frontLeft', corner([])).wheelPose({ travel: 0, steer: 0, cross: 0 });
    const hubFace = [0, 0.9, 1.7, 2.9, 4.4].map((t) => scanned(place(wheel, [60 * Math.cos(t), 0, 60 * Math.sin(t)])));
    const plan = { points: MARKS.slice(0, 2), hubFace, parts: PARTS };
    const { alignment, obstacles } = surveyScan('frontLeft', corner([]), scan, plan);
    for (const { mm } of alignment.residuals) expect(mm).toBeLessThan(0.001);
    const [x, y, z] = obstacles[0]!.shape!.points[0]!;
    expect(Math.min(...points.map((p) => Math.hypot(p[0] - x, p[1] - y, p[2] - z)))).toBeLessThan(0.001);
  });

  test('points that do not agree are named with their residuals; too few, or in a line, are refused', () => {
    const inMm = ({ scan: s, ...rest }: NamedPoint): NamedPoint => ({
      ...rest,
      scan: [s[0] * 1000, s[1] * 1000, s[2] * 1000],
    });
    const four = [...MARKS, named('sill', [-300, 150, -250], [0, 0, 60])].map(inMm);
    expect(problems(() => alignByPoints(four))).toMatch(/points\.sill: points that agree to 10 mm; \d+\.\d mm off/);
    expect(problems(() => alignByPoints(MARKS.slice(0, 2)))).toMatch(/three or more named points; 2/);
    const line = [0, 100, 250].map((x, i) => named(`p${i}`, [x, 0, 0]));
    expect(problems(() => alignByPoints(line))).toMatch(/do not lie in one line/);
    const identity = { rotation: [1, 0, 0, 0, 1, 0, 0, 0, 1], origin: [0, 0, 0] } as const;
    expect(problems(() => alignByHubFace({ face: [[0, 0, 0]], points: MARKS }, identity))).toMatch(
      /face: three or more/,
    );
    expect(
      problems(() =>
        surveyScan('frontLeft', corner([]), scan, {
          points: MARKS,
          parts: [{ ...PARTS[0]!, min: [0, 0, 0], max: [1, 1, 1] }],
        }),
      ),
    ).toMatch(/parts\[0\]: a box that holds points of the scan/);
  });

  test('a small error of each mark stays small and is shown', () => {
    const noisy = [...MARKS, named('sill', [-300, 150, -250])].map((p, i) => ({
      ...p,
      corner: [p.corner[0] + [2, -2, 1, 0][i]!, p.corner[1], p.corner[2] + [0, 1, -2, 2][i]!] as Vec3,
    }));
    const { alignment } = surveyScan('frontLeft', corner([]), scan, { points: noisy, parts: PARTS });
    for (const { mm } of alignment.residuals) {
      expect(mm).toBeGreaterThan(0.1);
      expect(mm).toBeLessThan(3.5);
    }
  });
});

describe('the unit', () => {
  const size = (mm: number, perMm: number): ScanPoints =>
    flat([
      [0, 0, 0],
      [mm * perMm, 0, 0],
    ]);

  test.each([
    ['m', 0.001],
    ['in', 1 / 25.4],
    ['mm', 1],
  ] as const)('%s is recognised by the size of a wheel well', (unit, perMm) => {
    expect(likelyUnits(size(1500, perMm))).toEqual([unit]);
  });

  test('one that makes no wheel well is questioned, one that does not show is asked for', () => {
    const plan = { points: MARKS, parts: PARTS };
    expect(problems(() => surveyScan('frontLeft', corner([]), size(1500, 1), { ...plan, unit: 'm' }))).toMatch(
      /unit: mm, in which .* m, in which it is 1\.50e\+6 mm across/,
    );
    expect(problems(() => surveyScan('frontLeft', corner([]), size(10, 1), plan))).toMatch(
      /unit: the unit: mm, m or in/,
    );
  });
});

test('thinning a million points keeps what is nearest within a tenth of its cube, and ends', () => {
  const points = flat(well(1_000_000, 11));
  const { points: kept, cubeMm } = thinScan(points, 100_000);
  expect(kept.length).toBeLessThanOrEqual(300_000);
  expect(kept.length).toBeGreaterThan(60_000);
  // Nearest to a crown that comes up, to a sidewall that comes back, to a shoulder between.
  const least = (all: ScanPoints, f: (x: number, y: number, z: number) => number): number => {
    let best = Infinity;
    for (let i = 0; i < all.length; i += 3) best = Math.min(best, f(all[i]!, all[i + 1]!, all[i + 2]!));
    return best;
  };
  for (const f of [
    (x: number, _y: number, z: number) => Math.hypot(x, z - 60),
    (x: number, y: number, z: number) => Math.hypot(x + 20, y, z),
    (x: number, y: number, z: number) => Math.hypot(Math.hypot(x, z) - 300, y + 90),
  ]) {
    expect(least(kept, f) - least(points, f)).toBeLessThan(0.1 * cubeMm);
  }
});

describe('files', () => {
  const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
  const ply = (rows: string[], count = rows.length): string =>
    `ply\nformat ascii 1.0\nelement vertex ${count}\nproperty float x\nproperty float y\nproperty float z\nend_header\n${rows.join('\n')}\n`;

  test.each([
    ['a.ply', ply(['1 2 3', '4 5 6'])],
    ['a.obj', 'v 1 2 3\nv 4 5 6\nv 7 8 9\nf 1 2 3\n'],
    ['a.xyz', '# scanner\n1 2 3 255 0 0\n\n4,5,6\n'],
    [
      'a.stl',
      'solid a\nfacet normal 0 0 1\nouter loop\nvertex 1 2 3\nvertex 4 5 6\nvertex 7 8 9\nendloop\nendfacet\nendsolid a\n',
    ],
  ])('%s gives its points', (name, text) => {
    expect([...readScan(name, bytes(text))].slice(0, 6)).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test.each([
    ['another kind', 'a.jpg', 'x', /a \.ply, \.obj, \.stl or \.xyz file/],
    ['no points', 'a.ply', ply([]), /at least one point/],
    ['no faces and no points', 'a.obj', '# nothing\n', /at least one point/],
    ['a place that is no number', 'a.xyz', '1 2 3\n4 nan 6\n', /1 that are none, the first in point 2/],
    ['two numbers on a line', 'a.xyz', '1 2 3\n4 5\n', /a\.xyz:2: three numbers: x y z; 4 5/],
    ['an STL cut short', 'a.stl', '\u0000\u0001', /a\.stl/],
  ])('%s is refused by name', (_what, name, text, words) => {
    expect(problems(() => readScan(name, bytes(text)))).toMatch(words);
  });
});

describe('files that are not whole, or written otherwise, are never misread in silence', () => {
  const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
  const pointsOf = (name: string, text: string): number[] => [...readScan(name, bytes(text))];

  test('an ascii PLY with fewer points than its header says is refused with both numbers', () => {
    const ply = (count: number, rows: string): string =>
      `ply\nformat ascii 1.0\nelement vertex ${count}\nproperty float x\nproperty float y\nproperty float z\nend_header\n${rows}`;
    expect(pointsOf('a.ply', ply(2, '1 2 3\n4 5 6\n'))).toEqual([1, 2, 3, 4, 5, 6]);
    expect(problems(() => pointsOf('a.ply', ply(5, '1 2 3\n4 5 6\n')))).toMatch(
      /5 points, as its header says; 2|cut short/,
    );
  });

  test.each([
    ['decimal commas', '1,5 2,5 -3,25\n4 5,5 6\n'],
    ['semicolons and decimal commas', '1,5;2,5;-3,25\n4;5,5;6\n'],
    ['commas between', '1.5,2.5,-3.25\n4,5.5,6\n'],
    ['lines ended by CR alone', '1.5 2.5 -3.25\r4 5.5 6\r'],
    ['names above', 'X Y Z\n1.5 2.5 -3.25\n4 5.5 6\n'],
    ['a colour after each', '1.5 2.5 -3.25 200 10 10\n4 5.5 6 200 10 10\n'],
  ])('XYZ with %s', (_, text) => expect(pointsOf('a.xyz', text)).toEqual([1.5, 2.5, -3.25, 4, 5.5, 6]));

  test('XYZ with a column that counts the points', () => {
    expect(pointsOf('a.xyz', '7 1.5 2 3\n8 4 5 6\n9 7 8 9\n')).toEqual([1.5, 2, 3, 4, 5, 6, 7, 8, 9]);
    // Three whole heights in a row are no count.
    expect(pointsOf('a.xyz', '1 2 3 99\n2 2 3 98\n4 2 3 97\n')).toEqual([1, 2, 3, 2, 2, 3, 4, 2, 3]);
  });

  test('OBJ: loose vertices are points too', () => {
    expect(pointsOf('a.obj', 'v 0 0 0\nv 1 0 0\nv 0 1 0\nv 5 5 5\nf 1 2 3\n')).toEqual([
      0, 0, 0, 1, 0, 0, 0, 1, 0, 5, 5, 5,
    ]);
  });

  test('STL: upper case, bytes after the last triangle, and one cut short', () => {
    const facet = 'facet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\n';
    expect(pointsOf('a.stl', `SOLID X\n${facet.toUpperCase()}ENDSOLID X\n`)).toEqual([0, 0, 0, 1, 0, 0, 0, 1, 0]);
    expect(problems(() => pointsOf('a.stl', `solid x\n${facet}`))).toContain('a solid with its end');
    const binary = new Uint8Array(84 + 50 + 7);
    const view = new DataView(binary.buffer);
    view.setUint32(80, 1, true);
    view.setFloat32(84 + 12 + 12, 1, true);
    expect([...readScan('a.stl', binary)]).toEqual([0, 0, 0, 1, 0, 0, 0, 0, 0]);
    view.setUint32(80, 3, true);
    expect(problems(() => readScan('a.stl', binary))).toMatch(/3 triangles; 1/);
  });
});
