import type { WorkedPour } from '@ombra/core/stages/pour';
import { type PlanFrame, pathOf } from '../../drawing/plan/planGeometry';

interface RouteOnPlanProps {
  readonly frame: PlanFrame;
  readonly pour: WorkedPour;
  /** The slice where the hose is, while the rehearsal plays. */
  readonly hose?: number | null;
}

/** The way of the hose on the plan: where it begins, which way it goes, where the machine is set down, where the hose is. */
export function RouteOnPlan({ frame, pour, hose = null }: RouteOnPlanProps) {
  const route = pour.route.flatMap((index) => pour.slices[index] ?? []);
  const first = route[0];
  // From hole to hole only the hose goes: no machine is set down anew.
  const moved = new Set(
    pour.moves === 0
      ? []
      : pour.stops.flatMap((stop) => (stop.move && stop.slice !== null ? [stop.slice] : [])),
  );
  const loops = [...new Set(route.map((slice) => slice.loop))];
  const at = route.find((slice) => slice.index === hose);
  const last = route.at(-1);
  return (
    <g data-layer="route" pointerEvents="none">
      {loops.map((loop) => (
        <path
          key={loop}
          d={pathOf(
            frame,
            route.filter((slice) => slice.loop === loop).map((slice) => slice.at),
            false,
          )}
          className="fill-none stroke-sheet"
          strokeWidth={2}
          strokeDasharray="5 4"
        />
      ))}
      {first && (
        <g>
          <circle
            cx={frame.x(first.at)}
            cy={frame.y(first.at)}
            r={7}
            className="fill-sheet stroke-ink"
            strokeWidth={2}
          />
          <text
            x={frame.x(first.at)}
            y={frame.y(first.at)}
            textAnchor="middle"
            dominantBaseline="central"
            className="figures fill-ink text-[12px] font-semibold"
          >
            1
          </text>
        </g>
      )}
      {last && last !== first && (
        <circle
          cx={frame.x(last.at)}
          cy={frame.y(last.at)}
          r={4}
          className="fill-ink stroke-sheet"
          strokeWidth={1.5}
        />
      )}
      {route
        .filter((slice) => moved.has(slice.index))
        .map((slice) => (
          <rect
            key={slice.index}
            x={frame.x(slice.at) - 4}
            y={frame.y(slice.at) - 4}
            width={8}
            height={8}
            className="fill-timber stroke-ink"
          />
        ))}
      {pour.stand && (
        <g>
          <rect
            x={frame.x(pour.stand.at) - 8}
            y={frame.y(pour.stand.at) - 5}
            width={16}
            height={10}
            className="fill-timber stroke-ink"
          />
          {at && (
            <line
              x1={frame.x(pour.stand.at)}
              y1={frame.y(pour.stand.at)}
              x2={frame.x(at.at)}
              y2={frame.y(at.at)}
              className="stroke-ink"
              strokeWidth={1.5}
            />
          )}
        </g>
      )}
      {at && (
        <circle
          cx={frame.x(at.at)}
          cy={frame.y(at.at)}
          r={6}
          className="fill-chalk stroke-sheet"
          strokeWidth={2}
        />
      )}
    </g>
  );
}
