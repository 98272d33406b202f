import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { shopRecord, type ShopRecord } from '@/contracts/shop-record';
import { learnedBand, type LearnedBand } from '@/core/5-consequences/stance/learned-band';
import { USUAL_BANDS, type HeightBands } from '@/core/5-consequences/stance/expected-height';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import { api } from '../api';

const EMPTY: ShopRecord = { heights: new Map(), tires: [], hours: [], comebacks: new Map(), handedOver: 0 };

/** What all jobs of the shop say together. */
export const useShopRecord = defineStore('shopRecord', () => {
  const record = shallowRef<ShopRecord>(EMPTY);
  const state = shallowRef<'unknown' | 'known' | 'unreachable'>('unknown');

  async function load(): Promise<void> {
    const listed = await api.listJobs();
    state.value = listed.ok ? 'known' : 'unreachable';
    if (listed.ok) record.value = shopRecord(listed.value.jobs);
  }

  /** By kind of part that was measured. */
  const learned = computed<ReadonlyMap<LiftPart['kind'], LearnedBand>>(
    () =>
      new Map(
        [...record.value.heights].flatMap(([kind, promised]) => {
          const band = learnedBand(USUAL_BANDS[kind], promised);
          return band ? [[kind, band] as const] : [];
        }),
      ),
  );
  const bands = computed<HeightBands>(() => ({ ...USUAL_BANDS, ...Object.fromEntries(learned.value) }));

  return { record, state, load, learned, bands };
});
