import type { Observation, Seen } from '../../5-consequences/calibration/observation';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import type { FitPosture, TriedPosture } from './postures';
import { runOf, travelAt } from './tried';

/** What was found at one obstacle in one posture. */
export interface Finding {
  readonly corner: CornerKey;
  readonly obstacle: string;
  readonly posture: FitPosture;
  readonly seen: Seen['kind'];
  /** For a measured gap, mm. */
  readonly gapMm?: number | undefined;
  readonly confirmed?: boolean | undefined;
}

/** One corner in one round of a test fit. */
export interface FittedCorner {
  readonly key: CornerKey;
  readonly corner: CornerDescription;
  readonly setup: Setup;
  readonly postures: readonly TriedPosture[];
  /** Hub to lip as it stood in this round, mm. */
  readonly hubToLipMm?: number | undefined;
  /** Gap gained by what was trimmed before, by obstacle, mm. */
  readonly trimmedMm: ReadonlyMap<string, number>;
}

/** A finding that can be reckoned with, or why not. */
export type UsableFinding =
  | { readonly finding: Finding; readonly observation: Observation }
  | { readonly finding: Finding; readonly why: 'postureNotMeasured' | 'noGap' | 'notSurveyed' };

/** Parked travel as it was measured in the round; by default where the setup should park it. */
export const parkedMm = ({ corner, setup, hubToLipMm }: FittedCorner): number | undefined =>
  hubToLipMm === undefined ? undefined : (travelAt(corner, setup, hubToLipMm) ?? undefined);

/** Findings of a corner as evidence, each with the postures it was found in. */
export function fitObservations(at: FittedCorner, findings: readonly Finding[]): UsableFinding[] {
  const ride = parkedMm(at);
  return findings
    .filter(({ corner }) => corner === at.key)
    .map((finding): UsableFinding => {
      const tried = at.postures.find(({ kind }) => kind === finding.posture);
      const run = tried ? runOf(at.corner, at.setup, tried, ride) : null;
      if (!run) return { finding, why: 'postureNotMeasured' };
      if (!at.corner.obstacles.some(({ id }) => id === finding.obstacle)) return { finding, why: 'notSurveyed' };
      const seen = seenOf(finding);
      if (!seen) return { finding, why: 'noGap' };
      const gainedMm = at.trimmedMm.get(finding.obstacle) ?? 0;
      const { obstacle, confirmed } = finding;
      return { finding, observation: { obstacle, run, seen, gainedMm, confirmed } };
    });
}

function seenOf({ seen, gapMm }: Finding): Seen | null {
  if (seen !== 'gap') return { kind: seen };
  return gapMm === undefined ? null : { kind: 'gap', mm: gapMm };
}
