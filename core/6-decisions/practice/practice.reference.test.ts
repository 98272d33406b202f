import { countParts } from '../../2-vehicle/setup/setup';
import { describe, expect, test } from '@jest/globals';
import { plainSweep } from '../../4-clearance/oracle/plain-sweep';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { missesOfOffset, missesOfTouch } from './score';
import { practiceTask, type OffsetTask, type TouchTask } from './task';

describe('practice: what is taught is what is so', () => {
  test('offset sums by the trade’s arithmetic: half the section width, and the offset (common practice, no source)', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const task = practiceTask('offset', seed) as OffsetTask;
      // Both sidewalls together move by the change of width; apart by twice the change of offset.
      const offset = (setup: OffsetTask['from']): number => setup.wheel.offsetMm!;
      expect(task.inwardMm - task.outwardMm).toBeCloseTo(2 * (offset(task.to) - offset(task.from)), 9);
      expect(missesOfOffset(task, { inwardMm: task.inwardMm + 1, outwardMm: task.outwardMm })).toEqual([]);
      expect(missesOfOffset(task, { inwardMm: task.outwardMm + 9, outwardMm: task.outwardMm })).toEqual(['arithmetic']);
    }
  });

  test.each([3, 4])('the thing that touches first is the plain sweep’s too, seed %d', (seed) => {
    const task = practiceTask('lifted', seed) as TouchTask;
    const corner = prepareCorner('frontLeft', task.corner, countParts(task.setup), 'trail');
    const swept = plainSweep(corner);
    const gaps = corner.obstacles.map(({ id }, i) => ({ id, gapMm: swept[i]!.gapMm }));
    const least = gaps.reduce((a, b) => (b.gapMm < a.gapMm ? b : a));
    expect([task.answer.id, ...task.asGood]).toContain(least.id);
    expect(Math.abs(task.answer.gapMm - least.gapMm)).toBeLessThan(1);
    expect(practiceTask('lifted', seed)).toEqual(task);
  });

  test('misses are told apart by kind', () => {
    const task = practiceTask('touch', 5) as TouchTask;
    const { id, steerDeg, travelMm, gapMm } = task.answer;
    const right = { thing: id, steerDeg, travelMm, gapMm };
    expect(missesOfTouch(task, right)).toEqual([]);
    expect(missesOfTouch(task, { ...right, travelMm: travelMm > 0 ? -80 : 80 })).toEqual(['posture']);
    expect(missesOfTouch(task, { ...right, gapMm: gapMm + 60 })).toEqual(['amount']);
    const other = task.things.find((thing) => thing.id !== id && !task.asGood.includes(thing.id))!;
    expect(missesOfTouch(task, { ...right, thing: other.id })).toEqual(['thing']);
  });

  test('levers: one that clears is right; none is right where none does', () => {
    const task = practiceTask('lever', 2) as TouchTask;
    const { id, steerDeg, travelMm, gapMm } = task.answer;
    const given = { thing: id, steerDeg, travelMm, gapMm };
    for (const { kind, clears } of task.levers) {
      expect(missesOfTouch(task, { ...given, lever: kind })).toEqual(clears ? [] : ['lever']);
    }
    const anyClears = task.levers.some(({ clears }) => clears);
    expect(missesOfTouch(task, given)).toEqual(anyClears ? ['lever'] : []);
  });
});
