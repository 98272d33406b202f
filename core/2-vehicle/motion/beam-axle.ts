import { multiply, rotate, rotationX, rotationY, rotationZ, type Pose } from '../../1-base/geometry/pose';
import { subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { ProblemError, requireRange } from '../../1-base/problem';
import type { Carrier, CarrierState } from './carrier';
import type { SteeringAxis } from './steering';
import { swingAngle } from './swing-arm';
import { fourLinkOf, ledByArms, type Led } from './four-link';
import { carriedAxis } from './trailing-arm';

/** Hard points in this corner's frame at the surveyed ride height, mm. */
export interface BeamAxlePoints {
  /** Frame end of the link that leads this end fore and aft (or the fixed eye of its leaf); absent: straight up. */
  readonly linkPivot?: Vec3 | undefined;
  /** Upper and lower arms that lead this end, in place of one link: all four ends or none. */
  readonly lowerArmFrame?: Vec3 | undefined;
  readonly lowerArmAxle?: Vec3 | undefined;
  readonly upperArmFrame?: Vec3 | undefined;
  readonly upperArmAxle?: Vec3 | undefined;
  /** Panhard (track bar) ends: both or neither. Without one the axle's middle keeps its place across. */
  readonly panhardFrame?: Vec3 | undefined;
  readonly panhardAxle?: Vec3 | undefined;
}

export interface BeamAxleDescription {
  readonly type: 'beamAxle';
  /** From this wheel's mounting face to the other's, mm. */
  readonly hubSpacingMm: number;
  /** Bump stops stand half of this to each side of the middle, shocks likewise, mm; absent: at the hubs, each wheel stopped for itself. */
  readonly stopSpacingMm?: number | undefined;
  readonly shockSpacingMm?: number | undefined;
  readonly points?: BeamAxlePoints | undefined;
  /** Leaf springs: the seat swings about a place a quarter of the way from the fixed eye to the seat. */
  readonly leaf?: boolean | undefined;
}

/**
 * Share of the way from a leaf's fixed eye to its seat at which the seat's arc has its center: the arc's radius is
 * three quarters of the cantilever's length (spring makers' rule; value from memory).
 */
const LEAF_ARC_CENTRE = 0.25;

/**
 * Beam axle as one rigid body. This hub stands `travel` high and the other one `travel + cross`; each end is led fore
 * and aft by its own link, or by an upper and a lower arm (both ends alike), so that roll also turns the axle in plan; the axle's turn about its own
 * length is the mean of the two; a panhard rod, or the middle held by leaves, sets its place across. `armDropMm` lowers the links'
 * frame ends: the axle hangs on them as it did that much higher, turned about its length.
 * @throws ProblemError for links let down that nobody measured, or ends of a panhard rod that are one.
 */
export function beamAxleCarrier(
  description: BeamAxleDescription,
  axis: SteeringAxis | null,
  path: string,
  armDropMm = 0,
): Carrier {
  const { linkPivot, panhardFrame, panhardAxle } = description.points ?? {};
  const width = requireRange(description.hubSpacingMm, 200, 4000, `${path}.hubSpacingMm`, 'mm');
  const share = description.leaf ? LEAF_ARC_CENTRE : 0;
  const pivot = linkPivot && { x: linkPivot[0] * (1 - share), z: linkPivot[2] * (1 - share) };
  if (!panhardFrame !== !panhardAxle) {
    throw new ProblemError({
      code: 'missing',
      path: `${path}.points.${panhardFrame ? 'panhardAxle' : 'panhardFrame'}`,
      expected: 'both ends of the panhard rod, or neither',
      found: 'one',
    });
  }
  const arms = fourLinkOf(description.points ?? {}, path);
  if (armDropMm !== 0 && !pivot && !arms) {
    throw new ProblemError({
      code: 'missing',
      path: `${path}.points.linkPivot`,
      expected: 'where the frame ends of the arms stand (baseline, how the wheel moves): brackets lower them',
      found: 'nothing',
    });
  }
  const panhard = panhardFrame && panhardAxle ? { frame: panhardFrame, axle: panhardAxle } : null;
  const rod = panhard ? subtract(panhard.axle, panhard.frame) : null;

  /** Fore-aft place and turn of an axle end at a height. */
  const led = (height: number): Led => {
    if (arms) return ledByArms(arms, height, armDropMm, path);
    if (!pivot) return { x: 0, turn: 0 };
    const turn = -swingAngle(-pivot.x, -pivot.z, height + armDropMm, `${path}.points.linkPivot`);
    return { x: pivot.x - pivot.x * Math.cos(turn) - pivot.z * Math.sin(turn), turn };
  };

  const pose = (travel: number, cross: number): Pose => {
    const here = led(travel);
    const there = led(travel + cross);
    const pitch = (here.turn + there.turn) / 2;
    const sine = -cross / (width * Math.cos(pitch));
    if (!(Math.abs(sine) < 1)) {
      throw new ProblemError({
        code: 'impossiblePosture',
        path,
        expected: `wheels no further apart in height than the axle is long (${width.toFixed(0)} mm)`,
        found: `${cross.toFixed(0)} mm`,
      });
    }
    const yaw = Math.asin(Math.max(-1, Math.min(1, (there.x - here.x) / width)));
    const rotation = multiply(multiply(rotationZ(yaw), rotationY(pitch)), rotationX(Math.asin(sine)));
    const middle = rotate(rotation, [0, -width / 2, 0]);
    let y = -width / 2 - middle[1];
    if (panhard && rod) {
      const end = rotate(rotation, panhard.axle);
      const dx = here.x + end[0] - panhard.frame[0];
      const dz = travel + end[2] - panhard.frame[2];
      const reach = rod[0] * rod[0] + rod[1] * rod[1] + rod[2] * rod[2] - dx * dx - dz * dz;
      if (!(reach >= 0)) {
        throw new ProblemError({
          code: 'impossiblePosture',
          path: `${path}.points.panhardFrame`,
          expected: `a panhard rod that reaches ${travel.toFixed(0)} mm of travel`,
          found: `one ${Math.sqrt(rod[0] ** 2 + rod[1] ** 2 + rod[2] ** 2).toFixed(0)} mm long`,
        });
      }
      y = panhard.frame[1] - end[1] + Math.sign(rod[1] || -1) * Math.sqrt(reach);
    }
    return { rotation, origin: [here.x, y, travel] };
  };

  return {
    crossArticulates: true,
    state(travel, cross): CarrierState {
      const axle = pose(travel, cross);
      return { knuckle: axle, axis: carriedAxis(axle, axis), axle, upperArm: null, lowerArm: null };
    },
  };
}
