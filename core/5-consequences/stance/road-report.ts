import { type CaseDescription, setupForCorner } from '../../4-clearance/case/case-description';
import type { CornerKey, Axle } from '../../2-vehicle/setup/corner-key';
import { describedCorners } from '../../4-clearance/case/described-corner';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { fittedSetup, frameRiseMm } from '../../2-vehicle/setup/setup';
import { attempt } from '../../1-base/problem';
import { frontCircleMm } from './front-circle';
import { standingRadiusMm } from '../../2-vehicle/setup/loaded-radius';
import { rollingMm } from '../../2-vehicle/tire/loaded-tire';
import { pitched, type Pitched, type SidePlace } from '../road/pitch';
import { lawfulDiameterRatios, speedometer, type SpeedometerReading } from '../road/speedometer';
import {
  breakoverAngleDeg,
  effectiveAxleRatio,
  endAngleDeg,
  engineSpeed,
  restoringAxleRatio,
  staticStabilityFactor,
  tiltAngleDeg,
} from '../road/ground';

/** What a lowest place is fixed to: a body lift takes the one up and leaves the other. */
export type FixedTo = 'body' | 'frame';

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
  /** What those two are fixed to; absent: the body, as older files have it. */
  readonly frontFixedTo?: FixedTo | undefined;
  readonly rearFixedTo?: FixedTo | undefined;
  /** Lowest place of the frame between the axles, behind the front wheel's centre, and its height. */
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
  | { readonly what: RoadWhat; readonly missing: readonly RoadNumber[] };

/** Those of the numbers above. */
export type RoadNumber = Exclude<keyof RoadMeasured, 'frontFixedTo' | 'rearFixedTo'>;

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
  readonly hasBodyLift: boolean;
}

interface AxleStand {
  readonly riseMm: number;
  readonly bodyLiftMm: number;
  /** Of the axle in the frame. */
  readonly forwardMm: number;
  readonly radiusBeforeMm: number;
  readonly radiusAfterMm: number;
  readonly rollingBeforeMm: number;
  readonly rollingAfterMm: number;
  readonly diameterBeforeMm: number;
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
    const radiusBeforeMm = standingRadiusMm(corner, before.section);
    const radiusAfterMm = standingRadiusMm(corner, after.section);
    return {
      riseMm: frameRiseMm(setup) + radiusAfterMm - radiusBeforeMm,
      bodyLiftMm: setup.bodyLiftMm,
      forwardMm: setup.axleShiftMm,
      radiusBeforeMm,
      radiusAfterMm,
      rollingBeforeMm: rollingMm(before.section),
      rollingAfterMm: rollingMm(after.section),
      diameterBeforeMm: before.section.diameterMm,
      widerTrackMm: 2 * (after.centrePlaneMm - before.centrePlaneMm),
    };
  });
  const mean = (of: keyof AxleStand): number => all.reduce((sum, one) => sum + one[of], 0) / all.length;
  return Object.fromEntries(
    (Object.keys(all[0]!) as (keyof AxleStand)[]).map((key) => [key, mean(key)]),
  ) as unknown as AxleStand;
}

/**
 * What height and tires change on the road. The frame turns as one piece over its axles; what is fixed to the body goes up with a body lift
 * too; an axle's own lowest place rises with the tire alone. @throws ProblemError for a tire or wheel that cannot be.
 */
