import PDFDocument from 'pdfkit';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';
import type { Paper } from './paper';
import { BOLD, NO_OWN_FONT, REGULAR, registerFonts, type PaperFonts } from './paper-fonts';
import { pdfBytes } from './pdf-bytes';
import { ruler, type SheetDrawing, type SheetLayer } from './sheet-drawing';
import { BORDER_MM, HEAD_MM, marksOf, pageOf, SIDE_MM, tilingOf, type Page, type Tile, type Tiling } from './tiles';

const PT_PER_MM = 72 / 25.4;

/** Half a mark where pages are laid on each other. */
const MARK_MM = 4;

/** Strips on every page by which the printer's scale is checked along and across it. */
export const STRIP_MM = 50;

interface Stroke {
  readonly widthMm: number;
  readonly dash: readonly [number, number] | null;
}

const STROKES: Readonly<Record<SheetLayer, Stroke>> = {
  OUTLINE: { widthMm: 0.2, dash: [2, 2] },
  EDGE: { widthMm: 0.6, dash: null },
  WASTE: { widthMm: 0.15, dash: null },
  CUT: { widthMm: 0.9, dash: null },
  FIRST_CUT: { widthMm: 0.5, dash: [4, 2] },
  FOLD: { widthMm: 0.6, dash: [1.5, 1.5] },
  LOOKS: { widthMm: 0.6, dash: [8, 2] },
  REGISTER: { widthMm: 0.25, dash: [8, 2] },
  CHECK: { widthMm: 0.35, dash: null },
};

type Doc = PDFKit.PDFDocument;
/** Place on the drawing to place on the page, mm from its upper left corner. */
type ToPage = (point: SheetPoint) => SheetPoint;

/**
 * PDF at full size: an overview, then the panel on pages that are laid on each other by their marks, none of the covered area left out.
 * Asks the viewer not to scale; the strips say whether the printer did.
 */
export async function writePdf(
  drawing: SheetDrawing,
  paper: Paper,
  fonts: PaperFonts,
  { compress = true }: { readonly compress?: boolean } = {},
): Promise<Uint8Array> {
  const doc = new PDFDocument({
    ...NO_OWN_FONT,
    margin: 0,
    autoFirstPage: false,
    compress,
    info: { Title: drawing.name },
  });
  const bytes = pdfBytes(doc);
  registerFonts(doc, fonts);
  forbidScaling(doc);
  const tiling = tilingOf(drawing.panel.box, paper);
  overview(doc, drawing, tiling, pageOf(paper, false));
  tiling.tiles.forEach((tile, i) => tilePage(doc, drawing, tiling, tile, i));
  doc.end();
  return bytes;
}

/** The viewer's print dialog opens at full size. */
function forbidScaling(doc: Doc): void {
  const root = (doc as unknown as { readonly _root: { readonly data: Record<string, unknown> } })._root;
  root.data['ViewerPreferences'] = doc.ref({ PrintScaling: 'None' });
}

const newPage = (doc: Doc, { width, height }: Page): Doc =>
  doc
    .addPage({ size: [width * PT_PER_MM, height * PT_PER_MM], margin: 0 })
    .save()
    .scale(PT_PER_MM);

function write(doc: Doc, text: string, x: number, y: number, size = 3.2, font = REGULAR): void {
  doc.font(font).fontSize(size).fillColor('black').text(text, x, y, { lineBreak: false });
}

