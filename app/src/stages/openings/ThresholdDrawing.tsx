import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { PlacedThreshold } from '@ombra/core/stages/openings';
import type { Wall } from '@ombra/core/stages/outline';

interface ThresholdDrawingProps {
  readonly threshold: PlacedThreshold;
  readonly wall: Wall;
  readonly units: UnitSystem;
}

const TONGUES = {
  dowels: 'dowels hold the tongue',
  'crack-bar': 'crack bar under the tongue',
  'saw-cut': 'saw cut over the inner face',
} as const;

/** Pixels to an inch of wall thickness, and the heights that are drawn. */
const WIDTH = 250;
const HEIGHT = 118;
const TOP = 34;

/** A threshold cut across: the slab that runs out over the wall or stops inside it, the thermal strip kept at the outside. */
export function ThresholdDrawing({ threshold, wall, units }: ThresholdDrawingProps) {
  const over = threshold.notch !== null;
  const scale = 90 / wall.thickness;
  const skin = wall.skin * scale;
  const outside = WIDTH - 60;
  const inside = outside - wall.thickness * scale;
  const step = Math.max(16, Math.min(40, threshold.depth * scale));
  const wallTop = over ? TOP + step : TOP;
  const slabEnd = over ? outside - skin : inside;
  return (
    <figure>
      <svg
        width={WIDTH}
        height={HEIGHT}
        role="img"
        aria-label={
          over
            ? `Threshold: the wall is held down ${showLength(threshold.depth, units, { style: 'inches' })}, the slab runs over it to the thermal strip`
            : 'Threshold: the slab stops inside the wall'
        }
      >
        <rect
          x={inside}
          y={wallTop}
          width={skin}
          height={HEIGHT - wallTop}
          className="fill-foam stroke-ink"
        />
        <rect
          x={inside + skin}
          y={wallTop}
          width={outside - inside - 2 * skin}
          height={HEIGHT - wallTop}
          fill="url(#ground-dots)"
          className="stroke-ink"
        />
        <rect
          x={outside - skin}
          y={TOP}
          width={skin}
          height={HEIGHT - TOP}
          className="fill-foam stroke-ink"
        />
        <rect x={4} y={TOP} width={slabEnd - 4} height={step} className="fill-concrete stroke-ink" />
        {!over && (
          <rect
            x={outside}
            y={TOP + step * 0.4}
            width={WIDTH - outside - 4}
            height={step}
            className="fill-concrete stroke-ink"
          />
        )}
        {over && threshold.tongue === 'dowels' && (
          <path
            d={`M${String(inside + skin + 12)} ${String(wallTop + 26)}V${String(TOP + step / 2)}h-34`}
            className="fill-none stroke-record"
            strokeWidth={2.5}
          />
        )}
        {over && threshold.tongue === 'crack-bar' && (
          <circle cx={inside} cy={TOP + step - 6} r={4} className="fill-record" />
        )}
        {over && threshold.tongue === 'saw-cut' && (
          <line
            x1={inside}
            x2={inside}
            y1={TOP}
            y2={TOP + step * 0.4}
            className="stroke-record"
            strokeWidth={2.5}
          />
        )}
        <text x={8} y={TOP - 8} className="figures fill-ink text-[13px]">
          slab {showLength(threshold.depth, units, { style: 'inches' })}
        </text>
        <text x={outside - skin / 2} y={TOP - 8} textAnchor="middle" className="figures fill-ink text-[13px]">
          {over ? 'thermal strip' : 'outside'}
        </text>
      </svg>
      <figcaption className="text-sm">
        {over
          ? `Wall held down ${showLength(threshold.depth, units, { style: 'inches' })}; cut the inner panel down as far, keep the outer one: ${TONGUES[threshold.tongue]}.`
          : `The slab stops inside; outside it is poured ${showLength(threshold.depth, units, { style: 'inches' })} lower.`}
      </figcaption>
    </figure>
  );
}
