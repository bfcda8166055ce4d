import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { Piece } from '@ombra/core/stages/courses';
import { memo, useMemo } from 'react';
import { type Box, type StripFrame, pieceBoxes, stripX, wallIndex } from './stripGeometry';

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
      <pattern id="ground-dots" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" className="fill-concrete" />
        <circle cx="2" cy="3" r="0.9" className="fill-ink" opacity="0.55" />
        <circle cx="6" cy="6.5" r="0.6" className="fill-ink" opacity="0.55" />
      </pattern>
      <pattern id="lit-dots" width="7" height="7" patternUnits="userSpaceOnUse">
        <circle cx="3.5" cy="3.5" r="1.5" className="fill-chalk" />
      </pattern>
    </defs>
  );
}

const rounded = (value: number): number => Math.round(value * 100) / 100;

interface PieceBox extends Box {
  readonly piece: Piece;
}

/** All boxes of one look as one path: a wall of thousands of blocks stays a handful of elements. */
const boxesPath = (boxes: readonly Box[]): string =>
  boxes
    .map(({ x, top, width, height }) => {
      const [across, down] = [String(rounded(width)), String(rounded(height))];
      return `M${String(rounded(x))} ${String(rounded(top))}h${across}v${down}h-${across}z`;
    })
    .join('');

/** Words in the middle of a box. */
function Label({
  box,
  size,
  look,
  children,
}: {
  readonly box: Box;
  readonly size: number;
  readonly look: string;
  readonly children: string;
}) {
  return (
    <text
      x={rounded(box.x + box.width / 2)}
      y={rounded(box.top + box.height / 2)}
      textAnchor="middle"
      dominantBaseline="central"
      className={look}
      fontSize={rounded(size)}
    >
      {children}
    </text>
  );
}

/** Hands of corners, on the leg of the wall that starts there, where there is room for them. */
function HandLabels({ boxes }: { readonly boxes: readonly PieceBox[] }) {
  return boxes.map((box) =>
    box.piece.kind === 'corner' && box.width > 22 && box.height > 12 ? (
      <Label key={box.piece.id} box={box} size={Math.min(12, box.height * 0.55)} look="figures fill-quiet">
        {box.piece.make === 'lapped' ? 'lap' : box.piece.hand}
      </Label>
    ) : null,
  );
}

/** Lengths of cuts in felt pen, as the crew writes them on the foam, where there is room for them. */
function CutLabels({ boxes, units }: { readonly boxes: readonly PieceBox[]; readonly units: UnitSystem }) {
  return boxes.map((box) => {
    const size = Math.min(17, box.height * 0.62);
    if (box.piece.kind === 'corner' || size <= 6) return null;
    const label = showLength(box.piece.length, units, { style: 'inches', bare: true });
    if (box.width <= label.length * size * 0.56) return null;
    return (
      <Label key={box.piece.id} box={box} size={size} look="felt fill-ink">
        {label}
      </Label>
    );
  });
}

/** Every piece of every course and the folds at the corners. Pure drawing: it serves the screen and the printed sheet. */
export const StripDrawing = memo(function StripDrawing({ frame, pieces, units }: StripDrawingProps) {
  const looks = useMemo(() => {
    const walls = wallIndex(frame);
    const straights: PieceBox[] = [];
    const cuts: PieceBox[] = [];
    const leftHand: PieceBox[] = [];
    const rightHand: PieceBox[] = [];
    const handPlaces: PieceBox[] = [];
    for (const piece of pieces) {
      const boxes = pieceBoxes(frame, walls, piece)
        .filter((box) => box.width > 0)
        .map((box) => ({ ...box, piece }));
      if (piece.kind === 'corner') {
        (piece.hand === 'LH' ? leftHand : rightHand).push(...boxes);
        handPlaces.push(...boxes.slice(1));
      } else (piece.kind === 'cut' ? cuts : straights).push(...boxes);
    }
    return { straights, cuts, leftHand, rightHand, handPlaces };
  }, [frame, pieces]);
  return (
    <g>
      <path d={boxesPath(looks.straights)} className="fill-foam stroke-foam-edge" />
      <path d={boxesPath(looks.leftHand)} className="fill-corner stroke-foam-edge" />
      <path d={boxesPath(looks.rightHand)} className="fill-corner-swapped stroke-foam-edge" />
      <path d={boxesPath(looks.cuts)} fill="url(#cut-hatch)" className="stroke-cut-line" />
      <HandLabels boxes={looks.handPlaces} />
      <CutLabels boxes={looks.cuts} units={units} />
      {frame.loops.flatMap((loop) =>
        [...new Set([0, ...loop.built.corners.map((corner) => corner.station), loop.built.perimeter])].map(
          (station) => (
            <line
              key={`${loop.id}:${String(station)}`}
              x1={stripX(frame, loop, station)}
              x2={stripX(frame, loop, station)}
              y1={0}
              y2={frame.height}
              className="stroke-ink"
              strokeDasharray={station === 0 || station === loop.built.perimeter ? undefined : '4 3'}
            />
          ),
        ),
      )}
    </g>
  );
});
