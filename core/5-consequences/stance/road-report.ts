import { type CaseDescription, setupForCorner } from '../../4-clearance/case/case-description';
import type { CornerKey, Axle } from '../../2-vehicle/setup/corner-key';
import { describedCorners } from '../../4-clearance/case/described-corner';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { fittedSetup, frameRiseMm } from '../../2-vehicle/setup/setup';
import { attempt } from '../../1-base/problem';
import { frontCircleMm } from './front-circle';
import { loadedRadiusMm } from '../../2-vehicle/tire/allowance';
import { lawfulDiameterRatios, speedometer, type SpeedometerReading } from '../road/speedometer';
import {
  aimChangeDeg,
  breakoverAngleDeg,
  effectiveAxleRatio,
  endAngleDeg,
  engineSpeed,
  restoringAxleRatio,
  staticStabilityFactor,
  tiltAngleDeg,
} from '../road/ground';

/** Measured on the vehicle as it stands today, on the fitted tires; what is left out turns its answers off. Lengths mm. */
export interface RoadMeasured {
  readonly wheelbaseMm?: number | undefined;
  readonly trackFrontMm?: number | undefined;
  readonly trackRearMm?: number | undefined;
  /** Lowest place ahead of the front wheel's centre, and its height over the ground. */
  readonly frontReachMm?: number | undefined;
  readonly frontHeightMm?: number | undefined;
  readonly rearReachMm?: number | undefined;
  readonly rearHeightMm?: number | undefined;
  /** Lowest place between the axles, behind the front wheel's centre, and its height. */
  readonly bellyBehindMm?: number | undefined;
  readonly bellyHeightMm?: number | undefined;
  /** Lowest place of an axle. */
  readonly axleClearanceMm?: number | undefined;
  readonly centreOfGravityMm?: number | undefined;
  readonly axleRatio?: number | undefined;
  readonly gearRatio?: number | undefined;
  readonly cruiseKmh?: number | undefined;
  readonly speedometerErrorShare?: number | undefined;
}

/** A number before and after, or what has to be measured for it. */
export type RoadRow =
  | {
      readonly what: RoadWhat;
      readonly unit: 'mm' | 'deg' | 'perMin' | 'ratio';
      readonly before: number;
      readonly after: number;
    }
  | { readonly what: RoadWhat; readonly missing: readonly (keyof RoadMeasured)[] };

export const ROAD_WHATS = [
  'loadedRadiusFront',
  'loadedRadiusRear',
  'approach',
  'departure',
  'breakover',
  'bellyClearance',
  'axleClearance',
  'stabilityFactor',
  'tiltAngle',
  'engineSpeed',
  'effectiveAxleRatio',
  'restoringAxleRatio',
  'headlampAim',
  'turningCircle',
  'odometer',
] as const;
export type RoadWhat = (typeof ROAD_WHATS)[number];

export interface RoadReport {
  readonly rows: readonly RoadRow[];
  readonly speedometer: SpeedometerReading | null;
  /** Tire diameters with which the speedometer stays lawful, mm (UN R39). */
  readonly lawfulDiametersMm: readonly [least: number, most: number];
  /** Rise of the frame over the ground by axle, mm; null: no corner of it is described. */
  readonly frontRiseMm: number | null;
  readonly rearRiseMm: number | null;
}

interface AxleStand {
  readonly riseMm: number;
  readonly bodyRiseMm: number;
  readonly radiusBeforeMm: number;
  readonly radiusAfterMm: number;
  readonly diameterRatio: number;
  readonly diameterBeforeMm: number;
  readonly diameterAfterMm: number;
  readonly widerTrackMm: number;
}

