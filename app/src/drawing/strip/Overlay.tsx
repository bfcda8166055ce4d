import { selects } from '@ombra/core/stages/tally';
import type { PieceSelector } from '@ombra/core/kernel/figures';
import { useMemo } from 'react';
import type { StripView } from './StripView';
import { courseTop, heightOfCourse, pieceBoxes, wallIndex } from './stripGeometry';

interface OverlayProps extends Pick<StripView, 'frame' | 'worked' | 'place'> {
  /** Pieces that an open why card counts. */
  readonly lit: PieceSelector | null;
}

/** Everything that changes with a press or a key, over the drawing that does not. */
export function Overlay({ frame, worked, place, lit }: OverlayProps) {
  const walls = useMemo(() => wallIndex(frame), [frame]);
  const { pieces } = worked.courses;
  const chosen = pieces.find((piece) => piece.id === place.piece);
  const litPieces = lit ? pieces.filter((piece) => selects(lit, piece)) : [];
  return (
    <g pointerEvents="none">
      {litPieces.flatMap((piece) =>
        pieceBoxes(frame, walls, piece).map(({ x, width, top, height }, index) => (
          <g key={`${piece.id}:${String(index)}`} data-lit={piece.id}>
            <rect x={x} y={top} width={width} height={height} className="fill-chalk/25" />
            <rect
              x={x + 1}
              y={top + 1}
              width={Math.max(width - 2, 1)}
              height={Math.max(height - 2, 1)}
              fill="url(#lit-dots)"
              className="stroke-chalk"
              strokeWidth={1.5}
            />
          </g>
        )),
      )}
      {place.course <= frame.courses && (
        <rect
          x={4}
          y={courseTop(frame, place.course)}
          width={frame.width - 8}
          height={heightOfCourse(frame, place.course)}
          className="fill-none stroke-chalk"
          strokeWidth={2}
        />
      )}
      {chosen &&
        pieceBoxes(frame, walls, chosen).map(({ x, width, top, height }, index) => (
          <rect
            key={index}
            data-chosen={chosen.id}
            x={x}
            y={top}
            width={width}
            height={height}
            className="fill-none stroke-chalk"
            strokeWidth={4}
          />
        ))}
    </g>
  );
}
