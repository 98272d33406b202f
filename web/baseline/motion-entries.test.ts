import { describe, expect, test } from '@jest/globals';
import { cornerSchema } from '@/contracts/lowgap-file';
import { parseWith } from '@/contracts/parse';
import { attempt } from '@/core/1-base/problem';
import { surveyMotion } from '@/core/2-vehicle/setup/motion-under';
import { blankCorner } from './blank-corner';
import { blankMotion, MOTION_CHOICES, motionEntries, motionHelp } from './motion-entries';

describe.each(MOTION_CHOICES.map(({ value }) => value))('%s', (type) => {
  const corner = () => ({ ...blankCorner('frontLeft'), motion: blankMotion(type) });

  test('starts as something a file may hold and the engine can move', () => {
    expect(parseWith(cornerSchema, corner())).toMatchObject({ ok: true });
    expect(attempt(() => surveyMotion('frontLeft', corner()).wheelPose({ travel: 40, steer: 0.2 }))).toMatchObject({
      ok: true,
    });
    expect(motionHelp(corner().motion).length).toBeGreaterThan(20);
  });

  test('every number can be written, read back and, where it may be left out, cleared again', () => {
    const target = corner();
    for (const entry of motionEntries(target.motion)) {
      const value = Math.min(
        entry.range.max,
        Math.max(entry.range.min, entry.range.min + 0.51 * (entry.range.max - entry.range.min)),
      );
      entry.write(target, value);
      expect([entry.label, entry.read(target)]).toEqual([entry.label, expect.closeTo(value, 9)]);
      if (entry.optional && entry.typedAs.startsWith('motion.') && !/^motion\.(link|panhard)/.test(entry.typedAs)) {
        entry.write(target, undefined);
        expect([entry.label, entry.read(target)]).toEqual([entry.label, undefined]);
      }
    }
  });
});

test('hard points from a file are left alone and named as such', () => {
  const points = {
    pivotInner: [400, -300, 20] as [number, number, number],
    pivotOuter: [420, 30, 20] as [number, number, number],
  };
  expect(motionEntries({ type: 'trailingArm', points })).toEqual([]);
  expect(motionHelp({ type: 'trailingArm', points })).toContain('2 hard points');
});
