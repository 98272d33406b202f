import { expose } from 'comlink';
import type { LowgapCorner, LowgapObstacle } from '@/contracts/lowgap-file';
import type { ScanPlan } from '@/contracts/scan-plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { attempt, type Result } from '@/core/1-base/problem';
import type { ScanPoints, ScanUnit } from '@/core/3-survey/scan/scan-unit';
import { surveyScan } from '@/core/3-survey/scan/survey-scan';
import { thinScan } from '@/core/3-survey/scan/thin';
import { readScan } from '@/meshes/read-scan';

/** What of a scan's file was read: how many points, how far they reach each way, and the first of them, in the file's own unit. */
export interface Understood {
  readonly points: number;
  readonly size: readonly [number, number, number];
  readonly first: readonly [number, number, number];
}

export interface ScanAnswer {
  readonly understood: Understood;
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
      const points = readScan(name, bytes);
      const { unit, alignment, obstacles, leftOver } = surveyScan(key, corner, points, plan);
      return {
        understood: understoodOf(points),
        unit,
        residuals: alignment.residuals,
        leftOver,
        obstacles: obstacles.map((o) => thinned(o as LowgapObstacle)),
      };
    }),
};

function understoodOf(points: ScanPoints): Understood {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  points.forEach((v, i) => {
    low[i % 3] = Math.min(low[i % 3]!, v);
    high[i % 3] = Math.max(high[i % 3]!, v);
  });
  return {
    points: points.length / 3,
    size: [high[0]! - low[0]!, high[1]! - low[1]!, high[2]! - low[2]!],
    first: [points[0]!, points[1]!, points[2]!],
  };
}

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
