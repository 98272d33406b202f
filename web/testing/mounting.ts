import { mount, type ComponentMountingOptions, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import type { Component } from 'vue';
import { createMemoryHistory, createRouter, type Router } from 'vue-router';
import type { JobContent } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';
import { useJobStore, type JobStore } from '../stores/job';
import { makeVuetify } from '../theme';
import { FakeServer, ID } from './fake-server';

export interface Mounted<C extends Component> {
  readonly wrapper: VueWrapper<InstanceType<C extends abstract new (...args: never[]) => unknown ? C : never>>;
  readonly job: JobStore;
  readonly router: Router;
}

/** Mounts a component as the program would, without a job open. */
export function mounted(
  component: Component,
  props: Record<string, unknown> = {},
  options: ComponentMountingOptions<never> = {},
) {
  setActivePinia(createPinia());
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:pathMatch(.*)*', name: 'any', component: { template: '<i />' } }],
  });
  const wrapper = mount(component, {
    props,
    attachTo: document.body,
    ...options,
    global: { plugins: [makeVuetify(), router], ...options.global },
  } as never);
  return { wrapper, job: useJobStore(), router };
}

/** A demo job opened from a server in memory; `title` names it by its beginning. */
export async function openedJob(title = 'Patrol'): Promise<{ readonly job: JobStore; readonly server: FakeServer }> {
  setActivePinia(createPinia());
  const content: JobContent = demoJobs().find((one) => one.title.startsWith(title))!;
  const server = new FakeServer();
  server.job = { ...server.job, ...JSON.parse(JSON.stringify(content)) };
  Object.assign(globalThis, { fetch: server.fetch });
  const job = useJobStore();
  await job.open(ID);
  return { job, server };
}

/** Mounts a component inside the job that is open. */
export function mountedInJob(component: Component, props: Record<string, unknown> = {}) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:pathMatch(.*)*', name: 'any', component: { template: '<i />' } }],
  });
  return mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [makeVuetify(), router] },
  } as never);
}
