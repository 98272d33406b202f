/**
 * What a corner, a setup and a whole case look like before they are checked: the same shapes, names and units as
 * the file contract (mm, degrees, inches where the trade names them so). docs/formats.md.
 */
import type { Mount, MotionDescription } from '../motion/corner-motion';
import type { SteeringDescription } from '../motion/steering';
import type { Material } from '../obstacle/material';
import type { ReadingDescription } from '../obstacle/reading';
import type { TireDescription } from '../tire/dimensions';
import type { WheelDescription } from '../wheel/rim';
import type { Vec3 } from '../geometry/vec3';
import type { StandardId } from './standard';

export const CORNER_KEYS = ['frontLeft', 'frontRight', 'rearLeft', 'rearRight'] as const;
export type CornerKey = (typeof CORNER_KEYS)[number];

/** `trail`: all that the stops allow. `street`: less lock the further the wheel is from its parked height. */
export const ENVELOPES = ['trail', 'street'] as const;
export type EnvelopeKind = (typeof ENVELOPES)[number];

export interface WheelAndTire {
  readonly tire: TireDescription;
  readonly wheel: WheelDescription;
  readonly spacerMm: number;
}

export type ShapeDescription =
  | { readonly type: 'points'; readonly points: readonly Vec3[] }
  | { readonly type: 'polyline'; readonly points: readonly Vec3[] };

export interface ObstacleDescription {
  readonly id: string;
  readonly label?: string | undefined;
  readonly mount: Mount;
  readonly material: Material;
  /** Known positions, corner frame at survey. Either this, `readings`, or both. */
  readonly shape?: ShapeDescription | undefined;
  readonly readings?: readonly ReadingDescription[] | undefined;
  /** `polyline`: the readings, in clock order, are places on one edge; `points` (default): separate places. */
  readonly readingsAs?: 'points' | 'polyline' | undefined;
}

export interface CornerDescription {
  readonly motion: MotionDescription;
  /** Absent on a wheel that does not steer. */
  readonly steering?: SteeringDescription | undefined;
  readonly staticCamberDeg: number;
  readonly staticToeDeg: number;
  /** Travel left from the surveyed ride height, both positive, mm at the wheel. */
  readonly travel: { readonly bumpMm: number; readonly droopMm: number };
  /** Hub centre to fender lip at the surveyed ride height, mm. */
  readonly hubToLipMm?: number | undefined;
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
}

export interface CaseDescription {
  readonly corners: Readonly<Partial<Record<CornerKey, CornerDescription>>>;
  readonly setup?: (SetupDescription & { readonly corners?: CornerOverrides | undefined }) | undefined;
  readonly envelope: EnvelopeKind;
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
