import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import type { HalfShaftState } from '../driveline/half-shaft';
import type { PropshaftState } from '../driveline/propshaft';
import { TRAVEL_PLACES, type BeforeAndAfter, type ByPlace } from '../../4-clearance/case/travel-places';
import type { DragLinkState } from './drag-link';
import { HEIGHT_SCHOOLS, SCHOOL_ASKS, type HeightSchool } from './height-schools';
import type { AxleAbility, CornerStance } from './stance-report';
import { nearlyInLine, type SwayBarState } from './sway-bar';

/** What a height calls for, with the number that calls for it; computed from the corner, never recited. */
export interface CalledFor {
  readonly corner: CornerKey;
  readonly what:
    | 'longerShock'
    | 'bumpStopOrShorterShock'
    | 'longerHose'
    | 'longerSensorWire'
    | 'longerParkingCable'
    | 'camberCorrection'
    | 'casterCorrection'
    | 'jointCorrection'
    | 'panhardCorrection'
    | 'swayLink'
    | 'dragLink'
    | 'differentialDrop'
    | 'propshaftJoint'
    | 'slipJoint'
    | 'bodyLiftParts'
    | 'alignment';
  /** mm or degrees by which it is called for. */
  readonly by: number;
  /** Travel from which a limit is passed, the one nearest to where it is parked, mm; absent where it is no matter of travel. */
  readonly fromMm?: number | undefined;
}

/** The same with the schools that call for it; `by` is the strictest one's. */
export type CalledForBySchool = CalledFor & { readonly schools: readonly HeightSchool[] };

/** What is known of a corner at its new height; what was not measured is left out. */
export interface CornerFindings {
  readonly stance: CornerStance;
  readonly corner: CornerDescription;
  readonly setup: Setup;
  readonly ability: AxleAbility;
  readonly swayBar?: BeforeAndAfter<SwayBarState> | undefined;
  readonly dragLink?: BeforeAndAfter<DragLinkState> | undefined;
  readonly halfShaft?: BeforeAndAfter<HalfShaftState> | undefined;
  readonly propshaft?: BeforeAndAfter<PropshaftState> | undefined;
  readonly slipJointLeastMm?: number | undefined;
}

/** Everything any school calls for, in the order of the list of kinds above. */
export function calledForBySchool(findings: CornerFindings): CalledForBySchool[] {
  const found = new Map<CalledFor['what'], { call: CalledFor; schools: HeightSchool[] }>();
  for (const school of HEIGHT_SCHOOLS) {
    for (const call of calledFor(findings, school)) {
      const known = found.get(call.what);
      if (known) known.schools.push(school);
      else found.set(call.what, { call, schools: [school] });
    }
  }
  return [...found.values()].map(({ call, schools }) => ({ ...call, schools }));
}

