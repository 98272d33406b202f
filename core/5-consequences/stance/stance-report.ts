import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedSetup, type Setup, hubDropOf } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner } from '../../4-clearance/case/described-corner';
import { travelLimits, type TravelLimits } from '../../4-clearance/envelope/envelope';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { attempt } from '../../1-base/problem';
import { standingRadiusMm } from '../../2-vehicle/setup/loaded-radius';
import {
  alignmentCurve,
  wheelStandAt,
  type AlignmentCurve,
  type StandingTire,
  type WheelStand,
} from './alignment-curve';
import { expectedHeights, type ExpectedHeights, type HeightBands } from './expected-height';
import { shockTravel, type ShockTravel } from './spring-line';

/** What was measured below a corner; each may be missing, and then what depends on it is not answered. mm. */
export interface CornerUnderside {
  readonly shockOpenMm?: number | undefined;
  readonly shockClosedMm?: number | undefined;
  readonly shockNowMm?: number | undefined;
  /** Spare lengths with the wheel hanging at full droop. */
  readonly brakeHoseSpareMm?: number | undefined;
  readonly sensorWireSpareMm?: number | undefined;
  readonly parkingCableSpareMm?: number | undefined;
}

/** What an axle's adjusters and joints can do; shock travel over wheel travel. */
export interface AxleAbility {
  readonly camberByDeg?: number | undefined;
  readonly casterByDeg?: number | undefined;
  /** Swing of the ball joints from how they stand today that their maker allows, degrees; the upper one's own where it differs. */
  readonly jointMostDeg?: number | undefined;
  readonly upperJointMostDeg?: number | undefined;
  /** Turn of the arms at the frame that their bushings stand, from how they stand today, degrees. */
  readonly armMostDeg?: number | undefined;
  /** Working angle that the joints of half shafts or driveshaft stand, degrees. */
  readonly shaftMostDeg?: number | undefined;
  readonly shockRatio?: number | undefined;
}

/** One state of a corner: as surveyed on what is fitted, or with the setup. */
export interface CornerState {
  readonly limits: TravelLimits;
  readonly curve: AlignmentCurve;
  readonly droop: WheelStand | null;
  readonly ride: WheelStand | null;
  readonly bump: WheelStand | null;
}

/** What a hose, wire or cable has left at full droop; mm. */
export interface LineLeft {
  readonly what: 'brakeHose' | 'sensorWire' | 'parkingCable';
  /** As it was measured, before the setup. */
  readonly beforeMm: number;
  readonly leftMm: number;
}

export interface CornerStance {
  readonly key: CornerKey;
  readonly heights: ExpectedHeights;
  readonly before: CornerState;
  readonly after: CornerState;
  /** As fitted, and with the setup; null: not measured. */
  readonly shockBefore: ShockTravel | null;
  readonly shock: ShockTravel | null;
  readonly lines: readonly LineLeft[];
  /** What the adjusters have to take back at the new height, and whether they can; null where their reach is not entered. */
  readonly adjust: {
    readonly camberDeg: number;
    readonly casterDeg: number | null;
    readonly canCamber: boolean | null;
    readonly canCaster: boolean | null;
    /** Lift up and down at which they no longer can, mm; null: within 200 mm they always can, or nothing is entered. */
    readonly upToMm: number | null;
    readonly downToMm: number | null;
  } | null;
}

/**
 * What a setup does to one corner's linkage. @throws ProblemError for a setup that does not go together or a height beyond the
 * stops; where only part of the travel is out of reach, that part is left out and named.
 */
export function cornerStance(
  description: CaseDescription,
  key: CornerKey,
  underside: CornerUnderside = {},
  ability: AxleAbility = {},
  bands?: HeightBands,
): CornerStance {
  const corner = describedCorner(description, key);
  const before = stateOf(key, corner, fittedSetup(corner.fitted));
  // What the parts do to the linkage, before an alignment takes any of it back.
  const setup: Setup = { ...setupForCorner(description, key), alignment: 'asStands' };
  const after = stateOf(key, corner, setup);
  return {
    key,
    heights: expectedHeights(description, key, bands),
    before,
    after,
    shockBefore: shockOf(underside, ability, before.limits, fittedSetup(corner.fitted)),
    shock: shockOf(underside, ability, after.limits, setup),
    lines: linesLeft(underside, corner, setup, after.limits),
    adjust: adjustOf(key, corner, before, after, ability),
  };
}

