import type { CoilSpring } from './springs';

/** A threaded collar: its lowest height over the seat it replaces, and how far it is screwed up from there. */
export interface Collar {
  readonly kind: 'collar';
  readonly lowestOverSeatMm: number;
  readonly turns: number;
  readonly pitchMm: number;
  readonly motionRatio: number;
}

/** A lift or lowering part; while any of its numbers stand in that nobody read or measured (`starting`: their names) it moves nothing. */
export type LiftPart = PartKind & { readonly starting?: readonly string[] | undefined };

/**
 * Lift and lowering parts by what they really move. Lengths mm, + lifts the vehicle; `motionRatio` is spring travel over
 * wheel travel.
 */
type PartKind =
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
  /**
   * Weight put on the vehicle (or taken off, negative): the share of it this wheel carries sinks the corner; a share below 0 is that of a load
   * beyond the other axle. `sinksMm`: it was put on, and the corner was seen to sink by that.
   */
  | {
      readonly kind: 'load';
      readonly weightKg: number;
      readonly share: number;
      readonly rateNPerMm: number;
      readonly motionRatio: number;
      readonly sinksMm?: number | undefined;
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
  /** A longer shock: more droop alone; `closedExtraMm`: how much longer it is closed (absent: not at all, as older files have it). */
  | {
      readonly kind: 'longerShock';
      readonly extraMm: number;
      readonly closedExtraMm?: number | undefined;
      readonly motionRatio: number;
    }
  /**
   * Another strut or coil-over with its own lengths, eye to eye: the parked height by what is claimed for it, the droop limit by how much longer it
   * opens, the bump limit, where the stop is inside it, by how much longer it is with its stop closed.
   */
  | {
      readonly kind: 'coilOver';
      readonly liftMm: number;
      readonly openMm: number;
      readonly closedMm: number;
      readonly replacesOpenMm: number;
      readonly replacesClosedMm: number;
      readonly motionRatio: number;
      readonly stops: 'inStrut' | 'onFrame';
    }
  /** New upper arms: caster they add, and how far their ball joint swings from where it stands today. The things on the arm are others then. */
  | {
      readonly kind: 'upperArm';
      readonly casterDeg: number;
      readonly jointMostDeg?: number | undefined;
      /** Things on the upper arm were measured on the new one. */
      readonly measured?: boolean | undefined;
    }
  /** The sway bar's bearings lowered from the frame by a spacer. */
  | { readonly kind: 'swayBarDrop'; readonly dropMm: number }
  /** Sub-frame drop: the linkage with its wheel goes down against frame and body, arms, knuckle and all. */
  | { readonly kind: 'drop'; readonly dropMm: number }
  /** Lift spindle: another knuckle, its hub lower against both arms and the joints on it. */
  | { readonly kind: 'liftSpindle'; readonly dropMm: number }
  /** Brackets that lower the frame ends of a beam axle's arms: the axle turns about its length (caster, pinion) and does not lift. */
  | { readonly kind: 'armBracket'; readonly dropMm: number }
  /** Body lift: body-mounted things go up, frame-mounted ones do not. */
  | { readonly kind: 'body'; readonly liftMm: number };
