import { onBeforeUnmount, ref, watch, type Ref } from 'vue';

/** Width of an element in CSS pixels, as it is laid out; `first` until it is known. */
export function useWidth(element: Ref<Element | null | undefined>, first: number): Ref<number> {
  const width = ref(first);
  const observer = new ResizeObserver((entries) => {
    const found = entries.at(-1)?.contentRect.width;
    if (found) width.value = found;
  });
  watch(
    element,
    (now, before) => {
      if (before) observer.unobserve(before);
      if (now) observer.observe(now);
    },
    { immediate: true, flush: 'post' },
  );
  onBeforeUnmount(() => observer.disconnect());
  return width;
}
