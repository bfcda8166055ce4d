import type { Run } from '../../kernel/geometry/gaps';
import type { Point } from '../../kernel/geometry/point';
import { type Length, ZERO } from '../../kernel/measure';
import type { Crossing } from '../outline';

/** Which edge of a footing, by the face of the wall over it. */
export type EdgeSide = Crossing['side'];

/** A step of the footing under a wall: where, and how high its riser is. */
export interface Riser {
  readonly at: Length;
  readonly height: Length;
}

/** One wall's footing. */
export interface WallBase {
  readonly wall: string;
  readonly name: string;
  readonly width: Length;
  readonly thickness: Length;
  /** From the footing's edge to the form's face, on either side: where the chalk lines run. Negative where the form hangs over. */
  readonly outer: Length;
  readonly inner: Length;
  /** Lengths of the footing's own edges. */
  readonly outerLength: Length;
  readonly innerLength: Length;
  /** Where its edges begin and end on the plan; on an arc, the ends of their chords. */
  readonly outerSide: readonly [Point, Point];
  readonly innerSide: readonly [Point, Point];
  /** The stretch beside which both edges run, from the wall's first corner on its outside face. */
  readonly both: Run;
  /** Planks along its edges, from long point to long point of their mitres, from the wall's first corner; on an arc, by their length. */
  readonly planks: Readonly<Record<EdgeSide, Run>>;
  /** What the footings of inside walls take of its edges where they join. */
  readonly joins: readonly (Run & { readonly side: EdgeSide })[];
  /** Its ends that stand free: nothing joins them, and they meet nothing. */
  readonly freeEnds: number;
  /** Lengths of the form's own faces, which lie off the middle of the footing where the wall does. */
  readonly formOutside: Length;
  readonly formInside: Length;
  readonly risers: readonly Riser[];
}

/** The footing of one outline: its edges from above, and its walls' own. */
export interface LoopBase {
  readonly loop: string;
  readonly outer: readonly Point[];
  readonly inner: readonly Point[];
  readonly walls: readonly WallBase[];
}

/** How wide the footing of a wall is, and how far its edges lie from the form's faces. */
export type Chalk = Pick<WallBase, 'width' | 'outer' | 'inner'>;

export const UNCHALKED: Chalk = { width: ZERO, outer: ZERO, inner: ZERO };
