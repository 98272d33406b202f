/** Fonts that a PDF embeds, as TrueType files: letters of many scripts, so that names are written as they were typed. */
export interface PaperFonts {
  readonly regular: Uint8Array;
  readonly bold: Uint8Array;
}

export const REGULAR = 'paper';
export const BOLD = 'paper-bold';

/** Documents begin without a font: PDFKit's build for browsers has none of its own. */
export const NO_OWN_FONT = { font: '' } as const;

export function registerFonts(doc: PDFKit.PDFDocument, { regular, bold }: PaperFonts): void {
  // PDFKit takes a Node buffer, or an array buffer of just the file.
  const own = (bytes: Uint8Array): ArrayBuffer => bytes.slice().buffer as ArrayBuffer;
  doc.registerFont(REGULAR, own(regular));
  doc.registerFont(BOLD, own(bold));
  doc.font(REGULAR);
}
