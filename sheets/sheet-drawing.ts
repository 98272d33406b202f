import { marginWords } from '@/core/4-clearance/case/standard';
import type { CutSheet } from '@/core/6-decisions/plan/cut-sheet';
import { cornerName, sideOf } from '../core/2-vehicle/setup/corner-key';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';
import { hatch } from './hatch';

/** What a drawing of a cut sheet is made of, each on its own layer. */
export const SHEET_LAYERS = [
  'OUTLINE',
  'EDGE',
  'WASTE',
  'CUT',
  'FIRST_CUT',
  'FOLD',
  'LOOKS',
  'REGISTER',
  'CHECK',
] as const;
export type SheetLayer = (typeof SHEET_LAYERS)[number];

export interface SheetLine {
  readonly layer: SheetLayer;
  readonly points: readonly SheetPoint[];
}

export interface SheetText {
  readonly at: SheetPoint;
  readonly text: string;
}

export interface SheetBox {
  readonly left: number;
  readonly bottom: number;
  readonly width: number;
  readonly height: number;
}

/** Lines and the texts that stand beside them, with what is around all of it, mm. */
interface Drawn {
  readonly lines: readonly SheetLine[];
  readonly texts: readonly SheetText[];
  readonly box: SheetBox;
}

export interface SheetDrawing extends Drawn {
  /** The panel alone with its marks: what is laid on the vehicle. */
  readonly panel: Drawn;
  /** What the sheet says. */
  readonly legend: readonly string[];
  readonly name: string;
  /** Where the vehicle's front lies on the paper, and what is up on it. */
  readonly front: 'left' | 'right';
  readonly up: 'UP' | 'OUTBOARD';
}

/** mm of side of the square that proves the scale. */
export const CHECK_SQUARE_MM = 100;

/** mm around the drawing, and between the panel and the check square. */
const MARGIN_MM = 12;

/** mm of the plumb and level marks beyond the panel, and of paper beyond them. */
const MARK_MM = 15;
const BESIDE_MM = 5;

const mm = (value: number): string => value.toFixed(1);

/** Lines and texts of a cut sheet at full size: right and up, as seen from outside the vehicle. */
export function sheetDrawing(sheet: CutSheet): SheetDrawing {
  const front = (sideOf(sheet.corner) === 'left') !== sheet.mirrored ? 'left' : 'right';
  const panel = panelDrawn(sheet, front);
  const { left, bottom } = panel.box;
  const legend = saidOf(sheet, front);
  const squareTop = bottom - MARGIN_MM;
  const start = left + MARGIN_MM;
  const square: SheetPoint[] = [
    [start, squareTop],
    [start + CHECK_SQUARE_MM, squareTop],
    [start + CHECK_SQUARE_MM, squareTop - CHECK_SQUARE_MM],
    [start, squareTop - CHECK_SQUARE_MM],
    [start, squareTop],
  ];
  const rulerTop = squareTop - CHECK_SQUARE_MM - MARGIN_MM;
  const lines: SheetLine[] = [
    ...panel.lines,
    ...[square, ...ruler(start, rulerTop)].map((points) => ({ layer: 'CHECK' as const, points })),
  ];
  const texts: SheetText[] = [
    ...panel.texts,
    ...legend.map((text, i) => ({ at: [start, rulerTop - 22 - LINE_MM * i] as const, text })),
    ...Array.from({ length: RULER_MM / 50 + 1 }, (_, i) => ({
      at: [start + 50 * i + 1, rulerTop - 10] as const,
      text: String(50 * i),
    })),
  ];
  const lowest = rulerTop - 22 - LINE_MM * legend.length - MARGIN_MM;
  return {
    panel,
    legend,
    name: nameOf(sheet),
    front,
    up: sheet.isUpright ? 'UP' : 'OUTBOARD',
    lines,
    texts,
    box: {
      left,
      bottom: lowest,
      width: Math.max(panel.box.width, TEXT_WIDTH_MM + 2 * MARGIN_MM),
      height: bottom + panel.box.height - lowest,
    },
  };
}

/** mm the texts take, about, and from one to the next. */
const TEXT_WIDTH_MM = 165;
const LINE_MM = 7;

