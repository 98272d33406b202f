import { describe, expect, test } from '@jest/globals';
import DxfParser from 'dxf-parser';
import { CHECK_SQUARE_MM, RULER_MM, SHEET_LAYERS, sheetDrawing } from './sheet-drawing';
import { FOLDED, SHEET } from './made-up-sheet';
import { writeDxf } from './write-dxf';
import { writeSvg } from './write-svg';

interface Polyline {
  readonly type: string;
  readonly layer: string;
  /** Closed. */
  readonly shape?: boolean;
  readonly vertices?: readonly { readonly x: number; readonly y: number }[];
}

const lengthOf = (points: readonly (readonly [number, number])[]): number =>
  points.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - points[i]![0], y - points[i]![1]), 0);

const lengths = (layer: string): number[] =>
  sheetDrawing(SHEET)
    .lines.filter((line) => line.layer === layer)
    .map(({ points }) => lengthOf(points));

describe('a cut sheet as a file', () => {
  test('DXF read back by another program: millimeters, layers by name, every line as long as it is', () => {
    const read = new DxfParser().parseSync(writeDxf(sheetDrawing(SHEET)))!;
    expect(read.header['$INSUNITS']).toBe(4);
    expect(read.header['$MEASUREMENT']).toBe(1);
    const { box } = sheetDrawing(SHEET);
    expect(read.header['$EXTMAX']).toMatchObject({ x: expect.closeTo(box.width, 6), y: expect.closeTo(box.height, 6) });
    expect(Object.keys(read.tables.layer.layers)).toEqual(expect.arrayContaining([...SHEET_LAYERS]));
    const polylines = (read.entities as unknown as Polyline[]).filter(({ type }) => type === 'LWPOLYLINE');
    for (const layer of SHEET_LAYERS) {
      const found = polylines
        .filter((line) => line.layer === layer)
        .map(({ vertices = [], shape }) =>
          lengthOf([...vertices, ...(shape ? vertices.slice(0, 1) : [])].map(({ x, y }) => [x, y] as const)),
        );
      expect(found.length).toBe(lengths(layer).length);
      found.forEach((mm, i) => expect(mm).toBeCloseTo(lengths(layer)[i]!, 6));
    }
  });

  test('SVG: a user unit is a millimeter, and the check square measures true', () => {
    const svg = writeSvg(sheetDrawing(SHEET));
    const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!.map(Number);
    const [, boxWidth, boxHeight] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)!.map(Number);
    expect([boxWidth, boxHeight]).toEqual([width, height]);
    const pathOf = (layer: string): (readonly [number, number])[] =>
      /d="M([^"]+)"/
        .exec(new RegExp(`<g id="${layer}"[^>]*>\\s*<path[^>]*>`).exec(svg)![0].split('<path')[1]!)![1]!
        .split('L')
        .map((pair) => pair.split(' ').map(Number) as unknown as readonly [number, number]);
    expect(lengthOf(pathOf('CHECK'))).toBeCloseTo(4 * CHECK_SQUARE_MM, 2);
    expect(lengthOf(pathOf('CUT'))).toBeCloseTo(lengths('CUT')[0]!, 2);
    // Layers by name, as groups, once each.
    for (const layer of ['EDGE', 'CUT', 'WASTE', 'REGISTER', 'CHECK', 'TEXT']) {
      expect(svg.match(new RegExp(`<g id="${layer}"`, 'g'))).toHaveLength(1);
    }
    // Up is up on paper: the panel stands above the check square.
    expect(Math.max(...pathOf('EDGE').map(([, y]) => y))).toBeLessThan(Math.min(...pathOf('CHECK').map(([, y]) => y)));
    for (const [x, y] of [...pathOf('EDGE'), ...pathOf('CHECK'), ...pathOf('CUT')]) {
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(width!);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(height!);
    }
    expect(svg).toContain('Inner fender &lt;left&gt;');
  });

  test('with a flap the needed line is the fold, and the cut is the flap’s edge; the ruler is as long as it says', () => {
    const { lines, texts } = sheetDrawing(FOLDED);
    const of = (layer: string) => lines.filter((line) => line.layer === layer).map(({ points }) => points);
    expect(of('FOLD')).toEqual(FOLDED.need);
    expect(of('CUT')).toEqual(FOLDED.flapEdge);
    expect(of('LOOKS')).toEqual(FOLDED.looks!.lines);
    expect(of('CHECK').map(lengthOf)).toContain(RULER_MM);
    expect(texts.map(({ text }) => text)).toContain('Line for looks takes 42 cm2 beyond need');
  });

  test('the fold’s name stands on the side that stays, off the cut, and no name runs off the paper', () => {
    const { panel } = sheetDrawing(FOLDED);
    const place = (name: string) => panel.texts.find(({ text }) => text === name)!.at;
    const nearest = ([x, y]: readonly [number, number], lines: typeof FOLDED.need): number =>
      Math.min(...lines.flat().map(([a, b]) => Math.hypot(a - x, b - y)));
    const fold = place('FOLD');
    expect(nearest(fold, FOLDED.flapEdge)).toBeGreaterThan(nearest(fold, FOLDED.need));
    const right = panel.box.left + panel.box.width;
    for (const { text, at } of panel.texts.filter((one) =>
      /^(FOLD|CUT|PRESENT EDGE|FIRST CUT|WASTE)$/.test(one.text),
    )) {
      expect(at[0]).toBeGreaterThanOrEqual(panel.box.left);
      expect({ text, ends: at[0] + 2.5 * text.length <= right }).toEqual({ text, ends: true });
    }
  });
});
