import type { LowgapSetup } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { wheelOffsetMm } from '@/core/2-vehicle/wheel/rim';

/** A setup in a few words: `285/75R17, 8.5 in +12, 25 mm spacer, 38 mm lift`. */
export function setupName(setup: LowgapSetup): string {
  const offset = attempt(() => wheelOffsetMm(setup.wheel));
  const signed = offset.ok ? ` ${offset.value === 0 ? '+0' : signedMm(offset.value, 0)}` : '';
  const parts = [
    setup.tire.size,
    `${setup.wheel.widthIn} in${signed}`,
    ...(setup.spacerMm ? [`${formatMm(setup.spacerMm)} mm spacer`] : []),
    ...(setup.suspensionLiftMm ? [`${formatMm(setup.suspensionLiftMm)} mm lift`] : []),
    ...(setup.bodyLiftMm ? [`${formatMm(setup.bodyLiftMm)} mm body lift`] : []),
    ...(setup.bumpStopMm ? [`${formatMm(setup.bumpStopMm)} mm bump stop`] : []),
  ];
  return parts.join(', ').slice(0, 60);
}
