import type { Levels } from '@ombra/core/stages/outline';
import type { WorkedPour } from '@ombra/core/stages/pour';
import type { PlayedRun } from '@ombra/core/stages/pour/rehearsal';
import { type StripFrame, stripSpan, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

interface FillLayerProps {
  readonly frame: StripFrame;
  readonly levels: Levels;
  readonly pour: WorkedPour;
  readonly run: PlayedRun;
  /** Minutes from the start. */
  readonly at: number;
}

interface Filled {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Of its working time: over 1 it has stiffened before it was covered. */
  readonly age: number;
}

/** Concrete as it lies in the forms at a time, stop by stop, with how far each open top has stiffened. */
export function filledAt({ frame, levels, pour, run, at }: FillLayerProps): readonly Filled[] {
  const walls = wallIndex(frame);
  const newest = new Map<number, number>();
  run.placed.forEach(({ stop, from }, index) => {
    const slice = pour.day.stops[stop]?.slice ?? null;
    if (slice !== null && from <= at) newest.set(slice, index);
  });
  return run.placed.flatMap(({ stop: number, from, to }, index): Filled[] => {
    const stop = pour.stops[number];
    const slice = pour.slices[stop?.slice ?? -1];
    const found = slice && walls.get(slice.wall);
    if (!stop || !slice || !found || from > at) return [];
    const under = (levels.walls[slice.wall] ?? []).filter(
      (span) => span.from < slice.to && slice.from < span.to,
    );
    const bottom = Math.max(stop.bottom, Math.min(...under.map((span) => span.bottom)));
    const top = Math.min(
      stop.top,
      Math.max(...under.map((span) => span.top)),
      stop.kind === 'sill' && slice.opening ? slice.opening.concrete.bottom : Infinity,
    );
    const start =
      stop.kind === 'wall' && slice.opening && stop.bottom < slice.opening.concrete.top
        ? Math.max(bottom, Math.min(slice.opening.concrete.top, top))
        : bottom;
    const share = to > from ? Math.min(1, (at - from) / (to - from)) : 1;
    const full = top - start;
    if (full <= 0) return [];
    const { x, width } = stripSpan(
      frame,
      found.loop,
      found.wall.station + slice.from,
      found.wall.station + slice.to,
    );
    const open = newest.get(pour.day.stops[number]?.slice ?? -1) === index;
    return [
      {
        x,
        width: Math.max(width, 1),
        y: stripY(frame, start + full * share),
        height: full * share * frame.scale,
        age: open ? (at - Math.min(to, at)) / pour.day.working : 0,
      },
    ];
  });
}

/** The forms filling on the strip: fresh concrete dark, its open top marked as it stiffens, struck through once it waited too long. */
export function FillLayer(props: FillLayerProps) {
  const filled = filledAt(props);
  const path = (which: (each: Filled) => boolean): string =>
    filled
      .filter(which)
      .map(
        ({ x, y, width, height }) =>
          `M${x.toFixed(1)} ${y.toFixed(1)}h${width.toFixed(1)}v${height.toFixed(1)}h${(-width).toFixed(1)}z`,
      )
      .join('');
  const tops = (which: (each: Filled) => boolean): string =>
    filled
      .filter(which)
      .map(({ x, y, width }) => `M${x.toFixed(1)} ${y.toFixed(1)}h${width.toFixed(1)}`)
      .join('');
  const late = filled.filter(({ age }) => age > 1);
  return (
    <g data-layer="fill" pointerEvents="none">
      <path d={path(() => true)} className="fill-quiet" fillOpacity={0.72} />
      <path d={tops(({ age }) => age <= 0.5)} className="stroke-tip" strokeWidth={3} fill="none" />
      <path
        d={tops(({ age }) => age > 0.5 && age <= 1)}
        className="stroke-cut-line"
        strokeWidth={4}
        strokeDasharray="8 3"
        fill="none"
      />
      <path
        d={tops(({ age }) => age > 1)}
        className="stroke-stop"
        strokeWidth={5}
        strokeDasharray="3 3"
        fill="none"
      />
      {late[0] && (
        <text x={late[0].x + 4} y={late[0].y - 7} className="figures fill-stop text-[15px] font-semibold">
          set before it was covered
        </text>
      )}
    </g>
  );
}
