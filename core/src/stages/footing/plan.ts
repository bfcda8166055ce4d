import type { FootingChange } from './edits';

/** What the walls stand on: a strip of concrete, one cast in insulated forms, bare rock, or a strip with a thermal-break sheet on it. */
export const FOOTING_KINDS = ['strip', 'forms', 'rock', 'sheet'] as const;
export type FootingKind = (typeof FOOTING_KINDS)[number];

/** A reading of the level survey: how far below the laser's plane a point of a wall lies. */
export interface Shot {
  readonly id: string;
  readonly wall: string;
  /** From the wall's first corner, clockwise. */
  readonly at: string;
  /** On the rod; a higher reading is a lower spot. */
  readonly reading: string;
}

/** A length pulled with the tape between two corners. A corner is told by the id of the wall that starts there, clockwise. */
export interface Pull {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly length: string;
}

/** What the walls stand on, and what was measured on it. */
export interface FootingPlan {
  readonly kind: FootingKind;
  readonly width?: string;
  readonly depth?: string;
  /** Footing and wall are poured as one. */
  readonly withWall?: boolean;
  /** Thickness of a thermal-break sheet. */
  readonly sheet?: string;
  /** Readings on the footing or the rock, before anything stands on it. */
  readonly shots?: readonly Shot[];
  /** Readings on the first course once it is shimmed. */
  readonly after?: readonly Shot[];
  readonly pulls?: readonly Pull[];
  /** What has been looked at and found right, by its id on the list. */
  readonly ready?: readonly string[];
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    /** Left out: a plain strip as the house rules have it, nothing measured yet. */
    readonly footing?: FootingPlan;
  }
  interface PlanEdits {
    readonly 'set-footing': { readonly kind: 'set-footing'; readonly change: FootingChange };
  }
}
