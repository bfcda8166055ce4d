import { type Length, NANOMETRES_PER_FOOT, NANOMETRES_PER_METRE } from '@ombra/core/kernel/measure';
import type { Courses, Piece } from '@ombra/core/stages/courses';
import type { BuiltLoop, Shell, Wall } from '@ombra/core/stages/outline';

/** From which side the strip is seen. Left to right it is the walk from inside, and the walk backwards from outside. */
export type Face = 'inside' | 'outside';

export interface StripLoop {
  readonly id: string;
  readonly built: BuiltLoop;
  /** Where it starts on the unrolled strip, with what comes before it. */
  readonly offset: number;
}

/** The unrolled perimeter in pixels. */
export interface StripFrame {
  readonly face: Face;
  /** Pixels per nanometre, the same both ways: the strip is true to scale. */
  readonly scale: number;
  readonly width: number;
  readonly height: number;
  /** Height of a whole course. */
  readonly courseHeight: number;
  readonly courses: number;
  /** Bottom of course 1, then the top of every course, in nanometres above the lowest footing. */
  readonly tops: readonly Length[];
  readonly loops: readonly StripLoop[];
}

/** Width of the story pole's column, in pixels. */
export const POLE_WIDTH = 72;

/** Clear pixels at both ends of the strip and between separate outlines. */
const MARGIN = 24;
const BETWEEN = 72;

/** Lays the strip out at a scale. */
export function stripFrame(shell: Shell, courses: Courses, scale: number, face: Face): StripFrame {
  let offset = MARGIN;
  const loops = shell.loops.flatMap((loop): StripLoop[] => {
    if (!loop.built) return [];
    const laid = { id: loop.id, built: loop.built, offset };
    offset += loop.built.perimeter * scale + BETWEEN;
    return [laid];
  });
  return {
    face,
    scale,
    width: Math.max(offset - BETWEEN + MARGIN, 2 * MARGIN),
    height: courses.height * scale,
    courseHeight: courses.courseHeight * scale,
    courses: courses.count,
    tops: courses.tops,
    loops,
  };
}

/** The scale at which the whole strip, with its margins, is just so wide. */
export function zoomToFit(frame: StripFrame, width: number): number {
  const fixed = 2 * MARGIN + BETWEEN * Math.max(frame.loops.length - 1, 0);
  const walls = frame.loops.reduce((sum, loop) => sum + loop.built.perimeter, 0);
  return Math.max(width - fixed - 1, 1) / Math.max(walls, 1);
}

/** A station of a loop on the strip. */
export function stripX(frame: StripFrame, loop: StripLoop, station: number): number {
  const along = loop.offset + station * frame.scale;
  return frame.face === 'inside' ? along : frame.width - along;
}

interface Span {
  readonly x: number;
  readonly width: number;
}

/** A stretch of a loop on the strip, whichever way it is seen. */
export function stripSpan(frame: StripFrame, loop: StripLoop, from: number, to: number): Span {
  const [a, b] = [stripX(frame, loop, from), stripX(frame, loop, to)];
  return { x: Math.min(a, b), width: Math.abs(b - a) };
}

/** A height above the lowest footing on the strip. */
export const stripY = (frame: StripFrame, height: number): number => frame.height - height * frame.scale;

/** Top of a course; course 1 lies at the bottom. */
export const courseTop = (frame: StripFrame, course: number): number =>
  stripY(frame, frame.tops[course] ?? 0);

/** Height of a course on the strip: a ripped one is lower. */
export const heightOfCourse = (frame: StripFrame, course: number): number =>
  ((frame.tops[course] ?? 0) - (frame.tops[course - 1] ?? 0)) * frame.scale;

export interface Box extends Span {
  readonly top: number;
  readonly height: number;
}

/** A piece as boxes on the strip: one for a block, one on each wall for a corner. */
export function pieceBoxes(frame: StripFrame, walls: WallIndex, piece: Piece): readonly Box[] {
  const top = stripY(frame, piece.top);
  const height = (piece.top - piece.bottom) * frame.scale;
  return pieceSpans(frame, walls, piece).map((span) => ({ ...span, top, height }));
}

/** Finds walls and their loops by id. */
export function wallIndex(
  frame: StripFrame,
): ReadonlyMap<string, { readonly wall: Wall; readonly loop: StripLoop }> {
  return new Map(
    frame.loops.flatMap((loop) => loop.built.walls.map((wall) => [wall.id, { wall, loop }] as const)),
  );
}

type WallIndex = ReturnType<typeof wallIndex>;

/** Where a piece lies on the strip: one span for a block, one on each wall for a corner. */
export function pieceSpans(frame: StripFrame, walls: WallIndex, piece: Piece): readonly Span[] {
  if (piece.kind !== 'corner') {
    const found = walls.get(piece.wall);
    if (!found) return [];
    // What runs on past an inside corner is not seen on the outside face.
    const { wall, loop } = found;
    const from = Math.max(piece.station, wall.station);
    const to = Math.min(piece.station + piece.length, wall.station + wall.length);
    return [stripSpan(frame, loop, from, Math.max(from, to))];
  }
  const before = walls.get(piece.wallBefore);
  const after = walls.get(piece.wallAfter);
  if (!before || !after) return [];
  const end = before.wall.station + before.wall.length;
  return [
    stripSpan(frame, before.loop, end - piece.legBefore, end),
    stripSpan(frame, after.loop, after.wall.station, after.wall.station + piece.legAfter),
  ];
}

/** Marks of the tape: every foot or half metre, longer and numbered at tens and metres, as the scale allows. */
export function tapeMarks(
  length: Length,
  scale: number,
  metric: boolean,
): readonly { readonly at: number; readonly label: string | null; readonly long: boolean }[] {
  const unit = metric ? NANOMETRES_PER_METRE : NANOMETRES_PER_FOOT;
  const pixels = unit * scale;
  const every = [1, 2, 5, 10, 20, 50, 100].find((count) => count * pixels >= 34) ?? 100;
  const tick = [1, 2, 5, 10, 20, 50, 100].find((count) => count * pixels >= 6) ?? 100;
  const marks: { at: number; label: string | null; long: boolean }[] = [];
  for (let count = 0; count * unit <= length; count += 1) {
    if (count % tick !== 0) continue;
    const long = count % every === 0;
    marks.push({ at: count * unit, label: long ? `${String(count)}${metric ? ' m' : '′'}` : null, long });
  }
  return marks;
}

/** The piece under a point of the drawing. */
export function pieceAt(frame: StripFrame, pieces: readonly Piece[], x: number, y: number): Piece | null {
  const walls = wallIndex(frame);
  const height = (frame.height - y) / frame.scale;
  return (
    pieces.find(
      (piece) =>
        height >= piece.bottom &&
        height < piece.top &&
        pieceSpans(frame, walls, piece).some(
          (span) => span.width > 0 && x >= span.x && x <= span.x + span.width,
        ),
    ) ?? null
  );
}

/** The wall and the station on it under a point of the drawing. */
export function wallAt(frame: StripFrame, x: number): { readonly wall: Wall; readonly at: Length } | null {
  for (const loop of frame.loops) {
    const station = ((frame.face === 'inside' ? x : frame.width - x) - loop.offset) / frame.scale;
    const wall = loop.built.walls.find(
      (each) => station >= each.station && station <= each.station + each.length,
    );
    if (wall) return { wall, at: Math.round(station - wall.station) as Length };
  }
  return null;
}
