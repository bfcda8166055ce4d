import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { PlacedInsert } from '@ombra/core/stages/inserts';
import { type PlacedOpening, type Shape, arcRadius, heightOf, widthOf } from '@ombra/core/stages/openings';
import { memo, useMemo } from 'react';
import { type Box, type StripFrame, stripSpan, stripY, wallIndex } from './stripGeometry';

interface OpeningsDrawingProps {
  readonly frame: StripFrame;
  readonly openings: readonly PlacedOpening[];
  readonly inserts: readonly PlacedInsert[];
  readonly units: UnitSystem;
}

const px = (value: number): string => value.toFixed(1);

/** The outline of a hole on the strip. */
export function shapePath(frame: StripFrame, box: Box, shape: Shape): string {
  const { x, top, width, height } = box;
  if (shape.rise === 0) return `M${px(x)} ${px(top)}h${px(width)}v${px(height)}h${px(-width)}z`;
  const rise = shape.rise * frame.scale;
  const radius = arcRadius(width, rise);
  return `M${px(x)} ${px(top + rise)}A${px(radius)} ${px(radius)} 0 0 1 ${px(x + width)} ${px(top + rise)}V${px(top + height)}H${px(x)}z`;
}

/** Where something on a wall's face lies on the strip; null where its wall is not drawn. */
export function faceBox(
  frame: StripFrame,
  walls: ReturnType<typeof wallIndex>,
  wall: string,
  rect: Pick<Shape, 'from' | 'to' | 'bottom' | 'top'>,
): Box | null {
  const found = walls.get(wall);
  if (!found) return null;
  const span = stripSpan(frame, found.loop, found.wall.station + rect.from, found.wall.station + rect.to);
  return { ...span, top: stripY(frame, rect.top), height: (rect.top - rect.bottom) * frame.scale };
}

/** One opening: the hole in the foam, its buck, what is held down under it, and its size where there is room. */
function OpeningShape({
  opening,
  frame,
  walls,
  units,
}: {
  readonly opening: PlacedOpening;
  readonly walls: ReturnType<typeof wallIndex>;
} & Pick<OpeningsDrawingProps, 'frame' | 'units'>) {
  const outer = faceBox(frame, walls, opening.wall, opening.concrete);
  const inner = faceBox(frame, walls, opening.wall, opening.finished);
  const notch = opening.threshold?.notch && faceBox(frame, walls, opening.wall, opening.threshold.notch);
  if (!outer || !inner) return null;
  const middle = inner.x + inner.width / 2;
  const size = Math.min(14, inner.height / 4);
  const roomy = inner.width > 60 && size > 7;
  return (
    <g data-opening={opening.id}>
      {notch && (
        <rect
          x={notch.x}
          y={notch.top}
          width={notch.width}
          height={notch.height}
          fill="url(#ground-dots)"
          className="stroke-ink"
          strokeDasharray="3 2"
        />
      )}
      <path
        d={shapePath(frame, outer, opening.concrete)}
        className="fill-timber stroke-ink"
        strokeDasharray={opening.worked ? undefined : '4 3'}
      />
      <path d={shapePath(frame, inner, opening.finished)} className="fill-sheet stroke-ink" />
      {roomy && (
        <>
          <text
            x={middle}
            y={inner.top + inner.height / 2 - size * 0.3}
            textAnchor="middle"
            className="fill-ink font-medium"
            fontSize={size}
          >
            {opening.name.length * size * 0.45 < inner.width ? opening.name : ''}
          </text>
          <text
            x={middle}
            y={inner.top + inner.height / 2 + size}
            textAnchor="middle"
            className="figures fill-quiet"
            fontSize={size}
          >
            {`${showLength(widthOf(opening.finished), units)} × ${showLength(heightOf(opening.finished), units)}`}
          </text>
        </>
      )}
    </g>
  );
}

/** One insert: round ones as a circle, pockets crossed, runs as bands with their anchors or plates. */
function InsertShape({
  insert,
  frame,
  walls,
}: {
  readonly insert: PlacedInsert;
  readonly walls: ReturnType<typeof wallIndex>;
} & Pick<OpeningsDrawingProps, 'frame'>) {
  const box = faceBox(frame, walls, insert.wall, insert.rect);
  if (!box) return null;
  const { x, top, width, height } = box;
  const fixings = insert.fixings.flatMap(({ at, up }) => {
    const spot = faceBox(frame, walls, insert.wall, { from: at, to: at, bottom: up, top: up });
    return spot ? [{ x: spot.x, y: spot.top }] : [];
  });
  if (insert.round) {
    const radius = Math.max(width / 2, 2.5);
    return (
      <g data-insert={insert.id}>
        <circle
          cx={x + width / 2}
          cy={top + height / 2}
          r={radius}
          className="fill-sheet stroke-ink"
          strokeWidth={1.6}
        />
        <circle
          cx={x + width / 2}
          cy={top + height / 2}
          r={Math.max(radius - 2.5, 0.5)}
          className="fill-ink"
        />
      </g>
    );
  }
  const crossed = insert.kind === 'pocket' || insert.kind === 'hold-down';
  return (
    <g data-insert={insert.id}>
      <rect
        x={x}
        y={top}
        width={Math.max(width, 2)}
        height={Math.max(height, 2)}
        className={`${insert.kind === 'ledger' ? 'fill-timber' : crossed ? 'fill-sheet' : 'fill-none'} stroke-ink`}
        fillOpacity={insert.kind === 'ledger' ? 0.75 : 1}
        strokeWidth={1.4}
        strokeDasharray={insert.kind === 'brick-ledge' ? '6 3' : undefined}
      />
      {crossed && (
        <path
          d={`M${px(x)} ${px(top)}l${px(width)} ${px(height)}M${px(x + width)} ${px(top)}l${px(-width)} ${px(height)}`}
          className="stroke-ink"
        />
      )}
      <path
        d={fixings
          .map(({ x: at, y }) =>
            insert.kind === 'hangers'
              ? `M${px(at - 2)} ${px(y - 4)}h4v8h-4z`
              : `M${px(at - 2)} ${px(y)}a2 2 0 1 0 4 0a2 2 0 1 0 -4 0`,
          )
          .join('')}
        className="fill-ink"
      />
    </g>
  );
}

/** Openings with their bucks, and inserts, over the blocks. Pure drawing: it serves the screen and the printed sheets. */
export const OpeningsDrawing = memo(function OpeningsDrawing({
  frame,
  openings,
  inserts,
  units,
}: OpeningsDrawingProps) {
  const walls = useMemo(() => wallIndex(frame), [frame]);
  return (
    <g pointerEvents="none">
      {openings.map((opening) => (
        <OpeningShape key={opening.id} opening={opening} frame={frame} walls={walls} units={units} />
      ))}
      {inserts.map((insert) => (
        <InsertShape key={insert.id} insert={insert} frame={frame} walls={walls} />
      ))}
    </g>
  );
});
