import { computed, type WritableComputedRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';

/** Which of a room's views is open, by `?view=` in the address; the first one unless said. */
export function useView<View extends string>(
  views: Readonly<Record<View, string>>,
  first: NoInfer<View>,
): WritableComputedRef<View> {
  const route = useRoute();
  const router = useRouter();
  return computed<View>({
    get: () => (Object.keys(views) as View[]).find((one) => one === route.query['view']) ?? first,
    set: (next) => void router.replace({ query: { ...route.query, view: next } }),
  });
}
