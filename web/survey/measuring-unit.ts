import { computed, type ComputedRef } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import type { Range } from '@/core/1-base/limits';
import { unitInRun } from '@/core/1-base/units/meant-length';
import { parseLength, type LengthUnit } from '@/core/1-base/units/length';
import { useUnits } from '../stores/units';

/**
 * The unit a bare number at this corner is in: that of the run of readings, begun here or left in the file, else the job's.
 * `of`: of this very number, which may only be possible in the job's.
 */
export function useMeasuringUnit(corner: () => LowgapCorner): {
  readonly run: ComputedRef<LengthUnit>;
  of(text: string, range: Range): LengthUnit;
} {
  const units = useUnits();
  const run = computed(() => units.runs.gaps ?? lastStated(corner()) ?? units.unit);
  return { run, of: (text, range) => unitInRun(text, range, run.value, units.unit) };
}

/** The unit in which the last reading of the corner was typed; null where none says it. */
export function lastStated({ obstacles }: LowgapCorner): LengthUnit | null {
  const texts = obstacles.flatMap(({ readings }) => readings ?? []).flatMap(({ typed }) => typed?.['gapMm'] ?? []);
  for (const text of texts.reverse()) {
    const read = attempt(() => parseLength(text, 'mm'));
    if (read.ok && read.value.stated) return read.value.unit;
  }
  return null;
}
