import { rulesOf } from '@ombra/core/rules';
import { systemOf } from '@ombra/core/kernel/forms';
import { type Length, showLength, storeLength } from '@ombra/core/kernel/measure';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import { cutRulesOf, seamHoles, snapSeam } from '@ombra/core/stages/courses';
import type { Wall } from '@ombra/core/stages/outline';
import { type PointerEvent as ReactPointerEvent, useState } from 'react';
import type { StripView } from './StripView';
import { stripX, wallAt, wallIndex } from './stripGeometry';

interface SeamHandlesProps extends Pick<StripView, 'frame' | 'worked' | 'onPlace'> {
  readonly plan: Plan;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
}

/** Half the width in which a seam can be caught, in pixels. */
const GRIP = 12;

/** Common seams as marks that can be dragged along their wall, or moved with the arrow keys; they snap clear of the webs. */
export function SeamHandles({ frame, worked, plan, onPlace, onEdit }: SeamHandlesProps) {
  const [dragged, setDragged] = useState<{ readonly wall: string; readonly at: Length } | null>(null);
  const { family } = worked.shell;
  if (!family) return null;
  const system = systemOf(family);
  const rules = cutRulesOf(system, rulesOf(plan));
  const walls = wallIndex(frame);
  const put = (wall: Wall, at: Length, merge: string): void => {
    onEdit(
      { kind: 'set-wall', row: wall.id, change: { bond: { kind: 'seam', at: storeLength(at, plan.units) } } },
      merge,
    );
  };
  return worked.courses.fills.map((fill) => {
    const found = walls.get(fill.wall);
    if (fill.seam === null || !found) return null;
    const { wall, loop } = found;
    const holes = seamHoles(worked.openings.placed.filter((each) => each.worked && each.wall === wall.id));
    const at = dragged?.wall === wall.id ? dragged.at : fill.seam;
    const x = stripX(frame, loop, wall.station + at);
    const snap = (wanted: number, within?: Length): Length | null =>
      snapSeam({ fill, length: wall.length, wanted: Math.round(wanted) as Length, rules, within, holes });
    const drag = (event: ReactPointerEvent<SVGGElement>): void => {
      if (dragged?.wall !== wall.id) return;
      const svg = event.currentTarget.ownerSVGElement;
      const under = svg && wallAt(frame, event.clientX - svg.getBoundingClientRect().left);
      const next = under?.wall.id === wall.id ? snap(under.at, (system.webSpacing / 2) as Length) : null;
      if (next !== null) setDragged({ wall: wall.id, at: next });
    };
    return (
      <g
        key={wall.id}
        role="slider"
        tabIndex={0}
        aria-label={`Common seam of ${wall.name}`}
        aria-valuemin={0}
        aria-valuemax={wall.length}
        aria-valuenow={at}
        aria-valuetext={`${showLength(at, plan.units)} from ${wall.from}`}
        className="pointer-events-auto cursor-ew-resize touch-none"
        onPointerDown={(event) => {
          event.stopPropagation();
          event.currentTarget.setPointerCapture(event.pointerId);
          onPlace({ wall: wall.id, piece: null });
          setDragged({ wall: wall.id, at });
        }}
        onPointerMove={drag}
        onPointerUp={() => {
          if (dragged && dragged.at !== fill.seam) put(wall, dragged.at, `${wall.id}:seam-drag`);
          setDragged(null);
        }}
        onPointerCancel={() => {
          setDragged(null);
        }}
        onKeyDown={(event) => {
          const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
          if (way === undefined) return;
          event.preventDefault();
          event.stopPropagation();
          const along = frame.face === 'inside' ? way : -way;
          // A web further on the next clear place begins; a mark further where the saw may go there too.
          for (let marks = 1; marks * system.cutMark <= system.block; marks++) {
            const next = snap(at + along * marks * system.cutMark, 0 as Length);
            if (next !== null && (next - at) * along > 0) {
              put(wall, next, `${wall.id}:seam-keys`);
              return;
            }
          }
        }}
      >
        <rect x={x - GRIP} y={0} width={2 * GRIP} height={frame.height} className="fill-transparent" />
        <line
          x1={x}
          x2={x}
          y1={0}
          y2={frame.height}
          className="stroke-chalk"
          strokeWidth={3}
          strokeDasharray="9 4"
        />
        <path
          d={`M${String(x - 8)} ${String(frame.height - 14)}h16l-8 12z`}
          className="fill-chalk stroke-sheet"
          strokeWidth={1}
        />
        {dragged?.wall === wall.id && (
          <text x={x + 12} y={14} className="figures fill-chalk text-[14px] font-semibold">
            {showLength(at, plan.units)} from {wall.from}
          </text>
        )}
      </g>
    );
  });
}
