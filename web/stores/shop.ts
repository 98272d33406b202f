import { useDebounceFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import type { ShopTermsEntry } from '@/contracts/plan';
import { api } from '../api';

/** ms of rest before the shop's rates go to the server. */
const REST_MS = 600;

/** What the shop charges and how long it takes: the same for all jobs, whoever changes it last. */
export const useShop = defineStore('shop', () => {
  /** null: the shop has not said yet, or nobody could be asked. */
  const terms = shallowRef<ShopTermsEntry | null>(null);
  const state = ref<'unknown' | 'known' | 'unreachable'>('unknown');

  async function load(): Promise<void> {
    const read = await api.readShop();
    state.value = read.ok ? 'known' : 'unreachable';
    if (read.ok) terms.value = read.value.terms;
  }

  /** Asked for once; again where nobody answered. */
  function ensure(): void {
    if (state.value !== 'known') void load();
  }

  const send = useDebounceFn(async () => {
    if (!terms.value) return;
    const saved = await api.saveShop(terms.value);
    state.value = saved.ok ? 'known' : 'unreachable';
  }, REST_MS);
  function save(next: ShopTermsEntry): void {
    terms.value = JSON.parse(JSON.stringify(next)) as ShopTermsEntry;
    void send();
  }

  return { terms, state, load, ensure, save };
});
