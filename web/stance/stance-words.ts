import type { TravelPlace } from '@/core/4-clearance/case/travel-places';
import type { HeightSchool } from '@/core/5-consequences/stance/height-schools';
import type { CalledFor } from '@/core/5-consequences/stance/called-for';
import type { RoadNumber, RoadWhat } from '@/core/5-consequences/stance/road-report';
import type { LineLeft } from '@/core/5-consequences/stance/stance-report';
import { formatMm } from '@/core/1-base/units/length';

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
