import { expect, test } from '@jest/globals';
import { TAPE_GUIDES } from '../help/tape-guides';
import { guidesFor } from './walk-guides';
import type { GapAsked } from './walk-state';

const asked = (more: Partial<GapAsked>): GapAsked => ({
  kind: 'gap',
  stop: 'fender-lip',
  label: 'Fender lip',
  step: 0,
  clock: '12:00',
  nearest: false,
  across: 'tread',
  steer: 'straight',
  height: 'ride',
  ...more,
});

test('each thing asked for has a drawing of how it is measured', () => {
  expect(guidesFor(asked({ withOutboard: true }), false)).toEqual(['straightOut', 'outboard']);
  expect(guidesFor(asked({}), false)).toEqual(['straightOut']);
  expect(guidesFor(asked({ nearest: true, stop: 'bumper-corner' }), false)).toEqual(['corner']);
  expect(guidesFor(asked({ nearest: true, across: 'innerSidewall' }), false)).toEqual(['inboard', 'nearest']);
  expect(guidesFor(asked({ height: 'bump' }), true)).toEqual(['hubToLip']);
  expect(
    guidesFor({ kind: 'outboard', stop: 'fender-lip', label: 'Fender lip', step: 0, clock: '12:00' }, false),
  ).toEqual(['outboard']);
});

test('every drawing stays within its box and measures something', () => {
  for (const { tape, says } of TAPE_GUIDES) {
    expect(tape.length).toBeGreaterThan(0);
    expect(says.endsWith('.')).toBe(true);
    for (const [x1, y1, x2, y2] of tape) {
      for (const x of [x1, x2]) expect(x >= 0 && x <= 160).toBe(true);
      for (const y of [y1, y2]) expect(y >= 0 && y <= 110).toBe(true);
    }
  }
});
