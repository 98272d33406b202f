import { afterEach, expect, test } from '@jest/globals';
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { createMemoryHistory, createRouter } from 'vue-router';
import { pageText, press, said } from '../testing/page';
import { makeVuetify } from '../theme';
import RoomFailure from './RoomFailure.vue';
import { watchRooms } from './room-failure';

let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

test('a room that cannot be fetched is said, tried again at a press, and no more said once it is there', async () => {
  let isAway = true;
  const room = { render: () => null };
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/', component: room },
      {
        path: '/plan',
        component: () => (isAway ? Promise.reject(new TypeError('Failed to fetch')) : Promise.resolve(room)),
      },
    ],
  });
  watchRooms(router);
  await router.push('/');
  wrapper = mount(RoomFailure, { attachTo: document.body, global: { plugins: [router, makeVuetify()] } });
  expect(pageText()).not.toContain('does not answer');
  await router.push('/plan').catch(() => undefined);
  await flushPromises();
  expect(said('room-failure')).toContain('What you were at is as it was');
  expect(router.currentRoute.value.path).toBe('/');
  await press(/^Try again/);
  expect(said('room-failure')).toContain('does not answer');
  isAway = false;
  await press(/^Try again/);
  await flushPromises();
  expect(router.currentRoute.value.path).toBe('/plan');
  expect(wrapper.find('[data-testid="room-failure"]').exists()).toBe(false);
});