/** All of it small, what it says, which pages there are, and what proves the scale. */
function overview(doc: Doc, drawing: SheetDrawing, tiling: Tiling, page: Page): void {
  newPage(doc, page);
  const left = BORDER_MM + 5;
  write(doc, drawing.name, left, BORDER_MM + 3, 6, BOLD);
  write(
    doc,
    `Overview. The panel follows at full size on ${tiling.tiles.length} pages. Print all at 100 %.`,
    left,
    BORDER_MM + 12,
    3.6,
  );
  const top = BORDER_MM + 20;
  const [width, height] = [page.width - 2 * left, 105];
  const edges = tiling.tiles.map((tile) => [tile.left, tile.bottom] as const);
  const box = {
    left: Math.min(...edges.map(([x]) => x)),
    right: Math.max(...edges.map(([x]) => x)) + tiling.page.shownWidth,
    bottom: Math.min(...edges.map(([, y]) => y)),
    top: Math.max(...edges.map(([, y]) => y)) + tiling.page.shownHeight,
  };
  const scale = Math.min(width / (box.right - box.left), height / (box.top - box.bottom));
  const toPage: ToPage = ([x, y]) => [left + (x - box.left) * scale, top + (box.top - y) * scale];
  for (const { layer, points } of drawing.panel.lines)
    stroke(doc, points, STROKES[layer], toPage, Math.max(scale, 0.3));
  doc.undash().lineWidth(0.15);
  tiling.tiles.forEach((tile, i) => {
    const [x, y] = toPage([tile.left, tile.bottom + tiling.page.shownHeight]);
    doc.rect(x, y, tiling.page.shownWidth * scale, tiling.page.shownHeight * scale).stroke();
    write(doc, String(i + 1), x + 2, y + 2, 5, BOLD);
  });
  let line = top + height + 8;
  for (const text of drawing.legend.slice(1)) {
    write(doc, text, left, line, 3.4);
    line += 5.2;
  }
  arrows(doc, drawing, page.width - left - 24, BORDER_MM + 6);
  // A square and rulers both ways: nothing else says whether the printer kept the scale.
  line += 4;
  const solid = STROKES.CHECK;
  const same: ToPage = (point) => point;
  const across = ruler(0, 0).map((points) => points.map(([x, y]) => [left + x, line - y] as const));
  for (const points of across) stroke(doc, points, solid, same);
  const down = ruler(0, 0).map((points) =>
    points.map(([x, y]) => [page.width - BORDER_MM - 12 - y, page.height - BORDER_MM - 2 - x] as const),
  );
  for (const points of down) stroke(doc, points, solid, same);
  const [sx, sy] = [left, Math.min(line + 14, page.height - BORDER_MM - 102)];
  stroke(
    doc,
    [
      [sx, sy],
      [sx + 100, sy],
      [sx + 100, sy + 100],
      [sx, sy + 100],
      [sx, sy],
    ],
    solid,
    same,
  );
  write(doc, '100 mm a side; both rulers 150 mm', sx + 3, sy + 3);
  doc.restore();
}

function tilePage(doc: Doc, drawing: SheetDrawing, tiling: Tiling, tile: Tile, index: number): void {
  const { page } = tiling;
  newPage(doc, page);
  const toPage: ToPage = ([x, y]) => [
    page.shownLeft + x - tile.left,
    page.shownTop + page.shownHeight - (y - tile.bottom),
  ];
  doc.save().rect(page.shownLeft, page.shownTop, page.shownWidth, page.shownHeight).clip();
  for (const { layer, points } of drawing.panel.lines) stroke(doc, points, STROKES[layer], toPage);
  for (const { at, text } of drawing.panel.texts) {
    const [x, y] = toPage(at);
    write(doc, text, x, y - 4, 4);
  }
  doc.restore();
  doc.lineWidth(0.1).undash().rect(page.shownLeft, page.shownTop, page.shownWidth, page.shownHeight).stroke();
  for (const { x, y, name } of marksOf(tiling, tile)) {
    const [cx, cy] = toPage([x, y]);
    stroke(
      doc,
      [
        [cx - MARK_MM, cy],
        [cx + MARK_MM, cy],
      ],
      { widthMm: 0.2, dash: null },
      (point) => point,
    );
    stroke(
      doc,
      [
        [cx, cy - MARK_MM],
        [cx, cy + MARK_MM],
      ],
      { widthMm: 0.2, dash: null },
      (point) => point,
    );
    write(doc, name, cx + 0.8, cy + 0.8, 2.6);
  }
  head(doc, drawing, tiling, tile, index);
  doc.restore();
}

