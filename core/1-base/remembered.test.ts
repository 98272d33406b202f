import { expect, test } from '@jest/globals';
import { remembered } from './remembered';

test('makes a thing once, forgets all when there are too many, and keeps nothing of what could not be made', () => {
  const known = new Map<string, { of: string }>();
  let made = 0;
  const ask = (key: string) =>
    remembered(known, 2, key, () => {
      if (key === 'bad') throw new Error('cannot be');
      made++;
      return { of: key };
    });
  const a = ask('a');
  expect(ask('a')).toBe(a);
  ask('b');
  expect(made).toBe(2);
  expect(() => ask('bad')).toThrow('cannot be');
  expect(ask('a')).toBe(a);
  ask('c');
  expect([...known.keys()]).toEqual(['c']);
  expect(ask('a')).not.toBe(a);
  expect(ask('a')).toEqual(a);
});
