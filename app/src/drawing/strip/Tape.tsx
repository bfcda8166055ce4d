import type { StripView } from './StripView';
import { stripX, tapeMarks } from './stripGeometry';

/** Stations from A under the strip. */
export function Tape({ frame, worked }: Pick<StripView, 'frame' | 'worked'>) {
  return (
    <svg width={frame.width} height={36} className="block bg-paper" aria-hidden="true">
      {frame.loops.map((loop) => (
        <g key={loop.id}>
          {tapeMarks(loop.built.perimeter, frame.scale, worked.units === 'metric').map((mark) => {
            const x = stripX(frame, loop, mark.at);
            return (
              <g key={mark.at}>
                <line x1={x} x2={x} y1={2} y2={mark.long ? 14 : 8} className="stroke-ink" />
                {mark.label !== null && (
                  <text x={x} y={27} textAnchor="middle" className="figures fill-quiet text-[12px]">
                    {mark.label}
                  </text>
                )}
              </g>
            );
          })}
        </g>
      ))}
    </svg>
  );
}
