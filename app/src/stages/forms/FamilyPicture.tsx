import { type Family, skinOf, systemOf, wallThickness } from '@ombra/core/kernel/forms';
import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';

interface FamilyPictureProps {
  readonly family: Family;
  readonly core: Length;
  readonly units: UnitSystem;
}

const WIDTH = 520;
const MARGIN = 26;

/** Places of webs along a whole piece. */
function websOf(first: number, spacing: number, length: number): readonly number[] {
  return Array.from(
    { length: Math.max(0, Math.floor((length - first) / spacing) + 1) },
    (_, index) => first + index * spacing,
  ).filter((at) => at < length);
}

/** A family drawn to scale: a whole piece from above with its webs, its face, and the square corner with both legs. */
export function FamilyPicture({ family, core, units }: FamilyPictureProps) {
  const system = systemOf(family);
  const thickness = wallThickness(family, core);
  const skin = skinOf(family, core);
  const legs = system.corner90;
  const long = (legs?.long ?? 0) + thickness;
  const short = (legs?.short ?? 0) + thickness;
  const widest = Math.max(system.block, long + short * 0.2);
  const scale = (WIDTH - 2 * MARGIN) / Math.max(widest, 1);
  const px = (value: number): number => Math.round(value * scale * 10) / 10;
  const webs = websOf(system.firstWeb, system.webSpacing, system.block);
  const show = (length: number): string => showLength(length as Length, units, { style: 'inches' });
  const faceTop = MARGIN + px(thickness) + 40;
  const cornerTop = faceTop + px(system.courseHeight) + 46;
  const height = (legs ? cornerTop + px(short) : faceTop + px(system.courseHeight)) + 30;
  const word = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end' = 'middle') => (
    <text x={x} y={y} textAnchor={anchor} className="figures fill-quiet text-[15px]">
      {text}
    </text>
  );
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(height)}`}
      role="img"
      aria-label={`${family.name}: piece ${show(system.block)} long, ${show(thickness)} thick, ${String(webs.length)} webs${
        legs ? `, corner legs ${show(long)} and ${show(short)}` : ''
      }`}
      className="w-full max-w-[560px]"
    >
      <g transform={`translate(${String(MARGIN)} ${String(MARGIN)})`}>
        <rect x={5} y={5} width={px(system.block)} height={px(thickness)} className="fill-shadow" />
        <rect width={px(system.block)} height={px(thickness)} className="fill-foam stroke-ink" />
        <rect y={px(skin)} width={px(system.block)} height={px(core)} className="fill-concrete" />
        {webs.map((web) => (
          <line
            key={web}
            x1={px(web)}
            x2={px(web)}
            y1={px(skin * 0.3)}
            y2={px(thickness - skin * 0.3)}
            className="stroke-ink"
            strokeWidth={2}
          />
        ))}
        {word(
          px(system.block / 2),
          -8,
          `from above: ${show(system.block)} long, ${show(core)} core, ${show(thickness)} thick`,
        )}
      </g>
      <g transform={`translate(${String(MARGIN)} ${String(faceTop)})`}>
        <rect x={5} y={5} width={px(system.block)} height={px(system.courseHeight)} className="fill-shadow" />
        <rect width={px(system.block)} height={px(system.courseHeight)} className="fill-foam stroke-ink" />
        {webs.map((web) => (
          <line
            key={web}
            x1={px(web)}
            x2={px(web)}
            y1={3}
            y2={px(system.courseHeight) - 3}
            className="stroke-foam-edge"
            strokeWidth={5}
          />
        ))}
        {system.halfHeight !== null && (
          <line
            x1={0}
            x2={px(system.block)}
            y1={px(system.courseHeight - system.halfHeight)}
            y2={px(system.courseHeight - system.halfHeight)}
            className="stroke-ink"
            strokeDasharray="6 5"
          />
        )}
        {word(
          px(system.block / 2),
          -8,
          `face: course ${show(system.courseHeight)}${system.halfHeight === null ? '' : `, half-height piece ${show(system.halfHeight)}`}; webs at ${show(system.firstWeb)}, then every ${show(system.webSpacing)}`,
        )}
      </g>
      {legs && (
        <g transform={`translate(${String(MARGIN)} ${String(cornerTop)})`}>
          <path
            d={`M5 5h${String(px(long))}v${String(px(thickness))}h-${String(px(long - thickness))}v${String(px(short - thickness))}h-${String(px(thickness))}z`}
            className="fill-shadow"
          />
          <path
            d={`M0 0h${String(px(long))}v${String(px(thickness))}h-${String(px(long - thickness))}v${String(px(short - thickness))}h-${String(px(thickness))}z`}
            className="fill-corner stroke-ink"
          />
          <path
            d={`M${String(px(skin))} ${String(px(skin))}h${String(px(long - skin))}v${String(px(core))}h-${String(px(long - skin - core))}v${String(px(short - skin - core))}h-${String(px(core))}z`}
            className="fill-concrete"
          />
          {word(
            px(long / 2),
            -8,
            `left-hand corner: long leg ${show(long)}, short leg ${show(short)} on the outside face`,
          )}
        </g>
      )}
      {!legs && word(WIDTH / 2, height - 8, 'no molded corner: walls lap at corners, alternating by course')}
    </svg>
  );
}
