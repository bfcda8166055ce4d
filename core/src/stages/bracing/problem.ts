import type { StandsOn } from './brace';
import type { Length } from '../../kernel/measure';

/** What is wrong with the bracing, or should be known of it. */
export type BracingProblem =
  | { readonly kind: 'stock-unreadable'; readonly what: 'plank' | 'upright'; readonly text: string }
  /** No plank on hand spans a bay of the grid inside the rules; `would` lengths do. */
  | {
      readonly kind: 'no-plank-fits';
      readonly grid: Length;
      readonly most: Length;
      readonly would: readonly Length[];
    }
  | { readonly kind: 'spacing-under-grid'; readonly most: Length; readonly grid: Length }
  | {
      readonly kind: 'plank-plan-missing';
      readonly wall: string;
      /** From the first brace to the last. */
      readonly span: Length;
      readonly cure: PlankCure;
    }
  /** Planks end at both sides of an opening that none spans. */
  | { readonly kind: 'walkway-parted'; readonly wall: string; readonly opening: string }
  | { readonly kind: 'no-strip'; readonly wall: string; readonly at: Length; readonly why: BraceWhy }
  | {
      readonly kind: 'bay-wide';
      readonly wall: string;
      readonly from: Length;
      readonly to: Length;
      readonly most: Length;
      /** The opening that lies in it, where one does. */
      readonly opening: string | null;
    }
  | {
      /** No upright reaches the last course; `nearest` is the longest that can be made. */
      readonly kind: 'upright-short';
      readonly wall: string;
      readonly wants: Length;
      readonly nearest: Length;
    }
  /** The shortest upright on hand stands far over the wall. */
  | {
      readonly kind: 'upright-long';
      readonly wall: string;
      readonly height: Length;
      readonly shortest: Length;
    }
  | {
      readonly kind: 'walkway-gap';
      readonly corner: string;
      readonly why: 'outward-turn' | 'sides-differ' | 'ends-short';
    }
  | {
      /** A leg of the wall round the corner stands in front of a doorway. */
      readonly kind: 'leg-in-doorway';
      readonly wall: string;
      readonly brace: string;
      readonly at: Length;
      readonly opening: string;
      readonly clear: Length;
    }
  | {
      readonly kind: 'guardrails';
      readonly wall: string;
      readonly platform: Length;
      readonly on: StandsOn;
    }
  | { readonly kind: 'loose-ground'; readonly wall: string; readonly side: Side; readonly other: boolean }
  | { readonly kind: 'bank'; readonly wall: string; readonly side: Side }
  | { readonly kind: 'gear-short'; readonly part: string; readonly wanted: number; readonly onHand: number };

/** What would make a walkway: planks of another usual length, the end braces elsewhere, or a loose scaffold. */
export type PlankCure =
  | { readonly kind: 'plank'; readonly length: Length }
  | { readonly kind: 'braces'; readonly from: Length; readonly to: Length }
  | { readonly kind: 'scaffold' };

export type Side = 'inside' | 'outside';

/** Why a brace stands where it does. */
export type BraceWhy = 'corner' | 'opening' | 'seam' | 'tee' | 'bulkhead' | 'between';
