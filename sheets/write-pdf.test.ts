import { describe, expect, test } from '@jest/globals';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';
import { fontsOnDisk } from './fonts-on-disk';
import { FOLDED, SHEET } from './made-up-sheet';
import { PAPERS, type Paper } from './paper';
import { readPdf, type ReadPage } from './pdf-reader';
import { sheetDrawing, type SheetDrawing } from './sheet-drawing';
import { BORDER_MM, marksOf, OVERLAP_MM, SIDE_MM, tilingOf, type Tile, type Tiling } from './tiles';
import { STRIP_MM, writePdf } from './write-pdf';

const paged = (drawing: SheetDrawing, paper: Paper): Promise<Uint8Array> => writePdf(drawing, paper, fontsOnDisk());

const onPage = ({ page }: Tiling, tile: Tile, [x, y]: SheetPoint): SheetPoint => [
  page.shownLeft + x - tile.left,
  page.shownTop + page.shownHeight - (y - tile.bottom),
];
const isShown = ({ page }: Tiling, { left, bottom }: Tile, [x, y]: SheetPoint): boolean =>
  x > left && x < left + page.shownWidth && y > bottom && y < bottom + page.shownHeight;

/** Places every half millimeter along lines. */
const along = (points: readonly SheetPoint[]): SheetPoint[] =>
  points.slice(1).flatMap(([bx, by], i) => {
    const [ax, ay] = points[i]!;
    const count = Math.ceil(2 * Math.hypot(bx - ax, by - ay));
    return Array.from({ length: count + 1 }, (_, k): SheetPoint => [
      ax + ((bx - ax) * k) / count,
      ay + ((by - ay) * k) / count,
    ]);
  });

/** The pages laid on each other by their marks: how dark a place of the drawing is on the sheet so joined. */
const joined =
  (tiling: Tiling, pages: readonly ReadPage[]) =>
  (place: SheetPoint): number =>
    Math.max(
      0,
      ...tiling.tiles.flatMap((tile, i) =>
        isShown(tiling, tile, place) ? [pages[i]!.dark(...onPage(tiling, tile, place))] : [],
      ),
    );

describe.each(Object.keys(PAPERS) as Paper[])('a cut sheet on %s, drawn by another program (pdf.js)', (paper) => {
  test.each([
    ['cut', sheetDrawing(SHEET)],
    ['far from the hub', sheetDrawing({ ...SHEET, hub: [-900, 0] })],
    ['folded', sheetDrawing(FOLDED)],
  ])('joined from its pages the line is unbroken: %s', async (_, drawing) => {
    const tiling = tilingOf(drawing.panel.box, paper);
    const [, ...pages] = await readPdf(await paged(drawing, paper));
    expect(pages.length).toBe(tiling.rows * tiling.columns);
    const dark = joined(tiling, pages);
    for (const { layer, points } of drawing.panel.lines) {
      if (layer !== 'CUT' && layer !== 'EDGE') continue;
      const light = along(points).filter((place) => dark(place) < 0.4);
      expect({ layer, light: light.slice(0, 3) }).toEqual({ layer, light: [] });
    }
    // Nothing is drawn where nothing is: a little off the cut on the side that stays, between hatch and outline.
    const clear: SheetPoint[] = [
      [-60, 560],
      [60, 600],
    ];
    for (const place of clear) expect(dark(place)).toBeLessThan(0.1);
  });

  test('pages are true in size; strips along and across the paper measure what they say', async () => {
    const drawing = sheetDrawing(SHEET);
    const { page } = tilingOf(drawing.panel.box, paper);
    const pages = await readPdf(await paged(drawing, paper));
    for (const { widthMm, heightMm } of pages.slice(1)) {
      expect(widthMm).toBeCloseTo(page.width, 2);
      expect(heightMm).toBeCloseTo(page.height, 2);
    }
    for (const read of pages.slice(1)) {
      // Up to just beyond its end, where its length is written.
      const steps = Array.from({ length: 10 * (STRIP_MM + 4) }, (_, k) => k / 10);
      const across = steps.filter((mm) => read.dark(page.shownLeft + mm - 3, BORDER_MM + 14) > 0.4);
      const down = steps.filter((mm) => read.dark(BORDER_MM + SIDE_MM / 2, page.shownTop + 3 + mm) > 0.4);
      expect(Math.abs(across.at(-1)! - across[0]! - STRIP_MM)).toBeLessThan(0.7);
      expect(Math.abs(down.at(-1)! - down[0]! - STRIP_MM)).toBeLessThan(0.7);
    }
  });

  test('each page says what it is part of, which it is, where front and up are; marks of one name are one place', async () => {
    const drawing = sheetDrawing({ ...SHEET, label: 'Kotflügel Őr Колесо Φτερό' });
    const tiling = tilingOf(drawing.panel.box, paper);
    const [overview, ...pages] = await readPdf(await paged(drawing, paper), 72);
    expect(overview!.texts.join(' ')).toContain('deepest 41.5 mm from the present edge');
    pages.forEach(({ texts }, i) => {
      const said = texts.join(' ');
      expect(said).toContain('Kotflügel Őr Колесо Φτερό, front left');
      expect(said).toContain(`page ${i + 1} of ${pages.length}`);
      expect(said).toContain('FRONT');
      expect(said).toContain('UP');
      for (const { name } of marksOf(tiling, tiling.tiles[i]!)) expect(said).toContain(name);
    });
    const places = new Map<string, SheetPoint>();
    for (const tile of tiling.tiles) {
      for (const { name, x, y } of marksOf(tiling, tile)) {
        const known = places.get(name) ?? [x, y];
        expect(Math.hypot(known[0] - x, known[1] - y)).toBeLessThan(1e-9);
        places.set(name, known);
      }
    }
  });
});

test('pages cover all of the panel, none left out, each overlapping its neighbour; the paper is laid the way that takes fewest', () => {
  const { panel } = sheetDrawing(SHEET);
  const tiling = tilingOf(panel.box, 'A4');
  for (const point of panel.lines.flatMap(({ points }) => points))
    expect(tiling.tiles.some((tile) => isShown(tiling, tile, point))).toBe(true);
  const [first, second] = tiling.tiles;
  expect(first!.left + tiling.page.shownWidth - second!.left).toBeCloseTo(OVERLAP_MM, 9);
  expect(tiling.tiles).toHaveLength(tiling.rows * tiling.columns);
  // 500 x 150 mm: two sheets across, three upright.
  const wide = { left: 0, bottom: 0, width: 500, height: 150 };
  expect(tilingOf(wide, 'A4')).toMatchObject({ page: { landscape: true }, rows: 1, columns: 2 });
});
