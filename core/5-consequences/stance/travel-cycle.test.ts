import { describe, expect, test } from '@jest/globals';
import { travelCycle, type CycleComputed } from './travel-cycle';

const NOTHING: CycleComputed = {
  shockMm: null,
  slipEngagedMm: null,
  hoseSlackMm: null,
  coilGapMm: null,
  trackBarGapMm: null,
};
const STOPS = { droop: -110, bump: 80 };

describe('a corner stepped through its travel', () => {
  test('steps stand in the order of travel, whichever way they were taken, each beside what was computed', () => {
    const { rows } = travelCycle(
      [
        { hubToLipMm: 470, shockMm: 468 },
        { hubToLipMm: 620, shockMm: 561 },
        { hubToLipMm: 520, shockMm: 500 },
      ],
      520,
      { ...NOTHING, shockMm: (travel) => 500 - 0.6 * travel },
      {},
      STOPS,
    );
    expect(rows.map(({ travelMm }) => travelMm)).toEqual([-100, 0, 50]);
    expect(rows[0]!.watched.shockMm).toEqual({ measuredMm: 561, computedMm: 560 });
  });

  test('a slip joint believed to pull apart in droop engages further there: the sign is read off, not guessed', () => {
    const { trends } = travelCycle(
      [
        { hubToLipMm: 620, slipEngagedMm: 66 },
        { hubToLipMm: 520, slipEngagedMm: 60 },
        { hubToLipMm: 450, slipEngagedMm: 55.8 },
      ],
      520,
      NOTHING,
      { slipEngagedMm: { leastMm: 56.4 } },
      STOPS,
    );
    expect(trends).toEqual([
      {
        what: 'slipEngagedMm',
        direction: 'shrinks',
        perMm: expect.closeTo(-0.06, 9),
        runsOutAtMm: expect.closeTo(60, 6),
      },
    ]);
  });

  test('a hose’s slack is used up before full droop; beyond the stops nothing runs out; one step says nothing', () => {
    const hose = (least: number) =>
      travelCycle(
        [
          { hubToLipMm: 600, hoseSlackMm: 10 },
          { hubToLipMm: 520, hoseSlackMm: 50 },
        ],
        520,
        NOTHING,
        { hoseSlackMm: { leastMm: least } },
        STOPS,
      ).trends[0]!;
    expect(hose(0)).toMatchObject({ direction: 'grows', runsOutAtMm: expect.closeTo(-100, 9) });
    expect(hose(-20).runsOutAtMm).toBeNull();
    expect(travelCycle([{ hubToLipMm: 600, hoseSlackMm: 10 }], 520, NOTHING, {}, STOPS).trends).toEqual([]);
  });
});
