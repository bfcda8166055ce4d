import type { Length } from '../measure';

/** What a bar is for. */
export type BarUse =
  'horizontal' | 'corner' | 'vertical' | 'jamb' | 'dowel' | 'lintel bottom' | 'lintel top' | 'stirrup';

/** One bar in a wall, or so many alike at one place. */
export interface Bar {
  readonly id: string;
  readonly use: BarUse;
  readonly size: string;
  readonly wall: string;
  readonly count: number;
  /** The course that it lies in, or in which it is set; null for those that stand through several. */
  readonly course: number | null;
  /** Where it lies on the wall's face: stations from the wall's first corner, heights above the lowest footing. */
  readonly from: Length;
  readonly to: Length;
  readonly bottom: Length;
  readonly top: Length;
  /** From the middle of the core, inside positive. */
  readonly offset: Length;
  /** Legs out to out, in order; a straight bar has one. */
  readonly legs: readonly Length[];
  /** What it is cut to. */
  readonly cut: Length;
  /** How much of it laps the bar before it and the one after it. */
  readonly laps: { readonly before: Length; readonly after: Length };
  readonly opening?: string;
  readonly corner?: string;
}

/** What is wrong with the steel, or should be known of it. */
export type SteelProblem =
  | {
      readonly kind: 'lap-longer-than-stock';
      readonly size: string;
      readonly lap: Length;
      readonly stock: Length;
    }
  | {
      /** No way down for the verticals of a wall. */
      readonly kind: 'chase-blocked';
      readonly wall: string;
      readonly size: string;
      readonly clear: Length;
      readonly wants: Length;
      /** The course whose bar leaves the least beside it. */
      readonly course: number;
    }
  | { readonly kind: 'few-slots'; readonly slots: number }
  | { readonly kind: 'bar-through'; readonly wall: string; readonly course: number; readonly insert: string }
  | { readonly kind: 'support-unsaid'; readonly wall: string }
  | { readonly kind: 'backfill-unreadable'; readonly wall: string; readonly text: string }
  | {
      readonly kind: 'spacing-wide';
      readonly wall: string;
      readonly spacing: Length;
      readonly length: Length;
    }
  | { readonly kind: 'no-room'; readonly wall: string; readonly at: Length }
  | { readonly kind: 'bends-too-much'; readonly wall: string; readonly share: number }
  | { readonly kind: 'no-lintel-room'; readonly opening: string; readonly wall: string }
  | {
      readonly kind: 'corner-cut-short';
      readonly wall: string;
      readonly corner: string;
      readonly course: number;
      readonly leg: Length;
    }
  | {
      readonly kind: 'lintel-cut-short';
      readonly opening: string;
      readonly wall: string;
      readonly reach: Length;
    }
  | {
      readonly kind: 'less-steel';
      readonly zone: string;
      readonly instead: string;
      readonly of: string;
      readonly share: number;
    }
  | {
      readonly kind: 'cover-small';
      readonly wall: string;
      readonly course: number;
      readonly cover: Length;
      readonly least: Length;
    };
