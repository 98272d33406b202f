import type { Page } from '@playwright/test';

/**
 * In the page: notes when each move of a control was asked, and when the verdict on it (or on a newer one) was painted.
 * Frames count from the browser's own event time to the frame after the change.
 */
export async function watchTurns(page: Page): Promise<void> {
  // The TypeScript runner wraps functions in a helper of its own, which the page does not have.
  await page.evaluate('globalThis.__name = (f) => f');
  await page.evaluate(() => {
    const strip = document.querySelector<HTMLElement>('[data-testid="gap-strip"]')!;
    const turns: { asked: number; at: number; painted: number }[] = [];
    let last = Number(strip.dataset['answered']);
    let backward = 0;
    let event = 0;
    const note = (e: Event): void => {
      event = e.timeStamp;
    };
    for (const kind of ['keydown', 'pointermove'] as const) window.addEventListener(kind, note, true);
    new MutationObserver(() => {
      const asked = Number(strip.dataset['asked']);
      if (asked > (turns.at(-1)?.asked ?? 0)) turns.push({ asked, at: event, painted: 0 });
      const answered = Number(strip.dataset['answered']);
      if (answered < last) backward++;
      last = answered;
      const waiting = turns.filter((turn) => turn.painted === 0 && turn.asked <= answered);
      if (waiting.length === 0) return;
      requestAnimationFrame(() => {
        // After this frame's paint.
        const channel = new MessageChannel();
        channel.port1.onmessage = () => {
          for (const turn of waiting) turn.painted = performance.now();
        };
        channel.port2.postMessage(null);
      });
    }).observe(strip, { attributes: true });
    Object.assign(window, { watched: { turns, backward: () => backward } });
  });
}

interface Watched {
  readonly delays: readonly number[];
  readonly unanswered: number;
  readonly backward: number;
}

export const watched = (page: Page): Promise<Watched> =>
  page.evaluate(() => {
    const { turns, backward } = (
      window as unknown as { watched: { turns: { at: number; painted: number }[]; backward: () => number } }
    ).watched;
    const found = {
      delays: turns.filter((t) => t.painted > 0).map((t) => t.painted - t.at),
      unanswered: turns.filter((t) => t.painted === 0).length,
      backward: backward(),
    };
    turns.length = 0;
    return found;
  });
