import { type Bar, barSize } from '@ombra/core/stages/steel';

interface BarsFromAboveProps {
  readonly bars: readonly Bar[];
  /** Marks of the schedule by bar. */
  readonly marks: ReadonlyMap<string, string>;
  /** The drawing stands on its head; words are turned back. */
  readonly turned: boolean;
  /** Pixels to a nanometre. */
  readonly scale: number;
  /** From the outside face to the middle of the core. */
  readonly middle: number;
  /** Length of the wall. */
  readonly length: number;
  /** Corner letters at the wall's start and end. */
  readonly corners: readonly [start: string, end: string];
}

const px = (value: number): string => value.toFixed(1);

/**
 * The bars of a wall in one course, over the wall from above: lying ones along it in their slots, laps doubled, corner bars on
 * both legs, standing ones as dots.
 */
export function BarsFromAbove({ bars, marks, turned, scale, middle, length, corners }: BarsFromAboveProps) {
  const y = (offset: number): number => (middle + offset) * scale;
  const line = (from: number, to: number, at: number): string =>
    `M${px(from * scale)} ${px(at)}H${px(to * scale)}`;
  let lying = '';
  let laps = '';
  let round = '';
  const words: { readonly id: string; readonly x: number; readonly y: number }[] = [];
  const dots: { readonly id: string; readonly x: number; readonly y: number; readonly r: number }[] = [];
  for (const bar of bars) {
    const at = y(bar.offset);
    if (bar.use === 'corner') {
      // One leg lies on this wall, from the corner; the other is on the wall before it.
      const { before: back, after: leg } = bar.laps;
      if (bar.corner === corners[0]) round += line(bar.from, bar.from + leg, at + 2);
      else if (bar.corner === corners[1]) round += line(length - bar.from - back, length - bar.from, at + 2);
    } else if (bar.from === bar.to) {
      const diameter = barSize(bar.size)?.diameter ?? 0;
      dots.push({ id: bar.id, x: bar.from * scale, y: at, r: Math.max(2.2, (diameter * scale) / 2) });
    } else {
      lying += line(bar.from, bar.to, at);
      words.push({ id: bar.id, x: ((bar.from + bar.to) / 2) * scale, y: at });
      if (bar.laps.after > 0 && bar.use !== 'tee') laps += line(bar.to - bar.laps.after, bar.to, at - 3);
    }
  }
  return (
    <g data-layer="bars" pointerEvents="none" fill="none" className="stroke-steel">
      <path d={lying} strokeWidth={2} />
      <path d={laps} strokeWidth={2} />
      <path d={round} strokeWidth={2} strokeDasharray="6 2" />
      {words.map((word) => (
        <text
          key={word.id}
          x={px(word.x)}
          y={px(word.y)}
          dy={turned ? 7 : -4}
          textAnchor="middle"
          className="felt fill-ink stroke-none text-[12px]"
          {...(turned ? { transform: `rotate(180 ${px(word.x)} ${px(word.y)})` } : {})}
        >
          {marks.get(word.id)}
        </text>
      ))}
      {dots.map((dot) => (
        <circle
          key={dot.id}
          cx={px(dot.x)}
          cy={px(dot.y)}
          r={px(dot.r)}
          className="fill-steel stroke-paper"
          strokeWidth={0.8}
        />
      ))}
    </g>
  );
}
