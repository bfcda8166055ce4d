import { type Point, step } from '@ombra/core/kernel/geometry';
import type { WallBraces } from '@ombra/core/stages/bracing';
import { type Shell, wallStart } from '@ombra/core/stages/outline';
import { type PlanFrame } from '../../drawing/plan/planGeometry';

interface BraceTicksProps {
  readonly shell: Shell;
  readonly walls: readonly WallBraces[];
  readonly frame: PlanFrame;
}

/** How far a leg reaches out on the plan, in wall thicknesses. */
const REACH = 1.7;

/** Braces on the plan: a tick out from the braced face for every leg, with a dot for its foot. */
export function BraceTicks({ shell, walls, frame }: BraceTicksProps) {
  return (
    <g data-layer="brace-ticks">
      {shell.loops.flatMap(({ built }) =>
        (built?.walls ?? []).flatMap((wall, index) => {
          const own = walls.find((each) => each.wall === wall.id);
          const start = built && wallStart(built, index);
          if (!own || !start || wall.curve) return [];
          const at = (along: number, across: number): Point => step(start.outer, wall.heading, along, across);
          const [near, far] =
            own.side === 'inside'
              ? [wall.thickness, wall.thickness * (1 + REACH)]
              : [0, -wall.thickness * REACH];
          return own.braces.map((brace) => {
            const [a, b] = [at(brace.at, near), at(brace.at, far)];
            return (
              <g key={brace.id}>
                <line
                  x1={frame.x(a)}
                  y1={frame.y(a)}
                  x2={frame.x(b)}
                  y2={frame.y(b)}
                  className="stroke-ink"
                  strokeWidth={2}
                />
                <circle cx={frame.x(b)} cy={frame.y(b)} r={2.4} className="fill-ink" />
              </g>
            );
          });
        }),
      )}
    </g>
  );
}
