import { plainLine } from './plain-line';
import { SHEET_LAYERS, type SheetDrawing, type SheetLayer, type SheetLine } from './sheet-drawing';

const STROKES: Readonly<Record<SheetLayer, string>> = {
  OUTLINE: 'stroke="#000" stroke-width="0.2" stroke-dasharray="2 2"',
  WASTE: 'stroke="#000" stroke-width="0.15"',
  EDGE: 'stroke="#000" stroke-width="0.5"',
  CUT: 'stroke="#000" stroke-width="0.9"',
  FIRST_CUT: 'stroke="#000" stroke-width="0.5" stroke-dasharray="4 2"',
  FOLD: 'stroke="#000" stroke-width="0.6" stroke-dasharray="1.5 1.5"',
  LOOKS: 'stroke="#000" stroke-width="0.6" stroke-dasharray="8 2"',
  REGISTER: 'stroke="#000" stroke-width="0.25" stroke-dasharray="8 2 1 2"',
  CHECK: 'stroke="#000" stroke-width="0.35"',
};

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** SVG at full size: one user unit is one millimeter. */
export function writeSvg({ lines, texts, box }: SheetDrawing): string {
  const x = (value: number): string => (value - box.left).toFixed(3);
  const y = (value: number): string => (box.bottom + box.height - value).toFixed(3);
  const size = `${box.width.toFixed(3)} ${box.height.toFixed(3)}`;
  const [width, height] = size.split(' ');
  const path = (points: SheetLine['points']): string =>
    `<path d="M${points.map(([a, b]) => `${x(a)} ${y(b)}`).join('L')}"/>`;
  // A group for each kind of line, by its name: that is what cutters and drawing programs call a layer.
  const groups = SHEET_LAYERS.flatMap((layer) => {
    const own = lines.filter((line) => line.layer === layer).map(({ points }) => path(points));
    return own.length > 0 ? [`<g id="${layer}" fill="none" ${STROKES[layer]}>\n${own.join('\n')}\n</g>`] : [];
  });
  const words = texts.map(({ at, text }) => `<text x="${x(at[0])}" y="${y(at[1])}">${escaped(plainLine(text))}</text>`);
  const texted = `<g id="TEXT" font-family="sans-serif" font-size="4">\n${words.join('\n')}\n</g>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${size}">\n${[...groups, texted].join('\n')}\n</svg>\n`;
}
