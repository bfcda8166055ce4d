import type { Levels } from '@ombra/core/stages/outline';
import { type WorkedPour, liftHours } from '@ombra/core/stages/pour';
import { memo } from 'react';
import { type StripFrame, stripSpan, stripX, stripY, wallIndex } from '../../drawing/strip/stripGeometry';
import { timeOf } from './pourWords';

interface LiftLayerProps {
  readonly frame: StripFrame;
  readonly levels: Levels;
  readonly pour: WorkedPour;
}

/** Lifts as bands over the blocks with their clock times, the sills that are filled apart, and where the hose begins. */
export const LiftLayer = memo(function LiftLayer({ frame, levels, pour }: LiftLayerProps) {
  const walls = wallIndex(frame);
  const hours = liftHours(pour);
  const first = pour.slices[pour.route[0] ?? -1];
  const second = pour.slices[pour.route[1] ?? -1];
  const begin = first && walls.get(first.wall);
  const next = second && walls.get(second.wall);
  const xOf = (slice: typeof first, found: typeof begin): number =>
    slice && found ? stripX(frame, found.loop, found.wall.station + (slice.from + slice.to) / 2) : 0;
  const [x, toward] = [xOf(first, begin), xOf(second, next)];
  const points = toward >= x ? 1 : -1;
  const foot = stripY(frame, pour.lifts.at(-1)?.top ?? 0) + 9;
  return (
    <g data-layer="lifts" pointerEvents="none">
      {[...walls].map(([id, { wall, loop }]) =>
        (levels.walls[id] ?? []).map((span) =>
          pour.lifts.map((lift, index) => {
            const [bottom, top] = [Math.max(lift.bottom, span.bottom), Math.min(lift.top, span.top)];
            if (top <= bottom) return null;
            const { x: left, width } = stripSpan(
              frame,
              loop,
              wall.station + span.from,
              wall.station + span.to,
            );
            return (
              <g key={`${id}:${String(span.from)}:${String(index)}`}>
                <rect
                  x={left}
                  y={stripY(frame, top)}
                  width={width}
                  height={(top - bottom) * frame.scale}
                  className="fill-chalk"
                  fillOpacity={index % 2 === 0 ? 0.2 : 0.08}
                />
                {top === lift.top && (
                  <line
                    x1={left}
                    x2={left + width}
                    y1={stripY(frame, top)}
                    y2={stripY(frame, top)}
                    className="stroke-chalk"
                    strokeWidth={2}
                    strokeDasharray={index === pour.lifts.length - 1 ? undefined : '9 5'}
                  />
                )}
              </g>
            );
          }),
        ),
      )}
      {frame.loops.map((loop) => {
        const { x: left } = stripSpan(frame, loop, 0, loop.built.perimeter);
        return pour.lifts.map((lift, index) => {
          const time = hours[index];
          const middle = stripY(frame, (lift.bottom + lift.top) / 2);
          return (
            <g
              key={`${loop.id}:${String(index)}`}
              transform={`translate(${(left + 10).toFixed(1)} ${middle.toFixed(1)})`}
            >
              <rect x={-4} y={-10} width={112} height={20} className="fill-sheet stroke-chalk" />
              <text dominantBaseline="central" className="figures fill-chalk text-[15px] font-semibold">
                {String(index + 1)}
                {time ? `  ${timeOf(pour, time.from)}–${timeOf(pour, time.to)}` : ''}
              </text>
            </g>
          );
        });
      })}
      {pour.holes.map((hole) => {
        const found = walls.get(hole.wall);
        if (!found) return null;
        return (
          <circle
            key={`${hole.wall}:${String(hole.lift)}:${String(hole.number)}`}
            cx={stripX(frame, found.loop, found.wall.station + hole.at)}
            cy={stripY(frame, hole.up)}
            r={5}
            strokeWidth={2}
            className="fill-sheet stroke-ink"
          />
        );
      })}
      {pour.stops
        .filter((stop) => stop.kind === 'sill')
        .map((stop) => {
          const slice = pour.slices[stop.slice ?? -1];
          const found = slice && walls.get(slice.wall);
          if (!slice?.opening || !found) return null;
          const top = Math.min(stop.top, slice.opening.concrete.bottom);
          return (
            <g
              key={`${String(stop.lift)}:${String(slice.index)}`}
              transform={`translate(${xOf(slice, found).toFixed(1)} ${stripY(frame, top).toFixed(1)})`}
            >
              <rect x={-13} y={3} width={26} height={15} className="fill-sheet stroke-ink" />
              <text
                y={11}
                textAnchor="middle"
                dominantBaseline="central"
                className="figures fill-ink text-[13px] font-semibold"
              >
                sill
              </text>
            </g>
          );
        })}
      {first && (
        <g transform={`translate(${x.toFixed(1)} ${foot.toFixed(1)})`}>
          <path
            d={`M${String(-14 * points)} 0H${String(14 * points)}m${String(-7 * points)} -6l${String(7 * points)} 6l${String(-7 * points)} 6`}
            className="fill-none stroke-ink"
            strokeWidth={3}
          />
          <rect
            x={points > 0 ? 15 : -85}
            y={-8}
            width={70}
            height={16}
            className="fill-sheet"
            fillOpacity={0.85}
          />
          <text
            x={18 * points}
            textAnchor={points > 0 ? 'start' : 'end'}
            dominantBaseline="central"
            className="figures fill-ink text-[14px] font-semibold"
          >
            hose begins
          </text>
        </g>
      )}
    </g>
  );
});
