import { describe, expect, test } from '@jest/globals';
import { nextTick, ref } from 'vue';
import { seenClock } from '@/core/1-base/units/clock';
import type { Side } from '@/core/2-vehicle/motion/steering';
import { seenText, useSeenClock } from './seen-clock';

// Whoever faces a left wheel from outside has the vehicle's front at the left hand: 9:00 (a fact of the trade, no source).
describe('the clock as the hand sees it', () => {
  test('on the right side as in the file, on the left turned about the upright; twice turned it is itself', () => {
    expect(['12:00', '3:00', '4:10', '8:30', '6:00'].map((clock) => seenClock(clock, 'left'))).toEqual([
      '12:00',
      '9:00',
      '7:50',
      '3:30',
      '6:00',
    ]);
    expect(seenClock('4:10', 'right')).toBe('4:10');
    for (const clock of ['12:00', '1:20', '9:05']) expect(seenClock(seenClock(clock, 'left'), 'left')).toBe(clock);
  });

  test('typed on the left it is kept as the file has it, and stays as it is typed', async () => {
    const kept = ref('12:00');
    const side = ref<Side>('left');
    const { text, type } = useSeenClock(
      () => kept.value,
      () => side.value,
      (clock) => (kept.value = clock),
    );
    for (const typed of ['9', '9:', '9:3', '9:30']) {
      type(typed);
      await nextTick();
      expect(text.value).toBe(typed);
    }
    expect(kept.value).toBe('2:30');
    kept.value = '3:00';
    await nextTick();
    expect(text.value).toBe('9:00');
    side.value = 'right';
    await nextTick();
    expect(text.value).toBe('3:00');
  });

  test('what is no clock goes on as it stands', () => {
    const kept = ref('1:00');
    const { type } = useSeenClock(
      () => kept.value,
      () => 'left',
      (clock) => (kept.value = clock),
    );
    type('noon');
    expect(kept.value).toBe('noon');
  });

  test('a stretch said of a left wheel runs clockwise as it is seen', () => {
    expect(seenText('expected 9:40 to 11:20, found 1:00', 'left')).toBe('expected 12:40 to 2:20, found 11:00');
    expect(seenText('expected 9:40 to 11:20', 'right')).toBe('expected 9:40 to 11:20');
  });
});
