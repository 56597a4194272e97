import type { Drawing, DrawingItem } from '@levamen/core/wiring';
import {
  DxfWriter,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  Units,
} from '@tarikjabiri/dxf';

/** CAD programs count upwards from the lower left. */
const up = (heightMm: number, y: number): number => heightMm - y;

/** AutoCAD colour numbers: 7 is black on white, 8 grey. */
const colours: Readonly<Record<DrawingItem['layer'], number>> = {
  enclosures: 8,
  conductors: 7,
  busbars: 7,
  symbols: 7,
  text: 7,
  earthing: 3,
  communication: 6,
  structure: 8,
  openings: 7,
  clearances: 5,
  dimensions: 8,
  findings: 1,
};

/** A drawing as DXF: millimetres, a layer for each kind of thing, texts as texts. */
export function drawingDxf({ heightMm, items }: Drawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLType('FRAME', 'Frame of an enclosure', [2, -1]);
  for (const [layer, colour] of Object.entries(colours))
    dxf.addLayer(layer, colour, layer === 'enclosures' ? 'FRAME' : 'Continuous');
  for (const item of items) {
    const on = { layerName: item.layer };
    switch (item.kind) {
      case 'line':
        dxf.addLWPolyline(
          item.points.map(([x, y]) => ({ point: point2d(x, up(heightMm, y)) })),
          {
            ...on,
            constantWidth: item.widthMm,
            flags: item.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
          },
        );
        break;
      case 'circle':
        dxf.addCircle(point3d(item.centre[0], up(heightMm, item.centre[1])), item.radiusMm, on);
        break;
      case 'text': {
        const at = point3d(item.at[0], up(heightMm, item.at[1]));
        dxf.addText(at, item.heightMm, item.text, {
          ...on,
          ...(item.anchor === 'middle'
            ? { horizontalAlignment: TextHorizontalAlignment.Center, secondAlignmentPoint: at }
            : {}),
        });
      }
    }
  }
  return dxf.stringify();
}
