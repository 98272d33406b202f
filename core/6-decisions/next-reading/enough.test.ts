import { describe, expect, test } from '@jest/globals';
import type { Known } from '../../3-survey/known/known';
import type { CornerSpread } from '../../5-consequences/spread/spread';
import { enoughRead, worthWords } from './enough';
import type { NextReading } from './next-reading';

const spread = (...chances: number[]): CornerSpread =>
  ({
    chanceOfRub: Math.max(0, ...chances),
    obstacles: chances.map((chanceOfRub, i) => ({ id: `thing ${i}`, chanceOfRub })),
  }) as unknown as CornerSpread;

const known = (isEnough: boolean): Known => ({ isEnough }) as Known;
const unread = { isUnread: true } as NextReading;

describe('when the tape may be put away', () => {
  test('one thing that surely falls short is enough, however little else was read', () => {
    expect(enoughRead(spread(0.2, 0.99), known(false), [unread])).toEqual({
      kind: 'fallsShort',
      id: 'thing 1',
      chance: 0.99,
    });
  });

  test('that nothing falls short is said only of a known corner with no lock left unread', () => {
    expect(enoughRead(spread(0, 0.01), known(true), [])).toEqual({ kind: 'clear', chance: 0.99 });
    expect(enoughRead(spread(0, 0.01), known(false), [])).toBeNull();
    expect(enoughRead(spread(0, 0.01), known(true), [unread])).toBeNull();
    expect(enoughRead(spread(), known(false), [])).toBeNull();
  });

  test('what may go either way is not enough', () => {
    expect(enoughRead(spread(0.5), known(true), [])).toBeNull();
    expect(enoughRead(spread(0.1, 0.9), known(true), [])).toBeNull();
  });
});

test('a reading’s worth is said by how much of the doubt it leaves', () => {
  expect(worthWords({ worthMm: 4, doubtLeft: 0.5 })).toBe(
    'halves the doubt: the low gap is known 4 mm (3/16 in) better',
  );
  expect(worthWords({ worthMm: 4, doubtLeft: 0.1 })).toMatch(/^settles most/);
  expect(worthWords({ worthMm: 1, doubtLeft: 0.75 })).toMatch(/^takes a third/);
  expect(worthWords({ worthMm: 0, doubtLeft: 0.95 })).toBe('takes a little of the doubt');
});
