import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { mounted } from '../testing/mounting';
import { key, pageText, press } from '../testing/page';
import { installWorker } from './install-worker';
import { forgetKept, KEPT_ANSWERS } from './kept-answers';
import { newVersion, shownSince } from './offline-state';
import OfflineStrip from './OfflineStrip.vue';

/** A worker as the browser tells of it. */
class FakeWorker {
  readonly told = new Map<string, (event: never) => void>();
  registered = 0;
  skipped = 0;
  addEventListener = (name: string, heard: (event: never) => void) => void this.told.set(name, heard);
  register = async () => void this.registered++;
  messageSkipWaiting = () => void this.skipped++;
  say(name: string, event: object = {}): void {
    this.told.get(name)?.(event as never);
  }
}
const install = (worker: FakeWorker, again?: () => void) =>
  installWorker(() => worker as unknown as ReturnType<NonNullable<Parameters<typeof installWorker>[0]>>, again);

let wrapper: VueWrapper | null = null;
beforeEach(() => {
  Object.defineProperty(window, 'isSecureContext', { value: true, configurable: true });
  Object.defineProperty(navigator, 'serviceWorker', { value: {}, configurable: true });
});
afterEach(() => {
  wrapper?.unmount();
  wrapper = null;
  newVersion.value = shownSince.value = null;
});

describe('a browser that may open the program without the server', () => {
  test('has its worker registered, and says nothing', async () => {
    const worker = new FakeWorker();
    await install(worker);
    expect(worker.registered).toBe(1);
    expect(newVersion.value).toBe(null);
  });

  test('an address that it does not trust: nothing is tried', async () => {
    Object.defineProperty(window, 'isSecureContext', { value: false, configurable: true });
    const worker = new FakeWorker();
    await install(worker);
    expect(worker.registered).toBe(0);
  });

  test('a browser that refuses goes on without', async () => {
    const worker = new FakeWorker();
    worker.register = async () => {
      throw new DOMException('an SSL certificate error occurred', 'SecurityError');
    };
    await expect(install(worker)).resolves.toBeUndefined();
  });

  test('what it kept is let go of when somebody signs out', async () => {
    const gone: string[] = [];
    Object.assign(globalThis, { caches: { delete: async (name: string) => gone.push(name) > 0 } });
    await forgetKept();
    expect(gone).toEqual([KEPT_ANSWERS]);
    Object.assign(globalThis, { caches: { delete: async () => Promise.reject(new Error('no room')) } });
    await expect(forgetKept()).resolves.toBeUndefined();
  });
});

describe('what the strip says', () => {
  test('nothing while the server answers; since when it does not', async () => {
    ({ wrapper } = mounted(OfflineStrip));
    expect(pageText()).not.toContain('Server not reached');
    shownSince.value = new Date(2026, 10, 28, 14, 2);
    await flushPromises();
    expect(pageText()).toContain('Server not reached. As of 28 Nov 2026, 14:02');
  });

  test('a newer version waits until it is asked for, then the page is loaded anew', async () => {
    const worker = new FakeWorker();
    let loads = 0;
    await install(worker, () => loads++);
    ({ wrapper } = mounted(OfflineStrip));
    expect(pageText()).not.toContain('newer version');
    worker.say('waiting');
    await flushPromises();
    expect(pageText()).toContain('A newer version of Low Gap is here');
    expect([worker.skipped, loads]).toEqual([0, 0]);
    await press(/Load it now/);
    expect(worker.skipped).toBe(1);
    worker.say('controlling');
    expect(loads).toBe(1);
    expect(key(/Load it now/)).toBeDefined();
  });
});
