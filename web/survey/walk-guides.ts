import type { TapeGuide } from '../help/tape-guides';
import type { Asked } from './walk-state';

/** Which drawings show how what is asked for is measured. */
export function guidesFor(asked: Asked, isHeight: boolean): TapeGuide['id'][] {
  if (asked.kind === 'outboard') return ['outboard'];
  if (isHeight) return ['hubToLip'];
  if (!asked.nearest) return asked.withOutboard ? ['straightOut', 'outboard'] : ['straightOut'];
  if (asked.stop === 'bumper-corner') return ['corner'];
  return asked.across.startsWith('inner') ? ['inboard', 'nearest'] : ['nearest'];
}
