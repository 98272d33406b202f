import { expect, test } from '@jest/globals';
import type { ObstacleVerdict } from '@/core/clearance/evaluate';
import { postureWords, verdictSentence } from './words';

const VERDICT: ObstacleVerdict = {
  corner: 'frontLeft',
  id: 'fender-lip',
  label: 'Fender lip',
  mount: 'body',
  material: 'sheetMetal',
  gapMm: 3.2,
  requiredMm: 8,
  marginMm: -4.8,
  verdict: 'rubs',
  steerDeg: 13.7,
  crossMm: 0,
  travelMm: 82,
  at: [0, 0, 0],
  clock: '12:52',
  across: 'outerShoulder',
  lateralToleranceMm: 0,
};

test('postures are said from the parked height', () => {
  expect(postureWords(0, -38.1, -38.1)).toBe('straight ahead, at ride height');
  expect(postureWords(-30.5, 82, 0)).toBe('steered 31° right, 82 mm up from ride');
  expect(postureWords(12, -60, -38)).toBe('steered 12° left, 22 mm down from ride');
});

test('a verdict is a sentence to say aloud', () => {
  expect(verdictSentence(VERDICT, 0)).toBe(
    'Fender lip comes down to 3.2 mm (1/8 in) at 12:52 on the outer shoulder, steered 14° left, 82 mm up from ride: ' +
      '4.8 mm short of the 8 mm wanted.',
  );
  expect(verdictSentence({ ...VERDICT, gapMm: -12.7, marginMm: -20.7 }, 0)).toContain(
    'is overlapped by 12.7 mm (1/2 in)',
  );
  expect(verdictSentence({ ...VERDICT, gapMm: 20, marginMm: 12 }, 0)).toContain('12 mm more than the 8 mm wanted');
});
