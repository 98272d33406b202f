import type { Directive } from 'vue';

/** Frames that a dialog may take to show itself. */
const MOST_FRAMES = 120;

/**
 * The cursor stands in this field once it can be seen, unless somebody went to another one meanwhile: what is typed there must
 * not run into this one. `false`: not this one.
 */
export const vFirst: Directive<HTMLElement, boolean | undefined> = {
  mounted(element, { value }) {
    const field = element.matches('input, textarea') ? element : element.querySelector<HTMLElement>('input, textarea');
    if (value === false || !field) return;
    const before = document.activeElement;
    const take = (left: number): void => {
      const now = document.activeElement;
      const isElsewhere = now !== before && now?.matches('input, textarea, select');
      if (isElsewhere || !field.isConnected || left === 0) return;
      // What is not shown yet takes no focus.
      field.focus();
      if (document.activeElement !== field) requestAnimationFrame(() => take(left - 1));
    };
    take(MOST_FRAMES);
  },
};
