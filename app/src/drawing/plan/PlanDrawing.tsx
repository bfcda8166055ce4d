import type { Point } from '@ombra/core/kernel/geometry';
import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { Bases } from '@ombra/core/stages/footing';
import { type Shell, type ShellLoop, type Wall, wallShape } from '@ombra/core/stages/outline';
import type { ReactNode } from 'react';
import { type PlanFrame, pathOf, planFrame } from './planGeometry';

interface PlanDrawingProps {
  readonly shell: Shell;
  /** The footing's edges, where they are shown. */
  readonly bases?: Bases | undefined;
  readonly units: UnitSystem;
  readonly width: number;
  readonly height: number;
  readonly chosen: string | null;
  /** Left out on paper, where nothing can be pressed. */
  readonly onChoose?: (wall: string) => void;
  /** Lengths along the walls, for the large drawing. */
  readonly dimensions?: boolean;
  /** Places outside the walls that shall be in the picture too. */
  readonly also?: readonly Point[];
  /** What a stage draws over the plan. */
  readonly over?: (frame: PlanFrame) => ReactNode;
}

/** Direction out of the job beside a wall, as drawn: to the left of the walk. */
function outward(
  wall: Wall,
  frame: PlanFrame,
  loop: ShellLoop,
): { x: number; y: number; midX: number; midY: number } {
  const index = loop.built?.walls.indexOf(wall) ?? 0;
  const corners = loop.built?.faces.formOutside ?? [];
  const from = corners[index];
  const to = corners[(index + 1) % corners.length];
  if (!from || !to) return { x: 0, y: 0, midX: 0, midY: 0 };
  const [x1, y1, x2, y2] = [frame.x(from), frame.y(from), frame.x(to), frame.y(to)];
  const size = Math.hypot(x2 - x1, y2 - y1) || 1;
  return { x: (y2 - y1) / size, y: -(x2 - x1) / size, midX: (x1 + x2) / 2, midY: (y1 + y2) / 2 };
}

interface LoopProps extends PlanDrawingProps {
  readonly loop: ShellLoop;
  readonly frame: PlanFrame;
}

/** A loop that stands: foam and concrete bands, casting one short hard shadow. */
function BuiltLoopDrawing({ loop, frame, chosen, onChoose, dimensions, units }: LoopProps) {
  const { built } = loop;
  if (!built) return null;
  const { formOutside, formInside, concreteInside, concreteOutside } = built.outline;
  const band = `${pathOf(frame, formOutside)}${pathOf(frame, formInside)}`;
  return (
    <g>
      <path d={band} fillRule="evenodd" className="fill-shadow" transform="translate(6 6)" />
      <path d={band} fillRule="evenodd" className="fill-foam stroke-ink" strokeWidth={1} />
      <path
        d={`${pathOf(frame, concreteOutside)}${pathOf(frame, concreteInside)}`}
        fillRule="evenodd"
        className="fill-ink"
      />
      {built.walls.map((wall, index) => (
        <path
          key={wall.id}
          d={pathOf(frame, wallShape(built, index))}
          className={
            wall.id === chosen
              ? 'fill-chalk stroke-chalk'
              : onChoose
                ? 'cursor-pointer fill-transparent hover:fill-chalk/40'
                : 'fill-transparent'
          }
          strokeWidth={wall.id === chosen ? 2 : 10}
          onClick={
            onChoose
              ? () => {
                  onChoose(wall.id);
                }
              : undefined
          }
        />
      ))}
      {dimensions &&
        built.walls.map((wall) => {
          const { x, y, midX, midY } = outward(wall, frame, loop);
          return (
            <text
              key={wall.id}
              x={midX + x * 12}
              y={midY + y * 14}
              textAnchor={x > 0.5 ? 'start' : x < -0.5 ? 'end' : 'middle'}
              dominantBaseline="middle"
              className={`figures text-[15px] font-semibold ${wall.id === chosen ? 'fill-chalk' : 'fill-ink'}`}
            >
              {showLength(wall.measured, units)}
            </text>
          );
        })}
    </g>
  );
}

