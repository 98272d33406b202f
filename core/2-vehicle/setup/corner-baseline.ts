import type { Mount } from '../motion/mount';
import type { MotionDescription } from '../motion/motion-description';
import type { SteeringDescription } from '../motion/steering';
import type { StopPlace } from './stop-place';
import type { WheelAndTire } from './wheel-and-tire';

/** One corner as its baseline has it: linkage, alignment, travel, heights, and the tire and wheel now fitted. */
export interface CornerBaseline {
  readonly motion: MotionDescription;
  /** Absent on a wheel that does not steer. */
  readonly steering?: SteeringDescription | undefined;
  readonly staticCamberDeg: number;
  readonly staticToeDeg: number;
  /** What the vehicle is aligned to, where that is not how it stood at the survey, degrees. */
  readonly alignTo?:
    | {
        readonly camberDeg?: number | undefined;
        readonly casterDeg?: number | undefined;
      }
    | undefined;
  /** How far the adjusters reach to either side, degrees; absent: as far as wanted, on a beam axle not at all. */
  readonly adjusters?:
    { readonly camberByDeg?: number | undefined; readonly casterByDeg?: number | undefined } | undefined;
  /** Travel left from the surveyed ride height, both positive, mm at the wheel. */
  readonly travel: {
    /** To full squash of the bump stop. */
    readonly bumpMm: number;
    readonly droopMm: number;
    /** To first touch of the bump stop. */
    readonly firstTouchMm?: number | undefined;
    /** Where the stop sits; absent: nobody looked. */
    readonly stopSits?: StopPlace | undefined;
    /**
     * Beam axle on a ramp or hump with this wheel's stop closed: how far this wheel stood up and the other one stood (negative: hanging),
     * each from its ride height, mm. Both or neither.
     */
    readonly rampHereMm?: number | undefined;
    readonly rampOtherMm?: number | undefined;
  };
  /** Names of values that nobody measured: they stand in until they are. */
  readonly starting?: readonly string[] | undefined;
  /** How far the loaded vehicle sits below the surveyed ride height, mm. */
  readonly loadedSagMm?: number | undefined;
  /** What the bushings let a thing of this mount and the wheel come closer, mm. */
  readonly complianceMm?: Readonly<Partial<Record<Mount, number>>> | undefined;
  /** Wheel studs beyond the hub's face, mm. */
  readonly studProtrusionMm?: number | undefined;
  /** Hub center to fender lip at the surveyed ride height, mm. */
  readonly hubToLipMm?: number | undefined;
  /** Ground to fender lip at that height, mm: with hub to lip it gives the tire's loaded radius. */
  readonly groundToLipMm?: number | undefined;
  readonly fitted: WheelAndTire;
}
