import { Colors, DxfWriter, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { SHEET_LAYERS, type SheetDrawing, type SheetLayer } from './sheet-drawing';

const COLOURS: Readonly<Record<SheetLayer, number>> = {
  EDGE: Colors.White,
  CUT: Colors.Red,
  FIRST_CUT: Colors.Yellow,
  FOLD: Colors.Magenta,
  LOOKS: Colors.Cyan,
  REGISTER: Colors.Blue,
  CHECK: Colors.Green,
};

const TEXT_MM = 4;

/** DXF in millimetres, one layer for each kind of line, the drawing's lower left corner at the origin. */
export function writeDxf({ lines, texts, box }: SheetDrawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const layer of SHEET_LAYERS) dxf.addLayer(layer, COLOURS[layer], 'Continuous');
  for (const { layer, points } of lines) {
    const vertices = points.map(([x, y]) => ({ point: point2d(x - box.left, y - box.bottom) }));
    dxf.addLWPolyline(vertices, { layerName: layer });
  }
  for (const { at, text } of texts) {
    dxf.addText(point3d(at[0] - box.left, at[1] - box.bottom, 0), TEXT_MM, text, { layerName: 'REGISTER' });
  }
  return dxf.stringify();
}
