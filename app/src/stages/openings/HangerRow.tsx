import { type Length, type UnitSystem, showLength, subtract } from '@ombra/core/kernel/measure';
import type { PlacedInsert } from '@ombra/core/stages/inserts';
import type { Wall } from '@ombra/core/stages/outline';

const WIDTH = 700;
const HEIGHT = 44;

interface HangerRowProps {
  readonly row: PlacedInsert;
  readonly wall: Pick<Wall, 'from' | 'to'>;
  readonly units: UnitSystem;
}

/** A row of hanger plates as it is marked on the wall: every plate from the measured end, those that meet a web or a joint crossed. */
export function HangerRow({ row, wall, units }: HangerRowProps) {
  const { rect, fixings, hangers } = row;
  const [start] = fixings;
  if (!start) return null;
  const forward = Math.abs(start.at - rect.from) <= Math.abs(rect.to - start.at);
  const along = (at: Length): Length => (forward ? subtract(at, rect.from) : subtract(rect.to, at));
  const length = subtract(rect.to, rect.from);
  const inside = row.face === 'inside';
  // Seen facing the wall: from inside its first corner is on the left.
  const x = (at: Length): number =>
    ((inside ? subtract(at, rect.from) : subtract(rect.to, at)) / length) * (WIDTH - 16) + 8;
  const [left, right] = inside ? [wall.from, wall.to] : [wall.to, wall.from];
  const blocked = new Set(hangers?.blocked);
  const told = (each: Length): string => showLength(each, units);
  return (
    <section aria-label={row.name} className="break-inside-avoid border-b border-ink pb-2">
      <h2 className="text-lg font-semibold">
        {row.name} · {row.wallName}, {row.face} · middle {told(start.up)} above the lowest footing
      </h2>
      <svg
        viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
        className="w-full"
        role="img"
        aria-label={`${row.name} laid out: ${String(fixings.length)} plates, ${String(blocked.size)} of them on a web or a joint`}
      >
        <path d={`M8 22H${String(WIDTH - 8)}`} className="stroke-quiet" />
        {fixings.map(({ at }) => (
          <g key={at}>
            <rect x={x(at) - 4} y={12} width={8} height={20} className="fill-foam stroke-ink" />
            {blocked.has(at) && (
              <path d={`M${(x(at) - 4).toFixed(1)} 12l8 20m0 -20l-8 20`} className="fill-none stroke-check" />
            )}
          </g>
        ))}
      </svg>
      <p className="flex justify-between text-sm">
        <span>toward corner {left}</span>
        <span>seen facing the wall</span>
        <span>toward corner {right}</span>
      </p>
      <p className="text-[15px]">
        Plates, middles, from the end toward corner {forward ? wall.from : wall.to}:{' '}
        <strong className="figures">
          {fixings.map(({ at }) => `${told(along(at))}${blocked.has(at) ? ' ×' : ''}`).join(' · ')}
        </strong>
        {blocked.size > 0 && '. × meets a web or a joint.'}
      </p>
    </section>
  );
}
