import { useElementSize, type MaybeElement } from '@vueuse/core';
import { computed, type ComputedRef, type Ref } from 'vue';

/** Width of an element in CSS pixels, as it is laid out; `first` until it is known. */
export function useWidth(element: Ref<MaybeElement>, first: number): ComputedRef<number> {
  const { width } = useElementSize(element);
  return computed(() => width.value || first);
}
