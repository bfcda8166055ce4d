import type { TopOff } from '@ombra/core/stages/topoff';
import { memo } from 'react';
import { type StripFrame, stripX, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

/** Sill plates along the tops, their splices, and every anchor bolt in its place. */
export const BoltLayer = memo(function BoltLayer({
  frame,
  topoff,
}: {
  readonly frame: StripFrame;
  readonly topoff: TopOff;
}) {
  const walls = wallIndex(frame);
  let [plates, splices, bolts] = ['', '', ''];
  for (const run of topoff.runs) {
    const found = walls.get(run.wall);
    if (!found) continue;
    const x = (at: number): string => stripX(frame, found.loop, found.wall.station + at).toFixed(1);
    const top = stripY(frame, run.top);
    plates += `M${x(run.from)} ${(top + 2).toFixed(1)}H${x(run.to)}`;
    for (const piece of run.pieces) {
      if (piece.to !== run.to) splices += `M${x(piece.to)} ${(top - 1).toFixed(1)}v10`;
      for (const bolt of piece.bolts) bolts += `M${x(bolt)} ${(top + 1).toFixed(1)}v18m-4 0h8`;
    }
  }
  return (
    <g data-layer="bolts" pointerEvents="none" fill="none">
      <path d={plates} strokeWidth={5} className="stroke-timber" />
      <path d={splices} strokeWidth={2} className="stroke-ink" />
      <path d={bolts} strokeWidth={2.6} className="stroke-steel" />
    </g>
  );
});
