import { type Point, step } from '@ombra/core/kernel/geometry';
import type { CornerMove, Diagonal, Spot } from '@ombra/core/stages/footing';
import type { WorkedPlan } from '@ombra/core/work';
import { pathOf, planFrame } from '../../drawing/plan/planGeometry';

interface SquareDrawingProps {
  readonly worked: WorkedPlan;
  readonly suggested: readonly Diagonal[];
  readonly moves: readonly CornerMove[];
}

const WIDTH = 300;
const HEIGHT = 250;
/** How far a corner that is off is drawn away from where it should be. */
const SHOWN_OFF = 16;

/** The outline with what is pulled across it; where corners stand now in red chalk, far larger than true. */
export function SquareDrawing({ worked, suggested, moves }: SquareDrawingProps) {
  const frame = planFrame(worked.shell, { width: WIDTH, height: HEIGHT, margin: 34 });
  if (!frame) return null;
  const pointOf = (spot: Spot): Point | null => {
    for (const { built } of worked.shell.loops) {
      const index = built?.walls.findIndex((wall) => wall.id === spot.wall) ?? -1;
      const wall = built?.walls[index];
      const from = built?.faces.formOutside[index];
      if (wall && from) return step(from, wall.heading, spot.at);
    }
    return null;
  };
  const largest = Math.max(1, ...moves.map((move) => move.size));
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      role="img"
      aria-label={
        moves.length === 0
          ? 'The outline with the diagonals to measure'
          : `The outline with the diagonals to measure; ${moves.map((move) => move.corner).join(', ')}  off square`
      }
    >
      {worked.shell.loops.map(({ id, built, letters }) => {
        if (!built) return null;
        const corners = built.faces.formOutside.slice(0, built.walls.length);
        const actual = corners.map((corner, index): Point => {
          const move = moves.find((each) => each.loop === id && each.corner === letters[index]);
          if (!move) return corner;
          const size = Math.hypot(move.now.x - corner.x, move.now.y - corner.y) || 1;
          const by = ((move.size / largest) * SHOWN_OFF) / frame.scale;
          return step(
            corner,
            0 as never,
            ((move.now.x - corner.x) / size) * by,
            ((move.now.y - corner.y) / size) * by,
          );
        });
        return (
          <g key={id}>
            <path d={pathOf(frame, corners, !built.open)} className="fill-none stroke-ink" strokeWidth={3} />
            {moves.some((move) => move.loop === id) && (
              <path
                d={pathOf(frame, actual, !built.open)}
                className="fill-none stroke-record"
                strokeWidth={1.6}
                strokeDasharray="5 3"
              />
            )}
            {corners.map((corner, index) => {
              const middleX = corners.reduce((sum, each) => sum + frame.x(each), 0) / corners.length;
              const middleY = corners.reduce((sum, each) => sum + frame.y(each), 0) / corners.length;
              const [dx, dy] = [frame.x(corner) - middleX, frame.y(corner) - middleY];
              const size = Math.hypot(dx, dy) || 1;
              return (
                <text
                  key={letters[index]}
                  x={frame.x(corner) + (dx / size) * 16}
                  y={frame.y(corner) + (dy / size) * 16}
                  textAnchor="middle"
                  dominantBaseline="central"
                  className="figures fill-ink text-[14px] font-semibold"
                >
                  {letters[index]}
                </text>
              );
            })}
          </g>
        );
      })}
      {suggested.map((diagonal, index) => {
        const [from, to] = [pointOf(diagonal.from), pointOf(diagonal.to)];
        return from && to ? (
          <line
            key={index}
            x1={frame.x(from)}
            y1={frame.y(from)}
            x2={frame.x(to)}
            y2={frame.y(to)}
            className="stroke-chalk"
            strokeWidth={1.4}
            strokeDasharray="7 4"
          />
        ) : null;
      })}
    </svg>
  );
}
