import { sideOf, type CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { toDegrees } from '../../1-base/units/angle';
import { atPlaces, type BeforeAndAfter } from '../../4-clearance/case/travel-places';

/** The drag link of a steered beam axle, from the steering box's arm to the knuckle, by tape at the surveyed ride height; mm. */
export interface DragLink {
  /** To which side it runs from the box's arm. */
  readonly runsTo: 'left' | 'right';
  /** Between its ends, across the vehicle. */
  readonly acrossMm: number;
  /** Its end at the box above its end at the knuckle. */
  readonly riseMm: number;
  /** Steering arm of the knuckle, and whether it points ahead of the axle. */
  readonly armMm: number;
  readonly armAhead: boolean;
  /** Turn of the steering wheel over turn of the road wheels. */
  readonly steeringRatio: number;
}

/** What the link does with the box's arm held still; degrees, + = to the left (ISO 8855 sense). */
export interface DragLinkState {
  /** Turn of the road wheels: bump steer. */
  readonly steerDeg: number;
  /** Where the steering wheel stands when the road wheels are straight. */
  readonly steeringWheelDeg: number;
}

/**
 * With the axle `downMm` lower against the frame than at the survey and `leftMm` further left: the link keeps its length, so that its
 * knuckle end swings in about the box's; where the axle (led by its track bar) does not move across as much, the difference turns the knuckle.
 * null: the link or the arm does not reach.
 */
export function dragLinkAt(link: DragLink, downMm: number, leftMm: number): DragLinkState | null {
  const toLeft = link.runsTo === 'left' ? 1 : -1;
  const length = Math.hypot(link.acrossMm, link.riseMm);
  const across = Math.sqrt(length ** 2 - (link.riseMm + downMm) ** 2);
  const pushedLeft = toLeft * (across - link.acrossMm) - leftMm;
  const turn = Math.asin(pushedLeft / link.armMm);
  if (!Number.isFinite(turn)) return null;
  // An arm ahead of the axle pushed left turns the wheel left.
  const steerDeg = toDegrees(link.armAhead ? turn : -turn);
  return { steerDeg, steeringWheelDeg: steerDeg === 0 ? 0 : -steerDeg * link.steeringRatio };
}

/** The link at both ends of the travel and parked, both wheels alike, before and after. @throws ProblemError as `travelLimits`. */
export function dragLinkReport(
  description: CaseDescription,
  key: CornerKey,
  link: DragLink,
): BeforeAndAfter<DragLinkState> {
  const outboardIsLeft = sideOf(key) === 'left' ? 1 : -1;
  return atPlaces(description, key, (motion, travel, { linkageDropMm }) => {
    const { origin } = motion.mountPose('axle', { travel, steer: 0 });
    return dragLinkAt(link, -travel + linkageDropMm, outboardIsLeft * origin[1]);
  });
}
