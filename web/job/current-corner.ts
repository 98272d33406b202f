import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { useJobStore } from '../stores/job';

/** The corner being looked at: kept in the address, so that a link opens on it. */
export function useCurrentCorner() {
  const route = useRoute();
  const router = useRouter();
  const job = useJobStore();
  return computed<CornerKey>({
    get() {
      const asked = CORNER_KEYS.find((key) => key === route.query['corner']);
      return asked ?? job.evaluation?.lowGap?.corner ?? job.corners[0] ?? 'frontLeft';
    },
    set(corner) {
      void router.replace({ query: { ...route.query, corner } });
    },
  });
}
