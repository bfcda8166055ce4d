import { type Length, inches, millimetres, storeLength } from '@ombra/core/kernel/measure';
import type { Plan } from '@ombra/core/kernel/plan';
import type { Opening, PlacedOpening } from '@ombra/core/stages/openings';
import type { WorkedPlan } from '@ombra/core/work';
import { useState } from 'react';
import { type StripFrame, stripSpan, stripX, stripY, wallAt } from '../../drawing/strip/stripGeometry';

interface PlaceNewProps {
  readonly frame: StripFrame;
  readonly worked: WorkedPlan;
  readonly plan: Plan;
  /** What a placed one is like: the chosen opening, where there is one. */
  readonly like: PlacedOpening | undefined;
  readonly onPlace: (opening: Omit<Opening, 'id'>) => void;
}

/** Width and height of the rough opening where nothing is chosen to be like. */
const usual = (plan: Plan) =>
  plan.units === 'imperial'
    ? { width: inches(36), height: inches(48), step: inches(1) }
    : { width: millimetres(900), height: millimetres(1200), step: millimetres(10) };

/** The strip while an opening is placed on it: one follows the pointer, and a press puts it there. */
export function PlaceNew({ frame, worked, plan, like, onPlace }: PlaceNewProps) {
  const [at, setAt] = useState<{ readonly wall: string; readonly along: Length; readonly up: Length } | null>(
    null,
  );
  const { width, height, step } = usual(plan);
  const wide = like ? ((like.finished.to - like.finished.from) as Length) : width;
  const tall = like ? ((like.finished.top - like.finished.bottom) as Length) : height;
  const placeUnder = (svg: SVGElement, clientX: number, clientY: number) => {
    const box = svg.getBoundingClientRect();
    const under = wallAt(frame, clientX - box.left);
    if (!under) return null;
    const rounded = (value: number): Length => (Math.round(value / step) * step) as Length;
    const up = rounded((frame.height - (clientY - box.top)) / frame.scale - tall / 2);
    const top = worked.courses.height;
    return {
      wall: under.wall,
      along: rounded(under.at),
      up: Math.max(0, Math.min(up, top - tall)) as Length,
    };
  };
  const loop = frame.loops.find((each) => each.built.walls.some((wall) => wall.id === at?.wall));
  const wall = loop?.built.walls.find((each) => each.id === at?.wall);
  const ghost =
    at && loop && wall
      ? stripSpan(frame, loop, wall.station + at.along - wide / 2, wall.station + at.along + wide / 2)
      : null;
  return (
    <g>
      {/* The line under the list does the same by keyboard. */}
      <rect
        x={0}
        y={0}
        width={frame.width}
        height={frame.height}
        data-placing
        className="pointer-events-auto cursor-crosshair fill-transparent"
        onPointerDown={(event) => {
          event.stopPropagation();
        }}
        onPointerMove={(event) => {
          const found = placeUnder(event.currentTarget, event.clientX, event.clientY);
          setAt(found ? { wall: found.wall.id, along: found.along, up: found.up } : null);
        }}
        onPointerLeave={() => {
          setAt(null);
        }}
        onClick={(event) => {
          event.stopPropagation();
          const found = placeUnder(event.currentTarget, event.clientX, event.clientY);
          if (!found) return;
          const { units } = plan;
          onPlace({
            kind: like?.kind ?? 'window',
            wall: found.wall.id,
            from: 'start',
            to: 'centre',
            at: storeLength((found.along - found.wall.beyondStart) as Length, units),
            width: storeLength(wide, units),
            height: storeLength(tall, units),
            sill: storeLength(found.up, units),
          });
        }}
      />
      {ghost && at && loop && (
        <g pointerEvents="none">
          <rect
            x={ghost.x}
            y={stripY(frame, at.up + tall)}
            width={ghost.width}
            height={tall * frame.scale}
            className="fill-chalk/20 stroke-chalk"
            strokeWidth={2}
            strokeDasharray="6 3"
          />
          <line
            x1={stripX(frame, loop, (wall?.station ?? 0) + at.along)}
            x2={stripX(frame, loop, (wall?.station ?? 0) + at.along)}
            y1={0}
            y2={frame.height}
            className="stroke-chalk"
            strokeDasharray="2 4"
          />
        </g>
      )}
    </g>
  );
}
