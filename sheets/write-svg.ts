import type { SheetDrawing, SheetLayer } from './sheet-drawing';

const STROKES: Readonly<Record<SheetLayer, string>> = {
  EDGE: 'stroke="#000" stroke-width="0.5"',
  CUT: 'stroke="#000" stroke-width="0.9"',
  FIRST_CUT: 'stroke="#000" stroke-width="0.5" stroke-dasharray="4 2"',
  FOLD: 'stroke="#000" stroke-width="0.6" stroke-dasharray="1.5 1.5"',
  LOOKS: 'stroke="#000" stroke-width="0.6" stroke-dasharray="8 2"',
  REGISTER: 'stroke="#000" stroke-width="0.25" stroke-dasharray="8 2 1 2"',
  CHECK: 'stroke="#000" stroke-width="0.35"',
};

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** SVG at full size: one user unit is one millimetre. */
export function writeSvg({ lines, texts, box }: SheetDrawing): string {
  const x = (value: number): string => (value - box.left).toFixed(3);
  const y = (value: number): string => (box.bottom + box.height - value).toFixed(3);
  const size = `${box.width.toFixed(3)} ${box.height.toFixed(3)}`;
  const [width, height] = size.split(' ');
  const paths = lines.map(
    ({ layer, points }) =>
      `<path class="${layer}" fill="none" ${STROKES[layer]} d="M${points.map(([a, b]) => `${x(a)} ${y(b)}`).join('L')}"/>`,
  );
  const words = texts.map(
    ({ at, text }) =>
      `<text x="${x(at[0])}" y="${y(at[1])}" font-family="sans-serif" font-size="4">${escaped(text)}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${size}">\n${[...paths, ...words].join('\n')}\n</svg>\n`;
}
