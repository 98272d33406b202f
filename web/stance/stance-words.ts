import { LIMITS, type Range } from '@/core/1-base/limits';
import type { TravelPlace } from '@/core/4-clearance/case/travel-places';
import type { HeightSchool } from '@/core/5-consequences/stance/height-schools';
import type { CalledFor } from '@/core/5-consequences/stance/called-for';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import type { RoadNumber, RoadWhat } from '@/core/5-consequences/stance/road-report';
import type { LineLeft } from '@/core/5-consequences/stance/stance-report';
import { formatMm } from '@/core/1-base/units/length';

export const PART_WORDS: Readonly<Record<LiftPart['kind'], string>> = {
  ride: 'Lift or lowering on the spring, as sold',
  coilSpring: 'Other coil springs',
  springSpacer: 'Spacer or preload on a coil',
  collar: 'Threaded collar under a coil',
  torsionBar: 'Torsion bar screwed up or down',
  addedLeaf: 'Leaf added to the pack',
  strutTopSpacer: 'Spacer on top of the strut',
  block: 'Block on a leaf spring',
  shackle: 'Longer shackle',
  drop: 'Sub-frame drop',
  liftSpindle: 'Lift spindle (hub lower on its knuckle)',
  armBracket: 'Arm drop brackets (caster, no lift)',
  body: 'Body lift',
  load: 'Weight put on or taken off',
  bumpStop: 'Longer bump stop',
  longerShock: 'Longer shock',
};

const rate = LIMITS.springRateNPerMm;
const free: Range = { min: 50, max: 1200, unit: 'mm' };

/** A number of a part: where it stands in it, what it is called, and whether it is a length. */
export interface PartField {
  readonly path: readonly [string] | readonly [string, string];
  readonly label: string;
  readonly range: Range;
  readonly isLength: boolean;
}
const mm = (key: string, label: string, range: Range = LIMITS.partMm): PartField => ({
  path: [key],
  label,
  range,
  isLength: true,
});
const number = (path: PartField['path'], label: string, range: Range): PartField => ({
  path,
  label,
  range,
  isLength: false,
});
const ratio = number(['motionRatio'], 'Spring travel over wheel travel', LIMITS.motionRatio);

export const PART_FIELDS: Readonly<Record<LiftPart['kind'], readonly PartField[]>> = {
  ride: [mm('liftMm', 'At the wheel, - lowers')],
  coilSpring: [
    { ...number(['fitted', 'freeLengthMm'], 'Fitted, free length', free), isLength: true },
    number(['fitted', 'rateNPerMm'], 'Fitted, N/mm', rate),
    { ...number(['next', 'freeLengthMm'], 'New, free length', free), isLength: true },
    number(['next', 'rateNPerMm'], 'New, N/mm', rate),
    number(['springLoadN'], 'Load on the spring, N', { min: 0, max: 40_000, unit: 'N' }),
    ratio,
  ],
  springSpacer: [mm('thicknessMm', 'Thickness'), ratio],
  collar: [
    mm('lowestOverSeatMm', 'At its lowest, over the old seat'),
    number(['turns'], 'Turns up from there', LIMITS.turns),
    number(['pitchMm'], 'Thread, mm a turn', LIMITS.threadPitchMm),
    ratio,
  ],
  torsionBar: [
    number(['turns'], 'Turns of the adjuster, - lowers', { ...LIMITS.turns, min: -LIMITS.turns.max }),
    number(['pitchMm'], 'Thread, mm a turn', LIMITS.threadPitchMm),
    mm('keyMm', 'Bar to bolt, on its key', LIMITS.keyMm),
    mm('armMm', 'Lower arm, pivot to wheel', LIMITS.armMm),
  ],
  addedLeaf: [
    mm('archMm', 'Its arch over the loaded pack'),
    number(['packNPerMm'], 'Pack, N/mm', rate),
    number(['leafNPerMm'], 'Leaf, N/mm', rate),
  ],
  strutTopSpacer: [mm('thicknessMm', 'Thickness'), ratio],
  block: [
    mm('thicknessMm', 'Thickness'),
    mm('replacesMm', 'Replaces one of'),
    number(['taperDeg'], 'Taper, + narrow end forward', LIMITS.casterDeg),
    mm('centrePinMm', 'Centre pin, + axle forward', { min: -60, max: 60, unit: 'mm' }),
  ],
  shackle: [
    mm('extraMm', 'Longer by'),
    number(['share'], 'Share that reaches the axle', LIMITS.shackleShare),
    mm('springMm', 'Leaf spring, eye to eye', LIMITS.leafMm),
  ],
  drop: [mm('dropMm', 'Drop')],
  liftSpindle: [mm('dropMm', 'Hub lower by')],
  armBracket: [mm('dropMm', 'Arms lower at the frame by')],
  body: [mm('liftMm', 'Lift')],
  load: [
    number(['weightKg'], 'Weight, kg', { min: -2000, max: 2000, unit: 'kg' }),
    number(['share'], 'Share on this wheel', { min: -1, max: 1.5, unit: 'of it' }),
    number(['rateNPerMm'], 'Spring, N/mm', rate),
    ratio,
  ],
  bumpStop: [mm('lengthMm', 'Longer by'), ratio],
  longerShock: [mm('extraMm', 'Longer by'), ratio],
};