/** What one school calls for. */
export function calledFor(findings: CornerFindings, school: HeightSchool = 'toTheLimit'): CalledFor[] {
  const { stance, corner, setup, ability, swayBar, dragLink, halfShaft, propshaft, slipJointLeastMm } = findings;
  const { key, before, after, shock, lines, adjust } = stance;
  const asks = SCHOOL_ASKS[school];
  const found: CalledFor[] = [];
  const call = (what: CalledFor['what'], by: number, fromMm?: number): void =>
    void found.push({ corner: key, what, by, ...(fromMm === undefined ? {} : { fromMm }) });
  const beyond = (what: CalledFor['what'], value: number | null, most: number | undefined): void => {
    if (value !== null && most !== undefined && value > asks.share * most) call(what, value - asks.share * most);
  };

  if (shock && shock.droopSpareMm < asks.spareMm) call('longerShock', asks.spareMm - shock.droopSpareMm);
  if (shock && shock.bumpSpareMm < asks.spareMm) call('bumpStopOrShorterShock', asks.spareMm - shock.bumpSpareMm);
  for (const { what, leftMm } of lines) {
    if (leftMm >= asks.spareMm) continue;
    call(
      ({ brakeHose: 'longerHose', sensorWire: 'longerSensorWire', parkingCable: 'longerParkingCable' } as const)[what],
      asks.spareMm - leftMm,
    );
  }
  if (adjust) {
    beyond('camberCorrection', Math.abs(adjust.camberDeg), ability.camberByDeg);
    beyond('casterCorrection', adjust.casterDeg && Math.abs(adjust.casterDeg), ability.casterByDeg);
  }
  if (ability.jointMostDeg !== undefined) {
    const most = asks.share * ability.jointMostDeg;
    const passed = swings(stance).filter(({ deg }) => deg > most);
    if (passed.length > 0) {
      const ride = after.limits.ride;
      const first = passed.reduce((a, b) => (Math.abs(b.travelMm - ride) < Math.abs(a.travelMm - ride) ? b : a));
      call('jointCorrection', Math.max(...passed.map(({ deg }) => deg)) - most, first.travelMm);
    }
  }
  if (corner.motion.type === 'beamAxle' && before.ride && after.ride) {
    const wheels = prepareRotor(setup, 'setup').centrePlaneMm - prepareRotor(corner.fitted, 'fitted').centrePlaneMm;
    const shift = after.ride.outboardMm - before.ride.outboardMm - wheels;
    if (Math.abs(shift) > asks.sideShiftMm) call('panhardCorrection', shift);
  }
  if (swayBar) {
    const bad = TRAVEL_PLACES.filter((place) => {
      const state = swayBar.after[place];
      return after[place] !== null && (state === null || nearlyInLine(state));
    });
    const leaned = swayBar.after.ride && swayBar.before.ride;
    const lean = leaned ? swayBar.after.ride.linkLeanDeg - swayBar.before.ride.linkLeanDeg : 0;
    if (bad.length > 0 || lean > asks.linkLeanDeg) call('swayLink', lean);
  }
  if (dragLink?.after.ride && Math.abs(dragLink.after.ride.steeringWheelDeg) > asks.steeringWheelDeg) {
    call('dragLink', dragLink.after.ride.steeringWheelDeg);
  }
  beyond(
    'differentialDrop',
    mostOf(halfShaft?.after, ({ outerDeg, innerDeg }) => Math.max(outerDeg, innerDeg)),
    ability.shaftMostDeg,
  );
  beyond(
    'propshaftJoint',
    mostOf(propshaft?.after, ({ outputJointDeg, pinionJointDeg }) => Math.max(outputJointDeg, pinionJointDeg)),
    ability.shaftMostDeg,
  );
  const pulled = mostOf(propshaft?.after, ({ engagedMm }) => (engagedMm === null ? -Infinity : -engagedMm));
  if (pulled !== null && Number.isFinite(pulled) && slipJointLeastMm !== undefined) {
    const spare = -pulled - slipJointLeastMm;
    if (spare < asks.spareMm) call('slipJoint', asks.spareMm - spare);
  }
  const bodyLiftMm = setup.bodyLiftMm;
  if (bodyLiftMm > 0) call('bodyLiftParts', bodyLiftMm);
  if (adjust && (Math.abs(adjust.camberDeg) > 0.05 || Math.abs(adjust.casterDeg ?? 0) > 0.05)) {
    call('alignment', adjust.camberDeg);
  }
  return found;
}

/** How far the ball joints are swung where the linkage reaches. */
const swings = ({ after }: CornerStance): { readonly travelMm: number; readonly deg: number }[] =>
  after.curve.stands.flatMap(({ travelMm, upperJointDeg, lowerJointDeg }) =>
    [upperJointDeg, lowerJointDeg].flatMap((deg) => (deg === null ? [] : [{ travelMm, deg }])),
  );

function mostOf<State>(places: ByPlace<State> | undefined, of: (state: State) => number): number | null {
  const known = TRAVEL_PLACES.flatMap((place) => {
    const state = places?.[place];
    return state ? [of(state)] : [];
  });
  return known.length > 0 ? Math.max(...known) : null;
}
