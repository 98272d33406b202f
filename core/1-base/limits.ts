/**
 * Sane ranges for what people enter. Outside them an entry is a slip of the pen rather than a job:
 * contracts refuse it with the range. Working values of this project, no published source.
 */
export interface Range {
  readonly min: number;
  readonly max: number;
  readonly unit: string;
  /** Where nearly all of them lie: a bare number outside it is asked for its unit. 0 is always likely. */
  readonly likely?: { readonly min: number; readonly max: number };
}

const range = (min: number, max: number, unit: string, likely?: Range['likely']): Range => ({
  min,
  max,
  unit,
  ...(likely ? { likely } : {}),
});
const from = (min: number, max: number): Range['likely'] => ({ min, max });

export const LIMITS = {
  tireDiameterMm: range(200, 1600, 'mm', from(380, 1300)),
  loadedRadiusMm: range(90, 800, 'mm', from(170, 640)),
  rollingMm: range(600, 5000, 'mm', from(1100, 4000)),
  tireWidthMm: range(60, 600, 'mm', from(100, 500)),
  rimDiameterIn: range(4, 30, 'in'),
  rimWidthIn: range(2, 20, 'in'),
  offsetMm: range(-200, 200, 'mm'),
  backspacingMm: range(0, 450, 'mm', from(40, 300)),
  spacerMm: range(0, 100, 'mm', from(3, 100)),
  gapMm: range(0, 800, 'mm', from(0, 260)),
  outboardMm: range(-400, 400, 'mm', from(0, 150)),
  changeMm: range(0, 300, 'mm'),
  travelMm: range(-600, 600, 'mm'),
  travelLimitMm: range(0, 600, 'mm', from(15, 450)),
  focal35Mm: range(8, 400, 'mm'),
  rimEdgeMm: range(120, 900, 'mm', from(200, 760)),
  hubToLipMm: range(50, 1500, 'mm', from(150, 1100)),
  groundToLipMm: range(200, 2200, 'mm', from(350, 1700)),
  pressureKpa: range(20, 900, 'kPa', from(90, 900)),
  pokeMm: range(-200, 200, 'mm'),
  underbodyMm: range(0, 2000, 'mm'),
  suspensionLiftMm: range(-300, 500, 'mm'),
  bodyLiftMm: range(0, 300, 'mm'),
  bumpStopMm: range(0, 300, 'mm'),
  shiftMm: range(-300, 300, 'mm'),
  lockDeg: range(0, 70, 'degrees'),
  steerDeg: range(-70, 70, 'degrees'),
  inclinationDeg: range(-10, 45, 'degrees'),
  casterDeg: range(-20, 30, 'degrees'),
  kingpinOffsetMm: range(-100, 400, 'mm'),
  casterTrailMm: range(-200, 200, 'mm'),
  camberDeg: range(-15, 15, 'degrees'),
  toeDeg: range(-10, 10, 'degrees'),
  coordinateMm: range(-5000, 5000, 'mm'),
  chainRoomMm: range(0, 120, 'mm'),
  allowanceMm: range(0, 60, 'mm'),
  complianceMm: range(0, 30, 'mm'),
  radiusMm: range(0.1, 200, 'mm'),
  rodDiameterMm: range(0, 200, 'mm'),
  boxMm: range(5, 600, 'mm'),
  positionToleranceMm: range(0, 100, 'mm'),
  thicknessMm: range(0, 100, 'mm'),
  requiredMm: range(-50, 200, 'mm'),
  studMm: range(0, 120, 'mm'),
  partMm: range(-300, 300, 'mm'),
  motionRatio: range(0.1, 1.5, 'spring travel over wheel travel'),
  springRateNPerMm: range(1, 1000, 'N/mm'),
  turns: range(0, 80, 'turns'),
  threadPitchMm: range(0.5, 6, 'mm a turn'),
  keyMm: range(15, 300, 'mm'),
  linkMm: range(20, 1200, 'mm'),
  steeringRatio: range(1, 30, 'to 1'),
  axleKg: range(20, 20_000, 'kg'),
  torqueNm: range(0.5, 1500, 'N m'),
  shackleShare: range(0.1, 1, 'of the extra length'),
  armMm: range(50, 2500, 'mm'),
  riseMm: range(-400, 400, 'mm'),
  jointMm: range(-400, 1200, 'mm'),
  sweepDeg: range(-60, 60, 'degrees'),
  hubSpacingMm: range(200, 4000, 'mm'),
  leafMm: range(400, 2500, 'mm', from(700, 1900)),
  pinionReachMm: range(0, 800, 'mm', from(100, 600)),
  insideDiameterMm: range(80, 760, 'mm', from(150, 620)),
  spokeRadiusMm: range(10, 380, 'mm', from(25, 300)),
  spokeBackMm: range(-150, 150, 'mm'),
  shoulderRadiusMm: range(0, 120, 'mm', from(3, 60)),
  /** Bump stops or shocks of a beam axle, from one to the other. */
  stopSpacingMm: range(100, 4000, 'mm', from(250, 1900)),
  shockLengthMm: range(100, 1500, 'mm', from(200, 1000)),
  sagMm: range(0, 300, 'mm'),
  instantCentreMm: range(-100000, 100000, 'mm'),
  wheelbaseMm: range(500, 10000, 'mm', from(1000, 6000)),
  trackMm: range(300, 3500, 'mm', from(700, 2600)),
} as const satisfies Record<string, Range>;
