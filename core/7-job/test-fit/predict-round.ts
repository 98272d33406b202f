import { runFit } from '../../5-consequences/calibration/fit-run';
import { leastGapsMm } from '../../5-consequences/calibration/gap-slopes';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { attempt } from '../../1-base/problem';
import { parkedMm, type FittedCorner } from './fit-observations';
import type { FitPosture } from './postures';
import { runOf } from './tried';

/** The least gap of an obstacle in a posture as it was tried, what was trimmed before included; mm. */
export interface RoundGap {
  readonly corner: CornerKey;
  readonly obstacle: string;
  readonly posture: FitPosture;
  readonly gapMm: number;
}

/** What to expect in each posture that was tried and measured; postures that cannot be are left out. */
export function predictRound(at: FittedCorner): RoundGap[] {
  const ride = parkedMm(at);
  return at.postures.flatMap((tried): RoundGap[] => {
    const run = tried.done ? runOf(at.corner, at.setup, tried, ride) : null;
    if (!run) return [];
    const found = attempt(() => {
      const { drawn, ...ran } = runFit(at, run);
      return leastGapsMm(at.key, ran, 'drawn', drawn);
    });
    if (!found.ok) return [];
    return [...found.value].map(([obstacle, gapMm]) => ({
      corner: at.key,
      obstacle,
      posture: tried.kind,
      gapMm: gapMm + (at.trimmedMm.get(obstacle) ?? 0),
    }));
  });
}
