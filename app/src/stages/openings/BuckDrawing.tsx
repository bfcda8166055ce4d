import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import { type Buck, bracesAcross } from '@ombra/core/stages/bucks';
import { type PlacedOpening, arcRadius, heightOf, widthOf } from '@ombra/core/stages/openings';

interface BuckDrawingProps {
  readonly opening: PlacedOpening;
  readonly buck: Buck | undefined;
  readonly braceSpacing: Length;
  readonly units: UnitSystem;
  readonly width: number;
  readonly height: number;
}

/** Room for dimensions: left, right, above, below. */
const ROOM = { left: 44, right: 44, top: 20, bottom: 34 } as const;
const px = (value: number): string => value.toFixed(1);

/** One buck in elevation: its members, cross-braces, sill access and diagonal, with its three sizes. */
export function BuckDrawing({ opening, buck, braceSpacing, units, width, height }: BuckDrawingProps) {
  const { finished, concrete, openBottom, openTop } = opening;
  const across = widthOf(concrete);
  const tall = heightOf(concrete);
  const scale = Math.min((width - ROOM.left - ROOM.right) / across, (height - ROOM.top - ROOM.bottom) / tall);
  const left = (width - across * scale) / 2;
  const x = (at: number): number => left + (at - concrete.from) * scale;
  const y = (up: number): number => ROOM.top + (concrete.top - up) * scale;
  const outline = (shape: typeof concrete): string => {
    if (shape.rise === 0) {
      return `M${px(x(shape.from))} ${px(y(shape.top))}H${px(x(shape.to))}V${px(y(shape.bottom))}H${px(x(shape.from))}z`;
    }
    const springs = y(shape.top - shape.rise);
    const radius = arcRadius(widthOf(shape), shape.rise) * scale;
    return `M${px(x(shape.from))} ${px(springs)}A${px(radius)} ${px(radius)} 0 0 1 ${px(x(shape.to))} ${px(springs)}V${px(y(shape.bottom))}H${px(x(shape.from))}z`;
  };
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const springs = (finished.top - finished.rise) as Length;
  const uprights = bracesAcross(widthOf(finished), braceSpacing);
  const levels = bracesAcross((springs - finished.bottom) as Length, braceSpacing);
  const share = (count: number, from: number, to: number): readonly number[] =>
    Array.from({ length: count }, (_, index) => from + ((to - from) * (index + 1)) / (count + 1));
  const sillAt = (at: Length): number => x(finished.from + at);
  const thick = (concrete.top - finished.top) * scale;
  const words = (
    at: { readonly x: number; readonly y: number; readonly turned?: boolean },
    text: string,
    look = 'fill-ink',
  ) => (
    <text
      x={px(at.x)}
      y={px(at.y)}
      textAnchor="middle"
      dominantBaseline="central"
      className={`figures text-[13px] ${look}`}
      {...(at.turned === true ? { transform: `rotate(-90 ${px(at.x)} ${px(at.y)})` } : {})}
    >
      {text}
    </text>
  );
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      className="block max-w-full"
      role="img"
      aria-label={`Buck of ${opening.name}: rough opening ${inInches(widthOf(finished))} by ${inInches(heightOf(finished))}, hole ${inInches(widthOf(opening.hole))} by ${inInches(heightOf(opening.hole))}`}
    >
      <path d={outline(concrete)} className="fill-timber stroke-ink" strokeWidth={1.4} />
      <path d={outline(finished)} className="fill-sheet stroke-ink" strokeWidth={1.2} />
      {!openTop && finished.rise === 0 && (
        <path
          d={`M${px(x(concrete.from))} ${px(y(finished.top))}H${px(x(finished.from))}M${px(x(finished.to))} ${px(y(finished.top))}H${px(x(concrete.to))}`}
          className="stroke-ink"
        />
      )}
      {!openBottom && (
        <path
          d={`M${px(x(concrete.from))} ${px(y(finished.bottom))}H${px(x(finished.from))}M${px(x(finished.to))} ${px(y(finished.bottom))}H${px(x(concrete.to))}`}
          className="stroke-ink"
        />
      )}
      <path
        d={[
          ...share(uprights, finished.from, finished.to).map(
            (at) => `M${px(x(at))} ${px(y(springs))}V${px(y(finished.bottom))}`,
          ),
          ...share(levels, finished.bottom, springs).map(
            (up) => `M${px(x(finished.from))} ${px(y(up))}H${px(x(finished.to))}`,
          ),
        ].join('')}
        className="stroke-quiet"
        strokeWidth={3}
        strokeOpacity={0.55}
      />
      <path
        d={`M${px(x(finished.from))} ${px(y(finished.bottom))}L${px(x(finished.to))} ${px(y(springs))}`}
        className="stroke-chalk"
        strokeDasharray="6 4"
      />
      {buck?.access.at.map((at) => {
        const size = Math.max(buck.access.size * scale, 4);
        return (
          <rect
            key={at}
            x={px(sillAt(at) - size / 2)}
            y={px(y(finished.bottom) + Math.max(thick, 2) * 0.15)}
            width={px(size)}
            height={px(Math.max(thick, 3) * 0.7)}
            className="fill-ink"
          />
        );
      })}
      {words(
        { x: x((concrete.from + concrete.to) / 2), y: ROOM.top - 10 },
        `hole ${inInches(widthOf(opening.hole))}`,
      )}
      {words(
        { x: x((concrete.from + concrete.to) / 2), y: y(concrete.bottom) + 11 },
        `rough ${inInches(widthOf(finished))}`,
      )}
      {words(
        { x: x((concrete.from + concrete.to) / 2), y: y(concrete.bottom) + 25 },
        `lintel spans ${inInches(across)}${buck ? ` · diagonal ${showLength(buck.diagonal, units)}` : ''}`,
        'fill-quiet',
      )}
      {words(
        { x: x(concrete.from) - 12, y: y((concrete.bottom + concrete.top) / 2), turned: true },
        `rough ${inInches(heightOf(finished))}`,
      )}
      {words(
        { x: x(concrete.to) + 12, y: y((concrete.bottom + concrete.top) / 2), turned: true },
        `hole ${inInches(heightOf(opening.hole))}`,
      )}
    </svg>
  );
}
