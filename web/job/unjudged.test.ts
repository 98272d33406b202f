import { expect, test } from '@jest/globals';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { asCase } from '@/contracts/as-case';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import type { Problem } from '@/core/1-base/problem';
import { demoJobs } from '@/demo/demo-jobs';
import { whyUnjudged } from './unjudged';

const document = demoJobs().find(({ title }) => title.startsWith('Patrol'))!.document as LowgapFile;
const evaluation = evaluateCase(asCase(document));
const PROBLEM: Problem = { code: 'outOfRange', path: 'setup.spacerMm', expected: '0 to 100 mm', found: '900 mm' };

test('a corner that was surveyed is never said not to be, whatever the setup is', () => {
  const surveyed = 'frontLeft' as const;
  expect(document.corners[surveyed]!.obstacles.length).toBeGreaterThan(0);
  expect(whyUnjudged({ document, evaluation: null, problems: [PROBLEM] }, surveyed)).toBe('noVerdict');
  expect(whyUnjudged({ document, evaluation: null, problems: [] }, surveyed)).toBe('notYet');
});

test('one without a baseline, or with nothing read near its tire, says that first', () => {
  const bare = { ...document, corners: { rearLeft: { ...document.corners.frontLeft!, obstacles: [] } } };
  for (const problems of [[], [PROBLEM]]) {
    expect(whyUnjudged({ document: bare, evaluation: null, problems }, 'rearLeft')).toBe('noSurvey');
    expect(whyUnjudged({ document: bare, evaluation: null, problems }, 'rearRight')).toBe('notTaken');
  }
  expect(whyUnjudged({ document: bare, evaluation, problems: [] }, 'rearLeft')).toBe('noSurvey');
});
