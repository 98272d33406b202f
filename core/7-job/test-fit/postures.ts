import type { CornerKey } from '../../2-vehicle/setup/corner-key';

/** A guided set: lock to lock as it stands, forward and in reverse; a hump under each wheel with the lock on; loaded. */
export const FIT_POSTURES = [
  'rideForward',
  'rideReverse',
  'humpFrontLeft',
  'humpFrontRight',
  'humpRearLeft',
  'humpRearRight',
  'loaded',
] as const;
export type FitPosture = (typeof FIT_POSTURES)[number];

/** The wheel that stands on the hump; null: none. */
export const HUMPED: Readonly<Record<FitPosture, CornerKey | null>> = {
  rideForward: null,
  rideReverse: null,
  humpFrontLeft: 'frontLeft',
  humpFrontRight: 'frontRight',
  humpRearLeft: 'rearLeft',
  humpRearRight: 'rearRight',
  loaded: null,
};

/** A posture as it was really tried at one corner. */
export interface TriedPosture {
  readonly kind: FitPosture;
  readonly done: boolean;
  /** Hub to lip of this corner then, mm; and what was left at its bump stop, 0: reached. */
  readonly hubToLipMm?: number | undefined;
  readonly stopGapMm?: number | undefined;
}
