import type { LaidRow } from '@ombra/core/kernel/record';
import type { WorkedPlan } from '@ombra/core/worked';
import { type StripFrame, stripSpan, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

interface RecordLayerProps {
  readonly frame: StripFrame;
  readonly worked: Pick<WorkedPlan, 'courses'>;
  /** What stands on site. */
  readonly laid: readonly LaidRow[];
  /** A course whose walls are tapped as they are laid. */
  readonly tapping?: {
    readonly course: number;
    readonly chosen: ReadonlySet<string>;
    readonly onTap: (wall: string) => void;
  };
}

/** What is recorded, in red chalk over what is planned: a line under every stretch that stands. Walls of the course that is being written are tapped. */
export function RecordLayer({ frame, worked, laid, tapping }: RecordLayerProps) {
  const places = wallIndex(frame);
  const stands = new Set(laid.map(({ course, wall }) => `${String(course)}:${wall}`));
  return (
    <g data-layer="record">
      {worked.courses.rows.map((row, index) => {
        const found = places.get(row.wall);
        if (!found) return null;
        const { x, width } = stripSpan(
          frame,
          found.loop,
          found.wall.station + row.from,
          found.wall.station + row.to,
        );
        const [top, bottom] = [stripY(frame, row.top), stripY(frame, row.bottom)];
        const done = stands.has(`${String(row.course)}:${row.wall}`);
        const asked = tapping?.course === row.course;
        const chosen = asked && tapping.chosen.has(row.wall);
        return (
          <g key={index}>
            {done && (
              <g pointerEvents="none">
                <rect
                  x={x}
                  width={width}
                  y={top}
                  height={bottom - top}
                  className="fill-record"
                  fillOpacity={0.14}
                />
                <line
                  x1={x + 2}
                  x2={x + width - 2}
                  y1={bottom - 3}
                  y2={bottom - 3}
                  strokeWidth={3}
                  strokeDasharray="9 2"
                  className="stroke-record"
                />
              </g>
            )}
            {asked && (
              <rect
                x={x}
                width={width}
                y={top}
                height={bottom - top}
                className={`pointer-events-auto cursor-pointer ${chosen ? 'fill-record' : 'fill-transparent'} stroke-record`}
                fillOpacity={chosen ? 0.35 : 0}
                strokeWidth={2}
                strokeDasharray={chosen ? undefined : '5 4'}
                onClick={(event) => {
                  event.stopPropagation();
                  tapping.onTap(row.wall);
                }}
              >
                <title>{chosen ? 'Laid: tap to take off' : 'Tap what is laid'}</title>
              </rect>
            )}
          </g>
        );
      })}
    </g>
  );
}
