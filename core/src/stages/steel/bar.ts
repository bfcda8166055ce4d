import type { Length } from '../../kernel/measure';
import type { Cut } from './cut';

/** What a bar is for. */
export type BarUse =
  | 'horizontal'
  | 'corner'
  | 'vertical'
  | 'jamb'
  | 'dowel'
  | 'lintel bottom'
  | 'lintel top'
  | 'stirrup'
  | 'ledge'
  | 'tongue'
  | 'tee';

/** One bar in a wall, or so many alike at one place. */
export interface Bar extends Cut {
  readonly id: string;
  readonly use: BarUse;
  readonly size: string;
  readonly wall: string;
  readonly count: number;
  /** The course that it lies in, 0 for the footing; null for those that stand through several. */
  readonly course: number | null;
  /** When it goes in: with the footing (course 0), before a course is laid, in it, or once it is laid. */
  readonly set: { readonly course: number; readonly when: 'before' | 'in' | 'after' };
  /** Where it lies on the wall's face: stations from the wall's first corner, heights above the lowest footing. */
  readonly from: Length;
  readonly to: Length;
  readonly bottom: Length;
  readonly top: Length;
  /** From the middle of the core, inside positive. */
  readonly offset: Length;
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
      /** Bars that stand out of a joint, or dowels out of the footing, by less than the next bar's lap. */
      readonly kind: 'stands-short';
      /** Course below the joint; 0 for the footing. */
      readonly course: number;
      readonly out: Length;
      readonly lap: Length;
    }
  | {
      /** Bars that stand on the footing or on a joint with none below them near enough to lap. */
      readonly kind: 'nothing-to-lap';
      readonly wall: string;
      readonly course: number;
      readonly bars: number;
      readonly gap: Length;
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
  | {
      /** Bars that no stock bar gives in one piece. */
      readonly kind: 'cut-longer-than-stock';
      readonly wall: string;
      readonly use: BarUse;
      readonly cut: Length;
      readonly stock: Length;
      readonly bars: number;
    }
  | {
      /** Several bars to a course, which with their laps want more room than there is. */
      readonly kind: 'congested';
      readonly wall: string;
      readonly course: number;
      readonly bars: number;
      readonly slots: number;
      readonly wants: Length;
      readonly has: Length;
    }
  | {
      /** The highest horizontal of some stretch lies too far under its top. */
      readonly kind: 'top-bar-low';
      readonly wall: string;
      readonly below: Length;
      readonly most: Length;
    }
  | {
      /** Laps lie over or under an opening because the pieces leave them no other place. */
      readonly kind: 'lap-by-opening';
      readonly wall: string;
      readonly courses: readonly number[];
    }
  | {
      /** Courses in which only one of the walls at a corner has a bar: none goes round. */
      readonly kind: 'corner-without-bar';
      readonly wall: string;
      readonly corner: string;
      readonly courses: readonly number[];
    }
  | {
      /** Courses in which the wall that this one meets has no bar to tie its own to. */
      readonly kind: 'tee-without-bar';
      readonly wall: string;
      readonly other: string;
      readonly courses: readonly number[];
    }
  | {
      readonly kind: 'tee-cut-short';
      readonly wall: string;
      readonly other: string;
      readonly course: number;
      readonly leg: Length;
    }
  | {
      /** More lintel bars in one layer than stone gets between. */
      readonly kind: 'lintel-crowded';
      readonly opening: string;
      readonly wall: string;
      readonly bars: number;
      readonly wants: Length;
      readonly has: Length;
    }
  | { readonly kind: 'course-without-bar'; readonly wall: string; readonly course: number }
  | {
      /** No horizontal near enough under its sill. */
      readonly kind: 'nothing-under-sill';
      readonly opening: string;
      readonly wall: string;
      readonly within: Length;
    }
  | { readonly kind: 'nothing-over-head'; readonly opening: string; readonly wall: string }
  | {
      readonly kind: 'zone-rule-refused';
      readonly zone: string;
      readonly rule: string;
      readonly statement: string | null;
    }
  | {
      /** A row of the reinforcement table that cannot be used, counted from 1. */
      readonly kind: 'table-row-unreadable';
      readonly row: number;
      readonly what: 'height' | 'backfill' | 'soil' | 'size' | 'spacing';
    }
  /** Two rows for the same walls that ask for different bars, counted from 1. */
  | { readonly kind: 'table-rows-clash'; readonly rows: readonly [number, number] }
  | {
      /** A soil that some heights of the table have a row for and another has none for. */
      readonly kind: 'table-gap';
      readonly height: Length;
      readonly soil: number;
    }
  /** Gaps besides those that are told one by one. */
  | { readonly kind: 'table-gaps-more'; readonly count: number }
  /** Walls that take no row of the table because nobody has said how high their soil stands. */
  | { readonly kind: 'table-soil-unsaid'; readonly walls: readonly string[] }
  | {
      readonly kind: 'no-table-row';
      readonly wall: string;
      readonly height: Length;
      readonly backfill: Length;
      readonly soil: number;
    }
  | { readonly kind: 'few-slots'; readonly slots: number }
  | {
      /** Concrete is ordered weaker than laps or the screening count on; pounds a square inch. */
      readonly kind: 'mix-weaker';
      readonly mix: number;
      readonly counted: number;
      /** The weakest mix that is enough; null where none that is ordered is. */
      readonly enough: number | null;
    }
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
  /** A course has no horizontal, since its pour stops half way up it. */
  | { readonly kind: 'left-in-joint'; readonly course: number }
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
