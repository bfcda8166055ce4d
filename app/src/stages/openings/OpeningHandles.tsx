import {
  type Length,
  type UnitSystem,
  millimetres,
  NANOMETRES_PER_INCH,
  showLength,
} from '@ombra/core/kernel/measure';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import { jointsOf, snapOpening } from '@ombra/core/stages/courses';
import { type PlacedOpening, moveOpening } from '@ombra/core/stages/openings';
import type { WorkedPlan } from '@ombra/core/work';
import { type KeyboardEvent, type PointerEvent as ReactPointerEvent, useRef, useState } from 'react';
import { faceBox, shapePath } from '../../drawing/strip/OpeningsDrawing';
import { type StripFrame, wallIndex } from '../../drawing/strip/stripGeometry';

interface HandlesProps {
  readonly frame: StripFrame;
  readonly worked: WorkedPlan;
  readonly plan: Plan;
  readonly chosen: string | null;
  /** Whether edges are drawn to joints and course lines near them. */
  readonly snaps: boolean;
  readonly onChoose: (opening: PlacedOpening) => void;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
  readonly onLeave: () => void;
}

/** How near an edge must come to be drawn to a joint or line, in pixels. */
const SNAP = 7;
/** Milliseconds between two edits of a drag. */
const FOLLOW_EVERY = 32;

interface Drag {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  /** Where the opening was taken hold of. */
  readonly from: PlacedOpening;
  /** What its plan said then. */
  readonly said: NonNullable<Plan['openings']>[number];
  readonly joints: readonly Length[];
  readonly moved: {
    readonly along: Length;
    readonly up: Length;
    readonly toJoint: boolean;
    readonly toLine: boolean;
  };
}

const STILL = { along: 0 as Length, up: 0 as Length, toJoint: false, toLine: false };

/** A step of the arrow keys: a cut mark, or with Shift a sixteenth; in metric jobs a centimetre or a millimetre. */
const keyStep = (units: UnitSystem, fine: boolean): Length =>
  units === 'imperial'
    ? ((fine ? NANOMETRES_PER_INCH / 16 : NANOMETRES_PER_INCH) as Length)
    : millimetres(fine ? 1 : 10);

