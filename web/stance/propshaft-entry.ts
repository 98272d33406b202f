import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Propshaft } from '@/core/driveline/propshaft';
import type { StanceAxle } from './axle-parts';

/** The propshaft of an axle as it was measured; null while any of it is missing. */
export function propshaftEntry(file: LowgapFile, axle: StanceAxle): Propshaft | null {
  const { shaftLengthMm, shaftRiseMm, outputDeg, pinionDeg } = file.stance?.drive?.[axle] ?? {};
  if (shaftLengthMm === undefined || shaftRiseMm === undefined) return null;
  if (outputDeg === undefined || pinionDeg === undefined) return null;
  return {
    axle,
    lengthMm: shaftLengthMm,
    riseMm: shaftRiseMm,
    outputDeg,
    pinionDeg,
    engagedMm: file.underbody?.slipJointEngagedMm,
    leastMm: file.underbody?.slipJointLeastMm,
  };
}
