import { wrap } from 'comlink';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { ScanPlan } from '@/contracts/scan-plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Result } from '@/core/1-base/problem';
import type { ScanAnswer, ScanWorker } from './scan.worker';

export type { ScanAnswer };

/** Reads one scan in a worker of its own, which ends with it: mesh readers are loaded only for this. */
export async function readScanInWorker(
  key: CornerKey,
  corner: LowgapCorner,
  name: string,
  bytes: Uint8Array,
  plan: ScanPlan,
): Promise<Result<ScanAnswer>> {
  const worker = new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<ScanWorker>(worker);
  try {
    return await remote.read(key, corner, name, bytes, plan);
  } finally {
    worker.terminate();
  }
}
