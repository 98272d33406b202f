import { START_LOCATION, type Router } from 'vue-router';
import { whenSignedOut } from '../api';
import { useWho } from '../stores/who';

/** Pages that are there without signing in. */
const OPEN: readonly unknown[] = ['signIn', 'pair'];

/** Leads whoever has to sign in to where that is done, and back to where they were going. */
export function askWho(router: Router): void {
  router.beforeEach(async (to) => {
    const who = useWho();
    if (!who.me) await who.load();
    if (!who.mustSignIn || OPEN.includes(to.name)) return true;
    return { name: 'signIn', query: { then: to.fullPath } };
  });
  whenSignedOut(() => {
    const who = useWho();
    const { currentRoute } = router;
    // Before the first page stands the way to it leads to signing in, and knows where it was going.
    if (currentRoute.value === START_LOCATION) return;
    if (OPEN.includes(currentRoute.value.name)) return;
    // A session that ended: what was typed lies in this browser, and goes when somebody has signed in.
    void who.load().then(() => {
      if (who.mustSignIn) void router.push({ name: 'signIn', query: { then: currentRoute.value.fullPath } });
    });
  });
}

/** Where to after signing in: a page of this program, whatever an address says. */
export const backTo = (then: unknown): string => (typeof then === 'string' && /^\/(?![/\\])/.test(then) ? then : '/');
