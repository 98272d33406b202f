import { describe, expect, test } from '@jest/globals';
import { readLengths, readNumber, readNumbers, writeLengths } from './read-lists';

const SPACERS = { min: 0, max: 100, unit: 'mm' };

describe('lists as people type them', () => {
  test.each([
    ['0, 25', [0, 25]],
    ['0; 2 in; 6,5', [0, 50.8, 6.5]],
    ['1 1/4 in', [31.75]],
    ['', []],
    [' 12 ; ', [12]],
  ])('lengths %s', (text, values) => expect(readLengths(SPACERS, 'mm')(text)).toEqual({ ok: true, value: values }));

  test('rim widths are plain numbers', () => {
    expect(readNumbers({ min: 2, max: 20, unit: 'in' })('7.5; 8,5, 9')).toEqual({ ok: true, value: [7.5, 8.5, 9] });
  });

  test.each(['25; banana', '25; 300', '-1'])('%s is refused whole', (text) => {
    expect(readLengths(SPACERS, 'mm')(text).ok).toBe(false);
  });

  test('what is written is read again', () => {
    const values = [0, 12.5, 50.8];
    for (const unit of ['mm', 'in'] as const)
      expect(readLengths(SPACERS, unit)(writeLengths(unit)(values))).toEqual({ ok: true, value: values });
    expect(readNumber({ min: 60, max: 150, unit: '' })('121')).toEqual({ ok: true, value: 121 });
    expect(readNumber({ min: 60, max: 150, unit: '' })('').ok).toBe(false);
  });
});
