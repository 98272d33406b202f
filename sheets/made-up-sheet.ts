import type { CutSheet } from '@/core/6-decisions/plan/cut-sheet';
import type { OrderDocument } from './order-document';

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
    ],
  ],
  outline: [
    [
      [-150, 440],
      [150, 440],
      [150, 640],
      [-150, 640],
      [-150, 440],
    ],
  ],
  waste: [
    [
      [-150, 440],
      [150, 440],
      [150, 466],
    ],
    [
      [-150, 440],
      [150, 466],
      [20, 481.5],
    ],
    [
      [-150, 440],
      [20, 481.5],
      [-150, 470.25],
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
  tried: null,
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

/** A made-up work order, long enough for a second page, with letters that the standard fonts do not know. */
export const ORDER: OrderDocument = {
  title: 'Work order',
  facts: [
    ['Vehicle', 'Invented wagon no. 3'],
    ['Customer', 'Ő. Example'],
  ],
  gaps: Array.from({ length: 30 }, (_, i) => ({
    thing: `Part ${i}, front left`,
    wanted: '8 mm',
    before: '-3 mm (-1/8 in), RUBS',
    after: '8.5 mm (5/16 in)',
    verdict: 'close',
  })),
  steps: Array.from({ length: 20 }, (_, i) => ({
    what: `Step ${i}`,
    time: '30 min',
    money: '43.00',
    cautions: ['Eye protection when cutting or grinding.'],
  })),
  parts: [{ name: 'Primer', where: '', quantity: '1', unit: '0.00', sum: '0.00' }],
  sums: [['Total', '653.59']],
  notes: ['A note.'],
  statements: [],
  signatures: ['Customer', 'Shop'],
  closing: 'A trial fit stays the last word.',
};