/** What decides which parts go with an axle; `leaf`: where a leaf spring sits to its axle, null: other springs. */
export interface Suspension {
  readonly isBeam: boolean;
  readonly leaf: 'overAxle' | 'underAxle' | null;
}

/** Leaf springs over the axle take blocks and leaves, under it shackles; coils take spacers and collars; torsion bars and struts are independent. */
export function fitsSuspension(kind: LiftPart['kind'], { isBeam, leaf }: Suspension): boolean {
  switch (kind) {
    case 'block':
      return leaf === 'overAxle';
    case 'addedLeaf':
      return leaf !== null;
    case 'shackle':
      return leaf !== null;
    case 'springSpacer':
    case 'coilSpring':
    case 'collar':
      return leaf === null;
    case 'torsionBar':
    case 'strutTopSpacer':
    case 'drop':
    case 'liftSpindle':
      return !isBeam;
    case 'armBracket':
      return isBeam && leaf === null;
    default:
      return true;
  }
}

/** What a corner's stop does under a spacer or a block. */
export interface StopsAnswer {
  readonly strut: 'inStrut' | 'onFrame';
  readonly block: 'axle' | 'springPack';
}

/** A part to begin with; without an answer its stop stays where it is. */
export function blankPart(
  kind: LiftPart['kind'],
  motionRatio = 0.7,
  stops: StopsAnswer = { strut: 'onFrame', block: 'axle' },
): LiftPart {
  switch (kind) {
    case 'ride':
      return { kind, liftMm: 30 };
    case 'coilSpring':
      return {
        kind,
        fitted: { freeLengthMm: 360, rateNPerMm: 60 },
        next: { freeLengthMm: 380, rateNPerMm: 65 },
        springLoadN: 6000,
        motionRatio,
      };
    case 'springSpacer':
      return { kind, thicknessMm: 20, motionRatio };
    case 'strutTopSpacer':
      return { kind, thicknessMm: 20, motionRatio, stops: stops.strut };
    case 'collar':
      return { kind, lowestOverSeatMm: 5, turns: 0, pitchMm: 2, motionRatio };
    case 'torsionBar':
      return { kind, turns: 5, pitchMm: 1.5, keyMm: 45, armMm: 380 };
    case 'addedLeaf':
      return { kind, packNPerMm: 40, leafNPerMm: 12, archMm: 60 };
    case 'block':
      return {
        kind,
        thicknessMm: 50,
        replacesMm: 0,
        stopBearsOn: stops.block,
        droopSetBy: 'spring',
        taperDeg: 0,
        centrePinMm: 0,
      };
    case 'shackle':
      return { kind, extraMm: 50, share: 0.5, springMm: 1300, sits: 'behind' };
    case 'drop':
    case 'liftSpindle':
    case 'armBracket':
      return { kind, dropMm: 50 };
    case 'body':
      return { kind, liftMm: 50 };
    case 'load':
      return { kind, weightKg: 50, share: 0.5, rateNPerMm: 60, motionRatio };
    case 'bumpStop':
      return { kind, lengthMm: 20, motionRatio: 1 };
    case 'longerShock':
      return { kind, extraMm: 30, motionRatio: 1 };
  }
}

export const PLACE_WORDS: Readonly<Record<TravelPlace, string>> = {
  droop: 'Full droop',
  ride: 'Parked',
  bump: 'Full bump',
};

export const LINE_WORDS: Readonly<Record<LineLeft['what'], string>> = {
  brakeHose: 'Brake hose',
  sensorWire: 'Sensor wire',
  parkingCable: 'Parking cable',
};

