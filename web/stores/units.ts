import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { LENGTH_UNITS, type LengthUnit } from '@/core/1-base/units/length';
import { useJobStore } from './job';

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
  const run = ref<LengthUnit | null>(null);
  watch([() => job.id, unit], () => (run.value = null), { flush: 'sync' });
  const isInches = computed(() => unit.value === 'in');

  return {
    chosen,
    unit,
    /** Of the readings taken since the job was opened; null: none yet. */
    run,
    /** Of a bare number at the tape: that of the readings just taken. */
    measuring: computed<LengthUnit>(() => run.value ?? unit.value),
    /** A measurement was taken in this unit: bare numbers go on in it. */
    goOn: (taken: LengthUnit): void => void (run.value = taken),
    pressure: computed(() => (isInches.value ? ('psi' as const) : ('kPa' as const))),
    torque: computed(() => (isInches.value ? ('lbft' as const) : ('nm' as const))),
    distance: computed(() => (isInches.value ? ('mi' as const) : ('km' as const))),
  };
});
