import type { Straps, WallBraces } from '@ombra/core/stages/bracing';
import { memo, useMemo } from 'react';
import { type StripFrame, stripX, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

interface BraceLayerProps {
  readonly frame: StripFrame;
  readonly walls: readonly WallBraces[];
  readonly straps: Straps;
  /** The brace that is pointed at. */
  readonly chosen: string | null;
}

const px = (value: number): string => value.toFixed(1);

/**
 * Braces over the blocks: uprights as posts with a foot, planks as boards at the height where one walks, walers and diagonals of
 * low walls, boards over weak joints.
 */
export const BraceLayer = memo(function BraceLayer({ frame, walls, straps, chosen }: BraceLayerProps) {
  const drawn = useMemo(() => {
    const places = wallIndex(frame);
    const look = { uprights: '', feet: '', planks: '', planksBack: '', low: '', straps: '', chosen: '' };
    for (const own of walls) {
      const found = places.get(own.wall);
      if (!found) continue;
      const x = (at: number): number => stripX(frame, found.loop, found.wall.station + at);
      for (const brace of own.braces) {
        const at = x(brace.at);
        const [top, bottom] = [stripY(frame, brace.top), stripY(frame, brace.bottom)];
        look.uprights += `M${px(at)} ${px(top)}V${px(bottom)}`;
        look.feet += `M${px(at - 5)} ${px(bottom)}h10`;
        if (brace.id === chosen) look.chosen += `M${px(at)} ${px(top)}V${px(bottom)}`;
      }
      own.planks.forEach((plank, index) => {
        // Every second one a little higher, as it lies on its neighbours' ends.
        const y = stripY(frame, own.foot + own.platform) - (index % 2) * 4;
        const line = `M${px(x(plank.from))} ${px(y)}H${px(x(plank.to))}`;
        if (index % 2 === 0) look.planks += line;
        else look.planksBack += line;
      });
      if (own.way === 'waler') {
        const top = stripY(frame, own.foot + own.height) + 3;
        look.low += `M${px(x(0))} ${px(top)}H${px(x(found.wall.length))}`;
        for (const at of own.diagonals)
          look.low += `M${px(x(at))} ${px(top)}l6 ${px(own.height * frame.scale - 4)}`;
      }
    }
    for (const board of straps.boards) {
      const found = places.get(board.wall);
      if (!found) continue;
      const x = (at: number): number => stripX(frame, found.loop, found.wall.station + at);
      const middle = stripY(frame, (board.bottom + board.top) / 2);
      look.straps +=
        board.from === board.to
          ? `M${px(x(board.from))} ${px(stripY(frame, board.top))}V${px(stripY(frame, board.bottom))}`
          : `M${px(x(board.from))} ${px(middle)}H${px(x(board.to))}`;
    }
    return look;
  }, [frame, walls, straps, chosen]);
  return (
    <g data-layer="bracing" pointerEvents="none" fill="none">
      <path d={drawn.straps} strokeWidth={5} strokeOpacity={0.75} className="stroke-timber" />
      <path d={drawn.low} strokeWidth={3} className="stroke-timber" />
      <path d={drawn.uprights} strokeWidth={3.4} className="stroke-ink" />
      <path d={drawn.feet} strokeWidth={3.4} className="stroke-ink" />
      <path d={drawn.planks} strokeWidth={3} className="stroke-cut-line" />
      <path d={drawn.planksBack} strokeWidth={3} className="stroke-check" />
      <path d={drawn.chosen} strokeWidth={7} strokeOpacity={0.7} className="stroke-chalk" />
    </g>
  );
});