/** The panel at full size with the lines by which it is laid on the vehicle. */
function panelDrawn(sheet: CutSheet, front: 'left' | 'right'): Drawn {
  const { edge, outline, need, firstCut, flapEdge, looks, waste } = sheet;
  const folds = sheet.flapMm > 0;
  const drawn = [...edge, ...outline, ...need, ...firstCut, ...flapEdge, ...(looks?.lines ?? [])].flat();
  const around = {
    left: Math.min(...drawn.map(([x]) => x)),
    right: Math.max(...drawn.map(([x]) => x)),
    bottom: Math.min(...drawn.map(([, y]) => y)),
    top: Math.max(...drawn.map(([, y]) => y)),
  };
  const layer = (name: SheetLayer, lines: readonly (readonly SheetPoint[])[]): SheetLine[] =>
    lines.map((points) => ({ layer: name, points }));
  const register = registerOf(sheet, around, front);
  const lines: SheetLine[] = [
    ...layer('WASTE', hatch(waste)),
    ...layer('OUTLINE', outline),
    ...layer('EDGE', edge),
    ...layer(folds ? 'FOLD' : 'CUT', need),
    ...layer('CUT', flapEdge),
    ...layer('FIRST_CUT', firstCut),
    ...layer('LOOKS', looks?.lines ?? []),
    ...layer('REGISTER', register.lines),
  ];
  const all = lines.flatMap(({ points }) => points);
  const left = Math.min(...all.map(([x]) => x)) - BESIDE_MM;
  const bottom = Math.min(...all.map(([, y]) => y)) - BESIDE_MM;
  return {
    lines,
    texts: [...register.texts, ...named(sheet)],
    box: {
      left,
      bottom,
      width: Math.max(...all.map(([x]) => x)) + BESIDE_MM - left,
      height: Math.max(...all.map(([, y]) => y)) + BESIDE_MM - bottom,
    },
  };
}

