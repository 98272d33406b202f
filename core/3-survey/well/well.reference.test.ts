import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { countParts } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../description/corner-description';
import type { ObstacleDescription } from '../description/obstacle-description';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { surveyedWell } from '../../fixtures/wells/walk-surveyor';
import { syntheticWell } from '../../6-decisions/practice/synthetic-well';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { ReadingDescription } from '../reading/reading';
import { cornerSpread } from '../../5-consequences/spread/spread';
import { STANDARDS } from '../../4-clearance/case/standard';
import { borrowWell, BORROWED_TOLERANCE_MM } from './borrow';
import { checkWell } from './check-well';

const fitted = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 0 },
  spacerMm: 0,
} as const;

/** 265/70R17 by ISO 4000-1: 803.8 mm. */
const CROWN = 401.9;

const corner = (obstacles: readonly ObstacleDescription[]): CornerDescription =>
  madeCorner({
    travel: { bumpMm: 80, droopMm: 80 },
    fitted,
    obstacles,
  });

const tip = (id: string, at: Vec3): ObstacleDescription => ({
  id,
  mount: 'body',
  material: 'sheetMetal',
  shape: { type: 'points', points: [at] },
});
const above = tip('above', [0, 0, 480]);
const ahead = tip('ahead', [470, 0, 0]);
const behind = tip('behind', [-460, 0, 0]);

/** The gap straight out from the crown to a tip moved by (dx, dz): Pythagoras. */
const gapTo = ([x, , z]: Vec3, dx: number, dz: number): number => Math.hypot(x + dx, z + dz) - CROWN;
const check = (gapMm: number): ReadingDescription => ({
  clock: '12:00',
  across: 'tread',
  gapMm,
  nearest: true,
  steer: 'straight',
  travelMm: 0,
});
const checksAt = (dx: number, dz: number, noise: readonly number[] = [0, 0, 0]) =>
  [above, ahead, behind].map((obstacle, i) => ({
    obstacle,
    checks: [check(gapTo(obstacle.shape!.points[0]!, dx, dz) + noise[i]!)],
  }));

describe('a few readings accept, shift or reject a borrowed well', () => {
  const verdictOf = (checks: Parameters<typeof checkWell>[2]) =>
    checkWell('frontLeft', corner([above, ahead, behind]), checks);

  test('the same well within the tape: accepted', () => {
    expect(verdictOf(checksAt(0, 0, [2, -2, 1]))).toMatchObject({ verdict: 'accept', wanted: 0 });
  });

  test('a body 14 mm higher and 9 mm further back: shifted by as much, less what the prior holds back', () => {
    const found = verdictOf(checksAt(-9, 14));
    expect(found.verdict).toBe('shift');
    // One reading says how high, weighed against a prior of 12 mm: 1 / (1 + (2.5 / 12)^2) of it.
    expect(found.shiftMm[2]).toBeCloseTo(14 / (1 + (2.5 / 12) ** 2), 0);
    expect(Math.abs(found.shiftMm[0] + 9)).toBeLessThan(0.6);
    expect(found.shiftMm[1]).toBeCloseTo(0, 6);
    expect(found.leftMm).toBeLessThan(1);
  });

  test('front and rear both 20 mm nearer: no shift makes that, another vehicle', () => {
    const found = verdictOf([
      { obstacle: above, checks: [check(gapTo([0, 0, 480], 0, 0))] },
      { obstacle: ahead, checks: [check(gapTo([470, 0, 0], -20, 0))] },
      { obstacle: behind, checks: [check(gapTo([-460, 0, 0], 20, 0))] },
    ]);
    expect(found.verdict).toBe('reject');
  });

  test('two readings, or three of one thing, say nothing yet', () => {
    expect(verdictOf(checksAt(0, 0).slice(0, 2))).toMatchObject({ verdict: 'more', wanted: 1 });
    expect(verdictOf([{ obstacle: above, checks: [check(78), check(78), check(78)] }])).toMatchObject({
      verdict: 'more',
      wanted: 1,
    });
  });
});

test('a surveyed well is borrowed with its shapes: the same gaps, and a spread honestly wider', () => {
  const well = syntheticWell(12);
  const surveyed = surveyedWell(well, well.setups[2]!, 12);
  const borrowed = { ...surveyed, obstacles: borrowWell('frontLeft', surveyed) };
  const setup = well.setups[2]!;
  const gaps = (of: CornerDescription) => evaluateCase(madeCase({ corners: { frontLeft: of }, setup })).obstacles;
  expect(borrowed.obstacles.map(({ id }) => id)).toEqual(surveyed.obstacles.map(({ id }) => id));
  for (const { id, gapMm } of gaps(surveyed)) {
    expect([id, gaps(borrowed).find((o) => o.id === id)!.gapMm]).toEqual([id, expect.closeTo(gapMm, 0)]);
  }
  const width = (of: CornerDescription): number => {
    const { lowMargin } = cornerSpread(
      'frontLeft',
      { corner: of, setup: countParts(setup) },
      'trail',
      STANDARDS.neverRub,
      { draws: 300 },
    );
    return lowMargin.p95Mm - lowMargin.p5Mm;
  };
  expect(width(borrowed)).toBeGreaterThan(1.2 * width(surveyed));
  expect(borrowed.obstacles.every(({ toleranceMm }) => toleranceMm === BORROWED_TOLERANCE_MM.unchecked)).toBe(true);
});

test('what a test fit taught is in a borrowed shape, and is not counted on top of it again', () => {
  const surveyed = corner([{ ...tip('stub', [-300, 20, 250]), learned: { shiftMm: [0, 0, -9] } }]);
  const [borrowed] = borrowWell('frontLeft', surveyed);
  expect(borrowed).not.toHaveProperty('learned');
  const gap = (of: CornerDescription) =>
    evaluateCase({ corners: { frontLeft: of }, envelope: 'trail', standard: 'neverRub' }).obstacles[0]!.gapMm;
  expect(gap({ ...surveyed, obstacles: [borrowed!] })).toBeCloseTo(gap(surveyed), 9);
});
