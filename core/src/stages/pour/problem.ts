import type { Length } from '../../kernel/measure';

/** What is wrong with a pour, or should be known of it. */
export type PourProblem =
  | {
      /** More loads than a pour is planned for; nothing of it is worked. */
      readonly kind: 'pour-too-large';
      readonly pour: string;
      readonly loads: number;
      readonly most: number;
    }
  | {
      readonly kind: 'lift-unreadable';
      readonly pour: string;
      readonly lift: number;
      readonly text: string;
    }
  | {
      /** Deeper than what is left of the wall. */
      readonly kind: 'lift-too-high';
      readonly pour: string;
      readonly lift: number;
      readonly depth: Length;
      readonly left: Length;
    }
  | {
      /** Wall left over the last lift: a lift more, or part of the last one where it is too low for that. */
      readonly kind: 'lifts-short';
      readonly pour: string;
      readonly rest: Length;
      readonly joined: boolean;
    }
  /** The whole order is less than the plant brings without charging for a short load; cubic metres. */
  | { readonly kind: 'load-short'; readonly pour: string; readonly load: number; readonly least: number }
  | {
      readonly kind: 'two-lifts-high';
      readonly pour: string;
      readonly height: Length;
      readonly most: Length;
    }
  | { readonly kind: 'side-unreadable'; readonly side: string; readonly name: string; readonly text: string }
  | { readonly kind: 'side-nowhere'; readonly side: string; readonly name: string }
  | {
      readonly kind: 'too-many-loads';
      readonly pour: string;
      readonly loads: number;
      readonly wanted: number;
    }
  | {
      readonly kind: 'too-few-loads';
      readonly pour: string;
      readonly loads: number;
      readonly wanted: number;
    }
  | {
      /** Degrees Fahrenheit that no concrete is placed at. */
      readonly kind: 'temperature-absurd';
      readonly pour: string;
      readonly of: 'air' | 'concrete';
      readonly degrees: number;
    }
  | {
      readonly kind: 'too-cold' | 'too-hot';
      readonly pour: string;
      readonly degrees: number;
      readonly limit: number;
    }
  | {
      /** Pressure over the form's stated capacity, pascals, and where. */
      readonly kind: 'over-capacity';
      readonly pour: string;
      readonly pressure: number;
      readonly capacity: number;
      readonly wall: string;
      readonly lift: number;
    }
  | {
      /** Pressure that the planned day itself comes to, over the form's stated capacity. */
      readonly kind: 'day-over-capacity';
      readonly pour: string;
      readonly pressure: number;
      readonly capacity: number;
    }
  | {
      /** Past what the formulas of pressure hold for: the whole head of the wall counts. */
      readonly kind: 'whole-head';
      readonly pour: string;
      readonly why: 'rise' | 'deep' | 'return';
      readonly pressure: number;
      readonly wall: string;
      readonly lift: number;
      /** Metres an hour. */
      readonly rise?: number;
      readonly minutes?: number;
      /** Of the deepest lift. */
      readonly depth: Length;
      /** Minutes between two lifts at a place, at least. */
      readonly least: number;
    }
  | {
      /** Even the slowest pour presses harder. */
      readonly kind: 'capacity-too-low';
      readonly pour: string;
      readonly least: number;
      readonly capacity: number;
    }
  | {
      /** A lift's own depth, fluid where the hose dwells, presses harder than the form's capacity. Pascals. */
      readonly kind: 'lift-over-capacity';
      readonly pour: string;
      readonly lift: number;
      readonly depth: Length;
      readonly pressure: number;
      readonly capacity: number;
    }
  | { readonly kind: 'capacity-unsaid' }
  | { readonly kind: 'slump-past-formula'; readonly slump: number }
  | {
      readonly kind: 'dwell-short';
      readonly pour: string;
      readonly wall: string;
      readonly seconds: number;
      readonly lift: number;
    }
  | {
      readonly kind: 'out-of-reach';
      readonly pour: string;
      readonly walls: readonly string[];
      readonly reach: Length;
      readonly farthest: Length;
    }
  | {
      /** Forms higher over the ground that the truck stands on than its chute pours. */
      readonly kind: 'over-chute';
      readonly pour: string;
      readonly walls: readonly string[];
      readonly height: Length;
      readonly most: Length;
    }
  | { readonly kind: 'stand-unreadable'; readonly pour: string; readonly text: string }
  | {
      /** At the planned pace a layer waits longer than the working time. Minutes. */
      readonly kind: 'lift-slow';
      readonly pour: string;
      readonly gap: number;
      readonly working: number;
      /** Whether trucks would wait, and their loads grow old, if they came closer together. */
      readonly trucksWait: boolean;
    }
  | {
      /** At the planned pace a load is older than it may be. Minutes. */
      readonly kind: 'load-old';
      readonly pour: string;
      readonly age: number;
      readonly most: number;
      /** Whether layers would wait too long if trucks came farther apart. */
      readonly layersWait: boolean;
    }
  | {
      /** Trucks stand longer and longer. Minutes. */
      readonly kind: 'trucks-close';
      readonly pour: string;
      readonly spacing: number;
      readonly service: number;
    }
  | { readonly kind: 'holes-for-cells' }
  | {
      /** A stretch of wall that no access hole of a lift reaches: no cell there, or too few. */
      readonly kind: 'hole-missing';
      readonly pour: string;
      readonly wall: string;
      readonly lift: number;
      readonly gap: Length;
      readonly most: Length;
    };
