/** PDFs in the browser, with the fonts they embed. Loaded when first asked for. */
import boldUrl from 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf?url';
import regularUrl from 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf?url';
import type { PaperFonts } from '@/sheets/paper-fonts';

export { writeOrderPdf } from '@/sheets/write-order-pdf';
export { writePdf } from '@/sheets/write-pdf';

let fonts: Promise<PaperFonts> | null = null;

const bytesAt = async (url: string): Promise<Uint8Array> =>
  new Uint8Array(await (await fetch(new URL(url, self.location.href))).arrayBuffer());

/** The embedded fonts, read once from the build. */
export const paperFonts = (): Promise<PaperFonts> =>
  (fonts ??= Promise.all([bytesAt(regularUrl), bytesAt(boldUrl)]).then(([regular, bold]) => ({ regular, bold })));
