import type { CutSheet } from '@/core/plan/cut-sheet';

/** A made-up sheet with a slanting cut, for tests. */
export const SHEET: CutSheet = {
  corner: 'frontLeft',
  id: 'panel',
  label: 'Inner fender <left>',
  requiredMm: 8,
  edge: [
    [
      [-150, 440],
      [150, 440],
      [150, 640],
      [-150, 640],
      [-150, 440],
    ],
  ],
  cut: [
    [
      [-150, 470.25],
      [20, 481.5],
      [150, 466],
    ],
  ],
  firstCut: [
    [
      [-150, 465.25],
      [150, 461],
    ],
  ],
  allowanceMm: 5,
  hub: [0, 0],
  isUpright: true,
  depthMm: 41.5,
  lengthMm: 302,
  areaMm2: 9300,
  firstAreaMm2: 7100,
  offPlaneMm: 0.4,
  uncovers: null,
};
