import { FITTED, LEANING_AXIS, SWINGING, madeCase, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { fittedAsSetup, type SetupDescription, countParts, type Setup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { surveyedWell } from '../../fixtures/wells/walk-surveyor';
import { syntheticWell } from '../../6-decisions/practice/synthetic-well';
import { dice } from '../../1-base/numeric/dice';
import { USUAL } from '../../3-survey/reading/usual-errors';
import { tireSection } from '../../2-vehicle/tire/section';
import { calibrate, type Calibration } from './calibrate';
import { runFit, type FitRun } from './fit-run';
import { leastGapsMm } from './gap-slopes';
import type { Observation, Seen } from './observation';

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const seenOf = (gapMm: number, readMm: number): Seen =>
  gapMm < -1 ? { kind: 'rubs' } : gapMm < 1 ? { kind: 'mark' } : { kind: 'gap', mm: Math.max(0, readMm) };

describe('synthetic corners whose truth is known: surveyed by tape, then test fitted', () => {
  const WELLS = 8;
  const OBSERVED = 6;

  test('six observations with the tape’s noise cut the error of the predicted gaps by half, and the 90 % band holds', () => {
    const errors: { before: number; after: number; held: boolean }[] = [];
    for (let seed = 1; seed <= WELLS; seed++) {
      const well = syntheticWell(seed);
      const d = dice(seed + 7);
      const setup = well.setups[seed % well.setups.length]!;
      const tried = countParts(setup);
      const corner = surveyedWell(well, setup, seed);
      // The real tire is not quite what its sidewall says.
      const { diameterMm, widthMm } = tireSection(setup.tire, setup.wheel.widthIn);
      const real: Setup = {
        ...tried,
        tire: {
          ...setup.tire,
          measuredDiameterMm: diameterMm * (1 + USUAL.diameterShare * d.normal()),
          measuredWidthMm: widthMm * (1 + USUAL.widthShare * d.normal()),
        },
      };
      // A hump that did not reach the stop, lock to lock.
      const { bumpMm, droopMm } = well.truth.travel;
      const run: FitRun = { lowMm: -droopMm / 2, highMm: 0.85 * bumpMm, leftDeg: 60, rightDeg: 60 };
      const { drawn, ...ran } = runFit({ corner: well.truth, setup: real }, run);
      const there = leastGapsMm('frontLeft', ran, 'drawn', drawn);
      const observations = [...there].slice(0, OBSERVED).map(([obstacle, gapMm]): Observation => ({
        obstacle,
        run,
        seen: seenOf(gapMm, gapMm + USUAL.gapMm * d.normal()),
      }));
      const truth = leastGapsMm('frontLeft', { corner: well.truth, setup: real }, 'trail');
      const found = calibrate({ key: 'frontLeft', fit: { corner, setup: tried }, envelope: 'trail', observations });
      // Where the nearest place changes, slopes do not tell what a step does: it stops beside the likeliest, by little.
      expect({ seed, ended: found.status !== 'outOfSteps' && found.leftMm < 1.5 * USUAL.gapMm }).toEqual({
        seed,
        ended: true,
      });
      expect(found.status === 'converged').toBe(found.leftMm < 0.05);
      for (const { id, before, after } of found.predicted) {
        if (!observations.some(({ obstacle }) => obstacle === id)) continue;
        const is = truth.get(id)!;
        errors.push({
          before: Math.abs(before.gapMm - is),
          after: Math.abs(after.gapMm - is),
          held: is >= after.lowMm && is <= after.highMm,
        });
      }
    }
    expect(errors).toHaveLength(WELLS * OBSERVED);
    expect(median(errors.map(({ after }) => after))).toBeLessThan(0.5 * median(errors.map(({ before }) => before)));
    const held = errors.filter((error) => error.held).length / errors.length;
    expect(held).toBeGreaterThanOrEqual(0.85);
    expect(held).toBeLessThanOrEqual(0.98);
  }, 300_000);
});

const TRIED: SetupDescription = { ...fittedAsSetup(FITTED), tire: { size: '285/70R17' } };
const CORNER: CornerDescription = madeCorner({
  motion: SWINGING,
  steering: LEANING_AXIS,
  travel: { bumpMm: 90, droopMm: 100 },
  fitted: FITTED,
  obstacles: [
    {
      id: 'lip',
      mount: 'body',
      material: 'sheetMetal',
      shape: {
        type: 'polyline',
        points: [
          [-200, 90, 470],
          [0, 95, 512],
          [200, 90, 470],
        ],
      },
      toleranceMm: 12,
    },
    {
      id: 'mount',
      mount: 'frame',
      material: 'bodyMount',
      shape: { type: 'points', points: [[-430, -60, -150]] },
      toleranceMm: 12,
    },
  ],
});
const HUMP: FitRun = { lowMm: -20, highMm: 70, leftDeg: 35, rightDeg: 31 };
const asked = (observations: readonly Observation[]): Calibration =>
  calibrate({ key: 'frontLeft', fit: { corner: CORNER, setup: countParts(TRIED) }, envelope: 'trail', observations });
const gapOf = (found: Calibration, id: string): number =>
  found.seen.find(({ observation }) => observation.obstacle === id)!.afterMm;

describe('what was seen moves the corner, as far as it may', () => {
  const now = asked([{ obstacle: 'lip', run: HUMP, seen: { kind: 'gap', mm: 40 } }]).seen[0]!.beforeMm;

  test('a measured gap draws the prediction near it, and the same setup evaluated anew says so too', () => {
    const found = asked([{ obstacle: 'lip', run: HUMP, seen: { kind: 'gap', mm: now + 8 } }]);
    // Variances add: the tape's 2 mm against a prior of several.
    expect(gapOf(found, 'lip') - now).toBeGreaterThan(6);
    expect(gapOf(found, 'lip') - now).toBeLessThan(8);
    const { obstacles } = evaluateCase(
      madeCase({
        corners: { frontLeft: found.fit.corner },
        setup: { ...TRIED, tire: found.fit.setup.tire },
      }),
    );
    const predicted = found.predicted.find(({ id }) => id === 'lip')!.after;
    expect(obstacles.find(({ id }) => id === 'lip')!.gapMm).toBeCloseTo(predicted.gapMm, 1);
    // Less is left open than before.
    const { before, after } = found.predicted.find(({ id }) => id === 'lip')!;
    expect(after.highMm - after.lowMm).toBeLessThan(0.75 * (before.highMm - before.lowMm));
  });

  test('evidence on one side alone: a rub moves what was thought clear to touching and no further, a clear one moves nothing', () => {
    const nearly: readonly Observation[] = [{ obstacle: 'lip', run: { ...HUMP, highMm: 85 }, seen: { kind: 'rubs' } }];
    const rubbed = asked(nearly);
    expect(rubbed.seen[0]!.beforeMm).toBeGreaterThan(1);
    expect(rubbed.seen[0]!.afterMm).toBeLessThan(rubbed.seen[0]!.beforeMm);
    expect(rubbed.seen[0]!.afterMm).toBeGreaterThan(-1);
    const clear = asked([{ obstacle: 'lip', run: HUMP, seen: { kind: 'clear' } }]);
    expect(clear.seen[0]!.missSd).toBe(0);
    expect(gapOf(clear, 'lip')).toBeCloseTo(now, 6);
    expect(clear.obstacles[0]!.shiftMm.every((mm) => Math.abs(mm) < 1e-9)).toBe(true);
  });

  test('a gap typed ten times too large is named and left out; confirmed, it counts', () => {
    const typo: Observation = { obstacle: 'lip', run: HUMP, seen: { kind: 'gap', mm: 10 * now } };
    const left = asked([typo, { obstacle: 'mount', run: HUMP, seen: { kind: 'clear' } }]);
    expect(left.seen.map(({ setAside }) => setAside)).toEqual([true, false]);
    expect(gapOf(left, 'lip')).toBeCloseTo(now, 1);
    expect(asked([{ ...typo, confirmed: true }]).seen[0]!.setAside).toBe(false);
  });

  test('all gaps smaller by as much say that the tire is larger, rather than that every thing stands elsewhere', () => {
    const { seen: read } = asked(
      ['lip', 'mount'].map((obstacle) => ({ obstacle, run: HUMP, seen: { kind: 'clear' } })),
    );
    const both = asked(
      read.map(({ observation, beforeMm }) => ({ ...observation, seen: { kind: 'gap', mm: beforeMm - 5 } })),
    );
    expect(both.numbers.find(({ name }) => name === 'tried diameter')!.by).toBeGreaterThan(0.1);
    const one = asked([{ obstacle: 'lip', run: HUMP, seen: { kind: 'gap', mm: now - 5 } }]);
    expect(both.numbers.find(({ name }) => name === 'tried diameter')!.by).toBeGreaterThan(
      one.numbers.find(({ name }) => name === 'tried diameter')!.by,
    );
  });
});
