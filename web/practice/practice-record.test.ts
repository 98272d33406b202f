import { expect, test } from '@jest/globals';
import { withMisses } from './practice-record';

test('misses are counted by kind, a task without any as right', () => {
  const once = withMisses({ asked: 0, right: 0, missed: {} }, ['thing', 'amount']);
  expect(once).toEqual({ asked: 1, right: 0, missed: { thing: 1, amount: 1 } });
  expect(withMisses(withMisses(once, []), ['thing'])).toEqual({ asked: 3, right: 1, missed: { thing: 2, amount: 1 } });
});
