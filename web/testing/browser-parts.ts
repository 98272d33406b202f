/** What a browser has and jsdom lacks, as far as the components ask for it. */
import 'fake-indexeddb/auto';

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
