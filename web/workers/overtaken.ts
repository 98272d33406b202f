import type { Piecemeal } from '@/core/1-base/piecemeal';

/** ms of work after which a worker hears what has been asked meanwhile. */
const BREATH_MS = 8;

/** Counts the questions of one kind. */
export class Turns {
  #asked = 0;

  /** A new question; tells whether another has come since. */
  next(): () => boolean {
    const mine = ++this.#asked;
    return () => this.#asked !== mine;
  }
}

/** Lets messages that wait come in. */
function breath(): Promise<void> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
}

/** Work done piece by piece; null as soon as it is overtaken. */
export async function unlessOvertaken<T>(work: Piecemeal<T>, isOvertaken: () => boolean): Promise<T | null> {
  for (let last = performance.now(); ;) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() - last < BREATH_MS) continue;
    await breath();
    if (isOvertaken()) return null;
    last = performance.now();
  }
}
