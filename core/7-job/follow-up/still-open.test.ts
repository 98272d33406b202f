import { expect, test } from '@jest/globals';
import { stillOpen, type JobStand } from './still-open';

const done = { doneAt: '2026-11-20T10:00:00Z' };
const stand = (said: Partial<JobStand> = {}) =>
  stillOpen({ steps: [done], fasteners: [done], testFits: 1, verdict: 'clear', ...said });

test('a job that is done, tried and clear has nothing open; close is enough', () => {
  expect(stand()).toEqual([]);
  expect(stand({ verdict: 'close' })).toEqual([]);
});

test('steps and fasteners not ticked, no test fit, and a verdict that falls short or is not known are each named', () => {
  expect(stand({ steps: [done, {}, {}], fasteners: [{}] })).toEqual([
    { matter: 'steps', count: 2 },
    { matter: 'fasteners', count: 1 },
  ]);
  expect(stand({ testFits: 0 })).toEqual([{ matter: 'noTestFit', count: 1 }]);
  for (const verdict of ['tooClose', 'rubs'] as const)
    expect(stand({ verdict })).toEqual([{ matter: 'short', count: 1 }]);
  for (const verdict of ['notKnown', null] as const)
    expect(stand({ verdict })).toEqual([{ matter: 'notKnown', count: 1 }]);
});
