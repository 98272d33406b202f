import { ref, watch, type Ref } from 'vue';
import { attempt } from '@/core/1-base/problem';
import { parseClock, seenClock } from '@/core/1-base/units/clock';
import type { Side } from '@/core/2-vehicle/motion/steering';

/** A text with clock positions of the file in it, as whoever faces the wheel sees them; a stretch runs clockwise then too. */
export const seenText = (text: string, side: Side): string =>
  side === 'right'
    ? text
    : text
        .replace(/(\d{1,2}:\d\d) to (\d{1,2}:\d\d)/g, '$2 to $1')
        .replace(/\d{1,2}:\d\d/g, (clock) => seenClock(clock, side));

/**
 * A clock that is typed as whoever faces the wheel sees it, and kept as the file has it. What cannot be read as a clock goes on as it
 * stands, to be refused where it is taken.
 */
export function useSeenClock(
  kept: () => string,
  side: () => Side,
  keep: (clock: string) => void,
): { readonly text: Ref<string>; type(typed: string): void } {
  const other = (clock: string): string => {
    const turned = attempt(() => seenClock(clock, side()));
    return turned.ok ? turned.value : clock;
  };
  const degreesOf = (clock: string): number | string => {
    const read = attempt(() => parseClock(clock));
    return read.ok ? read.value : clock;
  };
  const text = ref(other(kept()));
  // What is being typed stays as it is typed while it means what is kept.
  watch([kept, side], () => {
    if (degreesOf(other(text.value)) !== degreesOf(kept())) text.value = other(kept());
  });
  return {
    text,
    type: (typed) => {
      text.value = typed;
      keep(other(typed.trim()));
    },
  };
}