/** What a height calls for, with the number that does. */
export function calledForWords({ what, by, fromMm }: CalledFor): string {
  const mmWords = `${formatMm(Math.abs(by))} mm`;
  const degrees = `${Math.abs(by).toFixed(1)}°`;
  switch (what) {
    case 'longerShock':
      return `Longer shocks: these lack ${mmWords} of what the hanging wheel wants; they would stop the droop.`;
    case 'bumpStopOrShorterShock':
      return `A bump stop or shorter shocks: these lack ${mmWords} of stroke before the stop.`;
    case 'longerHose':
      return `Longer or moved brake hoses: ${mmWords} lacking at full droop. Never strain one.`;
    case 'longerSensorWire':
      return `More slack in the sensor wire: ${mmWords} lacking at full droop.`;
    case 'longerParkingCable':
      return `More length in the parking cable: ${mmWords} lacking at full droop.`;
    case 'camberCorrection':
      return `Camber correction (arms or cam bolts): ${degrees} more than what the adjusters may take back.`;
    case 'casterCorrection':
      return `Caster correction (arms, wedges or brackets): ${degrees} more than what the adjusters may take back.`;
    case 'jointCorrection':
      return `Arms or brackets that spare the ball joints: ${degrees} beyond what is wanted of them${fromMm === undefined ? '' : `, from ${formatMm(Math.abs(fromMm), 0)} mm ${fromMm > 0 ? 'up' : 'down'} on`}.`;
    case 'panhardCorrection':
      return `An adjustable track bar or its drop bracket: the axle stands ${mmWords} to the side, and the steering wheel off centre.`;
    case 'swayLink':
      return 'Longer or moved sway-bar links: arm and link come near to lying in line, or lean further than wanted.';
    case 'dragLink':
      return `A drag link set anew or a dropped steering arm: driven straight, the steering wheel stands ${degrees} to the ${by > 0 ? 'left' : 'right'}.`;
    case 'differentialDrop':
      return `A differential drop or less height: the half shafts work ${degrees} beyond what is wanted of their joints.`;
    case 'propshaftJoint':
      return `A high-angle propshaft joint, or the pinion turned: ${degrees} beyond what is wanted of its joints.`;
    case 'slipJoint':
      return `A longer propshaft or a spacer on it: the slip joint lacks ${mmWords} of what is to stay engaged.`;
    case 'bodyLiftParts':
      return 'With the body lift: a steering-shaft extension, bumpers moved, wiring and hoses rerouted.';
    case 'alignment':
      return `An alignment: camber changes by ${degrees} at ride height.`;
  }
}

export const SCHOOL_WORDS: Readonly<Record<HeightSchool, string>> = {
  keepReserve: 'keep a reserve',
  toTheLimit: 'to the limit',
  correctedParts: 'corrected parts',
};

export const ROAD_WORDS: Readonly<Record<RoadWhat, string>> = {
  loadedRadiusFront: 'Loaded radius, front',
  loadedRadiusRear: 'Loaded radius, rear',
  approach: 'Approach angle',
  departure: 'Departure angle',
  breakover: 'Breakover angle',
  bellyClearance: 'Clearance between the axles',
  axleClearance: 'Clearance under the rear axle',
  stabilityFactor: 'Static stability factor',
  tiltAngle: 'Tilt angle, rigid',
  engineSpeed: 'Engine speed at cruise',
  effectiveAxleRatio: 'Axle ratio as it feels',
  restoringAxleRatio: 'Axle ratio that restores it',
  headlampAim: 'Headlamp aim, + up',
  turningCircle: 'Turning circle, outer wheel',
  odometer: 'True distance for 100 counted',
};

export const ROAD_FIELD_WORDS: Readonly<Record<RoadNumber, string>> = {
  wheelbaseMm: 'wheelbase (in the baseline)',
  trackFrontMm: 'front track (in the baseline)',
  trackRearMm: 'rear track (in the baseline)',
  frontReachMm: 'lowest place ahead of the front hub',
  frontHeightMm: 'its height over the ground',
  rearReachMm: 'lowest place behind the rear hub',
  rearHeightMm: 'its height',
  bellyBehindMm: 'lowest place behind the front hub',
  bellyHeightMm: 'height of the lowest place between the axles',
  axleClearanceMm: 'lowest place of the rear axle',
  centreOfGravityMm: 'height of the centre of gravity',
  axleRatio: 'axle ratio',
  gearRatio: 'gear ratio at cruise',
  cruiseKmh: 'cruise at',
  speedometerErrorShare: 'speedometer error',
};
