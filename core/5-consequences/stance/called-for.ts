import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { axleOf } from '../../2-vehicle/setup/corner-key';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { TRAVEL_PLACES, type BeforeAndAfter, type ByPlace } from '../../4-clearance/case/travel-places';
import type { CornerFindings } from './findings';
import { HEIGHT_SCHOOLS, SCHOOL_ASKS, type HeightSchool, type SchoolAsks } from './height-schools';
import { jointLimits, jointsPast } from './joint-limits';
import { nearlyInLine, type SwayBarState } from './sway-bar';

/** What a height can call for, in the order in which it is listed. */
export type Called =
  | 'droopTravel'
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
  | 'driveshaftJoint'
  | 'slipJoint'
  | 'bodyLiftParts'
  | 'alignment';

/** What a height calls for, with the number that calls for it; computed from the corner, never recited. */
export interface CalledFor {
  readonly corner: CornerKey;
  readonly what: Called;
  /** mm or degrees that the change adds to what is wanted. */
  readonly by: number;
  /** As much was wanting before the change, mm or degrees; absent: nothing. */
  readonly already?: number | undefined;
  /** Travel from which a limit is passed, the one nearest to where it is parked, mm; absent where it is no matter of travel. */
  readonly fromMm?: number | undefined;
  /** Of an alignment: the change of caster, degrees. */
  readonly casterDeg?: number | undefined;
}

/** The same with the schools that call for it; `by` is the strictest one's. */
export type CalledForBySchool = CalledFor & { readonly schools: readonly HeightSchool[] };

/** What nobody measured, so that a question has no answer. */
export type NotMeasured =
  | 'shockLengths'
  | 'shockRatio'
  | 'brakeHose'
  | 'sensorWire'
  | 'parkingCable'
  | 'camberReach'
  | 'casterReach'
  | 'jointLimits'
  | 'panhard'
  | 'swayBar'
  | 'dragLink'
  | 'halfShafts'
  | 'driveshaft'
  | 'shaftLimit'
  | 'slipJoint';

export interface NotAnswered {
  readonly corner: CornerKey;
  readonly what: Called;
  readonly missing: readonly NotMeasured[];
}

/** One question of a height: how much is wanting before and after the change (below 0: to spare), or what has to be measured for it. */
type Question = { readonly what: Called } & (
  | {
      readonly before: number;
      readonly after: number;
      readonly more?: Pick<CalledFor, 'fromMm' | 'casterDeg'> | undefined;
    }
  | { readonly missing: readonly NotMeasured[] }
);

/** mm or degrees that a tape or an angle finder cannot tell from nothing. */
const SAME = 0.05;

/** Everything any school calls for, in the order of the list of kinds above. */
export function calledForBySchool(findings: CornerFindings): CalledForBySchool[] {
  const found = new Map<Called, { call: CalledFor; schools: HeightSchool[] }>();
  for (const school of HEIGHT_SCHOOLS) {
    for (const call of calledFor(findings, school)) {
      const known = found.get(call.what);
      if (!known) found.set(call.what, { call, schools: [school] });
      else {
        known.schools.push(school);
        if (Math.abs(call.by) > Math.abs(known.call.by)) known.call = call;
      }
    }
  }
  return [...found.values()].map(({ call, schools }) => ({ ...call, schools }));
}

/** What one school calls for: only what the change adds to what was wanting before it. */
export const calledFor = (findings: CornerFindings, school: HeightSchool = 'toTheLimit'): CalledFor[] =>
  questionsOf(findings, SCHOOL_ASKS[school]).flatMap((question): CalledFor[] => {
    if ('missing' in question) return [];
    const { what, before, after, more } = question;
    const already = Math.max(0, before);
    const by = after - already;
    if (!(by > SAME)) return [];
    const signed = what in SIGNED ? Math.sign(SIGNED[what]!(findings)) * by : by;
    return [{ corner: findings.stance.key, what, by: signed, ...(already > SAME ? { already } : {}), ...more }];
  });

/** Questions without an answer, by what was not measured. */
export const notAnswered = (findings: CornerFindings): NotAnswered[] =>
  questionsOf(findings, SCHOOL_ASKS.toTheLimit).flatMap((question) =>
    'missing' in question ? [{ corner: findings.stance.key, what: question.what, missing: question.missing }] : [],
  );

/** To which side, for those that have one. */
const SIGNED: Readonly<Partial<Record<Called, (findings: CornerFindings) => number>>> = {
  panhardCorrection: (findings) => sideShiftMm(findings),
  dragLink: ({ dragLink }) => dragLink?.after.ride?.steeringWheelDeg ?? 0,
};

