import type { Length } from '../../kernel/measure';
import type { StockPlan } from '../../kernel/stock/cutStock';
import type { Figure } from '../../kernel/figures/figure';
import type { PlatePiece, PlateRun } from './plates';

/** A run of plate with its pieces and their bolts. */
export interface BoltedRun extends PlateRun {
  /** The pour that ends with the wall under it: its bolts are set in the wet concrete of that one. */
  readonly pour: string;
  readonly pieces: readonly PlatePiece[];
}

export type TopOffProblem =
  | { readonly kind: 'bolt-gap'; readonly wall: string; readonly from: Length; readonly to: Length }
  | { readonly kind: 'piece-short'; readonly wall: string; readonly length: Length }
  | { readonly kind: 'plate-curved'; readonly wall: string }
  /** Blocks of a wall are cut to a slope, so long along it. */
  | { readonly kind: 'plate-raked'; readonly wall: string; readonly length: Length }
  | { readonly kind: 'plate-wide'; readonly wall: string; readonly plate: Length; readonly wallThick: Length }
  | {
      /** Anchors of a ledger that come to lie on bars; the first of them. */
      readonly kind: 'anchor-on-bar';
      readonly wall: string;
      readonly ledger: string;
      readonly at: Length;
      readonly anchors: number;
      readonly clear: Length;
    }
  | {
      /** Nearest and farthest from an end leave no place between them. */
      readonly kind: 'no-end-zone';
      readonly nearest: Length;
      readonly farthest: Length;
    };

/** How the concrete of a pour ends at its top. */
export interface PourTop {
  readonly pour: string;
  readonly name: string;
  /** Struck off and trowelled, left rough, or half way up a block with bars standing out of it. */
  readonly finish: 'trowelled' | 'rough' | 'half-block';
  /** Bars out of the joint, where walls go on. */
  readonly bars: Length | null;
}

/** Sill plates with their splices and anchor bolts, and how each pour's top is left. */
export interface TopOff {
  readonly runs: readonly BoltedRun[];
  /** Boards that the plates are cut of. */
  readonly stock: StockPlan;
  readonly boards: Figure;
  readonly bolts: Figure;
  /** Middle third of the plate, from the core's outside face, for each core that a wall has. */
  readonly bands: readonly { readonly core: Length; readonly from: Length; readonly to: Length }[];
  readonly ledgerAnchors: { readonly cast: number; readonly drilled: number };
  readonly tops: readonly PourTop[];
  readonly problems: readonly TopOffProblem[];
}
