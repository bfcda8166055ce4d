import type { NewThing } from '../../kernel/plan/plan';
import type { BuckChange, OpeningChange } from './edits';

/** What an opening is for. */
export const OPENING_KINDS = ['window', 'door', 'garage', 'round-top', 'void'] as const;
export type OpeningKind = (typeof OPENING_KINDS)[number];

/**
 * What keeps the concrete out of an opening: treated lumber as wide as the wall, the same with a sill of two narrow
 * members, foam, vinyl, laminated veneer, end caps made of form scraps, or such caps round a plywood liner that is taken
 * out again.
 */
export const BUCK_KINDS = [
  'lumber',
  'lumber-split-sill',
  'foam',
  'vinyl',
  'laminated',
  'form-scrap',
  'scrap-liner',
] as const;
export type BuckKind = (typeof BUCK_KINDS)[number];

/** Which end of its wall something is measured from: the corner that comes first clockwise, or the other. */
export type WallEndName = 'start' | 'end';

/** What happens to wall and slab under a door: the slab runs out over a wall that is held down, or stops inside it. */
export interface Threshold {
  readonly kind: 'slab-over' | 'slab-inside';
  /** How far the wall's concrete is held down, or how much lower it is poured outside. */
  readonly depth?: string;
  /** What keeps the tongue of slab over the wall from breaking wild. */
  readonly tongue?: 'dowels' | 'crack-bar' | 'saw-cut';
  /** Whose truck brings the slab concrete in the wall's thickness: the slab's own, later (the default), or the wall's. */
  readonly truck?: 'slab' | 'wall';
}

/** A hole through a wall with a buck in it. Lengths are text, so that half-typed ones can be kept. */
export interface Opening {
  readonly id: string;
  readonly name?: string;
  readonly kind: OpeningKind;
  /** Id of its wall; where that is gone the opening is kept, but not worked. */
  readonly wall: string;
  readonly from: WallEndName;
  /** Whether `at` runs to its near side or to its centre. */
  readonly to: 'near' | 'centre';
  /** Along the wall as drawn. */
  readonly at: string;
  /** Of the rough opening. */
  readonly width: string;
  readonly height: string;
  /** Bottom of the rough opening above the lowest footing; left out, with no head either, it stands on its wall's footing. */
  readonly sill?: string;
  /** Top of the rough opening above the lowest footing, in place of its sill. */
  readonly head?: string;
  /** How much of its height a round top takes; half its width where left out. */
  readonly rise?: string;
  /** Where it differs from the house rule. */
  readonly buck?: BuckKind;
  readonly threshold?: Threshold;
  /** Rules of its lintel that differ from the job's, by the rules' ids. */
  readonly lintel?: Readonly<Record<string, string | number>>;
}

/** Figures of a buck's material that the job sets for itself. */
export interface BuckFigures {
  readonly thickness?: string;
  /** Length that it is bought in. */
  readonly stock?: string;
  readonly kerf?: string;
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly openings?: readonly Opening[];
    /** Figures of buck materials, where the job has its own. */
    readonly bucks?: Readonly<Partial<Record<BuckKind, BuckFigures>>>;
  }
  interface PlanEdits {
    /** Openings to add; those without an id are given a fresh one. */
    readonly 'add-openings': {
      readonly kind: 'add-openings';
      readonly openings: readonly NewThing<Opening>[];
    };
    readonly 'set-opening': {
      readonly kind: 'set-opening';
      readonly opening: string;
      readonly change: OpeningChange;
    };
    readonly 'remove-opening': { readonly kind: 'remove-opening'; readonly opening: string };
    readonly 'set-buck': { readonly kind: 'set-buck'; readonly buck: BuckKind; readonly change: BuckChange };
  }
}
