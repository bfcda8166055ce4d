import { evaluate, showVolume } from '@ombra/core/kernel/figures';
import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import { type PlacedThreshold, slabInWall } from '@ombra/core/stages/openings';
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

/** What the drawing says, in a sentence. */
function wordsOf({ kind, notch, slab, depth, tongue }: PlacedThreshold, units: UnitSystem): string {
  const told = showLength(depth, units, { style: 'inches' });
  if (kind === 'slab-inside' || !slab) return `The slab stops inside; outside it is poured ${told} lower.`;
  return notch
    ? `Wall held down ${told}; cut the inner panel down as far, keep the outer one: ${TONGUES[tongue]}.`
    : `No wall is left under it: the slab, ${told}, runs out over the footing to a thermal strip; ${TONGUES[tongue]}.`;
}

/** A threshold cut across: the slab that runs out over the wall or the footing, or stops inside; the thermal strip kept at the outside. */
export function ThresholdDrawing({ threshold, wall, units }: ThresholdDrawingProps) {
  const over = threshold.slab !== null;
  const onFooting = over && threshold.notch === null;
  const scale = 90 / wall.thickness;
  const skin = wall.skin * scale;
  const outside = WIDTH - 60;
  const inside = outside - wall.thickness * scale;
  const step = Math.max(16, Math.min(40, threshold.depth * scale));
  const wallTop = over ? TOP + step : TOP;
  const slabEnd = over ? outside - skin : inside;
  const words = wordsOf(threshold, units);
  const volume = slabInWall({ threshold }, wall);
  return (
    <figure>
      <svg width={WIDTH} height={HEIGHT} role="img" aria-label={`Threshold cut across: ${words}`}>
        {onFooting ? (
          <rect
            x={inside - 24}
            y={wallTop}
            width={outside - inside + 48}
            height={HEIGHT - wallTop - 8}
            fill="url(#ground-dots)"
            className="stroke-ink"
          />
        ) : (
          <>
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
          </>
        )}
        <rect
          x={outside - skin}
          y={TOP}
          width={skin}
          height={onFooting ? step : HEIGHT - TOP}
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
            className="fill-none stroke-steel"
            strokeWidth={2.5}
          />
        )}
        {over && threshold.tongue === 'crack-bar' && (
          <circle cx={inside} cy={TOP + step - 6} r={4} className="fill-steel" />
        )}
        {over && threshold.tongue === 'saw-cut' && (
          <line
            x1={inside}
            x2={inside}
            y1={TOP}
            y2={TOP + step * 0.4}
            className="stroke-steel"
            strokeWidth={2.5}
          />
        )}
        <text x={8} y={TOP - 8} className="figures fill-ink text-[13px]">
          slab {showLength(threshold.depth, units, { style: 'inches' })}
        </text>
        <text x={outside - skin / 2} y={TOP - 8} textAnchor="middle" className="figures fill-ink text-[13px]">
          {over ? 'thermal strip' : 'outside'}
        </text>
        {onFooting && (
          <text x={inside - 20} y={HEIGHT - 14} className="figures fill-ink text-[13px]">
            footing
          </text>
        )}
      </svg>
      <figcaption className="text-sm">
        {words}
        {volume &&
          ` Slab concrete in the wall’s thickness: ${showVolume(evaluate(volume), units)}, ${
            threshold.truck === 'wall' ? 'ordered with the wall' : 'with the slab’s own truck'
          }.`}
      </figcaption>
    </figure>
  );
}
