import PDFDocument from 'pdfkit';
import type { OrderDocument } from './order-document';
import { PAPERS, type Paper } from './paper';
import { BOLD, NO_OWN_FONT, REGULAR, registerFonts, type PaperFonts } from './paper-fonts';
import { pdfBytes } from './pdf-bytes';

const PT_PER_MM = 72 / 25.4;
const BORDER_PT = 15 * PT_PER_MM;
const TEXT_PT = 9.5;
const BAR_GREY = '#999999';

type Doc = PDFKit.PDFDocument;

/** A work order as PDF: pages numbered, a table row never split between two. */
export async function writeOrderPdf(
  order: OrderDocument,
  paper: Paper,
  fonts: PaperFonts,
  { compress = true }: { readonly compress?: boolean } = {},
): Promise<Uint8Array> {
  const { width, height } = PAPERS[paper];
  const doc = new PDFDocument({
    ...NO_OWN_FONT,
    size: [width * PT_PER_MM, height * PT_PER_MM],
    margin: BORDER_PT,
    bufferPages: true,
    compress,
    info: { Title: order.title },
  });
  const bytes = pdfBytes(doc);
  registerFonts(doc, fonts);
  doc.font(BOLD).fontSize(18).font(BOLD).text(order.title);
  doc.moveDown(0.3);
  factsBlock(doc, order);
  if (order.gaps.length > 0) {
    heading(doc, 'Gaps before and after');
    table(
      doc,
      ['Part', 'Wanted', 'Before', 'After', ''],
      [0.3, 0.1, 0.26, 0.2, 0.14],
      order.gaps.map(({ thing, wanted, before, after, verdict }) => [thing, wanted, before, after, verdict]),
    );
  }
  heading(doc, 'Work, in this order');
  table(
    doc,
    ['', 'Step', 'Time', 'Labor', 'Done by'],
    [0.05, 0.55, 0.12, 0.12, 0.16],
    order.steps.map(({ what, time, money, cautions }, i) => [
      String(i + 1),
      [what, ...cautions.map((caution) => `!  ${caution}`)].join('\n'),
      time,
      money,
      '',
    ]),
    [3],
  );
  heading(doc, 'Parts and material');
  table(
    doc,
    ['Part', 'Where', 'Quantity', 'Each', 'Sum'],
    [0.38, 0.29, 0.11, 0.11, 0.11],
    order.parts.map(({ name, where, quantity, unit, sum }) => [name, where, quantity, unit, sum]),
    [2, 3, 4],
  );
  heading(doc, 'Cost');
  table(doc, ['', ''], [0.8, 0.2], order.sums, [1]);
  if (order.notes.length > 0) {
    heading(doc, 'To know');
    for (const note of order.notes) paragraph(doc, note);
  }
  for (const statement of order.statements) {
    heading(doc, 'Owner’s consent');
    paragraph(doc, statement);
  }
  signatures(doc, order.signatures);
  doc.moveDown(0.8);
  paragraph(doc, order.closing);
  numberPages(doc);
  doc.end();
  return bytes;
}

const roomOf = (doc: Doc): number => doc.page.width - 2 * BORDER_PT;

function ensure(doc: Doc, heightPt: number): void {
  if (doc.y + heightPt > doc.page.height - BORDER_PT) doc.addPage();
}

function heading(doc: Doc, text: string): void {
  ensure(doc, 60);
  doc.moveDown(0.8);
  doc.fontSize(12).font(BOLD).text(text, BORDER_PT);
  doc.moveDown(0.2);
}

function paragraph(doc: Doc, text: string): void {
  doc.fontSize(TEXT_PT).font(REGULAR);
  ensure(doc, doc.heightOfString(text, { width: roomOf(doc) }));
  doc.text(text, BORDER_PT, doc.y, { width: roomOf(doc) });
  doc.moveDown(0.25);
}

function factsBlock(doc: Doc, { facts }: OrderDocument): void {
  for (const [name, value] of facts) {
    doc.fontSize(TEXT_PT).font(BOLD);
    const top = doc.y;
    doc.text(name, BORDER_PT, top, { width: 80 });
    doc.font(REGULAR).text(value || '-', BORDER_PT + 85, top, { width: roomOf(doc) - 85 });
    doc.moveDown(0.1);
  }
}

/** Rows under a heading; `right` columns are set to the right. */
function table(
  doc: Doc,
  heads: readonly string[],
  shares: readonly number[],
  rows: readonly (readonly string[])[],
  right: readonly number[] = [],
): void {
  const widths = shares.map((share) => share * roomOf(doc));
  const lefts = widths.map((_, i) => BORDER_PT + widths.slice(0, i).reduce((sum, width) => sum + width, 0));
  const draw = (cells: readonly string[], font: string): void => {
    doc.fontSize(TEXT_PT).font(font);
    const high = Math.max(...cells.map((cell, i) => doc.heightOfString(cell || ' ', { width: widths[i]! - 6 })));
    ensure(doc, high + 6);
    const top = doc.y + 3;
    cells.forEach((cell, i) =>
      doc.text(cell, lefts[i]!, top, {
        width: widths[i]! - 6,
        align: right.includes(i) ? 'right' : 'left',
      }),
    );
    doc.y = top + high + 3;
    doc
      .moveTo(BORDER_PT, doc.y)
      .lineTo(BORDER_PT + roomOf(doc), doc.y)
      .lineWidth(0.5)
      .strokeColor(BAR_GREY)
      .stroke();
  };
  if (heads.some((head) => head !== '')) draw(heads, BOLD);
  for (const row of rows) draw(row, REGULAR);
  doc.x = BORDER_PT;
}

function signatures(doc: Doc, names: readonly string[]): void {
  for (const name of names) {
    ensure(doc, 46);
    const y = doc.y + 34;
    const middle = BORDER_PT + roomOf(doc) * 0.6;
    doc.lineWidth(0.7).strokeColor('black');
    doc
      .moveTo(BORDER_PT, y)
      .lineTo(middle - 12, y)
      .stroke();
    doc
      .moveTo(middle, y)
      .lineTo(BORDER_PT + roomOf(doc), y)
      .stroke();
    doc.fontSize(8).font(REGULAR);
    doc.text(`${name}: name and signature`, BORDER_PT, y + 3, { lineBreak: false });
    doc.text('Date', middle, y + 3, { lineBreak: false });
    doc.x = BORDER_PT;
    doc.y = y + 14;
  }
}

function numberPages(doc: Doc): void {
  const { count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i++) {
    doc.switchToPage(i);
    const { bottom } = doc.page.margins;
    // Below the border, where text would else begin a page.
    doc.page.margins.bottom = 0;
    doc
      .fontSize(8)
      .font(REGULAR)
      .text(`page ${i + 1} of ${count}`, BORDER_PT, doc.page.height - 10 * PT_PER_MM, { lineBreak: false });
    doc.page.margins.bottom = bottom;
  }
}
