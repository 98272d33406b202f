import { expect, test } from '@jest/globals';
import type { ObstacleVerdict } from './evaluate';
import { cornerVerdicts, worstOfCorners } from './worst-of-corners';

const one = (corner: string, marginMm: number, verdict: string): ObstacleVerdict =>
  ({ corner, marginMm, verdict }) as ObstacleVerdict;

test('each corner is as its worst part is; of one without parts nothing is said', () => {
  const worst = worstOfCorners([
    one('frontLeft', 4, 'close'),
    one('frontLeft', -2, 'tooClose'),
    one('rearRight', 30, 'clear'),
    one('frontLeft', 12, 'clear'),
  ]);
  expect(worst.get('frontLeft')?.marginMm).toBe(-2);
  expect(cornerVerdicts(worst)).toEqual({ frontLeft: 'tooClose', rearRight: 'clear' });
});
