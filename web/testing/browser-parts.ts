/** What a browser has and jsdom lacks, as far as the components ask for it. */
import 'fake-indexeddb/auto';
import { TextDecoder, TextEncoder } from 'node:util';

class Unseen {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}

class SilentWorker extends EventTarget {
  postMessage(): void {}
  terminate(): void {}
}

Object.assign(globalThis, {
  CSS: { supports: () => false, escape: (text: string) => text },
  ResizeObserver: Unseen,
  IntersectionObserver: Unseen,
  Worker: SilentWorker,
  TextDecoder,
  TextEncoder,
  visualViewport: Object.assign(new EventTarget(), { width: 1280, height: 800, offsetTop: 0, offsetLeft: 0, scale: 1 }),
  scrollTo: () => undefined,
  matchMedia: (query: string) => Object.assign(new EventTarget(), { matches: false, media: query }),
  structuredClone: <T>(value: T): T => copied(value) as T,
});

/** jsdom has none: enough for documents, which are plain data. */
function copied(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(copied);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, copied(inner)]));
}

/** jsdom's files can be read the old way only. */
const readAs = <T>(blob: Blob, how: 'readAsText' | 'readAsArrayBuffer'): Promise<T> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as T);
    reader.onerror = () => reject(reader.error!);
    reader[how](blob);
  });
Object.assign(Blob.prototype, {
  text(this: Blob) {
    return readAs<string>(this, 'readAsText');
  },
  arrayBuffer(this: Blob) {
    return readAs<ArrayBuffer>(this, 'readAsArrayBuffer');
  },
});
