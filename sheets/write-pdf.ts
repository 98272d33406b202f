import PDFDocument from 'pdfkit';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';
import { PAPERS, type Paper } from './paper';
import { pdfBytes } from './pdf-bytes';
import type { SheetDrawing, SheetLayer } from './sheet-drawing';

const PT_PER_MM = 72 / 25.4;

/** mm no printer reaches, and by which neighbouring pages show the same. */
const BORDER_MM = 10;
export const OVERLAP_MM = 10;

/** Half a mark where pages are laid on each other. */
const MARK_MM = 4;

interface Stroke {
  readonly widthMm: number;
  readonly dash: readonly [number, number] | null;
}

const STROKES: Readonly<Record<SheetLayer, Stroke>> = {
  EDGE: { widthMm: 0.5, dash: null },
  CUT: { widthMm: 0.9, dash: null },
  FIRST_CUT: { widthMm: 0.5, dash: [4, 2] },
  FOLD: { widthMm: 0.6, dash: [1.5, 1.5] },
  LOOKS: { widthMm: 0.6, dash: [8, 2] },
  REGISTER: { widthMm: 0.25, dash: [8, 2] },
  CHECK: { widthMm: 0.35, dash: null },
};

/** Where a page shows the drawing: its lower left corner, mm, and its place among the pages. */
export interface Tile {
  readonly left: number;
  readonly bottom: number;
  readonly row: number;
  readonly column: number;
}

/** Pages that together show all of a drawing, each overlapping the next; rows from the top. Those that would stay empty are left out. */
export function tilesOf({ box, lines, texts }: SheetDrawing, paper: Paper): Tile[] {
  const [width, height] = shownOn(paper);
  const columns = Math.max(1, Math.ceil((box.width - OVERLAP_MM) / (width - OVERLAP_MM)));
  const rows = Math.max(1, Math.ceil((box.height - OVERLAP_MM) / (height - OVERLAP_MM)));
  const all = Array.from({ length: rows * columns }, (_, i): Tile => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    return {
      left: box.left + column * (width - OVERLAP_MM),
      bottom: box.bottom + box.height - height - row * (height - OVERLAP_MM),
      row,
      column,
    };
  });
  const stretches = [
    ...lines.flatMap(({ points }) => points.slice(1).map((to, i) => [points[i]!, to] as const)),
    ...texts.map(({ at }) => [at, at] as const),
  ];
  return all.filter(({ left, bottom }) =>
    stretches.some(
      ([[ax, ay], [bx, by]]) =>
        Math.max(ax, bx) >= left &&
        Math.min(ax, bx) <= left + width &&
        Math.max(ay, by) >= bottom &&
        Math.min(ay, by) <= bottom + height,
    ),
  );
}

const shownOn = (paper: Paper): [number, number] => [
  PAPERS[paper].width - 2 * BORDER_MM,
  PAPERS[paper].height - 2 * BORDER_MM,
];

/**
 * PDF at full size on pages that are laid on each other by their marks. Asks the viewer not to scale; the check square says
 * whether the printer did.
 */
export async function writePdf(drawing: SheetDrawing, paper: Paper): Promise<Uint8Array> {
  const { width, height } = PAPERS[paper];
  const doc = new PDFDocument({
    size: [width * PT_PER_MM, height * PT_PER_MM],
    margin: 0,
    autoFirstPage: false,
    compress: false,
  });
  const bytes = pdfBytes(doc);
  forbidScaling(doc);
  const tiles = tilesOf(drawing, paper);
  tiles.forEach((tile, i) => drawPage(doc, drawing, paper, tile, `page ${i + 1} of ${tiles.length}`));
  doc.end();
  return bytes;
}

/** The viewer's print dialog opens at full size. */
function forbidScaling(doc: PDFKit.PDFDocument): void {
  const root = (doc as unknown as { readonly _root: { readonly data: Record<string, unknown> } })._root;
  root.data['ViewerPreferences'] = doc.ref({ PrintScaling: 'None' });
}

function drawPage(
  doc: PDFKit.PDFDocument,
  { lines, texts }: SheetDrawing,
  paper: Paper,
  tile: Tile,
  name: string,
): void {
  doc.addPage();
  const [shownWidth, shownHeight] = shownOn(paper);
  const { height } = PAPERS[paper];
  // Millimetres from the page's upper left corner.
  const x = (value: number): number => BORDER_MM + value - tile.left;
  const y = (value: number): number => height - BORDER_MM - (value - tile.bottom);
  doc.save().scale(PT_PER_MM);
  doc.save().rect(BORDER_MM, BORDER_MM, shownWidth, shownHeight).clip();
  for (const { layer, points } of lines) drawLine(doc, points, STROKES[layer], x, y);
  doc.fontSize(4).fillColor('black');
  for (const { at, text } of texts) doc.text(text, x(at[0]), y(at[1]) - 4, { lineBreak: false });
  doc.restore();
  const marksX = [BORDER_MM + OVERLAP_MM / 2, BORDER_MM + shownWidth - OVERLAP_MM / 2];
  const marksY = [BORDER_MM + OVERLAP_MM / 2, BORDER_MM + shownHeight - OVERLAP_MM / 2];
  doc.lineWidth(0.2).undash();
  for (const cx of marksX) {
    for (const cy of marksY) {
      doc
        .moveTo(cx - MARK_MM, cy)
        .lineTo(cx + MARK_MM, cy)
        .moveTo(cx, cy - MARK_MM)
        .lineTo(cx, cy + MARK_MM)
        .stroke();
    }
  }
  doc.fontSize(3).text(`${name}: row ${tile.row + 1}, column ${tile.column + 1}. Print at 100 %.`, BORDER_MM, 4, {
    lineBreak: false,
  });
  doc.restore();
}

function drawLine(
  doc: PDFKit.PDFDocument,
  points: readonly SheetPoint[],
  { widthMm, dash }: Stroke,
  x: (value: number) => number,
  y: (value: number) => number,
): void {
  doc.lineWidth(widthMm).strokeColor('black');
  if (dash) doc.dash(dash[0], { space: dash[1] });
  else doc.undash();
  points.forEach(([a, b], i) => (i === 0 ? doc.moveTo(x(a), y(b)) : doc.lineTo(x(a), y(b))));
  doc.stroke();
}
