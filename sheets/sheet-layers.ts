import type { CutSheet } from '@/core/plan/cut-sheet';
import type { SheetPoint } from '@/core/panel/flat-sheet';

/** What a drawing of a cut sheet is made of, each on its own layer. */
export const SHEET_LAYERS = ['EDGE', 'CUT', 'FIRST_CUT', 'REGISTER', 'CHECK'] as const;
export type SheetLayer = (typeof SHEET_LAYERS)[number];

export interface SheetLine {
  readonly layer: SheetLayer;
  readonly points: readonly SheetPoint[];
}

export interface SheetDrawing {
  readonly lines: readonly SheetLine[];
  readonly texts: readonly { readonly at: SheetPoint; readonly text: string }[];
  /** Around all of it, mm. */
  readonly box: { readonly left: number; readonly bottom: number; readonly width: number; readonly height: number };
}

/** mm of side of the square that proves the scale. */
export const CHECK_SQUARE_MM = 100;

/** mm around the drawing, and between the panel and the check square. */
const MARGIN_MM = 12;

/** mm of the plumb and level marks beyond the panel. */
const MARK_MM = 25;

const mm = (value: number): string => value.toFixed(1);

/** Lines and texts of a cut sheet at full size: right and up, as seen from outside the vehicle. */
export function sheetDrawing(sheet: CutSheet): SheetDrawing {
  const { edge, cut, firstCut, hub, isUpright } = sheet;
  const drawn = [...edge, ...cut, ...firstCut].flat();
  const left = Math.min(...drawn.map(([x]) => x));
  const right = Math.max(...drawn.map(([x]) => x));
  const bottom = Math.min(...drawn.map(([, y]) => y));
  const top = Math.max(...drawn.map(([, y]) => y));
  const layer = (name: SheetLayer, lines: readonly (readonly SheetPoint[])[]): SheetLine[] =>
    lines.map((points) => ({ layer: name, points }));
  const [hubX, hubY] = hub;
  // Plumb above the hub and level through the panel's lower end: both can be drawn on the vehicle.
  const register: SheetPoint[][] = isUpright
    ? [
        [
          [hubX, bottom - MARK_MM],
          [hubX, top + MARK_MM],
        ],
        [
          [left - MARK_MM, bottom],
          [right + MARK_MM, bottom],
        ],
      ]
    : [];
  const squareTop = bottom - MARK_MM - MARGIN_MM;
  const square: SheetPoint[] = [
    [left, squareTop],
    [left + CHECK_SQUARE_MM, squareTop],
    [left + CHECK_SQUARE_MM, squareTop - CHECK_SQUARE_MM],
    [left, squareTop - CHECK_SQUARE_MM],
    [left, squareTop],
  ];
  const lines: SheetLine[] = [
    ...layer('EDGE', edge),
    ...layer('CUT', cut),
    ...layer('FIRST_CUT', firstCut),
    ...layer('REGISTER', register),
    ...layer('CHECK', [square]),
  ];
  const texts = [
    `${sheet.label}, ${sheet.corner}: cut to leave ${mm(sheet.requiredMm)} mm`,
    `Deepest ${mm(sheet.depthMm)} mm, ${mm(sheet.lengthMm)} mm long; first cut leaves ${mm(sheet.allowanceMm)} mm for a second`,
    isUpright
      ? `Plumb line above the hub's centre; level line ${mm(bottom - hubY)} mm above it`
      : 'Lies level: no plumb line',
    `This square is ${CHECK_SQUARE_MM} mm a side; the panel leaves the flat by ${mm(sheet.offPlaneMm)} mm`,
  ].map((text, i) => ({ at: [left + CHECK_SQUARE_MM + MARGIN_MM, squareTop - 12 - 9 * i] as const, text }));
  const all = lines.flatMap(({ points }) => points);
  const box = {
    left: Math.min(...all.map(([x]) => x)) - MARGIN_MM,
    bottom: Math.min(...all.map(([, y]) => y)) - MARGIN_MM,
  };
  return {
    lines,
    texts,
    box: {
      ...box,
      width: Math.max(...all.map(([x]) => x), left + CHECK_SQUARE_MM + TEXT_WIDTH_MM) + MARGIN_MM - box.left,
      height: Math.max(...all.map(([, y]) => y)) + MARGIN_MM - box.bottom,
    },
  };
}

/** mm the texts take beside the check square, about. */
const TEXT_WIDTH_MM = 190;
