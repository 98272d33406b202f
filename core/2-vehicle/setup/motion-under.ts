import { cornerMotion, type CornerMotion } from '../motion/corner-motion';
import { alignmentBack, setBack } from './aligned';
import type { CornerBaseline } from './corner-baseline';
import type { CornerKey } from './corner-key';
import { motionInput } from './motion-input';
import { fittedSetup, type Setup } from './setup';

/**
 * Motion of a corner under a setup, aligned back to its targets if the setup says so; `locks: 'surveyed'` leaves steering stops out.
 */
export function motionUnder(
  key: CornerKey,
  corner: CornerBaseline,
  setup: Setup,
  locks: 'surveyed' | 'stopped' = 'stopped',
): CornerMotion {
  const input = motionInput(key, corner, setup, locks);
  if (setup.alignment !== 'aligned') return cornerMotion(input);
  return cornerMotion(setBack(input, alignmentBack(key, corner, setup), setup));
}

/** The motion as surveyed: what the readings were taken against. */
export const surveyMotion = (key: CornerKey, corner: CornerBaseline): CornerMotion =>
  motionUnder(key, corner, fittedSetup(corner.fitted), 'surveyed');
