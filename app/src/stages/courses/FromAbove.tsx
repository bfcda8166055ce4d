import { NANOMETRES_PER_METRE, showLength } from '@ombra/core/kernel/measure';
import type { CornerPiece, WallPiece } from '@ombra/core/stages/courses';
import type { Corner, Wall } from '@ombra/core/stages/outline';
import type { Bar } from '@ombra/core/stages/steel';
import type { WorkedPlan } from '@ombra/core/work';
import { BarsFromAbove } from '../steel/BarsFromAbove';
import { type Frame, Box, STUB, Word, px } from './aboveParts';
import { TeesFromAbove } from './TeesFromAbove';
import type { Face } from '../../drawing/strip/stripGeometry';

interface FromAboveProps {
  readonly worked: WorkedPlan;
  readonly wall: Wall;
  readonly course: number;
  readonly face: Face;
  readonly chosen: string | null;
  /** Pixels to fill; a wall too long to show its webs is broken into lines, like text. */
  readonly width: number;
  readonly onChoose?: (piece: string) => void;
  /** Bars of this course and those that stand in it, drawn over the blocks. */
  readonly bars?: { readonly list: readonly Bar[]; readonly marks: ReadonlyMap<string, string> };
}

/** Fewest pixels to a metre at which webs and panels can still be told apart. */
const LEAST_SCALE = 84;
const MOST_SCALE = 260;
const LABEL_HEIGHT = 22;

/** Webs across the wall, each a line from panel to panel. */
function Webs({
  at,
  frame,
  id,
}: {
  readonly at: readonly number[];
  readonly frame: Frame;
  readonly id: string;
}) {
  return at.map((x) => (
    <line
      key={x}
      data-web={id}
      x1={px(x)}
      x2={px(x)}
      y1={px(frame.panel * 0.4)}
      y2={px(frame.thickness - frame.panel * 0.4)}
      className="stroke-ink"
      strokeWidth={1.4}
    />
  ));
}

/** A block between the corners: panels, core, webs, and its length where the saw made it. */
function Block({
  piece,
  frame,
  chosen,
  onChoose,
}: {
  readonly piece: WallPiece;
  readonly frame: Frame;
  readonly chosen: boolean;
  readonly onChoose: FromAboveProps['onChoose'];
}) {
  const x = piece.start * frame.scale;
  const width = piece.length * frame.scale;
  const foam = piece.kind === 'cut' ? 'fill-cut' : 'fill-foam';
  return (
    // Pressing a block is a shortcut of the mouse; the arrow keys do the same.

    <g
      onClick={() => {
        onChoose?.(piece.id);
      }}
    >
      <Box x={x} y={0} width={width} height={frame.thickness} className={foam} />
      <Box
        x={x}
        y={frame.panel}
        width={width}
        height={frame.thickness - 2 * frame.panel}
        className="fill-concrete"
      />
      <Webs id={piece.id} frame={frame} at={piece.webs.map((web) => (piece.start + web) * frame.scale)} />
      <rect
        x={px(x)}
        y={0}
        width={px(width)}
        height={px(frame.thickness)}
        className={chosen ? 'fill-none stroke-chalk' : 'fill-none stroke-ink'}
        strokeWidth={chosen ? 4 : 1}
      />
      {piece.kind === 'cut' && (
        <Word x={x + width / 2} y={-12} frame={frame} className="felt fill-ink text-[17px]">
          {showLength(piece.length, frame.units, { style: 'inches', bare: true })}
        </Word>
      )}
    </g>
  );
}

interface LegProps {
  readonly piece: CornerPiece;
  readonly corner: Corner;
  /** At the wall's start, or at its end. */
  readonly atStart: boolean;
  readonly frame: Frame;
  readonly chosen: boolean;
}

/**
 * A corner's leg on this wall and the beginning of its other leg: inward from an outside corner, outward past an inside
 * one, where the piece also reaches a thickness beyond the wall's face line.
 */
function CornerLeg({ piece, corner, atStart, frame, chosen }: LegProps) {
  const { scale, thickness, panel, length } = frame;
  const leg = (atStart ? piece.legAfter : piece.legBefore) * scale;
  const outside = corner.kind === 'outside';
  if (piece.make === 'lapped') {
    // Where this wall runs through, its own blocks reach the end; otherwise the end of the other wall's block is seen.
    if (leg === 0) return null;
    const at = atStart ? 0 : length * scale - leg;
    return (
      <g>
        <Box x={at} y={0} width={leg} height={thickness} className="fill-corner stroke-ink" />
        <Word x={at + leg / 2} y={-11} frame={frame} className="figures fill-quiet text-[13px]">
          lap
        </Word>
      </g>
    );
  }
  const stub = thickness * STUB;
  // Worked at the wall's start; at its end the same picture is mirrored.
  const reach = outside ? 0 : -thickness;
  const place = (x: number, width: number): number => (atStart ? x : length * scale - x - width);
  const box = (
    [x, y, width, height]: readonly [number, number, number, number],
    className: string,
    key: string,
  ) => <Box key={key} x={place(x, width)} y={y} width={width} height={height} className={className} />;
  const tone = piece.hand === 'LH' ? 'fill-corner' : 'fill-corner-swapped';
  const webs = atStart
    ? piece.websAfter.map((at) => at * scale)
    : piece.websBefore.map((at) => (length - at) * scale);
  return (
    <g>
      {box([reach, 0, leg - reach, thickness], tone, 'leg')}
      {box([reach, outside ? thickness : -stub, thickness, stub], tone, 'stub')}
      {box([reach + panel, panel, leg - reach - panel, thickness - 2 * panel], 'fill-concrete', 'leg core')}
      {box(
        [reach + panel, outside ? panel : -stub, thickness - 2 * panel, thickness + stub - panel],
        'fill-concrete',
        'stub core',
      )}
      <Webs id={piece.id} frame={frame} at={webs} />
      <rect
        x={px(place(reach, leg - reach))}
        y={0}
        width={px(leg - reach)}
        height={px(thickness)}
        className={chosen ? 'fill-none stroke-chalk' : 'fill-none stroke-ink'}
        strokeWidth={chosen ? 4 : 1}
      />
      <Word x={place(0, leg) + leg / 2} y={-11} frame={frame} className="figures fill-quiet text-[13px]">
        {`${piece.hand} ${showLength(atStart ? piece.legAfter : piece.legBefore, frame.units, { style: 'inches' })}`}
      </Word>
    </g>
  );
}

