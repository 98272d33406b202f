import { describe, expect, test } from '@jest/globals';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { enteredSetupFor } from '@/core/4-clearance/case/case-description';
import { demoJobs } from '@/demo/demo-jobs';
import { trySetup } from './try-setup';

const tried = (change: (file: LowgapFile) => void = () => undefined): LowgapFile => {
  const file = structuredClone(demoJobs().at(-1)!.document);
  change(file);
  const before = enteredSetupFor(asCase(file), 'frontLeft');
  trySetup(file, 'frontLeft', before, { ...before, spacerMm: 19, suspensionLiftMm: 25 });
  return file;
};

describe('what was tried on a corner', () => {
  test('goes to the common setup where the corner has nothing of its own, and what was typed for it is let go', () => {
    const file = tried((f) => (f.setup!.typed = { spacerMm: '1/2', offsetMm: '12' }));
    expect(file.setup).toMatchObject({ spacerMm: 19, suspensionLiftMm: 25, typed: { offsetMm: '12' } });
    expect(enteredSetupFor(asCase(file), 'rearLeft').spacerMm).toBe(19);
  });

  test('goes to both corners of the axle that has a setup of its own, and leaves the other alone', () => {
    const file = tried((f) => (f.setup!.corners = { frontLeft: { spacerMm: 3 }, frontRight: { spacerMm: 3 } }));
    const spacers = (['frontLeft', 'frontRight', 'rearLeft'] as const).map(
      (key) => enteredSetupFor(asCase(file), key).spacerMm,
    );
    expect(spacers).toEqual([19, 19, 0]);
    // The lift was common.
    expect(file.setup!.suspensionLiftMm).toBe(25);
  });

  test('makes a setup from what is fitted where none was tried yet', () => {
    const file = tried((f) => delete f.setup);
    expect(file.setup).toMatchObject({ spacerMm: 19, tire: file.corners.frontLeft!.fitted.tire });
  });
});
