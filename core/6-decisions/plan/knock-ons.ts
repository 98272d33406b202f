import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { type CornerKey, axleOf, type Axle, AXLES } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import { describedCorner, describedCorners } from '../../4-clearance/case/described-corner';
import { travelLimits } from '../../4-clearance/envelope/envelope';
import type { Evaluation } from '../../4-clearance/verdict/evaluate';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { STANDARDS } from '../../4-clearance/case/standard';
import { attempt } from '../../1-base/problem';
import { frontCircleMm, outerLockDeg, outerTurn } from '../../5-consequences/stance/front-circle';
import { scrubRadiusMm } from '../../5-consequences/stance/scrub-radius';
import { searchToleranceMm } from '../../1-base/tolerances';
import { type VehicleChanges } from './setup-changes';

/** What is known of the whole vehicle. Lengths mm. */
export interface VehicleFacts {
  readonly wheelbaseMm?: number | undefined;
  /** Slip joint of the driveshaft engaged now, and the least its maker wants. */
  readonly slipJointEngagedMm?: number | undefined;
  readonly slipJointLeastMm?: number | undefined;
}

interface BeforeAndAfter {
  readonly beforeMm: number;
  readonly afterMm: number;
}

/** Something that a plan's changes do beside what they are made for. */
export type KnockOn =
  /** Another thing comes nearer, to where it is close or rubs; margins. */
  | ({ readonly kind: 'nearer'; readonly corner: CornerKey; readonly label: string } & BeforeAndAfter)
  /** Two parts of the vehicle come nearer each other than wanted; gaps. */
  | ({
      readonly kind: 'partsNearer';
      readonly corner: CornerKey;
      readonly a: string;
      readonly b: string;
    } & BeforeAndAfter)
  /** Circle of the outer front wheel; null: no wheelbase is known. */
  | {
      readonly kind: 'turningCircle';
      readonly turn: 'left' | 'right';
      readonly lessLockDeg: number;
      readonly circle: BeforeAndAfter | null;
    }
  /** From the parked height to the stop. */
  | ({ readonly kind: 'bumpTravel'; readonly corner: CornerKey } & BeforeAndAfter)
  /** Body-mounted things went up; these stay where they were and still rub or are close. */
  | { readonly kind: 'bodyLift'; readonly liftMm: number; readonly stay: readonly string[] }
  | {
      readonly kind: 'axleMoved';
      readonly axle: Axle;
      readonly forwardMm: number;
      /** null: not measured. */
      readonly slipJoint: { readonly leftMm: number; readonly leastMm: number | null } | null;
    }
  | { readonly kind: 'track'; readonly axle: Axle; readonly widerMm: number }
  | ({ readonly kind: 'scrubRadius'; readonly corner: CornerKey } & BeforeAndAfter);

/** mm below which a length is the same. */
const SAME_MM = 0.05;

/** Both descriptions are of one vehicle, before and after `changes`. */
export function knockOns(
  before: CaseDescription,
  after: CaseDescription,
  changes: VehicleChanges,
  evaluations: { readonly before: Evaluation; readonly after: Evaluation },
  vehicle: VehicleFacts,
): KnockOn[] {
  const corners = describedCorners(before).map((key) => ({
    key,
    corner: describedCorner(before, key),
    was: setupForCorner(before, key),
    is: setupForCorner(after, key),
  }));
  return [
    ...nearer(before, evaluations),
    ...partsNearer(evaluations),
    ...corners.flatMap((at) => [
      ...turningCircle(at, vehicle, changes[axleOf(at.key)].axleMoveMm),
      ...bumpTravel(at),
      ...scrubRadius(at),
    ]),
    ...bodyLift(changes.bodyLiftMm, evaluations.after),
    ...AXLES.flatMap((axle) => axleMoved(axle, changes[axle].axleMoveMm, vehicle)),
    ...AXLES.flatMap((axle) => track(axle, corners.filter(({ key }) => axleOf(key) === axle)[0])),
  ];
}

interface ChangedCorner {
  readonly key: CornerKey;
  readonly corner: CornerDescription;
  readonly was: Setup;
  readonly is: Setup;
}

function nearer(
  { standard }: CaseDescription,
  { before, after }: { before: Evaluation; after: Evaluation },
): KnockOn[] {
  return after.obstacles.flatMap(({ corner, id, label, marginMm }): KnockOn[] => {
    const was = before.obstacles.find((o) => o.corner === corner && o.id === id);
    const lost = (was?.marginMm ?? marginMm) - marginMm;
    if (!was || marginMm >= STANDARDS[standard].closeMm || lost < 1.5 * searchToleranceMm(marginMm)) return [];
    return [{ kind: 'nearer', corner, label, beforeMm: was.marginMm, afterMm: marginMm }];
  });
}

