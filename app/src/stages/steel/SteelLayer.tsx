import type { Bar } from '@ombra/core/stages/steel';
import { memo, useMemo } from 'react';
import { type StripFrame, stripX, stripY, wallIndex } from '../../drawing/strip/stripGeometry';

interface SteelLayerProps {
  readonly frame: StripFrame;
  readonly bars: readonly Bar[];
  /** Bars of one mark of the schedule, drawn thicker. */
  readonly lit: ReadonlySet<string>;
}

const px = (value: number): string => value.toFixed(1);

/** All bars over the blocks, as one path a look: lying ones with their laps drawn double, standing ones, stirrups, dowels. */
export const SteelLayer = memo(function SteelLayer({ frame, bars, lit }: SteelLayerProps) {
  const paths = useMemo(() => {
    const walls = wallIndex(frame);
    const look = { lying: '', laps: '', standing: '', dowels: '', stirrups: '', lit: '' };
    for (const bar of bars) {
      const found = walls.get(bar.wall);
      if (!found) continue;
      const x = (at: number): number => stripX(frame, found.loop, found.wall.station + at);
      const line = `M${px(x(bar.from))} ${px(stripY(frame, bar.bottom))}L${px(x(bar.to))} ${px(stripY(frame, bar.top))}`;
      if (bar.use === 'stirrup') look.stirrups += line;
      else if (bar.use === 'dowel') {
        // Drawn a little beside the bar that it laps.
        look.dowels += `M${px(x(bar.from) + 2)} ${px(stripY(frame, bar.bottom))}L${px(x(bar.to) + 2)} ${px(stripY(frame, bar.top))}`;
      } else if (bar.from === bar.to) look.standing += line;
      else {
        look.lying += line;
        if (bar.laps.after > 0 && bar.corner === undefined && bar.use !== 'tee') {
          const y = px(stripY(frame, bar.bottom) - 3);
          look.laps += `M${px(x(bar.to - bar.laps.after))} ${y}L${px(x(bar.to))} ${y}`;
        }
      }
      if (lit.has(bar.id)) look.lit += line;
    }
    return look;
  }, [frame, bars, lit]);
  return (
    <g data-layer="steel" pointerEvents="none" fill="none" className="stroke-steel">
      <path d={paths.standing} strokeWidth={1.3} strokeOpacity={0.85} />
      <path d={paths.dowels} strokeWidth={1.6} />
      <path d={paths.stirrups} strokeWidth={1} />
      <path d={paths.lying} strokeWidth={2} />
      <path d={paths.laps} strokeWidth={2} />
      <path d={paths.lit} strokeWidth={5} className="stroke-chalk" />
    </g>
  );
});
