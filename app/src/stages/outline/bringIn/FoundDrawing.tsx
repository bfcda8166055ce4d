import type { FoundOutline } from '@ombra/core/outlines';
import { readLength, showLength, type UnitSystem } from '@ombra/core/kernel/measure';

const WIDTH = 520;
const HEIGHT = 300;
const MARGIN = 34;
/** Lengths are written on so many sides at most; more only cover the drawing. */
const MOST_LENGTHS = 40;

/** A stored length as it is read on site. */
function lengthText(text: string, units: UnitSystem): string {
  const reading = readLength(text, units);
  return reading.ok ? showLength(reading.length, units) : text;
}

/** A found outline as it was understood: its sides with their lengths, the corner that it begins at, and its openings. */
export function FoundDrawing({ found, units }: { readonly found: FoundOutline; readonly units: UnitSystem }) {
  const xs = found.drawn.map(({ x }) => x);
  const ys = found.drawn.map(({ y }) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const scale = Math.min(
    (WIDTH - 2 * MARGIN) / Math.max(Math.max(...xs) - left, 1),
    (HEIGHT - 2 * MARGIN) / Math.max(Math.max(...ys) - top, 1),
  );
  const before = (WIDTH - (Math.max(...xs) - left) * scale) / 2;
  const at = ({ x, y }: { readonly x: number; readonly y: number }): readonly [number, number] => [
    before + (x - left) * scale,
    MARGIN + (y - top) * scale,
  ];
  const path = found.drawn
    .map((point) =>
      at(point)
        .map((each) => each.toFixed(1))
        .join(' '),
    )
    .join('L');
  const sides = found.rows.map((row, index) => {
    const [x1, y1] = at(found.corners[index] ?? { x: left, y: top });
    const [x2, y2] = at(found.corners[(index + 1) % found.corners.length] ?? { x: left, y: top });
    return { row, x: (x1 + x2) / 2, y: (y1 + y2) / 2, dx: x2 - x1, dy: y2 - y1 };
  });
  const start = found.corners[0] && at(found.corners[0]);
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="w-full border border-line bg-sheet"
      role="img"
      aria-label={`${found.name}: ${String(found.rows.length)} walls, ${showLength(found.perimeter as never, units)} round`}
    >
      <path d={`M${path}${found.closed ? 'Z' : ''}`} className="fill-foam stroke-ink" strokeWidth={2} />
      {sides.length <= MOST_LENGTHS &&
        sides.map(({ row, x, y, dx, dy }, index) => {
          const long = Math.hypot(dx, dy) || 1;
          // Outside of a clockwise walk lies to its left.
          return (
            <text
              key={index}
              x={(x + (dy / long) * 14).toFixed(1)}
              y={(y - (dx / long) * 14).toFixed(1)}
              textAnchor="middle"
              dominantBaseline="central"
              className="figures fill-ink text-[14px]"
            >
              {row.curve ? `R ${lengthText(row.curve.radius, units)}` : lengthText(row.length, units)}
            </text>
          );
        })}
      {found.openings.map((opening, index) => {
        const side = sides[opening.side];
        const wall = side && readLength(side.row.length, units);
        const [from, width] = [readLength(opening.at, units), readLength(opening.width, units)];
        if (!side || !wall?.ok || !from.ok || !width.ok) return null;
        const share = (along: number): readonly [number, number] => [
          side.x - side.dx / 2 + (side.dx * along) / wall.length,
          side.y - side.dy / 2 + (side.dy * along) / wall.length,
        ];
        const [[x1, y1], [x2, y2]] = [share(from.length), share(from.length + width.length)];
        return (
          <line key={index} x1={x1} y1={y1} x2={x2} y2={y2} className="stroke-chalk" strokeWidth={5}>
            <title>{opening.name}</title>
          </line>
        );
      })}
      {start && (
        <g className="fill-chalk">
          <circle cx={start[0]} cy={start[1]} r={5} />
          <text x={start[0] - 9} y={start[1] - 9} textAnchor="middle" className="text-[14px] font-semibold">
            A
          </text>
        </g>
      )}
    </svg>
  );
}
