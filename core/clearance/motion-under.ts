import { cornerMotion, type CornerMotion } from '../motion/corner-motion';
import type { Side } from '../motion/steering';
import { withPartsCounted } from '../stance/lift-part';
import { fittedAsSetup, type CornerDescription, type CornerKey, type SetupDescription } from './description';

export const sideOf = (key: CornerKey): Side => (key.endsWith('Left') ? 'left' : 'right');

/** Motion of a corner under a setup; `locks: 'surveyed'` leaves steering stops out. */
export function motionUnder(
  key: CornerKey,
  corner: CornerDescription,
  entered: SetupDescription,
  locks: 'surveyed' | 'stopped' = 'stopped',
): CornerMotion {
  const setup = withPartsCounted(entered);
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
  });
}

/** The motion as surveyed: what the readings were taken against. */
export const surveyMotion = (key: CornerKey, corner: CornerDescription): CornerMotion =>
  motionUnder(key, corner, fittedAsSetup(corner.fitted), 'surveyed');