function questionsOf(findings: CornerFindings, asks: SchoolAsks): Question[] {
  const isBeam = findings.corner.motion.type === 'beamAxle';
  return [
    droopTravel(findings, asks),
    ...shocks(findings, asks),
    ...lines(findings, asks),
    ...adjusters(findings, asks),
    ...joints(findings, asks),
    ...(isBeam ? panhard(findings, asks) : []),
    swayLink(findings, asks),
    ...(isBeam && findings.corner.steering ? [dragLink(findings, asks)] : []),
    ...(isBeam ? driveshaft(findings, asks) : [halfShafts(findings, asks)]),
    { what: 'bodyLiftParts', before: 0, after: findings.setup.bodyLiftMm },
    alignment(findings),
  ];
}

/** Parked, the wheel has so much left to droop: what a lift on the spring takes from it. */
function droopTravel({ stance: { before, after } }: CornerFindings, { droopLeftMm }: SchoolAsks): Question {
  const lacks = ({ limits }: typeof before): number => droopLeftMm - (limits.ride - limits.droop);
  return { what: 'droopTravel', before: lacks(before), after: lacks(after) };
}

function shocks({ stance, underside, ability }: CornerFindings, { spareMm }: SchoolAsks): Question[] {
  const { shockBefore, shock } = stance;
  if (!shockBefore || !shock) {
    const lengths = [underside.shockNowMm, underside.shockOpenMm, underside.shockClosedMm];
    const missing: NotMeasured[] = [
      ...(lengths.includes(undefined) ? (['shockLengths'] as const) : []),
      ...(ability.shockRatio === undefined ? (['shockRatio'] as const) : []),
    ];
    return [{ what: 'longerShock', missing }];
  }
  return [
    { what: 'longerShock', before: spareMm - shockBefore.droopSpareMm, after: spareMm - shock.droopSpareMm },
    { what: 'bumpStopOrShorterShock', before: spareMm - shockBefore.bumpSpareMm, after: spareMm - shock.bumpSpareMm },
  ];
}

const LINES = { brakeHose: 'longerHose', sensorWire: 'longerSensorWire', parkingCable: 'longerParkingCable' } as const;

function lines({ stance }: CornerFindings, { spareMm }: SchoolAsks): Question[] {
  const asked = ['brakeHose', 'sensorWire', ...(axleOf(stance.key) === 'rear' ? ['parkingCable'] : [])] as const;
  return (asked as readonly (keyof typeof LINES)[]).map((line) => {
    const found = stance.lines.find(({ what }) => what === line);
    const what = LINES[line];
    return found
      ? { what, before: spareMm - found.beforeMm, after: spareMm - found.leftMm }
      : { what, missing: [line] };
  });
}

function adjusters({ stance, ability }: CornerFindings, { share }: SchoolAsks): Question[] {
  const { adjust } = stance;
  if (!adjust) return [];
  const beyond = (what: Called, change: number, most: number | undefined, missing: NotMeasured): Question =>
    most === undefined ? { what, missing: [missing] } : { what, before: 0, after: Math.abs(change) - share * most };
  return [
    beyond('camberCorrection', adjust.camberDeg, ability.camberByDeg, 'camberReach'),
    ...(adjust.casterDeg === null
      ? []
      : [beyond('casterCorrection', adjust.casterDeg, ability.casterByDeg, 'casterReach')]),
  ];
}

function joints({ stance, setup, ability }: CornerFindings, { share }: SchoolAsks): Question[] {
  const hasJoints = stance.after.curve.stands.some(
    ({ lowerJointDeg, lowerArmDeg }) => (lowerJointDeg ?? lowerArmDeg) !== null,
  );
  if (!hasJoints) return [];
  const what = 'jointCorrection';
  const before = jointsPast(stance.before, jointLimits(ability), share);
  const after = jointsPast(stance.after, jointLimits(ability, setup), share);
  if (!before || !after) return [{ what, missing: ['jointLimits'] }];
  return [{ what, before: before.pastDeg, after: after.pastDeg, more: { fromMm: after.fromMm } }];
}

/** How far the setup moves a beam axle to the side, beside what its wheels do, mm. */
function sideShiftMm({ stance, corner, setup }: CornerFindings): number {
  const { before, after } = stance;
  if (!before.ride || !after.ride) return 0;
  const wheels = prepareRotor(setup, 'setup').centrePlaneMm - prepareRotor(corner.fitted, 'fitted').centrePlaneMm;
  return after.ride.outboardMm - before.ride.outboardMm - wheels;
}

