import type { NewThing } from '../../kernel/plan/plan';
import type { WallEndName } from '../openings/plan';
import type { InsertChange } from './edits';

/** What else goes through a wall, into it, or onto it. */
export const INSERT_KINDS = [
  'sleeve',
  'conduit',
  'pocket',
  'ledger',
  'hangers',
  'brick-ledge',
  'hold-down',
] as const;
export type InsertKind = (typeof INSERT_KINDS)[number];

/**
 * Something cast in, fixed to or passed through a wall. What is left out follows the house rules; `at` runs to the middle
 * of a single one, and to the near end of a run.
 */
export interface Insert {
  readonly id: string;
  readonly name?: string;
  readonly kind: InsertKind;
  readonly wall: string;
  readonly from: WallEndName;
  readonly at: string;
  /** Above the lowest footing: the middle of a sleeve, conduit, plate or ledger, the seat of a pocket, the top of a ledge. */
  readonly up: string;
  /** Bore of a sleeve or conduit, width of a pocket or plate. */
  readonly size?: string;
  /** Height of a pocket, plate, ledger board or brick ledge. */
  readonly height?: string;
  /** How far a pocket reaches into the core, or a ledge stands out. */
  readonly depth?: string;
  /** Of a run: ledger, row of hangers, brick ledge. */
  readonly length?: string;
  /** Of anchors or plates along a run. */
  readonly spacing?: string;
  /** Rows of anchors in a ledger. */
  readonly rows?: number;
  readonly face?: 'inside' | 'outside';
  /** Of a sleeve that must drain, over the wall's thickness. */
  readonly fall?: string;
  /** Anchors cast in, or drilled and bolted through once the wall is stacked. */
  readonly fixing?: 'cast' | 'drilled';
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly inserts?: readonly Insert[];
  }
  interface PlanEdits {
    readonly 'add-inserts': { readonly kind: 'add-inserts'; readonly inserts: readonly NewThing<Insert>[] };
    readonly 'set-insert': {
      readonly kind: 'set-insert';
      readonly insert: string;
      readonly change: InsertChange;
    };
    readonly 'remove-insert': { readonly kind: 'remove-insert'; readonly insert: string };
  }
}
