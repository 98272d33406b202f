import { describe, expect, test } from '@jest/globals';
import type { WheelPhotoEntry } from '@/contracts/wheel-photo-schema';
import { blankCorner } from '../../baseline/blank-corner';
import { isStageDone, marksOf, mostMarks, nextStage, stageAsks, STAGES, traceableOf, withMarks } from './photo-state';

const at = (x: number, y = 0.5) => ({ x, y });
const many = (count: number) => Array.from({ length: count }, (_, i) => at(i / 100));
const EMPTY: WheelPhotoEntry = {
  photoId: '7e032031-cf29-438c-98f4-73c7bf84d91f',
  widthPx: 1600,
  heightPx: 1200,
  steer: 'straight',
  travelMm: 0,
  rim: [],
  outline: [],
  traces: [],
};

describe('marking a picture', () => {
  test('goes from the hub to the rim, the tire, a plumb line and the edges', () => {
    const whole = { ...EMPTY, hub: at(0.5), rim: many(8), outline: many(4) };
    expect(nextStage(EMPTY)).toBe('hub');
    expect(nextStage({ ...EMPTY, hub: at(0.5), rim: many(7) })).toBe('rim');
    expect(nextStage({ ...EMPTY, hub: at(0.5), rim: many(8) })).toBe('outline');
    expect(nextStage(whole)).toBe('plumb');
    expect(nextStage({ ...whole, plumb: [at(0), at(1)] })).toBe('trace');
    expect(nextStage({ ...whole, traces: [{ of: 'fender-lip', along: many(2) }] })).toBe('trace');
    expect(STAGES.filter((stage) => isStageDone(whole, stage))).toEqual(['hub', 'rim', 'outline']);
  });

  test.each(STAGES)('marks of the %s are kept by themselves and taken back', (stage) => {
    const marks = many(mostMarks(stage) === 1 ? 1 : 2);
    const marked = withMarks(EMPTY, stage, 'fender-lip', marks);
    expect(marksOf(marked, stage, 'fender-lip')).toEqual(marks);
    for (const other of STAGES) if (other !== stage) expect(marksOf(marked, other, 'fender-lip')).toEqual([]);
    expect(withMarks(marked, stage, 'fender-lip', [])).toEqual(EMPTY);
  });

  test('a trace belongs to its part; without a part nothing is traced', () => {
    const two = withMarks(withMarks(EMPTY, 'trace', 'a', many(3)), 'trace', 'b', many(2));
    expect(marksOf(two, 'trace', 'a')).toHaveLength(3);
    expect(marksOf(two, 'trace', 'b')).toHaveLength(2);
    expect(withMarks(EMPTY, 'trace', null, many(3))).toBe(EMPTY);
  });

  test('says how many are still wanted', () => {
    expect(stageAsks({ ...EMPTY, rim: many(5) }, 'rim', '')).toContain('3 more');
    expect(stageAsks({ ...EMPTY, rim: many(9) }, 'rim', '')).toContain('surer');
    expect(stageAsks(EMPTY, 'trace', 'Fender lip')).toContain('Fender lip');
    expect(stageAsks(EMPTY, 'trace', '')).toBe('Choose what to trace.');
  });
});

test('what can be traced: parts read as an edge, and the body’s edges of the walk that were neither begun nor skipped', () => {
  const corner = blankCorner('frontLeft');
  const obstacle = { id: 'step', label: 'Step', mount: 'body' as const, material: 'plastic' as const, readings: [] };
  const found = traceableOf({
    ...corner,
    obstacles: [
      { ...obstacle, readingsAs: 'uprightEdge' as const },
      { ...obstacle, id: 'loose', readingsAs: 'points' as const },
    ],
    skipped: ['pinch-weld'],
  }).map(({ id }) => id);
  expect(found).toContain('step');
  expect(found).toContain('fender-lip');
  expect(found).not.toContain('loose');
  expect(found).not.toContain('pinch-weld');
  expect(found).not.toContain('frame-rail');
});
