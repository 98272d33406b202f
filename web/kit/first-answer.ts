import { defineAsyncComponent, type Component } from 'vue';
import PartFailure from './PartFailure.vue';

let tell: () => void = () => undefined;

/** Resolves when the first verdict since the page was loaded has come. */
const firstAnswer = new Promise<void>((resolve) => (tell = resolve));

export const hasAnswered = (): void => tell();

/** ms after which nothing waits any longer for a verdict that has not come. */
const AFTER_MS = 8000;

/** Resolves once the first verdict is on the screen: what can wait for it waits. */
export async function verdictPainted(): Promise<void> {
  await Promise.race([firstAnswer, new Promise<void>((resolve) => setTimeout(resolve, AFTER_MS))]);
  // A frame that nobody looks at may never come.
  if (document.visibilityState !== 'visible') return;
  await new Promise((resolve) => requestAnimationFrame(resolve));
  // After the paint of that frame.
  await new Promise((resolve) => setTimeout(resolve));
}

/**
 * A part of a page that does not hold up its first verdict. It is fetched soon after it, shown or not, and with any room that
 * is fetched ahead: the server may be gone by the time it is wanted.
 */
export function afterVerdict<T extends Component>(load: () => Promise<{ readonly default: T }>): T {
  const ahead = verdictPainted().then(load);
  ahead.catch(() => undefined);
  return defineAsyncComponent<T>({ loader: () => ahead.catch(load), errorComponent: PartFailure });
}
