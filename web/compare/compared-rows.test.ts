import { expect, test } from '@jest/globals';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { fittedAsSetup } from '@/core/2-vehicle/setup/setup';
import { attempt } from '@/core/1-base/problem';
import { demoJobs } from '@/demo/demo-jobs';
import { comparedRows } from './compared-rows';

const { document } = demoJobs().at(-1)!;
const { setup, ...fitted } = document;
const corner = document.corners.frontLeft!;

test('each obstacle of each corner once, with the verdict of every setup, the tightest of a corner first', () => {
  const answers = [attempt(() => evaluateCase(fitted)), attempt(() => evaluateCase({ ...fitted, setup: setup! }))];
  const rows = comparedRows(answers);
  expect(rows).toHaveLength(new Set(rows.map((r) => `${r.corner} ${r.id}`)).size);
  expect(rows[0]!.corner).toBe('frontLeft');
  const tried = answers[1]!;
  if (!tried.ok) throw new Error('the demo gives a verdict');
  for (const row of rows) {
    expect(row.verdicts[1]).toBe(tried.value.obstacles.find((o) => o.corner === row.corner && o.id === row.id));
  }
  const margins = rows
    .filter((r) => r.corner === 'frontLeft')
    .map((r) => Math.min(...r.verdicts.map((v) => v!.marginMm)));
  expect(margins).toEqual([...margins].sort((a, b) => a - b));
});

test('a setup without a verdict, or with a part taken off, leaves its places empty', () => {
  const wrongRim = { ...fittedAsSetup(corner.fitted), wheel: { ...corner.fitted.wheel, diameterIn: 20 } };
  const rows = comparedRows([
    attempt(() => evaluateCase(fitted)),
    attempt(() => evaluateCase({ ...fitted, setup: wrongRim })),
  ]);
  expect(rows.length).toBeGreaterThan(5);
  for (const { verdicts } of rows) {
    expect(verdicts[0]).not.toBeNull();
    expect(verdicts[1]).toBeNull();
  }
});
