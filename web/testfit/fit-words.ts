import type { UsableFinding } from '@/core/7-job/test-fit/fit-observations';
import type { FitPosture } from '@/core/7-job/test-fit/postures';
import type { Untried } from '@/core/7-job/test-fit/tried';
import type { Seen } from '@/core/5-consequences/calibration/observation';
import { formatMm } from '@/core/1-base/units/length';

export const POSTURE_WORDS: Readonly<Record<FitPosture, { readonly name: string; readonly how: string }>> = {
  rideForward: { name: 'As it stands, forward', how: 'Creep forward, lock to lock both ways; listen and look.' },
  rideReverse: { name: 'As it stands, in reverse', how: 'The same backwards: bushings give the other way.' },
  humpFrontLeft: { name: 'Hump, front left', how: 'Front left wheel up on a hump to its stop, lock to lock.' },
  humpFrontRight: { name: 'Hump, front right', how: 'Front right wheel up on a hump to its stop, lock to lock.' },
  humpRearLeft: { name: 'Hump, rear left', how: 'Rear left wheel up to its stop; the front steered both ways.' },
  humpRearRight: { name: 'Hump, rear right', how: 'Rear right wheel up to its stop; the front steered both ways.' },
  loaded: { name: 'Loaded', how: 'Loaded as it will be used, lock to lock.' },
};

export const SEEN_WORDS: Readonly<Record<Seen['kind'], string>> = {
  gap: 'Gap measured',
  clear: 'No mark',
  mark: 'Light mark',
  rubs: 'Rubs',
};

export const WHY_WORDS: Readonly<Record<Extract<UsableFinding, { why: unknown }>['why'], string>> = {
  postureNotMeasured: 'not counted: how far the wheel went then was not measured',
  noGap: 'not counted: no gap was entered',
  notSurveyed: 'not counted: this part is not surveyed',
};

export function untriedWords(one: Untried): string {
  switch (one.what) {
    case 'bump':
      return `bump above ${formatMm(one.reachedMm, 0)} of ${formatMm(one.limitMm, 0)} mm`;
    case 'droop':
      return `droop below ${formatMm(one.reachedMm, 0)} of ${formatMm(one.limitMm, 0)} mm`;
    case 'rideForward':
      return 'lock to lock, forward';
    case 'rideReverse':
      return 'lock to lock, in reverse';
    case 'loaded':
      return 'loaded';
    case 'notMeasured':
      return `${POSTURE_WORDS[one.posture].name.toLowerCase()}: its height was not read`;
  }
}
