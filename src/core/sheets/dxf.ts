import {
  Colors,
  DxfWriter,
  LWPolylineFlags,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
  point2d,
  point3d,
} from '@tarikjabiri/dxf';
import { LAYERS } from './drawing';
import type { Drawing, Layer } from './drawing';

const COLOURS: Record<Layer, number> = {
  CUT: Colors.White,
  DRILL: Colors.Red,
  CENTRE: Colors.Green,
  OUTLINE: Colors.Cyan,
  NOTE: Colors.Yellow,
};

/** A drawing as DXF (R2007), mm, layers by what its lines are for, outlines closed. */
export function drawingDxf({ marks }: Drawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const layer of LAYERS) dxf.addLayer(layer, COLOURS[layer], 'Continuous');
  for (const mark of marks) {
    const layerName = mark.layer;
    if (mark.as === 'circle') dxf.addCircle(point3d(...mark.at), mark.radius, { layerName });
    else if (mark.as === 'line')
      dxf.addLWPolyline(
        mark.through.map(([x, y]) => ({ point: point2d(x, y) })),
        { layerName, flags: mark.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      );
    else {
      const at = point3d(...mark.at);
      const { from = 'start' } = mark;
      dxf.addText(at, mark.size * CAPITAL, mark.text, {
        layerName,
        ...(from !== 'start' && {
          secondAlignmentPoint: at,
          horizontalAlignment:
            from === 'middle' ? TextHorizontalAlignment.Center : TextHorizontalAlignment.Right,
          verticalAlignment: TextVerticalAlignment.BaseLine,
        }),
      });
    }
  }
  return dxf.stringify();
}
/** Letters are told by the height of their capitals there. */
const CAPITAL = 0.7;
