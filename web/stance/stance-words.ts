import type { TravelPlace } from '@/core/4-clearance/case/travel-places';
import type { HeightSchool } from '@/core/5-consequences/stance/height-schools';
import type { RoadNumber, RoadWhat } from '@/core/5-consequences/stance/road-report';
import type { LineLeft } from '@/core/5-consequences/stance/stance-report';

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
  centreOfGravityMm: 'height of the center of gravity',
  axleRatio: 'axle ratio',
  gearRatio: 'gear ratio at cruise',
  cruiseKmh: 'cruise at',
  speedometerErrorShare: 'speedometer error',
};
