import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { Bases, WallBase } from '@ombra/core/stages/footing';
import type { Wall } from '@ombra/core/stages/outline';

interface SectionProps {
  readonly bases: Bases;
  readonly base: WallBase;
  readonly wall: Wall;
  /** Bars that run through insulated footing forms. */
  readonly bars: number;
  readonly units: UnitSystem;
}

const WIDTH = 330;
const HEIGHT = 196;
const GROUND = 112;
const WALL_TOP = 22;

/** A dimension between two places, its text in the middle. */
function Dimension({ from, to, y, text }: { from: number; to: number; y: number; text: string }) {
  return (
    <g>
      <path
        d={`M${String(from)} ${String(y - 5)}v10M${String(to)} ${String(y - 5)}v10M${String(from)} ${String(y)}H${String(to)}`}
        className="fill-none stroke-chalk"
        strokeWidth={1.2}
      />
      <text
        x={(from + to) / 2}
        y={y + 17}
        textAnchor="middle"
        className="figures fill-ink text-[15px] font-semibold"
      >
        {text}
      </text>
    </g>
  );
}

/** A wall on its footing, cut across: outside on the left, the chalk lines with how far they run from the edges. */
export function Section({ bases, base, wall, bars, units }: SectionProps) {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const left = Math.min(0, base.outer);
  const right = Math.max(base.width, base.outer + base.thickness);
  const scale = Math.min(WIDTH - 60, 270) / Math.max(right - left, 1);
  const origin = (WIDTH - (right - left) * scale) / 2 - left * scale;
  const x = (across: number): number => origin + across * scale;
  const deep = Math.min(52, Math.max(16, bases.depth * scale));
  const onRock = bases.kind === 'rock';
  const forms = bases.kind === 'forms';
  const skin = wall.skin * scale;
  const [face, inside] = [x(base.outer), x(base.outer + base.thickness)];
  const sheet = bases.sheet === null ? 0 : Math.max(5, bases.sheet * scale);
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      width={WIDTH}
      className="h-auto max-w-full"
      role="img"
      aria-label={
        onRock
          ? `Section: wall ${base.name}, ${inInches(base.thickness)} thick, straight on rock`
          : `Section: wall ${base.name}, ${inInches(base.thickness)} thick, on a footing ${inInches(base.width)} wide; outer chalk line ${inInches(base.outer)} from the outer edge, inner one ${inInches(base.inner)} from the inner edge`
      }
    >
      <defs>
        <pattern id="section-dots" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" className="fill-concrete" />
          <circle cx="2" cy="3" r="0.9" className="fill-ink" opacity="0.55" />
          <circle cx="6" cy="6.5" r="0.6" className="fill-ink" opacity="0.55" />
        </pattern>
      </defs>
      <text x={8} y={14} className="figures fill-quiet text-[13px]">
        outside
      </text>
      <text x={WIDTH - 8} y={14} textAnchor="end" className="figures fill-quiet text-[13px]">
        inside
      </text>
      {onRock ? (
        <path
          d={`M10 ${String(GROUND + 10)}L60 ${String(GROUND + 3)}L110 ${String(GROUND + 14)}L165 ${String(GROUND + 5)}L230 ${String(GROUND + 12)}L320 ${String(GROUND + 4)}V${String(GROUND + 50)}H10Z`}
          fill="url(#section-dots)"
          className="stroke-ink"
        />
      ) : (
        <rect
          x={x(0)}
          y={GROUND}
          width={base.width * scale}
          height={deep}
          fill="url(#section-dots)"
          className="stroke-ink"
        />
      )}
      {forms && (
        <g className="stroke-ink">
          {/* Stone mounded halfway up outside the planks. */}
          <path
            d={`M${String(x(0) - 9)} ${String(GROUND + deep / 2)}v${String(deep / 2)}h-${String(deep / 2)}z`}
            className="fill-shadow"
          />
          <path
            d={`M${String(x(base.width) + 9)} ${String(GROUND + deep / 2)}v${String(deep / 2)}h${String(deep / 2)}z`}
            className="fill-shadow"
          />
          <rect x={x(0) - 9} y={GROUND} width={9} height={deep} className="fill-foam" />
          <rect x={x(base.width)} y={GROUND} width={9} height={deep} className="fill-foam" />
          {/* A tie from plank to plank, the bars hooked into it. */}
          <line
            x1={x(0) - 5}
            x2={x(base.width) + 5}
            y1={GROUND + deep * 0.62}
            y2={GROUND + deep * 0.62}
            className="stroke-chalk"
            strokeWidth={2}
          />
          {Array.from({ length: bars }, (_, index) => (
            <circle
              key={index}
              cx={x((base.width * (index + 1)) / (bars + 1))}
              cy={GROUND + deep * 0.62 - 4}
              r={3.5}
              className="fill-ink"
            />
          ))}
        </g>
      )}
      {sheet > 0 && (
        <rect
          x={face - 4}
          y={GROUND - sheet}
          width={inside - face + 8}
          height={sheet}
          className="fill-cut stroke-cut-line"
        />
      )}
      <g className="stroke-ink">
        <rect x={face} y={WALL_TOP} width={skin} height={GROUND - WALL_TOP - sheet} className="fill-foam" />
        <rect
          x={face + skin}
          y={WALL_TOP}
          width={inside - face - 2 * skin}
          height={GROUND - WALL_TOP - sheet}
          fill="url(#section-dots)"
        />
        <rect
          x={inside - skin}
          y={WALL_TOP}
          width={skin}
          height={GROUND - WALL_TOP - sheet}
          className="fill-foam"
        />
      </g>
      {!onRock && (
        <g>
          <Dimension from={x(0)} to={face} y={GROUND + deep + 10} text={inInches(base.outer)} />
          <Dimension from={face} to={inside} y={GROUND + deep + 10} text={inInches(base.thickness)} />
          <Dimension from={inside} to={x(base.width)} y={GROUND + deep + 10} text={inInches(base.inner)} />
        </g>
      )}
    </svg>
  );
}
