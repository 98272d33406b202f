import { describe, expect, test } from '@jest/globals';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { Lever, ObstacleLevers } from '@/core/6-decisions/levers/levers';
import { postureWords, shortPosture } from './words';
import { leverSentence, verdictSentence } from './advice';

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
    'Fender lip comes down to 3.2 mm (1/8 in) at 11:08 on the outer shoulder, steered 14° left, 82 mm up from ride: ' +
      'needs 8 mm, short by 4.8 mm.',
  );
  expect(verdictSentence({ ...VERDICT, gapMm: -12.7, marginMm: -20.7 }, 0)).toContain(
    'is overlapped by 12.7 mm (1/2 in)',
  );
  expect(verdictSentence({ ...VERDICT, gapMm: 20, marginMm: 12 }, 0)).toContain('needs 8 mm, 12 mm to spare');
});

describe('what would clear it, said aloud', () => {
  const lever = (kind: Lever['kind'], outcome: Lever['outcome'], amount = 0, upsets: Lever['upsets'] = []): Lever => ({
    kind,
    unit: kind.startsWith('rim') ? 'in' : 'mm',
    outcome,
    amount,
    bestMarginMm: 0,
    upsets,
  });
  const of = (levers: Lever[], rest: Partial<ObstacleLevers> = {}): ObstacleLevers => ({
    corner: 'frontLeft',
    id: 'lip',
    label: 'Fender lip',
    marginMm: -9,
    levers,
    trimMm: null,
    unbolts: false,
    ...rest,
  });

  test('the ways in the order a counter names them, and that lift does nothing', () => {
    const levers = [
      lever('diameterLess', 'clears', 24.91),
      lever('offsetMore', 'clears', 17.98),
      lever('springLift', 'nothing'),
      lever('bodyLift', 'nothing'),
    ];
    expect(leverSentence(of(levers, { trimMm: 12 }))).toBe(
      '18 mm more offset, or 25 mm less diameter, or trim 12 mm here; lift does nothing.',
    );
  });

  test('one that upsets something else is not recommended', () => {
    const upsets = [{ id: 'arm', label: 'Upper arm', beforeMm: 3, afterMm: -4 }] as unknown as Lever['upsets'];
    expect(leverSentence(of([lever('offsetMore', 'clears', 10, upsets)]))).toBe(
      'No single change clears it without upsetting something else.',
    );
    expect(leverSentence(of([lever('offsetMore', 'helps', 10)]))).toBe('No single change clears it.');
    expect(leverSentence(of([], { unbolts: true }))).toBe('Unbolt it.');
  });
});

test('a posture in little room', () => {
  expect([shortPosture(-38.2, -60), shortPosture(0.2, 0), shortPosture(12, 30, 10)]).toEqual([
    '38° right, 60 down',
    'straight, at ride',
    '12° left, 20 up',
  ]);
});