/** What every page says: what it is part of, which page, where front and up are, how the pages lie, and strips for the scale. */
function head(doc: Doc, drawing: SheetDrawing, tiling: Tiling, tile: Tile, index: number): void {
  const { page, rows, columns, tiles } = tiling;
  const left = page.shownLeft;
  const place = `page ${index + 1} of ${tiles.length}: row ${tile.row + 1}, column ${tile.column + 1}`;
  write(doc, drawing.name, left, BORDER_MM + 1, 3.6, BOLD);
  write(doc, `${place}. Lay marks of one name on each other. Print at 100 %.`, left, BORDER_MM + 6.5, 3);
  strip(doc, [left, BORDER_MM + 14], [left + STRIP_MM, BORDER_MM + 14]);
  write(doc, `${STRIP_MM} mm`, left + STRIP_MM + 2, BORDER_MM + 12, 2.6);
  const side = BORDER_MM + SIDE_MM / 2;
  strip(doc, [side, page.shownTop + 6], [side, page.shownTop + 6 + STRIP_MM]);
  const [cell, gap] = [4, 0.6];
  const right = page.width - BORDER_MM;
  const mapLeft = right - columns * (cell + gap);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const here = row === tile.row && column === tile.column;
      doc
        .lineWidth(0.2)
        .rect(
          mapLeft + column * (cell + gap),
          BORDER_MM + 1 + row * (Math.min(cell, (HEAD_MM - 3) / rows) + gap),
          cell,
          Math.min(cell, (HEAD_MM - 3) / rows),
        );
      if (here) doc.fillAndStroke('black', 'black');
      else doc.stroke();
    }
  }
  arrows(doc, drawing, mapLeft - 30, BORDER_MM + 3);
}

/** A length between two ticks. */
function strip(doc: Doc, [ax, ay]: SheetPoint, [bx, by]: SheetPoint): void {
  const [dx, dy] = ax === bx ? [1.5, 0] : [0, 1.5];
  const same: ToPage = (point) => point;
  for (const points of [
    [
      [ax, ay],
      [bx, by],
    ],
    [
      [ax - dx, ay - dy],
      [ax + dx, ay + dy],
    ],
    [
      [bx - dx, by - dy],
      [bx + dx, by + dy],
    ],
  ] as const)
    stroke(doc, points, STROKES.CHECK, same);
}

/** Where the vehicle's front is, and what is up. */
function arrows(doc: Doc, { front, up }: SheetDrawing, x: number, y: number): void {
  const same: ToPage = (point) => point;
  const thin = { widthMm: 0.4, dash: null } as const;
  const [from, to] = front === 'left' ? [x + 12, x] : [x, x + 12];
  const back = front === 'left' ? 2 : -2;
  stroke(
    doc,
    [
      [from, y + 5],
      [to, y + 5],
    ],
    thin,
    same,
  );
  stroke(
    doc,
    [
      [to + back, y + 3.6],
      [to, y + 5],
      [to + back, y + 6.4],
    ],
    thin,
    same,
  );
  write(doc, 'FRONT', x, y + 7, 2.8, BOLD);
  stroke(
    doc,
    [
      [x + 18, y + 10],
      [x + 18, y],
    ],
    thin,
    same,
  );
  stroke(
    doc,
    [
      [x + 16.6, y + 2],
      [x + 18, y],
      [x + 19.4, y + 2],
    ],
    thin,
    same,
  );
  write(doc, up, x + 20, y + 3, 2.8, BOLD);
}

function stroke(doc: Doc, points: readonly SheetPoint[], { widthMm, dash }: Stroke, toPage: ToPage, thin = 1): void {
  doc.lineWidth(widthMm * thin).strokeColor('black');
  if (dash) doc.dash(dash[0] * thin, { space: dash[1] * thin });
  else doc.undash();
  points.map(toPage).forEach(([x, y], i) => (i === 0 ? doc.moveTo(x, y) : doc.lineTo(x, y)));
  doc.stroke();
}
