import { expose } from 'comlink';
import { caseOfRound, fittedCorner } from '@/contracts/as-fit';
import type { LowgapFile, LowgapTestFit } from '@/contracts/lowgap-file';
import { calibrate, type Calibration } from '@/core/5-consequences/calibration/calibrate';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { describedCorners } from '@/core/4-clearance/case/described-corner';
import { attempt, ProblemError, type Result } from '@/core/1-base/problem';
import { fitObservations } from '@/core/7-job/test-fit/fit-observations';
import { predictRound, type RoundGap } from '@/core/7-job/test-fit/predict-round';
import { DocumentReceiver, type WiredFile } from './document-wire';

/** Test fits off the main thread: what to expect in each posture, and what a round teaches. */
export interface FitWorker {
  predict(file: WiredFile, round: string): Result<RoundGap[]>;
  learn(file: WiredFile, round: string, corner: CornerKey): Result<Calibration>;
}

const receiver = new DocumentReceiver();

function roundOf({ testFits = [] }: LowgapFile, id: string): LowgapTestFit {
  const found = testFits.find((one) => one.id === id);
  if (found) return found;
  throw new ProblemError({ code: 'notFound', path: 'testFits', expected: 'a round of the test fit', found: id });
}

export const worker: FitWorker = {
  predict(wired, id) {
    const file = receiver.unwire(wired);
    return attempt(() => {
      const round = roundOf(file, id);
      return describedCorners(caseOfRound(file, round)).flatMap((key) => predictRound(fittedCorner(file, round, key)));
    });
  },
  learn(wired, id, key) {
    const file = receiver.unwire(wired);
    return attempt(() => {
      const round = roundOf(file, id);
      const at = fittedCorner(file, round, key);
      const observations = fitObservations(at, round.findings).flatMap((one) =>
        'observation' in one ? [one.observation] : [],
      );
      if (observations.length === 0) {
        throw new ProblemError({
          code: 'missing',
          path: 'testFits.findings',
          expected: 'at least one finding at this corner, at a height that was measured',
          found: 'none',
        });
      }
      const { envelope, drawnEnvelope } = file;
      return calibrate({
        key,
        fit: { corner: at.corner, setup: at.setup },
        envelope,
        drawn: drawnEnvelope,
        observations,
      });
    });
  },
};

expose(worker);
