import { describe, expect, test } from '@jest/globals';
import { sheetDrawing, CHECK_SQUARE_MM } from './sheet-drawing';
import { SHEET } from './made-up-sheet';
import { PAPERS, type Paper } from './paper';
import { OVERLAP_MM, tilesOf, writePdf } from './write-pdf';

const drawing = sheetDrawing(SHEET);

type Matrix = readonly [number, number, number, number, number, number];

/** `a` first, then `b`, as a page's transforms follow each other. */
const after = (a: Matrix, b: Matrix): Matrix => [
  a[0] * b[0] + a[1] * b[2],
  a[0] * b[1] + a[1] * b[3],
  a[2] * b[0] + a[3] * b[2],
  a[2] * b[1] + a[3] * b[3],
  a[4] * b[0] + a[5] * b[2] + b[4],
  a[4] * b[1] + a[5] * b[3] + b[5],
];

/** Every stroked line of every page in points of paper, read off the page's operators (ISO 32000-1, 8.4 and 8.5). */
function strokedLines(pdf: string): (readonly [number, number])[][][] {
  return [...pdf.matchAll(/stream\n([\s\S]*?)endstream/g)]
    .map(([, content]) => content!)
    .filter((content) => / l\n/.test(content))
    .map((content) => {
      const lines: (readonly [number, number])[][] = [];
      let now: Matrix = [1, 0, 0, 1, 0, 0];
      const kept: Matrix[] = [];
      let path: (readonly [number, number])[][] = [];
      const place = (a: number, b: number): readonly [number, number] => [
        a * now[0] + b * now[2] + now[4],
        a * now[1] + b * now[3] + now[5],
      ];
      for (const row of content.split('\n')) {
        const words = row.trim().split(/\s+/);
        const operator = words.pop();
        const numbers = words.map(Number);
        if (operator === 'q') kept.push(now);
        else if (operator === 'Q') now = kept.pop()!;
        else if (operator === 'cm') now = after(numbers as unknown as Matrix, now);
        else if (operator === 'm') path.push([place(numbers[0]!, numbers[1]!)]);
        else if (operator === 'l') path.at(-1)!.push(place(numbers[0]!, numbers[1]!));
        else if (operator === 'S') {
          lines.push(...path);
          path = [];
        } else if (operator === 'n') path = [];
      }
      return lines;
    });
}

const lengthMm = (points: readonly (readonly [number, number])[]): number =>
  (25.4 / 72) * points.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - points[i]![0], y - points[i]![1]), 0);

describe.each(Object.keys(PAPERS) as Paper[])('on %s', (paper) => {
  test('pages are true in size and show every line at full length', async () => {
    const pdf = Buffer.from(await writePdf(drawing, paper)).toString('latin1');
    const tiles = tilesOf(drawing, paper);
    const boxes = [...pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, w, h]) => [Number(w), Number(h)]);
    expect(boxes.length).toBe(tiles.length);
    for (const [width, height] of boxes) {
      expect((width! * 25.4) / 72).toBeCloseTo(PAPERS[paper].width, 3);
      expect((height! * 25.4) / 72).toBeCloseTo(PAPERS[paper].height, 3);
    }
    expect(pdf).toContain('/PrintScaling /None');
    const pages = strokedLines(pdf);
    expect(pages.length).toBe(tiles.length);
    for (const lines of pages) {
      const wanted = drawing.lines.map(({ points }) =>
        lengthMm(points.map(([x, y]) => [(x * 72) / 25.4, (y * 72) / 25.4])),
      );
      wanted.forEach((mm, i) => expect(lengthMm(lines[i]!)).toBeCloseTo(mm, 2));
      const square = drawing.lines.findIndex(({ layer }) => layer === 'CHECK');
      expect(lengthMm(lines[square]!)).toBeCloseTo(4 * CHECK_SQUARE_MM, 2);
    }
  });

  test('pages together show all of it, each overlapping its neighbour', () => {
    const tiles = tilesOf(drawing, paper);
    const [width, height] = [PAPERS[paper].width - 20, PAPERS[paper].height - 20];
    for (const [x, y] of drawing.lines.flatMap(({ points }) => points)) {
      const shown = tiles.filter(
        ({ left, bottom }) => x >= left && x <= left + width && y >= bottom && y <= bottom + height,
      );
      expect(shown.length).toBeGreaterThan(0);
    }
    const beside = tiles.filter(({ row }) => row === 0);
    for (const [i, tile] of beside.slice(1).entries())
      expect(beside[i]!.left + width - tile.left).toBeCloseTo(OVERLAP_MM, 9);
    expect(tiles.length).toBeGreaterThan(1);
  });
});
