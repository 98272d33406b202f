import { watchEffect } from 'vue';
import type { Router } from 'vue-router';
import { ROOM_LABELS } from './job/rooms';
import { useJobStore } from './stores/job';

/** Pages outside a job, by the name of their address. */
const PAGES: Readonly<Record<string, string>> = {
  bay: 'Bay board',
  quick: 'Quick look',
  catalogue: 'Tires and wheels',
  record: 'Shop record',
  practice: 'Practice',
  degreeRing: 'Degree ring',
  compare: 'Compare',
  customer: 'For the customer',
  bin: 'Bin',
  installation: 'This installation',
  people: 'People',
  signIn: 'Sign in',
  pair: 'Pair this device',
};

/** What a tab of the browser is called: the room, then the job, as they are told apart by their beginnings. */
export const pageTitle = (name: string, job: string): string =>
  [(ROOM_LABELS as Readonly<Record<string, string>>)[name] ?? PAGES[name], job, 'Low Gap'].filter(Boolean).join(' · ');

export function titlePages(router: Router): void {
  watchEffect(() => {
    const { name, params } = router.currentRoute.value;
    document.title = pageTitle(String(name ?? ''), params['id'] ? useJobStore().title : '');
  });
}
