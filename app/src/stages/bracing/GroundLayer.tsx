import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { WallBraces } from '@ombra/core/stages/bracing';
import { memo } from 'react';
import { type StripFrame, stripX, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

/** Raised ground on the braced side of each wall: what the legs of this pour stand on, with its height over the footing. */
export const GroundLayer = memo(function GroundLayer({
  frame,
  walls,
  units,
}: {
  readonly frame: StripFrame;
  readonly walls: readonly WallBraces[];
  readonly units: UnitSystem;
}) {
  const places = wallIndex(frame);
  return (
    <g data-layer="ground" pointerEvents="none">
      {walls.map((own) => {
        const found = places.get(own.wall);
        if (!found || own.on === 'footing') return null;
        const x = (at: number): number => stripX(frame, found.loop, found.wall.station + at);
        const [from, to, y] = [x(0), x(found.wall.length), stripY(frame, own.foot)];
        return (
          <g key={own.wall}>
            <line
              x1={from}
              x2={to}
              y1={y}
              y2={y}
              strokeWidth={own.on === 'slab' ? 5 : 3}
              strokeDasharray={own.on === 'slab' ? undefined : '2 4'}
              className="stroke-quiet"
            />
            <text
              x={from + 6}
              y={y - 6}
              paintOrder="stroke"
              strokeWidth={5}
              className="figures fill-ink stroke-sheet text-[13px] font-semibold"
            >
              {own.on} {showLength(own.foot, units)}
            </text>
          </g>
        );
      })}
    </g>
  );
});
