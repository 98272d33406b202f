import type { CornerBaseline } from '../../2-vehicle/setup/corner-baseline';
import type { WheelPhoto } from './wheel-photo';
import type { ObstacleDescription } from './obstacle-description';

/** Two listed obstacles with different mounts whose own gap matters over the travel. */
export interface PairDescription {
  readonly a: string;
  readonly b: string;
  readonly requiredMm: number;
}

/** A corner as surveyed: its baseline, and everything near its tire. */
export interface CornerDescription extends CornerBaseline {
  readonly pairs?: readonly PairDescription[] | undefined;
  readonly obstacles: readonly ObstacleDescription[];
  /** Pictures of the fitted wheel on which edges were traced. */
  readonly photos?: readonly WheelPhoto[] | undefined;
  /** Steps of the walk that were passed over, and things that are not on this vehicle. */
  readonly skipped?: readonly string[] | undefined;
}
