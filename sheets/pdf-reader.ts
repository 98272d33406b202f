/** PDFs read and drawn by another program than the one that wrote them (pdf.js): for tests. */
import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

export interface ReadPage {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly texts: readonly string[];
  /** Darkness of a place from 0 (paper) to 1, mm from the page's upper left corner: the darkest of the pixels beside it. */
  readonly dark: (xMm: number, yMm: number) => number;
}

const MM_PER_PT = 25.4 / 72;

export async function readPdf(bytes: Uint8Array, dpi = 150): Promise<ReadPage[]> {
  const document = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const pages: ReadPage[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const plain = page.getViewport({ scale: 1 });
    const viewport = page.getViewport({ scale: dpi / 72 });
    const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    await page.render({ canvas: canvas as never, canvasContext: canvas.getContext('2d') as never, viewport }).promise;
    const { items } = await page.getTextContent();
    pages.push({
      widthMm: plain.width * MM_PER_PT,
      heightMm: plain.height * MM_PER_PT,
      texts: items.flatMap((item) => ('str' in item ? [item.str] : [])),
      dark: darknessOf(canvas, dpi / 25.4),
    });
  }
  return pages;
}

function darknessOf(canvas: Canvas, pixelsPerMm: number): ReadPage['dark'] {
  const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
  const at = (x: number, y: number): number => {
    if (x < 0 || y < 0 || x >= canvas.width || y >= canvas.height) return 0;
    const i = 4 * (y * canvas.width + x);
    return (1 - data[i]! / 255) * (data[i + 3]! / 255);
  };
  return (xMm, yMm) => {
    const [x, y] = [Math.floor(xMm * pixelsPerMm), Math.floor(yMm * pixelsPerMm)];
    return Math.max(...[-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => at(x + dx, y + dy))));
  };
}
