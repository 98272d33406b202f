import type { CornerMotionInput } from '../motion/corner-motion';
import type { CornerBaseline } from './corner-baseline';
import { sideOf, type CornerKey } from './corner-key';
import type { Setup } from './setup';

/** What a corner's motion is made from under a setup, as the parts leave it; `locks: 'surveyed'` leaves steering stops out. */
export const motionInput = (
  key: CornerKey,
  corner: CornerBaseline,
  setup: Setup,
  locks: 'surveyed' | 'stopped',
): CornerMotionInput => ({
  path: `corners.${key}`,
  side: sideOf(key),
  motion: corner.motion,
  steering: corner.steering,
  stops: locks === 'stopped' ? setup : undefined,
  camberDeg: corner.staticCamberDeg + setup.camberChangeDeg,
  toeDeg: corner.staticToeDeg,
  casterChangeDeg: setup.casterChangeDeg,
  axleShiftMm: setup.axleShiftMm,
  linkageDropMm: setup.linkageDropMm,
  bodyLiftMm: setup.bodyLiftMm,
  strutTopDropMm: setup.strutTopDropMm,
  hubDropMm: setup.hubDropMm,
  armDropMm: setup.armDropMm,
});