/** Openings as things that can be chosen, dragged along their wall and up, or moved with the arrow keys. */
export function OpeningHandles(props: HandlesProps) {
  const { frame, worked, plan, chosen, snaps, onChoose, onEdit, onLeave } = props;
  const [drag, setDrag] = useState<Drag | null>(null);
  const waiting = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef<Drag | null>(null);
  const walls = wallIndex(frame);
  const { placed } = worked.openings;
  const saidOf = (id: string) => plan.openings?.find((each) => each.id === id);

  const start = (event: ReactPointerEvent<SVGGElement>, opening: PlacedOpening): void => {
    const said = saidOf(opening.id);
    if (event.button !== 0 || !said) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus();
    onChoose(opening);
    setDrag({
      id: opening.id,
      x: event.clientX,
      y: event.clientY,
      from: opening,
      said,
      joints: jointsOf(worked.courses.pieces, opening.wall),
      moved: STILL,
    });
  };

  const move = (event: ReactPointerEvent<SVGGElement>): void => {
    if (!drag) return;
    const across = (event.clientX - drag.x) / frame.scale;
    const wanted = {
      along: Math.round(frame.face === 'inside' ? across : -across) as Length,
      up: Math.round((drag.y - event.clientY) / frame.scale) as Length,
    };
    // A small slip of the hand moves nothing, neither along nor up.
    const slip = 3 / frame.scale;
    const meant = {
      along: (Math.abs(wanted.along) < slip ? 0 : wanted.along) as Length,
      up: (Math.abs(wanted.up) < slip ? 0 : wanted.up) as Length,
    };
    const heads = placed
      .filter((each) => each.id !== drag.id && each.worked)
      .map((each) => each.finished.top);
    const reach = snaps && !event.altKey ? (Math.round(SNAP / frame.scale) as Length) : (0 as Length);
    const step = keyStep(plan.units, true);
    const snapped = snapOpening({
      opening: drag.from,
      wanted: meant,
      joints: drag.joints,
      levels: worked.levels,
      heads,
      reach,
    });
    const rounded = (by: Length, toMark: boolean): Length =>
      toMark ? by : ((Math.round(by / step) * step) as Length);
    const next: Drag = {
      ...drag,
      moved: {
        ...snapped,
        along: meant.along === 0 ? (0 as Length) : rounded(snapped.along, snapped.toJoint),
        up: meant.up === 0 ? (0 as Length) : rounded(snapped.up, snapped.toLine),
      },
    };
    setDrag(next);
    // The plan follows some thirty times a second; the picture under the hand does not wait for it.
    latest.current = next;
    waiting.current ??= setTimeout(() => {
      waiting.current = null;
      if (latest.current) put(latest.current);
    }, FOLLOW_EVERY);
  };

  const put = ({ id, said, from, moved }: Drag): void => {
    const change = moveOpening(said, from, moved, plan.units);
    const back = { at: said.at, sill: said.sill ?? null, head: said.head ?? null };
    onEdit({ kind: 'set-opening', opening: id, change: { ...back, ...change } }, `${id}:drag`);
  };

  const end = (): void => {
    if (!drag) return;
    if (waiting.current !== null) clearTimeout(waiting.current);
    waiting.current = null;
    latest.current = null;
    if (drag.moved.along !== 0 || drag.moved.up !== 0) put(drag);
    setDrag(null);
    onLeave();
  };

  const onKey = (event: KeyboardEvent<SVGGElement>, opening: PlacedOpening): void => {
    const said = saidOf(opening.id);
    if (!said || event.ctrlKey || event.metaKey || event.altKey) return;
    const step = keyStep(plan.units, event.shiftKey);
    const inward = frame.face === 'inside' ? 1 : -1;
    const ways: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-inward, 0],
      ArrowRight: [inward, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    };
    const way = ways[event.key];
    const removes = event.key === 'Delete' || event.key === 'Backspace';
    if (!way && !removes) return;
    event.preventDefault();
    event.stopPropagation();
    if (removes) {
      onEdit({ kind: 'remove-opening', opening: opening.id });
      return;
    }
    if (!way) return;
    const change = moveOpening(
      said,
      opening,
      { along: (way[0] * step) as Length, up: (way[1] * step) as Length },
      plan.units,
    );
    onEdit({ kind: 'set-opening', opening: opening.id, change }, `${opening.id}:keys`);
  };

  return placed.map((each) => {
    const held = drag?.id === each.id ? drag : null;
    const opening = held ? held.from : each;
    const by = held?.moved ?? STILL;
    const shape = {
      ...opening.concrete,
      from: (opening.concrete.from + by.along) as Length,
      to: (opening.concrete.to + by.along) as Length,
      bottom: (opening.concrete.bottom + by.up) as Length,
      top: (opening.concrete.top + by.up) as Length,
    };
    const box = faceBox(frame, walls, opening.wall, shape);
    if (!box) return null;
    const isChosen = each.id === chosen;
    const wall = walls.get(opening.wall)?.wall;
    const foot = (opening.finished.bottom + by.up) as Length;
    return (
      <g
        key={each.id}
        role="button"
        tabIndex={0}
        aria-pressed={isChosen}
        aria-label={`${each.name} in ${each.wallName}; arrow keys move it`}
        className="pointer-events-auto cursor-move touch-none outline-none focus-visible:[&>path]:stroke-chalk"
        onPointerDown={(event) => {
          start(event, each);
        }}
        onPointerMove={move}
        onPointerUp={end}
        onPointerCancel={end}
        onFocus={() => {
          if (!isChosen) onChoose(each);
        }}
        onKeyDown={(event) => {
          onKey(event, each);
        }}
      >
        <path
          d={shapePath(frame, box, shape)}
          className={`${held ? 'fill-chalk/20' : 'fill-transparent'} ${isChosen ? 'stroke-chalk' : 'stroke-transparent'}`}
          strokeWidth={isChosen ? 3.5 : 2}
        />
        {held && wall && (
          <>
            {by.toJoint && (
              <line
                x1={box.x}
                x2={box.x}
                y1={0}
                y2={frame.height}
                className="stroke-chalk"
                strokeDasharray="2 3"
              />
            )}
            {by.toLine && (
              <line
                x1={box.x - 30}
                x2={box.x + box.width + 30}
                y1={box.top + box.height}
                y2={box.top + box.height}
                className="stroke-chalk"
                strokeDasharray="2 3"
              />
            )}
            <text
              x={box.x + box.width / 2}
              y={Math.max(box.top - 5, 12)}
              textAnchor="middle"
              className="figures fill-chalk text-[14px] font-semibold"
            >
              {`${showLength((opening.finished.from + by.along) as Length, plan.units)} from ${wall.from}, sill ${showLength(foot, plan.units)}`}
            </text>
          </>
        )}
      </g>
    );
  });
}
