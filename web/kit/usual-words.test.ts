import { expect, test } from '@jest/globals';
import { aboutWords, usualWords } from './usual-words';

test('what nobody measured is said to 5 mm or to a quarter of an inch, in the unit of the shop', () => {
  expect(usualWords(53.2, 117, 'mm')).toBe('usually 55 to 115 mm');
  expect(usualWords(53.2, 117, 'in')).toBe('usually 2 to 4 1/2 in');
  expect(usualWords(0, 17, 'in')).toBe('usually 0 to 3/4 in');
  expect(aboutWords(41.9, 'mm')).toBe('about 40 mm');
  expect(aboutWords(41.9, 'in')).toBe('about 1 3/4 in');
});
