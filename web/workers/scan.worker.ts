import { expose } from 'comlink';
import type { LowgapCorner, LowgapObstacle } from '@/contracts/lowgap-file';
import type { ScanPlan } from '@/contracts/scan-plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { attempt, type Result } from '@/core/1-base/problem';
import type { ScanUnit } from '@/core/3-survey/scan/scan-unit';
import { surveyScan } from '@/core/3-survey/scan/survey-scan';
import { thinScan } from '@/core/3-survey/scan/thin';
import { readScan } from '@/meshes/read-scan';

export interface ScanAnswer {
  readonly unit: ScanUnit;
  readonly residuals: readonly { readonly name: string; readonly mm: number }[];
  readonly obstacles: readonly LowgapObstacle[];
  readonly leftOver: number;
}

/** Points kept of one part in a job's document: enough for a panel a metre wide at 15 mm. */
const MOST_POINTS = 4000;

/** Reads a scan's file away from the screen; errors cross as data. */
export interface ScanWorker {
  read(key: CornerKey, corner: LowgapCorner, name: string, bytes: Uint8Array, plan: ScanPlan): Result<ScanAnswer>;
}

export const worker: ScanWorker = {
  read: (key, corner, name, bytes, plan) =>
    attempt(() => {
      const { unit, alignment, obstacles, leftOver } = surveyScan(key, corner, readScan(name, bytes), plan);
      return {
        unit,
        residuals: alignment.residuals,
        leftOver,
        obstacles: obstacles.map((o) => thinned(o as LowgapObstacle)),
      };
    }),
};

function thinned(obstacle: LowgapObstacle): LowgapObstacle {
  if (obstacle.shape?.type !== 'scan' || obstacle.shape.points.length <= MOST_POINTS) return obstacle;
  const { points } = thinScan(Float64Array.from(obstacle.shape.points.flat()), MOST_POINTS);
  const kept = Array.from({ length: points.length / 3 }, (_, i): [number, number, number] => [
    points[3 * i]!,
    points[3 * i + 1]!,
    points[3 * i + 2]!,
  ]);
  return { ...obstacle, shape: { type: 'scan', points: kept } };
}

expose(worker);
