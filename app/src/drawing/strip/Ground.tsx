import type { StripView } from './StripView';
import { stripSpan, stripY } from './stripGeometry';

/** What the walls stand on: the footing's top, stepped where it steps, and the concrete below it down to the lowest one. */
export function Ground({ frame, worked }: Pick<StripView, 'frame' | 'worked'>) {
  return frame.loops.flatMap((loop) =>
    loop.built.walls.flatMap((wall) =>
      (worked.levels.walls[wall.id] ?? []).map((span) => {
        const { x, width } = stripSpan(frame, loop, wall.station + span.from, wall.station + span.to);
        const y = stripY(frame, span.bottom);
        return (
          <g key={`${wall.id}:${String(span.from)}`}>
            {span.bottom > 0 && (
              <rect x={x} y={y} width={width} height={frame.height - y} fill="url(#ground-dots)" />
            )}
            <line x1={x} x2={x + width} y1={y} y2={y} className="stroke-ink" strokeWidth={2.5} />
          </g>
        );
      }),
    ),
  );
}
