import { describe, expect, test } from '@jest/globals';
import type { Piecemeal } from '@/core/1-base/piecemeal';
import { Turns, unlessOvertaken } from './overtaken';

/** Pieces of work of some ms each; counts those done. */
function* pieces(count: number, ms: number, done: number[]): Piecemeal<string> {
  for (let i = 0; i < count; i++) {
    const end = performance.now() + ms;
    while (performance.now() < end);
    done.push(i);
    yield;
  }
  return 'whole';
}

describe('work done piece by piece', () => {
  test('comes to its end when nothing newer is asked', async () => {
    const done: number[] = [];
    expect(await unlessOvertaken(pieces(4, 5, done), new Turns().next())).toBe('whole');
    expect(done).toEqual([0, 1, 2, 3]);
  });

  test('is given up soon after something newer of its kind is asked, and not for another kind', async () => {
    const [turns, others] = [new Turns(), new Turns()];
    const done: number[] = [];
    const found = unlessOvertaken(pieces(400, 3, done), turns.next());
    others.next();
    setTimeout(() => turns.next(), 0);
    expect(await found).toBeNull();
    expect(done.length).toBeGreaterThan(0);
    expect(done.length).toBeLessThan(200);
  });

  test('what it throws is thrown on', async () => {
    // eslint-disable-next-line require-yield
    const broken = function* (): Piecemeal<string> {
      throw new Error('the linkage locks');
    };
    await expect(unlessOvertaken(broken(), () => false)).rejects.toThrow('the linkage locks');
  });
});
