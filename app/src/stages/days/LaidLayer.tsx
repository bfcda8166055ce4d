import type { Days } from '@ombra/core/stages/days';
import type { WorkedPlan } from '@ombra/core/worked';
import { type StripFrame, stripX, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

interface LaidLayerProps {
  readonly frame: StripFrame;
  readonly worked: Pick<WorkedPlan, 'courses'>;
  readonly days: Days;
  readonly clock: number;
}

/** What is not laid yet at a moment of the schedule, washed out over the strip. */
export function LaidLayer({ frame, worked, days, clock }: LaidLayerProps) {
  const places = wallIndex(frame);
  const laid = new Set(
    days.items.flatMap((item) => (item.course !== undefined && item.end <= clock ? [item.course] : [])),
  );
  return (
    <g data-layer="laid" pointerEvents="none">
      {worked.courses.rows
        .filter(({ course }) => !laid.has(course))
        .map((row, index) => {
          const found = places.get(row.wall);
          if (!found) return null;
          const [from, to] = [row.from, row.to].map((at) =>
            stripX(frame, found.loop, found.wall.station + at),
          ) as [number, number];
          const [top, bottom] = [stripY(frame, row.top), stripY(frame, row.bottom)];
          return (
            <rect
              key={index}
              x={Math.min(from, to)}
              width={Math.abs(to - from)}
              y={top}
              height={bottom - top}
              className="fill-sheet"
              fillOpacity={0.82}
            />
          );
        })}
    </g>
  );
}
