import type { Piece } from '@ombra/core/courses';
import { type UnitSystem, showLength } from '@ombra/core/measure';
import { memo, useMemo } from 'react';
import { type StripFrame, courseTop, pieceSpans, stripX, wallIndex } from './stripGeometry';

interface StripDrawingProps {
  readonly frame: StripFrame;
  readonly pieces: readonly Piece[];
  readonly units: UnitSystem;
}

/** The hatch that marks a cut, so that colour never speaks alone, and the dots of a lit piece. */
export function StripPatterns() {
  return (
    <defs>
      <pattern
        id="cut-hatch"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="6" height="6" className="fill-cut" />
        <line x1="0" y1="0" x2="0" y2="6" className="stroke-cut-line" strokeWidth="1.2" opacity="0.6" />
      </pattern>
      <pattern id="lit-dots" width="7" height="7" patternUnits="userSpaceOnUse">
        <circle cx="3.5" cy="3.5" r="1.5" className="fill-chalk" />
      </pattern>
    </defs>
  );
}

const number = (value: number): number => Math.round(value * 100) / 100;

/** One piece to scale: foam for blocks, hatch and felt pen for cuts, the hand for corners. */
const PieceShape = memo(function PieceShape({
  spans,
  piece,
  top,
  height,
  units,
}: {
  readonly spans: ReturnType<typeof pieceSpans>;
  readonly piece: Piece;
  readonly top: number;
  readonly height: number;
  readonly units: UnitSystem;
}) {
  if (piece.kind === 'corner') {
    return spans.map((span, index) => (
      <g key={index}>
        <rect
          x={number(span.x)}
          y={number(top)}
          width={number(span.width)}
          height={number(height)}
          className={`stroke-foam-edge ${piece.hand === 'LH' ? 'fill-corner' : 'fill-corner-swapped'}`}
        />
        {index === 1 && height > 12 && span.width > 22 && (
          <text
            x={number(span.x + span.width / 2)}
            y={number(top + height / 2)}
            textAnchor="middle"
            dominantBaseline="central"
            className="figures fill-quiet"
            fontSize={Math.min(12, height * 0.55)}
          >
            {piece.hand}
          </text>
        )}
      </g>
    ));
  }
  const [span] = spans;
  if (!span) return null;
  const cut = piece.kind === 'cut';
  const label = showLength(piece.length, units, { style: 'inches', bare: true });
  const size = Math.min(17, height * 0.62);
  return (
    <>
      <rect
        x={number(span.x)}
        y={number(top)}
        width={number(span.width)}
        height={number(height)}
        className={cut ? 'stroke-cut-line' : 'fill-foam stroke-foam-edge'}
        {...(cut ? { fill: 'url(#cut-hatch)' } : {})}
      />
      {cut && size > 6 && span.width > label.length * size * 0.5 && (
        <text
          x={number(span.x + span.width / 2)}
          y={number(top + height / 2)}
          textAnchor="middle"
          dominantBaseline="central"
          className="felt fill-ink"
          fontSize={number(size)}
        >
          {label}
        </text>
      )}
    </>
  );
});

/** Every piece of every course and the folds at the corners. Pure drawing: it serves the screen and the printed sheet. */
export const StripDrawing = memo(function StripDrawing({ frame, pieces, units }: StripDrawingProps) {
  const walls = useMemo(() => wallIndex(frame), [frame]);
  return (
    <g>
      {pieces.map((piece) => (
        <PieceShape
          key={piece.id}
          piece={piece}
          spans={pieceSpans(frame, walls, piece)}
          top={courseTop(frame, piece.course)}
          height={frame.courseHeight}
          units={units}
        />
      ))}
      {frame.loops.flatMap((loop) =>
        [...loop.built.corners.map((corner) => corner.station), loop.built.perimeter].map((station) => (
          <line
            key={`${loop.id}:${String(station)}`}
            x1={stripX(frame, loop, station)}
            x2={stripX(frame, loop, station)}
            y1={0}
            y2={frame.height}
            className="stroke-ink"
            strokeDasharray={station === 0 || station === loop.built.perimeter ? undefined : '4 3'}
          />
        )),
      )}
    </g>
  );
});