interface Around {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

/**
 * A plumb and a level line through the panel, with their distances from the hub: both can be drawn on the vehicle. Plumb above the hub where the
 * panel reaches there, else through the panel's middle.
 */
function registerOf(
  { hub: [hubX, hubY], isUpright }: CutSheet,
  { left, right, bottom, top }: Around,
  front: 'left' | 'right',
): { readonly lines: readonly (readonly SheetPoint[])[]; readonly texts: readonly SheetText[] } {
  if (!isUpright) return { lines: [], texts: [] };
  const overHub = hubX >= left && hubX <= right;
  const plumbX = overHub ? hubX : (left + right) / 2;
  const away = plumbX - hubX;
  const toFront = away < 0 === (front === 'left');
  const levelBy = bottom - hubY;
  return {
    lines: [
      [
        [plumbX, bottom - MARK_MM],
        [plumbX, top + MARK_MM],
      ],
      [
        [left - MARK_MM, bottom],
        [right + MARK_MM, bottom],
      ],
    ],
    texts: [
      {
        at: [plumbX + 2, top + 2],
        text: overHub
          ? 'PLUMB, through the hub’s center'
          : `PLUMB, ${mm(Math.abs(away))} mm ${toFront ? 'ahead of' : 'behind'} the hub’s center`,
      },
      {
        at: [left - MARK_MM, bottom - 6],
        text: `LEVEL, ${mm(Math.abs(levelBy))} mm ${levelBy < 0 ? 'below' : 'above'} the hub’s center`,
      },
    ],
  };
}

/** mm of ruler, marked every 5 mm. */
export const RULER_MM = 150;

/** A ruler to the right of a place; its ticks hang down. */
export function ruler(left: number, top: number): SheetPoint[][] {
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

const nameOf = (sheet: CutSheet): string =>
  `${sheet.label}, ${cornerName(sheet.corner)}${sheet.mirrored ? ', mirrored for the other side' : ''}`;

/** What the sheet says beside its lines. */
function saidOf(sheet: CutSheet, front: 'left' | 'right'): string[] {
  const { looks } = sheet;
  return [
    nameOf(sheet),
    `Seen from outside the vehicle: its front is to the ${front}${sheet.isUpright ? ', up is up' : '; the sheet lies level'}`,
    `${sheet.flapMm > 0 ? 'Fold' : 'Cut'} to leave ${mm(sheet.requiredMm)} mm: deepest ${mm(sheet.depthMm)} mm from the present edge, ${mm(sheet.lengthMm)} mm long`,
    sheet.flapMm > 0
      ? `Cut ${mm(sheet.flapMm)} mm short of the fold line; slit the flap where it curves; what is hatched goes`
      : `First cut (dashed) leaves ${mm(sheet.allowanceMm)} mm: flex again before the final one; what is hatched goes`,
    ...(looks
      ? [
          looks.marginMm < 0
            ? `Line for looks takes too little: ${marginWords(looks.marginMm)}`
            : `Line for looks takes ${Math.round(looks.beyondNeedMm2 / 100)} cm2 beyond need`,
        ]
      : []),
    sheet.isUpright
      ? 'Lay it on by its plumb and level lines; how far they are from the hub stands beside them'
      : 'Lies level: no plumb line',
    `Square is ${CHECK_SQUARE_MM} mm a side; the panel leaves the flat by ${mm(sheet.offPlaneMm)} mm`,
    'Look behind before cutting. Eye protection. Deburr, prime, seal.',
  ];
}

/** Each kind of line by name, each at another share of its length, so that names of neighbouring lines do not meet; a fold's beside the flap, off the cut. */
function named({ edge, need, flapEdge, flapMm, firstCut, looks, waste }: CutSheet): SheetText[] {
  const placeOn = (lines: readonly (readonly SheetPoint[])[], share: number): SheetPoint | undefined => {
    const longest = [...lines].sort((a, b) => b.length - a.length)[0];
    return longest?.[Math.floor((longest.length - 1) * share)];
  };
  const right = Math.max(...[...edge, ...need].flat().map(([x]) => x)) + MARK_MM;
  const name = (lines: readonly (readonly SheetPoint[])[], text: string, share: number): SheetText[] => {
    const at = placeOn(lines, share);
    if (!at) return [];
    // What would run off the paper stands before its line.
    const isOff = at[0] + 2 + widthOf(text) > right;
    return [{ at: [isOff ? at[0] - 2 - widthOf(text) : at[0] + 2, at[1] + 2], text }];
  };
  const largest = [...waste].sort((a, b) => areaOf(b) - areaOf(a))[0];
  return [
    ...name(edge, 'PRESENT EDGE', 0.4),
    ...(flapMm > 0 ? besideFlap(placeOn(need, 0.5), flapEdge) : name(need, 'CUT', 0.75)),
    ...name(flapEdge, 'CUT', 0.6),
    ...name(firstCut, 'FIRST CUT', 0.25),
    ...name(looks?.lines ?? [], 'LOOKS', 0.1),
    ...(largest ? [{ at: middleOf(largest), text: 'WASTE' }] : []),
  ];
}

/** mm that a name takes, about. */
const widthOf = (text: string): number => 2.9 * text.length;

/** mm from a fold to its name, on the side that stays: away from the cut. */
const AWAY_MM = 5;

function besideFlap(at: SheetPoint | undefined, cut: readonly (readonly SheetPoint[])[]): SheetText[] {
  if (!at) return [];
  const far = ([x, y]: SheetPoint): number => Math.hypot(x - at[0], y - at[1]);
  const nearest = cut
    .flat()
    .reduce<SheetPoint | null>((best, next) => (!best || far(next) < far(best) ? next : best), null);
  const way = nearest && far(nearest) > 0 ? far(nearest) : 1;
  const [dx, dy] = nearest ? [(at[0] - nearest[0]) / way, (at[1] - nearest[1]) / way] : [1, 1];
  const text = 'FOLD';
  return [{ at: [at[0] + AWAY_MM * dx - (dx < 0 ? widthOf(text) : 0), at[1] + AWAY_MM * dy], text }];
}

type Triangle = CutSheet['waste'][number];
const areaOf = ([[ax, ay], [bx, by], [cx, cy]]: Triangle): number =>
  Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2;
const middleOf = ([a, b, c]: Triangle): SheetPoint => [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3];
