import { marginWords } from '@/core/4-clearance/case/standard';
import type { CutSheet } from '@/core/6-decisions/plan/cut-sheet';
import { cornerName } from '../core/2-vehicle/setup/corner-key';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';

/** What a drawing of a cut sheet is made of, each on its own layer. */
export const SHEET_LAYERS = ['EDGE', 'CUT', 'FIRST_CUT', 'FOLD', 'LOOKS', 'REGISTER', 'CHECK'] as const;
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
const MARK_MM = 15;

const mm = (value: number): string => value.toFixed(1);

/** Lines and texts of a cut sheet at full size: right and up, as seen from outside the vehicle. */
export function sheetDrawing(sheet: CutSheet): SheetDrawing {
  const { edge, need, firstCut, flapEdge, looks, hub, isUpright } = sheet;
  const folds = sheet.flapMm > 0;
  const drawn = [...edge, ...need, ...firstCut, ...flapEdge, ...(looks?.lines ?? [])].flat();
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
  const rulerTop = squareTop - CHECK_SQUARE_MM - MARGIN_MM;
  const lines: SheetLine[] = [
    ...layer('EDGE', edge),
    ...layer(folds ? 'FOLD' : 'CUT', need),
    ...layer('CUT', flapEdge),
    ...layer('FIRST_CUT', firstCut),
    ...layer('LOOKS', looks?.lines ?? []),
    ...layer('REGISTER', register),
    ...layer('CHECK', [square, ...ruler(left, rulerTop)]),
  ];
  const texts = [
    ...saidOf(sheet, isUpright ? bottom - hubY : null).map((text, i) => ({
      at: [left, rulerTop - 22 - 7 * i] as const,
      text,
    })),
    ...Array.from({ length: RULER_MM / 50 + 1 }, (_, i) => ({
      at: [left + 50 * i + 1, rulerTop - 10] as const,
      text: String(50 * i),
    })),
    ...named(sheet),
  ];
  const all = lines.flatMap(({ points }) => points);
  const box = {
    left: Math.min(...all.map(([x]) => x)) - MARGIN_MM,
    bottom: Math.min(...all.map(([, y]) => y)) - TEXT_HEIGHT_MM - MARGIN_MM,
  };
  return {
    lines,
    texts,
    box: {
      ...box,
      width: Math.max(...all.map(([x]) => x), left + TEXT_WIDTH_MM) + MARGIN_MM - box.left,
      height: Math.max(...all.map(([, y]) => y)) + MARGIN_MM - box.bottom,
    },
  };
}

/** mm the texts take, about: no more than a page shows. */
const TEXT_WIDTH_MM = 165;
const TEXT_HEIGHT_MM = 60;

/** mm of ruler, marked every 5 mm. */
export const RULER_MM = 150;

function ruler(left: number, top: number): SheetPoint[][] {
  const ticks = Array.from({ length: RULER_MM / 5 + 1 }, (_, i): SheetPoint[] => [
    [left + 5 * i, top],
    [left + 5 * i, top - (i % 10 === 0 ? 7 : i % 2 === 0 ? 4.5 : 2.5)],
  ]);
  return [
    [
      [left, top],
      [left + RULER_MM, top],
    ],
    ...ticks,
  ];
}

/** What the sheet says beside its lines. */
function saidOf(sheet: CutSheet, levelAboveHubMm: number | null): string[] {
  const { looks } = sheet;
  return [
    `${sheet.label}, ${cornerName(sheet.corner)}${sheet.mirrored ? ', mirrored for the other side' : ''}`,
    `${sheet.flapMm > 0 ? 'Fold' : 'Cut'} to leave ${mm(sheet.requiredMm)} mm: deepest ${mm(sheet.depthMm)} mm, ${mm(sheet.lengthMm)} mm long`,
    sheet.flapMm > 0
      ? `Cut ${mm(sheet.flapMm)} mm short of the fold line; slit the flap where it curves`
      : `First cut (dashed) leaves ${mm(sheet.allowanceMm)} mm: flex again before the final one`,
    ...(looks
      ? [
          looks.marginMm < 0
            ? `Line for looks takes too little: ${marginWords(looks.marginMm)}`
            : `Line for looks takes ${Math.round(looks.beyondNeedMm2 / 100)} cm2 beyond need`,
        ]
      : []),
    levelAboveHubMm === null
      ? 'Lies level: no plumb line'
      : `Plumb line through the hub's centre; level line ${mm(Math.abs(levelAboveHubMm))} mm ${levelAboveHubMm < 0 ? 'below' : 'above'} it`,
    `Square is ${CHECK_SQUARE_MM} mm a side; the panel leaves the flat by ${mm(sheet.offPlaneMm)} mm`,
    'Look behind before cutting. Eye protection. Deburr, prime, seal.',
  ];
}

/** Each kind of line by name, each at another share of its length, so that names of neighbouring lines do not meet. */
function named({ need, flapEdge, flapMm, firstCut, looks }: CutSheet): SheetDrawing['texts'] {
  const name = (lines: readonly (readonly SheetPoint[])[], text: string, share: number): SheetDrawing['texts'] => {
    const longest = [...lines].sort((a, b) => b.length - a.length)[0];
    const at = longest?.[Math.floor((longest.length - 1) * share)];
    return at ? [{ at: [at[0] + 2, at[1] + 2], text }] : [];
  };
  return [
    ...name(need, flapMm > 0 ? 'FOLD' : 'CUT', 0.75),
    ...name(flapEdge, 'CUT', 0.5),
    ...name(firstCut, 'FIRST CUT', 0.25),
    ...name(looks?.lines ?? [], 'LOOKS', 0.1),
  ];
}
