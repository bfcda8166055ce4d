import { showLength } from '@ombra/core/kernel/measure';
import { type Wall, wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import type { ReactNode } from 'react';
import { OpeningsDrawing } from './strip/OpeningsDrawing';
import { RakeDrawing } from './strip/RakeDrawing';
import { StripDrawing, StripPatterns } from './strip/StripDrawing';
import { type StripFrame, courseTop, heightOfCourse, stripFrame, stripSpan } from './strip/stripGeometry';

/** Width of a letter or A4 sheet between its margins, in CSS pixels. */
const SHEET_WIDTH = 680;
const MARGIN = 46;

/** A strip on which the longest wall fills a sheet's width. */
export function elevationFrame(worked: WorkedPlan): StripFrame {
  const longest = Math.max(...wallsOf(worked.shell).map((wall) => wall.length), 1);
  return stripFrame(worked.shell, worked.courses, (SHEET_WIDTH - MARGIN - 10) / longest, 'inside');
}

/** One wall in elevation, cut out of the strip, with what a sheet draws over it. */
export function WallElevation({
  wall,
  frame,
  worked,
  children,
}: {
  readonly wall: Wall;
  readonly frame: StripFrame;
  readonly worked: WorkedPlan;
  readonly children?: ReactNode;
}) {
  const loop = frame.loops.find((each) => each.id === wall.loop);
  if (!loop) return null;
  const span = stripSpan(frame, loop, wall.station, wall.station + wall.length);
  const clip = `clip-${wall.id}`;
  const pieces = worked.courses.pieces.filter((piece) =>
    piece.kind === 'corner'
      ? piece.wallBefore === wall.id || piece.wallAfter === wall.id
      : piece.wall === wall.id,
  );
  return (
    <figure className="break-inside-avoid">
      <figcaption className="figures text-base font-semibold">
        {wall.name} {showLength(wall.length, worked.units)}
        <span className="font-normal text-quiet"> form face</span>
      </figcaption>
      <svg
        width={span.width + MARGIN + 8}
        height={frame.height + 8}
        role="img"
        aria-label={`Wall ${wall.name} in elevation`}
      >
        <StripPatterns />
        <clipPath id={clip}>
          <rect x={span.x - 1} y={0} width={span.width + 2} height={frame.height + 1} />
        </clipPath>
        {Array.from({ length: frame.courses }, (_, index) => (
          <text
            key={index}
            x={MARGIN - 6}
            y={courseTop(frame, index + 1) + heightOfCourse(frame, index + 1) / 2}
            textAnchor="end"
            dominantBaseline="central"
            className="figures fill-ink"
            fontSize={Math.min(12, heightOfCourse(frame, index + 1) * 0.8)}
          >
            {index + 1}
          </text>
        ))}
        <g transform={`translate(${String(MARGIN - span.x)} 0)`}>
          <g clipPath={`url(#${clip})`}>
            <StripDrawing frame={frame} pieces={pieces} units={worked.units} />
            <RakeDrawing frame={frame} worked={worked} />
            <OpeningsDrawing
              frame={frame}
              openings={worked.openings.placed.filter((each) => each.wall === wall.id)}
              inserts={worked.inserts.placed.filter((each) => each.wall === wall.id)}
              units={worked.units}
            />
            {children}
          </g>
        </g>
      </svg>
    </figure>
  );
}
