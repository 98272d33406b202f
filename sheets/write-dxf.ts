import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';
import { plainLine } from './plain-line';
import { SHEET_LAYERS, type SheetDrawing, type SheetLayer } from './sheet-drawing';

const COLOURS: Readonly<Record<SheetLayer, number>> = {
  OUTLINE: 8,
  EDGE: Colors.White,
  WASTE: 9,
  CUT: Colors.Red,
  FIRST_CUT: Colors.Yellow,
  FOLD: Colors.Magenta,
  LOOKS: Colors.Cyan,
  REGISTER: Colors.Blue,
  CHECK: Colors.Green,
};

const TEXT_MM = 4;

const isClosed = (points: readonly SheetPoint[]): boolean => {
  const [first, last] = [points[0]!, points.at(-1)!];
  return points.length > 3 && first[0] === last[0] && first[1] === last[1];
};

/** DXF in millimeters, one layer for each kind of line, the drawing's lower left corner at the origin. */
export function writeDxf({ lines, texts, box }: SheetDrawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  // Metric, and how far the drawing reaches.
  dxf.setVariable('$MEASUREMENT', { 70: 1 });
  dxf.setVariable('$EXTMIN', { 10: 0, 20: 0, 30: 0 });
  dxf.setVariable('$EXTMAX', { 10: box.width, 20: box.height, 30: 0 });
  for (const layer of SHEET_LAYERS) dxf.addLayer(layer, COLOURS[layer], 'Continuous');
  for (const { layer, points } of lines) {
    const closed = isClosed(points);
    const own = closed ? points.slice(0, -1) : points;
    const vertices = own.map(([x, y]) => ({ point: point2d(x - box.left, y - box.bottom) }));
    dxf.addLWPolyline(vertices, { layerName: layer, ...(closed ? { flags: LWPolylineFlags.Closed } : {}) });
  }
  for (const { at, text } of texts) {
    dxf.addText(point3d(at[0] - box.left, at[1] - box.bottom, 0), TEXT_MM, plainLine(text), { layerName: 'REGISTER' });
  }
  return dxf.stringify();
}
