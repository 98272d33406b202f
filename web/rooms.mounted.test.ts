import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { nextTick, type Component } from 'vue';
import { demoJobs } from '@/demo/demo-jobs';
import BaselineRoom from './baseline/BaselineRoom.vue';
import CompareRoom from './compare/CompareRoom.vue';
import FinderRoom from './finder/FinderRoom.vue';
import FollowUpRoom from './followup/FollowUpRoom.vue';
import InstallRoom from './install/InstallRoom.vue';
import IntakeRoom from './intake/IntakeRoom.vue';
import PlanRoom from './plan/PlanRoom.vue';
import StanceRoom from './stance/StanceRoom.vue';
import SurveyRoom from './survey/SurveyRoom.vue';
import TestFitRoom from './testfit/TestFitRoom.vue';
import { mountedInJob, openedJob } from './testing/mounting';

/** The job with the most in it and the one with the least: the rooms' own tests go through the rest. */
const TITLES = demoJobs().map(({ title }) => title);
const FULL_AND_SPARE = [TITLES[0]!, TITLES.at(-2)!];

const ROOMS: Record<string, readonly [Component, readonly string[]]> = {
  intake: [IntakeRoom, ['']],
  baseline: [BaselineRoom, ['']],
  survey: [SurveyRoom, ['']],
  stance: [StanceRoom, ['heights', 'travel', 'under', 'links', 'cycle', 'road', 'photo']],
  compare: [CompareRoom, ['']],
  finder: [FinderRoom, ['board', 'list', 'frontier', 'refused', 'card', 'claim', 'schools']],
  plan: [PlanRoom, ['plan', 'spacer', 'sheet', 'order', 'changes']],
  install: [InstallRoom, ['receiving', 'sheet', 'fasteners', 'surprises']],
  testFit: [TestFitRoom, ['']],
  followUp: [FollowUpRoom, ['due', 'handOver', 'alignment', 'history']],
};

let warnings: string[];
let wrapper: VueWrapper | null = null;

beforeEach(() => {
  warnings = [];
  jest.spyOn(console, 'warn').mockImplementation((...words: unknown[]) => void warnings.push(words.join(' ')));
});
afterEach(() => {
  wrapper?.unmount();
  jest.restoreAllMocks();
});

describe.each(Object.entries(ROOMS))('the room %s', (name, [room, views]) => {
  test.each(FULL_AND_SPARE)('stands on "%s", with every view, and says nothing senseless', async (title) => {
    const { job } = await openedJob(title);
    for (const view of views) {
      wrapper = await mountedInJob(room, {}, { room: name, query: view ? { view } : {} });
      await nextTick();
      await nextTick();
      // A room may have several roots, and dialogs stand beside it.
      const text = document.body.textContent ?? '';
      expect({ view, senseless: /NaN|undefined|\[object|Infinity/.exec(text)?.[0] }).toEqual({
        view,
        senseless: undefined,
      });
      expect({ view, isEmpty: text.length < 40 }).toEqual({ view, isEmpty: false });
      wrapper.unmount();
      wrapper = null;
    }
    job.close();
    expect(warnings.filter((line) => line.includes('[Vue warn]'))).toEqual([]);
  });
});
