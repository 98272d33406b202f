import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { shopRecord, type ShopRecord } from '@/contracts/shop-record';
import { learnedBand, type LearnedBand } from '@/core/5-consequences/stance/learned-band';
import { USUAL_BANDS, type HeightBands } from '@/core/5-consequences/stance/expected-height';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import { api } from '../api';
import { useJobDocuments } from './job-documents';

const EMPTY: ShopRecord = { heights: new Map(), tires: [], hours: [], comebacks: new Map(), handedOver: 0 };

/** What all jobs of the shop say together. */
export const useShopRecord = defineStore('shopRecord', () => {
  const record = shallowRef<ShopRecord>(EMPTY);
  const state = shallowRef<'unknown' | 'known' | 'unreachable'>('unknown');

  async function load(): Promise<void> {
    const listed = await api.listJobs();
    if (!listed.ok) state.value = 'unreachable';
    if (!listed.ok) return;
    const recorded = listed.value.jobs.filter(({ summary }) => summary?.inRecord);
    record.value = shopRecord(await useJobDocuments().documentsOf(recorded));
    state.value = 'known';
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
