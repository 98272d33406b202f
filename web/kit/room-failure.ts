import { shallowRef } from 'vue';
import type { Router } from 'vue-router';

/** Address of a room that could not be fetched, until another one is entered; null: none. */
export const roomFailure = shallowRef<string | null>(null);

/** A room that was never entered and cannot be fetched now is said, instead of a press that does nothing. */
export function watchRooms(router: Router): void {
  router.onError((_error, to) => {
    roomFailure.value = to.fullPath;
  });
  router.afterEach((_to, _from, failure) => {
    if (!failure) roomFailure.value = null;
  });
}
