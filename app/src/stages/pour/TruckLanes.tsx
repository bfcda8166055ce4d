import type { WorkedPour } from '@ombra/core/stages/pour';
import type { PlayedRun } from '@ombra/core/stages/pour/rehearsal';
import { IDLE_WORDS, timeOf } from './pourWords';

const WIDTH = 900;
const LANE = 19;
const LEFT = 8;

/** The trucks of a day as lanes: on the road, waiting, at the hose; the minutes in which nobody placed; and the clock. */
export function TruckLanes({
  pour,
  run,
  at,
}: {
  readonly pour: WorkedPour;
  readonly run: PlayedRun;
  readonly at: number;
}) {
  const begin = Math.min(0, ...run.trips.map((trip) => trip.batched));
  const end = Math.max(run.finish, 1);
  const x = (minutes: number): number => LEFT + ((minutes - begin) / (end - begin)) * (WIDTH - 2 * LEFT);
  const height = run.trips.length * LANE + 44;
  const hours = Array.from(
    { length: Math.max(1, Math.ceil((end - begin) / 30)) },
    (_, index) => (Math.ceil((pour.start + begin) / 30) + index) * 30 - pour.start,
  ).filter((minutes) => minutes <= end);
  const floor = run.trips.length * LANE + 4;
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(height)}`}
      className="w-full"
      role="img"
      aria-label={`${String(run.trips.length)} loads, ${run.trips.map((trip, index) => `${String(index + 1)} on site ${timeOf(pour, trip.arrived)}, placed ${timeOf(pour, trip.from)} to ${timeOf(pour, trip.to)}`).join('; ')}`}
    >
      {hours.map((minutes) => (
        <g key={minutes}>
          <line x1={x(minutes)} x2={x(minutes)} y1={0} y2={floor + 16} className="stroke-line" />
          <text x={x(minutes) + 3} y={floor + 32} className="figures fill-quiet text-[13px]">
            {timeOf(pour, minutes)}
          </text>
        </g>
      ))}
      {run.trips.map((trip, index) => {
        const y = index * LANE + 4;
        return (
          <g key={index}>
            <line
              x1={x(trip.batched)}
              x2={x(trip.arrived)}
              y1={y + 6}
              y2={y + 6}
              className="stroke-quiet"
              strokeDasharray="2 4"
              strokeWidth={2}
            />
            <rect
              x={x(trip.arrived)}
              y={y + 2}
              width={Math.max(0, x(trip.from) - x(trip.arrived))}
              height={9}
              className="fill-cut stroke-cut-line"
            />
            <rect
              x={x(trip.from)}
              y={y}
              width={Math.max(1, x(trip.to) - x(trip.from))}
              height={13}
              className="fill-chalk"
            />
            <text x={x(trip.from) + 4} y={y + 11} className="figures fill-on-chalk text-[12px] font-semibold">
              {index + 1}
              {trip.sentBack ? ' refused' : ''}
            </text>
          </g>
        );
      })}
      {run.idle
        .filter((idle) => idle.to - idle.from >= 3 && idle.why !== 'change')
        .map((idle, index) => (
          <g key={index}>
            <rect
              x={x(idle.from)}
              y={floor}
              width={Math.max(1, x(idle.to) - x(idle.from))}
              height={14}
              className="fill-sheet stroke-stop"
            />
            <text x={x(idle.from) + 3} y={floor + 11} className="figures fill-stop text-[12px]">
              {x(idle.to) - x(idle.from) > 50 ? IDLE_WORDS[idle.why] : ''}
            </text>
          </g>
        ))}
      <line x1={x(at)} x2={x(at)} y1={0} y2={floor + 18} className="stroke-ink" strokeWidth={2} />
    </svg>
  );
}
