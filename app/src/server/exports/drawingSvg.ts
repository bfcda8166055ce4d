import { type Drawing, type Layer, type Shape, type TextSize, boundsOf } from '@ombra/core/drawings';

/** How a layer looks on paper. Cuts and bars differ in line and tone as well as color, so they still read in black and white. */
interface Look {
  readonly stroke: string;
  readonly width: number;
  readonly fill?: string;
  readonly dash?: string;
}

const INK = '#22252b';
const LOOKS: Readonly<Record<Layer, Look>> = {
  'form face': { stroke: INK, width: 1 },
  'core face': { stroke: '#5d5a52', width: 0.6, dash: '4 2' },
  block: { stroke: '#8d876f', width: 0.5, fill: '#ffffff' },
  'cut piece': { stroke: '#6b5a1e', width: 0.8, fill: '#fdf3c8' },
  corner: { stroke: '#4f6b62', width: 0.7, fill: '#d3dfda' },
  opening: { stroke: INK, width: 1, fill: '#ffffff' },
  buck: { stroke: '#a9793a', width: 1.2, dash: '5 2' },
  insert: { stroke: '#5d5a52', width: 0.7, dash: '2 2' },
  bar: { stroke: '#8f4a1f', width: 0.9 },
  brace: { stroke: INK, width: 1.8 },
  plank: { stroke: '#b89a3c', width: 2 },
  'course line': { stroke: '#b9b29c', width: 0.4 },
  text: { stroke: INK, width: 0 },
  dimension: { stroke: '#5d5a52', width: 0.5 },
};

/** The same without colour. */
const GREY: Partial<Record<Layer, Look>> = {
  block: { stroke: '#777777', width: 0.5, fill: '#ffffff' },
  'cut piece': { stroke: '#000000', width: 0.8, fill: '#d9d9d9' },
  corner: { stroke: '#000000', width: 0.9, fill: '#f0f0f0' },
  buck: { stroke: '#000000', width: 1.2, dash: '5 2' },
  bar: { stroke: '#000000', width: 1.1 },
  plank: { stroke: '#555555', width: 2 },
};

/** Heights of letters in the units of the drawing’s own view. */
const SIZES: Readonly<Record<TextSize, number>> = { note: 8, felt: 9, label: 13, title: 18 };
const FAMILIES: Readonly<Record<TextSize, string>> = {
  note: 'Barlow Semi Condensed, Arial Narrow, sans-serif',
  felt: 'Permanent Marker, cursive',
  label: 'Barlow Semi Condensed, Arial Narrow, sans-serif',
  title: 'Barlow Semi Condensed, Arial Narrow, sans-serif',
};
/** Width of a letter to its height, on the average. */
const LETTER = 0.55;

interface SvgOptions {
  /** Width of the view; letters and lines are sized for it. */
  readonly width: number;
  /** Height that it must stay within; the drawing is made smaller where it would not. */
  readonly height?: number;
  readonly grey?: boolean;
  /** Layers that are drawn; all where left out. */
  readonly layers?: ReadonlySet<Layer>;
}

const escaped = (text: string): string =>
  text.replace(
    /[&<>"]/g,
    (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign,
  );

const n = (value: number): string => String(Math.round(value * 100) / 100);

/** A drawing as an SVG document, fitted into a view. Presentation attributes alone: any program draws it alike. */
export function drawingSvg(drawing: Drawing, options: SvgOptions): string {
  const { width, height = Infinity, grey = false, layers } = options;
  const shapes = layers ? drawing.shapes.filter(({ layer }) => layers.has(layer)) : drawing.shapes;
  const bounds = boundsOf({ shapes });
  const margin = 16;
  const wide = Math.max(1, (bounds?.right ?? 1) - (bounds?.left ?? 0));
  const high = Math.max(1, (bounds?.bottom ?? 1) - (bounds?.top ?? 0));
  const scale = Math.min((width - 2 * margin) / wide, (height - 2 * margin) / high);
  const view = { width: wide * scale + 2 * margin, height: high * scale + 2 * margin };
  const x = (at: number): number => margin + (at - (bounds?.left ?? 0)) * scale;
  const y = (at: number): number => margin + (at - (bounds?.top ?? 0)) * scale;
  const lookOf = (layer: Layer): Look => (grey ? (GREY[layer] ?? LOOKS[layer]) : LOOKS[layer]);

  const words = (
    at: { readonly x: number; readonly y: number },
    text: string,
    size: TextSize,
    room: number,
  ): string => {
    const letter = SIZES[size];
    // What has no room is written smaller, down to what can still be read; then it is left out.
    const fits = Math.min(letter, (room * scale) / Math.max(1, text.length * LETTER));
    if (fits < 4) return '';
    const family = FAMILIES[size];
    return `<text x="${n(x(at.x))}" y="${n(y(at.y) + fits * 0.35)}" font-family="${family}" font-size="${n(fits)}" text-anchor="middle" fill="${INK}">${escaped(text)}</text>`;
  };
  const drawn = (shape: Shape): string => {
    const look = lookOf(shape.layer);
    const line = `stroke="${look.stroke}" stroke-width="${n(look.width)}"${look.dash === undefined ? '' : ` stroke-dasharray="${look.dash}"`}`;
    switch (shape.kind) {
      case 'path': {
        const d = shape.points.map((point) => `${n(x(point.x))} ${n(y(point.y))}`).join('L');
        return `<path d="M${d}${shape.closed ? 'Z' : ''}" fill="${shape.closed ? (look.fill ?? 'none') : 'none'}" ${line}/>`;
      }
      case 'dot':
        return `<circle cx="${n(x(shape.at.x))}" cy="${n(y(shape.at.y))}" r="${n(Math.max(1.2, shape.radius * scale))}" fill="${look.stroke}"/>`;
      case 'words':
        return words(shape.at, shape.text, shape.size, shape.room ?? Infinity);
      case 'dimension': {
        const { from, to, aside } = shape;
        const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
        const [across, down] = [-(to.y - from.y) / length, (to.x - from.x) / length];
        const end = (point: { readonly x: number; readonly y: number }, by: number) => ({
          x: point.x + across * by,
          y: point.y + down * by,
        });
        const [a, b] = [end(from, aside), end(to, aside)];
        const ticks = [
          [from, a],
          [to, b],
        ].map(([p, q]) => `M${n(x(p?.x ?? 0))} ${n(y(p?.y ?? 0))}L${n(x(q?.x ?? 0))} ${n(y(q?.y ?? 0))}`);
        const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
        const size = Math.min(SIZES.note, (length * scale) / (shape.text.length * LETTER));
        if (size < 4) return '';
        // Words along their line, never on their head.
        const turn = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
        const upright = turn > 90.01 || turn < -89.99 ? turn + 180 : turn;
        const [cx, cy] = [x(middle.x), y(middle.y)];
        const label = `<text x="${n(cx)}" y="${n(cy - size * 0.3)}" transform="rotate(${n(upright)} ${n(cx)} ${n(cy)})" font-family="${FAMILIES.note}" font-size="${n(size)}" text-anchor="middle" fill="${INK}">${escaped(shape.text)}</text>`;
        return `<path d="M${n(x(a.x))} ${n(y(a.y))}L${n(x(b.x))} ${n(y(b.y))}${ticks.join('')}" fill="none" ${line}/>${label}`;
      }
    }
  };
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${n(view.width)} ${n(view.height)}" width="${n(view.width)}" height="${n(view.height)}">`,
    `<title>${escaped(drawing.title)}</title>`,
    ...shapes.map(drawn),
    '</svg>',
    '',
  ].join('\n');
}