function stateOf(key: CornerKey, corner: CornerDescription, setup: Setup): CornerState {
  const limits = travelLimits(corner, setup);
  const motion = motionUnder(key, corner, setup);
  const rotor = prepareRotor(setup, 'setup');
  const tire: StandingTire = {
    centrePlaneMm: rotor.centrePlaneMm,
    loadedRadiusMm: standingRadiusMm(corner, rotor.section),
  };
  const stand = (travel: number): WheelStand | null => {
    const found = attempt(() => wheelStandAt(motion, travel, tire));
    return found.ok ? found.value : null;
  };
  return {
    limits,
    curve: alignmentCurve(motion, limits.droop, limits.bump, tire),
    droop: stand(limits.droop),
    ride: stand(limits.ride),
    bump: stand(limits.bump),
  };
}

function shockOf(
  { shockOpenMm, shockClosedMm, shockNowMm }: CornerUnderside,
  { shockRatio }: AxleAbility,
  limits: TravelLimits,
  setup: Setup,
): ShockTravel | null {
  if (shockOpenMm === undefined || shockClosedMm === undefined || shockNowMm === undefined) return null;
  if (shockRatio === undefined) return null;
  // A spacer on the strut brings its upper end down with it.
  const nowMm = shockNowMm - setup.strutTopDropMm;
  const [openMm, closedMm] = shockUnder(setup, shockOpenMm, shockClosedMm);
  return shockTravel({ openMm, closedMm, nowMm, ratio: shockRatio }, limits);
}

/** Lengths of the shock that is on with a setup, mm: a strut or coil-over has its own, a longer shock is so much longer. */
const shockUnder = (
  { countedParts }: Setup,
  openMm: number,
  closedMm: number,
): readonly [open: number, closed: number] =>
  countedParts.reduce<readonly [number, number]>(
    ([open, closed], part) =>
      part.kind === 'coilOver'
        ? [part.openMm, part.closedMm]
        : part.kind === 'longerShock'
          ? [open + part.extraMm, closed + (part.closedExtraMm ?? 0)]
          : [open, closed],
    [openMm, closedMm],
  );

/** Lines were measured hanging at the surveyed droop; what the wheel hangs lower takes from them. */
function linesLeft(
  underside: CornerUnderside,
  { travel }: CornerDescription,
  setup: Setup,
  limits: TravelLimits,
): LineLeft[] {
  const lowerMm = -travel.droopMm - limits.droop + hubDropOf(setup);
  const lines = [
    ['brakeHose', underside.brakeHoseSpareMm],
    ['sensorWire', underside.sensorWireSpareMm],
    ['parkingCable', underside.parkingCableSpareMm],
  ] as const;
  return lines.flatMap(([what, spareMm]) =>
    spareMm === undefined ? [] : [{ what, beforeMm: spareMm, leftMm: spareMm - lowerMm }],
  );
}

const MOST_LIFT_MM = 200;
const LIFT_STEP_MM = 2;

function adjustOf(
  key: CornerKey,
  corner: CornerDescription,
  before: CornerState,
  after: CornerState,
  { camberByDeg, casterByDeg }: AxleAbility,
): CornerStance['adjust'] {
  if (!before.ride || !after.ride) return null;
  const { ride } = before;
  const casterOf = (stand: WheelStand): number | null =>
    stand.casterDeg === null || ride.casterDeg === null ? null : stand.casterDeg - ride.casterDeg;
  const can = (change: number | null, by: number | undefined): boolean | null =>
    change === null || by === undefined ? null : Math.abs(change) <= by;
  const motion = motionUnder(key, corner, fittedSetup(corner.fitted));
  const tire = { centrePlaneMm: 0, loadedRadiusMm: 1 };
  /** The first lift in a direction at which an adjuster is at its end. */
  const reach = (direction: 1 | -1): number | null => {
    if (camberByDeg === undefined && casterByDeg === undefined) return null;
    for (let lift = LIFT_STEP_MM; lift <= MOST_LIFT_MM; lift += LIFT_STEP_MM) {
      const stand = attempt(() => wheelStandAt(motion, -direction * lift, tire));
      if (!stand.ok) return null;
      const camber = stand.value.camberDeg - ride.camberDeg;
      if (can(camber, camberByDeg) === false || can(casterOf(stand.value), casterByDeg) === false) return lift;
    }
    return null;
  };
  const camberDeg = after.ride.camberDeg - ride.camberDeg;
  const casterDeg = casterOf(after.ride);
  return {
    camberDeg,
    casterDeg,
    canCamber: can(camberDeg, camberByDeg),
    canCaster: can(casterDeg, casterByDeg),
    upToMm: reach(1),
    downToMm: reach(-1),
  };
}
