import type { Point } from '../kernel/geometry/point';

/** What a shape of a drawing means. Writers give each its own layer or look. */
export const LAYERS = [
  'form face',
  'core face',
  'block',
  'cut piece',
  'corner',
  'opening',
  'buck',
  'insert',
  'bar',
  'brace',
  'plank',
  'course line',
  'text',
  'dimension',
] as const;
export type Layer = (typeof LAYERS)[number];

/** How large a text is: felt pen on foam, a note beside a piece, a letter or a title. */
export type TextSize = 'note' | 'felt' | 'label' | 'title';

/** A line through points; a closed one comes home. */
export interface Path {
  readonly kind: 'path';
  readonly layer: Layer;
  readonly points: readonly Point[];
  readonly closed: boolean;
}

/** A bar seen on its end. */
export interface Dot {
  readonly kind: 'dot';
  readonly layer: Layer;
  readonly at: Point;
  /** In nanometres. */
  readonly radius: number;
}

/** Words centred on a point. */
export interface Words {
  readonly kind: 'words';
  readonly layer: Layer;
  readonly at: Point;
  readonly text: string;
  readonly size: TextSize;
  /** The length that they have room in, in nanometres; left out by writers whose letters are too large for it. */
  readonly room?: number;
}

/** A length between two points, its line `aside` to the right of the way from one to the other (to the left where negative). */
export interface Dimension {
  readonly kind: 'dimension';
  readonly layer: 'dimension';
  readonly from: Point;
  readonly to: Point;
  readonly aside: number;
  readonly text: string;
}

export type Shape = Path | Dot | Words | Dimension;

/** A drawing in true lengths: nanometres, x to the right, y down as on the plan. */
export interface Drawing {
  /** `plan`, `course-3`, `wall-A-B`, `strip`. */
  readonly id: string;
  readonly title: string;
  readonly shapes: readonly Shape[];
}

/** The smallest upright box around a drawing's shapes; null where it has none. */
export function boundsOf({ shapes }: Pick<Drawing, 'shapes'>): {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
} | null {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  const take = ({ x, y }: Point, around = 0): void => {
    left = Math.min(left, x - around);
    right = Math.max(right, x + around);
    top = Math.min(top, y - around);
    bottom = Math.max(bottom, y + around);
  };
  for (const shape of shapes) {
    if (shape.kind === 'path') for (const point of shape.points) take(point);
    else if (shape.kind === 'dot') take(shape.at, shape.radius);
    else if (shape.kind === 'words') take(shape.at);
    else {
      take(shape.from, Math.abs(shape.aside));
      take(shape.to, Math.abs(shape.aside));
    }
  }
  return left > right ? null : { left, right, top, bottom };
}