function panhard(findings: CornerFindings, asks: SchoolAsks): Question[] {
  const { motion } = findings.corner;
  if (motion.type !== 'beamAxle' || motion.leaf) return [];
  const what = 'panhardCorrection';
  if (!motion.points?.panhardFrame) return [{ what, missing: ['panhard'] }];
  return [{ what, before: 0, after: pastThreshold(sideShiftMm(findings), asks.sideShiftMm) }];
}

/** All of a change that passes what is let be; nothing of one that does not. */
const pastThreshold = (change: number, most: number): number => (Math.abs(change) > most ? Math.abs(change) : 0);

function swayLink({ stance, swayBar }: CornerFindings, { linkLeanDeg }: SchoolAsks): Question {
  const what = 'swayLink';
  if (!swayBar) return { what, missing: ['swayBar'] };
  const bad = (places: ByPlace<SwayBarState>, state: typeof stance.before): boolean =>
    TRAVEL_PLACES.some((place) => state[place] !== null && (!places[place] || nearlyInLine(places[place])));
  const { before, after } = swayBar;
  const lean = after.ride && before.ride ? after.ride.linkLeanDeg - before.ride.linkLeanDeg : 0;
  if (bad(after, stance.after) && !bad(before, stance.before)) return { what, before: 0, after: Math.max(lean, 1) };
  return { what, before: 0, after: lean > linkLeanDeg ? lean : 0 };
}

function dragLink({ dragLink }: CornerFindings, { steeringWheelDeg }: SchoolAsks): Question {
  const what = 'dragLink';
  if (!dragLink?.after.ride) return { what, missing: ['dragLink'] };
  return { what, before: 0, after: pastThreshold(dragLink.after.ride.steeringWheelDeg, steeringWheelDeg) };
}

function halfShafts({ halfShaft, ability }: CornerFindings, { share }: SchoolAsks): Question {
  const worst = both(halfShaft, ({ outerDeg, innerDeg }) => Math.max(outerDeg, innerDeg));
  return shaftJoints('differentialDrop', worst, 'halfShafts', ability.shaftMostDeg, share);
}

function driveshaft({ driveshaft, ability, slipJointLeastMm }: CornerFindings, asks: SchoolAsks): Question[] {
  const worst = both(driveshaft, ({ outputJointDeg, pinionJointDeg }) => Math.max(outputJointDeg, pinionJointDeg));
  const jointsAsked = shaftJoints('driveshaftJoint', worst, 'driveshaft', ability.shaftMostDeg, asks.share);
  const pulled = both(driveshaft, ({ engagedMm }) => (engagedMm === null ? NaN : -engagedMm));
  const known = pulled && slipJointLeastMm !== undefined && Number.isFinite(pulled.after);
  if (!known) return [jointsAsked, { what: 'slipJoint', missing: [driveshaft ? 'slipJoint' : 'driveshaft'] }];
  const lacks = (negative: number): number => asks.spareMm + slipJointLeastMm + negative;
  return [jointsAsked, { what: 'slipJoint', before: lacks(pulled.before), after: lacks(pulled.after) }];
}

function shaftJoints(
  what: Called,
  worst: { readonly before: number; readonly after: number } | null,
  shaft: NotMeasured,
  most: number | undefined,
  share: number,
): Question {
  if (!worst || most === undefined)
    return { what, missing: [...(worst ? [] : [shaft]), ...(most === undefined ? (['shaftLimit'] as const) : [])] };
  return { what, before: worst.before - share * most, after: worst.after - share * most };
}

function alignment({ stance: { adjust } }: CornerFindings): Question {
  const [camber, caster] = [adjust?.camberDeg ?? 0, adjust?.casterDeg ?? 0];
  return {
    what: 'alignment',
    before: 0,
    after: Math.abs(camber) > SAME || Math.abs(caster) > SAME ? Math.max(Math.abs(camber), SAME * 1.01) : 0,
    more: { casterDeg: caster },
  };
}

/** The most of a number over the places, before and after; null: not known at any. */
function both<State>(
  places: BeforeAndAfter<State> | undefined,
  of: (state: State) => number,
): { readonly before: number; readonly after: number } | null {
  if (!places) return null;
  const most = (side: ByPlace<State>): number =>
    Math.max(...TRAVEL_PLACES.flatMap((place) => (side[place] ? [of(side[place])] : [])));
  const [before, after] = [most(places.before), most(places.after)];
  return before === -Infinity || after === -Infinity ? null : { before, after };
}
