import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { ScanPlan } from '@/contracts/scan-plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Result } from '@/core/1-base/problem';
import type { ScanAnswer, ScanWorker } from './scan.worker';
import { faultResult, WorkerLink } from './worker-link';

export type { ScanAnswer };

/** Reads one scan in a worker of its own, which ends with it: mesh readers are loaded only for this. */
export async function readScanInWorker(
  key: CornerKey,
  corner: LowgapCorner,
  name: string,
  bytes: Uint8Array,
  plan: ScanPlan,
): Promise<Result<ScanAnswer>> {
  const link = new WorkerLink<ScanWorker>(
    () => new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    return (await link.ask(({ remote }) => remote.read(key, corner, name, bytes, plan))) ?? faultResult('stopped');
  } finally {
    link.close();
  }
}
