import type { Length } from '../../kernel/measure';
import type { BuckKind, OpeningKind } from './plan';
import type { Rect } from './shape';

/** A length of an opening that its plan tells. */
export type OpeningField = 'at' | 'width' | 'height' | 'sill' | 'head' | 'rise' | 'threshold';

interface OfOpening {
  readonly opening: string;
  /** As it is called on screen. */
  readonly name: string;
}

/** What keeps an opening from being worked, or should be known of it. */
export type OpeningProblem =
  | (OfOpening & { readonly kind: 'wall-gone' })
  | (OfOpening & {
      readonly kind: 'unreadable';
      readonly wall: string;
      readonly field: OpeningField;
      readonly text: string;
    })
  | (OfOpening & {
      /** Past an end of its wall, or into the thickness of the wall that it meets there. */
      readonly kind: 'off-wall';
      readonly wall: string;
      readonly end: 'start' | 'end';
      readonly corner: string;
      readonly by: Length;
    })
  | (OfOpening & { readonly kind: 'overlaps'; readonly wall: string; readonly other: string })
  | (OfOpening & {
      readonly kind: 'below-footing';
      readonly wall: string;
      readonly by: Length;
      readonly footing: Length;
    })
  | (OfOpening & { readonly kind: 'above-wall'; readonly wall: string })
  | (OfOpening & { readonly kind: 'open-top'; readonly wall: string; readonly by: Length })
  | (OfOpening & { readonly kind: 'rise-too-high'; readonly wall: string; readonly most: Length })
  | (OfOpening & {
      readonly kind: 'short-pier';
      readonly wall: string;
      /** The opening beyond it, or the corner. */
      readonly beyond: string;
      readonly left: Length;
      readonly pier: Rect;
    })
  | (OfOpening & {
      readonly kind: 'nothing-to-hold-down';
      readonly wall: string;
      readonly depth: Length;
      readonly has: Length;
    })
  | (OfOpening & {
      /** An inside wall meets this one where the opening is. */
      readonly kind: 'at-tee';
      readonly wall: string;
      readonly other: string;
      /** So much of the opening lies behind that wall, and so far it would have to move to be clear of it: back, and on. */
      readonly behind: Length;
      readonly back: Length;
      readonly on: Length;
      /** The corners at which its wall begins and ends. */
      readonly corners: readonly [start: string, end: string];
    })
  | (OfOpening & { readonly kind: 'on-curve'; readonly wall: string })
  | (OfOpening & {
      readonly kind: 'not-lined-through';
      readonly wall: string;
      readonly head: Length;
      readonly door: string;
      readonly doorHead: Length;
      readonly openingKind: OpeningKind;
    })
  | { readonly kind: 'buck-figure'; readonly buck: BuckKind; readonly text: string };
