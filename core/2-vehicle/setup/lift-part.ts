import { toDegrees } from '../../1-base/units/angle';
import {
  addedLeafLiftMm,
  collarMm,
  sagUnderWeightMm,
  springSwapLiftMm,
  torsionBarLiftMm,
  type CoilSpring,
} from './springs';

/** A threaded collar: its lowest height over the seat it replaces, and how far it is screwed up from there. */
export interface Collar {
  readonly kind: 'collar';
  readonly lowestOverSeatMm: number;
  readonly turns: number;
  readonly pitchMm: number;
  readonly motionRatio: number;
}

/**
 * Lift and lowering parts by what they really move. Lengths mm, + lifts the vehicle; `motionRatio` is spring travel over
 * wheel travel.
 */
export type LiftPart =
  /** Springs by what is claimed for them: the parked height alone. */
  | { readonly kind: 'ride'; readonly liftMm: number }
  /** A spacer under or inside a coil: as `ride`, through the motion ratio. */
  | { readonly kind: 'springSpacer'; readonly thicknessMm: number; readonly motionRatio: number }
  | Collar
  /** A torsion bar's adjuster screwed in: its key turns with the bar and the lower arm by the same angle, as the load stays. */
  | {
      readonly kind: 'torsionBar';
      readonly turns: number;
      readonly pitchMm: number;
      readonly keyMm: number;
      readonly armMm: number;
    }
  /** A leaf added to a pack: `archMm` its free arch over the pack's as it stands loaded. */
  | {
      readonly kind: 'addedLeaf';
      readonly packNPerMm: number;
      readonly leafNPerMm: number;
      readonly archMm: number;
    }
  /** Another coil spring under the same load on the spring: what it stands longer, through the motion ratio. */
  | {
      readonly kind: 'coilSpring';
      readonly fitted: CoilSpring;
      readonly next: CoilSpring;
      readonly springLoadN: number;
      readonly motionRatio: number;
    }
  /** Weight put on the vehicle (or taken off, negative): the share of it this wheel carries sinks the corner. */
  | {
      readonly kind: 'load';
      readonly weightKg: number;
      readonly share: number;
      readonly rateNPerMm: number;
      readonly motionRatio: number;
    }
  /**
   * A spacer on top of a strut or coil-over: parked height and droop limit, the bump limit too where the stop is inside the strut. The
   * strut's mount goes down by the spacer. Without `stops` the older model: stops inside, the mount where it was.
   */
  | {
      readonly kind: 'strutTopSpacer';
      readonly thicknessMm: number;
      readonly motionRatio: number;
      readonly stops?: 'inStrut' | 'onFrame' | undefined;
    }
  /**
   * A block between axle and leaf spring, net of the one it replaces. A stop that bears on the axle itself meets it
   * where it always did; one that bears on the spring pack meets it lower by the block. The droop limit goes down
   * with the block unless the shock sets it. A taper turns the axle about its own length: + = narrow end forward, which
   * lifts the axle's front, adds caster and turns a rear pinion up. A centre pin off the middle moves the axle, + forward.
   */
  | {
      readonly kind: 'block';
      readonly thicknessMm: number;
      readonly replacesMm: number;
      readonly stopBearsOn: 'axle' | 'springPack';
      readonly droopSetBy: 'spring' | 'shock';
      readonly taperDeg?: number | undefined;
      readonly centrePinMm?: number | undefined;
    }
  /**
   * A longer shackle: `share` of the extra length reaches the axle (0.5 by geometry; some count 1). The spring's end at the shackle goes down by
   * all of it, so spring and axle turn by extra / `springMm` (eye to eye): a shackle behind gives caster and turns a rear pinion up. Without
   * `springMm` the older model: no turn.
   */
  | {
      readonly kind: 'shackle';
      readonly extraMm: number;
      readonly share: number;
      readonly springMm?: number | undefined;
      readonly sits?: 'behind' | 'ahead' | undefined;
    }
  /** A longer or lower bump stop. */
  | { readonly kind: 'bumpStop'; readonly lengthMm: number; readonly motionRatio: number }
  /** A longer shock: more droop alone. */
  | { readonly kind: 'longerShock'; readonly extraMm: number; readonly motionRatio: number }
  /** Sub-frame drop: the linkage with its wheel goes down against frame and body, arms, knuckle and all. */
  | { readonly kind: 'drop'; readonly dropMm: number }
  /** Lift spindle: another knuckle, its hub lower against both arms and the joints on it. */
  | { readonly kind: 'liftSpindle'; readonly dropMm: number }
  /** Brackets that lower the frame ends of a beam axle's arms: the axle turns about its length (caster, pinion) and does not lift. */
  | { readonly kind: 'armBracket'; readonly dropMm: number }
  /** Body lift: body-mounted things go up, frame-mounted ones do not. */
  | { readonly kind: 'body'; readonly liftMm: number };

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
};

/** Shifts of one part at the wheel, mm. */
export function liftPartShift(part: LiftPart): HeightShift {
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
        suspensionLiftMm: -sagUnderWeightMm(part.weightKg, part.share, part.rateNPerMm, part.motionRatio),
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