/** One wall of a course in plan, true to scale: panels, core, webs, corner legs, and cuts with their length. */
export function FromAbove({ worked, wall, course, face, chosen, width, onChoose, bars }: FromAboveProps) {
  const corners = worked.shell.loops.flatMap((loop) => loop.built?.corners ?? []);
  const pieces = worked.courses.pieces.filter((piece) => piece.course === course);
  const blocks = pieces.filter(
    (piece): piece is WallPiece => piece.kind !== 'corner' && piece.wall === wall.id,
  );
  const ends = ([true, false] as const).flatMap((atStart) => {
    const piece = pieces.find(
      (each): each is CornerPiece =>
        each.kind === 'corner' && (atStart ? each.wallAfter : each.wallBefore) === wall.id,
    );
    const corner = corners.find((each) => each.letter === piece?.corner);
    return piece && corner ? [{ piece, corner, atStart }] : [];
  });

  // Room at both ends for a corner that reaches past the wall, and for letters.
  const reach = wall.length + 2 * wall.thickness;
  const lines = Math.max(1, Math.ceil(((reach / NANOMETRES_PER_METRE) * LEAST_SCALE) / width));
  const scale = Math.min((width * lines) / reach, MOST_SCALE / NANOMETRES_PER_METRE);
  // Jambs of the bucks that stand in this course: through the whole wall, or between the panels.
  const [bottom = 0, top = 0] = [worked.courses.tops[course - 1], worked.courses.tops[course]];
  const bucks = worked.openings.placed
    .filter(
      (each) =>
        each.worked &&
        each.wall === wall.id &&
        each.finished.bottom < top &&
        each.finished.top - each.finished.rise > bottom,
    )
    .flatMap(({ id, finished, concrete, buck }) => {
      const inset = buck.throughPanels ? 0 : wall.skin * scale;
      return [
        { id, inset, from: concrete.from, width: finished.from - concrete.from },
        { id, inset, from: finished.to, width: concrete.to - finished.to },
      ];
    });

  const frame: Frame = {
    scale,
    thickness: wall.thickness * scale,
    panel: wall.skin * scale,
    length: wall.length,
    units: worked.units,
    turned: face === 'outside',
  };
  const drawn = reach * scale;
  const lineWidth = drawn / lines;
  const stub = frame.thickness * STUB;
  const above = Math.max(LABEL_HEIGHT, stub + 4);
  const height = above + frame.thickness + stub + 2;
  const left = -wall.thickness * scale;
  // From outside the drawing turns half round: it is not mirrored, and its lines come in the other order.
  const { turned } = frame;
  const order = Array.from({ length: lines }, (_, index) => (turned ? lines - 1 - index : index));
  const letter = (at: number, text: string) => (
    <Word x={at} y={frame.thickness / 2} frame={frame} className="figures fill-ink text-[15px] font-semibold">
      {text}
    </Word>
  );
  return (
    <div className="flex flex-col gap-1">
      {order.map((line) => (
        <svg
          key={line}
          width={px(lineWidth)}
          height={px(height)}
          viewBox={`${String(px(left + line * lineWidth))} ${String(px(-above))} ${String(px(lineWidth))} ${String(px(height))}`}
          className={`block max-w-full ${turned ? 'rotate-180' : ''}`}
          role="img"
          aria-label={`Course ${String(course)}, wall ${wall.name} from above${lines > 1 ? `, part ${String(line + 1)} of ${String(lines)}` : ''}: ${String(blocks.length)} blocks between two corners`}
        >
          {blocks.map((piece) => (
            <Block
              key={piece.id}
              piece={piece}
              frame={frame}
              chosen={piece.id === chosen}
              onChoose={onChoose}
            />
          ))}
          {bucks.map(({ id, from, width, inset }) => (
            <Box
              key={`${id}:${String(from)}`}
              x={from * scale}
              y={inset}
              width={width * scale}
              height={frame.thickness - 2 * inset}
              className="fill-timber stroke-ink"
            />
          ))}
          <TeesFromAbove worked={worked} wall={wall} course={course} frame={frame} />
          {ends.map((end) => (
            <CornerLeg
              key={end.piece.id + String(end.atStart)}
              {...end}
              frame={frame}
              chosen={end.piece.id === chosen}
            />
          ))}
          {bars && (
            <BarsFromAbove
              bars={bars.list}
              marks={bars.marks}
              turned={turned}
              scale={scale}
              middle={wall.skin + wall.core / 2}
              length={wall.length}
              corners={[wall.from, wall.to]}
            />
          )}
          {letter(-14, wall.from)}
          {letter(wall.length * scale + 14, wall.to)}
        </svg>
      ))}
    </div>
  );
}
