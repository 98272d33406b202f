/**
 * What a corner, a setup and a whole case look like before they are checked: the same shapes, names and units as
 * the file contract (mm, degrees, inches where the trade names them so). docs/formats.md.
 */
import type { Vec3 } from '../geometry/vec3';
import type { EdgeForm, EdgeKind } from '../edge-fit/edge-kind';
import type { RubDescription } from '../edge-fit/rub';
import type { Mount } from '../motion/mount';
import type { MotionDescription } from '../motion/motion-description';
import type { SteeringDescription } from '../motion/steering';
import type { Material } from '../obstacle/material';
import type { PartKind } from '../obstacle/part-kind';
import type { ReadingDescription } from '../obstacle/reading';
import type { ShapeDescription } from '../obstacle/shape';
import type { LiftPart } from '../stance/lift-part';
import type { TireAllowances } from '../tire/allowance';
import type { TireDescription } from '../tire/dimensions';
import type { WheelDescription } from '../wheel/rim';
import type { StandardId } from './standard';

export const CORNER_KEYS = ['frontLeft', 'frontRight', 'rearLeft', 'rearRight'] as const;
export type CornerKey = (typeof CORNER_KEYS)[number];

/**
 * `trail`: all that the stops allow. `street`: less lock the further the wheel is from its parked height. `loaded`:
 * street about the loaded height. `drawn`: steer limits given row by row.
 */
export const ENVELOPES = ['trail', 'street', 'loaded', 'drawn'] as const;
export type EnvelopeKind = (typeof ENVELOPES)[number];

export interface WheelAndTire {
  readonly tire: TireDescription;
  readonly wheel: WheelDescription;
  readonly spacerMm: number;
  /** `slipOn` (default): the studs run through it. `boltOn`: it brings its own; the vehicle's studs end in the wheel's pockets. */
  readonly spacerType?: 'slipOn' | 'boltOn' | undefined;
}

/** One row of a drawn envelope: the steer allowed to each side at a travel; this wheel's angles, both >= 0. */
export interface DrawnRow {
  readonly travelMm: number;
  readonly leftDeg: number;
  readonly rightDeg: number;
}

/** What test fits taught of where an obstacle lies, beyond its readings and shape; mount's frame. */
export interface Learned {
  /** All of it, mm. */
  readonly shiftMm: Vec3;
  /** What is added to the numbers of the edge its readings were fitted to. */
  readonly edgeBy?: readonly number[] | undefined;
  /** How far off it may still be, standard deviation by axis, mm; without it readings and shape say how far. */
  readonly sdMm?: Vec3 | undefined;
}

export interface ObstacleDescription {
  readonly id: string;
  readonly label?: string | undefined;
  readonly mount: Mount;
  readonly material: Material;
  /** Known positions, corner frame at survey. Either this, `readings`, or both. */
  readonly shape?: ShapeDescription | undefined;
  readonly readings?: readonly ReadingDescription[] | undefined;
  /**
   * `points` (default): separate places. `polyline`: in clock order, places on one edge. A kind of edge: all readings
   * together are fitted to one such edge.
   */
  readonly readingsAs?: 'points' | 'polyline' | EdgeKind | undefined;
  /** What is known of that edge beside its readings. */
  readonly form?: EdgeForm | undefined;
  /** Where and when the fitted tire already rubs on it; counts for readings fitted to a kind of edge. */
  readonly rubs?: readonly RubDescription[] | undefined;
  /** Within this much of where `shape` says it is in 95 of 100 cases, mm; a usual value by kind of shape by default. */
  readonly toleranceMm?: number | undefined;
  /**
   * What test fits taught of its place: shift (mount's frame) and how far off it may still be, standard
   * deviation by axis, mm; without it readings and shape say how far. */
  readonly learned?: Learned | undefined;
  /** Stands inside the rim: measured to the hollow wheel. Positions only. */
  readonly insideWheel?: boolean | undefined;
  readonly part?: PartKind | undefined;
  /** Can be unbolted; `behind` then names what was surveyed behind it ([] = looked, nothing there). */
  readonly removable?: boolean | undefined;
  readonly behind?: readonly string[] | undefined;
}

