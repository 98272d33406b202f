import { toDegrees } from '../../1-base/units/angle';
import { addedLeafLiftMm, collarMm, sagUnderWeightMm, springSwapLiftMm, torsionBarLiftMm } from './springs';

import type { LiftPart } from './lift-part';

/** What parts add to a setup's own numbers; same names, units and signs as there. */
export interface HeightShift {
  readonly suspensionLiftMm: number;
  readonly bodyLiftMm: number;
  readonly bumpStopMm: number;
  readonly bumpLimitShiftMm: number;
  readonly droopLimitShiftMm: number;
  readonly linkageDropMm: number;
  readonly axleShiftMm: number;
  readonly casterChangeDeg: number;
  /** The strut's upper mount, down. */
  readonly strutTopDropMm: number;
  /** The hub on its knuckle, down. */
  readonly hubDropMm: number;
  /** Frame ends of a beam axle's arms, down. */
  readonly armDropMm: number;
  /** The sway bar at the frame, down. */
  readonly swayBarDropMm: number;
}

const NO_SHIFT: HeightShift = {
  suspensionLiftMm: 0,
  bodyLiftMm: 0,
  bumpStopMm: 0,
  bumpLimitShiftMm: 0,
  droopLimitShiftMm: 0,
  linkageDropMm: 0,
  axleShiftMm: 0,
  casterChangeDeg: 0,
  strutTopDropMm: 0,
  hubDropMm: 0,
  armDropMm: 0,
  swayBarDropMm: 0,
};

/** Shifts of one part at the wheel, mm; none while a number of it is nobody's. */
export function liftPartShift(part: LiftPart): HeightShift {
  if (part.starting && part.starting.length > 0) return NO_SHIFT;
  switch (part.kind) {
    case 'ride':
      return { ...NO_SHIFT, suspensionLiftMm: part.liftMm };
    case 'springSpacer':
      return { ...NO_SHIFT, suspensionLiftMm: part.thicknessMm / part.motionRatio };
    case 'collar':
      return {
        ...NO_SHIFT,
        suspensionLiftMm: collarMm(part.lowestOverSeatMm, part.turns, part.pitchMm) / part.motionRatio,
      };
    case 'torsionBar':
      return {
        ...NO_SHIFT,
        suspensionLiftMm: torsionBarLiftMm(part.turns * part.pitchMm, part.keyMm, part.armMm),
      };
    case 'addedLeaf':
      return { ...NO_SHIFT, suspensionLiftMm: addedLeafLiftMm(part.packNPerMm, part.leafNPerMm, part.archMm) };
    case 'coilSpring':
      return {
        ...NO_SHIFT,
        suspensionLiftMm: springSwapLiftMm(part.fitted, part.next, part.springLoadN, part.motionRatio),
      };
    case 'load':
      return {
        ...NO_SHIFT,
        suspensionLiftMm: -(
          part.sinksMm ?? sagUnderWeightMm(part.weightKg, part.share, part.rateNPerMm, part.motionRatio)
        ),
      };
    case 'strutTopSpacer': {
      const down = part.thicknessMm / part.motionRatio;
      return {
        ...NO_SHIFT,
        suspensionLiftMm: down,
        bumpLimitShiftMm: part.stops === 'onFrame' ? 0 : -down,
        droopLimitShiftMm: -down,
        strutTopDropMm: part.stops === undefined ? 0 : part.thicknessMm,
      };
    }
    case 'block': {
      const net = part.thicknessMm - part.replacesMm;
      return {
        ...NO_SHIFT,
        suspensionLiftMm: net,
        bumpLimitShiftMm: part.stopBearsOn === 'springPack' ? -net : 0,
        droopLimitShiftMm: part.droopSetBy === 'spring' ? -net : 0,
        axleShiftMm: part.centrePinMm ?? 0,
        casterChangeDeg: part.taperDeg ?? 0,
      };
    }
    case 'shackle': {
      const turn = part.springMm === undefined ? 0 : toDegrees(Math.asin(part.extraMm / part.springMm));
      return {
        ...NO_SHIFT,
        suspensionLiftMm: part.extraMm * part.share,
        casterChangeDeg: part.sits === 'ahead' ? -turn : turn,
      };
    }
    case 'bumpStop':
      return { ...NO_SHIFT, bumpStopMm: part.lengthMm / part.motionRatio };
    case 'longerShock':
      return { ...NO_SHIFT, droopLimitShiftMm: -part.extraMm / part.motionRatio };
    case 'coilOver':
      return {
        ...NO_SHIFT,
        suspensionLiftMm: part.liftMm,
        droopLimitShiftMm: -(part.openMm - part.replacesOpenMm) / part.motionRatio,
        bumpLimitShiftMm: part.stops === 'inStrut' ? -(part.closedMm - part.replacesClosedMm) / part.motionRatio : 0,
      };
    case 'upperArm':
      return { ...NO_SHIFT, casterChangeDeg: part.casterDeg };
    case 'swayBarDrop':
      return { ...NO_SHIFT, swayBarDropMm: part.dropMm };
    case 'drop':
      return { ...NO_SHIFT, linkageDropMm: part.dropMm };
    case 'liftSpindle':
      return { ...NO_SHIFT, hubDropMm: part.dropMm };
    case 'armBracket':
      return { ...NO_SHIFT, armDropMm: part.dropMm };
    case 'body':
      return { ...NO_SHIFT, bodyLiftMm: part.liftMm };
  }
}
