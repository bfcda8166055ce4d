import { showLength } from '@ombra/core/kernel/measure';
import type { StripView } from './StripView';
import { stripX, stripY } from './stripGeometry';

/** Sloping tops: what is sawn off above the slope is paled, the cut line drawn, its highest point told. */
export function RakeDrawing({ frame, worked }: Pick<StripView, 'frame' | 'worked'>) {
  return frame.loops.flatMap((loop) =>
    loop.built.walls.flatMap((wall) => {
      const spans = (worked.levels.walls[wall.id] ?? []).flatMap((span) =>
        span.cut ? [{ ...span, cut: span.cut }] : [],
      );
      if (spans.length === 0) return [];
      const x = (at: number): string => stripX(frame, loop, wall.station + at).toFixed(1);
      const y = (up: number): string => stripY(frame, up).toFixed(1);
      const off = spans.map(
        ({ from, to, cut }) =>
          `M${x(from)} ${y(cut.over)}H${x(to)}V${y(cut.slope[1])}L${x(from)} ${y(cut.slope[0])}z`,
      );
      const line = spans.map(
        ({ from, to, cut }) => `M${x(from)} ${y(cut.slope[0])}L${x(to)} ${y(cut.slope[1])}`,
      );
      const ends = spans.flatMap(({ from, to, cut }) => [
        { at: from, up: cut.slope[0] },
        { at: to, up: cut.slope[1] },
      ]);
      const highest = ends.reduce((best, end) => (end.up > best.up ? end : best));
      return [
        <g key={wall.id} data-layer="rake" pointerEvents="none">
          <path d={off.join('')} className="fill-paper" fillOpacity={0.82} />
          <path d={line.join('')} strokeWidth={2.6} className="fill-none stroke-cut-line" />
          <text
            x={x(highest.at)}
            y={stripY(frame, highest.up) + 16}
            textAnchor="middle"
            paintOrder="stroke"
            strokeWidth={4}
            className="figures fill-ink stroke-sheet text-[13px] font-semibold"
          >
            {showLength(highest.up, worked.units)}
          </text>
        </g>,
      ];
    }),
  );
}