/** Two listed obstacles with different mounts whose own gap matters over the travel. */
export interface PairDescription {
  readonly a: string;
  readonly b: string;
  readonly requiredMm: number;
}

export interface CornerDescription {
  readonly motion: MotionDescription;
  /** Absent on a wheel that does not steer. */
  readonly steering?: SteeringDescription | undefined;
  readonly staticCamberDeg: number;
  readonly staticToeDeg: number;
  /** Travel left from the surveyed ride height, both positive, mm at the wheel. */
  readonly travel: {
    /** To full squash of the bump stop. */
    readonly bumpMm: number;
    readonly droopMm: number;
    /** To first touch of the bump stop. */
    readonly firstTouchMm?: number | undefined;
  };
  /** How far the loaded vehicle sits below the surveyed ride height, mm. */
  readonly loadedSagMm?: number | undefined;
  /** What the bushings let a thing of this mount and the wheel come closer, mm. */
  readonly complianceMm?: Readonly<Partial<Record<Mount, number>>> | undefined;
  readonly pairs?: readonly PairDescription[] | undefined;
  /** Wheel studs beyond the hub's face, mm. */
  readonly studProtrusionMm?: number | undefined;
  /** Hub centre to fender lip at the surveyed ride height, mm. */
  readonly hubToLipMm?: number | undefined;
  /** Ground to fender lip at that height, mm: with hub to lip it gives the tire's loaded radius. */
  readonly groundToLipMm?: number | undefined;
  readonly fitted: WheelAndTire;
  readonly obstacles: readonly ObstacleDescription[];
}

export interface SetupDescription extends WheelAndTire {
  /** Height change at the wheel; moves the parked position only. */
  readonly suspensionLiftMm: number;
  readonly bodyLiftMm: number;
  /** Bump-stop extension, at the wheel. */
  readonly bumpStopMm: number;
  readonly axleShiftMm: number;
  readonly bumpLimitShiftMm: number;
  readonly droopLimitShiftMm: number;
  readonly linkageDropMm: number;
  readonly steerStopLeftDeg?: number | undefined;
  readonly steerStopRightDeg?: number | undefined;
  readonly camberChangeDeg: number;
  readonly casterChangeDeg: number;
  /** What the tire may be beyond its free section. */
  readonly allowances?: TireAllowances | undefined;
  /** Lift and lowering parts; each adds its own shifts to the numbers above. */
  readonly parts?: readonly LiftPart[] | undefined;
  /** Ids of removable obstacles taken off. */
  readonly removed?: readonly string[] | undefined;
}

export interface CaseDescription {
  readonly corners: Readonly<Partial<Record<CornerKey, CornerDescription>>>;
  readonly setup?: (SetupDescription & { readonly corners?: CornerOverrides | undefined }) | undefined;
  readonly envelope: EnvelopeKind;
  readonly drawnEnvelope?: readonly DrawnRow[] | undefined;
  readonly standard: StandardId;
}

export type CornerOverrides = Readonly<Partial<Record<CornerKey, Partial<SetupDescription>>>>;

/** A setup that changes nothing: what is fitted, at the surveyed height. */
export const fittedAsSetup = (fitted: WheelAndTire): SetupDescription => ({
  ...fitted,
  suspensionLiftMm: 0,
  bodyLiftMm: 0,
  bumpStopMm: 0,
  axleShiftMm: 0,
  bumpLimitShiftMm: 0,
  droopLimitShiftMm: 0,
  linkageDropMm: 0,
  camberChangeDeg: 0,
  casterChangeDeg: 0,
});

/** The setup of one corner: its own overrides over the common one; without a setup, what is fitted. */
export function setupForCorner(description: CaseDescription, key: CornerKey): SetupDescription {
  const corner = description.corners[key];
  if (!description.setup) {
    if (!corner) throw new RangeError(`corner ${key} is not described`);
    return fittedAsSetup(corner.fitted);
  }
  const { corners, ...common } = description.setup;
  const own = Object.fromEntries(Object.entries(corners?.[key] ?? {}).filter(([, value]) => value !== undefined));
  return { ...common, ...own };
}
