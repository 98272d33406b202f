import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { mounted } from '../testing/mounting';
import { all, key, pageText, press, said, type } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import PracticeRoom from './PracticeRoom.vue';
import { readRecord } from './practice-record';

let wrapper: VueWrapper;

beforeAll(runWorkersHere);
beforeEach(async () => {
  localStorage.clear();
  ({ wrapper } = mounted(PracticeRoom));
  await until(() => all('[aria-label="Task"]').length > 0);
});
afterEach(() => {
  wrapper.unmount();
  endWorkersHere();
});

const isShut = (name: RegExp): boolean => (key(name).element as HTMLButtonElement).disabled;

describe('practice', () => {
  test('the truth is not shown before all is said', async () => {
    expect(isShut(/^Show it/)).toBe(true);
    expect(pageText()).toContain('Still to say: how far in, how far out');
    await type(/^Inner sidewall/, '10');
    expect(isShut(/^Show it/)).toBe(true);
    expect(said('practice-says')).toBe('');
  });

  test('an answer is judged once, and counts in one’s own record', async () => {
    await type(/^Inner sidewall/, '-199');
    await type(/^Outer sidewall/, '399');
    await press(/^Show it/);
    expect(said('practice-says')).toMatch(/^Missed: /);
    expect(said('practice-record')).toMatch(/^1 tasks, 0 right/);
    expect(readRecord()).toMatchObject({ asked: 1, right: 0 });
    await press(/^Another one/);
    await until(() => all('[aria-label="Task"]').length > 0);
    expect(said('practice-says')).toBe('');
  });

  test('a corner to point at wants the thing, the posture and the gap', async () => {
    const levels = all('[aria-label="Level"] button');
    await levels.at(-1)!.trigger('click');
    await until(() => pageText().includes('What comes nearest'));
    expect(pageText()).toContain('Still to say: the part, the steer and travel, the gap');
    await type(/^Least gap/, '1/2 in');
    expect(pageText()).toContain('Still to say: the part, the steer and travel.');
  });
});
