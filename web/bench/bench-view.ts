import { computed, type WritableComputedRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';

/** The pictures of the bench, each with its own address. */
export const BENCH_VIEWS = ['section', 'well', 'map', 'inside', 'space'] as const;
export type BenchView = (typeof BENCH_VIEWS)[number];

export const BENCH_VIEW_NAMES: Readonly<Record<BenchView, string>> = {
  section: 'Clear section',
  well: 'Well',
  map: 'Steer and travel',
  inside: 'In the wheel',
  space: 'In space',
};

export function useBenchView(): WritableComputedRef<BenchView> {
  const route = useRoute();
  const router = useRouter();
  return computed({
    get: () => BENCH_VIEWS.find((view) => view === route.query['view']) ?? 'section',
    set: (view) => void router.replace({ query: { ...route.query, view } }),
  });
}