/** Means of the axle's described corners. */
function axleStand(description: CaseDescription, axle: Axle): AxleStand | null {
  const keys = describedCorners(description).filter((key: CornerKey) => key.startsWith(axle));
  if (keys.length === 0) return null;
  const all = keys.map((key): AxleStand => {
    const corner = description.corners[key]!;
    const setup = setupForCorner(description, key);
    const before = prepareRotor(corner.fitted, `corners.${key}.fitted`);
    const after = prepareRotor(setup, 'setup');
    const [radiusBeforeMm, radiusAfterMm] = [loadedRadiusMm(before.section), loadedRadiusMm(after.section)];
    const riseMm = frameRiseMm(setup) + radiusAfterMm - radiusBeforeMm;
    return {
      riseMm,
      bodyRiseMm: riseMm + setup.bodyLiftMm,
      radiusBeforeMm,
      radiusAfterMm,
      diameterRatio: after.section.diameterMm / before.section.diameterMm,
      diameterBeforeMm: before.section.diameterMm,
      diameterAfterMm: after.section.diameterMm,
      widerTrackMm: 2 * (after.centrePlaneMm - before.centrePlaneMm),
    };
  });
  const mean = (of: keyof AxleStand): number => all.reduce((sum, one) => sum + one[of], 0) / all.length;
  return Object.fromEntries(
    (Object.keys(all[0]!) as (keyof AxleStand)[]).map((key) => [key, mean(key)]),
  ) as unknown as AxleStand;
}

/**
 * What height and tires change on the road. Heights rise with frame and tire; a bumper with the body too. An axle's own lowest place
 * rises with the tire alone. @throws ProblemError for a tire or wheel that cannot be.
 */
export function roadReport(description: CaseDescription, measured: RoadMeasured): RoadReport {
  const front = axleStand(description, 'front');
  const rear = axleStand(description, 'rear');
  // An axle nobody described stands as it does.
  const f = front ?? unchanged(rear);
  const r = rear ?? unchanged(front);
  const rows: RoadRow[] = [];
  const row = <K extends keyof RoadMeasured>(
    what: RoadWhat,
    unit: 'mm' | 'deg' | 'perMin' | 'ratio',
    needs: readonly K[],
    work: (known: Readonly<Record<K, number>>) => readonly [before: number, after: number],
  ): void => {
    const missing = needs.filter((key) => measured[key] === undefined);
    if (missing.length > 0) rows.push({ what, missing });
    else {
      const [before, after] = work(measured as Readonly<Record<K, number>>);
      rows.push({ what, unit, before, after });
    }
  };
  row('loadedRadiusFront', 'mm', [], () => [f.radiusBeforeMm, f.radiusAfterMm]);
  row('loadedRadiusRear', 'mm', [], () => [r.radiusBeforeMm, r.radiusAfterMm]);
  row('approach', 'deg', ['frontReachMm', 'frontHeightMm'], ({ frontReachMm, frontHeightMm }) => [
    endAngleDeg(frontReachMm, frontHeightMm, f.radiusBeforeMm),
    endAngleDeg(frontReachMm, frontHeightMm + f.bodyRiseMm, f.radiusAfterMm),
  ]);
  row('departure', 'deg', ['rearReachMm', 'rearHeightMm'], ({ rearReachMm, rearHeightMm }) => [
    endAngleDeg(rearReachMm, rearHeightMm, r.radiusBeforeMm),
    endAngleDeg(rearReachMm, rearHeightMm + r.bodyRiseMm, r.radiusAfterMm),
  ]);
  const bellyRise = (behind: number, wheelbase: number): number =>
    f.riseMm + ((r.riseMm - f.riseMm) * behind) / wheelbase;
  row('breakover', 'deg', ['bellyBehindMm', 'bellyHeightMm', 'wheelbaseMm'], (m) => [
    breakoverAngleDeg(m.bellyBehindMm, m.bellyHeightMm, m.wheelbaseMm, f.radiusBeforeMm, r.radiusBeforeMm),
    breakoverAngleDeg(
      m.bellyBehindMm,
      m.bellyHeightMm + bellyRise(m.bellyBehindMm, m.wheelbaseMm),
      m.wheelbaseMm,
      f.radiusAfterMm,
      r.radiusAfterMm,
    ),
  ]);
  row('bellyClearance', 'mm', ['bellyBehindMm', 'bellyHeightMm', 'wheelbaseMm'], (m) => [
    m.bellyHeightMm,
    m.bellyHeightMm + bellyRise(m.bellyBehindMm, m.wheelbaseMm),
  ]);
  row('axleClearance', 'mm', ['axleClearanceMm'], ({ axleClearanceMm }) => [
    axleClearanceMm,
    axleClearanceMm + (r.radiusAfterMm - r.radiusBeforeMm),
  ]);
  const stability = (m: Readonly<Record<'trackFrontMm' | 'centreOfGravityMm', number>>): readonly [number, number] => {
    const track = (m.trackFrontMm + (measured.trackRearMm ?? m.trackFrontMm)) / 2;
    const wider = (f.widerTrackMm + r.widerTrackMm) / 2;
    const rise = (f.bodyRiseMm + r.bodyRiseMm) / 2;
    return [
      staticStabilityFactor(track, m.centreOfGravityMm),
      staticStabilityFactor(track + wider, m.centreOfGravityMm + rise),
    ];
  };
  row('stabilityFactor', 'ratio', ['trackFrontMm', 'centreOfGravityMm'], stability);
  row('tiltAngle', 'deg', ['trackFrontMm', 'centreOfGravityMm'], (m) => {
    const [before, after] = stability(m);
    return [tiltAngleDeg(before), tiltAngleDeg(after)];
  });
  row('engineSpeed', 'perMin', ['cruiseKmh', 'axleRatio', 'gearRatio'], (m) => [
    engineSpeed(m.cruiseKmh, r.diameterBeforeMm, m.axleRatio, m.gearRatio),
    engineSpeed(m.cruiseKmh, r.diameterAfterMm, m.axleRatio, m.gearRatio),
  ]);
  row('effectiveAxleRatio', 'ratio', ['axleRatio'], ({ axleRatio }) => [
    axleRatio,
    effectiveAxleRatio(axleRatio, r.diameterBeforeMm, r.diameterAfterMm),
  ]);
  row('restoringAxleRatio', 'ratio', ['axleRatio'], ({ axleRatio }) => [
    axleRatio,
    restoringAxleRatio(axleRatio, r.diameterBeforeMm, r.diameterAfterMm),
  ]);
  row('headlampAim', 'deg', ['wheelbaseMm'], ({ wheelbaseMm }) => [
    0,
    aimChangeDeg(f.bodyRiseMm, r.bodyRiseMm, wheelbaseMm),
  ]);
  const steering = frontCircles(description, measured.wheelbaseMm);
  if (steering.length > 0 || measured.wheelbaseMm === undefined) {
    row('turningCircle', 'mm', ['wheelbaseMm'], () => [
      Math.max(...steering.map(({ before }) => before)),
      Math.max(...steering.map(({ after }) => after)),
    ]);
  }
  // True kilometres for every hundred counted.
  // By the rear axle, as most drive; where only the front was described, by its tires rather than as if nothing changed.
  const counting = rear ?? f;
  row('odometer', 'ratio', [], () => [100, 100 * counting.diameterRatio]);
  const error = measured.speedometerErrorShare ?? 0;
  const [least, most] = lawfulDiameterRatios(error);
  return {
    rows,
    speedometer: speedometer(100, counting.diameterRatio, error),
    lawfulDiametersMm: [least * counting.diameterBeforeMm, most * counting.diameterBeforeMm],
    frontRiseMm: front && front.riseMm,
    rearRiseMm: rear && rear.riseMm,
  };
}

