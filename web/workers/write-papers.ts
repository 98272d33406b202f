/** PDFs in the browser: PDFKit's own build for it brings no fonts along until they are named. Loaded when first asked for. */
import * as pdfkit from 'pdfkit';
import Helvetica from 'pdfkit/standard-fonts/Helvetica';
import HelveticaBold from 'pdfkit/standard-fonts/HelveticaBold';

(pdfkit as unknown as { readonly registerStdFonts: (...fonts: unknown[]) => void }).registerStdFonts(
  Helvetica,
  HelveticaBold,
);

export { writeOrderPdf } from '@/sheets/write-order-pdf';
export { writePdf } from '@/sheets/write-pdf';
