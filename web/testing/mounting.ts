import { mount, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import type { Component } from 'vue';
import { createMemoryHistory, RouterView } from 'vue-router';
import { demoJobs } from '@/demo/demo-jobs';
import { makeRouter, withoutRooms } from '../router';
import { DraftStore } from '../saving/draft-store';
import { useJobStore, type JobStore } from '../stores/job';
import { makeVuetify } from '../theme';
import { FakeServer, ID } from './fake-server';

/** What Vue warns of is a fault: a class that falls on nothing, a number that is missing. */
const fail = (warning: string, _component: unknown, trace: string): never => {
  throw new Error(`${warning}\n${trace}`);
};

const mountedWith = (
  component: Component,
  props: Record<string, unknown>,
  router: ReturnType<typeof makeRouter>,
): VueWrapper => {
  // Dialogs of a test before stay behind: they never end their way out.
  document.body.replaceChildren();
  return mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [makeVuetify(), router], config: { warnHandler: fail } },
  } as never) as VueWrapper;
};

/** Mounts a component as the program would, with no job open. */
export function mounted(component: Component, props: Record<string, unknown> = {}) {
  setActivePinia(createPinia());
  return {
    wrapper: mountedWith(component, props, makeRouter(createMemoryHistory(), withoutRooms)),
    job: useJobStore(),
  };
}

/** The one that a test opened last. */
let before: JobStore | null = null;

/** A demo job opened from a server in memory; `title` is what its title begins with. */
export async function openedJob(
  title = 'Patrol',
  edit: (server: FakeServer) => void = () => undefined,
): Promise<{ readonly job: JobStore; readonly server: FakeServer }> {
  // What the test before still sends goes to its own server, not to this one's.
  await before?.close();
  setActivePinia(createPinia());
  await forgetDrafts();
  const content = demoJobs().find((one) => one.title.startsWith(title))!;
  const server = new FakeServer();
  server.job = { ...server.job, ...JSON.parse(JSON.stringify(content)) };
  edit(server);
  Object.assign(globalThis, { fetch: server.fetch });
  const job = useJobStore();
  before = job;
  await job.open(ID);
  if (!job.document) throw new Error('the job did not open');
  return { job, server };
}

/** What an earlier test of the same file left unsent is not this one's. */
async function forgetDrafts(): Promise<void> {
  const store = new DraftStore();
  for (const { job, tab } of await store.ofJob(ID)) await store.drop(job, tab);
}

/** Mounts a component inside the job that is open, at one of its rooms' addresses. */
export async function mountedInJob(
  component: Component,
  props: Record<string, unknown> = {},
  at: { readonly room?: string; readonly query?: Record<string, string> } = {},
): Promise<VueWrapper> {
  // Rooms are loaded only where the router's own view is mounted: what is loaded beside a test is loaded while the next one runs.
  const router =
    component === RouterView ? makeRouter(createMemoryHistory()) : makeRouter(createMemoryHistory(), withoutRooms);
  await router.push({ name: at.room ?? 'intake', params: { id: ID }, query: at.query ?? {} });
  return mountedWith(component, props, router);
}
