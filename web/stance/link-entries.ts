import type { LowgapFile } from '@/contracts/lowgap-file';
import type { HalfShaft } from '@/core/5-consequences/driveline/half-shaft';
import type { Driveshaft } from '@/core/5-consequences/driveline/driveshaft';
import type { DragLink } from '@/core/5-consequences/stance/drag-link';
import type { SwayBar } from '@/core/5-consequences/stance/sway-bar';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';

/** The driveshaft of an axle as it was measured; null while any of it is missing. */
export function driveshaftEntry(file: LowgapFile, axle: Axle): Driveshaft | null {
  const { shaftLengthMm, shaftRiseMm, outputDeg, pinionDeg, pinionReachMm, pinionRiseMm } =
    file.stance?.drive?.[axle] ?? {};
  if (shaftLengthMm === undefined || shaftRiseMm === undefined) return null;
  if (outputDeg === undefined || pinionDeg === undefined) return null;
  return {
    axle,
    lengthMm: shaftLengthMm,
    riseMm: shaftRiseMm,
    outputDeg,
    pinionDeg,
    pinionReachMm,
    pinionRiseMm,
    engagedMm: file.underbody?.slipJointEngagedMm,
    leastMm: file.underbody?.slipJointLeastMm,
  };
}

/** The half shafts of an axle; null while any of it is missing. */
export function halfShaftEntry(file: LowgapFile, axle: Axle): HalfShaft | null {
  const { innerInboardMm, innerRiseMm, outerInboardMm } = file.stance?.drive?.[axle] ?? {};
  if (innerInboardMm === undefined || innerRiseMm === undefined || outerInboardMm === undefined) return null;
  return { innerInboardMm, innerRiseMm, outerInboardMm };
}

/** The sway bar of an axle; null while any length of it is missing. A link runs down, and moves as far as the wheel, unless said. */
export function swayBarEntry(file: LowgapFile, axle: Axle): SwayBar | null {
  const { armMm, armRiseMm, linkMm, linkLeanMm, linkRunsUp, linkRatio } = file.stance?.[axle]?.swayBar ?? {};
  if (armMm === undefined || linkMm === undefined || linkRatio === undefined) return null;
  if (armRiseMm === undefined || linkLeanMm === undefined) return null;
  return { armMm, armRiseMm, linkMm, linkLeanMm, linkRatio, linkRunsUp: linkRunsUp ?? false };
}

/** The drag link of an axle; null while any of it is missing. It runs to the right, its arm ahead, unless said. */
export function dragLinkEntry(file: LowgapFile, axle: Axle): DragLink | null {
  const { runsTo, acrossMm, riseMm, armMm, armAhead, steeringRatio } = file.stance?.[axle]?.dragLink ?? {};
  if (acrossMm === undefined || riseMm === undefined || armMm === undefined || steeringRatio === undefined) return null;
  return { runsTo: runsTo ?? 'right', acrossMm, riseMm, armMm, armAhead: armAhead ?? true, steeringRatio };
}
