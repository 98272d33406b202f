import type { LowgapFile } from '@/contracts/lowgap-file';
import type { SpacerEntry } from '@/contracts/plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { SpacerFit } from '@/core/6-decisions/plan/spacer-check';
import { parseBoltPattern } from '@/core/2-vehicle/wheel/bolt-pattern';

/** A spacer to begin with at a corner: what the setup already says of it. */
export const startingSpacer = (file: LowgapFile, corner: CornerKey): SpacerEntry => ({
  corner,
  type: file.setup?.spacerType ?? 'boltOn',
  thicknessMm: file.setup?.spacerMm || 25,
});

/** What is known of a spacer's fit, out of the plan, the survey and the wheel being tried. */
export function spacerFit(file: LowgapFile, { corner, hubPattern, wheelPattern, ...entry }: SpacerEntry): SpacerFit {
  const pattern = (text: string | undefined) => (text === undefined ? undefined : parseBoltPattern(text));
  return {
    ...entry,
    studProtrusionMm: file.corners[corner]?.studProtrusionMm,
    studPocketMm: file.setup?.wheel.studPocketMm,
    hubPattern: pattern(hubPattern),
    wheelPattern: pattern(wheelPattern),
  };
}