/** Circles of the front wheels, each where it is the outer one, mm. */
function frontCircles(
  description: CaseDescription,
  wheelbaseMm: number | undefined,
): { readonly before: number; readonly after: number }[] {
  if (wheelbaseMm === undefined) return [];
  return describedCorners(description).flatMap((key) => {
    const corner = description.corners[key]!;
    const setup = setupForCorner(description, key);
    const circles = attempt(() => ({
      before: frontCircleMm(key, corner, fittedSetup(corner.fitted), wheelbaseMm),
      after: frontCircleMm(key, corner, setup, wheelbaseMm + setup.axleShiftMm),
    }));
    if (!circles.ok) return [];
    const { before, after } = circles.value;
    return before === null || after === null ? [] : [{ before, after }];
  });
}

/** An axle that keeps its height and its tire's size; radii as of the other axle. */
const unchanged = (other: AxleStand | null): AxleStand => ({
  riseMm: 0,
  bodyRiseMm: 0,
  radiusBeforeMm: other?.radiusBeforeMm ?? 0,
  radiusAfterMm: other?.radiusBeforeMm ?? 0,
  diameterRatio: 1,
  diameterBeforeMm: other?.diameterBeforeMm ?? 1,
  diameterAfterMm: other?.diameterBeforeMm ?? 1,
  widerTrackMm: 0,
});
