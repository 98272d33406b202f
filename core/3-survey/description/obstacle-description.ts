import type { Vec3 } from '../../1-base/geometry/vec3';
import type { Mount } from '../../2-vehicle/motion/mount';
import type { ReadingDescription } from '../reading/reading';
import type { Material } from '../shape/material';
import type { PartKind } from '../shape/part-kind';
import type { ShapeDescription } from '../shape/shape';
import type { EdgeForm, EdgeKind } from './edge-kind';
import type { RubDescription } from './rub';

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
  /** Taken over from a well surveyed on another vehicle; `settled` once checks on this one agree. */
  readonly borrowed?: { readonly from: string; readonly settled?: boolean | undefined } | undefined;
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
  readonly learned?: Learned | undefined;
  /** Cuts that were measured since it was surveyed; where it is now stands in the other fields. */
  readonly cuts?: readonly { readonly lipRaisedMm?: number | undefined }[] | undefined;
  /** Stands inside the rim: measured to the hollow wheel. Positions only. */
  readonly insideWheel?: boolean | undefined;
  readonly part?: PartKind | undefined;
  /** Can be unbolted; `behind` then names what was surveyed behind it ([] = looked, nothing there). */
  readonly removable?: boolean | undefined;
  readonly behind?: readonly string[] | undefined;
}
