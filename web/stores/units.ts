import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { LENGTH_UNITS, type LengthUnit } from '@/core/1-base/units/length';
import { useJobStore } from './job';

/** What is measured one after the other, and so in one unit: the vehicle's own numbers, or gaps round a tire. */
export type Run = 'vehicle' | 'gaps';

/** What a bare number is in: the job's unit, outside of jobs the shop's; while measuring, the unit of the run of readings. */
export const useUnits = defineStore('units', () => {
  const job = useJobStore();
  /** As it was chosen on this device last; null: never. */
  const chosen = useLocalStorage<LengthUnit | null>('lowgap.units', null, {
    serializer: {
      read: (text) => LENGTH_UNITS.find((one) => one === text) ?? null,
      write: (unit) => unit ?? '',
    },
  });
  const unit = computed<LengthUnit>(() => (job.document ? (job.document.units ?? 'mm') : (chosen.value ?? 'mm')));
  const runs = ref<Readonly<Partial<Record<Run, LengthUnit>>>>({});
  watch([() => job.id, unit], () => (runs.value = {}), { flush: 'sync' });
  const isInches = computed(() => unit.value === 'in');

  return {
    chosen,
    unit,
    /** The unit of the readings of a run taken since the job was opened; none: nothing was taken. */
    runs,
    /** The unit of a bare number that goes on in a run. */
    goingOn: (run: Run): LengthUnit => runs.value[run] ?? unit.value,
    /** A measurement was taken in this unit: bare numbers of its run go on in it. */
    goOn: (run: Run, taken: LengthUnit): void => void (runs.value = { ...runs.value, [run]: taken }),
    pressure: computed(() => (isInches.value ? ('psi' as const) : ('kPa' as const))),
    torque: computed(() => (isInches.value ? ('lbft' as const) : ('nm' as const))),
    distance: computed(() => (isInches.value ? ('mi' as const) : ('km' as const))),
  };
});
