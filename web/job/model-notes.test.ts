import { describe, expect, test } from '@jest/globals';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { demoJobs } from '@/demo/demo-jobs';
import { modelNotes } from './model-notes';

const beamJob = (): LowgapFile =>
  structuredClone(
    demoJobs()
      .map(({ document }) => lowgapFileSchema.parse(document))
      .find(({ corners }) => corners.frontLeft?.motion.type === 'beamAxle')!,
  );

describe('what is said beside the verdict', () => {
  test('nothing of a job whose stops and parts are known', () => {
    expect(modelNotes(beamJob())).toEqual([]);
  });

  test('an older beam axle stopped at its hubs, with the corners it is about', () => {
    const file = beamJob();
    const { motion } = file.corners.frontLeft!;
    if (motion.type === 'beamAxle') {
      delete motion.stopSpacingMm;
      delete motion.shockSpacingMm;
    }
    expect(modelNotes(file)).toEqual([expect.stringMatching(/stopped for itself.*front left\.$/)]);
  });

  test('parts that are not counted, by name, and an older spacer on a strut', () => {
    const file = beamJob();
    file.setup!.parts = [
      { kind: 'springSpacer', thicknessMm: 20, motionRatio: 1, starting: ['thicknessMm'] },
      { kind: 'strutTopSpacer', thicknessMm: 20, motionRatio: 1 },
    ];
    for (const own of Object.values(file.setup!.corners ?? {})) delete own?.parts;
    expect(modelNotes(file)).toEqual([
      expect.stringMatching(/^Not counted.*spacer, shim or preload on a coil, front left/),
      expect.stringMatching(/^The spacer on the strut is counted as in older jobs/),
    ]);
  });
});
