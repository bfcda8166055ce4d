import type { Length } from '../../kernel/measure';
import type { Rect } from '../openings';

/** Hand of a corner, seen from its own outer side: long leg to the left is left-hand. */
export type Hand = 'LH' | 'RH';

/** Heights of a piece above the lowest footing: a course, or less where it is ripped. */
interface PieceHeights {
  readonly bottom: Length;
  readonly top: Length;
}

/** Where a cut piece comes from: the block opened for it, and what else comes out of that block. */
export interface CutFrom {
  readonly article: 'straight';
  /** What is left of the block after this piece and its partner. */
  readonly offcut: Length;
  /** Number of the opened block, counted in laying order; pieces of one block share it. */
  readonly block: number;
  /** Whether the block is opened for this piece, or this one is what was left of it. */
  readonly part: 'first' | 'offcut';
  /** The other piece out of the same block. */
  readonly partner: string | null;
}

/** What an opening takes out of a piece that is not wholly under or over it. */
export interface Notch extends Rect {
  readonly wall: string;
  readonly opening: string;
  /** Its upper edge follows the arc of a round top. */
  readonly arched: boolean;
}

/** A block laid along one wall. */
export interface WallPiece extends PieceHeights {
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
  /** Which ends are mitred for a corner that no moulded piece serves. */
  readonly mitred?: { readonly start: boolean; readonly end: boolean };
  /** Ripped lower under the sill or over the head of this opening. */
  readonly ripped?: string;
  readonly notches?: readonly Notch[];
  readonly cutFrom?: CutFrom;
}

/**
 * How a corner is made: `moulded` as one piece; `lapped`, where one wall runs through and the other butts against it,
 * course about; `mitred`, where both walls are sawn at half the turn and strapped; `joined`, where a curve runs straight on into its
 * neighbour.
 */
export type CornerMake = 'moulded' | 'lapped' | 'mitred' | 'joined';

/** A corner in one course: its leg on each of the two walls that meet. A lapped one has a leg only where it is butted against. */
export interface CornerPiece extends PieceHeights {
  readonly kind: 'corner';
  readonly make: 'moulded' | 'lapped';
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
  readonly notches?: readonly Notch[];
}

export type Piece = WallPiece | CornerPiece;

/** Why a joint wants straps on both faces. */
export type StrapReason =
  | 'ear'
  | 'short'
  | 'web-to-web'
  | 'stagger'
  | 'beside-corner'
  | 'seam'
  | 'lapped-corner'
  | 'mitred-corner'
  | 'step-end'
  | 'free-end'
  | 'tee'
  | 'curve'
  | 'wide-head'
  | 'pier';

/** A joint that breaks a rule of cutting or bond. */
export interface WeakJoint {
  readonly course: number;
  readonly wall: string;
  /** From the wall's first corner. */
  readonly at: Length;
  readonly station: Length;
  readonly reasons: readonly StrapReason[];
  /** Where boards run along both faces and do not only cross a joint, from the wall's first corner. */
  readonly boards?: { readonly from: Length; readonly to: Length };
}

/** Something about the courses that the crew should know, or why they could not be laid. */
export type CourseFinding =
  | { readonly kind: 'cell-bars'; readonly courses: readonly number[] }
  | {
      readonly kind: 'too-short-for-corners';
      readonly wall: string;
      readonly needs: Length;
      readonly has: Length;
    }
  | { readonly kind: 'turn-too-sharp'; readonly corner: string; readonly loop: string }
  | { readonly kind: 'corner-lapped'; readonly corner: string; readonly loop: string }
  | {
      /** A curved wall: lengths of its two faces, and the relief cuts that bend it. */
      readonly kind: 'curved';
      readonly wall: string;
      readonly outside: Length;
      readonly inside: Length;
      /** Relief cuts in a whole block, in the whole course, and what each takes out of the shorter face. */
      readonly cutsABlock: number;
      readonly cutsACourse: number;
      readonly wedge: Length;
    }
  | { readonly kind: 'corner-mitred'; readonly corner: string; readonly loop: string }
  | { readonly kind: 'filler-near-corner'; readonly wall: string }
  | {
      readonly kind: 'off-pitch';
      readonly wall: string;
      readonly rest: Length;
      readonly pitch: Length;
      /** Where a common seam would stand; null where there is no room for one. */ readonly seam: Length | null;
    }
  | { readonly kind: 'seam-off-wall'; readonly wall: string; readonly text: string }
  | { readonly kind: 'cuts-do-not-fit'; readonly wall: string }
  | {
      readonly kind: 'as-laid-unreadable';
      readonly wall: string;
      readonly course: number;
      readonly text: string;
    }
  | {
      /** A course that was pulled with the tape: longer than planned positive. */
      readonly kind: 'as-laid';
      readonly wall: string;
      readonly course: number;
      readonly by: Length;
      /** What the allowance for growth lets it be. */
      readonly allowed: Length;
      /** The joint that may be trimmed, and the length that its piece is cut to instead. */
      readonly trimAt: Length;
      readonly cutTo: Length | null;
    }
  | {
      /** A strip of foam under a sill or over a head that is too low to stand. */
      readonly kind: 'strip-too-low';
      readonly wall: string;
      readonly course: number;
      readonly opening: string;
      readonly height: Length;
    }
  | { readonly kind: 'rip-too-low'; readonly wall: string; readonly course: number; readonly height: Length }
  | {
      readonly kind: 'straps';
      readonly wall: string;
      readonly joints: number;
      readonly reasons: readonly StrapReason[];
      readonly cuts: readonly Length[];
    }
  | {
      /** A course that stands on site otherwise than the plan has it: its wall has changed since, or only its blocks. */
      readonly kind: 'laid-otherwise' | 'laid-elsewhere';
      readonly wall: string;
      readonly course: number;
      readonly day: string;
    }
  | { readonly kind: 'stagger'; readonly wall: string; readonly joints: number; readonly closest: Length };
