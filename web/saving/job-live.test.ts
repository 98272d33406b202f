import { expect, test } from '@jest/globals';
import type { LiveEvent } from '@/contracts/live-api';
import { listenToJob, type Stream } from './job-live';

class Page extends EventTarget {
  visibilityState: DocumentVisibilityState = 'visible';
  show(state: DocumentVisibilityState): void {
    this.visibilityState = state;
    this.dispatchEvent(new Event('visibilitychange'));
  }
}

test('a page listens while it is looked at, takes no line in the background, and reads what it knows', () => {
  const page = new Page();
  const streams: (Stream & { address: string; isOpen: boolean })[] = [];
  const open = (address: string): Stream => {
    const stream = { address, isOpen: true, onmessage: null, close: () => void (stream.isOpen = false) };
    streams.push(stream);
    return stream;
  };
  const events: LiveEvent[] = [];
  const stop = listenToJob('job-1', (event) => void events.push(event), open, page as never);
  const say = (data: unknown) => streams.at(-1)!.onmessage!({ data: JSON.stringify(data) } as MessageEvent<string>);
  say({ type: 'saved', revision: 4 });
  say({ type: 'of another version' });
  expect(events).toEqual([{ type: 'saved', revision: 4 }]);
  expect(streams[0]!.address).toBe('/api/live/job-1');
  page.show('hidden');
  expect(streams.map(({ isOpen }) => isOpen)).toEqual([false]);
  page.show('visible');
  page.show('visible');
  expect(streams.map(({ isOpen }) => isOpen)).toEqual([false, true]);
  stop();
  page.show('visible');
  expect(streams.map(({ isOpen }) => isOpen)).toEqual([false, false]);
});
