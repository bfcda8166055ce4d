import type { Length } from '../measure';

/** Hand of a corner, seen from its own outer side: long leg to the left is left-hand. */
export type Hand = 'LH' | 'RH';

/** A block laid along one wall. */
export interface WallPiece {
  readonly kind: 'straight' | 'cut';
  /** Unique in the job: course, wall and place in the row. */
  readonly id: string;
  readonly course: number;
  readonly wall: string;
  /** From the wall's first corner, along the form's outside face. */
  readonly start: Length;
  /** From the loop's first corner, along the form's outside face. */
  readonly station: Length;
  readonly length: Length;
  /** Whole webs, from the piece's start. */
  readonly webs: readonly Length[];
  /** Which ends the saw made. */
  readonly cutEnds: { readonly start: boolean; readonly end: boolean };
  /** What a cut piece was cut from, and what is left of it. */
  readonly cutFrom?: { readonly article: 'straight'; readonly offcut: Length };
}

/** A moulded corner: one leg on each of the two walls that meet. */
export interface CornerPiece {
  readonly kind: 'corner';
  readonly id: string;
  readonly course: number;
  readonly corner: string;
  readonly hand: Hand;
  /** The wall that ends at the corner and the leg on it, walking clockwise; lengths on the form's outside face. */
  readonly wallBefore: string;
  readonly legBefore: Length;
  /** Webs of that leg, back from the corner. */
  readonly websBefore: readonly Length[];
  readonly wallAfter: string;
  readonly legAfter: Length;
  readonly websAfter: readonly Length[];
  readonly station: Length;
}

export type Piece = WallPiece | CornerPiece;

/** Why a joint wants straps on both faces. */
export type StrapReason = 'ear' | 'short' | 'web-to-web' | 'stagger';

/** A joint that breaks a rule of cutting or bond. */
export interface WeakJoint {
  readonly course: number;
  readonly wall: string;
  /** From the wall's first corner. */
  readonly at: Length;
  readonly station: Length;
  readonly reasons: readonly StrapReason[];
}

/** Something about the courses that the crew should know, or why they could not be laid. */
export type CourseFinding =
  | { readonly kind: 'courses-out-of-range'; readonly courses: number; readonly most: number }
  | { readonly kind: 'stages-out-of-order'; readonly stage: string }
  | { readonly kind: 'corner-not-laid'; readonly corner: string; readonly loop: string }
  | { readonly kind: 'cores-differ'; readonly corner: string; readonly loop: string }
  | {
      readonly kind: 'too-short-for-corners';
      readonly wall: string;
      readonly needs: Length;
      readonly has: Length;
    }
  | { readonly kind: 'filler-near-corner'; readonly wall: string }
  | { readonly kind: 'off-pitch'; readonly wall: string; readonly rest: Length; readonly pitch: Length }
  | {
      readonly kind: 'straps';
      readonly wall: string;
      readonly joints: number;
      readonly reasons: readonly StrapReason[];
      readonly cuts: readonly Length[];
    }
  | { readonly kind: 'stagger'; readonly wall: string; readonly joints: number; readonly closest: Length };
