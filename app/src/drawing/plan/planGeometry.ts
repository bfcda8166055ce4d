import type { Point } from '@ombra/core/kernel/geometry';
import type { Shell, ShellLoop } from '@ombra/core/stages/outline';

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
