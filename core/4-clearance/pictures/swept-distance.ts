import { place } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { makePieces } from '../../3-survey/shape/shape';
import { ClearSection } from '../search/clear-section';
import { postureOf } from '../oracle/plain-sweep';
import type { PreparedCorner } from '../case/prepared-corner';
import type { PlacedThing } from '../../3-survey/prepared/prepared-obstacle';

/** Box of the corner frame, mm. */
export interface Box {
  readonly min: Vec3;
  readonly max: Vec3;
}

/**
 * The space that tire and wheel sweep over an envelope, as a signed distance: + outside, - inside, mm, no more than the
 * search's tolerance too large. Frame: the corner's, fixed to the vehicle's frame.
 */
export class SweptDistance {
  readonly box: Box;
  readonly #corner: PreparedCorner;
  readonly #section: ClearSection;
  /** Coarse places already measured: nothing nearby can differ by more than the way there. */
  readonly #coarse = new Map<string, number>();

  constructor(corner: PreparedCorner) {
    this.#corner = corner;
    this.#section = new ClearSection(corner.motion, corner.envelope);
    this.box = sweptBox(corner);
  }

  at(point: Vec3): number {
    const thing: PlacedThing = {
      mount: 'frame',
      insideWheel: false,
      pieces: makePieces([[point]]),
      radiusMm: 0,
      complianceMm: 0,
    };
    return this.#section.leastGap(this.#corner, thing).gapMm;
  }

  /**
   * The same where it is nearer to zero than `bandMm`; elsewhere any number of the same sign and beyond `bandMm`. A
   * distance changes by no more than the way, so one measurement settles all around it that is further off.
   */
  near(point: Vec3, bandMm: number): number {
    const node = point.map((v) => Math.round(v / COARSE_MM)) as [number, number, number];
    const key = node.join(':');
    let there = this.#coarse.get(key);
    const middle = node.map((v) => v * COARSE_MM) as unknown as Vec3;
    if (there === undefined) this.#coarse.set(key, (there = this.at(middle)));
    const way = Math.hypot(point[0] - middle[0], point[1] - middle[1], point[2] - middle[2]);
    // What a search says was met, so the distance there is at most that.
    if (there + way < -bandMm) return there + way;
    if (there - way > bandMm) return there - way;
    return this.at(point);
  }
}

const COARSE_MM = 60;

/** A box that holds the swept space: the wheel's own box at many postures, and the ways between them. */
function sweptBox(corner: PreparedCorner): Box {
  const { motion, envelope, rotor } = corner;
  const { lowest, highest } = envelope.limits;
  const { section, centrePlaneMm } = rotor;
  const reach = Math.hypot(section.diameterMm / 2, section.widthMm / 2 + 20);
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i <= STEPS; i++) {
    for (let j = 0; j <= STEPS; j++) {
      for (let k = 0; k <= (motion.crossArticulates ? STEPS : 0); k++) {
        const travel = lowest + ((highest - lowest) * i) / STEPS;
        const posture = postureOf(corner, [travel, (2 * j) / STEPS - 1, (2 * k) / STEPS - 1, 0, 0]);
        const centre = place(motion.wheelPose(posture), [0, centrePlaneMm, 0]);
        for (let axis = 0; axis < 3; axis++) {
          low[axis] = Math.min(low[axis]!, centre[axis]! - reach - MARGIN_MM);
          high[axis] = Math.max(high[axis]!, centre[axis]! + reach + MARGIN_MM);
        }
      }
    }
  }
  return { min: low as unknown as Vec3, max: high as unknown as Vec3 };
}

const STEPS = 6;
const MARGIN_MM = 25;
