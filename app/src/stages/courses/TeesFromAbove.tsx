import { type Wall, crossingsOf, wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { type Frame, Box, STUB, Word } from './aboveParts';

interface TeesFromAboveProps {
  readonly worked: WorkedPlan;
  readonly wall: Wall;
  readonly course: number;
  readonly frame: Frame;
}

/** An inside wall that stands against this one: its beginning, and the foam that is cut out for its core. */
function Standing({
  at,
  inner,
  side,
  frame,
}: {
  /** What it takes of the face, in pixels. */
  readonly at: { readonly from: number; readonly to: number };
  readonly inner: Wall;
  readonly side: 'inside' | 'outside';
  readonly frame: Frame;
}) {
  const stub = frame.thickness * STUB;
  const skin = inner.skin * frame.scale;
  const width = at.to - at.from;
  const y = side === 'inside' ? frame.thickness : -stub;
  const cut = side === 'inside' ? frame.thickness - frame.panel : 0;
  return (
    <g>
      <Box x={at.from} y={y} width={width} height={stub} className="fill-foam stroke-ink" />
      <Box
        x={at.from + skin}
        y={side === 'inside' ? cut : y}
        width={width - 2 * skin}
        height={stub + frame.panel}
        className="fill-concrete"
      />
      <Word
        x={(at.from + at.to) / 2}
        y={side === 'inside' ? frame.thickness + stub - 8 : 8 - stub}
        frame={frame}
        className="figures fill-ink text-[13px] font-semibold"
      >
        {inner.name}
      </Word>
    </g>
  );
}

/** The wall that this one ends at, across its end, with the foam that is cut out for this one's core. */
function Through({
  through,
  atStart,
  frame,
}: {
  readonly through: Wall;
  readonly atStart: boolean;
  readonly frame: Frame;
}) {
  const { scale, thickness, panel, length } = frame;
  const stub = thickness * STUB;
  const wide = through.thickness * scale;
  const skin = through.skin * scale;
  const left = atStart ? -wide : length * scale;
  const cut = atStart ? -skin : length * scale;
  return (
    <g>
      <Box x={left} y={-stub} width={wide} height={thickness + 2 * stub} className="fill-foam stroke-ink" />
      <Box
        x={left + skin}
        y={-stub}
        width={wide - 2 * skin}
        height={thickness + 2 * stub}
        className="fill-concrete"
      />
      <Box x={cut} y={panel} width={skin} height={thickness - 2 * panel} className="fill-concrete" />
    </g>
  );
}

/** Where inside walls meet others, in the course that is seen from above: concrete runs on from one core into the other. */
export function TeesFromAbove({ worked, wall, course, frame }: TeesFromAboveProps) {
  const walls = new Map(wallsOf(worked.shell).map((each) => [each.id, each]));
  const stands = (id: string): boolean =>
    worked.courses.rows.some((row) => row.wall === id && row.course === course);
  return crossingsOf(worked.shell).map(({ through, wall: inner, from, to, side, atStart }) => {
    const [own, other] = [walls.get(inner), walls.get(through)];
    const key = `${inner}:${String(atStart)}`;
    if (!own || !other || !stands(inner)) return null;
    if (through === wall.id) {
      const at = { from: from * frame.scale, to: to * frame.scale };
      return <Standing key={key} at={at} inner={own} side={side} frame={frame} />;
    }
    return inner === wall.id && stands(through) ? (
      <Through key={key} through={other} atStart={atStart} frame={frame} />
    ) : null;
  });
}
