import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';
import type { CornerReport } from './use-stance';

/** Height of an axle's fender lip over the ground, mm: now and as expected. */
export interface LipHeight {
  readonly now: number;
  readonly then: number;
}

export interface Lips {
  readonly front: LipHeight;
  readonly rear: LipHeight;
}

/** Mean of the corners of an axle whose height was read; null: none was. */
function axleLip(file: LowgapFile, reports: readonly CornerReport[], axle: Axle): LipHeight | null {
  const read = reports.flatMap(({ key, stance }) => {
    const then = stance.ok ? stance.value.heights.groundToLip?.mm : undefined;
    const now = file.corners[key]?.groundToLipMm;
    return key.startsWith(axle) && then !== undefined && now !== undefined ? [{ now, then }] : [];
  });
  if (read.length === 0) return null;
  const mean = (of: keyof LipHeight): number => read.reduce((sum, one) => sum + one[of], 0) / read.length;
  return { now: mean('now'), then: mean('then') };
}

/** Both axles' lips; null while one was not read. */
export function lipsOf(file: LowgapFile, reports: readonly CornerReport[]): Lips | null {
  const [front, rear] = [axleLip(file, reports, 'front'), axleLip(file, reports, 'rear')];
  return front && rear ? { front, rear } : null;
}

/** How much higher the left lip of an axle is expected than the right one, mm; null while one of them was not read. */
export function leanOf(reports: readonly CornerReport[], axle: Axle): number | null {
  const at = (side: 'Left' | 'Right'): number | undefined => {
    const stance = reports.find(({ key }) => key === `${axle}${side}`)?.stance;
    return stance?.ok ? stance.value.heights.groundToLip?.mm : undefined;
  };
  const [left, right] = [at('Left'), at('Right')];
  return left === undefined || right === undefined ? null : left - right;
}
