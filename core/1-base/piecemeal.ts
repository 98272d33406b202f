/** Work that pauses now and then, so that whoever does it can look up, or give it up. */
export type Piecemeal<T> = Generator<void, T, void>;

/** Such work done in one go. */
export function inOneGo<T>(work: Piecemeal<T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