export function roadReport(description: CaseDescription, measured: RoadMeasured): RoadReport {
  const front = axleStand(description, 'front');
  const rear = axleStand(description, 'rear');
  // An axle nobody described stands as it does.
  const f = front ?? unchanged(rear);
  const r = rear ?? unchanged(front);
  // By the rear axle, as most drive; where only the front was described, by its tires rather than as if nothing changed.
  const counting = rear ?? f;
  const rollingRatio = counting.rollingAfterMm / counting.rollingBeforeMm;
  const rows: RoadRow[] = [];
  const row = <K extends RoadNumber>(
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
  /** A lowest place after the change; a body lift takes what is fixed to the body up from the frame. */
  const moved = (pitch: Pitched, at: SidePlace, fixedTo: FixedTo, { bodyLiftMm }: AxleStand): SidePlace =>
    pitch.place({ ...at, heightMm: at.heightMm + (fixedTo === 'body' ? bodyLiftMm : 0) });
  const pitchOn = (wheelbaseMm: number): Pitched =>
    pitched({
      wheelbaseMm,
      front: { hubHeightMm: f.radiusBeforeMm, ...f },
      rear: { hubHeightMm: r.radiusBeforeMm, ...r },
    });
  row('approach', 'deg', ['frontReachMm', 'frontHeightMm', 'wheelbaseMm'], (m) => {
    const pitch = pitchOn(m.wheelbaseMm);
    const at = { behindFrontMm: -m.frontReachMm, heightMm: m.frontHeightMm };
    const then = moved(pitch, at, measured.frontFixedTo ?? 'body', f);
    return [
      endAngleDeg(m.frontReachMm, m.frontHeightMm, f.radiusBeforeMm),
      endAngleDeg(pitch.frontHubMm - then.behindFrontMm, then.heightMm, f.radiusAfterMm),
    ];
  });
  row('departure', 'deg', ['rearReachMm', 'rearHeightMm', 'wheelbaseMm'], (m) => {
    const pitch = pitchOn(m.wheelbaseMm);
    const at = { behindFrontMm: m.wheelbaseMm + m.rearReachMm, heightMm: m.rearHeightMm };
    const then = moved(pitch, at, measured.rearFixedTo ?? 'body', r);
    return [
      endAngleDeg(m.rearReachMm, m.rearHeightMm, r.radiusBeforeMm),
      endAngleDeg(then.behindFrontMm - pitch.rearHubMm, then.heightMm, r.radiusAfterMm),
    ];
  });
  const belly = (m: Readonly<Record<'bellyBehindMm' | 'bellyHeightMm' | 'wheelbaseMm', number>>) => {
    const pitch = pitchOn(m.wheelbaseMm);
    return { pitch, then: pitch.place({ behindFrontMm: m.bellyBehindMm, heightMm: m.bellyHeightMm }) };
  };
  row('breakover', 'deg', ['bellyBehindMm', 'bellyHeightMm', 'wheelbaseMm'], (m) => {
    const { pitch, then } = belly(m);
    const behind = then.behindFrontMm - pitch.frontHubMm;
    const apart = pitch.rearHubMm - pitch.frontHubMm;
    return [
      breakoverAngleDeg(m.bellyBehindMm, m.bellyHeightMm, m.wheelbaseMm, f.radiusBeforeMm, r.radiusBeforeMm),
      breakoverAngleDeg(behind, then.heightMm, apart, f.radiusAfterMm, r.radiusAfterMm),
    ];
  });
  row('bellyClearance', 'mm', ['bellyBehindMm', 'bellyHeightMm', 'wheelbaseMm'], (m) => [
    m.bellyHeightMm,
    belly(m).then.heightMm,
  ]);
  row('axleClearance', 'mm', ['axleClearanceMm'], ({ axleClearanceMm }) => [
    axleClearanceMm,
    axleClearanceMm + (r.radiusAfterMm - r.radiusBeforeMm),
  ]);
  const stability = (m: Readonly<Record<'trackFrontMm' | 'centreOfGravityMm', number>>): readonly [number, number] => {
    const track = (m.trackFrontMm + (measured.trackRearMm ?? m.trackFrontMm)) / 2;
    const wider = (f.widerTrackMm + r.widerTrackMm) / 2;
    const rise = (f.riseMm + f.bodyLiftMm + r.riseMm + r.bodyLiftMm) / 2;
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
    engineSpeed(m.cruiseKmh, counting.rollingBeforeMm, m.axleRatio, m.gearRatio),
    engineSpeed(m.cruiseKmh, counting.rollingAfterMm, m.axleRatio, m.gearRatio),
  ]);
  row('effectiveAxleRatio', 'ratio', ['axleRatio'], ({ axleRatio }) => [
    axleRatio,
    effectiveAxleRatio(axleRatio, rollingRatio),
  ]);
  row('restoringAxleRatio', 'ratio', ['axleRatio'], ({ axleRatio }) => [
    axleRatio,
    restoringAxleRatio(axleRatio, rollingRatio),
  ]);
  row('headlampAim', 'deg', ['wheelbaseMm'], ({ wheelbaseMm }) => [0, pitchOn(wheelbaseMm).noseUpDeg]);
  const steering = frontCircles(description, measured.wheelbaseMm);
  if (steering.length > 0 || measured.wheelbaseMm === undefined) {
    row('turningCircle', 'mm', ['wheelbaseMm'], () => [
      Math.max(...steering.map(({ before }) => before)),
      Math.max(...steering.map(({ after }) => after)),
    ]);
  }
  // True kilometres for every hundred counted.
  row('odometer', 'ratio', [], () => [100, 100 * rollingRatio]);
  const error = measured.speedometerErrorShare ?? 0;
  const [least, most] = lawfulDiameterRatios(error);
  return {
    rows,
    speedometer: speedometer(100, rollingRatio, error),
    lawfulDiametersMm: [least * counting.diameterBeforeMm, most * counting.diameterBeforeMm],
    frontRiseMm: front && front.riseMm,
    rearRiseMm: rear && rear.riseMm,
    hasBodyLift: f.bodyLiftMm > 0 || r.bodyLiftMm > 0,
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
  bodyLiftMm: 0,
  forwardMm: 0,
  radiusBeforeMm: other?.radiusBeforeMm ?? 0,
  radiusAfterMm: other?.radiusBeforeMm ?? 0,
  rollingBeforeMm: other?.rollingBeforeMm ?? 1,
  rollingAfterMm: other?.rollingBeforeMm ?? 1,
  diameterBeforeMm: other?.diameterBeforeMm ?? 1,
  widerTrackMm: 0,
});