/** A walk that has not come home: the line so far, and the gap that is left. */
function OpenLoopDrawing({ loop, frame, units, dimensions }: LoopProps) {
  const [home] = loop.walked;
  const end = loop.walked.at(-1);
  if (!home || !end) return null;
  return (
    <g>
      <path
        d={pathOf(frame, loop.walked, loop.comesHome)}
        className="fill-none stroke-shadow"
        strokeWidth={5}
        transform="translate(5 5)"
      />
      <path d={pathOf(frame, loop.walked, loop.comesHome)} className="fill-none stroke-ink" strokeWidth={5} />
      {loop.gap && loop.gap.size > 0 && (
        <g>
          <path
            d={pathOf(frame, [end, home], false)}
            className="fill-none stroke-stop"
            strokeWidth={2}
            strokeDasharray="7 6"
          />
          {dimensions && (
            <text
              x={(frame.x(home) + frame.x(end)) / 2 + 10}
              y={(frame.y(home) + frame.y(end)) / 2 - 8}
              className="figures fill-stop text-[15px] font-semibold"
            >
              gap {showLength(loop.gap.size, units)}
            </text>
          )}
        </g>
      )}
    </g>
  );
}

/** Where a corner's letter stands: outside an outside corner, in the room of an inside one, clear of the lengths. */
function letterPlace(
  loop: ShellLoop,
  frame: PlanFrame,
  index: number,
  away: number,
): { x: number; y: number } {
  const { built } = loop;
  const outer = built?.faces.formOutside[index];
  const inner = built?.faces.formInside[index];
  if (built && outer && inner) {
    const [x, y] = [frame.x(inner) - frame.x(outer), frame.y(inner) - frame.y(outer)];
    const size = Math.hypot(x, y) || 1;
    const inside = built.corners.find(({ letter }) => letter === loop.letters[index])?.kind === 'inside';
    const from = inside ? inner : outer;
    const by = inside ? away : -away;
    return { x: frame.x(from) + (x / size) * by, y: frame.y(from) + (y / size) * by };
  }
  const corners = loop.walked.slice(0, loop.letters.length);
  const corner = corners[index];
  if (!corner) return { x: 0, y: 0 };
  const middleX = corners.reduce((sum, each) => sum + frame.x(each), 0) / corners.length;
  const middleY = corners.reduce((sum, each) => sum + frame.y(each), 0) / corners.length;
  const [x, y] = [frame.x(corner), frame.y(corner)];
  const size = Math.hypot(x - middleX, y - middleY) || 1;
  return { x: x + ((x - middleX) / size) * away, y: y + ((y - middleY) / size) * away };
}

function Letters({
  loop,
  frame,
  away,
}: {
  readonly loop: ShellLoop;
  readonly frame: PlanFrame;
  readonly away: number;
}) {
  return loop.letters.map((letter, index) => {
    const { x, y } = letterPlace(loop, frame, index, away);
    return (
      <text
        key={letter}
        x={x}
        y={y}
        textAnchor="middle"
        dominantBaseline="central"
        className="figures fill-ink text-[14px] font-semibold"
      >
        {letter}
      </text>
    );
  });
}

const describe = (shell: Shell, units: UnitSystem): string =>
  shell.loops
    .flatMap((loop) => loop.built?.walls ?? [])
    .map((wall) => `${wall.name} ${showLength(wall.measured, units)}`)
    .join(', ') || 'The walk so far';

/** The footprint as walked, seen from above. Pure drawing: it serves the screen and the printed sheet. */
export function PlanDrawing(props: PlanDrawingProps) {
  const { shell, units, width, height, dimensions = false } = props;
  const frame = planFrame(shell, { width, height, margin: dimensions ? 48 : 24 }, props.also);
  return (
    <svg
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      role="img"
      aria-label={`Plan: ${describe(shell, units)}`}
    >
      {frame &&
        props.bases?.kind !== 'rock' &&
        props.bases?.loops.map((base) => (
          <path
            key={base.loop}
            d={`${pathOf(frame, base.outer)}${pathOf(frame, base.inner)}`}
            fillRule="evenodd"
            className="fill-concrete stroke-quiet"
            strokeWidth={0.8}
          />
        ))}
      {frame &&
        shell.loops.map((loop) => (
          <g key={loop.id}>
            {loop.built ? (
              <BuiltLoopDrawing {...props} loop={loop} frame={frame} />
            ) : (
              <OpenLoopDrawing {...props} loop={loop} frame={frame} />
            )}
            <Letters loop={loop} frame={frame} away={14} />
          </g>
        ))}
      {frame && props.over?.(frame)}
    </svg>
  );
}
