import { cornerMotion, type CornerMotion } from '../motion/corner-motion';
import { sideOf, type CornerKey } from './corner-key';
import { fittedSetup, type Setup } from './setup';
import type { CornerBaseline } from './corner-baseline';

/** Motion of a corner under a setup; `locks: 'surveyed'` leaves steering stops out. */
export function motionUnder(
  key: CornerKey,
  corner: CornerBaseline,
  setup: Setup,
  locks: 'surveyed' | 'stopped' = 'stopped',
): CornerMotion {
  return cornerMotion({
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
}

/** The motion as surveyed: what the readings were taken against. */
export const surveyMotion = (key: CornerKey, corner: CornerBaseline): CornerMotion =>
  motionUnder(key, corner, fittedSetup(corner.fitted), 'surveyed');
