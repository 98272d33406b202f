import type { Router } from 'vue-router';
import { firstAnswer } from './kit/first-answer';
import clearance from './workers/clearance.worker?worker&url';
import finder from './workers/finder.worker?worker&url';
import fit from './workers/fit.worker?worker&url';
import picture from './workers/picture.worker?worker&url';
import plan from './workers/plan.worker?worker&url';
import scan from './workers/scan.worker?worker&url';
import study from './workers/study.worker?worker&url';

const WORKERS = [clearance, plan, fit, study, picture, finder, scan];

/** ms after which a job's rooms are fetched though no verdict has come. */
const AFTER_MS = 8000;

/**
 * Once a job is open and its first verdict has come, fetches all that its other rooms are made of while the server is there: a tablet in the bay goes on from room to room
 * with the server gone. What is fetched is kept by the browser; what cannot be is fetched when its room is entered.
 */
export function preloadRooms(router: Router): void {
  let isDone = false;
  router.afterEach(({ params, matched }) => {
    if (isDone || !params['id']) return;
    isDone = true;
    const shell = matched[0];
    const rooms = (shell ? router.getRoutes() : []).filter(({ path }) => path.startsWith(`${shell!.path}/`));
    const fetchAll = async (): Promise<void> => {
      for (const { components } of rooms) {
        const load = components?.['default'] as unknown;
        if (typeof load === 'function') await Promise.resolve((load as () => unknown)()).catch(() => undefined);
      }
      for (const url of WORKERS) await fetch(url).catch(() => undefined);
    };
    const late = new Promise<void>((resolve) => setTimeout(resolve, AFTER_MS));
    void Promise.race([firstAnswer, late]).then(fetchAll);
  });
}