function partsNearer({ before, after }: { before: Evaluation; after: Evaluation }): KnockOn[] {
  return after.pairs.flatMap(({ corner, a, b, gapMm, requiredMm }): KnockOn[] => {
    const was = before.pairs.find((pair) => pair.corner === corner && pair.a === a && pair.b === b);
    if (!was || gapMm >= requiredMm || gapMm > was.gapMm - SAME_MM) return [];
    return [{ kind: 'partsNearer', corner, a, b, beforeMm: was.gapMm, afterMm: gapMm }];
  });
}

function turningCircle(
  { key, corner, was, is }: ChangedCorner,
  { wheelbaseMm }: VehicleFacts,
  axleForwardMm: number,
): KnockOn[] {
  const [lockBefore, lockAfter] = [outerLockDeg(key, corner, was), outerLockDeg(key, corner, is)];
  if (lockBefore === null || lockAfter === null) return [];
  const lessLockDeg = lockBefore - lockAfter;
  if (Math.abs(lessLockDeg) < 1e-6 && axleForwardMm === 0) return [];
  const circleOf = (setup: Setup, wheelbase: number): number => frontCircleMm(key, corner, setup, wheelbase) ?? NaN;
  const circle =
    wheelbaseMm === undefined
      ? null
      : attempt(() => ({
          beforeMm: circleOf(was, wheelbaseMm),
          afterMm: circleOf(is, wheelbaseMm + axleForwardMm),
        }));
  return [{ kind: 'turningCircle', turn: outerTurn(key), lessLockDeg, circle: circle?.ok ? circle.value : null }];
}

/** Travel from the parked height to full squash, mm. */
function bumpLeftMm(corner: CornerDescription, setup: Setup): number {
  const { bump, ride } = travelLimits(corner, setup);
  return bump - ride;
}

function bumpTravel({ key, corner, was, is }: ChangedCorner): KnockOn[] {
  const [beforeMm, afterMm] = [bumpLeftMm(corner, was), bumpLeftMm(corner, is)];
  return afterMm < beforeMm - SAME_MM ? [{ kind: 'bumpTravel', corner: key, beforeMm, afterMm }] : [];
}

function scrubRadius({ key, corner, was, is }: ChangedCorner): KnockOn[] {
  const both = attempt(() => ({ beforeMm: scrubRadiusMm(key, corner, was), afterMm: scrubRadiusMm(key, corner, is) }));
  if (!both.ok) return [];
  const { beforeMm, afterMm } = both.value;
  if (beforeMm === null || afterMm === null || Math.abs(afterMm - beforeMm) < SAME_MM) return [];
  return [{ kind: 'scrubRadius', corner: key, beforeMm, afterMm }];
}

function bodyLift(liftMm: number, { obstacles }: Evaluation): KnockOn[] {
  if (liftMm === 0) return [];
  const stay = obstacles.filter(({ mount, verdict }) => mount !== 'body' && verdict !== 'clear');
  return [{ kind: 'bodyLift', liftMm, stay: [...new Set(stay.map(({ label }) => label))] }];
}

/** A front axle moved forward pulls the slip joint apart, a rear one pushes it together. */
function axleMoved(axle: Axle, forwardMm: number, { slipJointEngagedMm, slipJointLeastMm }: VehicleFacts): KnockOn[] {
  if (forwardMm === 0) return [];
  const apartMm = axle === 'front' ? forwardMm : -forwardMm;
  const slipJoint =
    slipJointEngagedMm === undefined
      ? null
      : { leftMm: slipJointEngagedMm - apartMm, leastMm: slipJointLeastMm ?? null };
  return [{ kind: 'axleMoved', axle, forwardMm, slipJoint }];
}

/** Between the tires' middles, both sides changed alike. */
function track(axle: Axle, at: ChangedCorner | undefined): KnockOn[] {
  const planes = at && attempt(() => [at.was, at.is].map((setup) => prepareRotor(setup, 'setup').centrePlaneMm));
  if (!planes?.ok) return [];
  const widerMm = 2 * (planes.value[1]! - planes.value[0]!);
  return Math.abs(widerMm) < SAME_MM ? [] : [{ kind: 'track', axle, widerMm }];
}
