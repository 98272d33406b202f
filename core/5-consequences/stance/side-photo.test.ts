import { expect, test } from '@jest/globals';
import { drawnWheel } from './side-photo';

const WHEEL = { hub: { x: 300, y: 400 }, tireEdge: { x: 300 + 60, y: 400 - 80 } };

test('the fitted tire scales the photo; the new one stands lower and larger by its own numbers', () => {
  // 100 pixels are half of 800 mm.
  const drawn = drawnWheel(
    WHEEL,
    { diameterBeforeMm: 800, diameterAfterMm: 880, hubDropMm: 40, bodyRiseMm: 80 },
    0.96,
  )!;
  expect(drawn.pixelsPerMm).toBe(0.25);
  expect(drawn.before.radiusPx).toBe(100);
  expect(drawn.after).toEqual({ centre: { x: 300, y: 410 }, radiusPx: 110 });
  expect(drawn.groundAfterY - drawn.groundBeforeY).toBe(20);
  expect(drawn.groundBeforeY).toBe(496);
});

test('two marks on one place are no wheel', () => {
  const change = { diameterBeforeMm: 800, diameterAfterMm: 880, hubDropMm: 0, bodyRiseMm: 0 };
  expect(drawnWheel({ hub: WHEEL.hub, tireEdge: { x: 305, y: 402 } }, change)).toBeNull();
});
