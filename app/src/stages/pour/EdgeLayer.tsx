import type { Edges } from '@ombra/core/stages/edges';
import type { Levels } from '@ombra/core/stages/outline';
import { memo } from 'react';
import { type StripFrame, stripX, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

/** Concrete above the foam, to scale, along every top that has an edge. */
export const EdgeLayer = memo(function EdgeLayer({
  frame,
  edges,
  levels,
}: {
  readonly frame: StripFrame;
  readonly edges: Edges;
  readonly levels: Levels;
}) {
  const places = wallIndex(frame);
  return (
    <g data-layer="edges" pointerEvents="none">
      {edges.walls.flatMap(({ wall, height }) => {
        const found = places.get(wall);
        if (!found) return [];
        const x = (at: number): number => stripX(frame, found.loop, found.wall.station + at);
        return (levels.walls[wall] ?? []).map((span) => (
          <rect
            key={`${wall}:${String(span.from)}`}
            x={x(span.from)}
            width={x(span.to) - x(span.from)}
            y={stripY(frame, span.top) - height * frame.scale}
            height={height * frame.scale}
            className="fill-quiet stroke-ink"
            fillOpacity={0.55}
          />
        ));
      })}
    </g>
  );
});
