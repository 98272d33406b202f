/** The trade's words for what the engine names by key. */
import type { CornerKey, EnvelopeKind } from '@/core/clearance/description';
import type { ObstacleVerdict } from '@/core/clearance/evaluate';
import type { StandardId, Verdict } from '@/core/clearance/standard';
import type { RotorPlace } from '@/core/clearance/rotor';
import type { Mount } from '@/core/motion/mount';
import type { Material } from '@/core/obstacle/material';
import { formatFraction, formatMm } from '@/core/units/length';

export const CORNER_NAMES: Readonly<Record<CornerKey, string>> = {
  frontLeft: 'Front left',
  frontRight: 'Front right',
  rearLeft: 'Rear left',
  rearRight: 'Rear right',
};

export const MATERIAL_NAMES: Readonly<Record<Material, string>> = {
  sheetMetal: 'Sheet metal',
  bodyMount: 'Body mount',
  frame: 'Frame',
  arm: 'Control arm',
  knuckle: 'Knuckle',
  brake: 'Brake part',
  spring: 'Spring',
  swayBar: 'Sway bar or link',
  hose: 'Hose',
  wire: 'Wire',
  plastic: 'Plastic',
  liner: 'Liner',
};

export const MOUNT_NAMES: Readonly<Record<Mount, string>> = {
  body: 'Body',
  frame: 'Frame',
  axle: 'Axle or arm end (moves up and down)',
  upperArm: 'Upper arm',
  lowerArm: 'Lower arm',
  tieRod: 'Tie rod',
  knuckle: 'Knuckle (steers with the wheel)',
};

export const ACROSS_NAMES: Readonly<Record<RotorPlace, string>> = {
  tread: 'tread',
  outerShoulder: 'outer shoulder',
  innerShoulder: 'inner shoulder',
  outerSidewall: 'outer sidewall',
  innerSidewall: 'inner sidewall',
  outerFlange: 'outer rim flange',
  innerFlange: 'inner rim flange',
  barrel: 'rim barrel',
  spokes: 'spokes or pad',
};

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = { clear: 'clear', close: 'close', rubs: 'rubs' };

export const STANDARD_NAMES: Readonly<Record<StandardId, string>> = {
  neverRub: 'Never rub',
  plasticKiss: 'Plastic may be kissed near full bump',
  cutToFit: 'Cut to fit',
};

export const ENVELOPE_NAMES: Readonly<Record<EnvelopeKind, string>> = {
  trail: 'Trail: everything the stops allow',
  street: 'Street: less lock as the wheel leaves ride height',
  loaded: 'Loaded: street about the loaded height',
  drawn: 'Drawn: steer limits row by row',
};

const WHOLE = 0.5;

/** `steered 29° left, 82 mm up` and the like. */
export function postureWords(steerDeg: number, travelMm: number, rideMm = 0): string {
  const degrees = Math.abs(steerDeg);
  const steer =
    degrees < WHOLE ? 'straight ahead' : `steered ${degrees.toFixed(0)}° ${steerDeg > 0 ? 'left' : 'right'}`;
  const height = travelMm - rideMm;
  const travel =
    Math.abs(height) < WHOLE
      ? 'at ride height'
      : `${formatMm(Math.abs(height), 0)} mm ${height > 0 ? 'up' : 'down'} from ride`;
  return `${steer}, ${travel}`;
}

/** `12.7 mm (1/2 in)`. */
export const bothUnits = (mm: number): string => `${formatMm(mm)} mm (${formatFraction(mm)} in)`;

/** What a specialist would say aloud about one obstacle. */
export function verdictSentence(o: ObstacleVerdict, rideMm: number): string {
  const gap = o.gapMm >= 0 ? `comes down to ${bothUnits(o.gapMm)}` : `is overlapped by ${bothUnits(-o.gapMm)}`;
  const margin =
    o.marginMm >= 0
      ? `${formatMm(o.marginMm)} mm more than the ${o.requiredMm} mm wanted`
      : `${formatMm(-o.marginMm)} mm short of the ${o.requiredMm} mm wanted`;
  return `${o.label} ${gap} at ${o.clock} on the ${ACROSS_NAMES[o.across]}, ${postureWords(o.steerDeg, o.travelMm, rideMm)}: ${margin}.`;
}
