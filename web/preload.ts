import type { Router } from 'vue-router';
import { verdictPainted } from './kit/first-answer';
import { useJobStore } from './stores/job';
import clearance from './workers/clearance.worker?worker&url';
import finder from './workers/finder.worker?worker&url';
import fit from './workers/fit.worker?worker&url';
import picture from './workers/picture.worker?worker&url';
import plan from './workers/plan.worker?worker&url';
import scan from './workers/scan.worker?worker&url';
import study from './workers/study.worker?worker&url';

const WORKERS = [clearance, plan, fit, study, picture, finder, scan];

/**
 * Begins with what stands at the page's own address, the room and the job in it: who is signed in is asked beside that, not
 * before, and the first verdict is worked out while the room is still on its way.
 */
export function beginHere(router: Router): void {
  const { matched, params } = router.resolve(window.location.pathname + window.location.search);
  for (const { components } of matched) void load(components?.['default']);
  if (typeof params['id'] === 'string') void useJobStore().open(params['id']);
}

/** What cannot be fetched now is fetched, or said to be missing, when it is entered. */
async function load(room: unknown): Promise<void> {
  if (typeof room === 'function') await Promise.resolve((room as () => unknown)()).catch(() => undefined);
}

/**
 * Once a job is open and its first verdict has come, fetches all that its other rooms are made of while the server is there:
 * a tablet in the bay goes on from room to room with the server gone. What is fetched is kept by the browser; what cannot be is fetched when its room is entered.
 */
export function preloadRooms(router: Router): void {
  let isDone = false;
  router.afterEach(({ params, matched }) => {
    if (isDone || !params['id']) return;
    isDone = true;
    const shell = matched[0];
    const rooms = (shell ? router.getRoutes() : []).filter(({ path }) => path.startsWith(`${shell!.path}/`));
    const fetchAll = async (): Promise<void> => {
      for (const { components } of rooms) await load(components?.['default']);
      await load(() => import('./help/HelpDialog.vue'));
      for (const url of WORKERS) await fetch(url).catch(() => undefined);
    };
    void verdictPainted().then(fetchAll);
  });
}
