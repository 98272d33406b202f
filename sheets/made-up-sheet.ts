import type { CutSheet } from '@/core/plan/cut-sheet';

/** A made-up sheet with a slanting cut, for tests. */
export const SHEET: CutSheet = {
  corner: 'frontLeft',
  id: 'panel',
  label: 'Inner fender <left>',
  mirrored: false,
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
  need: [
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
  flapEdge: [],
  flapMm: 0,
  looks: null,
  hub: [0, 0],
  isUpright: true,
  depthMm: 41.5,
  lengthMm: 302,
  areaMm2: 9300,
  firstAreaMm2: 7100,
  offPlaneMm: 0.4,
  uncovers: null,
};

/** The same with a flap to fold over, and a straight line for looks. */
export const FOLDED: CutSheet = {
  ...SHEET,
  firstCut: [],
  flapMm: 15,
  flapEdge: [
    [
      [-150, 455.25],
      [20, 466.5],
      [150, 451],
    ],
  ],
  looks: {
    lines: [
      [
        [-150, 490],
        [150, 490],
      ],
    ],
    lengthMm: 300,
    areaMm2: 15_000,
    beyondNeedMm2: 4200,
    leftStandingMm2: 0,
    marginMm: 1.5,
  },
};
