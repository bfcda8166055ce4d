import { type Drawing, type Layer, type TextSize, LAYERS, boundsOf } from '@ombra/core/drawings';
import { type UnitSystem, NANOMETRES_PER_INCH, NANOMETRES_PER_MILLIMETRE } from '@ombra/core/kernel/measure';
import {
  Colors,
  DxfWriter,
  LWPolylineFlags,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
  point3d,
} from '@tarikjabiri/dxf';

const COLORS: Readonly<Partial<Record<Layer, number>>> = {
  'cut piece': Colors.Yellow,
  corner: Colors.Cyan,
  opening: Colors.Green,
  buck: Colors.Green,
  bar: Colors.Red,
  brace: Colors.Magenta,
  plank: Colors.Magenta,
  dimension: Colors.Blue,
};

/** Heights of letters, in nanometres: as they would be written on the foam, and large enough over a whole wall. */
const HEIGHTS: Readonly<Record<TextSize, number>> = { note: 100e6, felt: 80e6, label: 200e6, title: 400e6 };
const LETTER = 0.8;

/** Clear space between drawings, in nanometres. */
const BETWEEN = 3_000e6;

/** Name of a layer: its meaning, begun with a capital. */
const layerName = (layer: Layer): string => layer.charAt(0).toUpperCase() + layer.slice(1);

/** Signs that the fonts of drawing programs may not have. */
const plainSigns = (text: string): string =>
  text
    .replaceAll('′', "'")
    .replaceAll('″', '"')
    .replaceAll('–', '-')
    .replaceAll('−', '-')
    .replace(/[\r\n]+/g, ' ');

/** Where each drawing goes: the first where it is, its corner A in the origin, the others in rows below it. */
function spread(
  drawings: readonly Drawing[],
): readonly { readonly drawing: Drawing; readonly dx: number; readonly dy: number }[] {
  const widest = Math.max(
    ...drawings.map((drawing) => {
      const bounds = boundsOf(drawing);
      return bounds ? bounds.right - bounds.left : 0;
    }),
  );
  const row = 3 * widest;
  let [left, top, deepest] = [0, 0, 0];
  return drawings.map((drawing, index) => {
    const bounds = boundsOf(drawing) ?? { left: 0, right: 0, top: 0, bottom: 0 };
    if (index === 0) {
      top = bounds.bottom + BETWEEN;
      return { drawing, dx: 0, dy: 0 };
    }
    const width = bounds.right - bounds.left;
    if (left > 0 && left + width > row) {
      top += deepest + BETWEEN;
      [left, deepest] = [0, 0];
    }
    const placed = { drawing, dx: left - bounds.left, dy: top - bounds.top };
    left += width + BETWEEN;
    deepest = Math.max(deepest, bounds.bottom - bounds.top);
    return placed;
  });
}

/**
 * Drawings as the text of one DXF file, in inches or millimetres at true size, a layer for each meaning. The first stands where it is
 * on the plan, x to the right and y up; the others beside each other below it.
 */
export function writeDxf(drawings: readonly Drawing[], units: UnitSystem): string {
  const dxf = new DxfWriter();
  dxf.setUnits(units === 'imperial' ? Units.Inches : Units.Millimeters);
  const unit = units === 'imperial' ? NANOMETRES_PER_INCH : NANOMETRES_PER_MILLIMETRE;
  dxf.setVariable('$MEASUREMENT', { 70: units === 'imperial' ? 0 : 1 });
  for (const layer of LAYERS) dxf.addLayer(layerName(layer), COLORS[layer] ?? Colors.White, 'CONTINUOUS');
  const style = dxf.tables.addDimStyle('Ombra');
  style.DIMTXT = HEIGHTS.note / unit;
  style.DIMASZ = HEIGHTS.note / unit;

  for (const { drawing, dx, dy } of spread(drawings)) {
    const at = ({ x, y }: { readonly x: number; readonly y: number }) =>
      point3d((x + dx) / unit, -(y + dy) / unit);
    const text = (
      where: { readonly x: number; readonly y: number },
      words: string,
      height: number,
      layer: Layer,
    ): void => {
      dxf.addText(at(where), height / unit, plainSigns(words), {
        layerName: layerName(layer),
        horizontalAlignment: TextHorizontalAlignment.Center,
        verticalAlignment: TextVerticalAlignment.Middle,
        secondAlignmentPoint: at(where),
      });
    };
    for (const shape of drawing.shapes) {
      const layer = { layerName: layerName(shape.layer) };
      if (shape.kind === 'path') {
        const points = shape.points.map(at);
        const [a, b] = points;
        if (points.length === 2 && a && b) dxf.addLine(a, b, layer);
        else {
          const flags = shape.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None;
          dxf.addLWPolyline(
            points.map(({ x, y }) => ({ point: { x, y } })),
            { ...layer, flags },
          );
        }
      } else if (shape.kind === 'dot') dxf.addCircle(at(shape.at), shape.radius / unit, layer);
      else if (shape.kind === 'words') {
        const room = shape.room ?? Infinity;
        const height = Math.min(HEIGHTS[shape.size], room / Math.max(1, shape.text.length * LETTER));
        text(shape.at, shape.text, height, shape.layer);
      } else {
        dxf.addAlignedDim(at(shape.from), at(shape.to), {
          ...layer,
          offset: shape.aside / unit,
          styleName: 'Ombra',
        });
      }
    }
    const bounds = boundsOf(drawing);
    if (bounds) {
      const where = { x: (bounds.left + bounds.right) / 2, y: bounds.top - HEIGHTS.title };
      text(where, drawing.title, HEIGHTS.title, 'text');
    }
  }
  return dxf.stringify();
}
