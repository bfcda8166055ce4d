import { showLength } from '@ombra/core/kernel/measure';
import type { StripView } from './StripView';
import { stripSpan, stripX } from './stripGeometry';

/** Whether a label has room between the two corner letters. */
const fits = (text: string, width: number): boolean => text.length * 7 + 30 < width;

/** Corner letters and wall lengths above the strip. */
export function Heads({ frame, worked, place, onPlace }: StripView) {
  return (
    <svg width={frame.width} height={34} className="block" aria-hidden="true">
      {frame.loops.map((loop) => (
        <g key={loop.id}>
          {loop.built.walls.map((wall) => {
            const span = stripSpan(frame, loop, wall.station, wall.station + wall.length);
            return (
              <text
                key={wall.id}
                x={span.x + span.width / 2}
                y={18}
                textAnchor="middle"
                dominantBaseline="middle"
                className={`figures cursor-pointer text-[15px] font-semibold ${wall.id === place.wall ? 'fill-chalk' : 'fill-ink'}`}
                onClick={() => {
                  onPlace({ wall: wall.id });
                }}
              >
                {[`${wall.name} ${showLength(wall.length, worked.units)}`, wall.name].find((text) =>
                  fits(text, span.width),
                ) ?? ''}
              </text>
            );
          })}
          {[
            ...loop.built.walls.map((wall) => ({ letter: wall.from, station: wall.station })),
            { letter: loop.built.walls.at(-1)?.to ?? 'A', station: loop.built.perimeter },
          ].map((corner) => (
            <g key={corner.station}>
              <circle cx={stripX(frame, loop, corner.station)} cy={18} r={11} className="fill-ink" />
              <text
                x={stripX(frame, loop, corner.station)}
                y={18}
                textAnchor="middle"
                dominantBaseline="central"
                className="figures fill-paper text-[13px] font-semibold"
              >
                {corner.letter}
              </text>
            </g>
          ))}
        </g>
      ))}
    </svg>
  );
}
