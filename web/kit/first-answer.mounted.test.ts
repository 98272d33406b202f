import { describe, expect, jest, test } from '@jest/globals';
import { flushPromises } from '@vue/test-utils';
import { hasAnswered, verdictPainted } from './first-answer';

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
});
