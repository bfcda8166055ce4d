import { type Point, step } from '@ombra/core/kernel/geometry';
import { type BuiltLoop, type Shell, type ShellLoop, alongArc, wallFace } from '@ombra/core/stages/outline';

/** Sides that a stretch of an arc is drawn in. */
const ARC_SIDES = 8;

/** Turns points of the plan into pixels of a drawing of a given size. */
export interface PlanFrame {
  readonly x: (point: Point) => number;
  readonly y: (point: Point) => number;
  /** Pixels per nanometre. */
  readonly scale: number;
}

const pointsOf = (loop: ShellLoop): readonly Point[] => [
  ...loop.walked,
  ...(loop.gap ? [{ x: 0, y: 0 } as Point] : []),
  ...(loop.built?.outline.formOutside ?? []),
];

/** A frame that fits the job's outlines, and what else shall be seen, into a drawing with a margin all round; null where there is nothing to draw. */
export function planFrame(
  shell: Shell,
  { width, height, margin }: { readonly width: number; readonly height: number; readonly margin: number },
  also: readonly Point[] = [],
): PlanFrame | null {
  const walked = shell.loops.flatMap(pointsOf);
  if (walked.length === 0) return null;
  const points = [...walked, ...also];
  const xs = points.map((point) => point.x);
  const ys = points.map((point) => point.y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(
    (width - 2 * margin) / Math.max(right - left, 1),
    (height - 2 * margin) / Math.max(bottom - top, 1),
  );
  const offsetX = (width - (right - left) * scale) / 2 - left * scale;
  const offsetY = (height - (bottom - top) * scale) / 2 - top * scale;
  return { scale, x: (point) => offsetX + point.x * scale, y: (point) => offsetY + point.y * scale };
}

const rounded = (value: number): string => value.toFixed(1);

/** An SVG path through points, closed unless told otherwise; nothing through none. */
export const pathOf = (frame: PlanFrame, points: readonly Point[], closed = true): string =>
  points.length === 0
    ? ''
    : `M${points.map((point) => `${rounded(frame.x(point))} ${rounded(frame.y(point))}`).join('L')}${closed ? 'Z' : ''}`;

/** The inside face's points of a loop in walking order; an open one's faces are a single ring, out and back. */
function insideFace(built: BuiltLoop): readonly Point[] {
  return built.open
    ? [...built.faces.formOutside.slice(built.walls.length + 1)].reverse()
    : built.faces.formInside;
}

/** Where a wall starts on its outside and inside faces. */
export function wallStart(
  built: BuiltLoop,
  index: number,
): { readonly outer: Point; readonly inner: Point } | null {
  const outer = built.faces.formOutside[index];
  const inner = insideFace(built)[index];
  return outer && inner ? { outer, inner } : null;
}

/** A stretch of one wall over its whole thickness, from one share of its length to another; an arc in short sides. */
export function wallShape(built: BuiltLoop, index: number, from = 0, to = 1): readonly Point[] {
  const wall = built.walls[index];
  const start = wallStart(built, index);
  if (!wall || !start) return [];
  const { curve } = wall;
  if (!curve) {
    // Whole walls reach into their corners; stretches of them are cut square.
    if (from === 0 && to === 1) {
      const outside = wallFace(built, wall, 'formOutside');
      const inside = wallFace(built, wall, 'formInside');
      return [...outside, inside[1], inside[0]];
    }
    const at = (share: number, aside: number): Point =>
      step(start.outer, wall.heading, share * wall.length, aside);
    return [at(from, 0), at(to, 0), at(to, wall.thickness), at(from, wall.thickness)];
  }
  const shares = Array.from({ length: ARC_SIDES + 1 }, (_, side) => from + ((to - from) * side) / ARC_SIDES);
  const along = (corner: Point, radius: number): readonly Point[] =>
    shares.map((share) =>
      alongArc({ from: corner, heading: wall.heading, radius, sweep: curve.sweep, share }),
    );
  return [...along(start.outer, curve.outside), ...[...along(start.inner, curve.inside)].reverse()];
}
