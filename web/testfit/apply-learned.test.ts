import { expect, test } from '@jest/globals';
import { asCase } from '@/contracts/as-case';
import { fittedCorner } from '@/contracts/as-fit';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { calibrate } from '@/core/5-consequences/calibration/calibrate';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { fitObservations } from '@/core/7-job/test-fit/fit-observations';
import { predictRound } from '@/core/7-job/test-fit/predict-round';
import { demoJobs } from '@/demo/demo-jobs';
import { applyLearned } from './apply-learned';

const NOW = '2026-11-26T10:00:00Z';

/** The demo pickup with one round of a test fit, everything of the front left corner read `offMm` otherwise than predicted. */
function fitted(offMm: number): LowgapFile {
  const file = structuredClone(demoJobs().find(({ title }) => title.startsWith('Patrol'))!.document);
  const round: NonNullable<LowgapFile['testFits']>[number] = {
    id: 'one',
    date: '2026-11-26',
    title: 'First',
    of: 'bench',
    setup: file.setup,
    heights: {},
    postures: [{ kind: 'rideForward', done: true, reach: {} }],
    findings: [],
    trimmed: [],
    learned: {},
  };
  file.testFits = [round];
  const near = predictRound(fittedCorner(file, round, 'frontLeft')).filter(({ gapMm }) => gapMm > 5 && gapMm < 120);
  round.findings = near.slice(0, 4).map(({ obstacle, posture, gapMm }) => ({
    corner: 'frontLeft',
    obstacle,
    posture,
    seen: 'gap',
    gapMm: gapMm + offMm,
  }));
  return file;
}

test('what a round taught is taken in: the file stays one, and the same round predicted anew agrees with what was read', () => {
  const file = fitted(-4);
  const [round] = file.testFits!;
  const at = fittedCorner(file, round!, 'frontLeft');
  const observations = fitObservations(at, round!.findings).flatMap((one) =>
    'observation' in one ? [one.observation] : [],
  );
  expect(observations.length).toBeGreaterThan(2);
  const found = calibrate({
    key: 'frontLeft',
    fit: { corner: at.corner, setup: at.setup },
    envelope: file.envelope,
    observations,
  });
  applyLearned(file, 'one', 'frontLeft', found, NOW);
  expect(lowgapFileSchema.parse(file)).toEqual(file);
  expect(round!.learned.frontLeft).toBe(NOW);
  expect(file.corners.frontRight).toEqual(fitted(-4).corners.frontRight);
  const again = predictRound(fittedCorner(file, file.testFits![0]!, 'frontLeft'));
  for (const { observation, beforeMm, afterMm } of found.seen) {
    const { gapMm } = again.find((gap) => gap.obstacle === observation.obstacle)!;
    expect(gapMm).toBeCloseTo(afterMm, 1);
    expect(Math.abs(afterMm - (beforeMm - 4))).toBeLessThan(2);
  }
  expect(evaluateCase(asCase(file)).lowGap).not.toBeNull();
});
