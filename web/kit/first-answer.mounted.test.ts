import { describe, expect, jest, test } from '@jest/globals';
import { flushPromises, mount } from '@vue/test-utils';
import { h } from 'vue';
import { until } from '../testing/worker-here';
import { afterVerdict, hasAnswered, verdictPainted } from './first-answer';

describe('what waits for the first verdict', () => {
  test('goes on after 8 s without one, and else only once the frame with it is painted', async () => {
    jest.useFakeTimers();
    try {
      let done = '';
      void verdictPainted().then(() => (done += 'late '));
      await jest.advanceTimersByTimeAsync(7900);
      expect(done).toBe('');
      await jest.advanceTimersByTimeAsync(200);
      expect(done).toBe('late ');
      void verdictPainted().then(() => (done += 'at once'));
      hasAnswered();
      await flushPromises();
      // The frame is still to come.
      expect(done).toBe('late ');
      await jest.advanceTimersByTimeAsync(100);
      expect(done).toBe('late at once');
    } finally {
      jest.useRealTimers();
    }
  });

  test('a part is fetched ahead, tried again where it is wanted, and said to be missing where it cannot be had', async () => {
    hasAnswered();
    let tries = 0;
    const fetched = afterVerdict(() => {
      tries++;
      return tries < 2
        ? Promise.reject(new Error('gone'))
        : Promise.resolve({ __esModule: true, default: { render: () => h('p', 'there') } });
    });
    const never = afterVerdict(() => Promise.reject(new Error('gone')));
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(tries).toBe(1);
    // Vue says of itself that a part failed.
    const warned = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    const wrong = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const page = mount({ render: () => h('div', [h(fetched), h(never)]) });
    await until(() => page.text().includes('there'));
    expect(tries).toBe(2);
    expect(page.text()).toContain('the server does not answer');
    page.unmount();
    warned.mockRestore();
    wrong.mockRestore();
  });
});
